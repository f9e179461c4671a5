import { badCell } from '../vocabulary/conditions';
import { conditionsOf } from '../log/view';
import { isSeal } from '../model/seals';
import { flag, type JobState } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { consentsNeeded, type Effect, effectsOf, type Remedies } from '../pairing/effects';
import { defaultMethods, type Methods } from '../methods/methods';

export type ConsentKind = 'effect' | 'price' | 'water' | 'cosmetic' | 'chip' | 'old parts' | 'data';
/** One thing that the owner has to know and agree to before work starts. */
export interface Consent {
  /** Stable in a log. */
  id: string;
  kind: ConsentKind;
  /** Why it is asked: slots, marks. */
  because: string[];
  effect?: Effect;
  /** What the owner answers where yes is not enough. */
  answers?: readonly string[];
  /** Asked for only because of something that may be done, not of what will: open, it stops that alone. */
  optional?: true;
  /** Old parts that are not handed out whatever is answered: a damaged cell. */
  kept?: string[];
  /** Whether a leak test will be made, for what is said about water. */
  tested?: boolean;
}

const stays = new Set(['crack', 'shattered glass', 'missing glass', 'dent', 'bent frame']);

/** Slots that the job's tasks give another piece. */
export const slotsToReplace = (state: JobState) =>
  Object.keys(state.task).filter((s) => state.task[s] === 'replace');

/**
 * What follows from tasks, effects and methods for the owner to agree to, in the order in which it is said.
 * @param more slots beside those of the tasks that have another piece already
 */
export function consentsFor(
  index: IndexedModel,
  state: JobState,
  methods: Methods = defaultMethods,
  more: readonly string[] = [],
): Consent[] {
  const replaced = [...new Set([...slotsToReplace(state), ...more])];
  const tasks = Object.keys(state.task);
  const kinds = replaced.map((s) => index.slots.get(s)?.kind);
  const out: Consent[] = consentsNeeded(
    effectsOf(index, replaced, methods, state.remedy as Remedies, flag(state, 'system')?.version),
  ).map((effect) => ({ id: effect.id, kind: 'effect', because: [effect.slot], effect }));
  const seal = index.model.bonds.find((b) => isSeal(index, b));
  if (seal && tasks.length)
    out.push({ id: 'water', kind: 'water', because: [seal.id], tested: methods['leak-test'] === 'always' });
  const chip = replaced
    .filter(
      (s) =>
        index.slots.get(s)?.kind === 'display' &&
        methods['display-data'] === 'chip' &&
        index.model.pairing.some((p) => p.slot === s && p.store === 'chip'),
    )
    .concat(tasks.filter((s) => state.task[s] === 'rework'));
  if (chip.length) out.push({ id: 'chip', kind: 'chip', because: chip });
  const left = Object.values(state.mark).filter(
    (m) =>
      m &&
      stays.has(m.kind) &&
      !(m.side === 'front' && kinds.includes('display')) &&
      !(m.side === 'back' && kinds.includes('back')) &&
      !kinds.includes('frame'),
  );
  if (left.length && tasks.length)
    out.push({ id: 'cosmetic', kind: 'cosmetic', because: [...new Set(left.map((m) => m!.kind))] });
  if (replaced.length)
    out.push({
      id: 'old-parts',
      kind: 'old parts',
      because: replaced,
      answers: ['back', 'recycled'],
      ...(badCell(conditionsOf(state))
        ? { kept: replaced.filter((s) => index.slots.get(s)?.kind === 'cell') }
        : {}),
    });
  if (tasks.length) out.push({ id: 'price', kind: 'price', because: [] });
  out.push({ id: 'data', kind: 'data', because: [], optional: true });
  return out;
}

/** Those without which the job does not go on to the bench. */
export const openConsents = (consents: readonly Consent[], state: JobState) =>
  consents.filter((c) => !c.optional && state.consent[c.id] === undefined);

/** Who agreed: the name given, where one was, and the answer. */
export function agreedBy(
  state: Pick<JobState, 'consent' | 'signature' | 'answer'>,
  signers: Readonly<Record<string, string>>,
  id: string,
): string | undefined {
  const by = state.consent[id];
  if (by === undefined) return undefined;
  const name = signers[state.signature[id] ?? ''] ?? by;
  return id === 'old-parts' && state.answer[id] ? `${name}, ${state.answer[id]}` : name;
}
