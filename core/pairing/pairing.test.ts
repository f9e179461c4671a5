import { describe, expect, test } from 'vitest';
import { indexModel } from '../model/index-model';
import { defaultMethods } from '../methods/methods';
import { atlas, dune2, indexed, mica4, mica9, shippedModels } from '../testing/demo-models';
import { compareRemedies } from './compare';
import { effectsOf, methodsOfRemedies } from './effects';
import { remediesFor } from './rules';

const by = (m: typeof mica9, slot: string) => {
  const c = compareRemedies(indexed(m), slot);
  return Object.fromEntries(
    c.rows.map((r) => [r.function, Object.fromEntries(c.remedies.map((x, i) => [x, r.becomes[i]]))]),
  );
};

describe('the handbook’s table of pairing (common practice)', () => {
  test('display: two stores. Copied data bring colour adaptation back and leave the notice; the chip takes the notice away and brings nothing back', () => {
    const d = by(mica9, 'display');
    expect(d.ambient).toMatchObject({
      original: 'kept',
      copy: 'copy',
      chip: 'lost',
      accept: 'lost',
      'third party': 'lost',
    });
    expect(d.notice).toMatchObject({
      original: 'kept',
      copy: 'notice',
      chip: 'kept',
      accept: 'notice',
      'third party': 'notice',
    });
    expect(d.picture).toEqual({
      original: 'kept',
      copy: 'kept',
      chip: 'kept',
      accept: 'kept',
      'third party': 'kept',
    });
  });
  test('programmers cover some models only, and third-party panels where they have a mode for them', () => {
    // with the mode its data are written like an original's
    expect(by(dune2, 'display').ambient!['third party']).toBe('copy');
    expect(methodsOfRemedies(indexed(dune2), { display: 'third party' })).toEqual({ 'display-data': 'copy' });
    expect(methodsOfRemedies(indexed(mica9), { display: 'third party' })).toEqual({
      'display-data': 'accept',
    });
    // without a row for the display there is nothing to copy with, and copying is not offered
    const uncovered = { ...mica9, programming: [] };
    expect(compareRemedies(indexed(uncovered), 'display').remedies).not.toContain('copy');
    expect(effectsOf(indexed(uncovered), ['display']).find((e) => e.function === 'ambient')!.effect).toBe(
      'lost',
    );
  });
  test('battery: notice and a hidden health figure; the maker’s calibration only on later generations', () => {
    expect(by(mica9, 'cell')).toMatchObject({ notice: { accept: 'notice' }, battery: { accept: 'lost' } });
    expect(compareRemedies(indexed(mica9), 'cell').remedies).not.toContain('calibrate');
    expect(by(atlas, 'cell').notice).toMatchObject({
      calibrate: 'calibrate',
      accept: 'notice',
      'third party': 'notice',
    });
  });
  test('rear camera: works with a notice until calibrated', () => {
    expect(by(dune2, 'camera').notice).toMatchObject({ calibrate: 'calibrate', accept: 'notice' });
  });
  test('face module, front sensors and home key: lost with another one, whatever is done; kept when the original moves', () => {
    for (const [m, slot, fn] of [
      [atlas, 'face-module', 'face'],
      [dune2, 'front-sensors', 'face'],
      [mica4, 'home-key', 'finger'],
    ] as const) {
      const row = by(m, slot)[fn]!;
      for (const [remedy, becomes] of Object.entries(row))
        expect(becomes, `${slot} ${remedy}`).toBe(remedy === 'original' ? 'kept' : 'lost');
    }
  });
});
test('an old generation has no data to copy and no calibration', () => {
  expect(remediesFor('display', 1)).toEqual(['original', 'accept', 'third party']);
  expect(remediesFor('loudspeaker', 5)).toEqual([]);
});
test('a remedy chosen for the job wins over the house method, and house methods stand where none was chosen', () => {
  const index = indexed(mica9);
  const of = (method: 'copy' | 'chip' | 'accept', chosen = {}) =>
    effectsOf(index, ['display'], { ...defaultMethods, 'display-data': method }, chosen).map((e) => e.effect);
  expect(of('copy')).toEqual(['copy', 'notice']);
  expect(of('chip')).toEqual(['lost', 'kept']);
  expect(of('accept')).toEqual(['lost', 'notice']);
  expect(of('accept', { display: 'copy' })).toEqual(['copy', 'notice']);
  expect(methodsOfRemedies(index, { display: 'third party' })).toEqual({ 'display-data': 'accept' });
  expect(methodsOfRemedies(index, { cell: 'accept' })).toEqual({});
});
test('on every shipped model moving the original costs nothing, and no remedy is worse than it', () => {
  for (const m of shippedModels)
    for (const s of m.slots) {
      const c = compareRemedies(indexed(m), s.id);
      for (const r of c.rows)
        expect(
          c.remedies.includes('original') ? r.becomes[c.remedies.indexOf('original')] : 'kept',
          `${m.id} ${s.id} ${r.function}`,
        ).toBe('kept');
    }
});

test('a row that begins with a system version counts from it on; of an unknown version both outcomes are said', () => {
  const index = indexModel({
    ...mica9,
    pairing: mica9.pairing.map((p) =>
      p.slot === 'cell' && p.function === 'notice' ? { ...p, systemFrom: '15' } : p,
    ),
  });
  const notice = (system?: string) =>
    effectsOf(index, ['cell'], defaultMethods, {}, system).find((e) => e.function === 'notice');
  expect(notice('14.8')).toBeUndefined();
  expect(notice('15')).not.toHaveProperty('systemFrom');
  expect(notice()).toMatchObject({ systemFrom: '15' });
});
