import type { IndexedModel } from '../core/model/index-model';
import { isSeal } from '../core/model/seals';
import type { Step } from '../core/steps/route';
import type { Task } from '../core/log/events';
import type { RimPart } from '../core/vocabulary/steps';
import { actDone } from './acts';
import { list, plural, stationName, thingName, thingOf } from './things';

export const taskName: Record<Task['action'], string> = {
  replace: 'replace',
  move: 'take out and refit',
  inspect: 'look at',
  rework: 'rework',
  reach: 'reach',
  reseat: 'press home the plugs of',
};

/** A bracket that swings open and stays where it is. */
const isHinged = (index: IndexedModel, slot: string) => {
  const s = index.slots.get(slot);
  return s?.kind === 'bracket' && s.ways.some((w) => w.to === 'folded');
};
/** What a step's title is made with. */
interface Titled {
  index: IndexedModel;
  step: Step;
  /** How many targets it has. */
  n: number;
  name: (id: string) => string;
  /** What it is about, by name. */
  about: string;
  /** It is about what covers the device. */
  outside: boolean;
}
const titles: Record<Step['action'], (s: Titled) => string> = {
  unscrew: ({ outside, n, index, step, about }) =>
    outside
      ? `Take out ${plural(n, 'outside screw')}`
      : `Take out ${plural(n, screwWord(index, step))} from the ${about}`,
  fasten: ({ outside, n, index, step, about }) =>
    outside
      ? `Put in ${plural(n, 'outside screw')}`
      : `Put ${plural(n, screwWord(index, step))} into the ${about}`,
  disconnect: ({ step, index, about, n }) => {
    if (step.trial)
      return step.targets[0] === index.cellConnector
        ? 'Unplug the cell again'
        : `Unplug the new ${about} again`;
    return step.targets[0] === index.cellConnector
      ? 'Unplug the cell'
      : `Unplug the ${list(step.targets.map((t) => index.connectors.get(t)!.name))} ${n > 1 ? 'connectors' : 'connector'}`;
  },
  connect: ({ step, index, about, n }) => {
    if (step.trial)
      return step.targets[0] === index.cellConnector
        ? 'Plug the cell in for the test'
        : `Plug the new ${about} in to try it: ${list(step.targets.map((t) => index.connectors.get(t)!.name))}`;
    return step.targets[0] === index.cellConnector
      ? 'Plug the cell in'
      : `Plug in the ${list(step.targets.map((t) => index.connectors.get(t)!.name))} ${n > 1 ? 'connectors' : 'connector'}`;
  },
  unhook: ({ about }) => `Unhook the ${about}`,
  heat: ({ about, step, index }) =>
    `Warm the ${about} ${withIt.has(step.station ?? '') ? 'with' : 'on'} the ${stationName(index, step.station ?? 'hot-plate')}`,
  solvent: ({ step, index, about, name }) =>
    step.about === index.cellSlot
      ? `Wet along the edge of the ${about} with alcohol`
      : `Wet the ${list(step.targets.map(name))} with alcohol`,
  release: ({ index, step, name, n, about }) => {
    {
      const kind = index.bonds.get(step.targets[0]!)?.kind;
      if (isSeal(index, index.bonds.get(step.targets[0]!)!))
        return kind === 'perimeter-seal'
          ? 'Cut the seal all round'
          : `Cut the ${name(step.targets[0]!)} all round`;
      if (kind === 'stretch-strip')
        return step.cautions.includes('strip-flat')
          ? `Pull ${plural(n, 'strip')} from under the ${about}`
          : `Free the ${about} from ${plural(n, 'strip')}`;
      return `Free the ${list(step.targets.map(name))}`;
    }
  },
  move: ({ step, about, index }) =>
    step.pose === 'shifted'
      ? `Shift the ${about}${shiftText(index, step)}`
      : step.pose === 'folded'
        ? `Swing the ${about} open to the ${wayOf(index, step)?.towards ?? 'side'}`
        : `Lift the ${about} out`,
  'set aside': ({ about }) => `Put the old ${about} aside`,
  reseat: ({ step, index, n }) =>
    `Lift and press home the ${list(step.targets.map((t) => index.connectors.get(t)!.name))} ${n > 1 ? 'plugs' : 'plug'}`,
  'bag screws': () => 'The old screws go into the owner’s bag',
  'film off': ({ n, about }) => `Peel ${plural(n, 'film')} off the new ${about}`,
  renew: ({ step, about, index, n, name }) => {
    if (step.cautions.includes('seal-came-fitted'))
      return `Look along the seal that came on the new ${about}`;
    return index.bonds.get(step.targets[0]!)?.kind === 'stretch-strip'
      ? `Lay ${plural(n, 'new strip')} for the ${about}`
      : `Renew the ${list(step.targets.map(name))}`;
  },
  fit: ({ outside, step, index, about }) => {
    if (outside && step.pose === 'in' && index.slots.get(step.about!)!.ways.some((w) => w.to === 'folded'))
      return `Fold the ${about} shut`;
    if (isHinged(index, step.about!) && step.pose === 'in' && !step.piece) return `Swing the ${about} shut`;
    return step.piece
      ? `Fit the new ${about}`
      : step.pose === 'folded'
        ? `Set the ${about} on its hinge side`
        : `Put the ${about} back`;
  },
  'clean rim': ({ step, name }) =>
    step.targets[0] === 'rim' ? 'Clean the rim' : `Clean the rim under the ${name(step.targets[0]!)}`,
  'apply seal': ({ step, about }) =>
    step.cautions.includes('seal-came-fitted')
      ? `Look along the seal that came on the new ${about}`
      : 'Lay the new seal',
  'liner off': () => 'Take off the last liner',
  close: ({ about }) => `Close the ${about}`,
  'read data': ({ about }) => `Read and save the data of the old ${about}`,
  'write data': ({ about }) => `Write the data to the new ${about} and compare`,
  'leave data': ({ about }) => `Record that the notice of the ${about} is accepted`,
  'switch off': () => 'Switch it off',
  look: () => 'Look at picture and touch before it is off',
  outfit: ({ about }) => `Fit out the new ${about}`,
  recharge: () => 'Charge it above 20 % for the calibration',
  prepare: ({ step, about }) =>
    step.about ? `Cover the broken glass of the ${about}` : 'Tape over the missing glass of the back',
  gap: () => 'Make one small gap',
  part: ({ index, step, about }) =>
    `${index.bonds.get(thingOf(step.targets[0]!))?.kind === 'glue' ? 'Chisel' : 'Cut'} part ${step.targets[0]!.split(':')[1]} of the ${about} while it is soft`,
  craze: () => 'Craze the thick glass round the cameras with the punch',
  align: ({ about }) => `Set the laser’s lines to the ${about}`,
  laser: ({ step }) =>
    step.targets[0]!.split(':')[1] === '1'
      ? 'Laser, first pass: the glass'
      : 'Laser, second pass: what is left of the glue',
  'break glass': ({ about }) => `Break the ${about} and lift it piece by piece`,
  brush: ({ about }) => `Brush the frame under the ${about} clean`,
  crumbs: () => 'Look for crumbs of glass: every one comes out',
  'mask on': ({ step, name }) => `Mask ${list(step.targets.map((t) => `the ${name(t)}`))}`,
  'mask off': ({ step, name }) => `Masks off ${list(step.targets.map((t) => `the ${name(t)}`))}`,
  'test part': ({ about }) => `Try the new ${about} on its plugs`,
  compare: ({ about }) => `Lay old and new ${about} side by side`,
  inspect: ({ about }) => `Look at the ${about}`,
  work: ({ about }) => `The ${about} is in reach`,
  rework: ({ about }) => `Rework the ${about} under the microscope`,
  'move chip': ({ about }) => `Move the identity chip to the new ${about}`,
  press: ({ step, name }) =>
    step.targets[0] === 'closed:start'
      ? 'Press the closed device'
      : step.about
        ? `Press the ${name(thingOf(step.targets[0]!))}`
        : 'Press the seal on the frame',
  cure: ({ name, step }) => `Let the ${name(thingOf(step.targets[0]!))} set`,
  'leak test': () => 'Leak test',
  calibrate: () => 'Run the maker’s calibration',
  check: ({ step }) =>
    step.round === 'after'
      ? 'Check after closing'
      : step.short
        ? 'Short check once more'
        : 'Check before closing',
};
/** One sentence in big type: what to do now. */
export function stepTitle(index: IndexedModel, step: Step): string {
  const name = (id: string) => thingName(index, id);
  return titles[step.action]({
    index,
    step,
    n: step.targets.length,
    name,
    about: step.about ? name(step.about) : '',
    outside: step.about !== undefined && index.coverSlots.includes(step.about),
  });
}

