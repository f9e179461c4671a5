import { describe, expect, test } from 'vitest';
import type { Body, JobEvent } from '../log/events';
import { applyEdits } from '../model/edit';
import { sprigModel } from '../testing/demo-models';
import { learnLengths, lengthEdit } from './learn';

const log = (...bodies: Body[]): JobEvent[] =>
  bodies.map((body, i) => ({ id: `e${i}`, seq: i + 1, v: 3, by: 'p', at: 0, clockKnown: true, body }));
const measured = (piece: string, lengthMm: number): Body => ({ type: 'screwMeasured', piece, lengthMm });

describe('what jobs say about the lengths of a model’s screws', () => {
  test('three that measured it longer than the model says propose the mean; fewer do not', () => {
    const logs = [2.9, 2.88, 2.93].map((mm) => log(measured('D1#1', mm)));
    const [learnt] = learnLengths(sprigModel, logs);
    expect(learnt).toMatchObject({ id: 'D1', modelMm: 2.6, jobs: 3, proposedMm: 2.9 });
    expect(learnt!.meanMm).toBeCloseTo(2.903, 3);
    expect(learnt!.spreadMm).toBeCloseTo(0.0252, 3);
    expect(learnLengths(sprigModel, logs.slice(1))[0]).not.toHaveProperty('proposedMm');
  });
  test('what agrees as near as jaws are laid on, or is scattered too widely, proposes nothing', () => {
    const agreeing = [2.65, 2.68, 2.7].map((mm) => log(measured('D1#1', mm)));
    expect(learnLengths(sprigModel, agreeing)[0]).not.toHaveProperty('proposedMm');
    const scattered = [2.2, 3.6, 2.6].map((mm) => log(measured('D1#1', mm)));
    expect(learnLengths(sprigModel, scattered)[0]).not.toHaveProperty('proposedMm');
  });
  test('of each job the last measure counts, of a heap that was sorted as well; another screw in the hole does not', () => {
    const one = log(
      measured('D1#1', 9),
      { type: 'sorted', screws: [{ piece: 'D1#1', lengthMm: 2.9 }] },
      measured('D1#2', 5),
    );
    expect(learnLengths(sprigModel, [one])).toMatchObject([{ id: 'D1', jobs: 1, meanMm: 2.9, spreadMm: 0 }]);
  });
  test('taken over, it is the model’s length, and a greatest safe length goes up where it must', () => {
    const [learnt] = learnLengths(
      sprigModel,
      [3, 3, 3].map((mm) => log(measured('D1#1', mm))),
    );
    const next = applyEdits(sprigModel, [lengthEdit(sprigModel, learnt!)!]);
    expect(next.fasteners.find((f) => f.id === 'D1')).toMatchObject({ lengthMm: 3, maxLengthMm: 3 });
    expect(lengthEdit(sprigModel, { ...learnt!, id: 'none' })).toBeUndefined();
  });
});
