import { expect, test } from 'vitest';
import { handOverLine } from './hand-over';

test('a report names what was seen to before a device was given back, and what was not ticked', () => {
  expect(handOverLine(['grilles', 'tray', 'bag'], { tray: 'p1', bag: 'p1' })).toBe(
    'Before it was given back: SIM tray in and owner’s bag counted. Not ticked: grilles clean.',
  );
  expect(handOverLine(['tray'], { tray: 'p1' })).toBe('Before it was given back: SIM tray in.');
  // nobody ticked anything: nothing is claimed
  expect(handOverLine(['grilles', 'tray'], {})).toBe('');
});
