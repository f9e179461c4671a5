import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { atlas, dune3, mica9 } from '../testing/demo-models';
import { applyEdits, difference, type Edit, editLists, invertEdits } from './edit';
import {
  addVariant,
  asInAll,
  differencesOfVariant,
  dropVariant,
  editsOfAll,
  editsOfVariant,
  nameVariant,
} from './edit-variant';
import { moveThings, takeOutThings } from './editing';
import { indexModel } from './index-model';
import type { DeviceModel } from './schema';
import { ofVariant } from './variant';

const bare = (model: DeviceModel) => ({ ...model, variants: [] });
const inOrder = (model: DeviceModel) =>
  editLists.map((list) => [...model[list]].sort((a, b) => (a.id < b.id ? -1 : 1)));
const idsOf = (model: DeviceModel) => editLists.flatMap((list) => model[list].map(({ id }) => id));
const changed = (model: DeviceModel, edits: readonly Edit[]) => applyEdits(model, edits);
const move = (model: DeviceModel, ids: readonly string[]) =>
  moveThings(indexModel(model), ids, { x: 1, y: 1 });

describe('a variant is changed as differences from what all have', () => {
  const cases = [
    [mica9, 'traceless'],
    [atlas, 'traceless'],
    [dune3, 'southern'],
    [dune3, 'standard'],
  ] as const;
  test('it becomes what was changed, all others stay as they were, and it can be taken back', () => {
    fc.assert(
      fc.property(
        fc.nat(cases.length - 1),
        fc.array(fc.tuple(fc.nat(999), fc.boolean()), { maxLength: 5 }),
        (c, picks) => {
          const [model, variant] = cases[c]!;
          let whole: DeviceModel = model;
          for (const [nth, away] of picks) {
            const shown = ofVariant(whole, variant);
            const ids = idsOf(shown);
            const id = ids[nth % ids.length]!;
            const edits = away ? takeOutThings(indexModel(shown), [id]) : move(shown, [id]);
            const own = editsOfVariant(whole, variant, edits);
            const next = changed(whole, own);
            expect(inOrder(ofVariant(next, variant))).toEqual(inOrder(changed(shown, edits)));
            for (const other of model.variants)
              if (other.id !== variant)
                expect(ofVariant(next, other.id).slots).toEqual(ofVariant(whole, other.id).slots);
            expect(bare(next)).toEqual(bare(whole));
            expect(changed(next, invertEdits(whole, own))).toEqual(whole);
            expect(changed(whole, difference(whole, next))).toEqual(next);
            whole = next;
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  test('what is put where all have it is no difference any more', () => {
    const shown = ofVariant(mica9, 'standard');
    const away = changed(mica9, editsOfVariant(mica9, 'standard', move(shown, ['camera'])));
    expect(differencesOfVariant(away, 'standard')).toMatchObject([
      { id: 'camera', list: 'slots', what: 'other' },
    ]);
    const back = moveThings(indexModel(ofVariant(away, 'standard')), ['camera'], { x: -1, y: -1 });
    expect(changed(away, editsOfVariant(away, 'standard', back))).toEqual(mica9);
    expect(changed(away, asInAll(away, 'standard', 'camera'))).toEqual(mica9);
  });
  test('one that another variant takes out is put in again by taking that back', () => {
    expect(differencesOfVariant(mica9, 'traceless').map(({ id, what }) => [id, what])).toEqual([
      ['board', 'other'],
      ['sim-tray', 'gone'],
    ]);
    const back = changed(mica9, asInAll(mica9, 'traceless', 'sim-tray'));
    expect(ofVariant(back, 'traceless').slots.map((s) => s.id)).toContain('sim-tray');
  });
  test('what is taken out of all is named by no variant any more', () => {
    const edits = takeOutThings(indexModel(bareIn(mica9)), ['sim-tray']);
    const gone = changed(mica9, editsOfAll(mica9, edits));
    expect(differencesOfVariant(gone, 'traceless').map(({ id }) => id)).toEqual(['board']);
    const moved = move(mica9, ['camera']);
    expect(editsOfAll(mica9, moved)).toEqual(moved);
  });
  test('what is said of a part stays said for the others when it goes from one', () => {
    const paired = mica9.pairing[0]!.slot;
    const own = editsOfVariant(
      mica9,
      'traceless',
      takeOutThings(indexModel(ofVariant(mica9, 'traceless')), [paired]),
    );
    const next = changed(mica9, own);
    expect(next.pairing).toEqual(mica9.pairing);
    expect(ofVariant(next, 'traceless').pairing.map((row) => row.slot)).not.toContain(paired);
    expect(ofVariant(next, 'standard').pairing).toEqual(mica9.pairing);
  });
  test('one is put in, named, dropped; the last one stays', () => {
    const more = changed(mica9, addVariant(mica9, 'other', 'with another tray'));
    expect(inOrder(ofVariant(more, 'other'))).toEqual(inOrder(mica9));
    expect(changed(more, nameVariant(more, 'other', 'deep tray')).variants.at(-1)!.name).toBe('deep tray');
    expect(changed(more, dropVariant(more, 'other'))).toEqual(mica9);
    const [only] = dune3.variants;
    expect(dropVariant({ ...dune3, variants: [only!] }, only!.id)).toEqual([]);
    expect(() => editsOfVariant(mica9, 'none', move(mica9, ['camera']))).toThrow(RangeError);
    expect(() => differencesOfVariant(mica9, 'none')).toThrow(RangeError);
  });
});
const bareIn = (model: DeviceModel) => ofVariant(model, 'standard');
