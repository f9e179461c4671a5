import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route, withMethods } from '../testing/demo-models';
import { noHeat } from '../vocabulary/conditions';
import { instruct } from './instruct';
import { flag } from '../log/state';

const index = indexed(mica9);
const now = (b: Bench) => instruct(b.context, b.state, { at: b.at, clockKnown: true });
/** A bench whose device has just gone on the plate. */
function onThePlate(methods: Parameters<typeof withMethods>[0] = {}): Bench {
  const b = new Bench(index, route(mica9, withMethods(methods))).open();
  for (let k = 0; k < 50 && !flag(b.state, 'heat'); k++) b.next();
  return b;
}

describe('a condition that forbids what is running', () => {
  test.each(noHeat)(
    '%s on the plate: off first, in the log, and no instruction before the rest is planned',
    (condition) => {
      const b = onThePlate();
      b.do({ type: 'conditionSet', condition, because: 'seen at the bench' });
      const stop = now(b);
      expect(stop).toEqual({ kind: 'stop now', what: 'heat', ids: [condition], body: { type: 'heatEnded' } });
      if (stop.kind === 'stop now') b.do(stop.body);
      expect(b.log.at(-1)!.body.type).toBe('heatEnded');
      expect(now(b)).toEqual({ kind: 'plan again', ids: [condition], tasks: [] });
      b.adopt(route(mica9, { conditions: [condition], standing: b.standing() }));
      expect(b.route!.steps.map((s) => s.action)).not.toContain('heat');
      expect(now(b)).toMatchObject({ kind: 'waiting', step: { action: 'solvent' } });
    },
  );
  test('it comes before a question that is open', () => {
    const b = onThePlate();
    b.do({ type: 'connectorOff', connector: 'K-panel' });
    b.do({ type: 'conditionSet', condition: 'swollen', because: 'seen at the bench' });
    expect(now(b).kind).toBe('stop now');
  });
  test('in the press: out of it', () => {
    const b = new Bench(index, route(mica9)).open();
    for (let k = 0; k < 400 && flag(b.state, 'hold')?.what !== 'press'; k++) b.next();
    b.do({ type: 'conditionSet', condition: 'swollen', because: 'the new cell bulges' });
    const stop = now(b);
    expect(stop).toMatchObject({ kind: 'stop now', what: 'press' });
    if (stop.kind === 'stop now') b.do(stop.body);
    expect(flag(b.state, 'hold')).toBeNull();
    expect(now(b).kind).toBe('plan again');
  });
  test('at the charger: unplugged, and the test is over', () => {
    const b = new Bench(index, undefined).open({ tasks: [] });
    b.do({ type: 'symptomSet', symptom: 'no-start', on: true });
    b.do({ type: 'testBegun', test: 'charge' });
    expect(b.state.test.charge).toBeDefined();
    b.do({ type: 'conditionSet', condition: 'hot', because: 'too hot to hold' });
    const stop = now(b);
    expect(stop).toMatchObject({ kind: 'stop now', what: 'charge', ids: ['hot'] });
    if (stop.kind === 'stop now') b.do(stop.body);
    expect(now(b).kind).not.toBe('stop now');
  });
});

