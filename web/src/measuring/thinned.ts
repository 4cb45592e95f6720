/**
 * A trace as it is drawn: for each of so many columns the least and the largest value that falls in it, so that no peak is lost however
 * many samples there are. Columns that no sample falls in are NaN.
 */
export function thinned(t: Float64Array, v: Float64Array, from: number, to: number, columns: number) {
  const low = new Float64Array(columns).fill(Number.NaN);
  const high = new Float64Array(columns).fill(Number.NaN);
  const perSecond = columns / (to - from);
  for (let i = firstAt(t, from); i < t.length && (t[i] as number) <= to; i++) {
    const k = Math.min(columns - 1, Math.floor(((t[i] as number) - from) * perSecond));
    const x = v[i] as number;
    if (!((low[k] as number) <= x)) low[k] = x;
    if (!((high[k] as number) >= x)) high[k] = x;
  }
  return { low, high };
}

/** The place of the first time that is not before a time. */
export function firstAt(t: Float64Array, time: number): number {
  let [a, b] = [0, t.length];
  while (a < b) {
    const middle = (a + b) >> 1;
    if ((t[middle] as number) < time) a = middle + 1;
    else b = middle;
  }
  return a;
}

/** The same for samples that come evenly, so many a second from the begin on. */
export function thinnedEven(v: Float32Array, rate: number, from: number, to: number, columns: number) {
  const low = new Float64Array(columns).fill(Number.NaN);
  const high = new Float64Array(columns).fill(Number.NaN);
  const first = Math.max(0, Math.floor(from * rate));
  const last = Math.min(v.length - 1, Math.ceil(to * rate));
  const perSample = columns / ((to - from) * rate);
  const offset = from * rate;
  for (let i = first; i <= last; i++) {
    const k = Math.floor((i - offset) * perSample);
    if (k < 0 || k >= columns) continue;
    const x = v[i] as number;
    if (!((low[k] as number) <= x)) low[k] = x;
    if (!((high[k] as number) >= x)) high[k] = x;
  }
  return { low, high };
}
