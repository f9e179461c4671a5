import { describe, expect, test } from 'vitest';
import type { Met } from '../log/met-schema';
import { coveredBy } from '../model/covers';
import { checkModel } from '../model/check-model';
import type { IndexedModel } from '../model/index-model';
import type { DeviceModel } from '../model/schema';
import { checkRoutes } from '../route/check-routes';
import { openState } from '../log/view';
import { jobRouteInput } from '../progress/route-input-of-job';
import { planRoute } from '../route/plan';
import { Bench } from '../testing/bench';
import { depth, sampled } from '../testing/depth';
import { indexed, modelHash, route, shippedModels, sprigModel } from '../testing/demo-models';
import { Technician, type Truth } from '../testing/walks';
import { blankModel } from './blank-model';
import { indexOfJob, withMet } from './model-of-job';

const size = { widthMm: 68, heightMm: 138, thicknessMm: 8 };
const blank = (outline = size) => blankModel({ id: 'own-1', maker: 'Alder', name: 'Nine', ...outline });

/** A thing of a model as somebody would say it who meets it. */
function saidOf(index: IndexedModel, id: string, needed: readonly string[]): Met {
  const fastener = index.fasteners.get(id);
  if (fastener) {
    const { name, face, at, drive, lengthMm, headMm, thread } = fastener;
    return { kind: 'fastener', id, name, face, at, drive, lengthMm, headMm, thread };
  }
  const connector = index.connectors.get(id);
  if (connector) {
    const { name, face, at, widthMm, carries, functions } = connector;
    return { kind: 'connector', id, name, face, at, widthMm, carries, functions };
  }
  const bond = index.bonds.get(id);
  if (bond) {
    const { x, y, w, h } = bond.shape;
    return {
      kind: 'bond',
      id,
      name: bond.name,
      face: bond.face,
      shape: { x, y, w, h },
      bond: bond.kind,
      by: bond.release[0]!.by,
    };
  }
  const held = index.catches.get(id);
  if (held)
    return {
      kind: 'catch',
      id,
      name: held.name,
      face: held.face,
      at: held.at,
      catch: held.kind,
      direction: held.direction,
    };
  const slot = index.slots.get(id)!;
  const { x, y, w, h } = slot.shape;
  return {
    kind: 'part',
    id,
    name: slot.name,
    face: slot.face,
    shape: { x, y, w, h },
    part: slot.kind,
    carrier: slot.carrier,
    functions: slot.functions,
    needed: [...needed],
  };
}
/** What has to be done before what, with the poses that parts are brought into first; the cell's plug before the others. */
function truthWithPoses(index: IndexedModel, technician: Technician): Truth {
  const plain = technician.truthOf(index);
  const before = new Map<string, readonly string[]>();
  const posed = (slot: string, pose: string) => (pose === 'out' ? slot : `${slot}@${pose}`);
  for (const id of plain.ids) {
    const covers = coveredBy(index, id).map((c) => posed(c, index.slots.get(c)!.uncoversAt));
    const cell = index.connectors.has(id) && id !== index.cellConnector ? [index.cellConnector!] : [];
    const ways = index.slots.get(id)?.ways ?? [];
    const first = ways.find((w) => w.to !== 'out');
    for (const way of [first, ways.find((w) => w.to === 'out')])
      if (way)
        before.set(posed(id, way.to), [
          ...(first && way !== first ? [posed(id, first.to)] : []),
          ...covers,
          ...way.fasteners,
          ...way.connectors,
          ...way.bonds,
          ...way.catches,
          ...way.needs.map((n) => posed(n.slot, n.pose)),
        ]);
    if (!ways.length) before.set(id, [...covers, ...cell]);
  }
  return { index, ids: [...before.keys()], before };
}
/** Takes a whole device to pieces at a bench that knows only its outline. */
function recorded(index: IndexedModel, technician: Technician): { bench: Bench; model: DeviceModel } {
  const truth = truthWithPoses(index, technician);
  const base = blank(index.model.outline);
  const bench = new Bench(indexed(base), undefined).open({ tasks: [] });
  const parts = new Map<string, Met & { kind: 'part' }>();
  for (const node of technician.anyOrder(truth)) {
    const [id, pose] = node.split('@') as [string, 'folded' | 'shifted' | undefined];
    const needed = truth.before.get(node)!.filter((n) => n !== `${id}@folded` && n !== `${id}@shifted`);
    const said = saidOf(index, id, needed);
    const known = parts.get(id);
    const thing: Met = pose
      ? { ...(said as Met & { kind: 'part' }), first: pose, towards: 'right' }
      : known
        ? { ...known, neededOut: needed }
        : said;
    if (thing.kind === 'part') parts.set(id, thing);
    const { findings, refused } = bench.do({
      type: 'met',
      thing,
      off: true,
      ...(known ? { again: true } : {}),
    });
    expect([node, findings, refused]).toEqual([node, [], undefined]);
  }
  return { bench, model: withMet(base, bench.state.met) };
}