describe('a window that readings at the glass have moved', () => {
  const fitted = (b: Bench, window: { opensS?: number; closesS?: number }) =>
    b.do({ type: 'heatWindowFitted', readings: 1, softForS: 90, ...window });
  const heat = (b: Bench) => flag(b.state, 'heat')!;
  test('is the one that the step waits for, must be off by, and stays soft after', () => {
    const b = onThePlate();
    const { since } = heat(b);
    fitted(b, { opensS: 60, closesS: 120 });
    expect(now(b)).toMatchObject({ kind: 'waiting', target: 'end', until: since + 60_000 });
    b.at = since + 61_000;
    expect(now(b)).toMatchObject({ kind: 'do', by: { until: since + 120_000 } });
    b.do({ type: 'heatEnded' });
    expect(flag(b.state, 'heatEndedAt')).toMatchObject({ ofS: 60, softForS: 90 });
    // given for as long as it then had to be: not cut short
    const next = now(b);
    expect(next.kind === 'do' && next.findings.map((f) => f.rule)).not.toContain('soak cut short');
  });
  test('with no time that is right it comes off by the limit of its cell', () => {
    const b = onThePlate();
    fitted(b, { closesS: 40 });
    expect(heat(b).opensAt).toBeUndefined();
    expect(now(b)).toMatchObject({ kind: 'waiting', until: heat(b).since + 40_000 });
  });
  test('two benches that compute the same give one event, and undo takes back what a person did', () => {
    const b = onThePlate();
    b.do({ type: 'glassRead', celsius: 70 });
    expect(fitted(b, { opensS: 60, closesS: 120 }).events).toHaveLength(1);
    expect(fitted(b, { opensS: 60, closesS: 120 }).events).toHaveLength(0);
    expect(b.state.trail.at(-1)!.type).toBe('glassRead');
  });
  test('means nothing to a device that is off the heat', () => {
    const b = onThePlate();
    b.do({ type: 'heatEnded' });
    expect(fitted(b, { opensS: 60, closesS: 120 }).events).toHaveLength(0);
    expect(heat(b)).toBeNull();
  });
});

describe('a soak that was broken off', () => {
  test('is known to the first gap: cold, the panel splits from its frame', () => {
    const b = onThePlate();
    b.at += 40_000;
    b.do({ type: 'heatEnded' });
    const next = now(b);
    expect(next).toMatchObject({ kind: 'do', step: { action: 'gap' } });
    const cold = next.kind === 'do' ? next.findings.find((f) => f.rule === 'soak cut short') : undefined;
    expect(cold).toMatchObject({ severity: 'stop', ids: ['seal'] });
    // it was to be on for as long as was planned; 45 s had gone by, with the five of the press
    const { waitS } = b.route!.steps.find((s) => s.action === 'heat')!;
    expect(waitS).toBeGreaterThan(120);
    expect(cold!.seconds).toBe(waitS - 45);
    expect(b.do(next.kind === 'do' ? next.body : { type: 'heatEnded' }).events.at(-1)!.breach).toEqual([
      { rule: 'soak cut short', ids: ['seal'] },
    ]);
  });
  test('warmed again, it waits for the plate and then goes on without a word', () => {
    const b = onThePlate();
    b.at += 40_000;
    b.do({ type: 'heatEnded' });
    b.do({ type: 'heatStarted', station: 'hot-plate', forS: 170, hot: 'said' });
    const wait = now(b);
    expect(wait).toMatchObject({ kind: 'waiting', target: 'end', body: { type: 'heatEnded' } });
    b.next();
    expect(now(b)).toMatchObject({ kind: 'do', step: { action: 'gap' }, findings: [] });
  });
  test('whole, it says until when opening has to start, and after that to warm it again', () => {
    const b = onThePlate();
    b.next();
    const ended = flag(b.state, 'heatEndedAt')!;
    const next = now(b);
    expect(next).toMatchObject({ kind: 'do', step: { action: 'gap' }, findings: [] });
    // as long as it stays soft, and no longer than the model's greatest delay, 180 s
    const delayS = b.route!.steps.find((s) => s.action === 'heat')!.maxDelayS!;
    expect(delayS).toBeLessThanOrEqual(180);
    expect(next.kind === 'do' && next.by).toEqual({ until: ended.at + delayS * 1000, clockKnown: true });
    // what was begun in time may be ended: as long as its work takes
    b.at = ended.at + (delayS + 150) * 1000;
    expect(now(b)).toMatchObject({ kind: 'do', findings: [] });
    b.at += 1000;
    expect(now(b)).toMatchObject({ kind: 'do', findings: [{ rule: 'cooled again', ids: ['seal'] }] });
  });
  test('a gap that is there needs no second soak when the rest is planned again', () => {
    const b = onThePlate();
    b.next();
    b.next();
    expect(b.state.acted['gap seal']).toBeDefined();
    const again = route(mica9, { standing: b.standing() });
    expect(again.steps.map((s) => s.action)).not.toContain('heat');
    expect(again.steps[0]).toMatchObject({ action: 'solvent' });
  });
});

