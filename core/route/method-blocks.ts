import type { IndexedModel } from '../model/index-model';
import { badCell, noHeat } from '../vocabulary/conditions';
import { heatStations } from '../methods/catalogue';
import type { MethodId } from '../methods/methods';
import type { RouteInput } from '../steps/route';

/** Why an option of a house method is not followed on this device or in this workshop. */
export type MethodBlock = { code: 'condition'; ids: string[] } | { code: 'station'; station: string };

const needsHeat: Partial<Record<MethodId, readonly string[]>> = {
  softening: ['heat', 'heat-solvent'],
  'heat-source': Object.keys(heatStations),
  'bonded-back': ['laser', 'chisel'],
  'seal-press': ['press'],
  'part-test': ['bag'],
};
const needsStation: Partial<Record<MethodId, Readonly<Record<string, string>>>> = {
  'heat-source': heatStations,
  'bonded-back': { laser: 'glass-laser' },
  'seal-press': { press: 'seal-press' },
  'leak-test': { always: 'leak-tester' },
  'display-data': { copy: 'programmer', chip: 'microscope' },
  'fixing-glue': { uv: 'uv-lamp' },
};

/** What stands against one option here; undefined where nothing does. */
export function methodBlock(
  input: Pick<RouteInput, 'conditions' | 'stations'>,
  row: MethodId,
  option: string,
): MethodBlock | undefined {
  const hot = input.conditions.filter((c) => noHeat.includes(c));
  if (hot.length && needsHeat[row]?.includes(option)) return { code: 'condition', ids: hot };
  // a bad cell is not pulled at; a bent device fits no press
  if (row === 'cell-removal' && option === 'pull' && badCell(input.conditions))
    return { code: 'condition', ids: input.conditions.filter((c) => badCell([c])) };
  if (row === 'seal-press' && option === 'press' && input.conditions.includes('bent'))
    return { code: 'condition', ids: ['bent'] };
  const station = needsStation[row]?.[option];
  return station && !input.stations.includes(station) ? { code: 'station', station } : undefined;
}

/** Whether a question can matter on this model at all: how a bonded back comes off is not asked where none is glued on. */
export const concerns = ({ model, slots }: IndexedModel, row: MethodId): boolean =>
  row !== 'bonded-back' ||
  model.bonds.some((b) => b.kind === 'glue' && b.holds.some((h) => slots.get(h)?.kind === 'back'));
