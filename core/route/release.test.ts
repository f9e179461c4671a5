import { describe, expect, test } from 'vitest';
import type { Condition } from '../vocabulary/trade';
import { dune2, indexed, mica9 } from '../testing/demo-models';
import { allStations, generalStations } from '../methods/catalogue';
import { defaultMethods, type Methods } from '../methods/methods';
import { allows, heatStation, releaseFor } from './release';

const here = (
  m: typeof mica9,
  more: { methods?: Partial<Methods>; conditions?: Condition[]; stations?: string[] } = {},
) => ({
  index: indexed(m),
  methods: { ...defaultMethods, ...more.methods },
  conditions: more.conditions ?? [],
  stations: more.stations ?? allStations,
});
const bond = (m: typeof mica9, id: string) => m.bonds.find((b) => b.id === id)!;

describe('where a device is warmed', () => {
  test('on the source of the house when it is owned', () =>
    expect(heatStation(here(mica9, { methods: { 'heat-source': 'mat' } }))).toBe('heat-mat'));
  test('else on the first that is', () =>
    expect(heatStation(here(mica9, { stations: ['dryer', 'hot-air'] }))).toBe('dryer'));
  test('a bent device lies flat on no plate and in no press', () => {
    expect(heatStation(here(mica9, { conditions: ['bent'] }))).toBe('heat-mat');
    expect(
      heatStation(here(mica9, { conditions: ['bent'], stations: ['hot-plate', 'opening-press'] })),
    ).toBeUndefined();
  });
});

describe('how a bond is released', () => {
  test('the seal: heat, then solvent, by default; one alone where the house says so', () => {
    expect(releaseFor(here(mica9), bond(mica9, 'seal'))).toMatchObject({
      release: { by: 'heat' },
      station: 'hot-plate',
      waitS: 300,
      follow: { by: 'solvent' },
    });
    expect(
      releaseFor(here(mica9, { methods: { softening: 'heat' } }), bond(mica9, 'seal')),
    ).not.toHaveProperty('follow');
    expect(releaseFor(here(mica9, { methods: { softening: 'solvent' } }), bond(mica9, 'seal'))).toMatchObject(
      { release: { by: 'solvent' } },
    );
  });
  test('another source than the model’s brings its own usual soak (common practice)', () => {
    const soak = (source: Methods['heat-source']) =>
      releaseFor(here(mica9, { methods: { 'heat-source': source } }), bond(mica9, 'seal'))!.waitS;
    expect([soak('plate'), soak('mat'), soak('dryer')]).toEqual([300, 360, 150]);
    // mat about 6 min, dryer 2-3 min for all edges
    expect(generalStations.find((s) => s.id === 'heat-mat')!.softenS! / 60).toBe(6);
  });
  test('a bad cell is not heated at and not pulled at', () => {
    expect(releaseFor(here(mica9, { conditions: ['swollen'] }), bond(mica9, 'seal'))!.release.by).toBe(
      'solvent',
    );
    expect(releaseFor(here(mica9, { conditions: ['pierced'] }), bond(mica9, 'strip-tl'))!.release.by).toBe(
      'solvent',
    );
    expect(releaseFor(here(mica9), bond(mica9, 'strip-tl'))!.release.by).toBe('pull');
  });
  test('glued glass: laser where it is owned and wanted, else heat; neither over a bad cell', () => {
    expect(
      releaseFor(here(dune2, { methods: { 'bonded-back': 'laser' } }), bond(dune2, 'back-glue')),
    ).toMatchObject({ release: { by: 'laser' }, station: 'glass-laser' });
    expect(
      releaseFor(
        here(dune2, { methods: { 'bonded-back': 'laser' }, stations: ['hot-plate'] }),
        bond(dune2, 'back-glue'),
      ),
    ).toMatchObject({ release: { by: 'heat' } });
    expect(releaseFor(here(dune2, { conditions: ['swollen'] }), bond(dune2, 'back-glue'))).toBeUndefined();
  });
  test('what sits inside is warmed where the model says, not on the house’s plate', () => {
    expect(releaseFor(here(dune2), bond(dune2, 'magnet-glue'))).toMatchObject({
      station: 'dryer',
      waitS: 60,
    });
    expect(releaseFor(here(dune2, { stations: ['hot-plate'] }), bond(dune2, 'magnet-glue'))).toMatchObject({
      station: 'hot-plate',
      waitS: 300,
    });
  });
});

describe('a guard', () => {
  const guard = { unless: ['bent' as const], methods: { softening: ['heat', 'solvent'] }, station: 'dryer' };
  test('holds in every respect at once', () => {
    expect(allows(here(mica9, { methods: { softening: 'heat' } }), guard)).toBe(true);
    expect(allows(here(mica9), guard)).toBe(false);
    expect(allows(here(mica9, { methods: { softening: 'heat' }, conditions: ['bent'] }), guard)).toBe(false);
    expect(allows(here(mica9, { methods: { softening: 'heat' }, stations: [] }), guard)).toBe(false);
  });
});