/** The piece at the end of a plug that is not the board. */
export const farEnd = (index: IndexedModel, connector: string) => {
  const ends = index.connectors.get(connector)!.joins;
  return ends.find((j) => index.slots.get(j)?.kind !== 'board') ?? ends[0];
};
const screwWord = (index: IndexedModel, step: Step) =>
  step.targets.every((t) => index.fasteners.get(t)?.kind === 'standoff') ? 'standoff' : 'screw';
const shiftText = (index: IndexedModel, step: Step) => {
  const way = wayOf(index, step);
  return way?.shiftMm ? ` ${way.shiftMm} mm${way.towards ? ` to the ${way.towards}` : ''}` : '';
};
const wayOf = (index: IndexedModel, step: Step) =>
  index.slots.get(step.about ?? '')?.ways.find((w) => w.to === step.pose);

/** What the button says: the thing that will then be so. */
export function doneLabel(index: IndexedModel, step: Step, target: string): string {
  const about = step.about ? thingName(index, step.about) : '';
  switch (step.action) {
    case 'unscrew':
      return `${target} is out`;
    case 'fasten':
      return `${target} is in`;
    case 'disconnect':
      return `${index.connectors.get(target)!.name} is off`;
    case 'connect':
      return `${index.connectors.get(target)!.name} is on`;
    case 'unhook':
      return `${index.catches.get(target)!.name} is free`;
    case 'heat':
      return heatDone(step.station ?? 'hot-plate', target);
    case 'solvent':
      return 'It is wet';
    case 'release':
      return step.targets.length > 1
        ? `${thingName(index, target)} is out whole`
        : `${thingName(index, target)} is free`;
    case 'move':
      return step.pose === 'shifted'
        ? `${about} is shifted`
        : step.pose === 'folded'
          ? `${about} is open`
          : `${about} is out`;
    case 'set aside':
      return `old ${about} is aside`;
    case 'reseat':
      return `${index.connectors.get(target)!.name} is home`;
    case 'bag screws':
      return 'they are counted and bagged';
    case 'mask on':
      return 'it is masked';
    case 'mask off':
      return 'the mask is off';
    case 'film off':
      return 'film is off';
    case 'renew':
      return `${thingName(index, target)} is laid`;
    case 'fit':
      return `${about} is ${isHinged(index, step.about ?? '') ? 'shut' : 'in'}`;
    case 'clean rim':
      return rimDone[partOfRim(target)];
    case 'apply seal':
      return 'seal is down';
    case 'liner off':
      return 'liner is off';
    case 'close':
      return `${about} is closed`;
    case 'read data':
      return 'data are saved';
    case 'write data':
      return 'written, read back, equal';
    case 'leave data':
      return 'recorded';
    case 'check':
      return 'all checked';
    default:
      return actDone(step.action, target);
  }
}

