import { describe, expect, test } from 'vitest';
import { atlas, mica9 } from '../testing/demo-models';
import { applyEdits } from './edit';
import { indexModel } from './index-model';
import type { Fastener } from './schema';
import { screwOfRow, screwRows, takeScrews } from './screws-table';

const row = (change: Record<string, string> = {}) => ({
  ...{ id: 'Z1', x_mm: '10', y_mm: '20.5', drive: 'PH000', length_mm: '1.6', holds: 'cell-bracket' },
  ...change,
});
const read = (change: Record<string, string>, known?: Fastener) => screwOfRow(row(change), known);

describe('screws as a table', () => {
  test('every screw of every kind comes back as it was', () => {
    for (const model of [mica9, atlas]) {
      const { columns, rows } = screwRows(model);
      const back = rows.map((cells) =>
        screwOfRow(Object.fromEntries(columns.map((c, i) => [c, cells[i]!])), undefined),
      );
      const known = ({ torqueNcM: _, clearanceMm: __, ...f }: Fastener) => f;
      expect(back.map((b) => (b.ok ? b.value : b.errors))).toEqual(model.fasteners.map(known));
    }
  });
  test('a comma, a unit or both are figures; what is none is said at its column', () => {
    for (const text of ['1.6', '1,6', '1.6 mm', '1,6mm'])
      expect(read({ length_mm: text })).toMatchObject({ ok: true, value: { lengthMm: 1.6 } });
    expect(read({ length_mm: 'long' })).toMatchObject({ errors: { length_mm: expect.any(String) } });
    expect(read({ length_mm: '' })).toMatchObject({ errors: { length_mm: expect.any(String) } });
    expect(read({ x_mm: '-4' })).toMatchObject({ errors: { x_mm: expect.any(String) } });
    expect(read({ drive: 'P9' })).toMatchObject({ errors: { drive: expect.any(String) } });
    expect(read({ holds: '' })).toMatchObject({ errors: { holds: expect.any(String) } });
    expect(read({ max_length_mm: 'x' })).toMatchObject({ errors: { max_length_mm: expect.any(String) } });
    expect(read({ id: '1a' })).toMatchObject({ errors: { id: expect.any(String) } });
  });
  test('columns of one’s own are kept, and written out again', () => {
    const said = read({ bin: 'drawer 4' });
    expect(said).toMatchObject({ ok: true, value: { extra: { bin: 'drawer 4' } } });
    const model = applyEdits(mica9, takeScrews(indexModel(mica9), said.ok ? [said.value] : []));
    const { columns, rows } = screwRows(model);
    expect(columns.at(-1)).toBe('bin');
    expect(rows.map((r) => r.at(-1)).filter(Boolean)).toEqual(['drawer 4']);
  });
  test('of a known screw it changes what it names and leaves the rest; new ones are loosed by the way of their part', () => {
    const known = mica9.fasteners.find((f) => f.id === 'B1')!;
    const changed = screwOfRow(
      {
        id: 'B1',
        x_mm: '50',
        y_mm: '60',
        drive: known.drive,
        length_mm: '1.9',
        holds: known.holds.join(' '),
      },
      known,
    );
    expect(changed).toMatchObject({ ok: true, value: { ...known, at: { x: 50, y: 60 }, lengthMm: 1.9 } });
    const two = ['Z1', 'Z2'].map((id) => read({ id })).flatMap((r) => (r.ok ? [r.value] : []));
    const now = applyEdits(mica9, takeScrews(indexModel(mica9), two));
    const bracket = now.slots.find((s) => s.id === 'cell-bracket')!;
    expect(bracket.ways[0]!.fasteners).toEqual(expect.arrayContaining(['Z1', 'Z2']));
  });
});
