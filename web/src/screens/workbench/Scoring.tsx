import styled from "styled-components";
import type { SetupDocument } from "../../engine/types";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";

const Disclosure = styled.details`
  summary { cursor: pointer; color: var(--slate); font-weight: 600; }
  p { color: var(--quiet); padding: 4px 0; }
  .numbers { display: grid; grid-template-columns: repeat(auto-fill, minmax(190px, 1fr)); gap: 8px 16px; align-items: end; }
`;

type Scored = NonNullable<SetupDocument["scoring"]>;

/** What a score counts, with what that usually is and may be at most. */
const numbers = [
  { key: "fit", label: "A full fit is worth", usual: 60, most: 100, digits: 0 },
  { key: "target", label: "All of the work from the target is worth", usual: 40, most: 100, digits: 0 },
  { key: "length", label: "All torque at the length asked for is worth", usual: 20, most: 100, digits: 0 },
  { key: "outOfPlane", label: "Pull entirely out of plane costs", usual: 40, most: 200, digits: 0 },
  { key: "start", label: "A warning on start tension costs", usual: 3, most: 100, digits: 1 },
  { key: "clearance", label: "A warning on clearance costs", usual: 3, most: 100, digits: 1 },
  { key: "jointLoad", label: "Each 10 % over the low-back or grip limit costs", usual: 3, most: 100, digits: 1 },
  { key: "targetLoss", label: "Contribution an answer may give away, points", usual: 2, most: 100, digits: 0 },
] as const;

const lengths = [
  { key: "", label: "Any length" },
  { key: "lengthened", label: "Lengthened" },
  { key: "shortened", label: "Shortened" },
];

type Props = { scoring: SetupDocument["scoring"]; set: (scoring: SetupDocument["scoring"]) => void };

/** What the score counts, in points; all of it can be changed, and dials, suggestions, search and map go by it. */
export function Scoring({ scoring, set }: Props) {
  const change = (part: Partial<Scored>) => {
    const next = Object.fromEntries(Object.entries({ ...scoring, ...part }).filter(([, v]) => v !== undefined));
    set(Object.keys(next).length > 0 ? (next as Scored) : undefined);
  };
  const kept = scoring?.rangeKept ?? 0.9;
  return (
    <Disclosure>
      <summary>Scoring</summary>
      <p>
        The score is out of 100. The dials, the steps, the suggestions and the map use the same one. Never an answer: a
        slack stack, a blocked cable, an unstable stance, more effort than the lifter has, a new caution, or angles
        beyond the lifter's range.
      </p>
      <div className="numbers">
        <Select
          label="Load the target while"
          options={lengths}
          value={scoring?.lengths ?? ""}
          onChange={(key) => change({ lengths: (key || undefined) as Scored["lengths"] })}
        />
        {numbers
          .filter(({ key }) => key !== "length" || scoring?.lengths)
          .map(({ key, label, usual, most, digits }) => {
            const value = scoring?.[key] ?? usual;
            return (
              <QuantityEntry
                key={key}
                label={`${label} (${usual})`}
                value={value}
                kind="count"
                digits={digits}
                problem={value < 0 || value > most ? `Give 0 to ${most}.` : undefined}
                set={(v) => change({ [key]: v === usual ? undefined : v })}
                optional
              />
            );
          })}
        <QuantityEntry
          label="Range an answer has to keep (90)"
          value={kept}
          kind="share"
          digits={0}
          problem={kept < 0 || kept > 1 ? "Give 0 to 100 %." : undefined}
          set={(v) => change({ rangeKept: v === 0.9 ? undefined : v })}
          optional
        />
      </div>
    </Disclosure>
  );
}
