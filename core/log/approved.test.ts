import { expect, test } from 'vitest';
import { bodySchema } from './event-schema';
import { type Body, eventVersion, type JobEvent } from './events';
import { evolve } from './evolve';
import { empty, type JobState, tableNames } from './state';

// What each entry of a log changes, as a person has read it: a log with every kind of fact, told on, taken back and said
// of what nobody had heard of. `vitest -u` writes it anew, and the difference is read before it is kept.
const uuid = (n: number) => `00000000-0000-4000-8000-00000000000${n}`;
const at0 = Date.UTC(2026, 4, 4, 8);
const screw = {
  ...{ kind: 'fastener', id: 'X1', name: 'odd screw', face: 'front', at: { x: 10, y: 10 } },
  ...{ drive: 'P2', headMm: 1.5, thread: 'M1' },
};
const bodies: readonly object[] = [
  {
    ...{ type: 'opened', modelHash: 'h', variant: 'standard', tag: 'T1', complaint: 'dark' },
    ...{ tasks: [{ slot: 'cell', action: 'replace' }], promisedAt: at0, promisedAs: 'noon' },
  },
  { type: 'marked', mark: { id: 'm1', side: 'front', x: 5, y: 6, kind: 'crack', note: 'long' } },
  { type: 'unmarked', mark: 'm1' },
  { type: 'conditionSet', condition: 'swollen', because: 'the back is proud' },
  { type: 'conditionCleared', condition: 'swollen', reason: 'it was the case' },
  { type: 'systemSet', version: '14.2', preRelease: false },
  { type: 'phoneAsked', charge: 40, backup: 'yes', locked: 'no', displayOriginal: true },
  { type: 'checked', round: 'before', function: 'touch', result: 'fails', note: 'lower half' },
  { type: 'checked', round: 'before', function: 'power', result: 'works', note: '' },
  {
    type: 'checkMeasured',
    ...{ round: 'before', function: 'touch' },
    measured: { id: uuid(1), kind: 'touch', verdict: 'fails', because: 'dead', figures: { percent: 91 } },
  },
  { type: 'symptomSet', symptom: 'no-picture', on: true },
  { type: 'symptomSet', symptom: 'no-picture', on: false },
  { type: 'testBegun', test: 'charge' },
  { type: 'tested', test: 'charge', outcome: 'no change', note: 'an hour' },
  { type: 'tested', test: 'torch', outcome: 'nothing' },
  { type: 'testDeclined', test: 'wet', reason: 'it was dry' },
  { type: 'causeStated', cause: 'panel', because: 'seen' },
  { type: 'causeStated', cause: 'none', because: 'it works' },
  { type: 'photographed', photo: uuid(2), mark: 'm1' },
  { type: 'photographed', photo: uuid(3), thing: 'A1' },
  { type: 'photographed', photo: uuid(4) },
  { type: 'received' },
  { type: 'remedySet', slot: 'cell', remedy: 'accept' },
  {
    ...{ type: 'partChosen', slot: 'cell', part: uuid(5), name: 'cell', provenance: 'new original' },
    ...{
      supplier: 's',
      lot: 'l',
      serial: 'n',
      priceMinor: 3000,
      arrivesWith: [],
      released: 'not needed',
      proof: '',
    },
  },
  { type: 'partDropped', slot: 'cell' },
  {
    ...{
      type: 'quoted',
      p10Minor: 1,
      p50Minor: 2,
      p90Minor: 3,
      meanMinor: 2,
      limitMinor: null,
      chance: null,
    },
    ...{ replacementMinor: null, advice: 'repair', taxPercent: 19, taxName: 'tax' },
  },
  { type: 'consentGiven', effect: 'price', by: 'owner', answer: '19.99', signature: uuid(6) },
  { type: 'consentGiven', effect: 'data', by: 'for the owner' },
  { type: 'taskSet', slot: 'camera', action: 'inspect' },
  { type: 'taskSet', slot: 'camera', action: 'none' },
  { type: 'promised', at: at0 + 3_600_000, as: 'one' },
  { type: 'routeAdopted', routeHash: 'r', modelHash: 'h2', variant: 'southern' },
  { type: 'takenOver', bench: 'Ferry bench' },
  {
    type: 'heatStarted',
    station: 'hot-plate',
    forS: 300,
    setC: 80,
    opensS: 140,
    closesS: 340,
    softForS: 80,
    hot: 79,
  },
  { type: 'glassRead', celsius: 61.5 },
  { type: 'glassRead', celsius: 92, again: true },
  { type: 'chargeSeen', percent: 62 },
  { type: 'sourceRead', celsius: 64 },
  { type: 'sourceRead', celsius: 79 },
  { type: 'heatWindowFitted', readings: 1, opensS: 150, closesS: 330, softForS: 70 },
  { type: 'heatWindowFitted', readings: 2, softForS: 0 },
  { type: 'heatEnded' },
  { type: 'heatStarted', station: 'dryer', forS: 60 },
  { type: 'heatEnded' },
  { type: 'heatEnded' },
  { type: 'heatWindowFitted', readings: 3, softForS: 10 },
  { type: 'solventApplied', bond: 'seal', dwellS: 60 },
  { type: 'bondReleased', bond: 'seal', torn: false },
  { type: 'catchFreed', catch: 'hook-l' },
  { type: 'pieceMoved', slot: 'display', pose: 'folded' },
  { type: 'screwOut', fastener: 'B1', piece: 'B1#1' },
  { type: 'screwMeasured', piece: 'B1#1', lengthMm: 1.3 },
  { type: 'screwMeasured', piece: 'B1#1', lengthMm: 1.31, headMm: 1.8 },
  { type: 'spilled', pieces: ['B1#1', 'B2#1'] },
  {
    type: 'sorted',
    screws: [
      { piece: 'B1#1', lengthMm: 1.3 },
      { piece: 'B2#1', lengthMm: 1.6, headMm: 2 },
    ],
  },
  { type: 'lost', piece: 'B2#1' },
  { type: 'found', piece: 'B2#1', tray: true },
  { type: 'found', piece: 'B2#1' },
  {
    ...{ type: 'substituted', fastener: 'B2', piece: 'B2#2', spare: uuid(7), drive: 'Y000', thread: 'M1.2' },
    ...{ lengthMm: 1.5, headMm: 1.9 },
  },
  { type: 'connectorOff', connector: 'K-cell' },
  { type: 'connectorOn', connector: 'K-panel', trial: 'display' },
  { type: 'connectorOn', connector: 'K-cell', trial: 'display' },
  { type: 'connectorOff', connector: 'K-cell' },
  { type: 'connectorOff', connector: 'K-cam' },
  { type: 'connectorOff', connector: 'K-panel' },
  { type: 'bondReleased', bond: 'strip-tl', torn: true },
  { type: 'pieceMoved', slot: 'cell', pose: 'out' },
  { type: 'pieceSetAside', piece: 'cell#1', to: 'recycling' },
  { type: 'transferSet', slot: 'display', part: 'ear-speaker', outcome: 'keep' },
  { type: 'pieceSetAside', piece: 'display#1', to: 'scrap', with: ['ear-speaker#1', 'screw:E1#1'] },
  { type: 'screwsBagged', pieces: ['B1#1'] },
  { type: 'filmOff', film: 'cell#2/0' },
  { type: 'bondRenewed', bond: 'strip-tl', glue: { item: 'contact-glue', openS: 300, fullS: 1800 } },
  { type: 'bondRenewed', bond: 'strip-tr' },
  { type: 'pieceFitted', slot: 'cell', piece: 'cell#2', pose: 'in' },
  {
    type: 'pieceFitted',
    slot: 'display',
    piece: 'display#2',
    pose: 'folded',
    with: ['ear-speaker#2', 'screw:E1#2'],
  },
  { type: 'screwIn', fastener: 'B1', piece: 'B1#1' },
  { type: 'reseated', connector: 'K-cam' },
  { type: 'maskOn', mask: 'lens' },
  { type: 'maskOff', mask: 'lens' },
  { type: 'rimCleaned', due: ['mesh', 'dry'] },
  { type: 'rimCleaned', what: 'mesh' },
  { type: 'rimCleaned', bond: 'back-seal', due: ['dry'] },
  { type: 'rimCleaned', bond: 'back-seal', what: 'dry' },
  { type: 'leftUnsealed', reason: 'no seal' },
  { type: 'sealApplied', bond: 'seal', glue: { item: 'perimeter-seal', fullS: 3600 } },
  { type: 'linerOff' },
  { type: 'catchHooked', catch: 'hook-l' },
  { type: 'catchFreed', catch: 'hook-r' },
  { type: 'deviceClosed' },
  { type: 'bondReleased', bond: 'seal', torn: false },
  { type: 'acted', act: 'press', target: 'frame:start', forS: 30 },
  {
    type: 'pressRead',
    target: 'frame',
    held: true,
    id: uuid(8),
    setN: 735,
    meanN: 730,
    peakN: 760,
    heldS: 30,
  },
  { type: 'acted', act: 'press', target: 'frame:end' },
  { type: 'acted', act: 'cure', target: 'seal:start', forS: 60 },
  { type: 'acted', act: 'cure', target: 'seal:end' },
  { type: 'acted', act: 'inspect', target: 'board' },
  { type: 'acted', act: 'leak test', target: 'device:start', forS: 20 },
  { type: 'leakTested', holds: false, lost: { value: 12, unit: 'hPa' } },
  { type: 'strayFound', stray: 's1', note: 'a screw' },
  { type: 'strayRemoved', stray: 's1', note: 'it was A1' },
  { type: 'noted', text: 'the owner waits' },
  { type: 'noted', text: 'soft thread', thing: 'B1', finding: true },
  { type: 'noted', text: 'rust', thing: 'B2', finding: false },
  { type: 'troubled', kind: 'stripped head', thing: 'A1', note: 'round' },
  { type: 'troubled', kind: 'bad thread', thing: 'A2' },
  { type: 'troubleEnded', kind: 'stripped head', thing: 'A1', how: 'a wider bit' },
  { type: 'enrolled', what: 'face' },
  { type: 'unlocked', what: 'face', knocked: false },
  { type: 'unlocked', what: 'face', knocked: true },
  { type: 'unlocked', what: 'face', knocked: false },
  { type: 'unlocked', what: 'finger', knocked: true },
  { type: 'unenrolled', what: 'face' },
  { type: 'handOverSeen', item: 'grilles', seen: true },
  { type: 'handOverSeen', item: 'grilles', seen: false },
  { type: 'dataRead', slot: 'display', data: 'a1' },
  { type: 'dataWritten', slot: 'display', verified: false },
  { type: 'dataWritten', slot: 'display', verified: true, data: 'a1' },
  { type: 'dataDeclined', slot: 'cell', reason: 'the notice is accepted' },
  { type: 'reworkHeatStarted', slot: 'camera', step: 'lift', by: 'air', extraction: true },
  {
    type: 'reworkBegun',
    slot: 'display',
    kind: 'identity chip',
    school: '280',
    practice: false,
    stencil: '',
  },
  {
    type: 'reworkHeatStarted',
    slot: 'display',
    step: 'lift',
    by: 'air',
    setC: 280,
    airPercent: 20,
    extraction: true,
  },
  { type: 'reworkStepped', slot: 'display', step: 'lift' },
  { type: 'reworkStepped', slot: 'display', step: 'wash' },
  { type: 'reworkStepped', slot: 'display', step: 'wash', skipped: true },
  { type: 'padsSeen', slot: 'display', side: 'after', pads: { A1: 'lifted' } },
  { type: 'padsSeen', slot: 'display', side: 'after', pads: { A2: 'good' } },
  { type: 'padsSeen', slot: 'display', side: 'balls', pads: { A1: 'bridged', A2: 'good' } },
  { type: 'reworkStepped', slot: 'display', step: 'settle balls' },
  { type: 'reworkStepped', slot: 'display', step: 'look at balls' },
  { type: 'moduleTested', slot: 'display', fails: ['dot projector'], again: false },
  { type: 'reworkStepped', slot: 'display', step: 'place' },
  { type: 'reworkStepped', slot: 'display', step: 'plug in' },
  { type: 'reworkTried', slot: 'display', outcome: 'notice stays' },
  { type: 'reworkTried', slot: 'display', outcome: 'works' },
  { type: 'reworkEnded', slot: 'display', outcome: 'works' },
  { type: 'reworkEnded', slot: 'display', outcome: 'part lost', lost: 'new part' },
  { type: 'reworkEnded', slot: 'board', outcome: 'part lost' },
  { type: 'stepPassed', passed: 's1', round: 'mid' },
  { type: 'met', off: false, thing: { ...screw, lengthMm: 2 } },
  { type: 'met', off: true, again: true, thing: { ...screw, lengthMm: 2.1 } },
  { type: 'truthNamed', question: 'q1', about: 'connector K-cam', value: 'on' },
  { type: 'truthNamed', question: 'q2', about: 'weather here', value: 'wet' },
  { type: 'answered', question: 'q3', answer: 'looked' },
  { type: 'corrected', event: 'e1', truth: 't', reason: 'r' },
  { type: 'overridden', rule: 'r', reason: 'r' },
  { type: 'jobClosed', ending: 'handed over', note: '' },
];
/** What one state has otherwise than another, table by table. */
function changes(before: JobState, after: JobState): string[] {
  const value = (x: unknown) => (x === undefined ? '–' : JSON.stringify(x));
  return tableNames.flatMap((name) => {
    const [was, is] = [before, after].map((s) => s[name] as unknown as Record<string, unknown>) as [
      Record<string, unknown>,
      Record<string, unknown>,
    ];
    return [...new Set([...Object.keys(was), ...Object.keys(is)])]
      .filter((key) => value(was[key]) !== value(is[key]) || key in was !== key in is)
      .map((key) => `  ${name} ${key}: ${value(was[key])} > ${value(is[key])}`);
  });
}
/** Folds bodies into a log that begins with them, and tells what each changes; the last that can be is taken back. */
function told(list: readonly object[]): string[] {
  let state = empty();
  const out: string[] = [];
  const take = (body: object, more: Partial<JobEvent> = {}) => {
    const seq = state.seq + 1;
    const event = {
      ...{ id: `e${seq}`, seq, v: eventVersion, by: 'p1', at: at0 + 1000 * seq, clockKnown: true, body },
      ...more,
    } as JobEvent;
    const next = evolve(state, event);
    out.push(`${event.id} ${JSON.stringify(body)}`, ...changes(state, next));
    state = next;
    return event.id;
  };
  for (const body of list) take(body);
  take({ type: 'a kind of tomorrow' });
  const step = { step: 's7', target: 'A1', clockKnown: false };
  const breach = [
    { rule: 'still held', ids: ['A1'] },
    { rule: 'claim', ids: [], claims: [] },
  ];
  const out1 = take({ type: 'screwOut', fastener: 'A1', piece: 'A1#1' }, { ...step, breach } as never);
  take({ type: 'retracted', event: out1 });
  take({ type: 'acted', act: 'leak test', target: 'device:end' }, { v: 1 });
  take({ type: 'fated', slot: 'display', rider: 'coil', fate: 'keep' }, { v: 2 });
  take({ type: 'eased', kind: 'bad thread', thing: 'A2', how: 'longer' }, { v: 2 });
  take({ type: 'heatStarted', station: 'dryer', forS: 10 }, { clockKnown: false });
  take({ type: 'heatEnded' });
  return out;
}

test('what each entry changes', async () => {
  await expect(`${told(bodies).join('\n')}\n`).toMatchFileSnapshot('approved/entries.txt');
});
test('each kind of entry is among them, as it can be reported', () => {
  expect(bodies.filter((body) => !bodySchema.safeParse(body).success)).toEqual([]);
  const kinds = bodySchema.options.map((o) => o.shape.type.value);
  // what takes another back is told of one
  const there = new Set([...(bodies as Body[]).map((b) => b.type), 'retracted']);
  expect(kinds.filter((kind) => !there.has(kind))).toEqual([]);
});
