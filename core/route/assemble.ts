import type { Setting } from './setting';
import type { Work } from './tasks';
import type { Candidate } from './joint';
import type { Step } from '../steps/route';
import { beginAssembly } from './assembly';
import { prepare, endTrial, takeApart } from './assemble-out';
import { swap } from './assemble-swap';
import { putTogether } from './assemble-back';
import { merge, wetOnce } from './merge-steps';
import { withMasks } from './masks';
import { withRests } from './rests';
/** The steps of a planned job: the operations in their order, and between them what the gates, conditions and methods ask for. */
export function assemble(setting: Setting, work: Work, candidate: Candidate): Step[] {
  const assembly = beginAssembly(setting, work, candidate);
  prepare(assembly);
  endTrial(assembly);
  takeApart(assembly);
  swap(assembly);
  putTogether(assembly);
  // new screws come as one set
  const screwed = assembly.steps.find((d) => d.action === 'fasten');
  if (screwed && setting.methods.screws === 'new') screwed.uses = [{ item: 'screw-kit', quantity: 1 }];
  const masked = withMasks(setting, assembly.steps);
  const steps = merge(wetOnce(masked, setting.index.cellSlot), setting.index.cellConnector);
  return withRests(steps).map((d, i): Step => ({ id: `s${i + 1}`, ...d }));
}
