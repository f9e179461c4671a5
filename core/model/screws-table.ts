import { addThing, type ListedThing, put } from './editing';
import { applyEdits, type Edit } from './edit';
import { type IndexedModel, indexModel } from './index-model';
import { type Fastener, thingSchemas } from './schema';

/** The columns of a table of screws, in their order; what a table has beside them is kept with its screw. */
export const screwColumns = [
  'id',
  'name',
  'x_mm',
  'y_mm',
  'face',
  'layer',
  'kind',
  'drive',
  'length_mm',
  'head_mm',
  'thread',
  'max_length_mm',
  'thread_lock',
  'holds',
  'stands_on',
] as const;
export const neededColumns = ['id', 'x_mm', 'y_mm', 'drive', 'length_mm', 'holds'] as const;
type Column = (typeof screwColumns)[number];

/** The screws of a model as rows of a table, other columns last. */
export function screwRows({ fasteners }: { fasteners: readonly Fastener[] }): {
  columns: string[];
  rows: string[][];
} {
  const more = [...new Set(fasteners.flatMap((f) => Object.keys(f.extra ?? {})))];
  const cells = (f: Fastener): Record<Column, string> => ({
    ...{ id: f.id, name: f.name, x_mm: String(f.at.x), y_mm: String(f.at.y), face: f.face },
    ...{ layer: String(f.layer), kind: f.kind, drive: f.drive, length_mm: String(f.lengthMm) },
    ...{ head_mm: String(f.headMm), thread: f.thread, max_length_mm: String(f.maxLengthMm ?? '') },
    ...{ thread_lock: f.threadLock ? 'yes' : 'no', holds: f.holds.join(' '), stands_on: f.standsOn ?? '' },
  });
  return {
    columns: [...screwColumns, ...more],
    rows: fasteners.map((f) => {
      const own = cells(f);
      return [...screwColumns.map((c) => own[c]), ...more.map((c) => f.extra?.[c] ?? '')];
    }),
  };
}

/** A figure with a point or a comma, with or without its unit; NaN where it is none. */
const figure = (text: string): number => {
  const plain = text
    .trim()
    .replace(/\s*mm$/i, '')
    .replace(',', '.');
  return plain === '' ? Number.NaN : Number(plain);
};
const yes = /^(yes|true|1|x)$/i;

/**
 * One row of a table as a screw: what it leaves out is taken from the screw of its id, where the model has one.
 * @returns the screw, or what is wrong with it by column
 */
export function screwOfRow(
  row: Readonly<Record<string, string>>,
  known: Fastener | undefined,
): { ok: true; value: Fastener } | { ok: false; errors: Record<string, string> } {
  const text = (column: Column) => row[column]?.trim() ?? '';
  const given = <T>(column: Column, value: T, otherwise: T): T => (text(column) ? value : otherwise);
  const max = given('max_length_mm', figure(text('max_length_mm')), known?.maxLengthMm ?? Number.NaN);
  const stands = given('stands_on', text('stands_on'), known?.standsOn ?? '');
  const extra = Object.fromEntries(
    Object.entries(row).filter(([column]) => !(screwColumns as readonly string[]).includes(column)),
  );
  const thing = {
    ...known,
    id: text('id'),
    name: given('name', text('name'), known?.name ?? 'screw'),
    at: { x: figure(text('x_mm')), y: figure(text('y_mm')) },
    face: given('face', text('face'), known?.face ?? 'front'),
    layer: given('layer', figure(text('layer')), known?.layer ?? 31),
    kind: given('kind', text('kind'), known?.kind ?? 'screw'),
    drive: text('drive'),
    lengthMm: figure(text('length_mm')),
    headMm: given('head_mm', figure(text('head_mm')), known?.headMm ?? 1.8),
    thread: given('thread', text('thread'), known?.thread ?? 'M1.2'),
    threadLock: given('thread_lock', yes.test(text('thread_lock')), known?.threadLock ?? false),
    holds: text('holds')
      .split(/[\s;]+/)
      .filter(Boolean),
    ...(Number.isNaN(max) && !text('max_length_mm') ? {} : { maxLengthMm: max }),
    ...(stands ? { standsOn: stands } : {}),
    ...(Object.keys(extra).length ? { extra } : {}),
  };
  const read = thingSchemas.fasteners.safeParse(thing);
  if (read.success) return { ok: true, value: read.data };
  const column: Record<string, Column> = {
    x: 'x_mm',
    y: 'y_mm',
    lengthMm: 'length_mm',
    headMm: 'head_mm',
    maxLengthMm: 'max_length_mm',
  };
  return {
    ok: false,
    errors: Object.fromEntries(
      read.error.issues.map((i) => {
        const field = String(i.path.find((p) => p !== 'at') ?? 'id');
        return [column[field] ?? field, i.message];
      }),
    ),
  };
}

/** The changes that take screws of a table in: one of a known id is changed, another one is new. */
export function takeScrews(index: IndexedModel, screws: readonly Fastener[]): Edit[] {
  const edits: Edit[] = [];
  let now = index;
  for (const thing of screws) {
    const listed: ListedThing = { list: 'fasteners', thing };
    const step = now.fasteners.has(thing.id) ? [put(listed)] : addThing(now, listed);
    edits.push(...step);
    now = indexModel(applyEdits(now.model, step));
  }
  return edits;
}
