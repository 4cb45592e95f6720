import { useUnits } from "../../state/units";
import { Entry, type EntryProps } from "../../ui/Entry";
import { Select } from "../../ui/Select";
import { Tick } from "../../ui/Tick";
import { type Meaning, readQuantity } from "../../ui/useTyped";
import type { Field, Item, Unit } from "./fields";
import { valueAt } from "./fields";

/** How values of a kind are shown: unit and factor from SI. */
export function useShown() {
  const units = useUnits();
  return (kind: Unit): { name: string; factor: number; digits: number } => {
    if (kind === "area") return { name: "mm²", factor: 1e6, digits: 1 };
    if (kind === "plain") return { name: "", factor: 1, digits: 3 };
    if (kind === "share") return { name: "%", factor: 100, digits: 1 };
    const u = units.unit(kind);
    return { ...u, digits: kind === "count" ? 0 : kind === "length" ? u.digits + 1 : 2 };
  };
}

/** The numbers of a list: spaces, semicolons or commas between them; a lone comma is a decimal one. */
function split(typed: string): string[] {
  const parts = typed.split(/[;\s]+/).map((t) => t.replace(/,$/, ""));
  return parts.flatMap((t) => (t.split(",").length > 2 ? t.split(",") : [t])).filter((t) => t !== "");
}

type Props = { field: Field; item: Item; problem: string | undefined; set: (value: unknown) => void };

/** One field of a thing, by its kind; charts are elsewhere. */
export function FieldInput({ field, item, problem, set }: Props) {
  const shown = useShown();
  const value = valueAt(item, field.at);
  if (field.kind === "tick") return <Tick label={field.label} on={value === true} set={set} />;
  if (field.kind === "choice") {
    const numeric = typeof value === "number";
    return (
      <Select
        label={field.label}
        options={field.options}
        value={String(value)}
        onChange={(key) => set(numeric ? Number(key) : key)}
      />
    );
  }
  if (field.kind === "band" || field.kind === "cam") return null;
  const list = field.kind === "list";
  const unit = shown(list ? field.of : field.kind);
  const write = (x: number) => String(Number((x * unit.factor).toFixed(unit.digits)));
  const text = list ? ((value ?? []) as number[]).map(write).join("  ") : value == null ? "" : write(value as number);
  const read = (typed: string): Meaning<unknown> => {
    if (field.optional && typed.trim() === "") return { value: undefined };
    const parts = list ? split(typed) : [typed];
    const numbers: number[] = [];
    for (const part of parts) {
      const meaning = readQuantity(part, list ? field.of : field.kind, unit.factor);
      if ("wrong" in meaning) return list ? { wrong: `${meaning.wrong} Put spaces between the numbers.` } : meaning;
      numbers.push(meaning.value);
    }
    return { value: list ? numbers : numbers[0] };
  };
  return (
    <Entry
      label={`${field.label}${unit.name ? `, ${unit.name}` : ""}`}
      text={text}
      read={read}
      problem={problem}
      set={set}
    />
  );
}

/** Plain text of a thing, like its name. */
export function TextEntry(props: Omit<EntryProps<string>, "read">) {
  return <Entry {...props} plain read={(t) => ({ value: t.trim() })} />;
}
