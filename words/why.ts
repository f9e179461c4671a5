import { isChip } from '../core/model/chips';
import { farEnd } from './steps';
import type { Step } from '../core/steps/route';
import type { IndexedModel } from '../core/model/index-model';
import type { Act } from '../core/vocabulary/steps';
import { thingName, list } from './things';
import { coveredBy } from '../core/model/covers';
/** What puts a thing where it was; of a new one that is not said. */
const goesBack: ReadonlySet<string> = new Set(['fit', 'fasten', 'connect', 'close', 'renew']);
/** Each reads on after "because it". */
const actWhy: Partial<Record<Step['action'], string>> = {
  'switch off': 'keeps a slipping blade off a live board',
  look: 'shows damage from opening before a new part is blamed for it',
  outfit: 'takes the springs, clips, magnets, meshes and gaskets that are not on the map',
  prepare: 'gives the cup whole glass to hold',
  gap: 'lets the alcohol in once it has cooled',
  craze: 'is twice as thick: a blade would slip off it into the cameras',
  align: 'leaves out the coil and the flash',
  laser: 'loosens the glue without a blade near the cell',
  'break glass': 'comes off in pieces',
  brush: 'must be bare for the new glue',
  crumbs: 'would press into the battery for months',
  'mask on': 'bears no dust, heat or glue',
  'mask off': 'is checked and closed without its mask',
  part: 'holds again when it cools: each part is warmed for itself',
  'test part': 'shows a bad part before anything has been moved',
  compare: 'shows what must move over',
  inspect: 'was asked for',
  work: 'was asked for',
  rework: 'was asked for',
  'move chip': 'removes the notice',
  press: 'presses evenly, with a known force',
  cure: 'holds when it has set',
  'leak test': 'is what any word about water rests on',
  recharge: 'was kept low for prying, and the calibration wants more than 20 %',
  calibrate: 'makes the part known to the device',
  'read data': 'is lost once the old part is gone',
  'write data': 'brings the function back',
  'leave data': 'stays in the record',
};

/** Why a step is there: what it makes possible, in one short phrase, with how the model knows. */
export function stepWhy(index: IndexedModel, step: Step): string {
  const because = actWhy[step.action as Act];
  if (because) return because;
  const subject = step.about ?? step.targets[0]!;
  const first = step.why.find((w) => w !== subject) ?? step.why[0];
  if (!first && step.action === 'disconnect') return 'must be off while the rim is cleaned and sealed';
  if (!first) return goesBack.has(step.action) && !step.piece && !step.fresh ? 'goes back as it was' : '';
  if (step.action === 'unscrew') return `holds the ${thingName(index, step.about!)}`;
  if (step.action === 'disconnect') {
    if (!step.targets.includes(index.cellConnector ?? ''))
      return `joins the ${thingName(index, farEnd(index, step.targets[0]!))} to the board`;
    return step.why.some((w) => isChip(index, w))
      ? 'no hot air comes near a board that is live'
      : 'no other connector may move while the cell is on';
  }
  if (
    step.action === 'release' ||
    step.action === 'heat' ||
    step.action === 'solvent' ||
    step.action === 'unhook'
  )
    return `holds the ${thingName(index, step.about!)}`;
  if (step.action === 'move') {
    const hidden = step.why.filter((w) => coveredBy(index, w).includes(step.targets[0]!));
    // what is named first is what leads to the task: the cell's connector, then the part itself
    const named = hidden
      .filter((h) => index.connectors.has(h))
      .concat(hidden.filter((h) => !index.connectors.has(h)));
    if (named.length)
      return `covers the ${list(
        named.map((h) => thingName(index, h)),
        2,
      )}`;
    return step.why.includes(step.targets[0]!)
      ? 'is to be replaced'
      : `stands before the ${thingName(index, first)}`;
  }
  return `for the ${thingName(index, first)}`;
}