/** Sources that come to the device; it lies on the others. */
const withIt: ReadonlySet<string> = new Set(['dryer', 'hot-air', 'heat-pouch']);
/** What the button says of a source of heat: what is done at a plate is not what is done with a dryer. */
function heatDone(station: string, target: string): string {
  const [on, off] = (
    {
      'hot-plate': ['It is on the plate', 'Taken off the plate'],
      'heat-mat': ['It is on the mat', 'Taken off the mat'],
      'opening-press': ['It is in the press', 'Out of the press'],
      dryer: ['The dryer is on it', 'The dryer is off'],
      'hot-air': ['The hot air is on it', 'The hot air is off'],
      'heat-pouch': ['The pouch is on its edge', 'The pouch is off'],
    } as Record<string, [string, string]>
  )[station] ?? ['It is being warmed', 'The heat is off'];
  return target === 'start' ? on : off;
}
/** How a piece goes in, and how tight its screws: what the model knows beside its note. */
export function howText(index: IndexedModel, step: Step): string {
  const out: string[] = [];
  if (step.cautions.includes('depth'))
    out.push(`At most ${index.model.pickDepthMm} mm deep, less at the hatched stretches.`);
  if (step.connectors?.length)
    out.push(
      `For a picture these must be on: ${list(
        step.connectors.map((c) => index.connectors.get(c)!.name),
        6,
      )}.`,
    );
  if (step.lipFirst && step.angleDeg && !step.note?.includes('ip '))
    out.push(`Lip at the ${step.lipFirst} first, at about ${step.angleDeg}°, then flat.`);
  if (step.action === 'connect' || step.action === 'reseat') out.push('It clicks when it is home.');
  if (step.action === 'close') {
    const side = index.slots.get(step.about ?? '')?.ways.find((w) => w.to === 'folded')?.towards;
    if (side) out.push(`It opened to the ${side}: begin there.`);
  }
  if (step.flexRuns) out.push(`Its flex runs ${step.flexRuns}.`);
  if (step.torqueNcM) out.push(`${step.torqueNcM} N·cm.`);
  return out.join(' ');
}

const doneWords: Partial<Record<Step['action'], string>> = {
  release: 'is free',
  unhook: 'is free',
  disconnect: 'is off',
  connect: 'is on',
  renew: 'is laid',
  'film off': 'is off',
  'mask on': 'is masked',
  'mask off': 'is bare again',
};
/** What the key beside one thing of a step says when it is pressed; never that it is done already. */
export const doneWord = (action: Step['action'], target = ''): string =>
  action === 'clean rim' ? rimSeen[partOfRim(target)].is : (doneWords[action] ?? 'it is so');
/** One thing of a step in a list of them. */
export const targetName = (index: IndexedModel, step: Step, target: string): string =>
  step.action === 'clean rim'
    ? rimSeen[partOfRim(target)].name
    : thingName(index, target.split('/')[0]!.split('#')[0]!);
const partOfRim = (target: string) => (target.split(':')[1] as RimPart | undefined) ?? 'frame';
const rimSeen: Record<RimPart | 'frame', { name: string; is: string }> = {
  frame: { name: 'rim of the frame', is: 'is clean' },
  other: { name: 'rim of the cover', is: 'is clean' },
  mesh: { name: 'ear mesh', is: 'in its seat' },
  dry: { name: 'rims and inside', is: 'are dry' },
};
const rimDone: Record<RimPart | 'frame', string> = {
  frame: 'rim of the frame is clean',
  other: 'rim of the cover is clean, too',
  mesh: 'ear mesh is in its seat',
  dry: 'all is dry',
};
