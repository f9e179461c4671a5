import { browserName } from './screens/account';
import { describe, expect, test } from 'vitest';
import { rules } from '../core/rules/interlocks';
import { Bench } from '../core/testing/bench';
import { dune3, indexed, mica9, route, sprigModel, swollen } from '../core/testing/demo-models';
import { functionIds } from '../core/vocabulary/trade';
import { eventText } from './events';
import { findingText, refusalText } from './findings';
import { narrowing } from './fault';
import { doneLabel, doneWord, stepTitle } from './steps';
import { stepWhy } from './why';
import { cautionText } from './cautions';
import { list, pieceName, plural, thingName } from './things';
import { functionHow, functionName } from './functions';
import { formatsOf } from './formats';
import { left, minutes } from './time';

const index = indexed(mica9);

describe('the instructions', () => {
  const routes = [
    [index, route(mica9)],
    [index, route(mica9, { conditions: swollen })],
    [indexed(sprigModel), route(sprigModel)],
  ] as const;
  test('say in one short sentence what to do, with no id of a slot in them', () => {
    for (const [ix, r] of routes)
      for (const s of r.steps) {
        const title = stepTitle(ix, s);
        expect(title).toMatch(/^[A-Z][^.!?]{5,60}$/);
        expect(title).not.toMatch(/undefined|-bracket|-cover|@|#/);
        for (const t of s.targets) expect(doneLabel(ix, s, t)).toMatch(/^[\w(]/);
        for (const c of s.cautions) expect(cautionText[c].length).toBeGreaterThan(10);
      }
  });
  test('swing a hinged bracket open and shut: it stays in the device and goes into no tray', () => {
    const ix = indexed(dune3);
    const r = route(dune3, { tasks: [{ slot: 'id-chip', action: 'rework' }] });
    const about = r.steps.filter((s) => s.targets[0] === 'chip-bracket');
    expect(about.map((s) => stepTitle(ix, s))).toEqual([
      'Swing the small bracket over the identity chip open to the right',
      'Swing the small bracket over the identity chip shut',
    ]);
    expect(doneLabel(ix, about[1]!, 'chip-bracket')).toMatch(/is shut$/);
    const b = new Bench(ix, r).open({ tasks: [{ slot: 'id-chip', action: 'rework' }] }).finish();
    expect(b.log.some((e) => e.body.type === 'pieceMoved' && e.body.slot === 'chip-bracket')).toBe(true);
    expect(b.state.place['chip-bracket#1']).toBe('slot/chip-bracket');
    expect(b.state.pose['chip-bracket']).toBeUndefined();
  });
  test('give the reason that the model has for each step of the way out', () => {
    const r = route(mica9);
    const why = (action: string, target: string) =>
      stepWhy(index, r.steps.find((s) => s.action === action && s.targets.includes(target))!);
    expect(why('move', 'cell-bracket')).toBe('covers the cell connector');
    expect(why('unscrew', 'B1')).toBe('holds the cell bracket');
    expect(why('move', 'vibration')).toBe('covers the lower strip, right');
    expect(why('disconnect', 'K-speak')).toBe('joins the loudspeaker to the board');
    expect(why('disconnect', 'K-cell')).toBe('no other connector may move while the cell is on');
    expect(why('move', 'cell')).toBe('is to be replaced');
    const chip = route(dune3, { tasks: [{ slot: 'id-chip', action: 'replace' }] });
    const off = chip.steps.find((s) => s.action === 'disconnect')!;
    expect(off.targets).toEqual(['K-cell']);
    expect(stepWhy(indexed(dune3), off)).toBe('no hot air comes near a board that is live');
    for (const s of r.steps.filter((x) => x.phase === 'Open' || x.phase === 'Strip'))
      expect(stepWhy(index, s)).not.toBe('');
  });
  test('name what will be so when the button is pressed', () => {
    const r = route(mica9);
    const label = (action: string, target: string) =>
      doneLabel(index, r.steps.find((s) => s.action === action && s.targets.includes(target))!, target);
    expect(label('unscrew', 'L6')).toBe('L6 is out');
    expect(label('disconnect', 'K-cell')).toBe('cell is off');
    expect(label('heat', 'start')).toBe('It is on the plate');
    expect(label('release', 'strip-tl')).toBe('upper strip, left is out whole');
  });
});

test('every interlock says what would happen and what to do instead', () => {
  for (const rule of Object.keys(rules) as (keyof typeof rules)[]) {
    const t = findingText(index, { rule, ids: ['B1', 'C1'], seconds: 12 });
    expect(t.what, rule).toMatch(/[.]$/);
    expect(t.instead, rule).toMatch(/[.]$/);
    expect(`${t.what}${t.instead}`).not.toContain('undefined');
  }
  expect(findingText(index, { rule: 'solvent still wet', ids: [], seconds: 42 }).instead).toContain(
    '42 s to go',
  );
  expect(findingText(index, { rule: 'not all inside', ids: ['B1', 'loudspeaker'] }).what).toBe(
    'Not inside yet: screw B1 and loudspeaker.',
  );
});
test('every refusal has its words', () => {
  expect(
    refusalText(index, {
      code: 'interlock',
      findings: [{ rule: 'cell first off', severity: 'stop', ids: ['K-cell'], passableBy: [] }],
    }),
  ).toBe('The cell is still on: a connector that moves now can blow a rail. Unplug the cell first.');
  for (const r of [
    { code: 'closed' },
    { code: 'reason missing' },
    { code: 'second person needed' },
    { code: 'not the latest', latest: undefined },
    { code: 'needs the server' },
    { code: 'not opened' },
    { code: 'no such job' },
    { code: 'another person' },
  ] as const)
    expect(refusalText(index, r)).toMatch(/[.]$/);
});
test('every event of a whole repair can be told in words', () => {
  const bench = new Bench(index, route(mica9)).open().finish();
  bench.do({ type: 'jobClosed', ending: 'handed over', note: '' });
  for (const e of bench.log) expect(eventText(index, e.body), e.body.type).toMatch(/^\S.*[^,;]$/);
});
test('every function has a name and says when it passes', () => {
  for (const f of functionIds) {
    expect(functionName[f]).toMatch(/^[a-z]/i);
    expect(functionHow[f].length).toBeGreaterThan(4);
  }
});

describe('names, lists and counts', () => {
  test('things are called what the trade calls them', () => {
    expect(thingName(index, 'C3')).toBe('screw C3');
    expect(thingName(index, 'M1')).toBe('standoff M1');
    expect(thingName(index, 'K-panel')).toBe('panel connector');
    expect(pieceName(index, 'cell#2')).toBe('new cell');
    expect(pieceName(index, 'cell#1', ['cell'])).toBe('old cell');
  });
  test('a long list says how many it leaves out', () => {
    expect(list(['a'])).toBe('a');
    expect(list(['a', 'b', 'c'])).toBe('a, b and c');
    expect(list(['a', 'b', 'c', 'd'], 2)).toBe('a, b and 2 more');
    expect(list([])).toBe('');
    expect(plural(1, 'screw')).toBe('1 screw');
    expect(plural(3, 'screw')).toBe('3 screws');
  });
});
describe('times', () => {
  test('count down in minutes and seconds, and in hours from an hour up', () => {
    expect(left(112)).toBe('1:52');
    expect(left(0.2)).toBe('0:01');
    expect(left(-5)).toBe('0:00');
    expect(left(11_400)).toBe('3:10 h');
  });
  test('say tomorrow for tomorrow, over a month’s end, too', () => {
    const { soon, soonShort } = formatsOf({ currency: 'EUR' });
    const at = (d: number, h: number) => new Date(2026, 0, d, h, 20).getTime();
    expect(soon(at(31, 17), at(31, 9))).toBe('17:20');
    expect([
      soonShort(at(31, 17), at(31, 9)),
      soonShort(new Date(2026, 1, 1, 10, 20).getTime(), at(31, 23)),
    ]).toEqual(['17:20', 'Sun']);
    expect(soon(new Date(2026, 1, 1, 10, 20).getTime(), at(31, 23))).toBe('tomorrow 10:20');
    expect(soon(at(20, 10), at(31, 9))).toMatch(/Tue.* 20 Jan.* 10:20/);
  });
  test('durations are rounded as people say them', () => {
    expect(minutes(0.4)).toBe('under 1 min');
    expect(minutes(34.2)).toBe('34 min');
    expect(minutes(270)).toBe('4 h 30 min');
  });
});

test('a bit of information is said as what it does: it halves the suspects (Shannon 1948), and a bit is a tool', () => {
  expect(narrowing(0)).toBe('0 % fewer suspects');
  expect(narrowing(1)).toBe('50 % fewer suspects');
  expect(narrowing(2)).toBe('75 % fewer suspects');
});
test('the key beside a thing that is not done never says that it is', () => {
  for (const action of ['release', 'unhook', 'connect', 'film off', 'set aside'] as const)
    expect(doneWord(action)).toMatch(/^(is|it is) /);
});

test('a session is told by what it was opened with, as far as one needs to know one’s own', () => {
  expect(browserName('pocket browser/1.0 (Mobile)')).toBe('a phone or a tablet');
  expect(browserName('slate browser/1.0 (Tablet)')).toBe('a phone or a tablet');
  expect(browserName('bench browser/1.0')).toBe('a computer');
  expect(browserName('')).toBe('a computer');
});
