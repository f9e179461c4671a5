import type { Windows } from './windows';

/**
 * What follows where a thing serves several at a time: where so many must be running, no other can (time tables; P. Baptiste,
 * C. Le Pape and W. Nuijten, Constraint-based scheduling, 2001).
 */
export class SeveralAtATime {
  constructor(
    private readonly windows: Windows,
    readonly operations: Int32Array,
    readonly capacity: number,
  ) {}
  /** @returns whether a schedule may still exist */
  propagate(): boolean {
    const full = this.#full();
    if (!full) return false;
    if (!full.length) return true;
    const { earliest, latest, c } = this.windows;
    for (const i of this.operations) {
      const own = { from: latest[i]! - c.duration[i]!, to: earliest[i]! + c.duration[i]! };
      const others = full.filter((f) => !(own.from <= f.from && f.to <= own.to));
      for (const { from, to } of others)
        if (earliest[i]! < to - 1e-9 && earliest[i]! + c.duration[i]! > from + 1e-9)
          this.windows.notBefore(i, to);
      for (let k = others.length - 1; k >= 0; k--) {
        const { from, to } = others[k]!;
        if (latest[i]! > from + 1e-9 && latest[i]! - c.duration[i]! < to - 1e-9)
          this.windows.notAfter(i, from);
      }
      if (this.windows.failed) return false;
    }
    return true;
  }
  /** The times at which all places must be taken; undefined where more must be running than there are places. */
  #full(): { from: number; to: number }[] | undefined {
    const { earliest, latest, c } = this.windows;
    const events: { at: number; by: number }[] = [];
    for (const i of this.operations) {
      const from = latest[i]! - c.duration[i]!;
      const to = earliest[i]! + c.duration[i]!;
      if (from < to - 1e-9) events.push({ at: from, by: 1 }, { at: to, by: -1 });
    }
    events.sort((a, b) => a.at - b.at || a.by - b.by);
    const out: { from: number; to: number }[] = [];
    let used = 0;
    for (let k = 0; k < events.length; k++) {
      used += events[k]!.by;
      const next = events[k + 1]?.at ?? events[k]!.at;
      if (next <= events[k]!.at + 1e-9) continue;
      if (used > this.capacity) return undefined;
      if (used === this.capacity) out.push({ from: events[k]!.at, to: next });
    }
    return out;
  }
}
