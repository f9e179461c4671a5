import { describe, expect, test } from 'vitest';
import type { Task } from '../log/events';
import { dune2, indexed, mica4 } from '../testing/demo-models';
import { defaultMethods, type Methods } from '../methods/methods';
import { workOf } from './tasks';
import { asItCame, type Standing } from '../steps/route';

const work = (
  m: typeof mica4,
  tasks: Task[],
  more: { methods?: Partial<Methods>; standing?: Partial<Standing> } = {},
) =>
  workOf(indexed(m), {
    tasks,
    methods: { ...defaultMethods, ...more.methods },
    standing: { ...asItCame, ...more.standing },
  });
const t = (slot: string, action: Task['action'] = 'replace'): Task => ({ slot, action });

describe('what tasks come to', () => {
  test('a new display means moving over what it carries; a second task on one of those does not move it twice', () => {
    expect(work(mica4, [t('display')])).toMatchObject({
      replaced: ['display'],
      transfers: expect.arrayContaining(['home-key', 'front-flex']),
    });
    expect(work(mica4, [t('display'), t('ear-speaker')]).transfers).not.toContain('ear-speaker');
  });
  test('cracked glass is the whole display, or the glass alone, as the house has it', () => {
    expect(work(dune2, [t('glass')]).replaced).toEqual(['display']);
    expect(work(dune2, [t('glass')], { methods: { 'cracked-glass': 'glass' } }).replaced).toEqual(['glass']);
  });
  test('a glued back can be a new housing; what comes on it is not asked for again', () => {
    expect(
      work(dune2, [t('back-glass'), t('camera-ring')], {
        methods: { 'bonded-back': 'housing', 'cracked-glass': 'glass' },
      }).replaced,
    ).toEqual(['frame']);
    expect(work(dune2, [t('back-glass')]).replaced).toEqual(['back-glass']);
  });
  test('what is done is not asked for again, and an old part that is aside gives nothing more', () => {
    expect(work(mica4, [t('display'), t('cell')], { standing: { done: ['cell'] } }).replaced).toEqual([
      'display',
    ]);
    expect(work(mica4, [t('display')], { standing: { aside: ['display'] } }).transfers).toEqual([]);
    expect(work(mica4, [t('board', 'inspect')], { standing: { acted: ['inspect board'] } }).visits).toEqual(
      [],
    );
  });
  test('to rework or refit a part it comes out; to look at it, it is uncovered', () => {
    expect(
      work(mica4, [t('board', 'rework'), t('port', 'move'), t('camera', 'inspect'), t('cell', 'reach')])
        .visits,
    ).toEqual([
      { slot: 'board', act: 'rework', out: true },
      { slot: 'port', act: 'work', out: true },
      { slot: 'camera', act: 'inspect', out: false },
      { slot: 'cell', act: 'work', out: false },
    ]);
  });
});
