import { describe, expect, test } from 'vitest';
import { openChecks } from '../checks/due';
import type { WhyNot } from '../log/measured';
import { instruct } from '../progress/instruct';
import { Bench } from '../testing/bench';
import { indexed, mica9, replace, route } from '../testing/demo-models';
import type { FunctionId } from '../vocabulary/trade';
import { originalPiece } from '../vocabulary/pieces';
import { patternWeight, suspicionOf } from './suspects';

const index = indexed(mica9);
/** A bench that has just answered the mid check of a new display, with some functions that fail. */
function failing(...functions: FunctionId[]): Bench {
  const b = new Bench(index, route(mica9, replace('display'))).open(replace('display'));
  for (let k = 0; k < 500; k++) {
    const now = instruct(b.context, b.state, { at: b.at, clockKnown: true });
    if (now.kind === 'checks' && now.step.round === 'mid' && !now.step.short) {
      for (const c of openChecks(b.state, index, 'mid'))
        b.do({
          type: 'checked',
          round: 'mid',
          function: c.function,
          result: functions.includes(c.function) ? 'fails' : 'works',
        });
      return b;
    }
    b.next();
  }
  throw new Error('never came to the mid check');
}
const dead = { deadX: 40, deadY: 0, deadW: 6, deadH: 52, dead: 1 };

describe('who is suspected when something fails after work', () => {
  test('nobody while all works', () => {
    expect(suspicionOf(index, failing().state)).toBeUndefined();
  });
  test('most of all the plug that is not home, and it is pressed home first (common practice)', () => {
    const { suspects, next } = suspicionOf(index, failing('touch').state)!;
    expect(suspects[0]).toMatchObject({ kind: 'contact', slot: 'display' });
    expect(next).toMatchObject({ kind: 'reseat', thing: suspects[0]!.thing });
    expect(suspects.reduce((sum, s) => sum + s.p, 0)).toBeCloseTo(1, 9);
    expect(suspects.map((s) => s.p)).toEqual(suspects.map((s) => s.p).toSorted((a, b) => b - a));
    expect(suspects.some((s) => s.kind === 'part' && s.slot === 'display')).toBe(true);
    expect(suspects.at(-1)!.p).toBeLessThan(0.1);
  });
  test('of two functions that fail, what explains both', () => {
    const one = suspicionOf(index, failing('touch').state)!;
    const both = suspicionOf(index, failing('touch', 'picture').state)!;
    // picture and touch have plugs of their own on this model: what they share is the display
    expect(both.suspects[0]).toMatchObject({ kind: 'part', slot: 'display' });
    const chance = (s: typeof one) => s.suspects.find((x) => x.id === 'part display')!.p;
    expect(chance(both)).toBeGreaterThan(chance(one));
  });
  test('a plug that was pressed home in vain is no longer the first; the next best try is another', () => {
    const b = failing('touch');
    const first = suspicionOf(index, b.state)!;
    const plug = first.next!.thing;
    b.do({ type: 'connectorOff', connector: index.cellConnector! });
    b.do({ type: 'reseated', connector: plug });
    b.do({ type: 'connectorOn', connector: index.cellConnector! });
    b.do({ type: 'checked', round: 'mid', function: 'touch', result: 'fails' });
    const again = suspicionOf(index, b.state)!;
    const chance = (s: typeof first) => s.suspects.find((x) => x.id === `contact ${plug}`)!.p;
    expect(chance(again)).toBeLessThan(chance(first) / 3);
    expect(again.next?.thing).not.toBe(plug);
    expect(again.tries.map((t) => t.id)).not.toContain(`reseat ${plug}`);
  });
  test('what this workshop has put right before moves them', () => {
    const b = failing('touch');
    const chance = (lessons: object) =>
      suspicionOf(index, b.state, lessons)!.suspects.find((s) => s.id === 'part display')!.p;
    expect(chance({ part: 20 })).toBeGreaterThan(2 * chance({}));
    expect(chance({ contact: 20 })).toBeLessThan(chance({}));
  });
  test('a part that is not in its place is looked for before all else, and put in', () => {
    const b = failing('touch');
    const gone = { ...b.state, place: { ...b.state.place } };
    for (const [piece, at] of Object.entries(gone.place))
      if (at === 'slot/display') gone.place[piece] = 'tray';
    const { suspects, next } = suspicionOf(index, gone)!;
    expect(suspects[0]).toMatchObject({ kind: 'missing', slot: 'display' });
    expect(next).toMatchObject({ kind: 'fit', thing: 'display' });
  });
  test('a screw that is longer than its hole takes, near a plug that was moved, is suspected most', () => {
    const b = failing('touch');
    const screw = (state = b.state) => suspicionOf(index, state)!.suspects.find((s) => s.kind === 'screw');
    // near the plug of the touch layer lie holes that another screw that was out would come through
    const before = screw();
    expect(before).toBeDefined();
    const piece = originalPiece(before!.thing);
    const long = {
      ...b.state,
      place: { ...b.state.place, [piece]: `hole/${before!.thing}` },
      spec: { ...b.state.spec, [piece]: { lengthMm: 9 } },
    };
    expect(screw(long)!.p).toBeGreaterThan(4 * before!.p);
    expect(screw(long)).toMatchObject({
      thing: before!.thing,
      slot: index.fasteners.get(before!.thing)!.holds[0],
    });
  });
  test('a bracket without contact to earth: for a panel that touches itself, and not for a picture', () => {
    const b = failing('touch', 'picture');
    const earth = (state = b.state) =>
      suspicionOf(index, state)!
        .suspects.filter((s) => s.kind === 'earth')
        .reduce((sum, s) => sum + s.p, 0);
    const ghosts = {
      ...b.state,
      measured: {
        'mid touch': {
          id: '',
          kind: 'touch' as const,
          verdict: 'fails' as const,
          because: 'ghosts' as const,
          figures: {},
          seq: 1,
          by: '',
        },
      },
    };
    expect(earth(ghosts as typeof b.state)).toBeGreaterThan(1.3 * earth());
    expect(suspicionOf(index, failing('picture').state)!.suspects.some((s) => s.kind === 'earth')).toBe(
      false,
    );
  });
  test('a measured pattern moves the chances: a narrow dead stripe is the flex or the panel', () => {
    const b = failing('touch');
    const before = suspicionOf(index, b.state)!.suspects;
    b.do({
      type: 'checkMeasured',
      round: 'mid',
      function: 'touch',
      measured: {
        id: '00000000-0000-4000-8000-000000000001',
        kind: 'touch',
        verdict: 'fails',
        because: 'dead',
        figures: dead,
      },
    });
    const after = suspicionOf(index, b.state)!.suspects;
    const flex = (list: typeof before) => list.filter((s) => s.kind === 'flex').reduce((p, s) => p + s.p, 0);
    expect(flex(after)).toBeGreaterThan(flex(before) * 1.2);
  });
});

test.each<[WhyNot, object, string, string]>([
  ['dead', dead, 'flex', 'contact'],
  ['dead', { deadW: 64, deadH: 40, dead: 1 }, 'contact', 'flex'],
  ['silent', {}, 'contact', 'film'],
  ['quieter', {}, 'film', 'contact'],
  ['spots', {}, 'film', 'part'],
  ['ghosts', {}, 'part', 'contact'],
])('%s %j speaks for %s more than for %s', (because, figures, more, less) => {
  const weight = (kind: string) => patternWeight(kind as 'flex', because, figures, { w: 65, h: 140 });
  expect(weight(more)).toBeGreaterThan(weight(less));
});
