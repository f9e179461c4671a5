import { describe, expect, test } from 'vitest';
import { bodySchema } from '../log/event-schema';
import { type Body, type BodyOf, eventVersion, type JobEvent } from '../log/events';
import { evolve } from '../log/evolve';
import type { JobState } from '../log/state';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { isAlready, saidTwice } from './already';

const index = indexed(mica9);
const opened = new Bench(index, route(mica9)).open().state;
let count = 0;
const fold = (state: JobState, bodies: readonly Body[]): JobState =>
  bodies.reduce((before, body) => {
    const seq = before.seq + 1;
    const event: JobEvent = {
      id: `e${count++}`,
      seq,
      v: eventVersion,
      by: 'p1',
      at: before.lastAt + 1000,
      clockKnown: true,
      body,
    };
    return evolve(before, event);
  }, state);

/** A fact, what has to be so before it, what is said with it, and what is another fact although it is much alike. */
interface Row {
  given?: readonly Body[];
  said: Body;
  again?: readonly Body[];
  otherwise?: readonly Body[];
}
const out = (fastener: string): Body => ({ type: 'screwOut', fastener, piece: `${fastener}#1` });
const photo = '00000000-0000-4000-8000-000000000001';
const signature = '00000000-0000-4000-8000-000000000002';
const part = '00000000-0000-4000-8000-000000000003';
const chosen = (id: string): Body => ({
  ...{
    type: 'partChosen',
    slot: 'cell',
    part: id,
    name: 'cell',
    provenance: 'pulled',
    supplier: '',
    lot: '',
    serial: '',
  },
  ...{ priceMinor: 1, arrivesWith: [], released: 'not needed', proof: '' },
});
const quoted = {
  ...{ type: 'quoted', p10Minor: 1, p50Minor: 2, p90Minor: 3, meanMinor: 2, limitMinor: null },
  ...{ chance: null, replacementMinor: null, advice: 'repair' },
} as const satisfies Body;
const heat = {
  type: 'heatStarted',
  station: 'hot-plate',
  forS: 180,
  setC: 80,
  hot: 'said',
} as const satisfies Body;
const fitted = { type: 'heatWindowFitted', readings: 2, opensS: 200, closesS: 400, softForS: 60 } as const;
const begun = {
  ...{
    type: 'reworkBegun',
    slot: 'board',
    kind: 'identity chip',
    school: '300',
    practice: false,
    stencil: '',
  },
} as const satisfies Body;
type ReworkStep = 'clamp' | 'insulate' | 'plug in';
const stepped = (step: ReworkStep): Body => ({ type: 'reworkStepped', slot: 'board', step });
const warmed = (step: ReworkStep): Body => ({
  type: 'reworkHeatStarted',
  slot: 'board',
  step,
  by: 'air',
  extraction: true,
});
const ended = (outcome: 'works' | 'given up'): Body => ({ type: 'reworkEnded', slot: 'board', outcome });
const tried = (outcome: 'works' | 'fails'): Body => ({ type: 'reworkTried', slot: 'board', outcome });
const pads = (side: 'before' | 'after', seen: BodyOf<'padsSeen'>['pads']): Body => ({
  ...{ type: 'padsSeen', slot: 'board', side, pads: seen },
});
const leaked = (holds: boolean): Body => ({ type: 'leakTested', holds });
const seal = 'seal';

