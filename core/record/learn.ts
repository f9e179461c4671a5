import { deviation, mean } from 'd3-array';
import type { JobEvent } from '../log/events';
import type { Edit } from '../model/edit';
import type { DeviceModel } from '../model/schema';
import { holderOf, originalPiece } from '../vocabulary/pieces';

/** What jobs measured of one hole's own screw, beside what the model says of it; lengths in mm. */
export interface Learnt {
  id: string;
  name: string;
  modelMm: number;
  /** Jobs in which it was measured. */
  jobs: number;
  meanMm: number;
  /** Standard deviation between jobs; 0 for fewer than two. */
  spreadMm: number;
  /** The length that is proposed; absent where the model agrees, or too few have measured it. */
  proposedMm?: number;
}

/** Fewer than this many jobs prove nothing about a model (common practice). */
const fewest = 3;
/** A calliper's jaws are laid on a head by hand: nearer than this two lengths are the same, mm (from memory). */
const agreeMm = 0.1;

/**
 * What the jobs of a model say about the lengths of its screws. Of each job the last measure of a hole's own screw counts; a
 * screw that was put in its place does not.
 * @param logs of the jobs, each in its order, without what was taken back
 */
export function learnLengths(model: DeviceModel, logs: readonly (readonly JobEvent[])[]): Learnt[] {
  const measured = new Map<string, number[]>();
  for (const log of logs)
    for (const [hole, mm] of lastMeasures(log)) measured.set(hole, [...(measured.get(hole) ?? []), mm]);
  return model.fasteners.flatMap((fastener): Learnt[] => {
    const lengths = measured.get(fastener.id);
    if (!lengths) return [];
    const meanMm = mean(lengths)!;
    const spreadMm = deviation(lengths) ?? 0;
    const apart = Math.abs(meanMm - fastener.lengthMm);
    // apart by more than jaws are, and by more than twice the standard error of the mean
    const proved =
      lengths.length >= fewest && apart > agreeMm && apart > (2 * spreadMm) / Math.sqrt(lengths.length);
    return [
      {
        ...{ id: fastener.id, name: fastener.name, modelMm: fastener.lengthMm, jobs: lengths.length },
        ...{ meanMm, spreadMm },
        ...(proved ? { proposedMm: Math.round(meanMm * 20) / 20 } : {}),
      },
    ];
  });
}
function lastMeasures(log: readonly JobEvent[]): Map<string, number> {
  const last = new Map<string, number>();
  for (const { body } of log) {
    const screws = body.type === 'screwMeasured' ? [body] : body.type === 'sorted' ? body.screws : [];
    for (const { piece, lengthMm } of screws)
      if (piece === originalPiece(holderOf(piece))) last.set(holderOf(piece), lengthMm);
  }
  return last;
}
/** The change that takes a proposed length over. A greatest safe length that it would exceed goes up with it. */
export function lengthEdit(model: DeviceModel, { id, proposedMm }: Learnt): Edit | undefined {
  const fastener = model.fasteners.find((f) => f.id === id);
  if (!fastener || proposedMm === undefined) return undefined;
  const { maxLengthMm } = fastener;
  const limit = maxLengthMm === undefined ? {} : { maxLengthMm: Math.max(maxLengthMm, proposedMm) };
  return { do: 'put', list: 'fasteners', id, thing: { ...fastener, ...limit, lengthMm: proposedMm } };
}
