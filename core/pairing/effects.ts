import { isChip } from '../model/chips';
import type { IndexedModel } from '../model/index-model';
import type { Pairing } from '../model/schema';
import type { FunctionId } from '../vocabulary/trade';
import { counts } from '../model/system';
import { defaultMethods, type Methods } from '../methods/methods';
import type { Remedy } from './remedies';
import { outcomeOf, programmingOf } from './rules';

export type EffectKind = 'kept' | 'copy' | 'calibrate' | 'notice' | 'lost';
export interface Effect {
  /** `slot function`: stable in a log. */
  id: string;
  slot: string;
  function: FunctionId;
  effect: EffectKind;
  owner: string;
  remedy?: string;
  /** It comes only from this system version on, and the device's is not known. */
  systemFrom?: string;
}
/** What is to be done about the identity of a slot's new piece, where it was chosen for this job. */
export type Remedies = Readonly<Record<string, Remedy>>;

/**
 * What the owner will notice when these slots get other pieces: the model's pairing rules, in its order, as the chosen
 * remedy of each slot leaves them, or where none was chosen the house methods.
 * @param system the device's system version: rows that begin with a later one do not count
 */
export function effectsOf(
  index: IndexedModel,
  replaced: readonly string[],
  methods: Pick<Methods, 'display-data'> = defaultMethods,
  chosen: Remedies = {},
  system?: string,
): Effect[] {
  return index.model.pairing
    .filter((p) => replaced.includes(p.slot) && counts(p, system) !== false)
    .map((p) => ({
      id: `${p.slot} ${p.function}`,
      slot: p.slot,
      function: p.function,
      effect: effectNow(index, p, methods, chosen[p.slot]),
      owner: p.owner,
      // both outcomes are said where nobody knows the version
      ...(counts(p, system) === undefined ? { systemFrom: p.systemFrom! } : {}),
      ...(p.remedy ? { remedy: p.remedy } : {}),
    }));
}
function effectNow(
  index: IndexedModel,
  p: Pairing,
  methods: Pick<Methods, 'display-data'>,
  remedy: Remedy | undefined,
): EffectKind {
  if (remedy) return outcomeOf(p, remedy, index.model);
  // without a choice of its own a row stands as the model says, but for what the house does about data
  return p.effect === 'copy' || (p.effect === 'notice' && p.store === 'chip')
    ? outcomeOf(p, methods['display-data'], index.model)
    : p.effect;
}

/** The effects that the owner has to agree to: everything but what stays as it is. */
export const consentsNeeded = (effects: readonly Effect[]) => effects.filter((e) => e.effect !== 'kept');

/** Replaced slots whose identity data must be written and verified, or declined, before the job is closed. */
export const dataDue = (effects: readonly Effect[]) => [
  ...new Set(effects.filter((e) => e.effect === 'copy').map((e) => e.slot)),
];

/**
 * Whether a part's own data are saved before anything warms it: those that are to be written to another piece, and what a
 * chip of its own knows, since that is all that is left if the work goes wrong.
 */
export const dataToSave = (index: IndexedModel, slot: string, effects: readonly Effect[]): boolean =>
  dataDue(effects).includes(slot) ||
  (isChip(index, slot) && index.model.pairing.some((p) => p.slot === slot));

/** What a chosen remedy means for the house method about a display's data. */
export function methodsOfRemedies(
  index: IndexedModel,
  chosen: Remedies,
): { 'display-data'?: Methods['display-data'] } {
  const slot = index.model.slots.find((s) => s.kind === 'display' && chosen[s.id])?.id;
  const remedy = slot && chosen[slot];
  if (!remedy) return {};
  if (remedy === 'copy' || remedy === 'chip') return { 'display-data': remedy };
  const written = remedy === 'third party' && programmingOf(index.model, slot)?.thirdParty;
  return { 'display-data': written ? 'copy' : 'accept' };
}
