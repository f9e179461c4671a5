import { describe, expect, test } from 'vitest';
import { TypedLength } from './typed-length';

const typed = (keys: string) => {
  const length = new TypedLength();
  for (const key of keys) length.feed(key);
  return length;
};

describe('a length typed at the bench', () => {
  test('two digits are tenths of a millimetre, and all that need be typed', () => {
    expect([typed('1').whole, typed('13').whole, typed('13').mm]).toEqual([false, true, 1.3]);
    expect(typed('08').mm).toBe(0.8);
  });
  test('with a point or a comma it is what stands there, as a calliper types it', () => {
    expect(typed('1.32')).toMatchObject({ mm: 1.32, whole: false });
    expect(typed('10,05')).toMatchObject({ mm: 10.05, whole: false });
    expect(typed('1.2.3').text).toBe('1.23');
  });
  test('what is none stays none: nothing, nought, longer than any screw of a phone', () => {
    expect([typed('').mm, typed('.').mm, typed('00').mm, typed('20.1').mm, typed('999').mm]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
  });
  test('takes no other key, and takes back one at a time', () => {
    const length = typed('24');
    expect(length.feed('k')).toBe(false);
    expect([length.back(), length.text, length.back(), length.back(), length.text]).toEqual([
      true,
      '2',
      true,
      false,
      '',
    ]);
    expect(typed('1234567').text).toBe('123456');
  });
});
