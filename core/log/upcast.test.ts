import { commandSchema } from '../wire/commands';
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
  test('any other act of that time stays what it was', () => {
    for (const body of [
      { type: 'acted', act: 'leak test', target: 'device:start' },
      { type: 'acted', act: 'press', target: 'device:end' },
    ])
      expect(upcast({ ...base, v: 1, body } as JobEvent).body).toEqual(body);
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

describe('facts that have another name by now', () => {
  const ended = { kind: 'bad thread', thing: 'B1', how: 'holds now' };
  const moved = { slot: 'display', rider: 'ear-speaker', fate: 'move over' };
  const now = { type: 'transferSet', slot: 'display', part: 'ear-speaker', outcome: 'move over' };

  test('are read from a log that was written before', () => {
    const old = (body: object) => upcast({ ...base, v: 2, body } as unknown as JobEvent);
    expect(old({ type: 'eased', ...ended })).toMatchObject({
      v: eventVersion,
      body: { type: 'troubleEnded', ...ended },
    });
    expect(old({ type: 'fated', ...moved }).body).toEqual(now);
  });
  test('are taken from a bench that kept them in its outbox over the upgrade', () => {
    const sent = (body: object) =>
      commandSchema.safeParse({
        id: 'kept-0001',
        job: '3f0c7a52-8d0e-4c1b-9f3a-0b6f5f1f2d11',
        person: '3f0c7a52-8d0e-4c1b-9f3a-0b6f5f1f2d12',
        at: Date.UTC(2026, 0, 1),
        clockKnown: true,
        body,
      });
    expect(sent({ type: 'fated', ...moved }).data?.body).toEqual(now);
    expect(sent({ type: 'eased', ...ended }).data?.body.type).toBe('troubleEnded');
    expect(sent({ type: 'fated', slot: 'display' }).success).toBe(false);
    expect(sent({ type: 'hexed', ...moved }).success).toBe(false);
  });
});
