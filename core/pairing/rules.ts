import type { DeviceModel, Pairing } from '../model/schema';
import type { EffectKind } from './effects';
import type { Remedy } from './remedies';

type Kind = DeviceModel['slots'][number]['kind'];

/**
 * Which remedies there are for a kind of part, from which generation on: programmers came with panels that carry data,
 * the maker's calibration later. All common practice; the model's own rows say what a function does.
 */
export const offers: readonly { kinds: readonly Kind[]; remedy: Remedy; from: number; to?: number }[] = [
  {
    kinds: ['display', 'front-sensors', 'key', 'ear-speaker', 'camera', 'cell'],
    remedy: 'original',
    from: 1,
  },
  { kinds: ['display'], remedy: 'copy', from: 3 },
  { kinds: ['display'], remedy: 'chip', from: 3 },
  { kinds: ['display', 'cell', 'camera'], remedy: 'calibrate', from: 4 },
  { kinds: ['display', 'cell', 'camera', 'front-sensors', 'key', 'chip'], remedy: 'accept', from: 1 },
  { kinds: ['display', 'cell', 'camera', 'front-sensors', 'key'], remedy: 'third party', from: 1 },
];

/** What a model says of its age and of the programmer. */
export type Programmed = Pick<DeviceModel, 'generation' | 'programming'>;
/** The programmer's row for a slot: programmers cover some models and some of their parts only. */
export const programmingOf = (model: Programmed, slot: string) =>
  model.programming.find((r) => r.slot === slot);

interface Rule {
  remedy: Remedy;
  when: (p: Pairing, model: Programmed) => boolean;
  becomes: (p: Pairing) => EffectKind;
}
/**
 * What a remedy makes of one row of a model; the first that applies counts. There are two stores: copied data bring a
 * function back while the notice stays; moving the identity chip removes the notice and does not bring the function
 * back. The maker's calibration settles both, on an original part; what is bound to the board stays lost with it.
 */
export const rules: readonly Rule[] = [
  { remedy: 'original', when: () => true, becomes: () => 'kept' },
  {
    remedy: 'copy',
    when: (p, model) => p.effect === 'copy' && !programmingOf(model, p.slot),
    becomes: () => 'lost',
  },
  { remedy: 'copy', when: () => true, becomes: (p) => p.effect },
  { remedy: 'chip', when: (p) => p.store === 'chip' && p.effect === 'notice', becomes: () => 'kept' },
  { remedy: 'chip', when: (p) => p.effect === 'copy', becomes: () => 'lost' },
  {
    remedy: 'calibrate',
    when: (p, { generation }) => generation >= 4 && p.effect !== 'lost' && p.effect !== 'kept',
    becomes: () => 'calibrate',
  },
  { remedy: 'accept', when: (p) => p.effect === 'copy', becomes: () => 'lost' },
  { remedy: 'accept', when: (p) => p.effect === 'calibrate', becomes: () => 'notice' },
  // a foreign-made part is not guaranteed to pass the maker's calibration and often has no data to write, unless the
  // programmer has a mode for it
  {
    remedy: 'third party',
    when: (p, model) => p.effect === 'copy' && !programmingOf(model, p.slot)?.thirdParty,
    becomes: () => 'lost',
  },
  { remedy: 'third party', when: (p) => p.effect === 'calibrate', becomes: () => 'notice' },
];

/** What becomes of one function under one remedy. */
export const outcomeOf = (p: Pairing, remedy: Remedy, model: Programmed): EffectKind =>
  rules.find((r) => r.remedy === remedy && r.when(p, model))?.becomes(p) ?? p.effect;

/** The remedies that can be chosen for a slot of this kind in this generation. */
export const remediesFor = (kind: Kind, generation: number): Remedy[] =>
  offers
    .filter((o) => o.kinds.includes(kind) && generation >= o.from && generation <= (o.to ?? 99))
    .map((o) => o.remedy);
