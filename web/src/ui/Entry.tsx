import { useState } from "react";
import styled from "styled-components";

const Labelled = styled.label`
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
  > span { color: var(--quiet); font-size: 12px; line-height: 16px; }
  input {
    width: 100%;
    min-height: 30px;
    padding: 3px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
  }
  input[aria-invalid="true"] { border-color: var(--brick); }
  small { color: var(--brick); line-height: 15px; }
`;

/** A typed number: with a decimal point or comma; null when it is none. */
export function readNumber(text: string): number | null {
  const t = text.trim().replace(",", ".").replace("−", "-");
  const n = Number(t);
  return t === "" || !Number.isFinite(n) ? null : n;
}

export type EntryProps = {
  label: string;
  text: string;
  /** What the typed text means; null when it is nonsense. */
  read: (typed: string) => unknown;
  wrong: string;
  problem: string | undefined;
  set: (value: unknown) => void;
  placeholder?: string;
  plain?: boolean;
  hideLabel?: boolean;
};

/** Text that is taken over on Enter or when the field is left; nonsense stays to be mended and is told. */
export function Entry({ label, text, read, wrong, problem, set, placeholder, plain, hideLabel }: EntryProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [nonsense, setNonsense] = useState(false);
  const forget = () => {
    setTyped(null);
    setNonsense(false);
  };
  const finish = () => {
    if (typed === null) return;
    if (typed.trim() === text) {
      forget();
      return;
    }
    const value = read(typed);
    setNonsense(value === null);
    if (value === null) return;
    setTyped(null);
    set(value);
  };
  const told = nonsense ? wrong : problem;
  return (
    <Labelled>
      {!hideLabel && <span>{label}</span>}
      <input
        className={plain ? undefined : "mono"}
        autoComplete="off"
        aria-label={hideLabel ? label : undefined}
        placeholder={placeholder}
        value={typed ?? text}
        aria-invalid={told !== undefined}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={finish}
        onKeyDown={(e) => {
          if (e.key === "Enter") finish();
          if (e.key === "Escape") forget();
        }}
      />
      {told !== undefined && <small role="alert">{told}</small>}
    </Labelled>
  );
}

type NumberProps = {
  label: string;
  value: number | undefined;
  factor: number;
  digits: number;
  problem?: string;
  placeholder?: string;
  hideLabel?: boolean;
  /** Gets the number in SI; undefined when the field was emptied, which only an optional one can be. */
  set: (value: number | undefined) => void;
  optional?: boolean;
};

/** A number in the coach's unit. */
export function QuantityEntry({ label, value, factor, digits, set, optional, ...rest }: NumberProps) {
  return (
    <Entry
      {...rest}
      label={label}
      problem={rest.problem}
      text={value === undefined ? "" : String(Number((value * factor).toFixed(digits)))}
      read={(typed) => {
        if (typed.trim() === "" && optional) return undefined;
        const n = readNumber(typed);
        return n === null ? null : Math.round((n / factor) * 1e7) / 1e7;
      }}
      wrong="This is not a number."
      set={(v) => set(v as number | undefined)}
    />
  );
}
