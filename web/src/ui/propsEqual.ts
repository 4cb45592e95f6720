import { isValidElement } from "react";

/**
 * Whether two props would draw the same. Functions count as the same: who uses this calls the newest ones through
 * useStable. Elements are compared by what they are made of.
 */
export function propsEqual(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a === "function" && typeof b === "function") return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((x, i) => propsEqual(x, b[i]));
  if (isValidElement(a) !== isValidElement(b)) return false;
  if (isValidElement(a) && isValidElement(b))
    return a.type === b.type && a.key === b.key && propsEqual(a.props, b.props);
  const [p, q] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(p);
  return keys.length === Object.keys(q).length && keys.every((k) => propsEqual(p[k], q[k]));
}
