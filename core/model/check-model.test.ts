import { describe, expect, test } from 'vitest';
import micaJson from '../../demo/models/mica-9.json';
import { indexed, mica9, shippedModels, sprigModel } from '../testing/demo-models';
import { damagedModel } from '../testing/model-generator';
import { canonicalJson, contentHash } from './canonical-json';
import { checkModel, modelRemarks } from './check-model';
import { coveredBy } from './covers';
import type { DeviceModel } from './schema';
import { ofVariant } from './variant';

/** A copy of a shipped model with one thing changed. */
function broken(change: (m: any) => void): { path: string; text: string }[] {
  const copy = structuredClone(micaJson) as any;
  change(copy);
  return checkModel(copy).problems;
}

describe('a model file is refused with the path of every problem', () => {
  test.each([
    [
      'a way that needs a slot that is not there',
      (m: any) => {
        m.slots[0].ways[1].needs[0].slot = 'lid';
      },
      'slots[0].ways[1].needs[0].slot',
      'there is no slot lid',
    ],
    [
      'a screw that holds nothing known',
      (m: any) => {
        m.fasteners[2].holds = ['plate'];
      },
      'fasteners[2].holds[0]',
      'there is no slot plate',
    ],
    [
      'an id used twice',
      (m: any) => {
        m.fasteners[1].id = 'A1';
      },
      'fasteners[1].id',
      'the id A1 is already used at fasteners[0].id',
    ],
    [
      'a screw outside the outline',
      (m: any) => {
        m.fasteners[0].at.x = 90;
      },
      'fasteners[0].at',
      'lies outside the outline of 71.5 x 146.7 mm',
    ],
    [
      'a negative length',
      (m: any) => {
        m.fasteners[0].lengthMm = -1;
      },
      'fasteners[0].lengthMm',
      'Too small',
    ],
    [
      'an unknown drive',
      (m: any) => {
        m.fasteners[0].drive = 'spoon';
      },
      'fasteners[0].drive',
      'Invalid option',
    ],
    [
      'a field that the format does not have',
      (m: any) => {
        m.colour = 'red';
      },
      '',
      'Unrecognized key',
    ],
    [
      'a slot with no way out',
      (m: any) => {
        m.slots.find((s: any) => s.id === 'camera').ways = [];
      },
      'variants(standard).slots(camera).ways',
      'expected at least one way out',
    ],
    [
      'a slot with no install rule',
      (m: any) => {
        delete m.slots.find((s: any) => s.id === 'camera').install;
      },
      'variants(standard).slots(camera).install',
      'expected a rule for putting it back',
    ],
    [
      'a slot that nothing tests',
      (m: any) => {
        m.slots.find((s: any) => s.id === 'coil').functions = [];
        m.connectors.find((c: any) => c.id === 'K-coil').functions = [];
      },
      'variants(standard).slots(coil).functions',
      'nothing is tested',
    ],
    [
      'minutes in the wrong order',
      (m: any) => {
        m.slots[0].ways[0].minutes = { low: 3, likely: 2, high: 4 };
      },
      'slots[0].ways[0].minutes',
      'expected low <= likely <= high',
    ],
    [
      'no cell connector',
      (m: any) => {
        m.connectors[0].carries = 'signal';
      },
      'variants(standard).connectors',
      'expected one connector of power',
    ],
  ])('%s', (_name, change, path, text) => {
    const problems = broken(change);
    expect(problems.map((p) => p.path)).toContain(path);
    expect(problems.find((p) => p.path === path)!.text).toContain(text);
  });
  test('something that is no model at all', () => {
    expect(checkModel('hello').ok).toBe(false);
    expect(checkModel(null).problems[0]!.path).toBe('');
  });
});

test('a variant removes and replaces by id and leaves the base as it is', () => {
  const without = ofVariant(mica9, 'traceless');
  expect(without.slots.map((s) => s.id)).not.toContain('sim-tray');
  expect(without.slots.find((s) => s.id === 'board')!.ways[0]!.needs.map((n) => n.slot)).not.toContain(
    'sim-tray',
  );
  expect(mica9.slots.map((s) => s.id)).toContain('sim-tray');
  expect(() => ofVariant(mica9, 'other')).toThrow('mica-9 has no variant other');
});

