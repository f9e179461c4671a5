import type { Compiled } from './problem';

/**
 * The windows in which operations may still lie: earliest start and latest end of each, kept at a fixed point of all lags
 * and of the orders that were decided. Everything that is written can be taken back to a mark.
 */
export class Windows {
  readonly earliest: Float64Array;
  readonly latest: Float64Array;
  /** Whether an order was decided: `before[i * n + j]` is 1 where i ends before j begins. */
  readonly before: Uint8Array;
  /** Operations whose window has moved since it was last asked. */
  readonly moved: Uint8Array;
  anyMoved = true;
  #successors: Edge[][];
  #predecessors: Edge[][];
  #queue: Int32Array;
  #queued: Uint8Array;
  #head = 0;
  #count = 0;
  #trail: number[] = [];
  #failed = false;

  constructor(readonly c: Compiled) {
    const { n } = c;
    this.earliest = Float64Array.from(c.earliest);
    this.latest = Float64Array.from(c.latest);
    this.before = new Uint8Array(n * n);
    this.moved = new Uint8Array(n).fill(1);
    this.#successors = Array.from({ length: n }, () => []);
    this.#predecessors = Array.from({ length: n }, () => []);
    this.#queue = new Int32Array(Math.max(1, n));
    this.#queued = new Uint8Array(n);
    for (const { from, to, weight } of c.edges) this.#link(from, to, weight);
    for (const { from, to, weight } of c.edges)
      if (from !== to && weight >= c.duration[from]!) this.before[from * n + to] = 1;
    for (let i = 0; i < n; i++) this.#push(i);
  }
  /** Whether a window has become empty since the last time that something was taken back. */
  get failed(): boolean {
    return this.#failed;
  }
  mark(): number {
    return this.#trail.length;
  }
  /** Takes back all that was written since a mark. */
  undo(mark: number): void {
    const trail = this.#trail;
    const { n } = this.c;
    while (trail.length > mark) {
      const kind = trail.pop()!;
      const at = trail.pop()!;
      if (kind === earliestKind) this.earliest[at] = trail.pop()!;
      else if (kind === latestKind) this.latest[at] = trail.pop()!;
      else if (kind === orderKind) this.before[at] = 0;
      else {
        this.#successors[Math.floor(at / n)]!.pop();
        this.#predecessors[at % n]!.pop();
      }
    }
    this.#failed = false;
    for (; this.#count > 0; this.#count--) {
      this.#queued[this.#queue[this.#head]!] = 0;
      this.#head = (this.#head + 1) % this.#queue.length;
    }
  }
  /** It begins no earlier. */
  notBefore(i: number, time: number): void {
    if (time <= this.earliest[i]!) return;
    this.#trail.push(this.earliest[i]!, i, earliestKind);
    this.earliest[i] = time;
    this.#touched(i);
  }
  /** It ends no later. */
  notAfter(i: number, time: number): void {
    if (time >= this.latest[i]!) return;
    this.#trail.push(this.latest[i]!, i, latestKind);
    this.latest[i] = time;
    this.#touched(i);
  }
  /** One ends before another begins. */
  order(i: number, j: number): void {
    const { n, duration } = this.c;
    if (this.before[i * n + j]) return;
    if (this.before[j * n + i]) {
      this.#failed = true;
      return;
    }
    this.before[i * n + j] = 1;
    this.#trail.push(i * n + j, orderKind);
    this.link(i, j, duration[i]!);
  }
  /** `start[j] >= start[i] + weight` from now on. */
  link(i: number, j: number, weight: number): void {
    this.#link(i, j, weight);
    this.#trail.push(i * this.c.n + j, edgeKind);
    this.#push(i);
    this.#push(j);
  }
  /** Brings all windows to where the lags and orders leave them. @returns whether none is empty */
  settle(): boolean {
    const { duration } = this.c;
    while (this.#count > 0 && !this.#failed) {
      const i = this.#queue[this.#head]!;
      this.#head = (this.#head + 1) % this.#queue.length;
      this.#count--;
      this.#queued[i] = 0;
      const start = this.earliest[i]!;
      const last = this.latest[i]! - duration[i]!;
      for (const { other, weight } of this.#successors[i]!) this.notBefore(other, start + weight);
      for (const { other, weight } of this.#predecessors[i]!)
        this.notAfter(other, last - weight + duration[other]!);
    }
    return !this.#failed;
  }
  #link(i: number, j: number, weight: number): void {
    this.#successors[i]!.push({ other: j, weight });
    this.#predecessors[j]!.push({ other: i, weight });
  }
  #touched(i: number): void {
    if (this.earliest[i]! + this.c.duration[i]! > this.latest[i]! + slack) this.#failed = true;
    this.moved[i] = 1;
    this.anyMoved = true;
    this.#push(i);
  }
  #push(i: number): void {
    if (this.#queued[i]) return;
    this.#queued[i] = 1;
    this.#queue[(this.#head + this.#count) % this.#queue.length] = i;
    this.#count++;
  }
}
interface Edge {
  other: number;
  weight: number;
}
const earliestKind = 0;
const latestKind = 1;
const orderKind = 2;
const edgeKind = 3;
/** Rounding of sums is no contradiction. */
const slack = 1e-9;
