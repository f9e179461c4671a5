import { useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import type { Nozzle } from '../../../core/rework/profile';
import type { ReworkStep } from '../../../core/rework/work-plan';
import type { Range } from '../../../core/thermal/materials';
import { type Joint, useProfile } from './use-profile';

const usual: Nozzle = { setC: 300, airPercent: 10, distanceMm: 10, nozzleMm: 6, barriers: 2 };
/** What a step is set to; of what is not said there, what was set last. */
const nozzleOf = (step: ReworkStep | undefined, last: Nozzle): Nozzle =>
  step?.air
    ? { ...last, setC: step.air.setC, airPercent: step.air.airPercent, distanceMm: step.air.distanceMm }
    : last;
const jointOf = (step: ReworkStep | undefined): Joint => (step?.melts === 'low-melt' ? 'lowMelt' : 'factory');
type Reading = { atS: number; celsius: number };

/**
 * The heat that is asked about: that of this step, or of the next at which a joint melts; as the work is set until
 * somebody sets it otherwise.
 */
export function useHeat(
  chip: Chip | undefined,
  plan: readonly ReworkStep[],
  step: ReworkStep | undefined,
  film: Range | undefined,
) {
  const of = plan.slice(step ? plan.indexOf(step) : 0).find((s) => s.melts);
  const key = `${of?.id} ${of?.air?.setC} ${of?.air?.airPercent}`;
  const [about, setAbout] = useState(key);
  const [nozzle, setNozzle] = useState<Nozzle>(() => nozzleOf(of, usual));
  const [joint, setJoint] = useState<Joint>(() => jointOf(of));
  const [readings, setReadings] = useState<Reading[]>([]);
  // a step with air of its own sets what is asked about; between such steps it stays
  if (about !== key) {
    setAbout(key);
    if (of?.air) {
      setNozzle(nozzleOf(of, nozzle));
      setJoint(jointOf(of));
      setReadings([]);
    }
  }
  const { told, isFresh } = useProfile(chip, nozzle, joint, readings, film);
  return { of, nozzle, setNozzle, joint, setJoint, readings, setReadings, told, isFresh };
}
export type Heat = ReturnType<typeof useHeat>;
/** No time is right at what is set: it is not begun so. */
export const isNever = ({ told, isFresh }: Heat): boolean =>
  isFresh && told !== undefined && told.profile.lift === undefined;
/** A step with the air that was chosen for it. */
export const asSet = (step: ReworkStep, heat: Heat): ReworkStep =>
  step.air && heat.of === step
    ? {
        ...step,
        air: {
          ...step.air,
          setC: heat.nozzle.setC,
          airPercent: heat.nozzle.airPercent,
          distanceMm: heat.nozzle.distanceMm,
        },
      }
    : step;
