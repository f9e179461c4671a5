import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { OneAtATime } from './one-at-a-time';
import { type Compiled, costOf, endsOf } from './problem';
import { SeveralAtATime } from './several-at-a-time';
import { Windows } from './windows';

/** One way on at a fork: an order that is decided, or, of a third one, that it is not so. */
type Way = () => void;
interface Fork {
  mark: number;
  ways: Way[];
  next: number;
  /** Of the things that serve one at a time, the one that it is about. */
  at: number;
}
export interface Limits {
  /** Dead ends until it gives up. */
  fails: number;
  stop: () => boolean;
}
/** Looked at the clock once in so many steps. */
const stopEvery = 16;

/**
 * Branch and bound over the orders in which operations have what they need: windows are narrowed by lags, edge finding and
 * time tables, the pair with the least room is decided first, and the order of the best schedule so far is tried first
 * (solution-guided search; J. C. Beck, Journal of Artificial Intelligence Research 29, 2007).
 */
export class Search {
  readonly windows: Windows;
  best: Float64Array | undefined;
  bestCost: number;
  /** Steps so far, and dead ends. */
  nodes = 0;
  fails = 0;
  #one: OneAtATime[];
  #several: SeveralAtATime[];
  /** Things that each operation needs. */
  #users: number[][];
  #stale: Uint8Array;
  /** How often each of them was where it went wrong. */
  #blame: Float64Array;
  #guide: ArrayLike<number> | undefined;
  #random: (() => number) | undefined;
  #generator = xoroshiro128plus(1);
  #atRoot: boolean;

