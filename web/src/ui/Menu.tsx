import { memo, type ReactNode } from "react";
import { Menu as AriaMenu, MenuItem, MenuTrigger, Popover } from "react-aria-components";
import styled from "styled-components";
import { alike } from "./alike";
import { Button } from "./Button";
import { useStable } from "./useStable";

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

type Props = { label: string; children: ReactNode; actions: MenuAction[] };

/** A button that opens a short list of things to do. */
export function Menu({ label, children, actions }: Props) {
  const run = useStable((label: string) => actions.find((a) => a.label === label)?.run());
  return (
    <Drawn label={label} items={actions.map((a) => a.label)} run={run}>
      {children}
    </Drawn>
  );
}

type DrawnProps = { label: string; children: ReactNode; items: string[]; run: (label: string) => void };

const Drawn = memo(function Drawn({ label, children, items, run }: DrawnProps) {
  return (
    <MenuTrigger>
      <Button look="quiet" aria-label={label}>
        {children}
      </Button>
      <Pop placement="bottom end">
        <AriaMenu aria-label={label} style={{ outline: "none" }}>
          {items.map((item) => (
            <Item key={item} id={item} onAction={() => run(item)}>
              {item}
            </Item>
          ))}
        </AriaMenu>
      </Pop>
    </MenuTrigger>
  );
}, alike);
