import styled from "styled-components";
import { readQuantity, useTyped } from "./useTyped";

const Input = styled.input`
  width: 50px;
  padding: 1px 3px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: transparent;
  text-align: right;
  font-weight: 600;
  &:hover { background: var(--paper); }
  &[aria-invalid="true"] { border-color: var(--brick); }
`;

type Props = {
  label: string;
  kind: string;
  /** In SI; shown times factor. */
  value: number;
  factor: number;
  digits: number;
  invalid: boolean;
  /** Gets the value in SI. */
  onEnter: (value: number) => void;
  onStep: (direction: number) => void;
  onWrong: (why: string | null) => void;
};

/** A number within a line, whose arrow keys step it. Leaner than a labelled field, since it is drawn again with every step of a drag. */
export function NumberEntry({ label, kind, value, factor, digits, invalid, onEnter, onStep, onWrong }: Props) {
  const { field, drop } = useTyped({
    text: String(Number((value * factor).toFixed(digits))),
    read: (typed) => readQuantity(typed, kind, factor),
    set: onEnter,
    onWrong,
  });
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key !== "ArrowUp" && e.key !== "ArrowDown") return field.onKeyDown(e);
    e.preventDefault();
    drop();
    onStep(e.key === "ArrowUp" ? 1 : -1);
  };
  return <Input className="mono" aria-label={label} aria-invalid={invalid} {...field} onKeyDown={onKeyDown} />;
}
