import type { IndexedModel } from '../../core/model/index-model';
import { coveredBy } from '../../core/model/covers';
import type { Caution, Step } from '../../core/route/types';
import { list, plural, thingName } from './things';

/** One sentence in big type: what to do now. */
export function stepTitle(index: IndexedModel, step: Step): string {
  const n = step.targets.length;
  const name = (id: string) => thingName(index, id);
  const about = step.about ? name(step.about) : '';
  const outside = step.about !== undefined && index.coverSlots.includes(step.about);
  switch (step.action) {
    case 'unscrew': return outside ? `Take out ${plural(n, 'outside screw')}` : `Take out ${plural(n, 'screw')} from the ${about}`;
    case 'fasten': return outside ? `Put in ${plural(n, 'outside screw')}` : `Put ${plural(n, 'screw')} into the ${about}`;
    case 'disconnect': return step.targets[0] === index.cellConnector ? 'Unplug the cell' : `Unplug the ${list(step.targets.map((t) => index.connectors.get(t)!.name))} ${n > 1 ? 'connectors' : 'connector'}`;
    case 'connect': return step.targets[0] === index.cellConnector ? 'Plug the cell in' : `Plug in the ${list(step.targets.map((t) => index.connectors.get(t)!.name))} ${n > 1 ? 'connectors' : 'connector'}`;
    case 'unhook': return `Unhook the ${about}`;
    case 'heat': return `Warm the ${about} on the ${index.model.stations.find((s) => s.id === step.station)?.name ?? 'plate'}`;
    case 'solvent': return `Wet the ${list(step.targets.map(name))} with alcohol`;
    case 'release': {
      const kind = index.bonds.get(step.targets[0]!)?.kind;
      if (kind === 'perimeter-seal') return 'Cut the seal all round';
      if (kind === 'stretch-strip') return `Pull ${plural(n, 'strip')} from under the ${about}`;
      return `Free the ${list(step.targets.map(name))}`;
    }
    case 'move': return step.pose === 'folded' ? `Swing the ${about} open to the ${wayOf(index, step)?.towards ?? 'side'}` : `Lift the ${about} out`;
    case 'set aside': return `Put the old ${about} aside`;
    case 'film off': return `Peel ${plural(n, 'film')} off the new ${about}`;
    case 'renew': return index.bonds.get(step.targets[0]!)?.kind === 'stretch-strip' ? `Lay ${plural(n, 'new strip')} for the ${about}` : `Renew the ${list(step.targets.map(name))}`;
    case 'fit': return step.piece ? `Fit the new ${about}` : step.pose === 'folded' ? `Set the ${about} on its hinge side` : `Put the ${about} back`;
    case 'clean rim': return 'Clean the rim';
    case 'apply seal': return 'Lay the new seal';
    case 'liner off': return 'Take off the last liner';
    case 'close': return `Close the ${about}`;
    case 'check': return step.round === 'after' ? 'Check after closing' : step.short ? 'Short check once more' : 'Check before closing';
  }
}
const wayOf = (index: IndexedModel, step: Step) => index.slots.get(step.about ?? '')?.ways.find((w) => w.to === step.pose);

/** What the button says: the thing that will then be so. */
export function doneLabel(index: IndexedModel, step: Step, target: string): string {
  const about = step.about ? thingName(index, step.about) : '';
  switch (step.action) {
    case 'unscrew': return `${target} is out`;
    case 'fasten': return `${target} is in`;
    case 'disconnect': return `${index.connectors.get(target)!.name} is off`;
    case 'connect': return `${index.connectors.get(target)!.name} is on`;
    case 'unhook': return `${index.catches.get(target)!.name} is free`;
    case 'heat': return target === 'start' ? 'It is on the plate' : 'Taken off the plate';
    case 'solvent': return 'It is wet';
    case 'release': return step.targets.length > 1 ? `${thingName(index, target)} is out whole` : `${thingName(index, target)} is free`;
    case 'move': return step.pose === 'folded' ? `${about} is open` : `${about} is out`;
    case 'set aside': return `old ${about} is aside`;
    case 'film off': return 'film is off';
    case 'renew': return `${thingName(index, target)} is laid`;
    case 'fit': return `${about} is in`;
    case 'clean rim': return 'rim is clean';
    case 'apply seal': return 'seal is down';
    case 'liner off': return 'liner is off';
    case 'close': return `${about} is closed`;
    case 'check': return 'all checked';
  }
}

