import { expect, test } from 'vitest';
import { indexed, mica9 } from '../core/testing/demo-models';
import { careLines } from './report';

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
