import { useState } from "react";
import styled from "styled-components";
import { useUnits } from "../../state/units";
import { Choice } from "../../ui/Choice";
import { Tick } from "../../ui/Tick";
import type { Field, Item, Unit } from "./fields";
import { valueAt } from "./fields";

const Labelled = styled.label`
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
  > span { color: var(--quiet); font-size: 12px; line-height: 16px; }
  input {
    width: 100%;
    min-height: 30px;
    padding: 3px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
  }
  input[aria-invalid="true"] { border-color: var(--brick); }
  small { color: var(--brick); line-height: 15px; }
`;

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

/** A typed number: with a decimal point or comma; null when it is none. */
export function readNumber(text: string): number | null {
  const t = text.trim().replace(",", ".").replace("−", "-");
  const n = Number(t);
  return t === "" || !Number.isFinite(n) ? null : n;
}

const rounded = (x: number) => Math.round(x * 1e7) / 1e7;

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
      <Choice
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
  const read = (typed: string): unknown => {
    const parts = list ? split(typed) : [typed];
    const numbers = parts.map(readNumber);
    if (numbers.some((n) => n === null)) return null;
    const si = numbers.map((n) => rounded((n as number) / unit.factor));
    return list ? si : si[0];
  };
  return (
    <Entry
      label={`${field.label}${unit.name ? `, ${unit.name}` : ""}`}
      text={text}
      read={read}
      wrong={list ? "Numbers with spaces between them." : "This is not a number."}
      problem={problem}
      set={set}
    />
  );
}

type EntryProps = {
  label: string;
  text: string;
  read: (typed: string) => unknown;
  wrong: string;
  problem: string | undefined;
  set: (value: unknown) => void;
};

/** Text that is taken over on Enter or when the field is left; nonsense stays to be mended and is told. */
function Entry({ label, text, read, wrong, problem, set, plain }: EntryProps & { plain?: boolean }) {
  const [typed, setTyped] = useState<string | null>(null);
  const [nonsense, setNonsense] = useState(false);
  const finish = () => {
    if (typed === null) return;
    const value = typed.trim() === text ? undefined : read(typed);
    setNonsense(value === null);
    if (value === null) return;
    setTyped(null);
    if (value !== undefined) set(value);
  };
  const told = nonsense ? wrong : problem;
  return (
    <Labelled>
      <span>{label}</span>
      <input
        className={plain ? undefined : "mono"}
        autoComplete="off"
        value={typed ?? text}
        aria-invalid={told !== undefined}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={finish}
        onKeyDown={(e) => {
          if (e.key === "Enter") finish();
          if (e.key === "Escape") {
            setTyped(null);
            setNonsense(false);
          }
        }}
      />
      {told !== undefined && <small role="alert">{told}</small>}
    </Labelled>
  );
}

/** Plain text of a thing, like its name. */
export function TextEntry(props: Omit<EntryProps, "read" | "wrong">) {
  return <Entry {...props} plain read={(t) => t.trim()} wrong="" />;
}