describe('what hides what', () => {
  test('follows from geometry: a connector lies under the bracket above it and under the display', () => {
    expect(coveredBy(indexed(mica9), 'K-cell')).toEqual(['display', 'cell-bracket']);
    expect(coveredBy(indexed(sprigModel), 'K-port')).toEqual(['display', 'plate']);
  });
  test('an outside screw and a tray that is left free are hidden by nothing', () => {
    expect(coveredBy(indexed(mica9), 'A1')).toEqual([]);
    expect(coveredBy(indexed(mica9), 'sim-tray')).toEqual([]);
  });
  test('what sits on the display goes with it and hides nothing that stays', () => {
    expect(coveredBy(indexed(mica9), 'camera-bracket')).toEqual(['display']);
  });
});

test('the content hash is 64-bit FNV-1a over canonical JSON and does not see the order of keys', () => {
  // the same by the published definition on BigInt: h = (h ^ byte) * 2^40+0x1b3 mod 2^64 from 0xcbf29ce484222325
  const reference = (text: string) => {
    let h = 0xcbf29ce484222325n;
    for (const b of new TextEncoder().encode(text))
      h = ((h ^ BigInt(b)) * 0x100000001b3n) & 0xffffffffffffffffn;
    return h.toString(16).padStart(16, '0');
  };
  for (const v of ['a', { b: 1, a: [1, { d: 2, c: null }] }, mica9.outline, 'ÿ€😀'])
    expect(contentHash(v)).toBe(reference(canonicalJson(v)));
  expect(contentHash({ a: 1, b: 2 })).toBe(contentHash({ b: 2, a: 1 }));
});

describe('what a file says of places and lengths', () => {
  const changed = (change: (m: DeviceModel) => void) => {
    const copy = structuredClone(mica9);
    change(copy);
    return checkModel(copy).problems.map((p) => `${p.path}: ${p.text}`);
  };
  test('two screws on one point are one hole written twice', () => {
    const said = changed((m) => {
      m.fasteners[1]!.at = { ...m.fasteners[0]!.at };
      m.fasteners[1]!.layer = m.fasteners[0]!.layer;
    });
    expect(said.join('\n')).toMatch(/fasteners\(A2\)\.at: lies on the point of A1/);
  });
  test('a plug lies on one of the parts that it joins', () => {
    const said = changed((m) => {
      m.connectors.find((c) => c.id === 'K-cell')!.at = { x: 1, y: 1 };
    });
    expect(said.join('\n')).toMatch(/connectors\(K-cell\)\.at: lies on neither part/);
  });
  test('without a single greatest length it is remarked that each hole’s own counts', () => {
    const bare = structuredClone(mica9);
    for (const f of bare.fasteners) delete f.maxLengthMm;
    expect(modelRemarks(bare)).toHaveLength(1);
    expect(modelRemarks(mica9)).toEqual([]);
    expect(shippedModels.flatMap((m) => modelRemarks(m))).toEqual([]);
  });
  test('a file of endless lists is refused before it is worked on', () => {
    const said = changed((m) => {
      m.fasteners = Array.from({ length: 5000 }, (_, i) => ({ ...m.fasteners[0]!, id: `Z${i}` }));
    });
    expect(said.join('\n')).toMatch(/fasteners: /);
  });
});

test('a damaged file is never a fault of the program: it is good, or every problem has its place in the file', () => {
  let bad = 0;
  for (let seed = 0; seed < 250; seed++) {
    const read = checkModel(damagedModel(micaJson, seed));
    if (read.ok) continue;
    bad++;
    expect(read.problems.length, `seed ${seed}`).toBeGreaterThan(0);
    for (const p of read.problems) expect(p.text, `seed ${seed}`).toMatch(/\w/);
  }
  expect(bad).toBeGreaterThan(150);
});
