/** Samples with their times, as many as come. */
export class Growing {
  private t = new Float64Array(1024);
  private v = new Float64Array(1024);
  length = 0;

  push(t: number, v: number): void {
    if (this.length === this.t.length) {
      this.t = doubled(this.t);
      this.v = doubled(this.v);
    }
    this.t[this.length] = t;
    this.v[this.length] = v;
    this.length += 1;
  }

  times = () => this.t.subarray(0, this.length);
  values = () => this.v.subarray(0, this.length);

  /** The last time; before everything when there is none. */
  last = () => (this.length === 0 ? Number.NEGATIVE_INFINITY : (this.t[this.length - 1] as number));

  /** The mean of the last samples. */
  now(samples: number): number | undefined {
    if (this.length === 0) return undefined;
    const some = this.v.subarray(Math.max(0, this.length - samples), this.length);
    return some.reduce((a, b) => a + b, 0) / some.length;
  }

  /** The mean between two times. */
  mean(from: number, to: number): number | undefined {
    let [sum, n] = [0, 0];
    for (let i = 0; i < this.length; i++) {
      const t = this.t[i] as number;
      if (t < from || t > to) continue;
      sum += this.v[i] as number;
      n += 1;
    }
    return n > 0 ? sum / n : undefined;
  }
}

function doubled(of: Float64Array): Float64Array<ArrayBuffer> {
  const out = new Float64Array(2 * of.length);
  out.set(of);
  return out;
}
