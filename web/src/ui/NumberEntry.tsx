import { useState } from "react";
import styled from "styled-components";

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
  value: number;
  digits: number;
  invalid: boolean;
  onEnter: (value: number) => void;
  onStep: (direction: number) => void;
  onNonsense: (text: string | null) => void;
};

/**
 * A number that is taken over on Enter or when the field is left. What is no number is told, and stays to be mended.
 * Leaner than a field with a stepper of its own, since it is drawn again with every step of a drag.
 */
export function NumberEntry({ label, value, digits, invalid, onEnter, onStep, onNonsense }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = String(Number(value.toFixed(digits)));
  const finish = () => {
    if (typed === null) return;
    const text = typed.trim().replace(",", ".").replace("−", "-");
    const number = Number(text);
    if (text === "" || !Number.isFinite(number)) {
      onNonsense(typed);
      return;
    }
    setTyped(null);
    onNonsense(null);
    if (text !== shown) onEnter(number);
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === "Enter") finish();
    else if (e.key === "Escape") {
      setTyped(null);
      onNonsense(null);
    } else if (e.key === "ArrowUp" || e.key === "ArrowDown") {
      e.preventDefault();
      setTyped(null);
      onStep(e.key === "ArrowUp" ? 1 : -1);
    }
  };
  return (
    <Input
      className="mono"
      aria-label={label}
      aria-invalid={invalid}
      inputMode="decimal"
      autoComplete="off"
      value={typed ?? shown}
      onFocus={(e) => e.currentTarget.select()}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={finish}
      onKeyDown={onKeyDown}
    />
  );
}
