import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { newNoGo, newThing } from '../record/new-thing';
import { routeInput } from '../route/route-input';
import { planRoute } from '../route/plan';
import { atlas, shippedModels, mica9, sprigModel } from '../testing/demo-models';
import { checkModel } from './check-model';
import { applyEdits, difference, type Edit, invertEdits } from './edit';
import {
  addThing,
  alignThings,
  allIds,
  boxOf,
  copyThings,
  idLike,
  mirrorThings,
  moveThings,
  partAt,
  put,
  takeOutThings,
  thingOf,
  withBox,
  withHeld,
} from './editing';
import { indexModel } from './index-model';
import type { DeviceModel } from './schema';

const index = indexModel(mica9);
const changed = (edits: readonly Edit[], model: DeviceModel = mica9) => indexModel(applyEdits(model, edits));
const at = (edits: readonly Edit[], id: string) => boxOf(thingOf(changed(edits), id)!);

describe('an edit and its inverse', () => {
  test('leave every model as it was, lists and their order included, whatever was done', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shippedModels),
        fc.array(fc.tuple(fc.constantFrom('move', 'out', 'copy', 'mirror', 'new', 'rim'), fc.nat(500)), {
          minLength: 1,
          maxLength: 6,
        }),
        (model, steps) => {
          let now = model;
          const back: Edit[][] = [];
          for (const [what, n] of steps) {
            const here = indexModel(now);
            const ids = allIds(here);
            const id = ids[n % ids.length]!;
            const edits =
              what === 'move'
                ? moveThings(here, [id], { x: (n % 7) - 3, y: (n % 5) - 2 })
                : what === 'out'
                  ? takeOutThings(here, [id])
                  : what === 'copy'
                    ? copyThings(here, [id], { count: 2, step: { x: 1, y: 0 } }, idLike).edits
                    : what === 'mirror'
                      ? mirrorThings(here, [id])
                      : what === 'new'
                        ? newThing(here, 'fastener', { x: n % 60, y: n % 100 }, 'front', 40).edits
                        : [{ do: 'set', field: 'noGo', value: [newNoGo(here, { x: 1, y: n % 90 })] } as Edit];
            back.unshift(invertEdits(now, edits));
            now = applyEdits(now, edits);
          }
          for (const edits of back) now = applyEdits(now, edits);
          expect(now).toEqual(model);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('what a model says beside its things is changed, found and taken back, too', () => {
    const other = applyEdits(mica9, [{ do: 'set', field: 'hinge', value: 'top' }]);
    expect(other.hinge).toBe('top');
    expect(difference(mica9, other)).toEqual([{ do: 'set', field: 'hinge', value: 'top' }]);
    expect(invertEdits(mica9, [{ do: 'set', field: 'hinge', value: 'top' }])).toEqual([
      { do: 'set', field: 'hinge', value: mica9.hinge },
    ]);
  });
});

describe('moving', () => {
  test('goes by what was asked for, and never over the edge; several keep their distance', () => {
    expect(at(moveThings(index, ['cell'], { x: 2, y: -1.5 }), 'cell')).toMatchObject({ x: 8, y: 32.5 });
    const edits = moveThings(index, ['cell', 'loudspeaker'], { x: -50, y: 0 });
    expect(at(edits, 'cell').x).toBe(0);
    const apart = (a: string, b: string, e: readonly Edit[]) => at(e, a).x - at(e, b).x;
    expect(apart('cell', 'loudspeaker', edits)).toBeCloseTo(apart('cell', 'loudspeaker', []), 6);
    expect(moveThings(index, ['cell'], { x: 0, y: 0 })).toEqual([]);
    expect(moveThings(index, ['no such'], { x: 1, y: 0 })).toEqual([]);
  });
  test('a part takes along what holds it alone, and its plugs, and nothing that holds another one, too', () => {
    const held = withHeld(index, ['cell']);
    expect(held).toEqual(expect.arrayContaining(['cell', 'strip-tl', 'strip-br', index.cellConnector]));
    expect(held).not.toContain('A1');
    const shared = mica9.fasteners.find((f) => f.holds.length > 1);
    if (shared) expect(withHeld(index, [shared.holds[0]!])).not.toContain(shared.id);
  });
  test('a box is no smaller than can be seen, and stays within the outline', () => {
    const cell = thingOf(index, 'cell')!;
    const tiny = withBox(cell, { x: 5, y: 5, w: -3, h: 0 }, mica9);
    expect(boxOf(tiny)).toMatchObject({ w: 0.2, h: 0.2 });
    const { widthMm, heightMm } = mica9.outline;
    expect(boxOf(withBox(cell, { x: 500, y: 500, w: 10, h: 10 }, mica9))).toMatchObject({
      x: widthMm - 10,
      y: heightMm - 10,
    });
  });
});

describe('several together', () => {
  test('are put in line by an edge or their middles', () => {
    const ids = ['B1', 'B3', 'cell'];
    const left = Math.min(...ids.map((id) => at([], id).x));
    for (const id of ids) expect(at(alignThings(index, ids, 'left'), id).x).toBe(left);
    const middles = ids.map((id) => {
      const box = at(alignThings(index, ids, 'middle'), id);
      return Math.round((box.y + box.h / 2) * 50) / 50;
    });
    expect(new Set(middles).size).toBe(1);
    const right = ids.map((id) => {
      const box = at(alignThings(index, ids, 'right'), id);
      return box.x + box.w;
    });
    expect(Math.max(...right) - Math.min(...right)).toBeLessThan(1e-6);
  });
  test('mirrored twice they lie where they lay', () => {
    const once = changed(mirrorThings(index, ['cell', 'B1']));
    expect(boxOf(thingOf(once, 'cell')!).x).toBeCloseTo(mica9.outline.widthMm - 6 - 36, 6);
    const twice = applyEdits(once.model, mirrorThings(once, ['cell', 'B1']));
    expect(thingOf(indexModel(twice), 'B1')).toEqual(thingOf(index, 'B1'));
  });
  test('copied along a line they are screws of their own, and the way of their part looses each of them', () => {
    const made = copyThings(index, ['B1'], { count: 3, step: { x: 0, y: 2 } }, idLike);
    expect(made.ids).toHaveLength(3);
    expect(new Set([...allIds(index), ...made.ids]).size).toBe(allIds(index).length + 3);
    const now = changed(made.edits);
    const [first] = now.slots.get('cell-bracket')!.ways;
    expect(first!.fasteners).toEqual(expect.arrayContaining(made.ids));
    expect(checkModel(now.model)).toMatchObject({ ok: true });
    const y = (id: string) => now.fasteners.get(id)!.at.y;
    expect(made.ids.map(y)).toEqual([2, 4, 6].map((mm) => y('B1') + mm));
  });
  test('a free id is like the one it comes from', () => {
    expect(idLike('S3', new Set(['S4']))).toBe('S5');
    expect(idLike('key', new Set(['key-2']))).toBe('key-3');
  });
});

describe('taking out', () => {
  test('whatever goes, nothing that stays names it', () => {
    for (const model of [mica9, sprigModel, atlas])
      for (const id of allIds(indexModel(model))) {
        const left = applyEdits(model, takeOutThings(indexModel(model), [id]));
        // of a variant that changes it the base knows nothing: they are left away here
        const plain = { ...left, variants: left.variants.slice(0, 1) };
        const { problems } = checkModel(plain);
        expect(problems.filter((p) => /there is no/.test(p.text) && !/variants/.test(p.path))).toEqual([]);
      }
  });
  test('what held nothing else goes with a part; what held another one, too, stays', () => {
    const left = changed(takeOutThings(index, ['cell']));
    expect(left.bonds.has('strip-tl')).toBe(false);
    expect(left.connectors.has(index.cellConnector!)).toBe(false);
    expect(left.fasteners.has('A1')).toBe(true);
  });
});

describe('something new', () => {
  test('lies on the uppermost part that is looked at, holds it, and its way looses it', () => {
    const { edits, id } = newThing(index, 'fastener', { x: 20, y: 130 }, 'front', 59);
    const now = changed(edits);
    const under = partAt(index, { x: 20, y: 130 }, 'front', 59)!;
    expect(now.fasteners.get(id)).toMatchObject({ holds: [under.id], layer: under.layer + 1 });
    expect(now.slots.get(under.id)!.ways[0]!.fasteners).toContain(id);
    // what is left away is not looked at
    expect(partAt(index, { x: 20, y: 130 }, 'front', 99)!.id).toBe('display');
    expect(checkModel(now.model).ok).toBe(true);
    const route = planRoute(
      now,
      '',
      routeInput({ model: mica9.id, variant: 'standard', tasks: [{ slot: under.id, action: 'replace' }] }),
    );
    expect(JSON.stringify(route)).toContain(`"${id}"`);
  });
  test('each kind is one that its schema takes, also where nothing lies under it', () => {
    for (const kind of ['part', 'bond', 'connector', 'catch', 'fastener'] as const) {
      const { edits, id } = newThing(index, kind, { x: 0, y: 0 }, 'back', 99);
      const checked = checkModel(applyEdits(mica9, edits));
      const shape = checked.problems.filter((p) => !/no (slot|way)|outside|neither part/.test(p.text));
      expect(id).toMatch(/^[SKGCP]\d+$/);
      expect(shape).toEqual([]);
    }
  });
  test('a stretch of the rim is taken of the edge that is nearest', () => {
    expect(newNoGo(index, { x: 1, y: 60 })).toMatchObject({ edge: 'left' });
    expect(newNoGo(index, { x: 30, y: mica9.outline.heightMm - 1 })).toMatchObject({ edge: 'bottom' });
    const corner = newNoGo(index, { x: 0, y: 0.5 });
    expect(corner.fromMm).toBe(0);
  });
  test('of a part that is first folded open, the way there looses it, and the way on finds it undone', () => {
    const display = mica9.slots.find((s) => s.kind === 'display')!;
    const first = display.ways[0]!;
    expect(first.to).toBe('folded');
    const screw = { ...mica9.fasteners[0]!, id: 'A9', holds: [display.id] };
    const now = changed(addThing(index, { list: 'fasteners', thing: screw }));
    const ways = now.slots.get(display.id)!.ways;
    expect(ways[0]!.fasteners).toContain('A9');
    for (const way of ways.filter((w) => w.needs.some((n) => n.slot === display.id)))
      expect(way.fasteners).not.toContain('A9');
    expect(applyEdits(mica9, [put(thingOf(index, 'cell')!)])).toEqual(mica9);
  });
});