const rows: Record<string, Row> = {
  screwOut: { said: out('B1'), otherwise: [out('B2')] },
  screwIn: {
    given: [out('B1')],
    said: { type: 'screwIn', fastener: 'B1', piece: 'B1#1' },
    otherwise: [{ type: 'screwIn', fastener: 'B1', piece: 'B2#1' }],
  },
  spilled: {
    given: [out('B1'), out('B2')],
    said: { type: 'spilled', pieces: ['B1#1'] },
    otherwise: [{ type: 'spilled', pieces: ['B1#1', 'B2#1'] }],
  },
  sorted: {
    given: [out('B1'), out('B2'), { type: 'spilled', pieces: ['B1#1', 'B2#1'] }],
    said: { type: 'sorted', screws: [{ piece: 'B1#1', lengthMm: 2 }] },
    otherwise: [{ type: 'sorted', screws: ['B1#1', 'B2#1'].map((piece) => ({ piece, lengthMm: 2 })) }],
  },
  screwMeasured: {
    said: { type: 'screwMeasured', piece: 'B1#1', lengthMm: 2.4, headMm: 1.6 },
    again: [{ type: 'screwMeasured', piece: 'B1#1', lengthMm: 2.4 }],
    otherwise: [
      { type: 'screwMeasured', piece: 'B1#1', lengthMm: 2.5 },
      { type: 'screwMeasured', piece: 'B1#1', lengthMm: 2.4, headMm: 1.7 },
      { type: 'screwMeasured', piece: 'B2#1', lengthMm: 2.4 },
    ],
  },
  substituted: {
    given: [out('B1')],
    said: {
      ...{ type: 'substituted', fastener: 'B1', piece: 'B1#2', spare: part, drive: 'P2' },
      ...{ thread: 'M1', lengthMm: 2, headMm: 2 },
    },
  },
  connectorOff: {
    said: { type: 'connectorOff', connector: 'K-cell' },
    otherwise: [{ type: 'connectorOn', connector: 'K-cell' }],
  },
  connectorOn: {
    given: [{ type: 'connectorOff', connector: 'K-cell' }],
    said: { type: 'connectorOn', connector: 'K-cell' },
    otherwise: [{ type: 'connectorOff', connector: 'K-cell' }],
  },
  bondReleased: {
    said: { type: 'bondReleased', bond: seal, torn: false },
    otherwise: [{ type: 'bondReleased', bond: seal, torn: true }],
  },
  bondRenewed: {
    given: [{ type: 'bondReleased', bond: seal, torn: false }],
    said: { type: 'bondRenewed', bond: seal },
    otherwise: [{ type: 'bondReleased', bond: seal, torn: false }],
  },
  catchFreed: {
    said: { type: 'catchFreed', catch: mica9.catches[0]!.id },
    otherwise: [{ type: 'catchHooked', catch: mica9.catches[0]!.id }],
  },
  catchHooked: {
    given: [{ type: 'catchFreed', catch: mica9.catches[0]!.id }],
    said: { type: 'catchHooked', catch: mica9.catches[0]!.id },
    otherwise: [{ type: 'catchFreed', catch: mica9.catches[0]!.id }],
  },
  pieceMoved: {
    said: { type: 'pieceMoved', slot: 'display', pose: 'folded' },
    otherwise: [{ type: 'pieceMoved', slot: 'display', pose: 'out' }],
  },
  pieceFitted: {
    given: [{ type: 'pieceMoved', slot: 'cell', pose: 'out' }],
    said: { type: 'pieceFitted', slot: 'cell', piece: 'cell#2', pose: 'in' },
    otherwise: [
      { type: 'pieceFitted', slot: 'cell', piece: 'cell#1', pose: 'in' },
      { type: 'pieceFitted', slot: 'cell', piece: 'cell#2', pose: 'folded' },
    ],
  },
  pieceSetAside: {
    given: [{ type: 'pieceMoved', slot: 'cell', pose: 'out' }],
    said: { type: 'pieceSetAside', piece: 'cell#1', to: 'recycling' },
    otherwise: [{ type: 'pieceSetAside', piece: 'cell#1', to: 'owner' }],
  },
  screwsBagged: {
    given: [out('B1'), out('B2')],
    said: { type: 'screwsBagged', pieces: ['B1#1'] },
    otherwise: [{ type: 'screwsBagged', pieces: ['B1#1', 'B2#1'] }],
  },
  lost: {
    said: { type: 'lost', piece: 'B1#1' },
    otherwise: [
      { type: 'lost', piece: 'B2#1' },
      { type: 'found', piece: 'B1#1' },
    ],
  },
  found: {
    given: [{ type: 'lost', piece: 'B1#1' }],
    said: { type: 'found', piece: 'B1#1' },
    again: [{ type: 'found', piece: 'B2#1' }],
    otherwise: [{ type: 'lost', piece: 'B1#1' }],
  },
  reworkBegun: { said: begun, otherwise: [{ ...begun, kind: 'loose lens' }] },
  reworkHeatStarted: { given: [begun], said: warmed('clamp'), otherwise: [warmed('insulate')] },
  reworkStepped: { given: [begun], said: stepped('clamp'), otherwise: [stepped('insulate')] },
  reworkEnded: { given: [begun], said: ended('works'), otherwise: [ended('given up')] },
  // what works is not tried again
  reworkTried: { given: [begun, stepped('plug in')], said: tried('works'), again: [tried('fails')] },
  padsSeen: {
    said: pads('before', { A1: 'good', B2: 'lifted' }),
    again: [pads('before', { A1: 'good' })],
    otherwise: [pads('before', { A1: 'lifted' }), pads('after', { A1: 'good' })],
  },
  acted: {
    said: { type: 'acted', act: 'press', target: 'frame:start', forS: 60 },
    otherwise: [
      { type: 'acted', act: 'press', target: 'frame:end' },
      { type: 'acted', act: 'cure', target: 'frame:start' },
    ],
  },
  leakTested: { said: leaked(true), otherwise: [leaked(false)] },
  taskSet: {
    said: { type: 'taskSet', slot: 'display', action: 'replace' },
    again: [{ type: 'taskSet', slot: 'camera', action: 'none' }],
    otherwise: [
      { type: 'taskSet', slot: 'display', action: 'inspect' },
      { type: 'taskSet', slot: 'display', action: 'none' },
    ],
  },
  symptomSet: {
    said: { type: 'symptomSet', symptom: 'no-picture', on: true },
    otherwise: [
      { type: 'symptomSet', symptom: 'no-picture', on: false },
      { type: 'symptomSet', symptom: 'no-start', on: true },
    ],
  },
  testBegun: {
    said: { type: 'testBegun', test: 'mute-switch' },
    otherwise: [{ type: 'testBegun', test: 'ramp' }],
  },
  tested: {
    said: { type: 'tested', test: 'mute-switch', outcome: 'felt' },
    again: [{ type: 'tested', test: 'mute-switch', outcome: 'felt', note: '' }],
    otherwise: [
      { type: 'tested', test: 'mute-switch', outcome: 'nothing' },
      { type: 'tested', test: 'mute-switch', outcome: 'felt', note: 'weakly' },
    ],
  },
  testDeclined: {
    said: { type: 'testDeclined', test: 'mute-switch', reason: 'no switch' },
    otherwise: [
      { type: 'testDeclined', test: 'mute-switch', reason: 'another' },
      { type: 'testBegun', test: 'mute-switch' },
    ],
  },
  causeStated: {
    said: { type: 'causeStated', cause: 'panel-bad', because: 'seen' },
    otherwise: [
      { type: 'causeStated', cause: 'panel-bad', because: 'measured' },
      { type: 'causeStated', cause: 'panel-broken', because: 'seen' },
      { type: 'causeStated', cause: 'none', because: 'seen' },
    ],
  },
  consentGiven: {
    said: { type: 'consentGiven', effect: 'x', by: 'owner', answer: 'yes', signature },
    again: [{ type: 'consentGiven', effect: 'x', by: 'owner' }],
    otherwise: [
      { type: 'consentGiven', effect: 'x', by: 'for the owner', answer: 'yes', signature },
      { type: 'consentGiven', effect: 'x', by: 'owner', answer: 'no', signature },
      { type: 'consentGiven', effect: 'x', by: 'owner', answer: 'yes', signature: photo },
      { type: 'consentGiven', effect: 'y', by: 'owner', answer: 'yes', signature },
    ],
  },
  quoted: {
    said: quoted,
    otherwise: [
      { ...quoted, p50Minor: 3 },
      { ...quoted, chance: 0.5 },
      { ...quoted, taxPercent: 20 },
    ],
  },
  promised: {
    said: { type: 'promised', at: Date.UTC(2026, 4, 5), as: 'noon' },
    otherwise: [
      { type: 'promised', at: Date.UTC(2026, 4, 6), as: 'noon' },
      { type: 'promised', at: Date.UTC(2026, 4, 5), as: '' },
    ],
  },
  photographed: {
    said: { type: 'photographed', photo },
    otherwise: [{ type: 'photographed', photo: signature }],
  },
  remedySet: {
    said: { type: 'remedySet', slot: 'cell', remedy: 'copy' },
    otherwise: [{ type: 'remedySet', slot: 'cell', remedy: 'accept' }],
  },
  partChosen: { said: chosen(part), otherwise: [chosen(photo), { type: 'partDropped', slot: 'cell' }] },
  partDropped: {
    given: [chosen(part)],
    said: { type: 'partDropped', slot: 'cell' },
    again: [{ type: 'partDropped', slot: 'display' }],
    otherwise: [chosen(part)],
  },
  dataRead: { said: { type: 'dataRead', slot: 'display' }, otherwise: [{ type: 'dataRead', slot: 'cell' }] },
  dataDeclined: {
    said: { type: 'dataDeclined', slot: 'display', reason: 'accepted' },
    otherwise: [{ type: 'dataDeclined', slot: 'cell', reason: 'accepted' }],
  },
  filmOff: { said: { type: 'filmOff', film: 'cell/1' }, otherwise: [{ type: 'filmOff', film: 'cell/2' }] },
  maskOn: {
    said: { type: 'maskOn', mask: 'm' },
    otherwise: [
      { type: 'maskOn', mask: 'n' },
      { type: 'maskOff', mask: 'm' },
    ],
  },
  maskOff: {
    given: [{ type: 'maskOn', mask: 'm' }],
    said: { type: 'maskOff', mask: 'm' },
    again: [{ type: 'maskOff', mask: 'n' }],
    otherwise: [{ type: 'maskOn', mask: 'm' }],
  },
  conditionSet: {
    said: { type: 'conditionSet', condition: 'swollen', because: 'seen' },
    otherwise: [{ type: 'conditionCleared', condition: 'swollen', reason: 'measured' }],
  },
  conditionCleared: {
    given: [{ type: 'conditionSet', condition: 'swollen', because: 'seen' }],
    said: { type: 'conditionCleared', condition: 'swollen', reason: 'measured' },
    otherwise: [{ type: 'conditionSet', condition: 'swollen', because: 'seen' }],
  },
  systemSet: {
    said: { type: 'systemSet', version: '14.2', preRelease: false },
    otherwise: [
      { type: 'systemSet', version: '14.3', preRelease: false },
      { type: 'systemSet', version: '14.2', preRelease: true },
    ],
  },
  handOverSeen: {
    said: { type: 'handOverSeen', item: 'tray', seen: true },
    otherwise: [
      { type: 'handOverSeen', item: 'tray', seen: false },
      { type: 'handOverSeen', item: 'film', seen: true },
    ],
  },
  rimCleaned: { said: { type: 'rimCleaned' }, otherwise: [{ type: 'rimCleaned', bond: seal }] },
  sealApplied: { said: { type: 'sealApplied', bond: seal } },
  linerOff: { said: { type: 'linerOff' } },
  deviceClosed: {
    given: [{ type: 'pieceMoved', slot: 'display', pose: 'folded' }],
    said: { type: 'deviceClosed' },
  },
  heatStarted: { said: heat, again: [{ ...heat, station: 'gun' }], otherwise: [{ type: 'heatEnded' }] },
  heatEnded: { given: [heat], said: { type: 'heatEnded' }, otherwise: [heat] },
  chargeSeen: { said: { type: 'chargeSeen', percent: 62 }, otherwise: [{ type: 'chargeSeen', percent: 20 }] },
  sourceRead: {
    given: [heat],
    said: { type: 'sourceRead', celsius: 40 },
    again: [{ type: 'sourceRead', celsius: 41 }],
    otherwise: [{ type: 'sourceRead', celsius: 79 }],
  },
  heatWindowFitted: {
    given: [heat],
    said: fitted,
    otherwise: [
      { ...fitted, readings: 3 },
      { ...fitted, opensS: 201 },
      { ...fitted, closesS: 401 },
    ],
  },
  troubled: {
    said: { type: 'troubled', kind: 'bad thread', thing: 'B1' },
    otherwise: [
      { type: 'troubled', kind: 'bad thread', thing: 'B2' },
      { type: 'troubleEnded', kind: 'bad thread', thing: 'B1', how: 'holds' },
    ],
  },
  troubleEnded: {
    given: [{ type: 'troubled', kind: 'bad thread', thing: 'B1' }],
    said: { type: 'troubleEnded', kind: 'bad thread', thing: 'B1', how: 'holds' },
    otherwise: [{ type: 'troubled', kind: 'bad thread', thing: 'B1' }],
  },
  transferSet: {
    said: { type: 'transferSet', slot: 'display', part: 'cell', outcome: 'move over' },
    otherwise: [
      { type: 'transferSet', slot: 'display', part: 'cell', outcome: 'on the new one' },
      { type: 'transferSet', slot: 'display', part: 'camera', outcome: 'move over' },
    ],
  },
  strayRemoved: {
    given: [{ type: 'strayFound', stray: 's', note: 'a screw' }],
    said: { type: 'strayRemoved', stray: 's', note: 'out' },
  },
  unlocked: {
    given: [
      { type: 'enrolled', what: 'face' },
      { type: 'unlocked', what: 'face', knocked: false },
      { type: 'unlocked', what: 'face', knocked: true },
    ],
    said: { type: 'unenrolled', what: 'face' },
    again: [{ type: 'unlocked', what: 'face', knocked: true }],
  },
  unenrolled: {
    given: [{ type: 'enrolled', what: 'face' }],
    said: { type: 'unenrolled', what: 'face' },
    otherwise: [{ type: 'enrolled', what: 'face' }],
  },
  jobClosed: {
    said: { type: 'jobClosed', ending: 'abandoned', note: '' },
    again: [{ type: 'jobClosed', ending: 'handed over', note: '' }],
  },
};

