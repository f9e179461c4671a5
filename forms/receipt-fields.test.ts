import { describe, expect, test } from 'vitest';
import { mica9 } from '../core/testing/demo-models';
import { readReceipt } from './receipt-fields';

const now = Date.UTC(2026, 4, 4, 8);
const model = { ...mica9, places: mica9.slots.map((s) => s.id) };
const before = Object.fromEntries(mica9.shortList.map((f) => [f, { result: 'works' }]));
const form = {
  modelHash: 'h',
  variant: mica9.variants[0]!.id,
  tag: ' T-1 ',
  complaint: 'flat by noon',
  before,
};
const read = (more: object = {}) =>
  readReceipt({ ...form, ...more }, (h) => (h === 'h' ? model : undefined), now);

describe('a receipt', () => {
  test('that is whole is read, without the blanks around its tag', () => {
    expect(read()).toMatchObject({ receipt: { tag: 'T-1', tasks: [], promisedAt: null }, errors: {} });
  });
  test('says at each field what is wrong: missing, unknown, past, unanswered', () => {
    expect(read({ tag: ' ', complaint: '' })).toEqual({
      errors: {
        tag: 'Give the serial number or a tag of your own.',
        complaint: 'Write what the owner says is wrong.',
      },
    });
    expect(read({ modelHash: 'x' }).errors).toEqual({ modelHash: 'This workshop has no such model.' });
    expect(read({ variant: 'x' }).errors).toEqual({ variant: 'Mica 9 has no such variant.' });
    expect(read({ tasks: [{ slot: 'x', action: 'replace' }] }).errors).toEqual({
      tasks: 'Mica 9 has no such part.',
    });
    expect(read({ promisedAt: now - 1 }).errors).toEqual({
      promisedAt: 'The promised time is in the past.',
    });
    const { [mica9.shortList[0]!]: _, ...rest } = before;
    expect(read({ before: rest }).errors).toEqual({
      before: `1 of ${mica9.shortList.length} functions have no answer yet.`,
    });
  });
  test('of anything else is refused in words, too', () => {
    for (const odd of [null, 7, 'form', []])
      expect(readReceipt(odd, () => undefined, now).receipt).toBeUndefined();
  });
});
