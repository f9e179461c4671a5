import { describe, expect, test } from 'vitest';
import { mica9, sprigModel } from '../testing/demo-models';
import { applyEdits, compareModels, difference, editKey } from './edit';
import type { DeviceModel } from './schema';

/** The Sprig with a screw that lies elsewhere and is longer, a part that has another way, a clip less and a plug more. */
const other: DeviceModel = {
  ...sprigModel,
  fasteners: sprigModel.fasteners.map((f) =>
    f.id === 'D1' ? { ...f, at: { x: f.at.x + 3, y: f.at.y - 4 }, lengthMm: 2.8 } : f,
  ),
  slots: sprigModel.slots.map((s) =>
    s.id === 'port' ? { ...s, ways: [{ ...s.ways[0]!, id: 'pull-out' }] } : s,
  ),
  catches: sprigModel.catches.slice(1),
  connectors: [...sprigModel.connectors, { ...sprigModel.connectors[0]!, id: 'K-new', name: 'new plug' }],
};

describe('changes of a model as data', () => {
  test('what differs, applied, makes the one the other; of two that are the same nothing does', () => {
    expect(applyEdits(sprigModel, difference(sprigModel, other))).toEqual(other);
    expect(applyEdits(other, difference(other, sprigModel)).connectors).toEqual(sprigModel.connectors);
    expect(difference(sprigModel, structuredClone(sprigModel))).toEqual([]);
    const back = applyEdits(sprigModel, difference(sprigModel, mica9));
    expect(difference(back, mica9)).toEqual([]);
  });
  test('one change of several is taken over by its key, the rest stays', () => {
    const [screw] = difference(sprigModel, other).filter((e) => editKey(e) === 'put fasteners D1');
    const taken = applyEdits(sprigModel, [screw!]);
    expect(taken.fasteners.find((f) => f.id === 'D1')).toMatchObject({ lengthMm: 2.8 });
    expect(taken.catches).toEqual(sprigModel.catches);
    expect(applyEdits(sprigModel, [{ do: 'remove', list: 'bonds', id: 'none' }])).toEqual(sprigModel);
  });
  test('is said as what moved and how far, which length, which ways came and went', () => {
    expect(compareModels(sprigModel, other)).toEqual([
      {
        key: 'put slots port',
        id: 'port',
        name: 'charging port',
        list: 'slots',
        what: 'other',
        waysNew: ['pull-out'],
        waysGone: ['lift-out'],
      },
      {
        key: 'put fasteners D1',
        id: 'D1',
        name: 'top left',
        list: 'fasteners',
        what: 'other',
        movedMm: 5,
        there: { face: 'front', x: 10, y: 96 },
        lengthMm: [2.6, 2.8],
      },
      { key: 'put connectors K-new', id: 'K-new', name: 'new plug', list: 'connectors', what: 'new' },
      {
        key: 'remove catches clip-l1',
        id: 'clip-l1',
        name: 'left clip, upper',
        list: 'catches',
        what: 'gone',
      },
    ]);
  });
});