/** Why a step is there: what it makes possible, in one short phrase, with how the model knows. */
export function stepWhy(index: IndexedModel, step: Step): string {
  const subject = step.about ?? step.targets[0]!;
  const first = step.why.find((w) => w !== subject) ?? step.why[0];
  if (!first && step.action === 'disconnect') return 'must be off while the rim is cleaned and sealed';
  if (!first) return ['fit', 'fasten', 'connect', 'close', 'renew'].includes(step.action) ? 'goes back as it was' : '';
  if (step.action === 'unscrew') return `holds the ${thingName(index, step.about!)}`;
  if (step.action === 'disconnect') return step.targets.includes(index.cellConnector ?? '') ? 'no other connector may move while the cell is on' : `joins the ${thingName(index, step.why[0]!)} to the board`;
  if (step.action === 'release' || step.action === 'heat' || step.action === 'solvent' || step.action === 'unhook') return `holds the ${thingName(index, step.about!)}`;
  if (step.action === 'move') {
    const hidden = step.why.filter((w) => coveredBy(index, w).includes(step.targets[0]!));
    // what is named first is what leads to the task: the cell's connector, then the part itself
    const named = hidden.filter((h) => index.connectors.has(h)).concat(hidden.filter((h) => !index.connectors.has(h)));
    if (named.length) return `covers the ${list(named.map((h) => thingName(index, h)), 2)}`;
    return step.why.includes(step.targets[0]!) ? 'is to be replaced' : `stands before the ${thingName(index, first)}`;
  }
  return `for the ${thingName(index, first)}`;
}

export const cautionText: Record<Caution, string> = {
  'heat-window': 'The seal must soften while the cell stays cool. Feel the edge: open as soon as it gives, within minutes of leaving the plate.',
  'heat-near-cell': 'Never heat a swollen, pierced, wet or already hot cell. Stop if the panel lifts by itself.',
  'solvent-away-from-heat': 'Alcohol catches fire: heat source off, device off the plate and cooled first.',
  'solvent-ventilate': 'Ventilate, little alcohol, nothing near that sparks.',
  depth: 'Not deeper than the mark on the pick. Blade on the chassis, below the panel’s own frame.',
  'no-go-edges': 'Mind the hatched edges on the map: flexes and sensors lie there.',
  'swollen-poke': 'Swollen cell: poke round the edge, never sweep under. No metal.',
  'swollen-container': 'Old cell into the fire-safe container; recycle it by the local rules for damaged cells.',
  'cell-no-metal': 'Plastic only at the cell. Nothing sharp.',
  'cell-no-bend': 'Never bend the cell. Smoke: leave, ventilate, do not breathe it.',
  'strip-flat': 'Pull flat, under 30°, slowly and evenly, away from sharp edges.',
  'long-screw': 'One of these is longer than other holes of this bracket bear: it would reach the board there.',
  'live-board': 'Until it is off the board is live, even switched off. Plastic only, straight up.',
  'press-ends': 'One end first, then the other. Never the middle.',
  fragile: 'Touch the edges only.',
  'heat-sensitive': 'Keep heat away from it.',
  laser: 'Eye-safe only while whole: never look into an opened projector.',
  glass: 'Shards fly: glasses and gloves.',
  static: 'Wrist strap on before the board is exposed.',
  'charge-low': 'Charge below 25 % before prying.',
};
