import { describe, expect, test } from 'vitest';
import { atRoom, glueSheetSchema, glueTimes } from './glue';

describe('a glue by its sheet', () => {
  test('takes half as long 10 C warmer and twice as long 10 C cooler (rule of thumb after van ’t Hoff, from memory)', () => {
    expect(atRoom(600, 23, 33)).toBe(300);
    expect(atRoom(600, 23, 13)).toBe(1200);
    expect(atRoom(600, 23, 23)).toBe(600);
    // five kelvin are a square root of two
    expect(atRoom(600, 23, 28)).toBeCloseTo(600 / Math.SQRT2, 9);
  });
  const contact = { name: 'a', atC: 23, openS: 300, handlingS: 3600, fullS: 86_400 };
  test('in a cold room everything takes longer, its open time too; under a lamp nothing does', () => {
    const glues = { sheets: { 'contact-glue': contact, 'uv-glue': { ...contact, name: 'b' } }, roomC: 13 };
    expect(glueTimes(glues, 'contact-glue')).toEqual({
      ...{ item: 'contact-glue', openS: 600, handlingS: 7200, fullS: 172_800 },
    });
    expect(glueTimes(glues, 'uv-glue')).toMatchObject({ handlingS: 3600, fullS: 86_400 });
    expect(glueTimes(glues, 'perimeter-seal')).toBeUndefined();
    expect(glueTimes(undefined, 'uv-glue')).toBeUndefined();
  });
  test('a sheet without a name, below zero or of another world is none', () => {
    expect(glueSheetSchema.safeParse(contact).success).toBe(true);
    for (const bad of [{ name: ' ' }, { handlingS: -1 }, { atC: 400 }, { openS: 0 }, { fullS: 1e9 }])
      expect(glueSheetSchema.safeParse({ ...contact, ...bad }).success).toBe(false);
  });
});
