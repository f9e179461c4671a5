import type { Setting } from './setting';
import { noHeat } from '../vocabulary/conditions';
import { type Draft, plainStep, toolsOf } from './draft';
import { perimeterSeal } from '../model/seals';
import type { RimPart } from '../vocabulary/steps';
import { handsS } from './times';
/** Whether seals are pressed by a press here: not on a device that is bent or has no plate, and never over a bad cell. */
export const pressed = (setting: Setting): boolean =>
  setting.methods['seal-press'] === 'press' &&
  setting.stations.includes('seal-press') &&
  !setting.noPlate &&
  !setting.conditions.some((x) => x === 'bent' || noHeat.includes(x));
/** Seconds under the press: common practice, 75 kgf for 30 s on the frame and again after closing. */
export const pressS = 30;
/**
 * What is seen to beside the frame's rim before a seal: the rim of the cover that goes on again, where old glue sticks, too; at
 * the display the ear mesh in its seat; and that all has dried before anything is on power.
 */
function rimPartsOf({ index, standing }: Setting, target: string, replaced: readonly string[]): RimPart[] {
  const seal = target === 'rim' ? perimeterSeal(index) : index.bonds.get(target);
  const cover = seal?.holds[0];
  // one that went in before this route was planned is as clean, unless a seal on it was laid and opened again
  const isNew =
    cover !== undefined &&
    (replaced.includes(cover) ||
      (standing.done.includes(cover) && !standing.acted.includes(`spent ${seal!.id}`)));
  const meshed = target === 'rim' && index.model.slots.some((slot) => slot.kind === 'ear-speaker');
  return [
    ...(cover === undefined || isNew ? [] : (['other'] as const)),
    ...(meshed ? (['mesh'] as const) : []),
    'dry',
  ];
}
/** Old glue off a rim, before a seal is laid on it. */
export const rimStep = (
  setting: Setting,
  target: string,
  replaced: readonly string[],
  more: Partial<Draft>,
): Draft => {
  const acetone = setting.methods['rim-solvent'] === 'acetone';
  const parts = rimPartsOf(setting, target, replaced).map((part) => `${target}:${part}`);
  return plainStep('clean rim', [target, ...parts], handsS.cleanRim, {
    tools: toolsOf(setting.index, ['swabs', 'brush']),
    uses: [{ item: acetone ? 'acetone' : 'solvent', quantity: 5 }],
    ...more,
    cautions: [
      'solvent-away-from-heat',
      'solvent-ventilate',
      acetone ? 'acetone-metal-only' : 'rim-alcohol',
      ...(more.cautions ?? []),
    ],
  });
};
