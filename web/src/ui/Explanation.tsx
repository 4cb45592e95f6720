import { CircleHelp } from "lucide-react";
import { memo } from "react";
import { Popover as AriaPopover, Button, Dialog, DialogTrigger } from "react-aria-components";
import styled from "styled-components";
import { propsEqual } from "./propsEqual";

const Ask = styled(Button)`
  border: 0;
  background: none;
  padding: 0 2px;
  display: inline-grid;
  place-items: center;
  color: var(--quiet);
  cursor: pointer;
  vertical-align: -2px;
  &[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 1px; border-radius: 3px; }
`;

const Card = styled(AriaPopover)`
  max-width: 320px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 8px;
  box-shadow: 0 8px 24px rgb(0 0 0 / 16%);
  padding: 12px 14px;
  section { outline: none; display: grid; gap: 6px; }
  h3 { font-size: 13px; font-weight: 600; }
  dt { font-size: 12px; color: var(--quiet); }
  dd { margin: 0 0 4px; }
`;

/** How a number comes about. */
export type Explained = { how: string; from: string; source: string; sure: string };

/** A small question mark that tells how a number comes about. */
export const Explanation = memo(function Explanation({ name, explained }: { name: string; explained: Explained }) {
  return (
    <DialogTrigger>
      <Ask aria-label={`How: ${name}`}>
        <CircleHelp size={12} aria-hidden />
      </Ask>
      <Card>
        <Dialog>
          <h3>{name}</h3>
          <dl>
            <dt>How</dt>
            <dd>{explained.how}</dd>
            <dt>From</dt>
            <dd>{explained.from}</dd>
            <dt>Source</dt>
            <dd>{explained.source}</dd>
            <dt>How sure</dt>
            <dd>{explained.sure}</dd>
          </dl>
        </Dialog>
      </Card>
    </DialogTrigger>
  );
}, propsEqual);
