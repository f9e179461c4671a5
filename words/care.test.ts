import { expect, test } from 'vitest';
import { indexed, mica9 } from '../core/testing/demo-models';
import { careLines, waterLine } from './report';

const laid = (fullS: number, at = 1_000_000) => ({
  ...{ item: 'contact-glue' as const, fullS, at, clockKnown: true },
});

test('a report says until when a device is kept dry: until the last of what was laid has its whole strength', () => {
  const index = indexed(mica9);
  const state = {
    laid: { seal: laid(3600), 'sensor-glue': laid(86_400), 'strip-1': laid(1e6) },
    bond: { seal: 'renewed', 'sensor-glue': 'renewed', 'strip-1': 'released' },
  } as never;
  const [line, more] = careLines(index, state, String);
  expect(line).toContain('before 87400000:');
  expect(line).toContain('perimeter seal and glue under the sensor flex have');
  expect(more).toBeUndefined();
  expect(careLines(index, { laid: {}, bond: {} }, String)).toEqual([]);
});

test('what is said about water names what is missing, or from when it counts', () => {
  const index = indexed(mica9);
  const line = (water: string, leak: object | undefined, state: object) =>
    waterLine({ water, leak, index, page: { state } } as never, String);
  const lost = { value: 0.1, unit: 'kPa' };
  const nothing = { bond: {}, laid: {} };
  expect(line('sealed, test held', { holds: true }, nothing)).toMatch(
    /No figure of it was kept: .* not claimed/,
  );
  expect(line('sealed, test held', { holds: true, lost }, nothing)).toMatch(/reference leak .* not claimed/);
  expect(line('sealed, test held', { holds: true, lost, proved: true, simulated: true }, nothing)).toMatch(
    /simulated: .* not claimed/,
  );
  const proof = { holds: true, lost, proved: true };
  const sealed = { bond: { seal: 'renewed' }, laid: { seal: laid(3600) } };
  expect(line('sealed, leak tested', proof, sealed)).toMatch(
    /protected against water as tested .* It counts from 4600000, when the glue has its full strength/,
  );
  expect(line('sealed, leak tested', proof, { ...sealed, laid: {} })).toContain('when that is was not noted');
  expect(line('leaks', { holds: false, lost }, sealed)).not.toContain('counts');
});
