import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { client, settled } from "../../api/client";
import type { KnownSet, Progress, StoredLifter } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { actionLabel } from "../lifters/StrengthPart";

const Box = styled.section`
  display: grid;
  gap: 8px;
  h2 { font-size: 14px; }
  table { border-collapse: collapse; width: 100%; }
  th, td { border-top: 1px solid var(--line); padding: 4px 0; text-align: left; font-weight: 400; }
  td { text-align: right; white-space: nowrap; }
  thead th { border: 0; color: var(--quiet); font-size: 12px; }
  thead th + th { text-align: right; }
  small { display: block; color: var(--quiet); }
  .quiet { color: var(--quiet); font-size: 12px; }
`;

/** What the best sets of the last six weeks say of strength, before and after, taken over on a press. */
export function Stronger({ lifter, strength }: { lifter: StoredLifter; strength: Progress["strength"] }) {
  const units = useUnits();
  const cache = useQueryClient();
  const [busy, setBusy] = useState(false);
  if (strength.length === 0) return null;
  const put = async (sets: KnownSet[] | undefined, version: number) => {
    const row = await settled(
      client.PUT("/api/lifters/{id}", {
        params: { path: { id: lifter.id } },
        body: { version, name: lifter.name, notes: lifter.notes, body: { ...lifter.body, sets } },
      }),
    );
    await changed(cache, "lifters");
    return row;
  };
  const take = async () => {
    setBusy(true);
    try {
      const had = lifter.body.sets;
      const kept = (had ?? []).filter((s) => !s.factor);
      const row = await put([...kept, ...strength.flatMap((s) => s.sets)].slice(0, 40), lifter.version);
      notify(`The strength of ${lifter.name} was updated.`, {
        label: "Undo",
        run: () => void put(had, row.version),
      });
    } catch {
      notify("The strength was not updated: it was changed elsewhere, or the server does not answer.");
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box aria-label="Strength from sets">
      <h2>Strength, from the best sets of six weeks</h2>
      <table>
        <thead>
          <tr>
            <th>Action</th>
            <th>known so far</th>
            <th>by these sets</th>
          </tr>
        </thead>
        <tbody>
          {strength.map((s) => (
            <tr key={s.action}>
              <th scope="row">
                {actionLabel(s.action)}
                <small>
                  {s.sets[0]?.setup}: {units.text(s.sets[0]?.load ?? 0, "mass")} × {s.sets[0]?.reps},{" "}
                  {s.sets[0]?.left ?? 0} left
                </small>
              </th>
              <td className="mono">{s.was.value == null ? "–" : units.text(s.was.value, "torque")}</td>
              <td className="mono">{s.now.value == null ? "–" : units.text(s.now.value, "torque")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet">Largest torque of the action. Where there are tests they stay; sets count beside them.</p>
      <div>
        <Button look="strong" isDisabled={busy} onPress={() => void take()}>
          Update the strength
        </Button>
      </div>
    </Box>
  );
}