describe.each(Object.entries(rows))('%s', (_type, { given = [], said, again = [], otherwise = [] }) => {
  const before = fold(opened, given);
  const after = fold(before, [said]);
  test('is news once', () => {
    expect(isAlready(index, before, said)).toBe(false);
    expect(isAlready(index, after, said)).toBe(true);
  });
  test('says no more by being said again, or in fewer words', () => {
    for (const body of again) expect(isAlready(index, after, body), JSON.stringify(body)).toBe(true);
  });
  test('is not another fact that is much alike', () => {
    for (const body of otherwise) expect(isAlready(index, after, body), JSON.stringify(body)).toBe(false);
  });
});
/** Facts that only stand in a whole job: each in the test of its own subject. */
const elsewhere = [
  'opened',
  'received',
  'checkMeasured',
  'answered',
  'truthNamed',
  'retracted',
  'stepPassed',
];
test('every row is of facts as they are reported', () => {
  for (const { given = [], said, again = [], otherwise = [] } of Object.values(rows))
    for (const body of [...given, said, ...again, ...otherwise])
      expect(bodySchema.safeParse(body).success, JSON.stringify(body)).toBe(true);
});
test('every fact that can be said twice has its row', () => {
  expect(saidTwice.filter((type) => !rows[type] && !elsewhere.includes(type))).toEqual([]);
});
test('what was done before the device was closed and opened again is done anew', () => {
  const press: Body = { type: 'acted', act: 'press', target: 'frame:start', forS: 60 };
  const closedOnce = fold(opened, [
    press,
    leaked(true),
    { type: 'pieceMoved', slot: 'display', pose: 'folded' },
    { type: 'deviceClosed' },
  ]);
  for (const body of [press, leaked(true)]) expect(isAlready(index, closedOnce, body)).toBe(false);
  const anew = fold(closedOnce, [press, leaked(true)]);
  for (const body of [press, leaked(true)]) expect(isAlready(index, anew, body)).toBe(true);
});
test('a rim is clean with what is due of it, and each of that is said once', () => {
  const dirty = fold(opened, [{ type: 'rimCleaned', due: ['mesh', 'dry'] }]);
  const due = dirty.rimDue.rim!;
  expect(due.length).toBeGreaterThan(0);
  const one: Body = { type: 'rimCleaned', what: due[0]! };
  expect(isAlready(index, opened, one)).toBe(false);
  expect(isAlready(index, dirty, one)).toBe(false);
  expect(isAlready(index, fold(dirty, [one]), one)).toBe(true);
});
test('a liner is off, too, where the seal was left off on purpose', () => {
  const without = fold(opened, [{ type: 'leftUnsealed', reason: 'the owner asked' }]);
  expect(isAlready(index, without, { type: 'linerOff' })).toBe(true);
});
test('another heat window than the running soak’s own is none: without a soak there is nothing to fit', () => {
  expect(isAlready(index, opened, fitted)).toBe(true);
});
test('work that was not begun has no step and no end', () => {
  expect(isAlready(index, opened, stepped('clamp'))).toBe(true);
  expect(isAlready(index, opened, ended('works'))).toBe(true);
  expect(isAlready(index, opened, warmed('clamp'))).toBe(false);
  // what is over can be begun again
  expect(isAlready(index, fold(opened, [begun, ended('works')]), begun)).toBe(false);
});
