import { useQuery } from "@tanstack/react-query";
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
  const used = useQuery({ queryKey: ["setups", "that use", roomId, item], queryFn: () => usersOf(roomId, item) });
  if (used.isPending) return null;
  if (used.error) return <p className="quiet">The server does not answer, so it is not known which setups use it.</p>;
  const { items, total } = used.data;
  if (total === 0) return <p className="quiet">No saved setup uses it yet.</p>;
  const changes = items.map((s) => ({ s, ...peaks(core, s, room, roomId) }));
  return (
    <Box aria-label="Saved setups that use it">
      <h3>Peak torque of the setups with {name}</h3>
      <ul>
        {changes.map(({ s, before, after }) => (
          <li key={s.id}>
            <span>{s.name}</span>
            <span className="mono">
              {before == null ? "–" : units.text(before, "torque")} →{" "}
              {after == null ? "–" : units.text(after, "torque")}
            </span>
          </li>
        ))}
      </ul>
      {total > items.length && <p>and {total - items.length} more.</p>}
    </Box>
  );
}

function peaks(core: Core, s: StoredSetup, room: Room, roomId: string) {
  const peak = (text: string) => core.effect(text).ok?.peak.value;
  const text = JSON.stringify(s.document);
  const fitted = core.fit(text, JSON.stringify(room), roomId).ok;
  return { before: peak(text), after: fitted && peak(JSON.stringify(fitted.document)) };
}
