import type { Round } from '../job/events';
import { newPiece } from '../job/state';
import type { Drive, Face, Minutes } from '../model/schema';
import { releaseFor, type Setting } from './facts';
import { around, handsS, inSeconds, times } from './times';
import type { Caution, Phase, Step } from './types';
import type { Operation } from './way-out';

type Draft = Omit<Step, 'id' | 'phase'>;
export const gateStep = (action: Step['action'], targets: string[], face: Face, hands: Minutes, more: Partial<Draft> = {}): Draft => ({ action, targets, face, tools: [], handsS: hands, waitS: 0, why: [], cautions: [], ...more });

/** The cautions that belong to one way of moving a slot, from its kind, its traits and the device's condition. */
function moveCautions(s: Setting, slotId: string, pose: string): Caution[] {
  const slot = s.index.slots.get(slotId)!;
  const out: Caution[] = [];
  if (slot.kind === 'cell') out.push('cell-no-metal', 'cell-no-bend');
  if (slot.kind === 'cell' && s.conditions.includes('swollen')) out.push('swollen-container');
  if (slot.traits.includes('fragile') && slot.kind !== 'display') out.push('fragile');
  if (slot.traits.includes('laser')) out.push('laser');
  if (s.index.coverSlots.includes(slotId) && pose !== 'out') out.push('static');
  return out;
}
/** A screw that is longer than another hole of its bracket bears must be named: it would reach the board or the panel there. */
function longScrew(s: Setting, ids: string[]): Caution[] {
  const group = ids.flatMap((id) => s.index.model.fasteners.filter((f) => f.holds[0] === s.index.fasteners.get(id)!.holds[0]));
  return ids.some((id) => group.some((g) => g.maxLengthMm !== undefined && s.index.fasteners.get(id)!.lengthMm > g.maxLengthMm)) ? ['long-screw'] : [];
}

/** The steps of one operation on the way out. `why` is filled in by the planner, which knows the order. */
export function stepsOut(s: Setting, o: Operation): Draft[] {
  const { index } = s;
  const base = { about: o.slot, face: o.face, tools: [] as string[], waitS: 0, why: [] as string[], cautions: [] as Caution[] };
  switch (o.kind) {
    case 'fasteners':
      return [{ ...base, action: 'unscrew', targets: o.things, bit: o.tool as Drive, handsS: times(handsS.unscrew, o.things.length), cautions: longScrew(s, o.things) }];
    case 'catches': {
      const note = o.things.map((c) => index.catches.get(c)!.note).find(Boolean);
      return [{ ...base, action: 'unhook', targets: o.things, handsS: times(handsS.unhook, o.things.length), ...(note ? { note } : {}) }];
    }
    case 'connector': {
      const c = index.connectors.get(o.things[0]!)!;
      const cell = c.id === index.cellConnector;
      return [{ ...base, action: 'disconnect', targets: o.things, tools: ['spudger'], handsS: handsS.disconnect, cautions: cell ? ['live-board'] : c.press === 'ends' ? ['press-ends'] : [] }];
    }
    case 'bond': {
      const b = index.bonds.get(o.things[0]!)!;
      const r = releaseFor(s, b)!;
      const seal = b.kind === 'perimeter-seal';
      const swollen = s.conditions.includes('swollen');
      const edge: Caution[] = seal ? ['depth', ...(index.model.noGo.length ? ['no-go-edges' as const] : []), ...(swollen ? ['swollen-poke' as const] : [])] : [];
      const cell = b.holds.some((h) => index.slots.get(h)!.kind === 'cell');
      const work: Draft = { ...base, action: 'release', targets: o.things, tools: r.tools, handsS: around(r.handsS), cautions: [...edge, ...(r.by === 'pull' && cell ? ['strip-flat' as const] : []), ...(cell ? ['cell-no-metal' as const] : []), ...(cell && r.by !== 'pull' ? ['charge-low' as const] : [])], ...(r.note ? { note: r.note } : {}) };
      if (r.by === 'heat') {
        return [{ ...base, action: 'heat', targets: ['start', 'end'], handsS: handsS.heatStart, waitS: r.waitS, station: r.station ?? '', cautions: ['heat-window', 'heat-near-cell'], ...(r.maxDelayS ? { maxDelayS: r.maxDelayS } : {}) }, work];
      }
      if (r.by === 'solvent') return [{ ...base, action: 'solvent', targets: o.things, handsS: handsS.solvent, waitS: r.waitS, cautions: ['solvent-away-from-heat', 'solvent-ventilate'] }, work];
      return [work];
    }
    case 'move': {
      const w = o.way!;
      return [{ ...base, action: 'move', targets: [o.slot], pose: w.to, tools: w.tools, handsS: inSeconds(w.minutes), cautions: moveCautions(s, o.slot, w.to), ...(w.note ? { note: w.note } : {}) }];
    }
  }
}

