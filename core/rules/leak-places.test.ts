import { describe, expect, test } from 'vitest';
import { Bench } from '../testing/bench';
import { dune2, indexed, mica9, replace, route } from '../testing/demo-models';
import { leakPlaces } from './leak-places';

describe('where a device may leak', () => {
  test('after its display was opened: corners and screws without opening it again, the rim at last', () => {
    const b = new Bench(indexed(mica9), route(mica9)).open().finish();
    const places = leakPlaces(b.index, b.state);
    const kinds = places.map((place) => place.kind);
    expect(kinds.indexOf('corners')).toBeLessThan(kinds.indexOf('rim'));
    expect(kinds.indexOf('screws')).toBeLessThan(kinds.indexOf('rim'));
    const [corner] = places;
    expect(corner).toEqual({ kind: 'corners', things: ['seal'], mend: 'press', touched: true });
    expect(places.find((place) => place.kind === 'rim')).toMatchObject({ mend: 'reseal', slot: 'display' });
    // the screws that hold the display to its frame, and no others
    const screws = places.find((place) => place.kind === 'screws')!.things;
    expect(screws.length).toBeGreaterThan(0);
    for (const id of screws) expect(b.index.fasteners.get(id)!.holds).toContain('display');
  });
  test('after a back alone: what was laid there comes first, the display’s seal last', () => {
    const b = new Bench(indexed(dune2), route(dune2, replace('back-glass')))
      .open(replace('back-glass'))
      .finish();
    const places = leakPlaces(b.index, b.state);
    expect(places[0]).toMatchObject({ kind: 'second seal', things: ['back-glue'], touched: true });
    expect(places.findLast((place) => place.things.includes('seal'))!.touched).toBe(false);
  });
});
