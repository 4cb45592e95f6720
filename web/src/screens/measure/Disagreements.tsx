import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { asked } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Disagreement, StoredLifter } from "../../engine/types";
import { useUnits } from "../../state/units";
import { StatusIcon } from "../../ui/StatusIcon";
import { actionLabel } from "../lifters/StrengthPart";
import { dayWords } from "../plan/planEdits";

const List = styled.ul`
  li { display: grid; grid-template-columns: 20px minmax(0, 1fr) auto; gap: 8px; padding: 10px 0; border-top: 1px solid var(--line); }
  b { display: block; }
  small { color: var(--quiet); font-size: 12px; line-height: 16px; }
  a { display: inline-flex; align-items: start; min-height: var(--target); white-space: nowrap; font-weight: 600; color: var(--slate); }
`;

/** A correlation below which activity does not run as the model does (own). */
const unlike = 0.3;

/** Measurements that contradict what else is known by more than both are sure of, with what to look at. */
export function Disagreements({ core, lifter }: { core: Core; lifter: StoredLifter }) {
  const units = useUnits();
  const list = useMemo(() => core.disagreements(lifter.body).ok ?? [], [core, lifter]);
  const captures = useQuery(asked("get", "/api/lifters/{id}/captures", { params: { path: { id: lifter.id } } }));
  const unlikeModel = (captures.data ?? []).flatMap((c) =>
    c.document.lines
      .filter((l) => l.state !== "out" && l.correlation != null && l.correlation < unlike)
      .map((line) => ({ capture: c, line })),
  );
  if (list.length === 0 && unlikeModel.length === 0) return null;
  return (
    <section>
      <h2>Disagrees</h2>
      <List>
        {list.map((d) => (
          <li key={d.action + d.by}>
            <StatusIcon tone="warning" />
            <span>
              <b>
                {actionLabel(d.action)}: tested {units.text(d.measured, "torque")}, {against(d)}{" "}
                {units.text(d.expected, "torque")}
              </b>
              <small>{lookAt(d)}</small>
            </span>
            <Link to={`/measure/${lifter.id}/strength/${d.action}`}>Test again</Link>
          </li>
        ))}
        {unlikeModel.map(({ capture, line }) => (
          <li key={capture.id + line.label}>
            <StatusIcon tone="warning" />
            <span>
              <b>
                {line.muscle} in {capture.document.title}: activity runs otherwise than the model
              </b>
              <small>
                Correlation {line.correlation?.toFixed(2)} on {dayWords(capture.document.day)}. Does the electrode sit
                on that muscle, and was it that setup?
              </small>
            </span>
            <Link to={`/measure/${lifter.id}/activity`}>Look at it</Link>
          </li>
        ))}
      </List>
    </section>
  );
}

function against(d: Disagreement): string {
  if (d.by === "sets") return "by known sets";
  if (d.by === "before") return `on ${d.before ? dayWords(d.before) : "the day before"}`;
  return "for people of this body mass";
}

/** What can be behind it, the likeliest first. */
function lookAt(d: Disagreement): string {
  const more = d.measured > d.expected;
  const day = d.day ? `The test of ${dayWords(d.day)}: ` : "";
  if (d.by === "before")
    return `${day}was it the same side, position and strap? Strength rarely changes this much between two tests.`;
  const strap = more
    ? "is the strap as far out as it was given, and is the unit right?"
    : "was it a full effort, without pain?";
  const other = d.by === "sets" ? " Then the sets: were all repetitions whole, and as many left as noted?" : "";
  return `${day}${strap}${other}`;
}
