import { ChevronDown } from "lucide-react";
import { memo } from "react";
import {
  Select as AriaSelect,
  Button,
  type Key,
  Label,
  ListBox,
  ListBoxItem,
  SelectValue,
} from "react-aria-components";
import styled from "styled-components";
import { lineLook, Popover } from "./Popover";
import { propsEqual } from "./propsEqual";
import { useStable } from "./useStable";

const Box = styled(AriaSelect)`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 3px;
  min-width: 0;
  label, .react-aria-Label { color: var(--quiet); font-size: 12px; line-height: 16px; }
  button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 3px;
    min-height: max(30px, var(--target));
    padding: 3px 5px 3px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
    cursor: pointer;
    text-align: left;
  }
  button > span { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
  button[data-focus-visible] { outline: 2px solid var(--slate); outline-offset: 1px; }
`;

const Item = styled(ListBoxItem)`
  ${lineLook}
  &[data-selected] { font-weight: 600; }
  small { display: block; color: var(--quiet); font-weight: 400; }
`;

export type Option = { key: string; label: string; note?: string };

type SelectProps = {
  label: string;
  options: Option[];
  value: string;
  onChange: (key: string) => void;
  hideLabel?: boolean;
};

/** One of many, from a list that opens. It is drawn anew only when it would look different. */
export function Select(props: SelectProps) {
  const onChange = useStable(props.onChange);
  return <Drawn {...props} onChange={onChange} />;
}

const Drawn = memo(function Drawn(props: SelectProps) {
  const onChange = (key: Key | Key[] | null) => key !== null && !Array.isArray(key) && props.onChange(String(key));
  return (
    <Box value={props.value} onChange={onChange} aria-label={props.hideLabel ? props.label : undefined}>
      {!props.hideLabel && <Label>{props.label}</Label>}
      <Button>
        <SelectValue>{({ selectedText }) => selectedText}</SelectValue>
        <ChevronDown size={13} aria-hidden style={{ flex: "none" }} />
      </Button>
      <Popover>
        <ListBox items={props.options.map((o) => ({ ...o, id: o.key }))}>
          {(o) => (
            <Item id={o.id} textValue={o.label}>
              {o.label}
              {o.note && <small>{o.note}</small>}
            </Item>
          )}
        </ListBox>
      </Popover>
    </Box>
  );
}, propsEqual);

const Row = styled.div`
  display: inline-flex;
  flex: none;
  justify-self: start;
  border: 1px solid var(--line);
  border-radius: 6px;
  overflow: hidden;
  button {
    border: 0;
    background: transparent;
    min-height: max(26px, var(--target));
    padding: 2px 10px;
    cursor: pointer;
    color: var(--quiet);
  }
  button + button { border-left: 1px solid var(--line); }
  button[aria-pressed="true"] { background: var(--ink); color: var(--sheet); font-weight: 600; }
  button:focus-visible { outline-offset: -3px; }
`;

/** A few choices side by side. */
export function Segments(props: { label: string; options: Option[]; value: string; onChange: (key: string) => void }) {
  return (
    <Row role="group" aria-label={props.label}>
      {props.options.map((o) => (
        <button key={o.key} type="button" aria-pressed={o.key === props.value} onClick={() => props.onChange(o.key)}>
          {o.label}
        </button>
      ))}
    </Row>
  );
}
