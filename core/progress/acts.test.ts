import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { dune2, indexed, mica4, mica9, replace, route } from '../testing/demo-models';
import { balance, unaccounted } from '../rules/balance';
import { instruct } from './instruct';
import { flag } from '../log/state';

const index = indexed(mica9);
const opened = () => new Bench(index, route(mica9)).open();

describe('an act of the route', () => {
  test('is kept in the log, done once, and asked for again when the device has been closed since', () => {
    const b = opened();
    expect(instruct(b.context, b.state, { at: b.at, clockKnown: true })).toMatchObject({
      kind: 'do',
      step: { action: 'switch off' },
    });
    b.next();
    expect(b.do({ type: 'acted', act: 'switch off', target: 'device' }).already).toBe(true);
    expect(b.standing().acted).toEqual(['switch off device']);
    b.finish();
    expect(b.standing().acted).not.toContain('switch off device');
    expect(b.do({ type: 'acted', act: 'switch off', target: 'device' }).events).toHaveLength(1);
  });
  test('can be taken back like any other entry', () => {
    const b = opened();
    const before = structuredClone(b.state);
    b.next();
    b.do({ type: 'retracted', event: b.log.at(-1)!.id });
    expect({ ...b.state, seq: 0, lastAt: 0, lastId: '', retracted: {} }).toEqual({
      ...before,
      seq: 0,
      lastAt: 0,
      lastId: '',
      retracted: {},
    });
  });
  test('that runs by itself is waited for, and may be ended early', () => {
    const b = opened();
    b.do({ type: 'acted', act: 'press', target: 'frame:start', forS: 30 });
    expect(flag(b.state, 'hold')).toMatchObject({ what: 'press', until: b.at - b.paceMs + 30_000 });
    b.do({ type: 'acted', act: 'press', target: 'frame:end' });
    expect(flag(b.state, 'hold')).toBeNull();
  });
  test('on the way: pressing, glue and the leak test each show their end, the clock unknown ends none', () => {
    const b = new Bench(indexed(dune2), route(dune2, replace('ring-magnets'))).open(replace('ring-magnets'));
    const waits = new Map<string, number>();
    for (let k = 0; k < 400; k++) {
      const i = instruct(b.context, b.state, { at: b.at, clockKnown: true });
      if (i.kind === 'waiting') {
        waits.set(i.step.action, Math.round((i.until - b.at) / 1000));
        expect(instruct(b.context, b.state, { at: b.at + 9e6, clockKnown: false }).kind).toBe('waiting');
      }
      if (!b.next()) break;
    }
    expect([...waits.keys()]).toEqual(
      expect.arrayContaining(['heat', 'solvent', 'cure', 'press', 'leak test']),
    );
    // common practice: 30 s under the press, 20 s of leak-test hold; less the pace of the bench
    expect(waits.get('press')).toBe(25);
    expect(waits.get('leak test')).toBe(15);
  });
});

test('nothing is pressed with a swollen cell in it, whoever gives whatever reason', () => {
  const b = new Bench(index, route(mica9), 'p1', 'owner').open();
  b.do({ type: 'conditionSet', condition: 'swollen', because: 'panel stands proud' });
  const press = (target: string) =>
    b.do(
      { type: 'acted', act: 'press', target, forS: 30 },
      { override: { rules: ['no press on this cell'], reason: 'little force' } },
    );
  expect(press('frame:start')).toMatchObject({
    events: [],
    refused: {
      code: 'interlock',
      findings: [{ rule: 'no press on this cell', severity: 'forbid', ids: ['swollen'] }],
    },
  });
  expect(flag(b.state, 'hold')).toBeUndefined();
  // when the owner has looked and cleared it, it is pressed like any other
  b.do({ type: 'conditionCleared', condition: 'swollen', reason: 'panel was glued badly, cell is flat' });
  expect(press('frame:start').events).toHaveLength(1);
});

