import type { ReactNode } from "react";
import styled from "styled-components";
import { strokes } from "../../chart/OverlayChart";
import type { Comparison } from "../../engine/types";
import { useUnits } from "../../state/units";
import { StatusIcon } from "../../ui/StatusIcon";

const Box = styled.div`
  display: grid;
  gap: 16px;
  align-content: start;
  h2 { font-size: 15px; padding-bottom: 4px; border-bottom: 1px solid var(--line); }
  ul { list-style: none; padding: 0; }
  li { padding: 5px 0; }
  .confounders li { display: grid; grid-template-columns: 20px 1fr; gap: 4px; }
  .sets b { font-weight: 600; }
  small { display: block; color: var(--quiet); font-size: 12px; line-height: 16px; }
  p { color: var(--quiet); padding: 5px 0; }
  .share { display: grid; grid-template-columns: 14px minmax(0, 1fr) 38px; gap: 6px; align-items: center; font-size: 12px; }
  .bar { height: 7px; background: color-mix(in srgb, var(--line) 60%, transparent); border-radius: 2px; overflow: hidden; }
  .bar i { display: block; height: 100%; border-right: 2px solid var(--ink); }
  .share .mono { text-align: right; }
  @media print {
    grid-template-columns: 1fr 1fr 1.2fr 1.6fr;
    ul:has(.share) { columns: 2; }
    ul:has(.share) li { break-inside: avoid; }
    h2 { font-size: 13px; }
    li, p { padding: 1px 0; }
    .share { font-size: 11px; line-height: 14px; }
  }
`;

const shownRegions = 8;

/** What stands against comparing, who carries the torque, and what belongs together. */
export function Beside({ comparison, children }: { comparison: Comparison; children: ReactNode }) {
  const units = useUnits();
  const { confounders, sets, regions, sides } = comparison;
  return (
    <Box>
      <section aria-label="Differences to bear in mind">
        <h2>Differences to bear in mind</h2>
        {confounders.length === 0 && <p>None: nothing differs that would change what the numbers mean.</p>}
        <ul className="confounders">
          {confounders.map((r) => (
            <li key={r.key} data-confounder={r.key}>
              <StatusIcon tone="warning" />
              {units.sentence(r.text, r.values)}
            </li>
          ))}
        </ul>
        {confounders.length > 2 && (
          <p>All of this differs at once, so the numbers alone cannot say which of it makes the difference.</p>
        )}
      </section>
      {children}
      <section aria-label="Complementary exercises">
        <h2>Complementary exercises</h2>
        {sets.length === 0 && <p>{comparison.setsWhy}</p>}
        <ul className="sets">
          {sets.map((s) => (
            <li key={s.letters.join()} data-set={s.letters.join("")}>
              <b>{s.letters.join(", ").replace(/, (\w)$/, " and $1")}</b>{" "}
              <span className="mono">{units.text(100 * s.coverage, "percent")}</span>
              <small>
                {s.why} The best of them on its own: {units.text(100 * s.alone, "percent")}.
              </small>
            </li>
          ))}
        </ul>
        {sets.length > 0 && (
          <p>
            How hard at least one of them works the target at every length that any setup reaches, and the other parts
            of its muscle, with the heaviest load that the busiest muscle can hold.
          </p>
        )}
      </section>
      <section aria-label="Muscle contribution">
        <h2>Muscle contribution</h2>
        <ul>
          {regions.slice(0, shownRegions).map((r) => (
            <li key={r.key} data-region={r.key}>
              {r.label}
              {r.per.map((m, i) => (
                <div className="share" key={sides[i]?.letter}>
                  <b>{sides[i]?.letter}</b>
                  <span className="bar">
                    {m.value != null && (
                      <i
                        style={{
                          width: `${Math.min(100, 100 * m.value)}%`,
                          background: strokes[i % strokes.length]?.stroke,
                        }}
                      />
                    )}
                  </span>
                  <span className="mono">{m.value == null ? "–" : units.text(100 * m.value, "percent")}</span>
                </div>
              ))}
            </li>
          ))}
        </ul>
        <p>By a table of muscles that was recalled, not measured on the lifter.</p>
      </section>
    </Box>
  );
}
