import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { core } from "../../engine/core";
import type { Ready, SetupDocument, StoredLifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";

const List = styled.div`
  max-height: min(60vh, 560px);
  overflow-y: auto;
  margin: 8px 0;
  h3 { font-size: 12px; font-weight: 600; color: var(--quiet); padding: 12px 0 2px; position: sticky; top: 0; background: var(--sheet); }
  ul { list-style: none; padding: 0; margin: 0; }
  li { border-top: 1px solid var(--line); padding: 8px 0; display: grid; grid-template-columns: 1fr auto; gap: 8px; align-items: center; }
  small { display: block; color: var(--quiet); }
`;

const groups: [Ready["group"], string][] = [
  ["shoulder", "Front and side of the shoulder"],
  ["rear", "Rear of the shoulder"],
  ["chest", "Chest"],
  ["back", "Back"],
  ["armFront", "Front of the arm"],
  ["armBack", "Back of the arm"],
  ["leg", "Legs"],
  ["trunk", "Trunk"],
];

/** The ready setups to begin with, made for this lifter, group by group. */
export function NewSetup(props: {
  lifter: StoredLifter;
  close: () => void;
  pick: (d: SetupDocument) => Promise<void>;
}) {
  const [wanted, setWanted] = useState("");
  const ready = useQuery({
    queryKey: ["ready", props.lifter.id, props.lifter.version],
    queryFn: async () => (await core()).ready(props.lifter.body),
  });
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const found = (ready.data?.ok ?? []).filter((r) => {
    const text = `${r.name} ${r.about} ${groups.find(([key]) => key === r.group)?.[1] ?? ""}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
  return (
    <Modal title="New setup" open onClose={props.close}>
      {ready.isPending && <p role="status">Loading …</p>}
      {ready.error && <p role="alert">The calculation core did not load.</p>}
      {ready.data?.problems?.map((p) => (
        <p key={p.path + p.what} role="alert">
          {p.what} {p.hint}
        </p>
      ))}
      {ready.data?.ok && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        {groups.map(([key, label]) => {
          const members = found.filter((r) => r.group === key);
          if (members.length === 0) return null;
          return (
            <section key={key} aria-label={label}>
              <h3>{label}</h3>
              <ul>
                {members.map((r) => (
                  <li key={r.key}>
                    <span>
                      {r.name}
                      <small>{r.about}</small>
                    </span>
                    <Button
                      aria-label={`Begin: ${r.name}`}
                      onPress={() => void props.pick(r.document).then(props.close)}
                    >
                      Begin
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        {ready.data?.ok && found.length === 0 && <p>Nothing here is called that.</p>}
      </List>
      <div className="actions">
        <Button look="quiet" onPress={props.close}>
          Cancel
        </Button>
      </div>
    </Modal>
  );
}
