import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica9, route } from '../testing/demo-models';
import type { Body } from '../log/events';
import { type Command, couldHavePassed, decide } from './decide';

const index = indexed(mica9);
const plan = route(mica9);
const bench = (...facts: Body[]) => {
  const b = new Bench(index, plan).open();
  for (const fact of facts) b.do(fact);
  return b;
};
/** Whether a bench that stands so can have passed a body on its own copy. */
const could = (b: Bench, body: Body, more: Partial<Command> = {}) =>
  couldHavePassed(b.context, b.state, { id: 'c1', job: 'j', body, at: b.at, clockKnown: true, ...more });
const heat: Body = { type: 'heatStarted', station: 'hot-plate', forS: 180, hot: 'said' };
const close: Body = { type: 'deviceClosed' };
const swollen: Body = { type: 'conditionSet', condition: 'swollen', because: 'seen' };
/** The rules that stand against a body. */
const against = (b: Bench, body: Body) =>
  decide(b.context, b.state, { id: 'd1', job: 'j', body, at: b.at, clockKnown: true }).findings;

describe('a gate that a bench says it passed on its own copy', () => {
  test('a fact is none: it is taken whatever stands against it', () => {
    expect(could(bench(swollen), { type: 'screwOut', fastener: 'C3', piece: 'C3#1' })).toBe(true);
  });
  test('nothing stood against it', () => {
    expect(could(bench(), { type: 'acted', act: 'switch off', target: 'device' })).toBe(true);
    expect(against(bench(), heat).filter((f) => f.severity !== 'warn')).toEqual([]);
    expect(could(bench(), heat)).toBe(true);
  });
  test('what nobody passes was not passed, whatever reason is named', () => {
    const b = bench(swollen);
    const rules = against(b, heat).map((f) => f.rule);
    expect(rules).toContain('no heat on this cell');
    expect(could(b, heat)).toBe(false);
    expect(could(b, heat, { override: { rules, reason: 'I want to' } })).toBe(false);
  });
  test('a stop was passed with a reason by a role that may, and not without', () => {
    const b = bench();
    const stops = against(b, close).filter((f) => f.severity === 'stop');
    const rules = stops.map((f) => f.rule);
    expect(rules.length).toBeGreaterThan(0);
    expect(could(b, close)).toBe(false);
    const lead = { ...b.context, role: 'owner' as const };
    const asLead = (override?: Command['override']) =>
      couldHavePassed(lead, b.state, {
        ...{ id: 'c1', job: 'j', body: close, at: b.at, clockKnown: true },
        ...(override ? { override } : {}),
      });
    const passable = against(b, close).every((f) => f.severity !== 'forbid');
    expect(asLead({ rules, reason: 'looked at' })).toBe(passable);
    expect(asLead({ rules, reason: '  ' })).toBe(false);
    expect(asLead({ rules: rules.slice(1), reason: 'looked at' })).toBe(false);
  });
});

describe('a question is answered by the kind of answer that it asks for', () => {
  test('one that nobody asked is answered already; one without accounts takes no truth', () => {
    const b = bench({ type: 'connectorOff', connector: 'K-panel' });
    const [question] = Object.keys(b.state.question);
    expect(question).toBeDefined();
    const name = (id: string) =>
      b.do({ type: 'truthNamed', question: id, about: 'connector K-panel', value: 'off' });
    expect(name('nothing asked').already).toBe(true);
    expect(name(question!).refused).toEqual({ code: 'unknown thing', id: question });
  });
});
