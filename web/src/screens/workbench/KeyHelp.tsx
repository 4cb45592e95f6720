import { Switch } from "react-aria-components";
import styled from "styled-components";
import { setPreferences, usePreferences } from "../../state/preferences";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { keyHelp } from "./keys";

const List = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 18px;
  margin: 0;
  dt { font-weight: 600; }
  dd { margin: 0; color: var(--quiet); }
`;

const Toggle = styled(Switch)`
  display: flex;
  align-items: center;
  gap: 8px;
  cursor: pointer;
  .box { width: 30px; height: 18px; border: 1px solid var(--quiet); border-radius: 9px; padding: 2px; }
  .box i { display: block; width: 12px; height: 12px; border-radius: 6px; background: var(--quiet); }
  &[data-selected] .box { background: var(--ink); border-color: var(--ink); }
  &[data-selected] .box i { margin-left: 12px; background: var(--sheet); }
  &[data-focus-visible] .box { outline: 2px solid var(--slate); outline-offset: 2px; }
`;

export function KeyHelp({ open, close }: { open: boolean; close: () => void }) {
  const { letterKeys, seen } = usePreferences();
  return (
    <Modal title="Keyboard shortcuts" open={open} onClose={close}>
      <List>
        {keyHelp.map(([key, does]) => [
          <dt key={key} className="mono">
            {key}
          </dt>,
          <dd key={does}>{does}</dd>,
        ])}
      </List>
      <p>On a dial, the arrow keys turn it.</p>
      <Toggle isSelected={letterKeys} onChange={(on) => setPreferences({ letterKeys: on })}>
        <span className="box" aria-hidden>
          <i />
        </span>
        Single-letter keys are on
      </Toggle>
      {seen.length > 0 && (
        <Button look="link" onPress={() => setPreferences({ seen: [] })}>
          Show the hints again
        </Button>
      )}
      <div className="actions">
        <Button look="strong" onPress={close}>
          Close
        </Button>
      </div>
    </Modal>
  );
}
