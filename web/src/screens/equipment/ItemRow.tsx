import { ChevronDown, ChevronRight, Copy, Gauge, Trash2 } from "lucide-react";
import { useState } from "react";
import styled from "styled-components";
import { type Axis, PointsChart, type XY } from "../../chart/PointsChart";
import type { BandPoint, CamPoint, Problem } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { StatusIcon } from "../../ui/StatusIcon";
import { KitDrawing } from "./Drawing";
import type { Field, Item, Section } from "./fields";
import { byHand, valueAt } from "./fields";
import { FieldInput, TextEntry } from "./Inputs";
import { inWords, measuredWords } from "./words";

const Row = styled.li`
  border-bottom: 1px solid var(--line);
  > header { display: flex; align-items: center; gap: 10px; padding: 4px 0; }
  > header > svg { flex: none; }
  .thumb { width: 56px; height: 56px; flex: none; }
  .toggle {
    flex: 1;
    min-width: 0;
    display: flex;
    align-items: center;
    gap: 8px;
    padding: 8px 2px;
    border: 0;
    background: none;
    text-align: left;
    cursor: pointer;
    font-weight: 600;
    overflow-wrap: anywhere;
  }
  .toggle small { display: block; color: var(--quiet); font-weight: 400; }
  .open { display: grid; grid-template-columns: 190px minmax(0, 1fr); gap: 18px; padding: 4px 0 16px; }
  .big { width: 190px; height: 190px; background: var(--sheet); border: 1px solid var(--line); border-radius: 6px; }
  .fields {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 10px 14px;
    align-content: start;
    align-items: end;
  }
  .long { grid-column: span 2; }
  .wide { grid-column: 1 / -1; }
  .measured { display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: center; }
  .measured small { color: var(--quiet); }
  @media (max-width: 700px) {
    .open { grid-template-columns: minmax(0, 1fr); }
    .thumb { display: none; }
  }
`;

type Props = {
  section: Section;
  item: Item;
  problems: Problem[]; // of this thing, paths from the thing on
  opened: boolean;
  set: (item: Item, drag?: boolean) => void;
  done: (cancelled: boolean) => void;
  copy: () => void;
  remove: () => void;
  /** Opens its measurement, where it has one. */
  measure?: () => void;
};

/** A thing in a room: a line with a picture, which opens to its fields. */
export function ItemRow({ section, item, problems, opened, set, done, copy, remove, measure }: Props) {
  const [open, setOpen] = useState(opened);
  const units = useUnits();
  const told = (path: string) => {
    const p = problems.find((x) => x.path === path || x.path.startsWith(`${path}[`));
    return p && [p.what, p.hint].filter(Boolean).join(" ");
  };
  const fields = section.fields.filter((f) => f.when?.(item) ?? true);
  const known = ["name", ...fields.map((f) => f.at)];
  const homeless = problems.filter((p) => !known.some((k) => p.path === k || p.path.startsWith(`${k}[`)));
  return (
    <Row data-item={item.key}>
      <header>
        <button type="button" className="toggle" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? <ChevronDown size={15} aria-hidden /> : <ChevronRight size={15} aria-hidden />}
          {!open && (
            <span className="thumb">
              <KitDrawing list={section.list} item={item} size={56} bare />
            </span>
          )}
          <span>
            {item.name || "Unnamed"}
            <small>{inWords(section.list, item, units)}</small>
          </span>
        </button>
        {problems.length > 0 && <StatusIcon tone="error" />}
        <Button look="quiet" aria-label={`Copy ${item.name}`} onPress={copy}>
          <Copy size={15} aria-hidden />
        </Button>
        <Button look="quiet" aria-label={`Remove ${item.name} from the gym`} onPress={remove}>
          <Trash2 size={15} aria-hidden />
        </Button>
      </header>
      {open && (
        <div className="open">
          <div className="big">
            <KitDrawing list={section.list} item={item} size={190} />
          </div>
          <div className="fields">
            <div className="long">
              <TextEntry
                label="Name"
                text={item.name}
                problem={told("name")}
                set={(name) => set({ ...item, name: String(name) })}
              />
            </div>
            {measure && (
              <div className="wide measured">
                <Button onPress={measure}>
                  <Gauge size={15} aria-hidden /> Measure it
                </Button>
                <small>{measuredWords(item, units)}</small>
              </div>
            )}
            {fields.map((f) =>
              f.kind === "band" || f.kind === "cam" ? (
                <div key={f.at} className="wide">
                  <Points field={f} item={item} problems={problems} set={set} done={done} />
                </div>
              ) : (
                <div key={f.at} className={f.kind === "list" ? "long" : undefined}>
                  <FieldInput field={f} item={item} problem={told(f.at)} set={(v) => set(byHand(item, f.at, v))} />
                </div>
              ),
            )}
            {homeless.map((p) => (
              <p key={p.path + p.what} className="wide" role="alert">
                {p.what} {p.hint}
              </p>
            ))}
          </div>
        </div>
      )}
    </Row>
  );
}

type PointsProps = Pick<Props, "item" | "problems" | "set" | "done"> & { field: Field };

/** A band's pull over its length, or a cam's moment arm over the angle. */
function Points({ field, item, problems, set, done }: PointsProps) {
  const units = useUnits();
  const axis = (kind: string, label: string, step: number, extra: number): Axis => {
    const u = units.unit(kind);
    return { label, kind, unit: u.name, factor: u.factor, digits: u.digits + extra, step };
  };
  const band = field.kind === "band";
  const value = valueAt(item, field.at) ?? [];
  const points: XY[] = band
    ? (value as BandPoint[]).map((p) => ({ x: p.length, y: p.force }))
    : (value as CamPoint[]).map((p) => ({ x: p.angleDeg, y: p.arm }));
  const write = (to: XY[], drag: boolean) => {
    const list = band ? to.map((p) => ({ length: p.x, force: p.y })) : to.map((p) => ({ angleDeg: p.x, arm: p.y }));
    set(byHand(item, field.at, list.length > 0 ? list : undefined), drag);
  };
  const last = points.at(-1);
  const rest = Number(item.restLength ?? 1);
  const fresh = (): XY => {
    if (!band) return { x: (last?.x ?? -20) + 20, y: last?.y ?? 0.2 };
    return last ? { x: last.x + 0.25 * rest, y: last.y + 20 } : { x: rest, y: 0 };
  };
  const own: Record<number, string> = {};
  for (const p of problems) {
    const at = p.path.match(new RegExp(`^${field.at}\\[(\\d+)\\]`));
    if (at) own[Number(at[1])] = [p.what, p.hint].filter(Boolean).join(" ");
  }
  const whole = problems.find((p) => p.path === field.at);
  return (
    <>
      <b>{field.label}</b>
      {whole && (
        <p role="alert" style={{ color: "var(--brick)" }}>
          {whole.what} {whole.hint}
        </p>
      )}
      <PointsChart
        name={`${item.name}: ${field.label}`}
        points={points}
        x={band ? axis("length", "length", 0.01, 0) : axis("angle", "angle", 1, 0)}
        y={
          band
            ? { ...axis("force", "pull", 1, 0), least: 0 }
            : { ...axis("length", "moment arm", 0.005, 1), least: 0.005 }
        }
        problems={own}
        empty="Nothing measured. Hang known weights on it, or pull it along a tape with a scale: two points or more."
        fresh={fresh}
        set={write}
        done={done}
      />
    </>
  );
}
