import styled from "styled-components";
import type { Goal } from "../../engine/types";
import { QuantityEntry } from "../../ui/Entry";

const Fold = styled.details`
  summary { cursor: pointer; color: var(--slate); font-weight: 600; }
  p { color: var(--quiet); padding: 4px 0; }
  .numbers { display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 8px 16px; align-items: end; }
`;

export type Weights = Pick<Goal, "lineUp" | "look" | "change" | "touchy">;

/** What is subtracted from the match, with what it usually is and may be at most. */
const numbers = [
  { key: "lineUp", label: "Pull entirely out of plane costs", usual: 40, most: 200, digits: 0 },
  { key: "look", label: "A warning on start tension or clearance costs", usual: 3, most: 100, digits: 1 },
  { key: "change", label: "Each changed setting must gain", usual: 0.3, most: 100, digits: 1 },
  { key: "touchy", label: "Weight of a step off the setting", usual: 0.25, most: 1, digits: 2 },
] as const;

type Props = { weights: Weights; set: (weights: Weights) => void };

/** What the search looks for beside the match, in points of it; all of it can be changed. */
export function WhatCounts({ weights, set }: Props) {
  return (
    <Fold>
      <summary>Scoring</summary>
      <p>
        The fit, less these points. Ruled out: a stack that is down, a blocked cable, an unstable stance, more effort
        than the lifter has, new cautions, and angles beyond the lifter's range.
      </p>
      <div className="numbers">
        {numbers.map(({ key, label, usual, most, digits }) => {
          const value = weights[key] ?? usual;
          return (
            <QuantityEntry
              key={key}
              label={`${label} (${usual})`}
              value={value}
              kind="count"
              digits={digits}
              problem={value < 0 || value > most ? `Give 0 to ${most}.` : undefined}
              set={(v) => set({ ...weights, [key]: v })}
              optional
            />
          );
        })}
      </div>
    </Fold>
  );
}
