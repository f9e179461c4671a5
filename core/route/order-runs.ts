import type { Prefer } from './order';
import { Bits } from './precedence-graph';

/** A run of the order: everything done with one bit in hand and one side up. */
export interface Run {
  done: Uint32Array;
  tool: number;
  face: number;
}
export interface Ops {
  ops: { id: string }[];
  before: Uint32Array[];
  toolOf: Int32Array;
  faceOf: Uint8Array;
}

/**
 * The run in which each operation is done. The search does everything as early as it can; here an operation waits for
 * a later run with its bit and side when the rest of its bracket comes after it, so that the bracket is not left half
 * done, unless something else needs it sooner. The changes stay what they are.
 */
function runOfEach(
  runs: readonly Run[],
  ops: Ops,
  groupOf: ((id: string) => string | undefined) | undefined,
  isLate: ((id: string) => boolean) | undefined,
): Int32Array {
  const n = ops.ops.length;
  const run = new Int32Array(n);
  for (let i = 0; i < n; i++) run[i] = runs.findIndex((r) => Bits.has(r.done, i));
  if (!groupOf) return run;
  const groups = new Map<string, number[]>();
  for (let i = 0; i < n; i++) {
    const k = groupOf(ops.ops[i]!.id);
    if (k !== undefined) groups.set(k, [...(groups.get(k) ?? []), i]);
  }
  /** Moves one operation to the latest run up to `last` that has its bit and side and is not after what waits for it. */
  const postpone = (i: number, last: number) => {
    let latest = last;
    for (let k = 0; k < n; k++) if (Bits.has(ops.before[k]!, i)) latest = Math.min(latest, run[k]!);
    for (let r = latest; r > run[i]!; r--) {
      if (runs[r]!.face !== ops.faceOf[i] || (ops.toolOf[i]! >= 0 && runs[r]!.tool !== ops.toolOf[i]))
        continue;
      run[i] = r;
      break;
    }
  };
  for (const members of groups.values()) {
    if (members.length < 2) continue;
    const last = Math.max(...members.map((i) => run[i]!));
    // the latest first: the ones before it move up to it
    for (const i of members.toSorted((a, b) => run[b]! - run[a]!)) postpone(i, last);
  }
  // what needs no bit is laid down right before what waits for it; operations stand in topological order
  if (isLate)
    for (let i = n - 1; i >= 0; i--) {
      if (!isLate(ops.ops[i]!.id)) continue;
      if (ops.before.some((b) => Bits.has(b, i))) postpone(i, runs.length - 1);
    }
  return run;
}

/** The operations of each run one after another: what goes on from the run before first, what goes on in the next run last. */
export function inRuns(
  runs: readonly Run[],
  ops: Ops,
  groupOf: ((id: string) => string | undefined) | undefined,
  prefer: Prefer | undefined,
  isLate: ((id: string) => boolean) | undefined,
): string[] {
  const sequence: string[] = [];
  const d = Bits.none(ops.ops.length);
  const at = new Map(ops.ops.map((o, i) => [o.id, i]));
  const run = runOfEach(runs, ops, groupOf, isLate);
  const runsOf = new Map<string, Set<number>>();
  if (groupOf)
    ops.ops.forEach((o, i) => {
      const k = groupOf(o.id);
      if (k !== undefined) runsOf.set(k, (runsOf.get(k) ?? new Set()).add(run[i]!));
    });
  const weight = (i: number, r: number) => {
    const of = groupOf && runsOf.get(groupOf(ops.ops[i]!.id) ?? '');
    return !of ? 1 : of.has(r - 1) ? 0 : of.has(r + 1) ? 2 : 1;
  };
  for (let r = 0; r < runs.length; r++) {
    for (;;) {
      let ready: number[] = [];
      for (let i = 0; i < ops.ops.length; i++)
        if (run[i] === r && !Bits.has(d, i) && Bits.covers(d, ops.before[i]!)) ready.push(i);
      if (!ready.length) break;
      const least = Math.min(...ready.map((i) => weight(i, r)));
      ready = ready.filter((i) => weight(i, r) === least);
      const i = prefer
        ? at.get(
            prefer(
              sequence[sequence.length - 1],
              ready.map((k) => ops.ops[k]!.id),
            ),
          )!
        : ready[0]!;
      Bits.set(d, i);
      sequence.push(ops.ops[i]!.id);
    }
  }
  return sequence;
}
