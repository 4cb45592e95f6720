import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useMemo } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Room, StoredSetup } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { usersOf } from "../UsedBy";

const Box = styled.section`
  h3 { font-size: 13px; padding-bottom: 2px; }
  ul { list-style: none; padding: 0; display: grid; gap: 2px; }
  li { display: flex; justify-content: space-between; gap: 12px; }
`;

type Props = { core: Core; roomId: string; item: string; name: string; room: Room };

/** What a changed thing does to the saved setups that use it: their peak torque before and after. */
export function Affected({ core, roomId, item, name, room }: Props) {
  const units = useUnits();
  const used = useQuery(usersOf(roomId, item));
  const items = used.data?.items;
  // Every setup is evaluated, which typing must not wait for.
  const text = useDeferredValue(JSON.stringify(room));
  const before = useMemo(() => items?.map((s) => peakOf(core, JSON.stringify(s.document))), [core, items]);
  const after = useMemo(() => items?.map((s) => peakIn(core, s, text, roomId)), [core, items, text, roomId]);
  if (used.isPending) return null;
  if (used.error) return <p className="quiet">The server does not answer, so it is not known which setups use it.</p>;
  const { total } = used.data;
  if (total === 0) return <p className="quiet">No saved setup uses it yet.</p>;
  const shown = (peak: number | null | undefined) => (peak == null ? "–" : units.text(peak, "torque"));
  return (
    <Box aria-label="Saved setups that use it">
      <h3>Peak torque of the setups with {name}</h3>
      <ul>
        {used.data.items.map((s, i) => (
          <li key={s.id}>
            <span>{s.name}</span>
            <span className="mono">
              {shown(before?.[i])} → {shown(after?.[i])}
            </span>
          </li>
        ))}
      </ul>
      {total > used.data.items.length && <p>and {total - used.data.items.length} more.</p>}
    </Box>
  );
}

const peakOf = (core: Core, text: string) => core.effect(text).ok?.peak.value;

function peakIn(core: Core, s: StoredSetup, room: string, roomId: string) {
  const fitted = core.fit(JSON.stringify(s.document), room, roomId).ok;
  return fitted && peakOf(core, JSON.stringify(fitted.document));
}
