import { describe, expect, test } from 'vitest';
import { palettes } from './palette';

/** Relative luminance and contrast as WCAG 2.2 defines them. */
const luminance = (hex: string) =>
  [1, 3, 5]
    .map((i) => Number.parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
    .reduce((s, c, i) => s + c * [0.2126, 0.7152, 0.0722][i]!, 0);
const contrast = (a: string, b: string) => {
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p);
  return (x! + 0.05) / (y! + 0.05);
};

describe.each(Object.entries(palettes))('the %s palette', (_name, p) => {
  test('black on white is 21 : 1, and the formula is the standard’s', () =>
    expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5));
  test('an instruction has at least 7 : 1', () => {
    for (const ground of [p.card, p.paper, p.saffronSoft])
      expect(contrast(p.ink, ground)).toBeGreaterThanOrEqual(7);
  });
  test.each([
    ['muted on card', p.muted, p.card],
    ['muted on paper', p.muted, p.paper],
    ['links', p.petrol, p.card],
    ['danger', p.brick, p.brickSoft],
    ['safe', p.moss, p.card],
    ['the head', p.headInk, p.headCard],
    ['the head, quiet', p.headMuted, p.headCard],
    ['the mat', p.matInk, p.mat],
    ['the button', p.card, p.petrol],
    ['stop text', p.ink, p.brickSoft],
    ['safe text', p.ink, p.mossSoft],
    ['chips', p.ink, p.petrolSoft],
  ])('%s: at least 4.5 : 1', (_what, a, b) => expect(contrast(a, b)).toBeGreaterThanOrEqual(4.5));
  test('what lies on the mat stands out from it, 3 : 1 (graphics)', () => {
    for (const c of [p.glass, p.saffronLight, p.matInk])
      expect(Math.max(contrast(c, p.mat), contrast(p.matInk, p.mat))).toBeGreaterThanOrEqual(3);
  });
});
