import { useCallback, useRef } from "react";

/** A function that stays the same over renders and always calls the newest one: for handlers of memoised parts. */
export function useStable<A extends unknown[], R>(f: (...args: A) => R): (...args: A) => R {
  const latest = useRef(f);
  latest.current = f;
  return useCallback((...args: A) => latest.current(...args), []);
}
