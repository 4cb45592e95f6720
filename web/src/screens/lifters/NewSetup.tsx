import { useQuery } from "@tanstack/react-query";
import styled from "styled-components";
import { core } from "../../engine/core";
import type { SetupDocument, StoredLifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";

const List = styled.ul`
  list-style: none;
  padding: 0;
  li { border-top: 1px solid var(--line); padding: 10px 0; display: grid; grid-template-columns: 1fr auto; gap: 8px; align-items: center; }
  small { display: block; color: var(--quiet); }
`;

/** The ready setups to begin with, made for this lifter. */
export function NewSetup(props: {
  lifter: StoredLifter;
  close: () => void;
  pick: (d: SetupDocument) => Promise<void>;
}) {
  const ready = useQuery({
    queryKey: ["ready", props.lifter.id, props.lifter.version],
    queryFn: async () => (await core()).ready(props.lifter.body),
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
      <List>
        {ready.data?.ok?.map((r) => (
          <li key={r.key}>
            <span>
              {r.document.name}
              <small>{r.about}</small>
            </span>
            <Button onPress={() => void props.pick(r.document).then(props.close)}>Begin</Button>
          </li>
        ))}
      </List>
      <div className="actions">
        <Button look="quiet" onPress={props.close}>
          Cancel
        </Button>
      </div>
    </Modal>
  );
}
