import type { Minutes } from '../model/schema';
import { expectedLoss } from '../rework/odds';
import { reworkSeconds } from '../rework/times';
import type { Setting } from './setting';
import { type Draft, plainStep } from './draft';
import { dataDue, effectsOf } from '../pairing/effects';
import { handsS } from './times';
import type { Caution } from '../vocabulary/steps';
/** What is done with a part's identity data once it is out, before anything warms it or it is put aside. */
export function dataSteps(setting: Setting, slot: string): Draft[] {
  if (setting.standing.data[slot] !== undefined || !dataDue(effectsOf(setting.index, [slot])).includes(slot))
    return [];
  // saved also before the chip is moved: if that goes wrong, the data are what is left
  if (setting.methods['display-data'] === 'accept')
    return [
      plainStep('leave data', [slot], handsS.act, {
        about: slot,
        cautions: setting.remedies[slot] !== 'calibrate' ? ['notice-stays'] : [],
      }),
    ];
  return [plainStep('read data', [slot], handsS.data, { about: slot, station: 'programmer' })];
}
/** Seconds of hands for a chip that the model has at a part, by the steps that are gone through; undefined where it has none. */
export function reworkHands(setting: Setting, slot: string, newPart = false): Minutes | undefined {
  const chip = setting.index.model.chips?.find((c) => c.slot === slot);
  if (!chip) return undefined;
  const school = setting.methods['chip-work'] === '280' ? '280' : '300';
  return reworkSeconds('identity chip', chip, { school, stencil: true, newPart });
}
/** What chip work uses up: at each of the parts two barriers, paste to tin and wick to clean, and resin where there was some. */
export function reworkUses(
  { index }: Setting,
  slot: string,
  parts: 1 | 2,
): { item: string; quantity: number }[] {
  const underfill = index.model.chips?.some((c) => c.slot === slot && c.underfill) ?? false;
  return [
    { item: 'flux', quantity: 2 * parts },
    { item: 'low-melt-paste', quantity: 2 * parts },
    { item: 'wick', quantity: 3 * parts },
    { item: 'barrier', quantity: 2 * parts },
    ...(underfill ? [{ item: 'underfill', quantity: 1 }] : []),
  ];
}
/** What may be lost under the hot air, with its chance before one's own jobs are counted, and what the part costs. */
export function reworkRisks(
  { index }: Setting,
  slot: string,
): { what: string; chance: number; cost: number }[] {
  const price = index.slots.get(slot)?.price ?? 0;
  return price > 0 ? [{ what: 'part lost at the rework', chance: expectedLoss, cost: price }] : [];
}
/** The old identity chip moved over to a new part, while the old one is still at hand. */
export function chipSteps(setting: Setting, slot: string): Draft[] {
  if (
    setting.methods['display-data'] !== 'chip' ||
    setting.standing.acted.includes(`move chip ${slot}`) ||
    !dataDue(effectsOf(setting.index, [slot])).includes(slot)
  )
    return [];
  return [
    plainStep('move chip', [slot], reworkHands(setting, slot, true) ?? handsS.chip, {
      about: slot,
      station: 'microscope',
      tools: ['scraper', ...chipTools(setting)],
      cautions: [...chipCautions(setting), 'lead-hands'],
      uses: reworkUses(setting, slot, 2),
    }),
  ];
}
/** Data written to the new part before it goes in. */
export function newPartSteps(setting: Setting, slot: string): Draft[] {
  if (
    setting.methods['display-data'] !== 'copy' ||
    setting.standing.data[slot] === 'written' ||
    !dataDue(effectsOf(setting.index, [slot])).includes(slot)
  )
    return [];
  return [plainStep('write data', [slot], handsS.data, { about: slot, station: 'programmer' })];
}
export const chipCautions = (setting: Setting): Caution[] => [
  setting.methods['chip-work'] === '280' ? 'air-280' : 'air-300',
  setting.methods['chip-removal'] === 'hot-air' ? 'score-and-heat' : 'grinding-dust',
];
export const chipTools = (setting: Setting): string[] =>
  setting.methods['chip-removal'] === 'grinding' ? ['rotary-tool'] : [];
