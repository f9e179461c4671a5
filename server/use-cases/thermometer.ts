import type { EntityManager } from '@mikro-orm/postgresql';
import { padsOf } from '../../core/rework/pads';
import { reworkProfile } from '../../core/rework/profile';
import { indexOf } from '../db/models';
import { columnsOf } from '../../core/heat/columns';
import { between, drawnFrom, runOf } from '../../core/heat/knowledge';
import { sourceAsSet } from '../../core/heat/planned-soak';
import { flag, type JobState } from '../../core/log/state';
import type { ReadTemperature } from '../../core/wire/read-temperature';
import type { Who } from '../../core/wire/who';
import { loadState } from '../db/job-log';
import { findJob } from '../db/jobs';
import { inShop } from '../db/orm';
import { readThermometer } from '../instruments/thermometer';

/** The room of the stand-in, and how far its plate is off what is set, K. */
const roomC = 22;
const plateOffK = -3;
/** What the stand-in's hot air does at the middle of its dial, W/(m2 K). */
const blowsWm2K = 250;

/** What the stand-in's glass would read now: a likely phone, warmed by a plate that is cooler than it says. */
async function glassNow(
  em: EntityManager,
  job: { modelHash: string; variant: string },
  state: JobState,
  who: Who,
  now: number,
): Promise<number> {
  const soak = flag(state, 'soaks')?.at(-1);
  const set = soak && sourceAsSet(soak.station, who.settings.heat);
  if (!soak || !set) return roomC;
  const index = await indexOf(em, job.modelHash, job.variant);
  const bond = index.model.bonds.find((b) => b.holds.some((id) => index.coverSlots.includes(id)));
  if (!bond) return roomC;
  const s = (ms: number) => Math.max(1, (ms - soak.from) / 1000);
  const of = {
    columns: columnsOf(index, bond.id),
    source: set.source,
    setC: (soak.setC ?? set.setC) + plateOffK,
  };
  const onHeat = [{ fromS: 0, ...(soak.to === null ? {} : { toS: s(soak.to) }) }];
  const { times, glass } = runOf(of, drawnFrom(of, []), onHeat, Math.max(20, s(now)));
  return between(times, glass, s(now));
}
/** What the stand-in's joint would read under hot air: a station that blows a little more than is usual. */
async function jointNow(
  em: EntityManager,
  job: { modelHash: string; variant: string },
  state: JobState,
  now: number,
): Promise<number | undefined> {
  const work = Object.values(state.rework).find((w) => w.heat?.by === 'air');
  const { heat, chip: id } = work ?? {};
  if (!heat?.setC) return undefined;
  const { model } = await indexOf(em, job.modelHash, job.variant);
  const chip = model.chips?.find((c) => c.id === id);
  if (!chip) return undefined;
  const { joint } = reworkProfile({
    chip: { ...chip, balls: padsOf(chip.pattern).length },
    nozzle: { setC: heat.setC, airPercent: heat.airPercent ?? 10, distanceMm: 10, nozzleMm: 6, barriers: 2 },
    ...{ liquidusC: 220, seconds: 300, draws: 1, seed: 1 },
    filmWm2K: { low: blowsWm2K, likely: blowsWm2K, high: blowsWm2K },
  });
  return joint.likely[Math.min(300, Math.max(0, Math.round((now - heat.since) / 1000)))]!;
}
/** Reads the bench thermometer for a job; undefined where this workshop has none of it. What was read is reported by the bench. */
export async function readGlass(who: Who, jobId: string): Promise<ReadTemperature | undefined> {
  const truly = await inShop(who.shopId, async (em) => {
    const job = await findJob(em, jobId);
    if (!job) return undefined;
    const state = await loadState(em, jobId);
    return (await jointNow(em, job, state, Date.now())) ?? (await glassNow(em, job, state, who, Date.now()));
  });
  return truly === undefined ? undefined : readThermometer(who, truly);
}
