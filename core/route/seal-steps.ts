import type { Setting } from './setting';
import { noHeat } from '../vocabulary/conditions';
import { type Draft, plainStep, toolsOf } from './draft';
import { handsS } from './times';
/** Whether seals are pressed by a press here: not on a device that is bent or has no plate, and never over a bad cell. */
export const pressed = (setting: Setting): boolean =>
  setting.methods['seal-press'] === 'press' &&
  setting.stations.includes('seal-press') &&
  !setting.noPlate &&
  !setting.conditions.some((x) => x === 'bent' || noHeat.includes(x));
/** Seconds under the press: common practice, 75 kgf for 30 s on the frame and again after closing. */
export const pressS = 30;
/** Old glue off a rim, before a seal is laid on it. */
export const rimStep = (setting: Setting, target: string, more: Partial<Draft>): Draft => {
  const acetone = setting.methods['rim-solvent'] === 'acetone';
  return plainStep('clean rim', [target], handsS.cleanRim, {
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
