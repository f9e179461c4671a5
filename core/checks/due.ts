import type { JobState } from '../log/state';
import { replacedSlots } from '../log/view';
import type { Round } from '../log/events';
import { functionsOf } from '../model/functions-of';
import type { IndexedModel } from '../model/index-model';
import { transfersOf } from '../model/carried';
import type { FunctionId } from '../vocabulary/trade';
import { whyUntestable } from './untestable';

export interface DueCheck {
  function: FunctionId;
  /** What was touched that this function depends on; empty for the model's short list. */
  because: string[];
  /** The connectors or pieces that moved after the last answer, which is therefore no longer good. */
  stale: string[];
  result: 'works' | 'fails' | 'untested' | 'same' | undefined;
  note: string | undefined;
  /** What it was on arrival. */
  before: 'works' | 'fails' | 'untested' | 'same' | undefined;
  /** It could not be tested on arrival, and what stood in the way then still does. */
  untestable: boolean;
  /** Works, or is as it was and the owner accepts it. */
  good: boolean;
  /** Good, and nothing that it depends on has moved since. */
  passed: boolean;
}

const known = new WeakMap<IndexedModel, Depends>();
type Depends = Map<FunctionId, { connectors: string[]; slots: string[] }>;

/** What a function depends on: connectors that carry it, and slots that serve it (directly or by their connectors). */
function dependsOn(index: IndexedModel): Depends {
  const before = known.get(index);
  if (before) return before;
  const out: Depends = new Map();
  const at = (f: FunctionId) => {
    const entry = out.get(f) ?? { connectors: [], slots: [] };
    out.set(f, entry);
    return entry;
  };
  for (const connector of index.model.connectors)
    for (const f of connector.functions) at(f).connectors.push(connector.id);
  for (const slot of index.model.slots) {
    // a bracket serves nothing itself: it is judged by the connectors under it
    for (const f of slot.functions.length || slot.kind !== 'bracket'
      ? slot.functions
      : functionsOf(index, slot.id))
      at(f).slots.push(slot.id);
  }
  known.set(index, out);
  return out;
}

/** The functions that the chosen tasks will touch: of their slots, and of what moves over with an assembly. */
export function functionsOfTasks(index: IndexedModel, state: JobState): FunctionId[] {
  const slots = Object.keys(state.task).filter((slot) => index.slots.has(slot));
  const all = slots.flatMap((slot) => [
    slot,
    ...(state.task[slot] === 'replace' ? transfersOf(index, slot) : []),
  ]);
  // what is noticed and what a gauge says are told from the settings, not tried: the notice is due only afterwards
  return [...new Set(all.flatMap((slot) => functionsOf(index, slot)))].filter((f) => f !== 'notice');
}

/**
 * Whether "could not be tested" still holds: it could not before, and what stood in its way then stands there now. A
 * dead display hides the face unlock; with a new one in, the answer is due.
 */
function stillUntestable(state: JobState, round: Round, fn: FunctionId): boolean {
  if (state.check[`before ${fn}`]?.result !== 'untested') return false;
  const failing = (r: Round) =>
    Object.keys(state.check)
      .filter((key) => key.startsWith(`${r} `) && state.check[key]!.result === 'fails')
      .map((key) => key.slice(r.length + 1) as FunctionId);
  return !whyUntestable(fn, failing('before')) || whyUntestable(fn, failing(round)) !== undefined;
}

/**
 * The checks that are due in a round, computed from what was touched.
 * Before: the model's short list, and what the chosen tasks will touch as long as nothing is open. Mid and after: that list and every function that something touched serves;
 * after also everything that did not work on arrival. An answer given before a connector moved again is stale.
 */
export function checksDue(state: JobState, index: IndexedModel, round: Round): DueCheck[] {
  const depends = dependsOn(index);
  const touched = state.touched;
  const wanted = new Map<FunctionId, string[]>();
  for (const f of index.model.shortList) wanted.set(f, []);
  if (round === 'before') {
    for (const f of functionsOfTasks(index, state))
      if (!wanted.has(f)) wanted.set(f, Object.keys(state.task));
  } else {
    for (const [f, d] of depends) {
      const because = [...d.connectors, ...d.slots].filter((id) => touched[id] !== undefined);
      if (because.length) wanted.set(f, because);
    }
    // what the settings say of a part that is bound to the device: as the owner was told, or not
    const paired = replacedSlots(state).filter((slot) => index.model.pairing.some((p) => p.slot === slot));
    if (round === 'after' && paired.length) wanted.set('notice', paired);
  }
  if (round === 'mid')
    for (const [f, because] of wanted) if (because.length === 0 && !isBasic(f)) wanted.delete(f);
  return [...wanted].map(([fn, because]) => {
    const entry = state.check[`${round} ${fn}`];
    // only connectors make an answer stale: a bracket that is screwed on after a check changes no signal
    const stale =
      entry && round !== 'before'
        ? (depends.get(fn)?.connectors ?? []).filter((c) => (touched[c] ?? 0) > entry.seq)
        : [];
    const before = state.check[`before ${fn}`]?.result;
    const good =
      entry?.result === 'works' ||
      entry?.result === 'same' ||
      (entry?.result === 'untested' && stillUntestable(state, round, fn));
    return {
      function: fn,
      because,
      stale,
      result: entry?.result,
      note: entry?.note,
      before,
      untestable: stillUntestable(state, round, fn),
      good,
      passed: good && stale.length === 0,
    };
  });
}
/** A device that does not start, show and answer a finger can be asked nothing else. */
const isBasic = (f: FunctionId) => f === 'power' || f === 'picture' || f === 'touch';

/**
 * What a phone is asked in a round: all of it at first; once something failed after work, only what can tell whether it is put right, and
 * what nobody has answered yet.
 */
export const toTell = (due: readonly DueCheck[], round: Round): DueCheck[] =>
  round !== 'before' && due.some((c) => c.result === 'fails') ? due.filter((c) => !c.passed) : [...due];
/** The checks of a round that are not passed yet. */
export const openChecks = (state: JobState, index: IndexedModel, round: Round) =>
  checksDue(state, index, round).filter((c) => !c.passed);
