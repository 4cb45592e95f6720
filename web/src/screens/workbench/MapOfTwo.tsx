import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import { map } from "../../engine/search";
import type { Grid, Problem, Setting, SetupDocument } from "../../engine/types";
import { isDial } from "../../state/dials";
import { useUnits } from "../../state/units";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { written } from "../../ui/written";

const Box = styled.div`
  display: grid;
  gap: 10px;
  .row { display: flex; gap: 16px; align-items: end; flex-wrap: wrap; }
  .row > * { min-width: 180px; }
  .map { display: block; width: 100%; max-width: 640px; cursor: crosshair; }
  .map:focus-visible { outline: 2px solid var(--slate); outline-offset: 3px; }
  .closed { fill: url(#closed-off); }
  ul { list-style: none; padding: 0; margin: 0; color: var(--quiet); font-size: 12px; }
`;

const size = { width: 640, height: 360, left: 8, top: 8, right: 8, bottom: 8 };

type Props = {
  core: Core;
  text: string;
  dials: Setting[];
  label: (s: Setting) => string;
  take: (document: SetupDocument) => void;
};

/** How every pair of values of two settings would score: the present one, the best, and what is closed off by what. */
export function MapOfTwo({ core, text, dials, label, take }: Props) {
  const [a, setA] = useState(dials[0]?.key ?? "");
  const [b, setB] = useState(dials.find((s) => isDial(s, "stance.out") && s.key !== a)?.key ?? dials[1]?.key ?? "");
  const [grid, setGrid] = useState<Grid | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  useEffect(() => {
    setGrid(null);
    setProblems([]);
    if (a === b || !a || !b) return;
    setShare(0);
    return map(text, a, b, setShare, (answer) => {
      setShare(null);
      if (answer.ok) setGrid(answer.ok);
      else setProblems(answer.problems);
    });
  }, [text, a, b]);
  const options = dials.map((s) => ({ key: s.key, label: label(s) }));
  const set = (x: number, y: number) => {
    const first = core.apply(text, a, x);
    const both = first.ok && core.apply(JSON.stringify(first.ok), b, y);
    if (both?.ok) take(both.ok);
  };
  return (
    <Box>
      <div className="row">
        <Select label="Horizontal" options={options} value={a} onChange={setA} />
        <Select label="Vertical" options={options} value={b} onChange={setB} />
      </div>
      {a === b && <p role="status">Choose two different settings.</p>}
      {share !== null && <p role="status">Looking at every pair … {Math.round(100 * share)} %</p>}
      {problems.map((p) => (
        <p key={p.path + p.what} role="alert">
          <StatusIcon tone="error" /> {p.what} {p.hint}
        </p>
      ))}
      {grid && <Drawn key={`${a} ${b}`} grid={grid} set={set} />}
    </Box>
  );
}

type Cell = { x: number; y: number };

