import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import { eventVersion, type JobEvent } from './events';
import { evolve, fold } from './evolve';
import { empty, flag } from './state';
import { upcast } from './upcast';
import { waterOf } from '../rules/water';

const base = { id: 'e1', seq: 1, by: 'p1', at: 0, clockKnown: true };

describe('an event of an older version', () => {
  test('the end of a leak test, which could only pass, is read as one that held', () => {
    const old = {
      ...base,
      v: 1,
      body: { type: 'acted', act: 'leak test', target: 'device:end' },
    } as JobEvent;
    expect(upcast(old)).toMatchObject({ v: eventVersion, body: { type: 'leakTested', holds: true } });
    expect(flag(fold(empty(), [old]), 'leak')).toMatchObject({ holds: true, seq: 1 });
  });
  test('a whole log of version 1 comes to the same claim', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open().finish();
    const old = b.log.map(
      (e) =>
        ({
          ...e,
          v: 1,
          body:
            e.body.type === 'leakTested' ? { type: 'acted', act: 'leak test', target: 'device:end' } : e.body,
        }) as JobEvent,
    );
    expect(waterOf(b.index, fold(empty(), old))).toBe(waterOf(b.index, b.state));
  });
  test('an event of this version is the same object', () => {
    const now = { ...base, v: eventVersion, body: { type: 'received' } } as JobEvent;
    expect(upcast(now)).toBe(now);
  });
});

test('an event type that this version does not have is kept as not understood, and the job goes on', () => {
  const b = new Bench(indexed(mica9), route(mica9)).open();
  const strange = {
    ...base,
    id: 'x1',
    seq: b.state.seq + 1,
    v: 99,
    body: { type: 'weighed', grams: 4 },
  } as unknown as JobEvent;
  const after = evolve(b.state, strange);
  expect(after.unread).toEqual({ x1: 'weighed' });
  expect(after.seq).toBe(b.state.seq + 1);
  b.state = after;
  expect(b.next()?.refused).toBeUndefined();
});

test('no table knows an id that was never put there, `constructor` neither', () => {
  const state = empty();
  for (const name of ['constructor', 'toString', '__proto__', 'hasOwnProperty']) {
    expect(state.enrolment[name]).toBeUndefined();
    expect(state.consent[name]).toBeUndefined();
  }
  const after = evolve(state, {
    ...base,
    v: eventVersion,
    body: { type: 'enrolled', what: 'face' },
  } as JobEvent);
  expect(after.enrolment.constructor).toBeUndefined();
  expect(fold(JSON.parse(JSON.stringify(after)), []).enrolment.constructor).toBeUndefined();
});
