import { describe, expect, test } from 'vitest';
import { checksDue } from '../checks/due';
import type { Body, BodyOf } from '../log/events';
import type { ReworkStepId } from '../rework/work-plan';
import { flag, type Flags, type JobState, type ReworkEntry, type Tables } from '../log/state';
import type { IndexedModel } from '../model/index-model';
import { methodsOf } from '../methods/methods';
import { calliperMm, safeLengthMm } from '../screws/safe-length';
import { Bench } from '../testing/bench';
import { atlas, dune2, dune3, indexed, mica9, route } from '../testing/demo-models';
import { noHeat } from '../vocabulary/conditions';
import type { Role } from '../vocabulary/roles';
import { findings, type RuleName, rules } from './interlocks';
import { leastWaits, type Severity, type Situation } from './interlock';

/*
 * Every interlock by itself: what breaks it, what keeps it, how severe it is and who may pass it. The states are written
 * down here and come from no rule; who may pass is common practice in workshops with a lead, from memory.
 */

const index = indexed(mica9);
const all: readonly Role[] = ['owner', 'lead', 'technician', 'trainee'];
const skilled = all;
const trained: readonly Role[] = ['owner', 'lead', 'technician'];
const heads: readonly Role[] = ['owner', 'lead'];
const nobody: readonly Role[] = [];

/** A Mica 9 whose cell is to be replaced: received, agreed to, its route taken; nothing has been touched. */
const base = new Bench(index, route(mica9)).open().state;
type Change = { [T in keyof Tables]?: Partial<Tables[T]> } & { flags?: Partial<Flags> };
const having = (change: Change, from: JobState = base): JobState => {
  const { flags, ...tables } = change;
  const next = { ...from, flag: { ...from.flag, ...flags } } as JobState;
  for (const [table, rows] of Object.entries(tables))
    (next as unknown as Record<string, object>)[table] = {
      ...(from as unknown as Record<string, object>)[table],
      ...rows,
    };
  return next;
};
const without = <T extends keyof Tables>(
  table: T,
  keys: (key: string) => boolean,
  from = base,
): JobState => ({
  ...from,
  [table]: Object.fromEntries(Object.entries(from[table]).filter(([key]) => !keys(key))),
});
const none = (name: string) => (from: JobState) => {
  const { [name]: _gone, ...rest } = from.flag;
  return { ...from, flag: rest };
};

const now = base.lastAt + 1000;
type Case = Body | { body: Body; state: JobState; more?: Partial<Situation> };
const found = (rule: RuleName, given: Case, on: IndexedModel = index) => {
  const { body, state, more } = 'body' in given ? given : { body: given, state: base, more: {} };
  return findings(
    {
      index: on,
      state,
      waits: leastWaits,
      now: { at: now, clockKnown: true },
      role: 'technician',
      methods: methodsOf({}),
      ...more,
    },
    body,
  ).find((f) => f.rule === rule);
};

interface Row {
  severity: Severity;
  passableBy: readonly Role[];
  /** Situations in which it speaks, with what it is about where that is certain. */
  broken: readonly (Case | { of: Case; ids: string[]; seconds?: number })[];
  kept: readonly Case[];
}
const at = (state: JobState, body: Body, more?: Partial<Situation>): Case => ({
  body,
  state,
  ...(more ? { more } : {}),
});
const about = (of: Case, ids: string[], seconds?: number) => ({
  of,
  ids,
  ...(seconds === undefined ? {} : { seconds }),
});

