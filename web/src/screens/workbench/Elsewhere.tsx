import { useDeferredValue, useMemo, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { AttachmentSites, Load } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
  th { text-align: left; font-weight: 400; color: var(--quiet); padding: 2px 0; vertical-align: bottom; }
  td { text-align: right; padding: 2px 0 2px 8px; white-space: nowrap; }
  thead th + th { text-align: right; padding-left: 8px; }
  tr[data-here="true"] th { color: var(--ink); font-weight: 600; }
`;

const Note = styled.p`
  font-size: 12px;
  color: var(--quiet);
`;

/** Whether a load can be fixed elsewhere on the arm. */
export const movable = (l: Load): boolean =>
  (l.kind === "cable" || l.kind === "band") && !l.shared && ["hand", "forearm", "upperArm"].includes(l.contact.segment);

/** The same torque with the load fixed elsewhere on the arm: how much heavier, and what the joints then bear. */
export function Elsewhere({ core, text }: { core: Core; text: string }) {
  const [open, setOpen] = useState(false);
  return (
    <div>
      <Button look="link" onPress={() => setOpen(!open)} aria-expanded={open}>
        {open ? "Hide" : "Attach it elsewhere on the arm?"}
      </Button>
      {open && <Compared core={core} text={text} />}
    </div>
  );
}

function Compared({ core, text }: { core: Core; text: string }) {
  const later = useDeferredValue(text);
  const answer = useMemo(() => core.attachmentSites(later), [core, later]);
  if (answer.problems) return <Note>{answer.problems.map((p) => `${p.what} ${p.hint ?? ""}`).join(" ")}</Note>;
  return <PlacesTable places={answer.ok} />;
}

function PlacesTable({ places }: { places: AttachmentSites }) {
  const units = useUnits();
  const text = (m: { value?: number | null }, kind: string) => (m.value == null ? "–" : units.number(m.value, kind));
  const [force, torque] = [units.unit("force").name, units.unit("torque").name];
  const missing = places.sites.filter((p) => p.factor.value === null);
  return (
    <>
      <Table aria-label="Attached elsewhere on the arm, at the same peak torque">
        <thead>
          <tr>
            <th scope="col">at the same peak</th>
            <th scope="col">load</th>
            <th scope="col">across {force}</th>
            <th scope="col">surfaces {force}</th>
            <th scope="col">elbow {torque}</th>
          </tr>
        </thead>
        <tbody>
          {places.sites.map((p) => (
            <tr key={p.label} data-here={p.here}>
              <th scope="row">{p.label}</th>
              <td className="mono">{p.factor.value === null ? "–" : `× ${p.factor.value.toFixed(2)}`}</td>
              <td className="mono">{text(p.shear, "force")}</td>
              <td className="mono">{text(p.surface, "force")}</td>
              <td className="mono">{text(p.elbow, "torque")}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {missing.map((p) => (
        <Note key={p.label}>
          {p.label}: {p.factor.why}
        </Note>
      ))}
      <Note>
        Closer to the joint it takes more load for the same torque. Some coaches prefer that to spare the elbow, others
        avoid it for the joint load.
      </Note>
    </>
  );
}
