import type { ReactNode } from "react";
import { Menu as AriaMenu, MenuItem, MenuTrigger, Popover } from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";

const Pop = styled(Popover)`
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
  box-shadow: 0 8px 24px rgb(0 0 0 / 16%);
  padding: 4px;
`;

const Item = styled(MenuItem)`
  padding: 6px 12px;
  border-radius: 5px;
  cursor: pointer;
  outline: none;
  &[data-focused] { background: var(--paper); }
`;

export type MenuAction = { label: string; run: () => void };

/** A button that opens a short list of things to do. */
export function Menu({ label, children, actions }: { label: string; children: ReactNode; actions: MenuAction[] }) {
  return (
    <MenuTrigger>
      <Button look="quiet" aria-label={label}>
        {children}
      </Button>
      <Pop placement="bottom end">
        <AriaMenu aria-label={label} style={{ outline: "none" }}>
          {actions.map((a) => (
            <Item key={a.label} id={a.label} onAction={a.run}>
              {a.label}
            </Item>
          ))}
        </AriaMenu>
      </Pop>
    </MenuTrigger>
  );
}
