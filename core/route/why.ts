import type { IndexedModel } from '../model/index-model';
import type { Operation } from './way-out';
/** For each operation what it makes possible, nearest first: its direct followers, as ids of things. */
export function whys(
  index: IndexedModel,
  ops: Operation[],
  precedences: [string, string][],
  tasks: string[],
): Map<string, string[]> {
  const byId = new Map(ops.map((o) => [o.id, o]));
  const cell = index.cellConnector ? `off:${index.cellConnector}` : undefined;
  const out = new Map<string, string[]>();
  for (const operation of ops) {
    const after =
      operation.id === cell
        ? []
        : precedences.filter(([a]) => a === operation.id).flatMap(([, b]) => byId.get(b) ?? []);
    const things = after
      .flatMap((a) =>
        a.kind === 'move' || a.kind === 'fasteners' || a.kind === 'catches' ? [a.slot] : a.things,
      )
      .filter((t) => t !== operation.slot || operation.kind !== 'move');
    const unique = [...new Set(things)];
    // what leads straight to the task first, then what holds, then what merely waits
    unique.sort(
      (x, y) =>
        Number(tasks.includes(y)) - Number(tasks.includes(x)) ||
        Number(y === index.cellConnector) - Number(x === index.cellConnector),
    );
    out.set(
      operation.id,
      unique.length ? unique : tasks.includes(operation.slot) ? [operation.slot] : tasks.slice(0, 1),
    );
  }
  return out;
}
