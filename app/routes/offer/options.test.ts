import { describe, expect, test } from 'vitest';
import type { StockPart } from '../../../core/wire/stock';
import { Bench } from '../../../core/testing/bench';
import { indexed, mica9, replace, route } from '../../../core/testing/demo-models';
import { leastWaits } from '../../../core/rules/interlock';
import { entryOf, optionsOf } from './options';

const index = indexed(mica9);
const settings = { hourlyRateMinor: 6000, currency: 'EUR', waits: leastWaits, methods: {}, stations: [] };
const part = (
  id: string,
  slot: string,
  provenance: StockPart['provenance'],
  more: Partial<StockPart> = {},
): StockPart =>
  ({
    ...{ id, slot, provenance, name: slot, supplier: '', lot: '', serial: '' },
    ...{ priceMinor: 1000, arrivesWith: [], released: 'not needed', proof: '', ...more },
  }) as StockPart;
const stock = [
  part('new', 'cell', 'new original'),
  part('new-2', 'cell', 'new original'),
  part('pulled', 'cell', 'pulled'),
  part('locked', 'cell', 'reclaimed', { released: 'locked' }),
  part('after', 'cell', 'third party A'),
  part('third', 'cell', 'third party B'),
  part('glass', 'display', 'pulled'),
];
const opened = (...slots: string[]) => new Bench(index, route(mica9)).open(replace(...slots)).state;
const options = (state: ReturnType<typeof opened>, replaced: string[], extraMin = 0, parts = stock) =>
  optionsOf(index, state, settings as never, parts, replaced, replace(...replaced).tasks, extraMin);

describe('what is priced side by side', () => {
  test('is all of it at list price, and with the cheapest part of two provenances, none of them locked', () => {
    const all = options(opened('cell'), ['cell']);
    expect(all.map((o) => o.row.id)).toEqual(['whole', 'new', 'pulled']);
    expect(all[0]!.row.name).toMatch(/list price/i);
    expect(all[0]!.option.parts).toEqual({});
    expect(all[2]!.option.parts).toEqual({ cell: entryOf(stock[2]!) });
  });
  test('a part that is chosen is no alternative to itself, nor is another of its provenance', () => {
    const state = { ...opened('cell'), part: { cell: entryOf(stock[0]!) } };
    const all = options(state, ['cell']);
    expect(all.map((o) => o.row.id)).toEqual(['whole', 'pulled', 'after']);
    expect(all[0]!.row.name).not.toMatch(/list price/i);
    expect(all[0]!.option.parts).toEqual({ cell: entryOf(stock[0]!) });
  });
  test('of two tasks each is priced alone, too, each with its own work', () => {
    const all = options(opened('cell', 'display'), ['cell', 'display']);
    expect(all.map((o) => o.row.id)).toEqual([
      ...['whole', 'new', 'pulled', 'glass', 'only cell', 'only display'],
    ]);
    expect(all.map((o) => o.option.input.tasks.map((t) => t.slot).sort())).toEqual([
      ...[
        ['cell', 'display'],
        ['cell', 'display'],
        ['cell', 'display'],
        ['cell', 'display'],
      ],
      ...[['cell'], ['display']],
    ]);
  });
  test('minutes added by hand count for each, a third less to half more', () => {
    for (const { option } of options(opened('cell'), ['cell'], 9))
      expect(option.extraS).toEqual({ low: 360, likely: 540, high: 810 });
  });
  test('without stock there is the list price alone', () => {
    expect(options(opened('cell'), ['cell'], 0, []).map((o) => o.row.id)).toEqual(['whole']);
  });
});