/** The step of one operation on the way back; `replaced` are the slots that get another piece. */
export function stepBack(s: Setting, o: Operation, replaced: readonly string[], hasFolded: boolean): Draft {
  const { index } = s;
  const base = { about: o.slot, face: o.face, tools: [] as string[], waitS: 0, why: [] as string[], cautions: [] as Caution[] };
  switch (o.kind) {
    case 'fasteners':
      return { ...base, action: 'fasten', targets: o.things, bit: o.tool as Drive, handsS: times(handsS.fasten, o.things.length), cautions: longScrew(s, o.things) };
    case 'connector': {
      const c = index.connectors.get(o.things[0]!)!;
      return { ...base, action: 'connect', targets: o.things, handsS: handsS.connect, cautions: c.press === 'ends' ? ['press-ends'] : [] };
    }
    case 'bond': {
      const b = index.bonds.get(o.things[0]!)!;
      return { ...base, action: 'renew', targets: o.things, handsS: around(b.renewS), waitS: b.cureS, ...(b.renewNote ? { note: b.renewNote } : {}) };
    }
    case 'catches': throw new RangeError('catches go home with the piece they hold');
    case 'move': {
      const slot = index.slots.get(o.slot)!;
      const pose = o.way!.to === 'out' && hasFolded ? 'folded' : 'in';
      return {
        ...base, action: 'fit', targets: [o.slot], pose, handsS: inSeconds(slot.install?.minutes ?? { low: 0.3, likely: 0.5, high: 1 }),
        waitS: slot.install?.pressS ?? 0, cautions: slot.kind === 'cell' ? ['cell-no-bend'] : slot.traits.includes('fragile') ? ['fragile'] : [],
        ...(replaced.includes(o.slot) ? { piece: newPiece(o.slot) } : {}), ...(slot.install?.note ? { note: slot.install.note } : {}),
      };
    }
  }
}

/** A check round as a step: its own time is the number of checks times the time of one. */
export const checkStep = (round: Round, count: number): Draft => gateStep('check', [round], 'front', times(handsS.check, Math.max(1, count)), { round });

/** Steps that follow each other, do the same to the same piece and need the same are one. */
export function merge(steps: (Draft & { phase: Phase })[]): (Draft & { phase: Phase })[] {
  const out: (Draft & { phase: Phase })[] = [];
  for (const step of steps) {
    const last = out[out.length - 1];
    const mergeable = ['unscrew', 'fasten', 'release', 'renew', 'disconnect', 'connect', 'film off'].includes(step.action);
    const connectors = step.action === 'disconnect' || step.action === 'connect';
    const same = last && mergeable && last.phase === step.phase && last.action === step.action && last.bit === step.bit && last.face === step.face && (connectors ? !last.cautions.includes('live-board') && !step.cautions.includes('live-board') : last.about === step.about);
    // solvent dwells on one bond before that bond is worked on
    if (!same || (step.action === 'release' && step.note !== last.note)) { out.push(step); continue; }
    out[out.length - 1] = {
      ...last, targets: [...last.targets, ...step.targets], handsS: { low: last.handsS.low + step.handsS.low, likely: last.handsS.likely + step.handsS.likely, high: last.handsS.high + step.handsS.high },
      waitS: Math.max(last.waitS, step.waitS), why: [...new Set([...last.why, ...step.why])], cautions: [...new Set([...last.cautions, ...step.cautions])], tools: [...new Set([...last.tools, ...step.tools])],
    };
  }
  return out;
}
