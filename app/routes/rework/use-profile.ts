import { useEffect, useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import { melted } from '../../../core/rework/alloys';
import { padsOf } from '../../../core/rework/pads';
import type { Nozzle, ProfileAsked } from '../../../core/rework/profile';
import type { Range } from '../../../core/thermal/materials';
import type { ProfileTold } from '../../workers/rework.worker';

/** What a joint may be made of, and where that is all liquid, C. */
export const joints = {
  factory: melted([{ alloy: 'lead-free', mm3: 1 }]).liquidusC,
  mixed: melted([
    { alloy: 'lead-free', mm3: 1 },
    { alloy: 'low-melt', mm3: 1 },
  ]).liquidusC,
  lowMelt: melted([{ alloy: 'low-melt', mm3: 1 }]).liquidusC,
  tinLead: melted([{ alloy: 'tin-lead', mm3: 1 }]).liquidusC,
} as const;
export type Joint = keyof typeof joints;
/** Chips and stations that a profile is tried on, and how long it is drawn, s. */
export const draws = 200;
const seconds = 180;

/** The profile of a chip at a setting, none for a chip that nobody described, computed beside the page whenever the setting or a reading changes; until then what was said last. */
export function useProfile(
  chip: Chip | undefined,
  nozzle: Nozzle,
  joint: Joint,
  readings: NonNullable<ProfileAsked['readings']>,
  film: Range | undefined,
): { told: ProfileTold | undefined; isFresh: boolean } {
  const [told, setTold] = useState<{ key: string; told: ProfileTold }>();
  const key = JSON.stringify([chip?.id, nozzle, joint, readings, film]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is what its text says
  useEffect(() => {
    if (!chip) return;
    const asked: ProfileAsked = {
      chip: { ...chip, balls: padsOf(chip.pattern).length },
      ...{ nozzle, liquidusC: joints[joint], seconds, draws, seed: 1, readings },
      ...(film ? { filmWm2K: film } : {}),
    };
    const worker = new Worker(new URL('../../workers/rework.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ProfileTold>) => {
      setTold({ key, told: data });
      worker.terminate();
    };
    worker.postMessage(asked);
    return () => worker.terminate();
  }, [key]);
  return { told: chip && told?.told, isFresh: told?.key === key };
}
