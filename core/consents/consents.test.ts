import { expect, test } from 'vitest';
import type { Body } from '../log/events';
import { methodsOf } from '../methods/methods';
import { Bench } from '../testing/bench';
import { indexed, mica4, mica9, replace, route } from '../testing/demo-models';
import { consentsFor, openConsents } from './consents';

function job(tasks: ReturnType<typeof replace>['tasks'], ...bodies: Body[]): Bench {
  const b = new Bench(indexed(mica9), undefined);
  b.do({
    type: 'opened',
    modelHash: 'h',
    variant: 'standard',
    tag: 'T',
    complaint: 'x',
    tasks,
    promisedAt: null,
    promisedAs: '',
  });
  for (const body of bodies) b.do(body);
  return b;
}
const ids = (b: Bench, methods = methodsOf()) =>
  consentsFor(b.index, b.state, methods)
    .filter((c) => !c.optional)
    .map((c) => c.id);

test('follow from tasks, effects and methods', () => {
  expect(ids(job([]))).toEqual([]);
  expect(ids(job(replace('cell').tasks))).toEqual([
    'cell notice',
    'cell battery',
    'water',
    'old-parts',
    'price',
  ]);
  expect(ids(job(replace('display').tasks))).toEqual([
    'display ambient',
    'display notice',
    'water',
    'old-parts',
    'price',
  ]);
  expect(ids(job(replace('display').tasks), methodsOf({ 'display-data': 'chip' }))).toEqual([
    'display ambient',
    'water',
    'chip',
    'old-parts',
    'price',
  ]);
  expect(ids(job([{ slot: 'loudspeaker', action: 'reach' }]))).toEqual(['water', 'price']);
});
test('what will be said about water follows the leak test; an unsealed model asks nothing', () => {
  const water = (method: 'always' | 'never') =>
    consentsFor(indexed(mica9), job(replace('cell').tasks).state, methodsOf({ 'leak-test': method })).find(
      (c) => c.kind === 'water',
    )!.tested;
  expect([water('always'), water('never')]).toEqual([true, false]);
  expect(
    consentsFor(indexed(mica4), job(replace('display').tasks).state).some((c) => c.kind === 'water'),
  ).toBe(false);
});
test('marks that stay are agreed to, those on a part that is replaced are not', () => {
  const mark = (side: 'front' | 'back'): Body => ({
    type: 'marked',
    mark: { id: side, side, x: 1, y: 1, kind: 'crack' },
  });
  expect(ids(job(replace('display').tasks, mark('front')))).not.toContain('cosmetic');
  expect(ids(job(replace('display').tasks, mark('front'), mark('back')))).toContain('cosmetic');
});
test('a remedy chosen for a part changes what is asked', () => {
  const b = job(replace('display').tasks, { type: 'remedySet', slot: 'display', remedy: 'chip' });
  expect(ids(b, methodsOf({ 'display-data': 'chip' }))).toContain('chip');
});
test('a job does not go past Receive with one open; an owner or lead may, with a reason; in the middle of work no route is held up', () => {
  const r = route(mica9);
  const adopt: Body = { type: 'routeAdopted', routeHash: r.hash, modelHash: r.modelHash, variant: r.variant };
  const b = job(replace('cell').tasks);
  b.answer('before', 'works');
  b.do({ type: 'received' });
  expect(b.do(adopt)).toMatchObject({
    refused: { code: 'interlock' },
    findings: [
      {
        rule: 'consent open',
        ids: ['cell notice', 'cell battery', 'water', 'old-parts', 'price'],
        passableBy: ['owner', 'lead'],
      },
    ],
  });
  const override = { rules: ['consent open'], reason: 'told by telephone' };
  expect(b.do(adopt, { override }).refused).toMatchObject({ code: 'interlock' });
  const lead = new Bench(b.index, undefined, 'p2', 'lead', 'd');
  lead.state = b.state;
  expect(lead.do(adopt, { override }).refused).toBeUndefined();
  lead.do({ type: 'taskSet', slot: 'loudspeaker', action: 'replace' });
  expect(lead.do({ ...adopt, routeHash: 'another' }).refused).toBeUndefined();
});
test('another price or another task is another agreement', () => {
  const quote: Body = {
    type: 'quoted',
    p10Minor: 1,
    p50Minor: 2,
    p90Minor: 3,
    meanMinor: 2,
    limitMinor: null,
    chance: null,
    replacementMinor: null,
    advice: 'repair',
  };
  const b = job(replace('cell').tasks, quote, {
    type: 'consentGiven',
    effect: 'price',
    by: 'owner',
    answer: '9000',
  });
  const open = () => openConsents(consentsFor(b.index, b.state), b.state).some((c) => c.id === 'price');
  expect([open(), b.state.answer.price]).toEqual([false, '9000']);
  b.do({ type: 'taskSet', slot: 'loudspeaker', action: 'replace' });
  expect(open()).toBe(true);
});
test('a locked part is chosen by nobody', () => {
  const part = {
    part: '00000000-0000-4000-8000-000000000001',
    name: 'cell',
    provenance: 'pulled' as const,
    supplier: '',
    lot: '',
    serial: '',
    priceMinor: 1,
    arrivesWith: [],
    proof: '',
  };
  const b = job(replace('cell').tasks);
  expect(b.do({ type: 'partChosen', slot: 'cell', ...part, released: 'locked' }).findings[0]).toMatchObject({
    rule: 'part locked',
    severity: 'forbid',
  });
  expect(
    b.do({ type: 'partChosen', slot: 'camera', ...part, released: 'not needed' }).findings[0],
  ).toMatchObject({ rule: 'part of another slot' });
  expect(b.do({ type: 'partChosen', slot: 'cell', ...part, released: 'proof seen' }).refused).toBeUndefined();
  expect(b.state.part.cell).toMatchObject({ name: 'cell', provenance: 'pulled' });
});
