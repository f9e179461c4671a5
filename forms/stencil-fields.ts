import { z } from 'zod';
import * as common from '../words/answers/common';
import * as wording from '../words/answers/stencils';

/** A figure in mm, with a point or a comma; empty where it may be left out. */
const millimetres = (most: number) =>
  z
    .string()
    .trim()
    .transform((t, ctx) => {
      const n = Number(t.replace(',', '.').replace(/\s*mm$/i, ''));
      if (t !== '' && Number.isFinite(n) && n > 0 && n <= most) return Math.round(n * 1000) / 1000;
      ctx.addIssue({ code: 'custom', message: wording.noLength(t.slice(0, 20), most) });
      return z.NEVER;
    });
const orNone = (most: number) =>
  z
    .string()
    .trim()
    .default('')
    .transform((t, ctx) => {
      if (t === '') return null;
      const read = millimetres(most).safeParse(t);
      if (read.success) return read.data;
      ctx.addIssue({ code: 'custom', message: read.error.issues[0]!.message });
      return z.NEVER;
    });
/** Rows of a ball field: 1 for an aperture, 0 for none; a line each, or parted by a stroke. */
const pattern = z
  .string()
  .trim()
  .max(4000, common.atMostCharacters(4000))
  .transform((t, ctx) => {
    const rows = t.split(/[\s/]+/).filter(Boolean);
    const wrong = (message: string) => {
      ctx.addIssue({ code: 'custom', message });
      return z.NEVER;
    };
    if (!rows.length) return wrong(wording.noPattern);
    const odd = rows.findIndex((row) => !/^[01]+$/.test(row));
    if (odd >= 0) return wrong(wording.otherCharacter(odd + 1, rows[odd]!.slice(0, 40)));
    const ragged = rows.findIndex((row) => row.length !== rows[0]!.length);
    if (ragged >= 0) return wrong(wording.ragged(ragged + 1, rows[ragged]!.length, rows[0]!.length));
    if (rows.length > 60 || rows[0]!.length > 60) return wrong(wording.tooLarge);
    if (!rows.join('').includes('1')) return wrong(wording.noAperture);
    return rows;
  });
export const stencilShape = {
  name: z.string().trim().min(1, wording.giveName).max(60, common.atMostCharacters(60)),
  pitch_mm: millimetres(3),
  pattern,
  shape: z.enum(['circle', 'square'], { error: common.oneOf('circle, square') }).default('circle'),
  aperture_mm: orNone(3),
  thickness_mm: orNone(1),
};
/** A stencil as it is typed or stands in a line of a file. */
export const stencilFields = z
  .object(stencilShape)
  .refine((s) => s.aperture_mm === null || s.aperture_mm < s.pitch_mm, {
    path: ['aperture_mm'],
    error: wording.apertureAbovePitch,
  });
