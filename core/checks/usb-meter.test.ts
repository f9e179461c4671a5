import { expect, test } from 'vitest';
import { chargeOf } from './usb-meter';

test('a device charges from a unit load on; a full one draws hardly anything; without voltage nothing is said of it', () => {
  expect(chargeOf({ volt: 5.02, ampere: 1.43 })).toBe('charges');
  expect(chargeOf({ volt: 9.01, ampere: 0.1 })).toBe('charges');
  expect(chargeOf({ volt: 5.1, ampere: 0.099 })).toBe('hardly');
  expect(chargeOf({ volt: 5.1, ampere: 0.019 })).toBe('no current');
  expect(chargeOf({ volt: 4.39, ampere: 2 })).toBe('no voltage');
});