// what is reported
const close: Body = { type: 'deviceClosed' };
const done = (ending: 'handed over' | 'declined' | 'abandoned'): Body => ({
  type: 'jobClosed',
  ending,
  note: '',
});
const faceWorks: Body = { type: 'checked', round: 'after', function: 'face', result: 'works' };
const heat = { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' } as const satisfies Body;
const solvent: Body = { type: 'solventApplied', bond: 'seal', dwellS: 60 };
const seal: Body = { type: 'sealApplied', bond: 'seal' };
const off = (connector: string): Body => ({ type: 'connectorOff', connector });
const on = (connector: string): Body => ({ type: 'connectorOn', connector });
const screwIn = (fastener: string, piece = `${fastener}#1`): Body => ({ type: 'screwIn', fastener, piece });
const moved = (slot: string, pose: 'folded' | 'shifted' | 'out'): Body => ({
  type: 'pieceMoved',
  slot,
  pose,
});
const release = (bond: string): Body => ({ type: 'bondReleased', bond, torn: false });
const aside = (piece: string): Body => ({ type: 'pieceSetAside', piece, to: 'scrap' });
const adopted: Body = { type: 'routeAdopted', routeHash: 'r', modelHash: 'h', variant: 'standard' };
const reworkBegun: Body = {
  ...{ type: 'reworkBegun', slot: 'display', kind: 'identity chip', school: '300' },
  ...{ practice: false, stencil: '' },
};
const underWork: ReworkEntry = {
  ...{ kind: 'identity chip', school: '300', chip: 'panel-id', practice: false, stencil: '', done: [] },
};
const air = (change: Partial<BodyOf<'reworkHeatStarted'>> = {}): Body => ({
  ...{ type: 'reworkHeatStarted', slot: 'display', step: 'lift', by: 'air', setC: 300 },
  ...{ airPercent: 10, extraction: true },
  ...change,
});
/** Work at a display whose chip the model knows: what has been seen of its pads. */
const onAtlas = (pads: Tables['pads'], body: Body = air(), consent: Tables['consent'] = {}): Case =>
  at(having({ rework: { display: underWork }, pads, data: { display: 'read' }, consent }), body, {
    index: indexed(atlas),
  });
const stepped = (step: ReworkStepId): Body => ({ type: 'reworkStepped', slot: 'display', step });
const projector: ReworkEntry = { ...underWork, kind: 'dead projector' };
/** At a device whose identity chip is a part of its own. */
const onDune3 = (body: Body, connector: Tables['connector'] = {}): Case =>
  at(having({ connector }), body, { index: indexed(dune3) });
const onDune2 = (body: Body, acted: Tables['acted'] = {}): Case =>
  at(having({ acted }), body, { index: indexed(dune2) });
const chosen = (slot: string, released: 'not needed' | 'locked' = 'not needed'): Body => ({
  type: 'partChosen',
  slot,
  part: '8b0f3a52-0a57-4f0c-9d5a-6a3a2f1b7c11',
  name: 'cell',
  provenance: 'new original',
  supplier: '',
  lot: '',
  serial: '',
  priceMinor: 100,
  arrivesWith: [],
  released,
  proof: '',
});
const because = { because: 'seen', event: 'e' };

// how a device stands
const unplugged = having({ connector: { 'K-cell': 'off' } });
const opened = having({ touched: { display: 50 } });
const closedAgain = having({ flags: { closedAt: 60 } }, opened);
const allOff = having({ connector: Object.fromEntries(mica9.connectors.map((c) => [c.id, 'off'])) });
const displayFree = having({
  place: { 'A1#1': 'mat/A1', 'A2#1': 'mat/A2' },
  bond: { seal: 'released' },
  catch: { 'hook-l': 'free', 'hook-r': 'free' },
});
const soaked = (gaveS: number, ago = 0, clockKnown = true) =>
  having({
    flags: {
      heatEndedAt: { at: now - ago * 1000, clockKnown, seq: 60, station: 'hot-plate', gaveS, ofS: 100 },
    },
  });
const charged = (percent: number, more: Parameters<typeof having>[0] = {}) =>
  having({ flags: { chargeSeen: percent }, ...more });
const openWithinS = mica9.bonds.find((b) => b.id === 'seal')!.release.find((r) => r.by === 'heat')!
  .maxDelayS!;
const wet = (ago: number, clockKnown = true) =>
  having({ flags: { solventAt: { at: now - ago * 1000, clockKnown, until: now } } });
const setting = (left: number, clockKnown = true) =>
  having({ curing: { seal: { until: now + left * 1000, clockKnown } } });
const glued = (ago: number, clockKnown = true) =>
  having({
    bond: { 'sensor-glue': 'renewed' },
    laid: {
      'sensor-glue': { item: 'contact-glue', openS: 300, fullS: 86_400, at: now - ago * 1000, clockKnown },
    },
  });
const flexIn = {
  ...{ type: 'pieceFitted', slot: 'sensor-flex', piece: 'sensor-flex#1', pose: 'in' },
} as const satisfies Body;
const pressStart = { type: 'acted', act: 'press', target: 'frame:start' } as const satisfies Body;
const leaked = (holds: boolean) => having({ flags: { leak: { holds, seq: 70 } } }, closedAgain);
const sealed = having({ bond: { seal: 'renewed' }, flags: { seal: 'applied', liner: 'off' } });
const doubted = having({
  question: { q: { rule: 'cell first off', ids: ['K-cell'], event: 'e' } as never },
});
const displayRenewed = having({
  task: { display: 'replace' },
  place: { 'display#1': 'aside/scrap', 'display#2': 'slot/display' },
});
const displayTask = having({ task: { display: 'replace' } });

/** Works through a cell job until an act, as a technician would who does what is asked. */
function workedUntil(wanted: (bench: Bench) => boolean): JobState {
  const bench = new Bench(index, route(mica9)).open();
  for (let k = 0; k < 400; k++) {
    if (wanted(bench)) return bench.state;
    if (!bench.next()) break;
  }
  throw new Error('never came there');
}
const midDone = workedUntil(
  ({ state }) =>
    checksDue(state, index, 'mid').length > 0 && checksDue(state, index, 'mid').every((c) => c.passed),
);
const midOpen = without('check', (key) => key.startsWith('mid '), midDone);
const finished = workedUntil(
  ({ state }) =>
    flag(state, 'closedAt') !== undefined &&
    checksDue(state, index, 'after').length > 0 &&
    checksDue(state, index, 'after').every((c) => c.passed),
);

const rows: Record<RuleName, Row> = {
  'cell first off': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(off('K-panel'), ['K-cell']),
      about(on('K-panel'), ['K-cell']),
      about({ type: 'reseated', connector: 'K-cam' }, ['K-cell']),
    ],
    kept: [at(unplugged, off('K-panel')), off('K-cell'), at(unplugged, on('K-cell'))],
  },
  'cell last on': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(at(having({ connector: { 'K-panel': 'off' } }, unplugged), on('K-cell')), ['K-panel'])],
    kept: [
      at(unplugged, on('K-cell')),
      at(allOff, { type: 'connectorOn', connector: 'K-cell', trial: 'display' }),
      at(having({ connector: { 'K-touch': 'off' } }, unplugged), on('K-panel')),
    ],
  },
  'still held': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      moved('display', 'folded'),
      about(at(having({ place: { 'A1#1': 'hole/A1' } }, displayFree), moved('display', 'folded')), ['A1']),
      about(at(having({ catch: { 'hook-l': 'hooked' } }, displayFree), moved('display', 'folded')), [
        'hook-l',
      ]),
      about(at(having({ bond: { seal: 'renewed' } }, displayFree), moved('display', 'folded')), ['seal']),
    ],
    kept: [at(displayFree, moved('display', 'folded'))],
  },
  'torn and still stuck': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(at(having({ bond: { 'strip-tl': 'torn' } }), moved('cell', 'out')), ['strip-tl'])],
    kept: [
      at(having({ bond: { 'strip-tl': 'torn' }, acted: { 'solvent strip-tl': 40 } }), moved('cell', 'out')),
      at(having({ bond: { 'strip-tl': 'released' } }), moved('cell', 'out')),
      at(having({ bond: { seal: 'torn' } }), moved('display', 'folded')),
    ],
  },
  'no heat on this cell': {
    severity: 'forbid',
    passableBy: nobody,
    broken: noHeat.map((c) => about(at(having({ condition: { [c]: because } }), heat), [c])),
    kept: [
      heat,
      at(having({ condition: { bent: because } }), heat),
      at(having({ condition: { wet: null } }), heat),
    ],
  },
  'adrift under the press': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(having({ place: { 'B1#1': 'adrift' } }), pressStart), ['B1#1']),
      about(at(having({ stray: { s1: 'inside' } }), pressStart), ['s1']),
    ],
    kept: [
      pressStart,
      at(having({ place: { 'B1#1': 'mat/B1' } }), pressStart),
      at(having({ stray: { s1: 'removed' } }), pressStart),
      at(having({ place: { 'B1#1': 'adrift' } }), { ...pressStart, target: 'frame:end' }),
    ],
  },
  'no press on this cell': {
    severity: 'forbid',
    passableBy: nobody,
    broken: noHeat.map((c) =>
      about(
        at(having({ condition: { [c]: because } }), { type: 'acted', act: 'press', target: 'cell:start' }),
        [c],
      ),
    ),
    kept: [
      { type: 'acted', act: 'press', target: 'cell:start' },
      // taking it out of the press is never stopped
      at(having({ condition: { swollen: because } }), { type: 'acted', act: 'press', target: 'cell:end' }),
    ],
  },
  'soak cut short': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(at(soaked(89), release('seal')), ['seal'], 11),
      about(at(soaked(50), { type: 'acted', act: 'gap', target: 'seal' }), ['seal'], 50),
    ],
    kept: [
      release('seal'),
      at(soaked(90), release('seal')),
      at(soaked(10), release('strip-tl')),
      at(having({ acted: { 'solvent seal': 61 } }, soaked(10)), release('seal')),
    ],
  },
  'cooled again': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(at(soaked(100, openWithinS + 151), release('seal')), ['seal']),
      at(soaked(100, 0, false), release('seal')),
      at(soaked(100), release('seal'), { now: { at: now, clockKnown: false } }),
    ],
    kept: [
      at(soaked(100, openWithinS + 150), release('seal')),
      at(having({ acted: { 'gap seal': 61 } }, soaked(100, openWithinS + 500)), release('seal')),
    ],
  },
  'cell over its limit': {
    severity: 'stop',
    passableBy: heads,
    broken: [about({ ...heat, forS: 600 }, ['cell']), about({ ...heat, forS: 180, setC: 95 }, ['cell'])],
    kept: [
      heat,
      { ...heat, forS: 300, setC: 65 },
      { ...heat, forS: 600, part: 'port' },
      { ...heat, forS: 300, station: 'hot-air' },
      { ...heat, forS: 600, station: 'no source' },
      at(having({ place: { 'cell#1': 'tray' } }), { ...heat, forS: 600 }),
    ],
  },
  'charge over the limit': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(at(charged(26, { acted: { 'solvent strip-tl': 40 } }), release('strip-tl')), ['cell']),
      // what was typed at the counter counts until somebody has looked at the bench
      about(
        at(
          having({
            flags: { phone: { charge: 80, backup: 'unknown', locked: 'unknown', displayOriginal: false } },
            acted: { 'solvent strip-tl': 40 },
          }),
          release('strip-tl'),
        ),
        ['cell'],
      ),
    ],
    kept: [
      at(charged(25, { acted: { 'solvent strip-tl': 40 } }), release('strip-tl')),
      // pulled, not pried
      at(charged(90), release('strip-tl')),
      at(charged(90), release('seal')),
      at(having({ acted: { 'solvent strip-tl': 40 } }), release('strip-tl')),
      at(
        charged(90, { acted: { 'solvent strip-tl': 40 }, condition: { swollen: because } }),
        release('strip-tl'),
      ),
      at(
        charged(90, { acted: { 'solvent strip-tl': 40 }, place: { 'cell#1': 'tray' } }),
        release('strip-tl'),
      ),
    ],
  },
  'source is cold': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about({ type: 'heatStarted', station: 'hot-plate', forS: 180 }, ['hot-plate']),
      // a plate of 80 C as it is usually set, and one that is set so
      about({ ...heat, hot: 71 }, ['hot-plate']),
      about({ ...heat, setC: 95, hot: 86 }, ['hot-plate']),
    ],
    kept: [
      heat,
      { ...heat, hot: 72 },
      { ...heat, setC: 95, hot: 87 },
      { ...heat, station: 'hair-dryer', hot: 20 },
    ],
  },
  'open on the heat': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(opened, heat), ['cell'])],
    kept: [
      heat,
      at(closedAgain, heat),
      at(having({ place: { 'cell#1': 'tray' } }, opened), heat),
      at(opened, { ...heat, part: 'port' }),
      at(opened, { ...heat, station: 'hair-dryer' }),
    ],
  },
  'glue not set': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(setting(30), close), ['seal'], 30),
      at(setting(30), done('handed over')),
      at(setting(-1, false), close),
      at(setting(-1), close, { now: { at: now, clockKnown: false } }),
    ],
    kept: [close, at(setting(0), close), at(setting(30), done('declined'))],
  },
  'glue has a skin': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(at(glued(301), flexIn), ['sensor-glue']), at(glued(301), { ...flexIn, pose: 'folded' })],
    kept: [
      at(glued(300), flexIn),
      // without the glue's sheet nobody knows
      at(having({ bond: { 'sensor-glue': 'renewed' } }), flexIn),
      at(glued(301, false), flexIn),
      at(glued(301), flexIn, { now: { at: now, clockKnown: false } }),
      // loosed again since
      at(having({ bond: { 'sensor-glue': 'released' } }, glued(301)), flexIn),
      at(glued(301), { ...flexIn, slot: 'cell', piece: 'cell#1' }),
    ],
  },
  'leak not told': {
    severity: 'stop',
    passableBy: trained,
    broken: [about(at(leaked(false), done('handed over')), ['leak test'])],
    kept: [
      at(leaked(true), done('handed over')),
      at(leaked(false), done('declined')),
      // opened and closed again since, it is another closing
      at(having({ flags: { closedAt: 80 } }, leaked(false)), done('handed over')),
    ],
  },
  'solvent still wet': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [
      about(at(wet(59), heat), [], 1),
      about(at(wet(600, false), heat), [], 60),
      about(at(wet(600), heat, { now: { at: now, clockKnown: false } }), [], 60),
      about(at(wet(-5), heat), [], 60),
      // a workshop may wait longer, and never less than what is shipped
      about(at(wet(59), heat, { waits: { solventFlashS: 1, coolingS: 1 } }), [], 1),
      about(at(wet(60), heat, { waits: { solventFlashS: 90, coolingS: 120 } }), [], 30),
    ],
    kept: [air({ slot: 'loudspeaker' }), heat, at(wet(60), heat)],
  },
  'still hot': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [
      about(at(soaked(100, 119), solvent), [], 1),
      about(at(soaked(100, 119), { type: 'rimCleaned' }), [], 1),
      about(at(soaked(100, 600, false), solvent), [], 120),
      about(at(soaked(100, 119), solvent, { waits: { solventFlashS: 1, coolingS: 1 } }), [], 1),
      about(
        at(
          having({
            flags: { heat: { station: 'hot-plate', since: now, until: now + 1000, clockKnown: true } },
          }),
          solvent,
        ),
        ['hot-plate'],
        0,
      ),
    ],
    kept: [
      solvent,
      at(soaked(100, 120), solvent),
      at(soaked(100, 120), { type: 'rimCleaned' }),
      // what is only seen to beside the rim wets nothing
      at(soaked(100, 10), { type: 'rimCleaned', what: 'dry' }),
    ],
  },
  'rim not clean': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(seal, ['rim']),
      about({ type: 'bondRenewed', bond: 'seal' }, ['seal']),
      about(at(having({ flags: { rimClean: true }, rimDue: { rim: ['mesh', 'dry'] } }), seal), [
        'rim:mesh',
        'rim:dry',
      ]),
      about(
        at(having({ acted: { 'rim seal': 9 }, rimDue: { seal: ['dry'] } }), {
          type: 'bondRenewed',
          bond: 'seal',
        }),
        ['rim:dry'],
      ),
    ],
    kept: [
      at(having({ flags: { rimClean: true } }), seal),
      at(having({ flags: { rimClean: true }, rimDue: { rim: [] } }), seal),
      at(having({ acted: { 'rim seal': 9 } }), { type: 'bondRenewed', bond: 'seal' }),
      { type: 'bondRenewed', bond: 'strip-tl' },
    ],
  },
  'mid check open': {
    severity: 'stop',
    passableBy: heads,
    broken: [at(midOpen, close), at(midOpen, seal)],
    kept: [at(midDone, close), at(midDone, seal)],
  },
  'round open': {
    severity: 'stop',
    passableBy: heads,
    broken: [at(midOpen, { type: 'stepPassed', passed: 's', round: 'mid' })],
    kept: [at(midDone, { type: 'stepPassed', passed: 's', round: 'mid' })],
  },
  'seal missing': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(displayFree, close), ['seal']),
      about(at(having({ flags: { liner: 'on' } }, sealed), close), ['liner']),
    ],
    kept: [
      close,
      at(sealed, close),
      at(having({ flags: { unsealed: 'for the drop test' } }, displayFree), close),
    ],
  },
  'not all inside': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(having({ place: { 'B1#1': 'mat/B1' } }), close), ['B1']),
      about(at(having({ place: { 'camera#1': 'tray' } }), close), ['camera']),
    ],
    // the screws of the cover go in afterwards
    kept: [close, at(having({ place: { 'A1#1': 'mat/A1' } }), close)],
  },
  'piece adrift': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(having({ place: { 'A1#1': 'adrift' } }), close), ['A1#1'])],
    kept: [close, at(having({ place: { 'A1#1': 'mat/A1' } }), close)],
  },
  'stray inside': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(having({ stray: { 'stray 1': 'inside' } }), close), ['stray 1']),
      // one lost and one found too many do not cancel
      about(at(having({ stray: { 'stray 1': 'inside' }, place: { 'A1#1': 'adrift' } }), close), ['stray 1']),
    ],
    kept: [close, at(having({ stray: { 'stray 1': 'removed' } }), close)],
  },
  'film still on': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(having({ mask: { tape: 'on' } }), close), ['tape'])],
    kept: [close, at(having({ mask: { tape: 'off' } }), close)],
  },
  'connector open': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(having({ connector: { 'K-cam': 'off' } }), close), ['K-cam'])],
    kept: [close, at(having({ connector: { 'K-cam': 'on' } }), close)],
  },
  'screw of another hole': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(screwIn('B1', 'B5#1'), ['B5', 'B1']),
      // short enough, and its head does not go in
      screwIn('B5', 'A1#1'),
      at(
        having({ spec: { 'B2#1': { drive: 'Y000', thread: 'M1.2', lengthMm: 1.2, headMm: 1.9 } as never } }),
        screwIn('B1', 'B2#1'),
      ),
    ],
    kept: [screwIn('B1'), screwIn('B1', 'B2#1')],
  },
  'screw too long': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(screwIn('B1', 'B5#1'), ['B5#1', 'B1']),
      // from its own hole, too, when it was measured: beyond what a calliper leaves open
      about(
        at(
          having({
            spec: {
              'B1#1': { lengthMm: safeLengthMm(index.fasteners.get('B1')!) + calliperMm + 0.01 } as never,
            },
          }),
          screwIn('B1'),
        ),
        ['B1#1', 'B1'],
      ),
    ],
    kept: [
      screwIn('B1'),
      screwIn('B5', 'B1#1'),
      at(
        having({
          spec: { 'B1#1': { lengthMm: safeLengthMm(index.fasteners.get('B1')!) + calliperMm } as never },
        }),
        screwIn('B1'),
      ),
    ],
  },
  'too long screw inside': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(having({ place: { 'B5#1': 'hole/B1', 'B1#1': 'mat/B1' } }), close), ['B1'])],
    kept: [close, at(having({ place: { 'B1#1': 'hole/B2', 'B2#1': 'hole/B1' } }), close)],
  },
  'substitute does not fit': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [
      about(
        {
          type: 'substituted',
          fastener: 'B1',
          piece: 'B1#2',
          spare: 's',
          drive: 'Y000',
          thread: 'M1.2',
          lengthMm: 2.8,
          headMm: 1.8,
        },
        ['B1'],
      ),
      {
        type: 'substituted',
        fastener: 'B1',
        piece: 'B1#2',
        spare: 's',
        drive: 'Y000',
        thread: 'M1.4',
        lengthMm: 1.2,
        headMm: 1.8,
      },
    ],
    kept: [
      {
        type: 'substituted',
        fastener: 'B1',
        piece: 'B1#2',
        spare: 's',
        drive: 'Y000',
        thread: 'M1.2',
        lengthMm: 1.2,
        headMm: 1.8,
      },
    ],
  },
  'forgotten on the old one': {
    severity: 'stop',
    passableBy: skilled,
    broken: [at(displayTask, aside('display#1'))],
    kept: [
      // not replaced, it goes back as it is
      aside('display#1'),
      at(displayTask, aside('display#2')),
      at(
        having({
          task: { display: 'replace' },
          place: { 'ear-speaker#1': 'tray', 'sensor-flex#1': 'tray', 'sensor-bracket#1': 'tray' },
          connector: { 'K-sensor': 'off' },
        }),
        aside('cell#1'),
      ),
    ],
  },
  'trouble open': {
    severity: 'stop',
    passableBy: trained,
    broken: [about(at(having({ trouble: { 'stuck A1': { by: 'p1', seq: 9 } } }), close), ['stuck A1'])],
    kept: [
      close,
      at(having({ trouble: { 'stuck A1': null } }), close),
      at(having({ trouble: { 'not as the model says A1': { by: 'p1', seq: 9 } } }), close),
    ],
  },
  // decided where two benches' entries meet: `two benches` in the tests of the log and of the bench
  'two accounts': { severity: 'stop', passableBy: nobody, broken: [], kept: [close, off('K-cell')] },
  'tested without the cell': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(at(unplugged, { type: 'checked', round: 'mid', function: 'touch', result: 'fails' }), ['touch']),
      about(at(unplugged, { type: 'acted', act: 'test part', target: 'display' }), ['display']),
    ],
    kept: [
      { type: 'checked', round: 'mid', function: 'touch', result: 'fails' },
      // before the work it is asked of a device that came as it came
      at(unplugged, { type: 'checked', round: 'before', function: 'touch', result: 'fails' }),
      at(unplugged, { type: 'acted', act: 'inspect', target: 'display' }),
    ],
  },
  'tested without its plugs': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      at(having({ connector: { 'K-panel': 'off' } }), { type: 'acted', act: 'test part', target: 'display' }),
    ],
    kept: [
      { type: 'acted', act: 'test part', target: 'display' },
      at(having({ connector: { 'K-vib': 'off' } }), { type: 'acted', act: 'test part', target: 'display' }),
    ],
  },
  'place already taken': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(screwIn('B1', 'B2#1'), ['B1#1']),
      about({ type: 'pieceFitted', slot: 'cell', piece: 'cell#2', pose: 'in' }, ['cell#1']),
    ],
    kept: [
      at(having({ place: { 'B1#1': 'mat/B1' } }), screwIn('B1', 'B2#1')),
      at(having({ place: { 'cell#1': 'tray' } }), {
        type: 'pieceFitted',
        slot: 'cell',
        piece: 'cell#2',
        pose: 'in',
      }),
      screwIn('B1'),
    ],
  },
  'piece is elsewhere': {
    severity: 'warn',
    passableBy: nobody,
    broken: [
      about(
        at(having({ place: { 'B1#1': 'mat/B1' } }), { type: 'screwOut', fastener: 'B1', piece: 'B1#1' }),
        ['B1#1'],
      ),
      about(aside('cell#1'), ['cell#1']),
    ],
    kept: [
      { type: 'screwOut', fastener: 'B1', piece: 'B1#1' },
      at(having({ place: { 'cell#1': 'tray' } }), aside('cell#1')),
    ],
  },
  'device not closed': {
    severity: 'warn',
    passableBy: nobody,
    broken: [about(at(opened, screwIn('A1')), ['A1'])],
    kept: [screwIn('A1'), at(closedAgain, screwIn('A1')), at(opened, screwIn('B1'))],
  },
  'question open': {
    severity: 'stop',
    passableBy: nobody,
    broken: [
      heat,
      solvent,
      seal,
      close,
      done('handed over'),
      done('abandoned'),
      { type: 'dataWritten', slot: 'cell', verified: true } as Body,
      { type: 'stepPassed', passed: 's', round: 'mid' } as Body,
    ].map((body) => about(at(doubted, body), ['q'])),
    // a fact is taken at any time
    kept: [
      heat,
      at(having({ question: { q: null } }), heat),
      at(doubted, off('K-cell')),
      at(doubted, screwIn('A1')),
    ],
  },
  'only a lead clears': {
    severity: 'forbid',
    passableBy: nobody,
    broken: (['technician', 'trainee'] as const).map((role) =>
      about(at(base, { type: 'conditionCleared', condition: 'swollen', reason: 'looked' }, { role }), [
        'swollen',
      ]),
    ),
    kept: heads.map((role) =>
      at(base, { type: 'conditionCleared', condition: 'swollen', reason: 'looked' }, { role }),
    ),
  },
  'before check open': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(
        at(
          without('check', (key) => key === 'before touch'),
          { type: 'received' },
        ),
        ['touch'],
      ),
      about(at(none('routeHash')(without('check', (key) => key === 'before touch')), adopted), ['touch']),
    ],
    kept: [
      { type: 'received' },
      at(none('routeHash')(base), adopted),
      // planned again in the middle of the work: what was not asked then cannot be asked now
      at(
        without('check', (key) => key === 'before touch'),
        adopted,
      ),
      at(none('routeHash')(without('check', (key) => key === 'before touch', opened)), adopted),
    ],
  },
  'device open': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(opened, done('handed over')), ['display']),
      about(at(opened, done('declined')), ['display']),
    ],
    kept: [done('handed over'), at(closedAgain, done('handed over')), at(opened, done('abandoned'))],
  },
  'ledger does not balance': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(having({ place: { 'A1#1': 'mat/A1' } }), done('handed over')), ['A1#1']),
      about(at(having({ place: { 'A1#1': 'aside/scrap' } }), done('handed over')), ['A1']),
      about(at(having({ place: { 'A1#1': 'adrift' } }), done('abandoned')), ['A1#1']),
    ],
    kept: [
      done('handed over'),
      at(having({ place: { 'A1#1': 'mat/A1' } }), done('abandoned')),
      at(having({ place: { 'A1#1': 'aside/scrap', 'A1#2': 'hole/A1' } }), done('handed over')),
    ],
  },
  'after check open': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      at(
        without('check', (key) => key.startsWith('after '), finished),
        done('handed over'),
      ),
    ],
    kept: [
      at(finished, done('handed over')),
      at(
        without('check', (key) => key.startsWith('after '), finished),
        done('declined'),
      ),
    ],
  },
  'consent open': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      at(none('routeHash')(without('consent', () => true)), adopted),
      at(
        without('consent', () => true),
        done('handed over'),
      ),
    ],
    kept: [
      at(none('routeHash')(base), adopted),
      at(
        without('consent', () => true),
        adopted,
      ),
      at(
        without('consent', () => true),
        done('declined'),
      ),
    ],
  },
  'harmless first': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      at(none('routeHash')(having({ symptom: { 'no-charge': 1 } as never })), adopted),
      at(having({ symptom: { 'no-charge': 1 } as never }), { type: 'testBegun', test: 'look-inside' }),
    ],
    kept: [
      at(none('routeHash')(base), adopted),
      at(having({ symptom: { 'no-charge': 1 } as never }), { type: 'testBegun', test: 'clean-port' }),
      at(
        none('routeHash')(
          having({
            symptom: { 'no-charge': 1 } as never,
            flags: { cause: { id: 'port', because: 'burnt' } },
          }),
        ),
        adopted,
      ),
    ],
  },
  'no charging this cell': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [
      about(at(having({ condition: { swollen: because } }), { type: 'testBegun', test: 'other-charger' }), [
        'swollen',
      ]),
      about(at(having({ condition: { bent: because } }), { type: 'testBegun', test: 'charge' }), ['bent']),
    ],
    kept: [
      { type: 'testBegun', test: 'other-charger' },
      at(having({ condition: { swollen: because } }), { type: 'testBegun', test: 'clean-port' }),
    ],
  },
  'data would be erased': {
    severity: 'stop',
    passableBy: nobody,
    broken: [
      about(
        at(
          without('consent', () => true),
          { type: 'testBegun', test: 'restore' },
        ),
        ['data'],
      ),
      about(
        at(
          without('consent', () => true),
          { type: 'tested', test: 'restore', outcome: 'same' },
        ),
        ['data'],
      ),
    ],
    kept: [
      at(having({ consent: { data: 'owner' } }), { type: 'testBegun', test: 'restore' }),
      at(
        without('consent', () => true),
        { type: 'testBegun', test: 'reinstall' },
      ),
    ],
  },
  'part locked': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [about(chosen('cell', 'locked'), ['cell'])],
    kept: [chosen('cell')],
  },
  'part of another slot': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(chosen('display'), ['display'])],
    kept: [chosen('cell')],
  },
  'identity data open': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(at(displayRenewed, done('handed over')), ['display'])],
    kept: [
      done('handed over'),
      at(having({ data: { display: 'written' } }, displayRenewed), done('handed over')),
      at(having({ data: { display: 'declined' } }, displayRenewed), done('handed over')),
      at(displayRenewed, done('abandoned')),
    ],
  },
  'identity data unread': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(aside('display#1'), ['display'])],
    kept: [
      at(having({ data: { display: 'read' } }), aside('display#1')),
      aside('camera#1'),
      aside('display#2'),
    ],
  },
  'enrolment not proved': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(at(having({ enrolment: { face: 'made' } }), faceWorks), ['face']),
      about(
        at(
          having({ enrolment: { face: 'made' }, unlocked: { face: { plain: 1, knocked: true } } }),
          faceWorks,
        ),
        ['face'],
      ),
      about(
        at(
          having({ enrolment: { face: 'removed' }, unlocked: { face: { plain: 5, knocked: false } } }),
          faceWorks,
        ),
        ['face'],
      ),
    ],
    kept: [
      // nothing was enrolled: a person says
      faceWorks,
      at(having({ enrolment: { face: 'made' } }), { ...faceWorks, result: 'fails' }),
      at(
        having({ enrolment: { face: 'removed' }, unlocked: { face: { plain: 2, knocked: true } } }),
        faceWorks,
      ),
    ],
  },
  'enrolment left': {
    severity: 'stop',
    passableBy: nobody,
    broken: [about(at(having({ enrolment: { face: 'made' } }), done('handed over')), ['face'])],
    kept: [done('handed over'), at(having({ enrolment: { face: 'removed' } }), done('handed over'))],
  },
  'chip work not agreed': {
    severity: 'stop',
    passableBy: heads,
    broken: [about(reworkBegun, ['display'])],
    kept: [at(having({ consent: { chip: 'owner' } }), reworkBegun)],
  },
  'live under the iron': {
    severity: 'forbid',
    passableBy: nobody,
    broken: [
      about(at(having({ data: { display: 'read' } }), air()), [index.cellConnector!]),
      about(air({ by: 'iron', setC: 390 }), [index.cellConnector!]),
      // a chip comes off its pads, and onto them, with hot air
      about(onDune3({ type: 'bondReleased', bond: 'chip-glue', torn: false }), ['K-cell']),
      about(onDune3({ type: 'pieceFitted', slot: 'id-chip', piece: 'id-chip#2', pose: 'in' }), ['K-cell']),
    ],
    kept: [
      at(having({ connector: { [index.cellConnector!]: 'off' } }), air()),
      air({ step: 'cure', by: 'lamp' }),
      onDune3({ type: 'bondReleased', bond: 'chip-glue', torn: false }, { 'K-cell': 'off' }),
      onDune3({ type: 'bondReleased', bond: 'seal', torn: false }),
      onDune3({ type: 'pieceFitted', slot: 'camera', piece: 'camera#2', pose: 'in' }),
    ],
  },
  'extraction off': {
    severity: 'stop',
    passableBy: nobody,
    broken: [about(air({ extraction: false }), ['display'])],
    kept: [air(), air({ by: 'lamp', extraction: false })],
  },
  'data unread before air': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(air(), ['display']),
      // what a chip of its own knows is all that is left if the work goes wrong
      about(onDune3(air({ slot: 'id-chip' }), { 'K-cell': 'off' }), ['id-chip']),
    ],
    kept: [
      at(having({ data: { display: 'read' } }), air()),
      at(having({ data: { display: 'declined' } }), air()),
      air({ slot: 'loudspeaker' }),
      air({ by: 'lamp' }),
    ],
  },
  'unread before it is cut': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about({ type: 'reworkStepped', slot: 'loudspeaker', step: 'cut frame' }, ['loudspeaker']),
      about(air({ slot: 'loudspeaker', step: 'substitute' }), ['loudspeaker']),
    ],
    kept: [
      at(having({ data: { loudspeaker: 'declined' } }), {
        type: 'reworkStepped',
        slot: 'loudspeaker',
        step: 'cut frame',
      }),
      at(having({ data: { loudspeaker: 'read' } }), air({ slot: 'loudspeaker', step: 'substitute' })),
      { type: 'reworkStepped', slot: 'loudspeaker', step: 'insulate' },
    ],
  },
  'crumbs not looked for': {
    severity: 'stop',
    passableBy: skilled,
    broken: [about(onDune2({ type: 'bondRenewed', bond: 'back-glue' }), ['back-glue'])],
    kept: [
      onDune2({ type: 'bondRenewed', bond: 'back-glue' }, { 'crumbs back-glue': 7 }),
      { type: 'bondRenewed', bond: 'seal' },
    ],
  },
  'untested before it is cut': {
    severity: 'stop',
    passableBy: heads,
    broken: [
      about(
        at(having({ data: { loudspeaker: 'read' }, rework: { loudspeaker: projector } }), {
          ...{ type: 'reworkStepped', slot: 'loudspeaker', step: 'cut frame' },
        }),
        ['loudspeaker'],
      ),
    ],
    kept: [
      at(
        having({
          data: { loudspeaker: 'read' },
          rework: { loudspeaker: { ...projector, module: { fails: ['dot projector'], again: false } } },
        }),
        { type: 'reworkStepped', slot: 'loudspeaker', step: 'cut frame' },
      ),
      { type: 'reworkStepped', slot: 'loudspeaker', step: 'save data' },
    ],
  },
  'ball bridged or loose': {
    severity: 'stop',
    passableBy: nobody,
    broken: [
      about(onAtlas({ 'display balls': { A1: 'bridged', A2: 'good' } }, stepped('flux')), ['A1']),
      about(onAtlas({ 'display balls': { A1: 'loose' } }, air({ step: 'place' })), ['A1']),
      about(onAtlas({ 'display balls': { A1: 'loose' } }, stepped('chip on flex')), ['A1']),
    ],
    kept: [
      onAtlas({ 'display balls': { A1: 'good' } }, stepped('flux')),
      onAtlas({ 'display balls': { A1: 'bridged' } }, air({ step: 'settle balls' })),
      onAtlas({ 'display balls': { A1: 'bridged' } }, stepped('look at balls')),
    ],
  },
  'rework failed': {
    severity: 'stop',
    passableBy: nobody,
    broken: (['part lost', 'given up', 'notice stays'] as const).map((outcome) =>
      about(
        at(having({ rework: { display: { ...underWork, outcome } } }), {
          ...{ type: 'acted', act: 'move chip', target: 'display' },
        }),
        ['display'],
      ),
    ),
    kept: [
      at(having({ rework: { display: { ...underWork, outcome: 'works' } } }), {
        ...{ type: 'acted', act: 'move chip', target: 'display' },
      }),
      // the customer takes it as it is
      at(
        having({
          rework: { display: { ...underWork, outcome: 'notice stays' } },
          consent: { 'notice display': 'owner' },
        }),
        { type: 'acted', act: 'move chip', target: 'display' },
      ),
      at(having({ rework: { display: { ...underWork, outcome: 'given up' } } }), {
        ...{ type: 'acted', act: 'inspect', target: 'display' },
      }),
    ],
  },
  'pad that carries lifted': {
    severity: 'stop',
    passableBy: nobody,
    broken: [
      // the very next step is held, by whatever it is done
      about(onAtlas({ 'display after': { B1: 'lifted' } }, stepped('loose balls')), ['B1']),
      about(onAtlas({ 'display new': { B1: 'lifted' } }, stepped('flux')), ['B1']),
      about(onAtlas({ 'display after': { B1: 'lifted', A2: 'lifted', A1: 'good' } }), ['B1']),
      about(onAtlas({ 'display after': { A1: 'lifted', F1: 'lifted' } }), ['A1', 'F1']),
    ],
    kept: [
      onAtlas({}),
      // by the model nothing runs over these
      onAtlas({ 'display after': { A2: 'lifted', A6: 'lifted' } }),
      onAtlas({ 'display after': { A1: 'oxidised' } }),
      // wired it carries again; and what puts pads right is never held
      onAtlas({ 'display after': { B1: 'wired' } }, stepped('loose balls')),
      onAtlas({ 'display after': { B1: 'lifted' } }, stepped('tin')),
      onAtlas({ 'display after': { B1: 'lifted' } }, stepped('flux'), { 'pads display': 'owner' }),
      // the part that is thrown away anyway
      onAtlas({ 'display before': { A1: 'lifted' } }),
    ],
  },
  'rework not ended': {
    severity: 'stop',
    passableBy: skilled,
    broken: [
      about(
        at(having({ rework: { display: underWork } }), { type: 'acted', act: 'rework', target: 'display' }),
        ['display'],
      ),
      at(having({ rework: { display: underWork } }), { type: 'acted', act: 'move chip', target: 'display' }),
    ],
    kept: [
      { type: 'acted', act: 'rework', target: 'display' },
      at(having({ rework: { display: { ...underWork, outcome: 'works' } } }), {
        type: 'acted',
        act: 'rework',
        target: 'display',
      }),
      at(having({ rework: { display: underWork } }), { type: 'acted', act: 'inspect', target: 'display' }),
    ],
  },
};

test('every interlock has its row, with something that breaks it and something that keeps it', () => {
  expect(Object.keys(rows).toSorted()).toEqual(Object.keys(rules).toSorted());
  for (const [name, row] of Object.entries(rows)) {
    expect(row.kept.length, name).toBeGreaterThan(0);
    if (name !== 'two accounts') expect(row.broken.length, name).toBeGreaterThan(0);
  }
});
describe.each(Object.entries(rows) as [RuleName, Row][])('%s', (name, row) => {
  test.each(row.broken.map((b, k) => [k + 1, b] as const))('speaks up, %i', (_k, given) => {
    const { of, ...wanted } = 'of' in given ? given : { of: given };
    const finding = found(name, of);
    expect(finding).toMatchObject({
      rule: name,
      severity: row.severity,
      passableBy: row.passableBy,
      ...wanted,
    });
  });
  test.each(row.kept.map((k, n) => [n + 1, k] as const))('is silent, %i', (_k, given) => {
    expect(found(name, given)).toBeUndefined();
  });
});