describe('a device that nobody has taken to pieces before', () => {
  const screw = (id: string, x: number, y: number): Met => ({
    kind: 'fastener',
    id,
    name: id,
    face: 'front',
    at: { x, y },
    drive: 'PH000',
    lengthMm: 1.3,
    headMm: 2,
    thread: 'M1.2',
  });
  const plug = (id: string, carries: 'power' | 'signal'): Met => ({
    kind: 'connector',
    id,
    name: id,
    face: 'front',
    at: { x: 30, y: 60 },
    widthMm: 4,
    carries,
    functions: [],
  });
  const bench = () => new Bench(indexed(blank()), undefined).open({ tasks: [] });

  test('has only its outline; a screw that is met lies on the mat, measured, and goes back into the hole it is from', () => {
    const b = bench();
    expect(b.do({ type: 'met', thing: screw('S1', 5, 5), off: true }).refused).toBeUndefined();
    expect(b.state.place['S1#1']).toBe('mat/S1');
    expect(b.state.spec['S1#1']).toEqual({ lengthMm: 1.3, headMm: 2 });
    expect(indexOfJob(indexed(blank()), b.state).fasteners.get('S1')?.at).toEqual({ x: 5, y: 5 });
    expect(b.do({ type: 'screwIn', fastener: 'S1', piece: 'S1#1' }).refused).toBeUndefined();
    expect(b.state.place['S1#1']).toBe('hole/S1');
  });
  test('one press is taken back by one press', () => {
    const b = bench();
    b.do({ type: 'met', thing: screw('S1', 5, 5), off: true });
    b.do({ type: 'retracted', event: b.log.at(-1)!.id });
    expect(b.state.met).toEqual({});
    expect(b.state.place['S1#1']).toBeUndefined();
    expect(b.do({ type: 'screwOut', fastener: 'S1', piece: 'S1#1' }).refused).toEqual({
      code: 'unknown thing',
      id: 'S1#1',
    });
  });
  test('the cell comes off before any other plug, also where nobody has found its own yet', () => {
    const b = bench();
    expect(b.do({ type: 'met', thing: plug('K1', 'signal'), off: true }).findings.map((f) => f.rule)).toEqual(
      ['cell first off'],
    );
    const other = bench();
    expect(other.do({ type: 'met', thing: plug('K1', 'power'), off: true }).findings).toEqual([]);
    expect(other.do({ type: 'met', thing: plug('K2', 'signal'), off: true }).findings).toEqual([]);
  });
  test('two benches that name two things alike keep both; more of the same thing replaces what was said', () => {
    const b = bench();
    b.do({ type: 'met', thing: screw('S1', 5, 5), off: true });
    b.do({ type: 'met', thing: screw('S1', 50, 5), off: true });
    expect(Object.keys(b.state.met)).toEqual(['S1', 'S1-2']);
    b.do({ type: 'met', thing: screw('S1', 6, 5), off: false, again: true });
    expect(b.state.met.S1).toMatchObject({ at: { x: 6, y: 5 } });
    expect(b.state.place['S1#1']).toBe('mat/S1');
    expect(b.do({ type: 'met', thing: screw('S9', 6, 5), off: false, again: true }).refused).toEqual({
      code: 'unknown thing',
      id: 'S9',
    });
  });
  test('the plug that carries power is the cell’s, also where it was said to have been undone for another part', () => {
    const b = bench();
    const part = (id: string, kind: 'bracket' | 'cell', needed: string[]): Met => ({
      ...{ kind: 'part', id, name: id, face: 'front', shape: { x: 10, y: 40, w: 40, h: 40 } },
      ...{ part: kind, functions: [], needed },
    });
    b.do({ type: 'met', thing: plug('K1', 'power'), off: true });
    b.do({ type: 'met', thing: part('cover', 'bracket', ['K1']), off: true });
    expect(b.index.cellConnector).toBe('K1');
    b.do({ type: 'met', thing: part('cell', 'cell', []), off: true });
    expect(b.index.cellConnector).toBe('K1');
    expect(b.index.connectors.get('K1')!.joins[0]).toBe('cell');
    expect(b.index.slots.get('cell')!.ways[0]!.connectors).toEqual(['K1']);
  });
  test('what nobody said a screw held is put to what lies there and came off later: one too many rather than one too few', () => {
    const b = bench();
    const part = (id: string, x: number, needed: string[]): Met => ({
      kind: 'part',
      id,
      name: id,
      face: 'front',
      shape: { x, y: 0, w: 10, h: 10 },
      part: 'bracket',
      functions: [],
      needed,
    });
    b.do({ type: 'met', thing: screw('S1', 5, 5), off: true });
    b.do({ type: 'met', thing: screw('S2', 25, 5), off: true });
    b.do({ type: 'met', thing: part('left', 0, ['S1']), off: true });
    b.do({ type: 'met', thing: part('right', 20, []), off: true });
    const { model } = indexOfJob(indexed(blank()), b.state);
    expect(model.fasteners.map((f) => f.holds)).toEqual([['left'], ['right']]);
    expect(model.slots.map((s) => s.ways[0]!.fasteners)).toEqual([['S1'], ['S2']]);
  });
});

