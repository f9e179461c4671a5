import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Body, JobEvent } from '../log/events';
import { often, suspectKinds } from './kinds';
import { allLessons, learnt, lessonsOf } from './lessons';

const log = (...bodies: object[]): JobEvent[] =>
  bodies.map((body, k) => ({
    id: String(k),
    seq: k,
    at: 0,
    by: 'p',
    clockKnown: true,
    body: body as Body,
  })) as JobEvent[];
const touch = (result: string, round = 'mid') => ({ type: 'checked', round, function: 'touch', result });
const reseated = { type: 'reseated', connector: 'K1' };
const film = { type: 'filmOff', film: 'display#2/0' };
const part = { type: 'pieceFitted', slot: 'display', piece: 'display#3', pose: 'in' };

describe('what a job has shown about a function that failed after work', () => {
  test.each<[string, object[], object]>([
    ['nothing where it still fails', [touch('fails'), reseated], {}],
    ['nothing of how it came', [touch('fails', 'before'), part, touch('works', 'after')], {}],
    ['the plug that was pressed home', [touch('fails'), reseated, touch('works')], { contact: 1 }],
    ['the film, and not the plug beside it', [touch('fails'), reseated, film, touch('works')], { film: 1 }],
    ['the part that was replaced', [touch('fails'), film, part, reseated, touch('works')], { part: 1 }],
    [
      'not the part that came with it and went in again',
      [touch('fails'), { ...part, piece: 'display#1' }, touch('works')],
      { else: 1 },
    ],
    ['something else where nothing was done', [touch('fails'), touch('works')], { else: 1 }],
    ['what was done before it failed is not why', [reseated, touch('fails'), touch('works')], { else: 1 }],
    [
      'each time that it was put right, from its first failure on',
      [
        touch('fails'),
        reseated,
        touch('fails'),
        film,
        touch('works'),
        touch('fails'),
        reseated,
        touch('works'),
      ],
      { film: 1, contact: 1 },
    ],
  ])('%s', (_what, bodies, lessons) => {
    expect(lessonsOf(log(...bodies))).toEqual(lessons);
  });
  test('adds up over jobs, and moves the guesses the more the more there are', () => {
    expect(allLessons([{ contact: 2 }, {}, { contact: 1, film: 1 }])).toEqual({ contact: 3, film: 1 });
    for (const kind of suspectKinds) expect(learnt(kind, {})).toBeCloseTo(1, 9);
    expect(learnt('screw', { screw: 4 })).toBeGreaterThan(learnt('screw', { screw: 1 }));
    expect(learnt('contact', { screw: 4 })).toBeLessThan(1);
  });
  test('whatever was learnt, the shares stay shares', () => {
    const sum = suspectKinds.reduce((s, k) => s + often[k], 0);
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...suspectKinds), fc.nat({ max: 500 })), (lessons) => {
        const shares = suspectKinds.map((k) => (learnt(k, lessons) * often[k]) / sum);
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        expect(Math.min(...shares)).toBeGreaterThan(0);
      }),
      { seed: 15 },
    );
  });
});
