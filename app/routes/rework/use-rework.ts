import { useMemo, useState } from 'react';
import type { Body, BodyOf } from '../../../core/log/events';
import type { ReworkEntry } from '../../../core/log/state';
import { leastWaits, secondsLeft } from '../../../core/rules/interlock';
import { flag } from '../../../core/log/state';
import { benchTime } from '../../job/clock';
import { useNow } from '../../job/ticker';
import { isOn } from '../../../core/log/view';
import type { Slot } from '../../../core/model/schema';
import { dataDue, effectsOf, type Remedies } from '../../../core/pairing/effects';
import { nextStepOf } from '../../../core/rework/next';
import { judgePads, padsOf } from '../../../core/rework/pads';
import { findStencils } from '../../../core/rework/stencil';
import { kindsFor, reworkPlan, type ReworkStep, warms } from '../../../core/rework/work-plan';
import type { ReworkPage } from '../../../core/wire/rework-page';
import { useJobFrame } from '../../ui/job-frame';
import { useHotAir } from './use-hot-air';
import { useProgrammer } from '../work/use-programmer';

/** Parts of this device at which there is such work: what was asked for first, then what the route moves a chip for. */
function partsOf(frame: ReturnType<typeof useJobFrame>): Slot[] {
  const { index, state, context } = frame;
  const asked = Object.keys(state.task).filter((slot) => state.task[slot] === 'rework');
  const moved = (context.route?.steps ?? [])
    .filter((s) => s.action === 'move chip')
    .map((s) => s.targets[0]!);
  const begun = Object.keys(state.rework);
  const first = [...begun, ...asked, ...moved];
  return index.model.slots
    .filter((slot) => kindsFor({ kind: slot.kind, laser: slot.traits.includes('laser') }).length)
    .toSorted((a, b) => Number(first.includes(b.id)) - Number(first.includes(a.id)));
}

/** The rework bench at one part of a job: its plan, where it stands, and what a press of the pedal does. */
export function useRework(page: ReworkPage) {
  const frame = useJobFrame();
  const { index, state, report, ended, replica } = frame;
  const parts = partsOf(frame);
  const [chosen, setChosen] = useState<string>();
  const slot = parts.find((part) => part.id === chosen) ?? parts[0];
  const work: ReworkEntry | undefined = slot && state.rework[slot.id];
  const chip = index.model.chips?.find((c) => c.slot === slot?.id);
  const stencils = useMemo(() => chip && findStencils(chip, page.stencils), [chip, page.stencils]);
  const plan = useMemo(
    () =>
      work
        ? reworkPlan({
            ...{ kind: work.kind, school: work.school, practice: work.practice },
            underfill: chip?.underfill ?? true,
            stencil: work.stencil !== '',
          })
        : [],
    [work, chip],
  );
  const step = work && !work.outcome ? nextStepOf(plan, work.done) : undefined;
  const [extraction, setExtraction] = useState(false);
  const programmer = useProgrammer(frame.page.id, programmed(step, slot?.id), () => replica.sync());
  const due =
    slot !== undefined &&
    // a projector's own data are what a substitute is written with
    (work?.kind === 'dead projector' ||
      dataDue(effectsOf(index, [slot.id], undefined, state.remedy as Remedies)).includes(slot.id));
  const pads = chip && slot ? judgePads(chip, state.pads[`${slot.id} after`] ?? {}) : undefined;
  const station = useHotAir(work?.outcome ? undefined : work);
  const flashS = useFlash(frame, step);
  const blocked = step && slot ? blockOf(step, { pads, data: state.data[slot.id], due, flashS }) : undefined;

  /** Those pads that nobody has noted otherwise. */
  const restGood = () => {
    const seen = state.pads[`${slot!.id} after`] ?? {};
    const rest = padsOf(chip!.pattern).filter((pad) => seen[pad] === undefined);
    void report({
      ...{ type: 'padsSeen', slot: slot!.id, side: 'after' },
      pads: Object.fromEntries(rest.map((pad) => [pad, 'good' as const])),
    });
  };
  /** What the pedal does now. */
  const next = () => {
    if (!slot || !step || ended || programmer?.busy) return;
    if (blocked === 'data' && programmer) programmer.run();
    else if (blocked === 'pads') restGood();
    else if (!blocked && !tooSoon(step, work))
      void report(...bodiesOf(step, slot.id, { work: work!, extraction, cell: cellOn() }));
  };
  const cellOn = () =>
    index.cellConnector && isOn(state, index.cellConnector) ? index.cellConnector : undefined;
  const skip = () =>
    slot && step && void report({ type: 'reworkStepped', slot: slot.id, step: step.id, skipped: true });
  const end = (outcome: BodyOf<'reworkEnded'>['outcome']) => {
    if (!slot) return;
    const done: Body[] = [{ type: 'reworkEnded', slot: slot.id, outcome }];
    // the route's own step for it is done by that, too
    const asked = frame.context.route?.steps.find(
      (s) => (s.action === 'rework' || s.action === 'move chip') && s.targets[0] === slot.id,
    );
    if (asked && outcome === 'works')
      done.push({ type: 'acted', act: asked.action as 'rework', target: slot.id });
    void report(...done);
  };
  return {
    ...{ frame, index, state, report, ended, parts, slot, setChosen, work, chip, stencils, plan, step },
    ...{ extraction, setExtraction, programmer, due, pads, blocked, flashS, station, next, skip, end, page },
  };
}
export type Rework = ReturnType<typeof useRework>;

