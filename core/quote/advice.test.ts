import { describe, expect, test } from 'vitest';
import { advise, type Priced } from './advice';

const whole = (meanMinor: number, chance: number | null = null): Priced => ({
  ...{ id: 'whole', meanMinor, p90Minor: meanMinor * 1.2, chance },
});
const offer = (priceMinor: number, name = 'another') => ({ name, priceMinor });
/** What is advised for a repair of 10 000, and why. */
const of = (
  given: {
    replacement?: number;
    offers?: number[];
    limit?: number;
    chance?: number | null;
    parts?: Priced[];
  } = {},
) => {
  const { advice, because, option, figures } = advise(
    whole(10_000, given.chance ?? null),
    given.parts ?? [],
    given.replacement ?? null,
    (given.offers ?? []).map((price) => offer(price)),
    given.limit ?? null,
  );
  return { said: `${advice}: ${because}`, option, figures };
};

describe('against another phone', () => {
  test('what costs as much is replaced, and what costs more than six tenths of it, too', () => {
    expect(of({ replacement: 10_000 }).said).toBe('replace: dearer than another phone');
    expect(of({ replacement: 10_001 }).said).toBe('replace: near the price of another phone');
    expect(of({ replacement: 16_666 }).said).toBe('replace: near the price of another phone');
    expect(of({ replacement: 16_667 }).said).toBe('repair: cheaper than another phone');
    expect(of({ replacement: 16_667 }).figures).toEqual({ cost: 10_000, against: 16_667 });
  });
});
describe('against another’s offer', () => {
  test('what costs a quarter more than it is declined; what costs less more than that is not', () => {
    expect(of({ offers: [7999] }).said).toBe('decline: dearer than another offer');
    expect(of({ offers: [8000] }).said).toBe('repair: nothing to compare');
    expect(of({ offers: [9500] }).said).toBe('repair: nothing to compare');
  });
  test('the cheapest of them counts, in whatever order they came', () => {
    for (const offers of [
      [9000, 7000, 12_000],
      [7000, 9000],
      [12_000, 7000],
    ])
      expect(of({ offers })).toMatchObject({
        said: 'decline: dearer than another offer',
        figures: { against: 7000 },
      });
  });
  test('another phone that is cheaper still comes before it', () => {
    expect(of({ replacement: 9000, offers: [1000] }).said).toBe('replace: dearer than another phone');
  });
});
describe('within the owner’s limit', () => {
  const part = (id: string, chance: number | null): Priced => ({ ...whole(4000.4, chance), id });
  test('eight of ten is a yes; less is cut down to the first part that is one', () => {
    expect(of({ limit: 11_000, chance: 0.8, parts: [part('a', 1)] }).said).toBe('repair: within the limit');
    const cut = of({ limit: 9000, chance: 0.79, parts: [part('a', 0.79), part('b', 0.8), part('c', 1)] });
    expect(cut).toEqual({
      said: 'repair partly: over the limit, part of it fits',
      option: 'b',
      figures: { cost: 4000, against: 9000, chance: 0.8 },
    });
  });
  test('where no part is, less than three of ten is declined, and more is the owner’s to say', () => {
    expect(of({ limit: 8000, chance: 0.29, parts: [part('a', null)] }).said).toBe('decline: over the limit');
    expect(of({ limit: 8000, chance: 0.3, parts: [part('a', 0.5)] }).said).toBe('repair: within the limit');
  });
  test('a limit without a chance says nothing', () => {
    expect(of({ limit: 8000, chance: null }).said).toBe('repair: nothing to compare');
  });
});
