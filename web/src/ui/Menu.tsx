import { memo, type ReactNode } from "react";
import { Menu as AriaMenu, MenuItem, MenuTrigger } from "react-aria-components";
import styled from "styled-components";
import { Button } from "./Button";
import { lineLook, Popover } from "./Popover";
import { propsEqual } from "./propsEqual";
import { useStable } from "./useStable";

const Item = styled(MenuItem)`${lineLook}`;

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
      <Popover placement="bottom end">
        <AriaMenu aria-label={label}>
          {items.map((item) => (
            <Item key={item} id={item} onAction={() => run(item)}>
              {item}
            </Item>
          ))}
        </AriaMenu>
      </Popover>
    </MenuTrigger>
  );
}, propsEqual);
