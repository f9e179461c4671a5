import {
  type Assembly,
  isCutByBlade,
  isDone,
  add,
  needsSwitchingOff,
  isStuckOn,
  switchOff,
  opens,
  setAside,
  addTrial,
  isLive,
} from './assembly';
import { plainStep, type Draft } from './draft';
import { handsS } from './times';
import { trialEnd, cellIsIn } from './trial';
import { dataSteps } from './identity-steps';
import { type Operation, precedencesOut } from './way-out';
import type { Phase } from '../vocabulary/steps';
import { whys } from './why';
import { badCell } from '../vocabulary/conditions';
import { stepsOut } from './steps-out';
import type { Setting } from './setting';
/** What is done before anything is loosed: glass taped, a hole in the back covered, the power off. */
export function prepare(a: Assembly): void {
  const { conditions, methods } = a.s;
  const [cut] = a.cutting;
  if (cut && conditions.includes('shattered') && !isCutByBlade(a) && !isDone(a, `prepare ${cut.slot}`)) {
    const glass = methods['shattered-glass'] === 'glass';
    add(
      a,
      'Open',
      plainStep('prepare', [cut.slot], handsS.prepare, {
        about: cut.slot,
        tools: ['glasses'],
        cautions: ['glass'],
        uses: [{ item: glass ? 'cup-glass' : 'clear-tape', quantity: glass ? 1 : 3 }],
      }),
    );
  }
  if (a.firstCover && conditions.includes('back glass missing') && !isDone(a, 'prepare back'))
    add(
      a,
      'Open',
      plainStep('prepare', ['back'], handsS.prepare, {
        face: 'back',
        cautions: ['open-back'],
        uses: [{ item: 'clear-tape', quantity: 2 }],
      }),
    );
  if (needsSwitchingOff(a) && !isStuckOn(a) && methods.power === 'off')
    add(a, 'Open', switchOff(['off-before-opening']));
}

/** A part that was being tried when the route was planned: to its end, before anything else. */
export function endTrial(a: Assembly): void {
  const { s } = a;
  if (!s.standing.trial) return;
  // with the cell on all of it is on: it is tested; else it begins anew when it is its turn
  const { slot, connectors } = s.standing.trial;
  if (!isDone(a, `test part ${slot}`) && connectors.includes(s.index.cellConnector ?? '')) {
    add(a, 'Swap', plainStep('test part', [slot], handsS.testPart, { about: slot, connectors }));
    a.tried.add(slot);
  }
  // only what is still on: a step for what is off already would be asked for when it is on for good
  add(a, 'Swap', ...trialEnd(s, slot, connectors));
}

/** The way out: opened up to the first cover, then stripped down to the parts. */
export function takeApart(a: Assembly): void {
  const { s, way, work } = a;
  const opened = way.findIndex((o) => opens(s, o));
  loosen(a, way, (o) => (way.indexOf(o) <= opened ? 'Open' : 'Strip'));
  // an old part that was out before this route was planned may still have its data unread
  for (const slot of work.replaced)
    if (!way.some((o) => takesOut(o, slot)) && !s.standing.aside.includes(slot))
      add(a, 'Swap', ...dataSteps(s, slot));
}
const takesOut = (o: Operation, slot: string): boolean =>
  o.kind === 'move' && o.slot === slot && o.way!.to === 'out';

/** Operations that loose things, each with what has to happen right before and after it. */
export function loosen(a: Assembly, list: readonly Operation[], phase: (o: Operation) => Phase): void {
  const { s, work, c } = a;
  const reasons = whys(s.index, c.out, precedencesOut(s, c.out, undefined), work.replaced);
  for (const [i, o] of list.entries()) {
    const before = list.slice(0, i);
    // what a chip knows is saved before it is warmed
    const chip = o.kind === 'bond' && s.index.slots.get(o.slot)!.kind === 'chip';
    if (chip && s.standing.data[o.slot] === undefined && s.index.model.pairing.some((p) => p.slot === o.slot))
      add(a, 'Swap', plainStep('read data', [o.slot], handsS.data, { about: o.slot, station: 'programmer' }));
    add(a, phase(o), ...loosened(a, o, before, reasons.get(o.id) ?? []));
    // out of the device, a bad cell goes straight into its container
    if (o.slot === s.index.cellSlot && takesOut(o, o.slot) && badCell(s.conditions)) setAside(a, o.slot);
    if (o === a.firstCover && needsSwitchingOff(a) && s.methods.power === 'on') {
      add(a, 'Open', plainStep('look', ['device'], handsS.look));
      if (!isStuckOn(a)) add(a, 'Open', switchOff([]));
    }
    if (takesOut(o, o.slot) && work.replaced.includes(o.slot)) {
      // out of the bag, as soon as the old one is off its plugs and before anything else is moved
      addTrial(a, o.slot, before);
      // data are read as soon as the part is loose: before anything warms it, and before it is put aside
      add(a, 'Swap', ...dataSteps(s, o.slot));
    }
  }
}
/** The steps of one operation, with what this device's state adds to them. */
function loosened(a: Assembly, o: Operation, before: readonly Operation[], why: string[]): Draft[] {
  const drafts = stepsOut({ ...a.s, openWithCell: isOpenWithCell(a.s, before) }, o).map((d) => ({
    ...d,
    why,
  }));
  if (isCutByBlade(a) && a.cutting.includes(o))
    for (const d of drafts)
      if (d.action === 'release') {
        d.tools = [...d.tools, 'blade'];
        d.cautions = [...d.cautions, 'blade-at-rim'];
      }
  if (isStuckOn(a) && isLive(a) && (o === a.way[0] || o === a.firstCover))
    drafts[0]!.cautions = [...drafts[0]!.cautions, 'treat-live'];
  return drafts;
}
/** Whether the device stands open with its cell in when the route has come so far. */
const isOpenWithCell = (s: Setting, before: readonly Operation[]): boolean =>
  cellIsIn(s, before) &&
  (s.standing.openCover !== undefined ||
    s.standing.moved.some((m) => s.index.coverSlots.includes(m.slot)) ||
    before.some((o) => opens(s, o)));
