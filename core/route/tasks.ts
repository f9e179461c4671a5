import type { Task } from '../log/events';
import type { Act } from '../vocabulary/steps';
import type { IndexedModel } from '../model/index-model';
import { transfersOf } from '../model/carried';
import { isChip } from '../model/chips';
import type { Methods } from '../methods/methods';
import type { RouteInput } from '../steps/route';

/** What the tasks come to, by slot. */
export interface Work {
  /** Slots that get another piece. */
  replaced: string[];
  /** Carried slots whose pieces move over from an old assembly to its new one. */
  transfers: string[];
  /** Slots at which something is done: looked at, worked on, reworked. */
  visits: { slot: string; act: Extract<Act, 'inspect' | 'work' | 'rework'> | 'reseat'; out: boolean }[];
}

const visitOf: Record<Exclude<Task['action'], 'replace'>, Work['visits'][number]['act']> = {
  inspect: 'inspect',
  reach: 'work',
  move: 'work',
  rework: 'rework',
  reseat: 'reseat',
};

/**
 * Where a house method replaces the larger assembly instead of the part that was asked for: cracked glass by the whole
 * display, a bonded back by a new housing.
 */
function inStead(index: IndexedModel, slot: string, methods: Methods): string {
  const s = index.slots.get(slot)!;
  if (s.partOf && s.kind === 'panel' && methods['cracked-glass'] === 'display') return s.partOf;
  if (s.partOf && s.kind === 'back' && methods['bonded-back'] === 'housing') return s.partOf;
  return slot;
}

/** The slots that a list of tasks is about: the unknown ones are the caller's to refuse. */
export function workOf(index: IndexedModel, input: Pick<RouteInput, 'tasks' | 'methods' | 'standing'>): Work {
  const { standing } = input;
  const wanted = new Set(
    input.tasks.filter((t) => t.action === 'replace').map((t) => inStead(index, t.slot, input.methods)),
  );
  // what comes with an assembly that is replaced anyway needs no other piece of its own
  const whole = [...wanted].filter(
    (slot) => ![...wanted].some((w) => w !== slot && index.slots.get(w)!.arrivesWith.includes(slot)),
  );
  const replaced = whole.filter((slot) => !standing.done.includes(slot));
  const visits = input.tasks
    .filter((t) => t.action !== 'replace')
    .map((t) => {
      const act = visitOf[t.action as 'move'];
      // a chip is lifted at the rework bench, with the heat that is computed there: no step of the route does it before
      return {
        ...{ slot: t.slot, act },
        out: t.action === 'move' || (t.action === 'rework' && !isChip(index, t.slot)),
      };
    })
    // asked for twice, it is one visit
    .filter((v, i, all) => all.findIndex((w) => w.slot === v.slot && w.act === v.act) === i)
    .filter((v) => !standing.acted.includes(`${v.act} ${v.slot}`));
  const transfers = replaced
    .filter((r) => !standing.aside.includes(r))
    .flatMap((r) => transfersOf(index, r))
    .filter((t) => !replaced.includes(t));
  return { replaced, transfers: [...new Set(transfers)], visits };
}
