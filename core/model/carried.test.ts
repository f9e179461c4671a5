import { describe, expect, test } from 'vitest';
import { dune2, indexed, mica4, mica9 } from '../testing/demo-models';
import { carriedOf, transfersOf } from './carried';

const ids = (list: { id: string; hole: boolean }[]) => list.map((r) => r.id).toSorted();

describe('what comes and goes with an assembly', () => {
  test('a new display brings what the model says that it brings, and nothing else', () => {
    expect(ids(carriedOf(indexed(dune2), 'display', 'arriving'))).toEqual(['glass']);
    expect(carriedOf(indexed(mica9), 'display', 'arriving')).toEqual([]);
  });
  test('an old one takes along all that it carries, screws that hold nothing else included', () => {
    const gone = carriedOf(indexed(mica4), 'display', 'leaving');
    expect(ids(gone.filter((r) => !r.hole))).toEqual([
      'back-plate',
      'ear-bracket',
      'ear-speaker',
      'front-flex',
      'home-key',
      'key-bracket',
    ]);
    expect(ids(gone.filter((r) => r.hole))).toEqual(
      mica4.fasteners
        .filter((f) => ['N', 'H', 'E'].includes(f.id[0]!))
        .map((f) => f.id)
        .toSorted(),
    );
  });
  test('a screw that also holds something that stays does not ride', () => {
    const shared = structuredClone(mica4);
    shared.fasteners.find((f) => f.id === 'H1')!.holds = ['key-bracket', 'board'];
    expect(ids(carriedOf(indexed(shared), 'display', 'leaving'))).not.toContain('H1');
  });
  test('a housing with its back fitted brings the back and the glass round the cameras', () => {
    expect(ids(carriedOf(indexed(dune2), 'frame', 'arriving'))).toEqual(['back-glass', 'camera-ring']);
  });
});

describe('what has to be moved over', () => {
  test('is what the old one carries and the new one does not bring', () => {
    expect(transfersOf(indexed(mica4), 'display').toSorted()).toEqual([
      'back-plate',
      'ear-bracket',
      'ear-speaker',
      'front-flex',
      'home-key',
      'key-bracket',
    ]);
    expect(transfersOf(indexed(dune2), 'display')).toEqual([]);
    expect(transfersOf(indexed(mica9), 'cell')).toEqual([]);
  });
});
