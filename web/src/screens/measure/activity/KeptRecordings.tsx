import { useQuery, useQueryClient } from "@tanstack/react-query";
import styled from "styled-components";
import { changed } from "../../../api/changed";
import { asked, client, settled } from "../../../api/client";
import type { StoredCapture } from "../../../measuring/captures";
import { Button } from "../../../ui/Button";
import { Disclosure } from "../../../ui/Disclosure";
import { notify } from "../../../ui/Notices";
import { dayWords } from "../../plan/planEdits";

const List = styled.ul`
  list-style: none;
  padding: 0;
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 2px 8px; padding: 6px 0; border-top: 1px solid var(--line); }
  small { grid-column: 1 / -1; }
`;

type Props = { lifterId: string; open: (capture: StoredCapture) => void };

/** What was measured of the lifter's muscle activity before: it can be opened again, with all its samples. */
export function KeptRecordings({ lifterId, open }: Props) {
  const cache = useQueryClient();
  const list = useQuery(asked("get", "/api/lifters/{id}/captures", { params: { path: { id: lifterId } } }));
  const items = list.data ?? [];
  const refresh = () => changed(cache, "captures");
  const remove = async (c: StoredCapture) => {
    const params = { path: { id: c.id } };
    try {
      await settled(client.DELETE("/api/captures/{id}", { params }));
      await refresh();
      notify(`${c.document.title} was deleted.`, {
        label: "Undo",
        run: () => void settled(client.POST("/api/captures/{id}/restore", { params })).then(refresh),
      });
    } catch {
      notify("The server does not answer; nothing was changed.");
    }
  };
  if (list.error) return <p className="quiet">The server does not answer, so kept recordings are not shown.</p>;
  if (items.length === 0) return null;
  return (
    <Disclosure title="Kept recordings" name="kept recordings" line={String(items.length)} usual>
      <List>
        {items.map((c) => (
          <li key={c.id}>
            <Button look="link" onPress={() => open(c)}>
              {c.document.title}
            </Button>
            <Button look="link" aria-label={`Delete ${c.document.title}`} onPress={() => void remove(c)}>
              Delete
            </Button>
            <small>
              {dayWords(c.document.day)}
              {c.document.lines
                .filter((l) => l.mean != null && l.muscle !== l.label)
                .slice(0, 3)
                .map((l) => `, ${l.muscle.toLowerCase()} ${Math.round(l.mean ?? 0)}${l.percent ? "%" : " µV"}`)
                .join("")}
            </small>
          </li>
        ))}
      </List>
    </Disclosure>
  );
}
