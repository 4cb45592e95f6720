import { useState } from "react";
import { coreNow } from "../engine/core";

/** What a typed text means, or why it means nothing. */
export type Meaning<T> = { value: T } | { wrong: string };

/**
 * Reads a quantity of a kind in SI: with units, sums, feet and inches; a bare number counts in the field's own unit, of which
 * factor make one in SI.
 */
export function readQuantity(typed: string, kind: string, factor: number): Meaning<number> {
  const answer = coreNow()?.quantity(typed, kind, 1 / factor);
  if (!answer) return { wrong: "The program is still loading; try again in a moment." };
  if (answer.problems) return { wrong: answer.problems.map((p) => `${p.what} ${p.hint}`).join(" ") };
  return { value: Math.round(answer.ok.value * 1e7) / 1e7 };
}

type Typed<T> = {
  /** The text as it stands without typing. */
  text: string;
  read: (typed: string) => Meaning<T>;
  set: (value: T) => void;
  onWrong?: (why: string | null) => void;
};

/**
 * Typed text that is taken over on Enter or when the field is left; what means nothing stays to be corrected, and why is told.
 * Escape drops it.
 */
export function useTyped<T>({ text, read, set, onWrong }: Typed<T>) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const say = (why: string | null) => {
    if (why === wrong) return;
    setWrong(why);
    onWrong?.(why);
  };
  const drop = () => {
    setTyped(null);
    say(null);
  };
  const take = () => {
    if (typed === null) return;
    if (typed.trim() === text) return drop();
    const meaning = read(typed);
    if ("wrong" in meaning) return say(meaning.wrong);
    drop();
    set(meaning.value);
  };
  return {
    wrong,
    drop,
    field: {
      autoComplete: "off",
      value: typed ?? text,
      onFocus: (e: React.FocusEvent<HTMLInputElement>) => e.currentTarget.select(),
      onChange: (e: React.ChangeEvent<HTMLInputElement>) => setTyped(e.target.value),
      onBlur: take,
      onKeyDown: (e: React.KeyboardEvent) => {
        if (e.key === "Enter") take();
        if (e.key === "Escape") drop();
      },
    },
  };
}
