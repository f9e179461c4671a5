import type { Body } from '../../../core/log/events';
import type { JobState, ReworkEntry } from '../../../core/log/state';
import type { IndexedModel } from '../../../core/model/index-model';
import type { PadJudgement } from '../../../core/rework/pads';
import { plugsAfterTrial, plugsToTry } from '../../../core/progress/rework-trial';
import { looks, type ReworkStep, warms } from '../../../core/rework/work-plan';
import { moduleIsTested } from './use-module-test';

/** What the press does first, or waits for, before a step can be called done. */
export type Blocked = 'pads' | 'data' | 'module' | 'trial' | 'flash';

/** Why a step cannot be called done yet. */
export function blockOf(
  step: ReworkStep,
  {
    pads,
    work,
    data,
    due,
    flashS,
    isTrial,
  }: {
    pads: PadJudgement | undefined;
    work: ReworkEntry | undefined;
    data: string | undefined;
    due: boolean;
    flashS: number;
    isTrial: boolean;
  },
): Blocked | undefined {
  if (flashS > 0) return 'flash';
  if (isTrial) return 'trial';
  if (looks[step.id]) return pads && pads.unseen > 0 ? 'pads' : undefined;
  if (step.id === 'save data') return data === undefined && due ? 'data' : undefined;
  // what was not saved cannot be written: that step is left out
  if (step.id === 'write data') return data === 'written' || data === 'declined' ? undefined : 'data';
  if (step.id === 'module test' || step.id === 'module test again')
    return moduleIsTested(step, work) ? undefined : 'module';
  return undefined;
}
/** What a press reports at a step, in its order. */
export function bodiesOf(
  step: ReworkStep,
  slot: string,
  { work, index, state }: { work: ReworkEntry; index: IndexedModel; state: JobState },
): Body[] {
  const done: Body = { type: 'reworkStepped', slot, step: step.id };
  const off = (): Body[] =>
    plugsAfterTrial(index, state).map((connector) => ({ type: 'connectorOff', connector }));
  if (step.id === 'cell off' || step.id === 'off again') return [...off(), done];
  if (step.id === 'plug in')
    return [
      ...plugsToTry(index, state, slot).map(
        (connector): Body => ({ type: 'connectorOn', connector, trial: slot }),
      ),
      done,
    ];
  if (step.id === 'write data' && state.data[slot] === 'declined') return [{ ...done, skipped: true }];
  if (work.heat?.step === step.id || !(warms(step) || step.lampS)) return [done];
  // it is said to be on by the press before
  const heat = { type: 'reworkHeatStarted', slot, step: step.id, extraction: true } as const;
  if (step.lampS) return [{ ...heat, by: 'lamp' }];
  if (step.air) return [{ ...heat, by: 'air', setC: step.air.setC, airPercent: step.air.airPercent }];
  return [{ ...heat, by: 'iron', setC: step.ironC! }];
}
/** The step at the programmer, as it is told to it. */
export const programmed = (step: ReworkStep | undefined, slot: string | undefined) =>
  slot && step && (step.id === 'save data' || step.id === 'write data')
    ? {
        id: step.id,
        action: step.id === 'save data' ? ('read data' as const) : ('write data' as const),
        targets: [slot],
      }
    : undefined;
