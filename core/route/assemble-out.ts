import {
  type Assembly,
  isCutByBlade,
  isDone,
  add,
  needsSwitchingOff,
  isStuckOn,
  switchOff,
  opens,
  standsOpen,
  setAside,
  addTrial,
  isLive,
} from './assembly';
import { plainStep, type Draft } from './draft';
import { handsS } from './times';
import { trialEnd, cellIsIn } from './trial';
import { dataToSave } from '../pairing/effects';
import { dataSteps } from './identity-steps';
import { type Operation, precedencesOut } from './way-out';
import type { Phase } from '../vocabulary/steps';
import { isChip } from '../model/chips';
import { whys } from './why';
import { badCell } from '../vocabulary/conditions';
import { stepsOut } from './steps-out';
import type { Setting } from './setting';
/** What is done before anything is loosed: glass taped, a hole in the back covered, the power off. */
export function prepare(assembly: Assembly): void {
  const { conditions, methods } = assembly.setting;
  const [cut] = assembly.cutting;
  if (
    cut &&
    conditions.includes('shattered') &&
    !isCutByBlade(assembly) &&
    !isDone(assembly, `prepare ${cut.slot}`)
  ) {
    const glass = methods['shattered-glass'] === 'glass';
    add(
      assembly,
      'Open',
      plainStep('prepare', [cut.slot], handsS.prepare, {
        about: cut.slot,
        tools: ['glasses'],
        cautions: ['glass'],
        uses: [{ item: glass ? 'cup-glass' : 'clear-tape', quantity: glass ? 1 : 3 }],
      }),
    );
  }
  if (assembly.firstCover && conditions.includes('back glass missing') && !isDone(assembly, 'prepare back'))
    add(
      assembly,
      'Open',
      plainStep('prepare', ['back'], handsS.prepare, {
        face: 'back',
        cautions: ['open-back'],
        uses: [{ item: 'clear-tape', quantity: 2 }],
      }),
    );
  if (!needsSwitchingOff(assembly) || isStuckOn(assembly)) return;
  if (methods.power === 'off' || !assembly.firstCover)
    add(assembly, 'Open', switchOff(assembly.firstCover ? ['off-before-opening'] : []));
}

/** A part that was being tried when the route was planned: to its end, before anything else. */
export function endTrial(assembly: Assembly): void {
  const { setting } = assembly;
  if (!setting.standing.trial) return;
  // with the cell on all of it is on: it is tested; else it begins anew when it is its turn
  const { slot, connectors } = setting.standing.trial;
  if (!isDone(assembly, `test part ${slot}`) && connectors.includes(setting.index.cellConnector ?? '')) {
    add(assembly, 'Swap', plainStep('test part', [slot], handsS.testPart, { about: slot, connectors }));
    assembly.tried.add(slot);
  }
  // only what is still on: a step for what is off already would be asked for when it is on for good
  add(assembly, 'Swap', ...trialEnd(setting, slot, connectors));
}

/** The way out: opened up to the first cover, then stripped down to the parts. */
export function takeApart(assembly: Assembly): void {
  const { setting, way, work } = assembly;
  const opened = assembly.firstCover ? way.indexOf(assembly.firstCover) : -1;
  loosen(assembly, way, (o) => (way.indexOf(o) <= opened ? 'Open' : 'Strip'));
  // an old part that was out before this route was planned may still have its data unread
  for (const slot of work.replaced)
    if (!way.some((o) => takesOut(o, slot)) && !setting.standing.aside.includes(slot))
      add(assembly, 'Swap', ...dataSteps(setting, slot));
}
const takesOut = (operation: Operation, slot: string): boolean =>
  operation.kind === 'move' && operation.slot === slot && operation.way!.to === 'out';

/** Operations that loose things, each with what has to happen right before and after it. */
export function loosen(assembly: Assembly, list: readonly Operation[], phase: (o: Operation) => Phase): void {
  const { setting, work, candidate } = assembly;
  const reasons = whys(
    setting.index,
    candidate.out,
    precedencesOut(setting, candidate.out, undefined),
    work.replaced,
  );
  for (const [i, o] of list.entries()) {
    const before = list.slice(0, i);
    // what a chip knows is saved before it is warmed
    const chip = o.kind === 'bond' && isChip(setting.index, o.slot);
    if (chip && setting.standing.data[o.slot] === undefined && dataToSave(setting.index, o.slot, []))
      add(
        assembly,
        'Swap',
        plainStep('read data', [o.slot], handsS.data, { about: o.slot, station: 'programmer' }),
      );
    add(assembly, phase(o), ...loosened(assembly, o, before, reasons.get(o.id) ?? []));
    // out of the device, a bad cell goes straight into its container
    if (o.slot === setting.index.cellSlot && takesOut(o, o.slot) && badCell(setting.conditions))
      setAside(assembly, o.slot);
    if (o === assembly.firstCover && needsSwitchingOff(assembly) && setting.methods.power === 'on') {
      add(assembly, 'Open', plainStep('look', ['device'], handsS.look));
      if (!isStuckOn(assembly)) add(assembly, 'Open', switchOff([]));
    }
    if (takesOut(o, o.slot) && work.replaced.includes(o.slot)) {
      // out of the bag, as soon as the old one is off its plugs and before anything else is moved
      addTrial(assembly, o.slot, before);
      // data are read as soon as the part is loose: before anything warms it, and before it is put aside
      add(assembly, 'Swap', ...dataSteps(setting, o.slot));
    }
  }
}
/** The steps of one operation, with what this device's state adds to them. */
function loosened(
  assembly: Assembly,
  operation: Operation,
  before: readonly Operation[],
  why: string[],
): Draft[] {
  const drafts = stepsOut(
    { ...assembly.setting, openWithCell: isOpenWithCell(assembly.setting, before) },
    operation,
  ).map((draft) => ({
    ...draft,
    why,
  }));
  if (isCutByBlade(assembly) && assembly.cutting.includes(operation))
    for (const d of drafts)
      if (d.action === 'release') {
        d.tools = [...d.tools, 'blade'];
        d.cautions = [...d.cautions, 'blade-at-rim'];
      }
  if (
    isStuckOn(assembly) &&
    isLive(assembly) &&
    (operation === assembly.way[0] || operation === assembly.firstCover)
  )
    drafts[0]!.cautions = [...drafts[0]!.cautions, 'treat-live'];
  return drafts;
}
/** Whether the device stands open with its cell in when the route has come so far. */
const isOpenWithCell = (setting: Setting, before: readonly Operation[]): boolean =>
  cellIsIn(setting, before) && (standsOpen(setting) || before.some((o) => opens(setting, o)));
