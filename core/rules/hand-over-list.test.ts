import { describe, expect, test } from 'vitest';
import { methodsOf } from '../methods/methods';
import { Bench } from '../testing/bench';
import { indexed, mica9, replace, route, sprigModel } from '../testing/demo-models';
import { handOverList, ownersBag } from './hand-over-list';

const done = (slot: string, more = {}) =>
  new Bench(indexed(mica9), route(mica9, { ...replace(slot), ...more })).open(replace(slot)).finish();

describe('what is looked at before a device is given back', () => {
  test('after a new cell: grilles, keys, tray, and nothing about a display that is its own', () => {
    const b = done('cell');
    const list = handOverList(b.index, b.state, methodsOf({}));
    expect(list).toEqual(expect.arrayContaining(['grilles', 'mute switch', 'tray']));
    for (const item of ['brightness', 'protector', 'care']) expect(list).not.toContain(item);
  });
  test('after a new display brightness only where its data did not come over', () => {
    const copied = done('display');
    const of = (b: Bench, data: string) =>
      handOverList(b.index, b.state, methodsOf({ 'display-data': data as 'copy' }));
    expect(of(copied, 'copy')).toContain('protector');
    expect(of(copied, 'copy')).not.toContain('brightness');
    const lost = done('display', { methods: methodsOf({ 'display-data': 'accept' }) });
    expect(of(lost, 'accept')).toContain('brightness');
  });
  test('the film is looked for where a display is new, or one that stayed had it taken off', () => {
    const own = done('cell');
    expect(handOverList(own.index, { ...own.state, film: {} }, methodsOf({}))).not.toContain('film');
    const taken = { ...own.state, film: { 'display/1': 'off' as const } };
    expect(handOverList(own.index, taken, methodsOf({}))).toContain('film');
    const renewed = done('display');
    expect(handOverList(renewed.index, { ...renewed.state, film: {} }, methodsOf({}))).toContain('film');
  });
  test('grilles are looked at where the device has an ear speaker or a loudspeaker', () => {
    const b = done('cell');
    const having = (...kinds: string[]) => {
      const slots = mica9.slots.filter(
        (s) => !['ear-speaker', 'loudspeaker'].includes(s.kind) || kinds.includes(s.kind),
      );
      return handOverList(indexed({ ...mica9, slots }), b.state, methodsOf({}));
    };
    expect(having('ear-speaker')).toContain('grilles');
    expect(having('loudspeaker')).toContain('grilles');
    expect(having()).not.toContain('grilles');
  });
  test('a bag is counted, screws and parts apart; without one nothing is said', () => {
    const b = done('cell');
    const { screws, parts } = ownersBag(b.index, {
      place: { 'B1#1': 'aside/owner', 'B2#1': 'aside/owner', 'cell#1': 'aside/owner', 'B3#1': 'mat/B3' },
    });
    expect([screws, parts]).toEqual([2, 1]);
    const none = new Bench(indexed(sprigModel), route(sprigModel, replace('cell')));
    expect(ownersBag(none.index, none.state)).toEqual({ screws: 0, parts: 0 });
    expect(handOverList(none.index, none.state, undefined)).not.toContain('bag');
  });
  test('glue by a sheet, and test enrolments, bring their line; ticked is kept by whom, and can be taken back', () => {
    const b = done('cell');
    b.state = {
      ...b.state,
      enrolment: { face: 'removed' },
      laid: { seal: { item: 'perimeter-seal', fullS: 9, at: b.at, clockKnown: true } },
    };
    const list = handOverList(b.index, b.state, methodsOf({}));
    expect(list).toEqual(expect.arrayContaining(['enrolments', 'care']));
    b.do({ type: 'handOverSeen', item: 'tray', seen: true });
    expect(b.state.handed.tray).toBe('p1');
    expect(b.do({ type: 'handOverSeen', item: 'tray', seen: true }).already).toBe(true);
    b.do({ type: 'handOverSeen', item: 'tray', seen: false });
    expect(b.state.handed.tray).toBeUndefined();
  });
});
