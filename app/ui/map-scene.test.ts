import { describe, expect, test } from 'vitest';
import { Bench } from '../../core/testing/bench';
import { indexed, replace, route, shippedModels } from '../../core/testing/demo-models';
import type { DeviceModel } from '../../core/model/schema';
import type { Face } from '../../core/vocabulary/trade';
import { matPage } from '../../core/screws/mat-layout';
import { matOf } from '../../core/screws/mat-of';
import { type Box, meet, plugNameBox } from './map-labels';
import { isNamed, pieceLabels, plugsOf, type Scene, sceneOf } from './map-scene';
import { plugWidth } from './map-things';

/** All that is written on a side as it stands, each with what it covers. */
function written(scene: Scene): { text: string; box: Box }[] {
  const labels = pieceLabels(scene);
  const pieces = scene.index.model.slots
    .filter((s) => labels.has(s.id) && isNamed(scene, s))
    .map((s) => ({ text: s.name, box: labels.get(s.id)!.box }));
  const { plugs, names } = plugsOf(scene);
  return [
    ...(scene.open ? pieces : []),
    ...(scene.open ? plugs : []).map((c) => ({
      text: `${c.name} plug`,
      box: plugNameBox(
        { id: c.id, name: c.name, x: scene.at.X(c.at.x), y: c.at.y, w: plugWidth(c) },
        names.get(c.id)!,
        scene.plugText,
      ),
    })),
  ];
}
/** Every state of a repair that opens all of a device: from closed to closed again. */
function* states(model: DeviceModel) {
  const tasks = replace(
    ...model.slots.filter((s) => s.kind === 'cell' || s.kind === 'display').map((s) => s.id),
  );
  const b = new Bench(indexed(model, model.variants[0]!.id), route(model, tasks, model.variants[0]!.id)).open(
    tasks,
  );
  yield b.state;
  for (let k = 0; k < 400 && b.next(); k++) yield b.state;
}

describe.each(shippedModels.map((m) => [m.name, m] as const))('on the map of %s', (_name, model) => {
  const index = indexed(model, model.variants[0]!.id);
  test('no name lies on another, whatever is out, in both sizes of text', () => {
    const over = new Set<string>();
    for (const state of states(model))
      for (const face of ['front', 'back'] as Face[])
        for (const large of [false, true]) {
          const all = written(
            sceneOf({ index, state, face, large, lit: [], now: undefined, onPick: undefined }),
          );
          all.forEach((a, i) => {
            for (const b of all.slice(i + 1))
              if (meet(a.box, b.box)) over.add(`${face}${large ? ', large' : ''}: ${a.text} / ${b.text}`);
          });
        }
    expect([...over]).toEqual([]);
  });
});
/** Heads on pieces that are too small for a name beside them: only ever fewer. */
const tight: Record<string, number> = { Atlas: 13, 'Mica 9 Wide': 1, 'Dune 2': 1 };
test.each(shippedModels.map((m) => [m.name, m] as const))(
  'on %s no piece has its name under its screws',
  (_name, model) => {
    const index = indexed(model, model.variants[0]!.id);
    const { state } = new Bench(index, undefined).open();
    const under: string[] = [];
    for (const face of ['front', 'back'] as Face[]) {
      const scene = sceneOf({ index, state, face, large: false, lit: [], now: undefined, onPick: undefined });
      for (const [id, { box }] of pieceLabels(scene))
        for (const f of model.fasteners)
          if (f.face === face && f.layer >= index.slots.get(id)!.layer) {
            const [x, y] = [scene.at.X(f.at.x), f.at.y];
            // a head of a millimetre and a half
            if (meet(box, { x0: x - 0.75, x1: x + 0.75, y0: y - 0.75, y1: y + 0.75 }))
              under.push(`${id} / ${f.id}`);
          }
    }
    expect(under.length).toBeLessThanOrEqual(tight[model.name] ?? 0);
  },
);
test.each(shippedModels.map((m) => [m.name, m] as const))(
  'on the mat of %s no two names touch',
  (_name, model) => {
    const cells = matOf(indexed(model, model.variants[0]!.id));
    const size = 3.7;
    const boxes = cells.map((c) => {
      const { lengthMm } = model.fasteners.find((f) => f.id === c.id)!;
      const half = (`${c.id} ${lengthMm}`.length * size * 0.5) / 2;
      return { ...c, box: { x0: c.x - half, x1: c.x + half, y0: c.y + 5 - size * 0.75, y1: c.y + 5 } };
    });
    const over: string[] = [];
    boxes.forEach((a, i) => {
      for (const b of boxes.slice(i + 1))
        if (a.page === b.page && meet(a.box, b.box)) over.push(`${a.id} / ${b.id}`);
      if (a.box.x0 < 0 || a.box.x1 > matPage.widthMm || a.box.y1 > matPage.heightMm)
        over.push(`${a.id} / edge`);
    });
    expect(over).toEqual([]);
  },
);
