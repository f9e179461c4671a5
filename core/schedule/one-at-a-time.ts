import type { Windows } from './windows';

/**
 * What follows where operations need one thing that serves one at a time: pairs of which only one order is left, and edge
 * finding: an operation that cannot come before or among the others of a set comes after all of them (J. Carlier and
 * E. Pinson, Management Science 35, 1989; here in the quadratic form of P. Baptiste, C. Le Pape and W. Nuijten,
 * Constraint-based scheduling, 2001).
 */
export class OneAtATime {
  #byStart: Int32Array;
  #minimum: Float64Array;
  #proposed: Float64Array;
  constructor(
    private readonly windows: Windows,
    readonly operations: Int32Array,
  ) {
    this.#byStart = Int32Array.from(operations);
    this.#minimum = new Float64Array(operations.length);
    this.#proposed = new Float64Array(operations.length);
  }
  /** @returns whether a schedule may still exist */
  propagate(): boolean {
    return this.#pairs() && this.#edges(true) && this.#edges(false);
  }
  #pairs(): boolean {
    const { earliest, latest, before, c } = this.windows;
    const ops = this.operations;
    for (let a = 0; a < ops.length; a++) {
      const i = ops[a]!;
      for (let b = a + 1; b < ops.length; b++) {
        const j = ops[b]!;
        if (before[i * c.n + j] || before[j * c.n + i]) continue;
        const both = c.duration[i]! + c.duration[j]! - 1e-9;
        const first = latest[j]! - earliest[i]! >= both;
        const second = latest[i]! - earliest[j]! >= both;
        if (!first && !second) return false;
        if (!first) this.windows.order(j, i);
        else if (!second) this.windows.order(i, j);
      }
    }
    return !this.windows.failed;
  }
  /** Edge finding for earliest starts; seen from the end of time, for latest ends. */
  #edges(forward: boolean): boolean {
    const { earliest, latest, c } = this.windows;
    const n = this.operations.length;
    const { duration } = c;
    const head = (i: number) => (forward ? earliest[i]! : -latest[i]!);
    const tail = (i: number) => (forward ? latest[i]! : -earliest[i]!);
    const by = sortBy(this.#byStart, head);
    const proposed = this.#proposed;
    for (let k = 0; k < n; k++) proposed[k] = head(by[k]!);
    for (let d = 0; d < n; d++) {
      const limit = tail(by[d]!);
      let sum = 0;
      let all = Number.NEGATIVE_INFINITY;
      for (let k = n - 1; k >= 0; k--) {
        const i = by[k]!;
        if (tail(i) <= limit) {
          sum += duration[i]!;
          all = Math.max(all, head(i) + sum);
          if (all > limit + 1e-9) return false;
        }
        this.#minimum[k] = all;
      }
      let most = Number.NEGATIVE_INFINITY;
      for (let k = 0; k < n; k++) {
        const i = by[k]!;
        if (tail(i) <= limit) {
          most = Math.max(most, head(i) + sum);
          sum -= duration[i]!;
          continue;
        }
        if (sum > 0 && head(i) + sum + duration[i]! > limit + 1e-9)
          proposed[k] = Math.max(proposed[k]!, this.#minimum[k]!);
        if (most + duration[i]! > limit + 1e-9) proposed[k] = Math.max(proposed[k]!, all);
      }
    }
    for (let k = 0; k < n; k++) {
      if (forward) this.windows.notBefore(by[k]!, proposed[k]!);
      else this.windows.notAfter(by[k]!, -proposed[k]!);
    }
    return !this.windows.failed;
  }
}
/** Insertion: from one look to the next little changes. */
function sortBy(list: Int32Array, value: (i: number) => number): Int32Array {
  for (let k = 1; k < list.length; k++) {
    const i = list[k]!;
    const v = value(i);
    let at = k - 1;
    for (; at >= 0 && value(list[at]!) > v; at--) list[at + 1] = list[at]!;
    list[at + 1] = i;
  }
  return list;
}
