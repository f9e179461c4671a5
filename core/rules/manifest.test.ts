import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { indexed, mica4, mica9, modelHash, route } from '../testing/demo-models';
import { transfersOf } from '../model/carried';
import { planRoute } from '../route/plan';
import { jobRouteInput } from '../progress/route-input-of-job';
import { allStations } from '../methods/catalogue';
import { routeInput } from '../route/route-input';
import type { Route } from '../steps/route';
import { arrivalsOf, arrivalsToPlan, forgotten, manifestOf } from './manifest';

const index = indexed(mica4);
const tasks = [{ slot: 'display', action: 'replace' as const }];
const bench = () => new Bench(index, undefined).open({ tasks });
const part = (arrivesWith: string[]) => ({
  type: 'partChosen' as const,
  slot: 'display',
  part: '00000000-0000-4000-8000-000000000002',
  name: 'display',
  provenance: 'pulled' as const,
  supplier: '',
  lot: '',
  serial: '',
  priceMinor: 1,
  arrivesWith,
  released: 'not needed' as const,
  proof: '',
});
const planned = (b: Bench): Route => {
  const r = planRoute(
    index,
    modelHash(mica4),
    routeInput({ model: mica4.id, variant: 'standard', tasks, arrives: arrivalsToPlan(index, b.state) }),
  );
  if ('infeasible' in r) throw new Error('infeasible');
  return r;
};

describe('from an old assembly to its new one', () => {
  test('every carried piece is on the list: to be moved, unless the new one brings it', () => {
    const rows = manifestOf(index, bench().state, 'display');
    const carried = index.model.slots.filter((s) => s.carrier === 'display').map((s) => s.id);
    expect(rows.map((r) => r.part)).toEqual(expect.arrayContaining(carried));
    expect(
      rows
        .filter((r) => r.outcome === 'move over')
        .map((r) => r.part)
        .toSorted(),
    ).toEqual(transfersOf(index, 'display').toSorted());
    expect(rows.every((r) => r.by === 'model')).toBe(true);
  });
  test('the chosen part’s own list counts more than the model, and what was seen counts more than both', () => {
    const b = bench();
    const [first, second] = transfersOf(index, 'display');
    b.do(part([first!]));
    expect(arrivalsOf(index, b.state, 'display')).toEqual([first]);
    b.do({ type: 'transferSet', slot: 'display', part: first!, outcome: 'move over' });
    b.do({ type: 'transferSet', slot: 'display', part: second!, outcome: 'on the new one' });
    expect(arrivalsOf(index, b.state, 'display')).toEqual([second]);
    expect(manifestOf(index, b.state, 'display').find((r) => r.part === first)).toMatchObject({
      outcome: 'move over',
      by: 'seen',
    });
  });
  test('a new display with its parts fitted takes fewer moves, and they arrive with it in the ledger', () => {
    const b = bench();
    const moves = transfersOf(index, 'display');
    const plain = planned(b);
    b.do(part(moves));
    const fitted = planned(b);
    expect(fitted.steps.length).toBeLessThan(plain.steps.length);
    expect(fitted.minutes.hands.likely).toBeLessThan(plain.minutes.hands.likely);
    expect(fitted.steps.find((s) => s.action === 'fit' && s.piece === 'display#2')!.brings).toEqual(
      expect.arrayContaining(moves.map((m) => `${m}#2`)),
    );
    b.adopt(fitted);
    b.finish();
    for (const m of moves) expect(b.state.place[`${m}#2`]).toBe(`slot/${m}`);
    expect(b.do({ type: 'jobClosed', ending: 'handed over', note: '' }).refused).toBeUndefined();
  });
  test('a forgotten piece is asked about before the old assembly leaves; one that is kept goes into the stock', () => {
    const b = bench();
    const [first, second] = transfersOf(index, 'display');
    b.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
    expect(forgotten(index, b.state, 'display')).toContain(first);
    const d = b.do({ type: 'pieceSetAside', piece: 'display#1', to: 'recycling' });
    expect(d.findings.find((f) => f.rule === 'forgotten on the old one')?.ids).toContain(first);
    const c = bench();
    for (const r of manifestOf(index, c.state, 'display'))
      c.do({
        type: 'transferSet',
        slot: 'display',
        part: r.part,
        outcome: r.part === second ? 'keep' : 'on the new one',
      });
    c.do({ type: 'pieceMoved', slot: 'display', pose: 'out' });
    expect(
      c.do({
        type: 'pieceSetAside',
        piece: 'display#1',
        to: 'recycling',
        with: [`${first}#1`, `${second}#1`],
      }).findings,
    ).toEqual([]);
    expect(c.state.place[`${first}#1`]).toBe('aside/recycling');
    expect(c.state.place[`${second}#1`]).toBe('aside/stock');
  });
  test('a seal that the new display brought is looked at and pressed shut, not laid a second time; opened again it is spent', () => {
    const nine = indexed(mica9);
    const plan = (b: Bench): Route => {
      const r = planRoute(
        nine,
        modelHash(mica9),
        jobRouteInput({ methods: {}, stations: allStations, hourlyRateMinor: 6000 }, nine, b.state),
      );
      if ('infeasible' in r) throw new Error('infeasible');
      return r;
    };
    const laid = (r: Route) => r.steps.find((s) => s.action === 'apply seal')!;
    const b = new Bench(nine, undefined).open({ tasks });
    const plain = plan(b);
    b.do(part(['seal']));
    const fitted = plan(b);
    expect(laid(plain).uses).toBeDefined();
    expect(laid(fitted)).toMatchObject({ about: 'display', cautions: ['seal-came-fitted'] });
    expect(laid(fitted).uses).toBeUndefined();
    // the old glue still has to go, and the closed device is still pressed
    const acts = fitted.steps.map((s) => `${s.action} ${s.targets[0]}`);
    expect(acts).toContain('clean rim rim');
    expect(acts).toContain('press closed:start');
    expect(acts).not.toContain('press frame:start');
    b.do({ type: 'transferSet', slot: 'display', part: 'seal', outcome: 'scrap' });
    expect(laid(plan(b)).uses).toEqual(laid(plain).uses);
    b.do({ type: 'transferSet', slot: 'display', part: 'seal', outcome: 'on the new one' });
    b.adopt(plan(b));
    b.finish();
    b.do({ type: 'taskSet', slot: 'cell', action: 'replace' });
    expect(laid(plan(b)).uses).toBeDefined();
    b.do({ type: 'bondReleased', bond: 'seal', torn: false });
    expect(laid(plan(b)).uses).toEqual(laid(plain).uses);
  });
  test('where nothing differs from the model, the planner is told nothing and the route is the same', () => {
    expect(arrivalsToPlan(indexed(mica9), new Bench(indexed(mica9), route(mica9)).open().state)).toEqual({});
  });
});
