import { describe, expect, test } from 'vitest';
import { run } from '../testing/run';

describe('derive', () => {
  const things = [
    { id: 's', kind: 'fastener', face: 'front', at: { x: 5, y: 5 } },
    { id: 'p', kind: 'part', face: 'front', shape: { x: 0, y: 0, w: 10, h: 10 } },
    { id: 'k', kind: 'connector', face: 'front', at: { x: 50, y: 50 }, joins: ['p'] },
  ];
  test('says what had to be off before what, in the fixed shape', () => {
    const input = { teardowns: [{ things, off: ['s', 'k', 'p'] }] };
    expect(JSON.parse(run(['derive'], JSON.stringify(input)).out)).toEqual({
      relations: [
        { first: 's', then: 'p', kind: 'holds', grade: 'seen', teardowns: 1 },
        { first: 'k', then: 'p', kind: 'joins', grade: 'said', teardowns: 1 },
      ],
      refuted: [{ first: 'p', then: 's', kind: 'covers', teardown: 0 }],
    });
  });
  test('names every place that is no record of the same device', () => {
    const other = things.map((t) => ({ ...t, id: t.id === 'k' ? 'other' : t.id, joins: t.joins && ['q'] }));
    const input = {
      teardowns: [
        { things, off: ['s'] },
        { things: [...other, { id: 'n', kind: 'part', face: 'back' }], off: ['s', 's', 'x'] },
      ],
    };
    const { code, out, err } = run(['derive'], JSON.stringify(input));
    expect([code, out]).toEqual([2, '']);
    expect(err.trim().split('\n')).toEqual([
      'teardowns[1].off[1]: the id s is already used at teardowns[1].off[0]',
      'teardowns[1].off[2]: there is no thing x',
      'teardowns[1].things[2].joins[0]: there is no part q',
      'teardowns[1].things[2].id: expected the things of teardowns[0], got other',
      'teardowns[1].things[3]: expected either at or shape',
      'teardowns[1].things[3].shape: expected a shape, got nothing',
      'teardowns[1].things[3].id: expected the things of teardowns[0], got n',
      'teardowns[1].things: expected k of teardowns[0], got nothing',
    ]);
  });
});