/** The map itself. Arrow keys move over it, Enter or a click sets both settings. */
function Drawn({ grid, set }: { grid: Grid; set: (a: number, b: number) => void }) {
  const units = useUnits();
  const svg = useRef<SVGSVGElement>(null);
  const [columns, rows] = [grid.aValues.length, grid.bValues.length];
  const near = (values: (number | null)[], v: number) =>
    values.reduce<number>((best, x, i) => (Math.abs((x ?? 0) - v) < Math.abs((values[best] ?? 0) - v) ? i : best), 0);
  const now: Cell = { x: near(grid.aValues, grid.a.value), y: near(grid.bValues, grid.b.value) };
  const [at, setAt] = useState<Cell>(now);
  const w = (size.width - size.left - size.right) / columns;
  const h = (size.height - size.top - size.bottom) / rows;
  const place = (c: Cell) => ({ x: size.left + c.x * w, y: size.height - size.bottom - (c.y + 1) * h });
  const scores = grid.scores.flat().filter((s): s is number => s != null);
  const high = Math.max(...scores);
  const low = Math.min(...scores, high - 12);
  const under = (e: React.PointerEvent): Cell => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return at;
    const [px, py] = [
      ((e.clientX - box.left) / box.width) * size.width,
      ((e.clientY - box.top) / box.height) * size.height,
    ];
    const inside = (v: number, n: number) => Math.max(0, Math.min(n - 1, Math.floor(v)));
    return { x: inside((px - size.left) / w, columns), y: inside((size.height - size.bottom - py) / h, rows) };
  };
  const choose = (c: Cell) => set(grid.aValues[c.x] ?? 0, grid.bValues[c.y] ?? 0);
  const key = (e: React.KeyboardEvent) => {
    const step: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    const by = step[e.key];
    if (by)
      setAt({
        x: Math.max(0, Math.min(columns - 1, at.x + by[0])),
        y: Math.max(0, Math.min(rows - 1, at.y + by[1])),
      });
    else if (e.key === "Enter") choose(at);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const score = grid.scores[at.y]?.[at.x];
  const closed = grid.closed[at.y]?.[at.x] ?? -1;
  const said = `${grid.a.label} ${written(grid.aValues[at.x] ?? 0, grid.a.kind, units)}, ${grid.b.label} ${written(grid.bValues[at.y] ?? 0, grid.b.kind, units)}: ${
    closed >= 0 ? grid.reasons[closed] : `score ${Math.round(score ?? 0)}`
  }`;
  const middle = (c: Cell) => ({ cx: place(c).x + w / 2, cy: place(c).y + h / 2 });
  return (
    <>
      <svg
        ref={svg}
        className="map"
        viewBox={`0 0 ${size.width} ${size.height}`}
        role="application"
        aria-label={`Map of ${grid.a.label} and ${grid.b.label}. ${said}`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: as above
        tabIndex={0}
        onKeyDown={key}
        // Browsers also tell of a pointer that rests while the page moves under it.
        onPointerMove={(e) => (e.movementX !== 0 || e.movementY !== 0) && setAt(under(e))}
        onPointerDown={(e) => choose(under(e))}
      >
        <defs>
          <pattern id="closed-off" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" fill="var(--sheet)" />
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" strokeWidth="1" />
          </pattern>
        </defs>
        {grid.scores.map((row, y) =>
          row.map((s, x) => {
            const p = place({ x, y });
            const good = s == null ? 0 : Math.max(0, Math.min(1, (s - low) / (high - low)));
            return (
              <rect
                key={`${x} ${y}`}
                className={s == null ? "closed" : undefined}
                x={p.x}
                y={p.y}
                width={w + 0.4}
                height={h + 0.4}
                fill={
                  s == null ? undefined : `color-mix(in oklab, var(--slate) ${Math.round(100 * good)}%, var(--line))`
                }
              />
            );
          }),
        )}
        {grid.bestA >= 0 && (
          <circle
            {...middle({ x: grid.bestA, y: grid.bestB })}
            r={6}
            fill="var(--ember-deep)"
            stroke="var(--sheet)"
            strokeWidth={2}
          />
        )}
        <circle {...middle(now)} r={7} fill="none" stroke="var(--sheet)" strokeWidth={5} />
        <circle {...middle(now)} r={7} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
        <rect {...place(at)} width={w} height={h} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      </svg>
      <p aria-live="polite">
        <b>{said}</b>
      </p>
      <ul>
        <li>
          Ring: as it is. Dot: the best. Across: {grid.a.label}, {span(grid.aValues, grid.a.kind, units)}. Upward:{" "}
          {grid.b.label}, {span(grid.bValues, grid.b.kind, units)}. A click sets both; so does Enter.
        </li>
        {grid.reasons.length > 0 && <li>Hatched: {grid.reasons.slice(0, 4).join(" ")}</li>}
      </ul>
    </>
  );
}

const span = (values: (number | null)[], kind: string, units: ReturnType<typeof useUnits>) =>
  `${written(values[0] ?? 0, kind, units)} to ${written(values.at(-1) ?? 0, kind, units)}`;