  constructor(
    readonly c: Compiled,
    /** Only what costs less than this is looked for. */
    under = Number.POSITIVE_INFINITY,
  ) {
    this.bestCost = under;
    this.windows = new Windows(c);
    this.#one = c.unary.filter((u) => u.length > 1).map((u) => new OneAtATime(this.windows, u));
    this.#several = c.cumulative.map((r) => new SeveralAtATime(this.windows, r.operations, r.capacity));
    const all = [...this.#one, ...this.#several];
    this.#users = Array.from({ length: c.n }, () => []);
    all.forEach((r, k) => {
      for (const i of r.operations) this.#users[i]!.push(k);
    });
    this.#stale = new Uint8Array(all.length).fill(1);
    this.#blame = new Float64Array(all.length).fill(1);
    this.#atRoot = this.#propagate();
  }
  /** Whether the windows say already that there is nothing. */
  get hopeless(): boolean {
    return !this.#atRoot;
  }
  /** Of the objective, by the windows as they are. */
  lowerBound(): number {
    return costOf(this.c, this.windows.earliest);
  }
  /** A schedule that is known: only better ones are looked for from then on. */
  know(starts: Float64Array): void {
    const cost = costOf(this.c, starts);
    if (cost >= this.bestCost) return;
    this.best = starts;
    this.bestCost = cost;
  }
  /**
   * Looks for better schedules until all have been looked at, or a limit.
   * @param guide the order of these starts is tried first
   * @param vary pairs of nearly the same room are not always taken in the same order
   * @returns whether all have been looked at: then the best is the best there is
   */
  run(limits: Limits, guide?: ArrayLike<number>, vary = false): boolean {
    if (this.hopeless) return true;
    this.#guide = guide;
    this.#random = vary ? () => uniformFloat64(this.#generator) : undefined;
    const root = this.windows.mark();
    const until = this.fails + limits.fails;
    const forks: Fork[] = [];
    let open = this.#propagate();
    while (true) {
      if (!open && !this.#back(forks)) {
        this.#undo(root);
        return true;
      }
      if (this.fails >= until || (this.nodes++ % stopEvery === 0 && limits.stop())) {
        this.#undo(root);
        return false;
      }
      const fork = this.#choose();
      if (fork) {
        forks.push(fork);
        open = this.#take(fork);
      } else {
        this.#found();
        open = false;
      }
    }
  }
  /** The next way at the last fork that has one left. @returns whether there is one */
  #back(forks: Fork[]): boolean {
    while (forks.length) {
      const fork = forks.at(-1)!;
      this.#undo(fork.mark);
      if (fork.next >= fork.ways.length) forks.pop();
      else if (this.#take(fork)) return true;
    }
    return false;
  }
  #take(fork: Fork): boolean {
    fork.ways[fork.next++]!();
    if (this.#propagate()) return true;
    this.fails++;
    this.#blame[fork.at] = this.#blame[fork.at]! + 1;
    return false;
  }
  #undo(mark: number): void {
    this.windows.undo(mark);
    this.windows.moved.fill(0);
    this.windows.anyMoved = false;
    this.#stale.fill(0);
  }
  #found(): void {
    this.best = Float64Array.from(this.windows.earliest);
    this.bestCost = costOf(this.c, this.best);
  }

  /** Narrows all windows as far as they go. @returns whether something may still be there */
  #propagate(): boolean {
    const { windows } = this;
    const count = this.#stale.length;
    while (true) {
      if (!this.#bound() || !windows.settle()) return false;
      if (windows.anyMoved) {
        windows.anyMoved = false;
        for (let i = 0; i < this.c.n; i++) {
          if (!windows.moved[i]) continue;
          windows.moved[i] = 0;
          for (const r of this.#users[i]!) this.#stale[r] = 1;
        }
      }
      const next = this.#stale.indexOf(1);
      if (next < 0 || next >= count) return true;
      this.#stale[next] = 0;
      const serves = next < this.#one.length ? this.#one[next]! : this.#several[next - this.#one.length]!;
      if (!serves.propagate()) {
        this.#blame[next] = this.#blame[next]! + 0.5;
        return false;
      }
    }
  }
  /** Only what is better than the best so far is still looked for. */
  #bound(): boolean {
    if (!Number.isFinite(this.bestCost)) return true;
    const { c, windows } = this;
    const most = this.bestCost - c.step;
    if (c.objective === 'makespan') {
      for (let i = 0; i < c.n; i++) windows.notAfter(i, most);
      return !windows.failed;
    }
    const ends = endsOf(c, windows.earliest);
    let sum = 0;
    const late = ends.map((end, j) => Math.max(0, end - c.due[j]!));
    for (let j = 0; j < late.length; j++) sum += late[j]! * c.weight[j]! || 0;
    if (sum > most + 1e-9) return false;
    for (let i = 0; i < c.n; i++) {
      const j = c.jobOf[i]!;
      if (c.weight[j]! > 0 && Number.isFinite(c.due[j]!))
        windows.notAfter(i, c.due[j]! + late[j]! + (most - sum) / c.weight[j]!);
    }
    return !windows.failed;
  }

  /** What is decided next; undefined where everything may begin at its earliest: that is a schedule. */
  #choose(): Fork | undefined {
    if (this.#one.some((r) => this.#overlaps(r.operations))) return this.#pair();
    for (const [k, r] of this.#several.entries()) {
      const crowd = this.#crowd(r);
      if (crowd) return this.#crowdFork(crowd, r.capacity, this.#one.length + k);
    }
    return undefined;
  }
  #overlaps(operations: Int32Array): boolean {
    const { earliest } = this.windows;
    const { duration } = this.c;
    for (let a = 0; a < operations.length; a++) {
      const i = operations[a]!;
      const end = earliest[i]! + duration[i]! - 1e-9;
      for (let b = 0; b < operations.length; b++) {
        const j = operations[b]!;
        if (a !== b && earliest[j]! >= earliest[i]! && earliest[j]! < end) return true;
      }
    }
    return false;
  }
  /** The pair with the least room, of all that need one thing (S. F. Smith and C. Cheng, AAAI 1993). */
  #pair(): Fork | undefined {
    const { earliest, latest, before } = this.windows;
    const { n, duration } = this.c;
    let least = Number.POSITIVE_INFINITY;
    let [first, second, at] = [-1, -1, -1];
    this.#one.forEach(({ operations }, k) => {
      const blame = this.#blame[k]!;
      for (let a = 0; a < operations.length; a++) {
        const i = operations[a]!;
        for (let b = a + 1; b < operations.length; b++) {
          const j = operations[b]!;
          if (before[i * n + j] || before[j * n + i]) continue;
          const both = duration[i]! + duration[j]!;
          const ij = latest[j]! - earliest[i]! - both;
          const ji = latest[i]! - earliest[j]! - both;
          const [small, large] = ij < ji ? [ij, ji] : [ji, ij];
          const room = (small + 1) / Math.sqrt((small + 1) / (large + 1)) / blame;
          const score = this.#random ? room * (1 + 0.2 * this.#random()) : room;
          if (score >= least) continue;
          [least, at] = [score, k];
          [first, second] = ij >= ji ? [i, j] : [j, i];
        }
      }
    });
    if (first < 0) return undefined;
    const guide = this.#guide;
    if (guide && guide[first]! > guide[second]!) [first, second] = [second, first];
    const [i, j] = [first, second];
    const order = (a: number, b: number) => () => this.windows.order(a, b);
    return { mark: this.windows.mark(), ways: [order(i, j), order(j, i)], next: 0, at };
  }
  /** More than may at a time, by the earliest starts; the first such moment. */
  #crowd({ operations, capacity }: SeveralAtATime): number[] | undefined {
    const { earliest } = this.windows;
    const { duration } = this.c;
    const byStart = Array.from(operations).sort((i, j) => earliest[i]! - earliest[j]!);
    for (const i of byStart) {
      const running = byStart.filter(
        (j) => earliest[j]! <= earliest[i]! && earliest[j]! + duration[j]! > earliest[i]! + 1e-9,
      );
      if (running.length > capacity) return running;
    }
    return undefined;
  }
  /** Of one more than there are places, one ends before another begins: each pair is a way, with those before it ruled out. */
  #crowdFork(crowd: number[], capacity: number, at: number): Fork {
    const { earliest, latest } = this.windows;
    const { duration, step } = this.c;
    const some = crowd.sort((i, j) => latest[i]! - latest[j]!).slice(0, capacity + 1);
    const guide = this.#guide;
    const pairs = some
      .flatMap((i) => some.filter((j) => j !== i).map((j) => ({ i, j })))
      .map(({ i, j }) => {
        const room = latest[j]! - earliest[i]! - duration[i]! - duration[j]!;
        const guided = guide && guide[i]! + duration[i]! <= guide[j]! ? 1 : 0;
        return { i, j, room, guided };
      })
      .filter((p) => p.room >= -1e-9)
      .sort((a, b) => b.guided - a.guided || b.room - a.room);
    const ways = pairs.map(({ i, j }, k) => () => {
      for (const { i: a, j: b } of pairs.slice(0, k)) this.windows.link(b, a, step - duration[a]!);
      this.windows.order(i, j);
    });
    return { mark: this.windows.mark(), ways, next: 0, at };
  }
}