describe('the way back', () => {
  test('is planned at once from what was recorded, and every piece and screw is home again', () => {
    const { bench, model } = recorded(indexed(sprigModel), new Technician(5));
    const { index } = bench;
    const means = { methods: {}, stations: [], hourlyRateMinor: 6000 };
    const back = planRoute(index, modelHash(model), jobRouteInput(means, index, bench.state));
    if ('infeasible' in back) throw new Error(JSON.stringify(back));
    bench.adopt(back);
    bench.finish();
    expect(bench.log.flatMap((e) => e.breach ?? [])).toEqual([]);
    for (const fastener of index.fasteners.keys())
      expect(bench.state.place[`${fastener}#1`]).toBe(`hole/${fastener}`);
    for (const slot of index.slots.keys()) expect(bench.state.place[`${slot}#1`]).toBe(`slot/${slot}`);
    expect(openState(bench.state, index)).toBe('closed');
  });
});

describe('from a record to a model', () => {
  test('a teardown that ends at the cell, the board still in, is whole: what its plugs sit on need not be known', () => {
    const base = blank();
    const bench = new Bench(indexed(base), undefined).open({ tasks: [] });
    const common = (id: string) => ({ id, name: id, face: 'front' as const });
    const part = (id: string, more: Partial<Met & { kind: 'part' }>): Met => ({
      ...{ kind: 'part', ...common(id), shape: { x: 5, y: 40, w: 40, h: 60 }, functions: [], needed: [] },
      ...{ part: 'cell', ...more },
    });
    const things: Met[] = [
      part('display', {
        part: 'display',
        shape: { x: 1, y: 1, w: 66, h: 136 },
        first: 'folded',
        towards: 'right',
      }),
      {
        ...{ kind: 'connector', ...common('K1'), at: { x: 55, y: 60 }, widthMm: 5 },
        ...{ carries: 'power', functions: ['battery'] },
      },
      part('cell', { needed: ['K1'] }),
    ];
    for (const thing of things) bench.do({ type: 'met', thing, off: true });
    const model = withMet(base, bench.state.met);
    expect(checkModel(model)).toMatchObject({ ok: true, problems: [] });
    expect(checkRoutes(model)).toEqual([]);
  });
  for (const [m, truth] of sampled([...shippedModels.entries()], 2))
    test(`${truth.name}: recorded, it is a model without a problem; its routes are taken by the true device without a stop`, () => {
      const index = indexed(truth);
      for (let walk = 0; walk < (truth.id === 'atlas' ? 1 : depth(1, 2)); walk++) {
        const { model } = recorded(index, new Technician(m * 10 + walk));
        expect(checkModel(model)).toMatchObject({ ok: true, problems: [] });
        expect(checkRoutes(model)).toEqual([]);
        for (const slot of ['cell', 'port', 'board']) {
          if (!index.slots.has(slot)) continue;
          const tasks = [{ slot, action: 'replace' as const }];
          const bench = new Bench(index, route(model, { tasks })).open({ tasks }).finish();
          expect(bench.log.flatMap((e) => (e.breach ?? []).map((b) => [slot, e.body, b]))).toEqual([]);
        }
      }
    });
});
