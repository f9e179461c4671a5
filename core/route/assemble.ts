import type { Setting } from './setting';
import type { Work } from './tasks';
import type { Candidate } from './joint';
import type { Step } from '../steps/route';
import { beginAssembly } from './assembly';
import { prepare, endTrial, takeApart } from './assemble-out';
import { swap } from './assemble-swap';
import { putTogether } from './assemble-back';
import { merge, wetOnce } from './merge-steps';
/** The steps of a planned job: the operations in their order, and between them what the gates, conditions and methods ask for. */
export function assemble(s: Setting, work: Work, c: Candidate): Step[] {
  const a = beginAssembly(s, work, c);
  prepare(a);
  endTrial(a);
  takeApart(a);
  swap(a);
  putTogether(a);
  // new screws come as one set
  const screwed = a.steps.find((d) => d.action === 'fasten');
  if (screwed && s.methods.screws === 'new') screwed.uses = [{ item: 'screw-kit', quantity: 1 }];
  return merge(wetOnce(a.steps, s.index.cellSlot), s.index.cellConnector).map(
    (d, i): Step => ({ id: `s${i + 1}`, ...d }),
  );
}
