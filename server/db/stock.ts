import type { NewPart, StockPart } from '../../core/wire/stock';
import { type FilterQuery, LockMode, raw } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import { randomUUID } from 'node:crypto';
import { type PartOrder, type partPlaces, partsPerPage, type StockQuery } from '../../forms/stock-query';
import type { Body, Provenance, Released } from '../../core/log/events';
import type { JobState } from '../../core/log/state';
import { originalPiece } from '../../core/vocabulary/pieces';
import { piecesAt } from '../../core/log/view';
import { Part, type PartRow } from './entities';
import { shopOf } from './orm';
import { countSpares, spareToTake } from './spares';
const partOf = (row: PartRow): NewPart & { id: string } => ({
  id: row.id,
  name: row.name,
  kind: row.kind,
  modelId: row.modelId,
  slot: row.slot,
  provenance: row.provenance as Provenance,
  supplier: row.supplier,
  lot: row.lot,
  serial: row.serial,
  priceMinor: row.priceMinor,
  arrivesWith: row.arrivesWith,
  released: row.released as Released,
  proof: row.proof,
});

const likeOf = (words: string) => `%${words.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
const places: Record<(typeof partPlaces)[number], FilterQuery<PartRow>> = {
  free: { jobId: null },
  chosen: { jobId: { $ne: null }, job: { ending: null } },
  used: { job: { ending: { $ne: null } } },
};
const conditionOf = ({ q, from, at }: StockQuery): FilterQuery<PartRow> => ({
  $and: [
    { gone: false },
    ...(q
      ? [
          {
            [raw(
              (a) =>
                `concat_ws(' ', ${a}.name, ${a}.model_id, ${a}.slot, ${a}.kind, ${a}.provenance, ${a}.supplier, ${a}.lot, ${a}.serial) ilike ?`,
              [likeOf(q)],
            )]: [],
          },
        ]
      : []),
    ...(from ? [{ provenance: from }] : []),
    ...(at ? [places[at]] : []),
  ] as FilterQuery<PartRow>[],
});
type Direction = 'asc' | 'desc';
const orders: Record<PartOrder, (dir: Direction) => object[]> = {
  // what lies free comes first, whatever the direction
  place: () => [
    { [raw((a) => `(${a}.job_id is not null)`)]: 'asc' },
    { modelId: 'asc', slot: 'asc', priceMinor: 'asc' },
  ],
  name: (dir) => [{ name: dir }],
  provenance: (dir) => [{ provenance: dir }],
  price: (dir) => [{ priceMinor: dir }],
  lot: (dir) => [{ lot: dir }, { serial: dir }],
};
const orderOf = ({ sort, dir }: StockQuery) => [
  ...orders[sort](dir === 'down' ? 'desc' : 'asc'),
  { id: 'asc' as const },
];

/** Parts with the job that has them, as asked for. */
async function partsAt(
  em: EntityManager,
  where: FilterQuery<PartRow>,
  options: { orderBy: object[]; limit?: number; offset?: number },
): Promise<StockPart[]> {
  const rows = await em.find(Part, where, { ...options, populate: ['job'] });
  return rows.map((row) => ({
    ...partOf(row),
    jobId: row.jobId ?? null,
    jobNumber: row.job?.number ?? null,
    jobEnding: row.job?.ending ?? null,
  }));
}
/** One page of the parts that a question asks for, how many there are, and how many of them are free. */
export async function partsFound(
  em: EntityManager,
  query: StockQuery,
): Promise<{ parts: StockPart[]; total: number; free: number }> {
  // made anew for each question: a fragment of SQL in it serves once
  const where = () => conditionOf(query);
  return {
    parts: await partsAt(em, where(), {
      orderBy: orderOf(query),
      limit: partsPerPage,
      offset: query.page * partsPerPage,
    }),
    total: await em.count(Part, where()),
    free: await em.count(Part, { $and: [where(), places.free] }),
  };
}
/** All parts that a question asks for; unless it asks for them, without those that closed jobs have used up. */
export const allParts = (em: EntityManager, query: StockQuery): Promise<StockPart[]> =>
  partsAt(
    em,
    query.at === 'used'
      ? conditionOf(query)
      : { $and: [conditionOf(query), { $or: [places.free, places.chosen] }] },
    { orderBy: orderOf(query) },
  );
/** The parts that fit the places of one model and are free, or are chosen for this job already. */
export const partsFor = (em: EntityManager, modelId: string, jobId: string): Promise<StockPart[]> =>
  partsAt(
    em,
    { gone: false, modelId, $or: [{ jobId: null }, { jobId }] },
    { orderBy: [{ slot: 'asc', priceMinor: 'asc', id: 'asc' }], limit: 400 },
  );

/** Parts that are in the stock, locked until the transaction ends; what is changed of them is written when it commits. */
export const partsToChange = (em: EntityManager, ids: readonly string[]): Promise<PartRow[]> =>
  em.find(
    Part,
    { id: { $in: [...ids] }, gone: false },
    { lockMode: LockMode.PESSIMISTIC_WRITE, refresh: true, orderBy: { id: 'asc' } },
  );
/** Adds parts to the stock. */
export async function addParts(em: EntityManager, parts: readonly NewPart[]): Promise<void> {
  await em.insertMany(
    Part,
    parts.map((part) => ({ shopId: shopOf(em), id: randomUUID(), ...part })),
  );
}

/**
 * What a command says of a part is read from the stock's own row, which stays locked until the log is written: two
 * technicians who choose the same part get one part and one refusal.
 */
export async function takeFromStock(
  em: EntityManager,
  jobId: string,
  body: Body,
): Promise<{ body: Body } | { refused: 'no such part' | 'part taken' }> {
  if (body.type === 'substituted') {
    // what it is, is what its compartment says
    const spare = await spareToTake(em, body.spare);
    if (!spare) return { refused: 'no such part' };
    const { drive, thread, lengthMm, headMm } = spare;
    return { body: { ...body, drive: drive as typeof body.drive, thread, lengthMm, headMm } };
  }
  if (body.type !== 'partChosen') return { body };
  const [row] = await partsToChange(em, [body.part]);
  if (!row) return { refused: 'no such part' };
  if (row.jobId && row.jobId !== jobId) return { refused: 'part taken' };
  const { id, kind: _kind, modelId: _model, slot: _place, ...part } = partOf(row);
  return { body: { type: 'partChosen', slot: body.slot, part: id, ...part } };
}

/** Whether the new piece that a part became sits in its slot. */
const fitted = (state: JobState, slot: string) =>
  piecesAt(state, `slot/${slot}`).some((p) => p !== originalPiece(slot));

/** Brings the stock in line with the log after an event that moves parts: the chosen ones belong to the job, the others do not. */
export async function settleStock(
  em: EntityManager,
  jobId: string,
  body: Body,
  state: JobState,
): Promise<void> {
  if (body.type === 'substituted') {
    await countSpares(em, body.spare, -1);
    return;
  }
  if (body.type !== 'partChosen' && body.type !== 'partDropped' && body.type !== 'jobClosed') return;
  // what was not used up by a closed job lies in its drawer again
  const held = Object.entries(state.part)
    .filter(([slot]) => body.type !== 'jobClosed' || fitted(state, slot))
    .map(([, p]) => p.part);
  await em.nativeUpdate(Part, { jobId, ...(held.length ? { id: { $nin: held } } : {}) }, { jobId: null });
  if (held.length) await em.nativeUpdate(Part, { id: { $in: held } }, { jobId });
}
export const anyPart = async (em: EntityManager): Promise<boolean> =>
  (await em.findOne(Part, {}, { fields: ['id'] })) !== null;
