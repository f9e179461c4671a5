import { describe, expect, test } from 'vitest';
import { methodRows } from '../core/methods/methods';
import type { Route } from '../core/steps/route';
import { Bench } from '../core/testing/bench';
import {
  atlas,
  dune2,
  indexed,
  replace,
  route,
  shippedModels,
  withMethods,
} from '../core/testing/demo-models';
import { eventText } from './events';
import { doneLabel, howText, stepTitle } from './steps';
import { stepWhy } from './why';
import { cautionText } from './cautions';
import { itemAmount, stationName, toolName } from './things';
import { formatsOf } from './formats';
import { signedMinutes, span } from './time';

/** Nothing of the machine in what a person reads: no id of a slot, no undefined, no placeholder. */
const plain = (text: string, what: string) => {
  expect(text, what).not.toMatch(/undefined|NaN|\[object|@|#\d|:start|:end/);
  expect(text.length, what).toBeGreaterThan(1);
};

describe.each(shippedModels.map((m) => [m.name, m] as const))('every instruction on %s', (_n, model) => {
  const index = indexed(model);
  const parts = model.slots
    .filter((s) => s.kind !== 'bracket')
    .map((s) => s.id)
    .slice(0, 14);
  const plans: Route[] = parts.map((slot) => route(model, replace(slot)));
  test('has a title, a button, and a reason on the way out', () => {
    for (const plan of plans)
      for (const s of plan.steps) {
        plain(stepTitle(index, s), `${s.id} ${s.action}`);
        for (const t of s.targets) plain(doneLabel(index, s, t), `${s.action} ${t}`);
        if (s.phase === 'Open' || s.phase === 'Strip')
          plain(stepWhy(index, s), `${s.action} ${s.targets.join()}`);
        for (const c of s.cautions) plain(cautionText[c], c);
        expect(howText(index, s)).not.toMatch(/undefined/);
      }
  });
  test('and everything to lay out has a name, not an id', () => {
    for (const { kit } of plans) {
      for (const t of kit.tools) expect(toolName(index, t), t).not.toBe(t);
      for (const s of kit.stations) expect(stationName(index, s), s).not.toBe(s);
      for (const c of kit.consumables) plain(itemAmount(index, c), c.item);
    }
  });
});

test('with every option of every house method each step still has its words', () => {
  for (const row of methodRows)
    for (const o of row.options)
      for (const [model, slot] of [
        [dune2, 'back-glass'],
        [dune2, 'display'],
      ] as const) {
        const index = indexed(model);
        for (const s of route(model, { ...replace(slot), ...withMethods({ [row.id]: o.id }) }).steps) {
          plain(stepTitle(index, s), s.action);
          for (const c of s.cautions) plain(cautionText[c], c);
          for (const t of s.targets) plain(doneLabel(index, s, t), `${s.action} ${t}`);
        }
      }
});
test('every event of a housing rebuild can be told', () => {
  const index = indexed(atlas);
  const b = new Bench(index, route(atlas, replace('frame'))).open(replace('frame')).finish();
  expect(b.log.length).toBeGreaterThan(400);
  for (const e of b.log) plain(eventText(index, e.body), e.body.type);
});
test('differences carry their sign, and nothing is plus or minus nothing', () => {
  expect([signedMinutes(4), signedMinutes(-1.46), signedMinutes(12.4), signedMinutes(0.01)]).toEqual([
    '+4 min',
    '−1.5 min',
    '+12 min',
    '±0 min',
  ]);
  const { signedMoney } = formatsOf({ currency: 'EUR' });
  expect([signedMoney(244), signedMoney(-100), signedMoney(0)]).toEqual(['+€2.44', '−€1.00', '±€0.00']);
  expect([span(45), span(89.6), span(240)]).toEqual(['45 s', '90 s', '4 min']);
});
