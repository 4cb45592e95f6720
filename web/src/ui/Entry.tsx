import styled from "styled-components";
import { useUnits } from "../state/units";
import { type Meaning, readQuantity, useTyped } from "./useTyped";

const Labelled = styled.label`
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
  > span { color: var(--quiet); font-size: 12px; line-height: 16px; }
  input {
    width: 100%;
    min-height: max(30px, var(--target));
    padding: 3px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
  }
  input[aria-invalid="true"] { border-color: var(--brick); }
  small { color: var(--brick); line-height: 15px; }
`;

export type EntryProps<T> = {
  label: string;
  text: string;
  read: (typed: string) => Meaning<T>;
  problem: string | undefined;
  set: (value: T) => void;
  placeholder?: string;
  plain?: boolean;
  hideLabel?: boolean;
  autoFocus?: boolean;
};

/** Text that is taken over on Enter or when the field is left. */
export function Entry<T>(props: EntryProps<T>) {
  const { label, text, read, problem, set, placeholder, plain, hideLabel } = props;
  const { wrong, field } = useTyped({ text, read, set });
  const told = wrong ?? problem;
  return (
    <Labelled>
      {!hideLabel && <span>{label}</span>}
      <input
        className={plain ? undefined : "mono"}
        aria-label={hideLabel ? label : undefined}
        placeholder={placeholder}
        aria-invalid={told !== undefined}
        // biome-ignore lint/a11y/noAutofocus: a dialog's first field
        autoFocus={props.autoFocus}
        {...field}
      />
      {told !== undefined && <small role="alert">{told}</small>}
    </Labelled>
  );
}

type NumberProps = {
  /** Without the unit, which follows it. */
  label: string;
  /** What is measured; count for a bare number. */
  kind: string;
  /** In SI. */
  value: number | undefined;
  digits: number;
  problem?: string;
  placeholder?: string;
  hideLabel?: boolean;
  /** Gets the number in SI; undefined when the field was emptied, which only an optional one can be. */
  set: (value: number | undefined) => void;
  optional?: boolean;
};

/** A quantity in the coach's unit. */
export function QuantityEntry({ label, kind, value, digits, set, optional, problem, ...rest }: NumberProps) {
  const { name, factor } = useUnits().unit(kind);
  return (
    <Entry<number | undefined>
      {...rest}
      label={name ? `${label}, ${name}` : label}
      problem={problem}
      text={value === undefined ? "" : String(Number((value * factor).toFixed(digits)))}
      read={(typed) => (typed.trim() === "" && optional ? { value: undefined } : readQuantity(typed, kind, factor))}
      set={set}
    />
  );
}