describe('on the plate', () => {
  /** As computed: from 150 s on nine seals of ten are soft, from 200 s on one cell of a hundred may be at its limit. */
  function soaking(more: { opensS?: number; closesS?: number } = { opensS: 150, closesS: 200 }) {
    const b = new Bench(index, route(mica9)).open();
    const isNext = () => {
      const i = now(b);
      return i.kind === 'do' && i.body.type === 'heatStarted';
    };
    for (let k = 0; k < 50 && !isNext(); k++) b.next();
    b.paceMs = 0;
    const soak = {
      type: 'heatStarted',
      station: 'hot-plate',
      forS: 180,
      setC: 80,
      hot: 'said',
      softForS: 60,
    } as const;
    expect(b.do({ ...soak, ...more }).refused).toBeUndefined();
    return { b, from: b.at };
  }
  const at = (b: Bench, from: number, s: number) =>
    instruct(b.context, b.state, { at: from + s * 1000, clockKnown: true });
  test('the pedal waits until the seal is soft, then takes it off, to the end of the window', () => {
    const { b, from } = soaking();
    expect(at(b, from, 149)).toMatchObject({ kind: 'waiting', until: from + 150_000 });
    for (const s of [150, 170, 199])
      expect(at(b, from, s)).toMatchObject({ kind: 'do', body: { type: 'heatEnded' }, findings: [] });
  });
  test('after the end nothing else is said: off now, since when, and the pedal takes it off', () => {
    const { b, from } = soaking();
    expect(at(b, from, 200)).toEqual({
      kind: 'stop now',
      what: 'heat',
      ids: [],
      since: from + 200_000,
      body: { type: 'heatEnded' },
    });
    b.do({ type: 'connectorOff', connector: 'K-panel' });
    expect(at(b, from, 260).kind).toBe('stop now');
    b.at = from + 260_000;
    b.do({ type: 'heatEnded' });
    expect(now(b).kind).not.toBe('stop now');
  });
  test('a clock that is not known alarms nobody, and ends no wait', () => {
    const { b, from } = soaking();
    expect(instruct(b.context, b.state, { at: from + 999_000, clockKnown: false }).kind).toBe('waiting');
  });
  test('where no time is right, it comes off by the limit all the same', () => {
    const { b, from } = soaking({ closesS: 200 });
    expect(at(b, from, 179).kind).toBe('waiting');
    expect(at(b, from, 185)).toMatchObject({ kind: 'do', body: { type: 'heatEnded' } });
    expect(at(b, from, 201).kind).toBe('stop now');
  });
  test('while the plate reads cold no time counts; warm again, it begins anew', () => {
    const { b, from } = soaking();
    b.at = from + 60_000;
    b.do({ type: 'sourceRead', celsius: 40 });
    expect(flag(b.state, 'soaks')!.at(-1)).toMatchObject({ from, to: from + 60_000 });
    // it is as far off after a minute of cold as it was
    expect(at(b, from, 100)).toMatchObject({ kind: 'waiting', until: from + 190_000 });
    expect(at(b, from, 170)).toMatchObject({ kind: 'waiting', until: from + 260_000 });
    b.at = from + 120_000;
    b.do({ type: 'sourceRead', celsius: 79 });
    expect(flag(b.state, 'heat')).toMatchObject({
      since: b.at,
      opensAt: b.at + 150_000,
      closesAt: from + 200_000,
    });
    expect(flag(b.state, 'heat')).not.toHaveProperty('coldSince');
    expect(flag(b.state, 'soaks')!.at(-1)).toEqual({ station: 'hot-plate', from: b.at, to: null, setC: 80 });
  });
  test('warmed by nothing it is not soft: the step that opens it is stopped', () => {
    const { b, from } = soaking({ opensS: 150, closesS: 400 });
    b.at = from + 20_000;
    b.do({ type: 'sourceRead', celsius: 30 });
    b.at = from + 300_000;
    b.do({ type: 'heatEnded' });
    expect(flag(b.state, 'heatEndedAt')).toMatchObject({ gaveS: 20, ofS: 150 });
    expect(now(b)).toMatchObject({ kind: 'do', findings: [{ rule: 'soak cut short', seconds: 130 }] });
  });
});
