import { flag, type JobState } from '../log/state';
import { isOn } from '../log/view';
import type { IndexedModel } from '../model/index-model';
import { bootConnectors } from '../model/system';

/**
 * The plugs that go on, in this order, to try a part beside the open device: its own and those without which the device
 * shows no picture; the cell's last. Those that are on are left out.
 */
export function plugsToTry(index: IndexedModel, state: JobState, slot: string): string[] {
  const own = index.model.connectors.filter((c) => c.joins.includes(slot)).map((c) => c.id);
  const boot = bootConnectors(index, flag(state, 'system')?.version);
  const cell = index.cellConnector;
  return [...new Set([...own, ...boot])]
    .filter((id) => id !== cell)
    .concat(cell ?? [])
    .filter((id) => !isOn(state, id));
}
/** What comes off again after a trial, the cell first. */
export function plugsAfterTrial(index: IndexedModel, state: JobState): string[] {
  const cell = index.cellConnector;
  const tried = flag(state, 'trial')?.connectors ?? [];
  return [...(cell ? [cell] : []), ...tried.filter((id) => id !== cell)].filter((id) => isOn(state, id));
}