/** Air that has just begun is not called done by a second press at once, s. */
const guardS = 1;
function tooSoon(step: ReworkStep, work: ReworkEntry | undefined): boolean {
  const { heat } = work ?? {};
  return heat?.step === step.id && benchTime().at - heat.since < guardS * 1000;
}
/** The step at the programmer, as it is told to it. */
const programmed = (step: ReworkStep | undefined, slot: string | undefined) =>
  slot && step && (step.id === 'save data' || step.id === 'write data')
    ? {
        id: step.id,
        action: step.id === 'save data' ? ('read data' as const) : ('write data' as const),
        targets: [slot],
      }
    : undefined;

/** How long alcohol still flashes off before a step that warms may begin, s. */
function useFlash({ state, context }: ReturnType<typeof useJobFrame>, step: ReworkStep | undefined): number {
  const now = useNow();
  if (!step || !warms(step)) return 0;
  const waitS = Math.max(context.waits.solventFlashS, leastWaits.solventFlashS);
  return secondsLeft(flag(state, 'solventAt'), waitS, { at: now, clockKnown: benchTime().clockKnown });
}
/** Why a step cannot be called done yet. */
function blockOf(
  step: ReworkStep,
  {
    pads,
    data,
    due,
    flashS,
  }: {
    pads: ReturnType<typeof judgePads> | undefined;
    data: string | undefined;
    due: boolean;
    flashS: number;
  },
): 'pads' | 'data' | 'flash' | undefined {
  if (flashS > 0) return 'flash';
  if (step.id === 'look at pads') return pads && pads.unseen > 0 ? 'pads' : undefined;
  if (step.id === 'save data') return data === undefined && due ? 'data' : undefined;
  if (step.id === 'write data') return data === 'written' ? undefined : 'data';
  return undefined;
}
function bodiesOf(
  step: ReworkStep,
  slot: string,
  { work, extraction, cell }: { work: ReworkEntry; extraction: boolean; cell: string | undefined },
): Body[] {
  const done: Body = { type: 'reworkStepped', slot, step: step.id };
  if (step.id === 'cell off') return cell ? [{ type: 'connectorOff', connector: cell }, done] : [done];
  if (work.heat?.step === step.id || !(warms(step) || step.lampS)) return [done];
  const heat = { type: 'reworkHeatStarted', slot, step: step.id, extraction } as const;
  if (step.lampS) return [{ ...heat, by: 'lamp' }];
  if (step.air) return [{ ...heat, by: 'air', setC: step.air.setC, airPercent: step.air.airPercent }];
  return [{ ...heat, by: 'iron', setC: step.ironC! }];
}