describe('identity data', () => {
  test('an old display that is put aside unread is asked about; read, written and verified settle it', () => {
    const b = opened();
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
    expect(b.do({ type: 'pieceSetAside', piece: 'display#1', to: 'owner' }).events[0]!.breach).toEqual([
      { rule: 'identity data unread', ids: ['display'] },
    ]);
    const c = opened();
    c.do({ type: 'dataRead', slot: 'display' });
    expect(c.do({ type: 'dataRead', slot: 'display' }).already).toBe(true);
    expect(
      c.do({ type: 'pieceSetAside', piece: 'display#1', to: 'owner' }).findings.map((f) => f.rule),
    ).not.toContain('identity data unread');
    expect(c.standing().data).toEqual({ display: 'read' });
  });
  test('on the route: read before the old one goes, written before the new one comes', () => {
    const b = new Bench(index, route(mica9, replace('display'))).open(replace('display')).finish();
    const types = b.log.map((e) => e.body.type);
    expect(types.indexOf('dataRead')).toBeLessThan(
      b.log.findIndex((e) => e.body.type === 'pieceSetAside' && e.body.piece === 'display#1'),
    );
    expect(types.indexOf('dataWritten')).toBeLessThan(
      b.log.findIndex((e) => e.body.type === 'pieceFitted' && e.body.piece === 'display#2'),
    );
    expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
  });
});

describe('assemblies in the ledger', () => {
  test('every piece of the old display is moved over, or aside with it, and each by name', () => {
    const b = new Bench(indexed(mica4), route(mica4, replace('display'))).open(replace('display')).finish();
    expect(b.state.place).toMatchObject({
      'display#1': 'aside/recycling',
      'display#2': 'slot/display',
      'home-key#1': 'slot/home-key',
      'front-flex#1': 'slot/front-flex',
      'back-plate#1': 'slot/back-plate',
    });
    expect(unaccounted(b.state, indexed(mica4))).toEqual([]);
    expect(balance(b.state, indexed(mica4)).screwsOut).toEqual([]);
  });
  test('a piece that was forgotten on the old one is missing in the new', () => {
    const ix = indexed(mica4);
    const b = new Bench(ix, undefined).open(replace('display'));
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
    b.do({ type: 'pieceSetAside', piece: 'display#1', to: 'owner', with: ['home-key#1', 'screw:H1#1'] });
    b.do({ type: 'pieceFitted', slot: 'display', piece: 'display#2', pose: 'in' });
    expect(balance(b.state, ix).piecesOut).toEqual(['home-key']);
    expect(balance(b.state, ix).screwsOut).toEqual(['H1']);
    expect(b.do({ type: 'deviceClosed' }).refused).toMatchObject({ code: 'interlock' });
  });
  test('what comes on the new one is there with it, and undone with it', () => {
    const ix = indexed(dune2);
    const b = new Bench(ix, undefined).open(replace('display'));
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
    b.do({ type: 'pieceSetAside', piece: 'display#1', to: 'owner', with: ['glass#1'] });
    b.do({ type: 'pieceFitted', slot: 'display', piece: 'display#2', pose: 'folded', with: ['glass#2'] });
    expect(b.state.place['glass#2']).toBe('slot/glass');
    expect(balance(b.state, ix).filmsOn).toEqual(expect.arrayContaining(['glass#2/0', 'display#2/0']));
    b.do({ type: 'retracted', event: b.log.at(-1)!.id });
    expect(b.state.place).not.toHaveProperty('glass#2');
  });
});

test('tasks are added and dropped by name; the same again says nothing new', () => {
  const b = opened();
  b.do({ type: 'taskSet', slot: 'camera', action: 'replace' });
  expect(b.state.task).toEqual({ cell: 'replace', camera: 'replace' });
  expect(b.do({ type: 'taskSet', slot: 'camera', action: 'replace' }).already).toBe(true);
  b.do({ type: 'taskSet', slot: 'cell', action: 'none' });
  expect(b.state.task).toEqual({ camera: 'replace' });
  expect(b.do({ type: 'taskSet', slot: 'lid', action: 'replace' }).refused).toEqual({
    code: 'unknown thing',
    id: 'lid',
  });
});
