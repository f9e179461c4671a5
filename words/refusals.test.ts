import { expect, test } from 'vitest';
import { final } from '../core/log/events';
import { indexed, mica9 } from '../core/testing/demo-models';
import { shortModel } from './bench';
import { refusalText } from './findings';

test('what cannot be taken back is said with its reason in words, never as a code', () => {
  for (const [type, why] of final) {
    const said = refusalText(indexed(mica9), { code: 'cannot be taken back', why });
    expect(said, type).toMatch(/^That cannot be taken back: (it|heat|data|stock|the job) /);
  }
});
test('a maker of two words leaves a model its whole name, and no word more', () => {
  const model = 'Grey Heron Nine';
  expect(shortModel({ summary: { model, name: 'Nine' } })).toBe('Nine');
  // as an earlier version kept it
  expect(shortModel({ summary: { model: 'Alder Nine' } })).toBe('Nine');
});
