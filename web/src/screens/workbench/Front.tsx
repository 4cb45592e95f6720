import { useState } from "react";
import styled from "styled-components";
import type { Found, FrontPoint, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";

const Box = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 12px;
  align-items: center;
  h3 { font-size: 13px; grid-column: 1 / -1; }
  .plot {
    position: relative;
    height: 190px;
    border-left: 1px solid var(--line);
    border-bottom: 1px solid var(--line);
    margin: 0 10px 20px 34px;
  }
  .plot > button {
    position: absolute;
    width: 24px;
    height: 24px;
    margin: -12px 0 0 -12px;
    padding: 0;
    border: 0;
    background: none;
    display: grid;
    place-items: center;
    cursor: pointer;
  }
  .plot > button::before {
    content: "";
    width: 11px;
    height: 11px;
    border-radius: 50%;
    background: var(--slate);
    border: 2px solid var(--sheet);
  }
  .plot > button:hover::before, .plot > button:focus-visible::before { background: var(--ember-deep); width: 14px; height: 14px; }
  .plot > button:focus-visible { outline: 2px solid var(--slate); border-radius: 50%; }
  .now {
    position: absolute;
    transform: translate(-50%, -50%);
    color: var(--ink);
    font-size: 12px;
    white-space: nowrap;
    pointer-events: none;
  }
  .now::before { content: "×"; font-size: 18px; font-weight: 700; vertical-align: -2px; margin-right: 3px; }
  .edge { position: absolute; color: var(--quiet); font-size: 12px; white-space: nowrap; }
  .still {
    display: grid;
    gap: 4px;
    justify-items: center;
    color: var(--quiet);
    font-size: 12px;
    text-align: center;
    min-height: 140px;
    align-content: center;
  }
  @media (max-width: 600px) { grid-template-columns: minmax(0, 1fr); .still { min-height: 0; } }
`;

type Props = { front: FrontPoint[]; before: Found | null; take: (document: SetupDocument) => void };

const percent = (v: number) => Math.round(100 * v);

/** Fit against the target's contribution: the best that can be had, each point a setup that one press takes. */
export function Front({ front, before, take }: Props) {
  const [seen, see] = useState<number | null>(null);
  if (front.length < 2) return null;
  const now = before && before.target.value != null ? { fit: before.fit, target: before.target.value } : null;
  const all = now ? [...front, now] : front;
  const span = (of: (p: { fit: number; target: number }) => number, least: number): [number, number] => {
    const values = all.map(of);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const more = Math.max(0.08 * (high - low), (least - (high - low)) / 2);
    return [low - more, high + more];
  };
  const [x, y] = [span((p) => p.fit, 4), span((p) => p.target, 0.04)];
  const left = (p: { fit: number }) => `${(100 * (p.fit - x[0])) / (x[1] - x[0])}%`;
  const top = (p: { target: number }) => `${100 - (100 * (p.target - y[0])) / (y[1] - y[0])}%`;
  const shown = seen === null ? null : (front[seen] ?? null);
  const told = (p: FrontPoint) =>
    `Score ${Math.round(p.score)}: fit ${Math.round(p.fit)}, target ${percent(p.target)} %, ${p.changes} ${p.changes === 1 ? "change" : "changes"}`;
  return (
    <Box aria-label="Fit against the target's contribution">
      <h3>Fit against the target's contribution: nothing usable beats these on both</h3>
      <div className="plot">
        {front.map((p, i) => (
          <button
            type="button"
            key={`${p.fit} ${p.target}`}
            aria-label={`Use this: ${told(p)}`}
            style={{ left: left(p), top: top(p) }}
            onMouseEnter={() => see(i)}
            onFocus={() => see(i)}
            onClick={() => take(p.document)}
          />
        ))}
        {now && (
          <span className="now" style={{ left: left(now), top: top(now) }}>
            now
          </span>
        )}
        <span className="edge" style={{ right: 0, bottom: -18 }}>
          Fit, {Math.round(x[0])} to {Math.round(x[1])}
        </span>
        <span className="edge" style={{ left: -30, top: 0 }}>
          {percent(y[1])} %
        </span>
        <span className="edge" style={{ left: -30, bottom: 0 }}>
          {percent(y[0])} %
        </span>
      </div>
      <div className="still">
        {shown ? (
          <>
            <SetupPicture document={shown.document} width={130} height={100} />
            <span>{told(shown)}</span>
          </>
        ) : (
          <span>Point at one to see it. Press to use it.</span>
        )}
      </div>
    </Box>
  );
}
