import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Body, BodyOf } from '../../../core/log/events';
import { flag, type ReworkEntry } from '../../../core/log/state';
import { isOn } from '../../../core/log/view';
import type { Chip, Slot } from '../../../core/model/schema';
import { isChip } from '../../../core/model/chips';
import type { IndexedModel } from '../../../core/model/index-model';
import { dataToSave, effectsOf, type Remedies } from '../../../core/pairing/effects';
import { doneNow, nextStepOf } from '../../../core/rework/next';
import { judgePads, type PadSide, padsOf } from '../../../core/rework/pads';
import { findStencils } from '../../../core/rework/stencil';
import {
  kindsFor,
  looks,
  reworkPlan,
  type ReworkStepId,
  trialOf,
  warms,
} from '../../../core/rework/work-plan';
import { leastWaits, secondsLeft } from '../../../core/rules/interlock';
import { findings } from '../../../core/rules/interlocks';
import type { ReworkPage } from '../../../core/wire/rework-page';
import { benchTime } from '../../job/clock';
import { useNow } from '../../job/ticker';
import { type JobFrame, useJobFrame } from '../../ui/job-frame';
import { useProgrammer } from '../work/use-programmer';
import { bodiesOf, type Blocked, blockOf, programmed } from './rework-bodies';
import { asSet, isNever, useHeat } from './use-heat';
import { useHotAir } from './use-hot-air';
import { useModuleTest } from './use-module-test';
import { type Draft, settingOfWork, useDraft } from './use-draft';

/** Parts for which the route in force moves a chip. */
const movedIn = ({ context }: JobFrame): string[] =>
  (context.route?.steps ?? []).filter((s) => s.action === 'move chip').map((s) => s.targets[0]!);
/** Parts of this device at which there is such work: what was asked for first, then what the route moves a chip for. */
function partsOf(frame: JobFrame): Slot[] {
  const { index, state } = frame;
  const asked = Object.keys(state.task).filter((slot) => state.task[slot] === 'rework');
  const first = [...Object.keys(state.rework), ...asked, ...movedIn(frame)];
  return index.model.slots
    .filter((slot) => kindsFor({ kind: slot.kind, laser: slot.traits.includes('laser') }).length)
    .toSorted((a, b) => Number(first.includes(b.id)) - Number(first.includes(a.id)));
}
/** The chip that is worked at: the part's own, or for a display the identity chip that has a place of its own. */
const chipOf = (index: IndexedModel, slot: Slot | undefined): Chip | undefined =>
  index.model.chips?.find((c) => c.slot === slot?.id) ??
  (slot?.kind === 'display' ? index.model.chips?.find((c) => isChip(index, c.slot)) : undefined);

/** The rework bench at one part of a job: its plan, where it stands, and what a press of the pedal does. */
export function useRework(page: ReworkPage) {
  const frame = useJobFrame();
  const { index, state, report, ended, replica } = frame;
  const go = useNavigate();
  const parts = partsOf(frame);
  const [chosen, setChosen] = useState<string>();
  const slot = parts.find((part) => part.id === chosen) ?? parts[0];
  const work: ReworkEntry | undefined = slot && state.rework[slot.id];
  const isOpen = work !== undefined && work.outcome === undefined;
  const chip = chipOf(index, slot);
  const stencils = useMemo(() => chip && findStencils(chip, page.stencils), [chip, page.stencils]);
  const draft = useDraft({
    ...{ frame, slot, chip, page, fits: stencils?.fits ?? [] },
    newPart: slot !== undefined && movedIn(frame).includes(slot.id),
  });
  const setting = isOpen ? settingOfWork(work, chip) : draft.setting;
  const plan = useMemo(() => reworkPlan(setting), [setting]);
  const live = index.cellConnector === undefined ? undefined : isOn(state, index.cellConnector);
  const done = doneNow(work?.done ?? [], {
    live,
    dataSettled: slot !== undefined && state.data[slot.id] !== undefined,
  });
  const planned = isOpen ? nextStepOf(plan, done) : undefined;
  const heat = useHeat(chip, plan, planned, frame.who.settings.hotAir?.filmWm2K);
  const step = planned && asSet(planned, heat);
  const [extraction, setExtraction] = useState(false);
  const programmer = useProgrammer(frame.page.id, programmed(step, slot?.id), () => replica.sync());
  const module = useModuleTest(frame.page.id, slot?.id, step, () => replica.sync());
  const due =
    slot !== undefined &&
    // a projector's own data are what a substitute is written with
    (setting.kind === 'dead projector' ||
      dataToSave(index, slot.id, effectsOf(index, [slot.id], undefined, state.remedy as Remedies)));
  const side: PadSide = (step && looks[step.id]?.side) ?? 'after';
  const pads = chip && slot ? judgePads(chip, state.pads[`${slot.id} ${side}`] ?? {}) : undefined;
  const station = useHotAir(isOpen ? work : undefined);
  const flashS = useFlash(frame, step !== undefined && warms(step));
  const blocked: Blocked | undefined =
    step && slot
      ? blockOf(step, { pads, work, data: state.data[slot.id], due, flashS, isTrial: isTrial(step, work) })
      : undefined;
  const bodies = step && slot && work && !blocked ? bodiesOf(step, slot.id, { work, index, state }) : [];
  const held = useHeld(frame, bodies);

  const say = useReports(frame, { slot, chip, side, draft });
  const pressed = useRef(0);
  /** What the pedal does now. Two presses within a second are one. */
  const next = () => {
    if (!slot || ended || programmer?.busy || module?.busy) return;
    if (performance.now() - pressed.current < guardMs) return;
    pressed.current = performance.now();
    if (!work) {
      if (draft.mayBegin && !isNever(heat)) say.begin();
    } else if (work.outcome) void go(`/jobs/${frame.page.id}/work`);
    else if (!step) say.end('works');
    else if (blocked === 'data' && programmer) programmer.run();
    else if (blocked === 'module') module?.run();
    else if (blocked === 'pads') say.restGood();
    else if (blocked === 'trial') say.tried('works');
    else if (blocked || held.length) return;
    else if (warms(step) && !extraction && work.heat?.step !== step.id) setExtraction(true);
    else void report(...bodies);
  };
  return {
    ...{ frame, index, state, report, ended, parts, slot, setChosen, work, chip, stencils, plan, step, done },
    ...{ extraction, setExtraction, programmer, module, due, pads, side, blocked, held, flashS, station },
    ...{ draft, heat, next, page, bodies, ...say },
    skip: () => step && say.skip(step.id),
  };
}
export type Rework = ReturnType<typeof useRework>;

/** What a press at the bench tells the log. */
function useReports(
  frame: JobFrame,
  {
    slot,
    chip,
    side,
    draft,
  }: { slot: Slot | undefined; chip: Chip | undefined; side: PadSide; draft: Draft },
) {
  const { report, state } = frame;
  const go = useNavigate();
  return {
    begin: () => {
      const { setting, stencil } = draft;
      if (slot)
        void report({
          ...{ type: 'reworkBegun', slot: slot.id, kind: setting.kind, school: setting.school },
          ...{ practice: setting.practice, stencil },
          ...(setting.newPart ? { newPart: true as const } : {}),
          ...(chip ? { chip: chip.id } : {}),
        });
    },
    tried: (outcome: BodyOf<'reworkTried'>['outcome']) =>
      slot && void report({ type: 'reworkTried', slot: slot.id, outcome }),
    skip: (step: ReworkStepId) =>
      slot && void report({ type: 'reworkStepped', slot: slot.id, step, skipped: true }),
    /** Those pads or balls that nobody has noted otherwise. */
    restGood: () => {
      const seen = state.pads[`${slot!.id} ${side}`] ?? {};
      const rest = padsOf(chip!.pattern).filter((pad) => seen[pad] === undefined);
      void report({
        ...{ type: 'padsSeen', slot: slot!.id, side },
        pads: Object.fromEntries(rest.map((pad) => [pad, 'good' as const])),
      });
    },
    end: (outcome: BodyOf<'reworkEnded'>['outcome'], lost?: BodyOf<'reworkEnded'>['lost']) => {
      if (!slot) return;
      const said: Body[] = [{ type: 'reworkEnded', slot: slot.id, outcome, ...(lost ? { lost } : {}) }];
      // the route's own step for it is done by that, too
      const asked = frame.context.route?.steps.find(
        (s) => (s.action === 'rework' || s.action === 'move chip') && s.targets[0] === slot.id,
      );
      if (asked && outcome === 'works')
        said.push({ type: 'acted', act: asked.action as 'rework', target: slot.id });
      void report(...said).then((ok) => ok && outcome !== 'works' && void go(`/jobs/${frame.page.id}/work`));
    },
  };
}
/** Two presses closer together are one: a step of a minute is not closed by a foot that bounces, ms. */
const guardMs = 1000;
const isTrial = (step: { id: string }, work: ReworkEntry | undefined): boolean =>
  work !== undefined && trialOf[work.kind] === step.id;

/** What stands against the first thing that the next press reports; nothing where it only warns. */
function useHeld({ index, state, context }: JobFrame, bodies: readonly Body[]) {
  const [body] = bodies;
  if (!body) return [];
  const { waits, role, route, methods } = context;
  const asked = body.type === 'reworkHeatStarted' ? { ...body, extraction: true } : body;
  const found = findings(
    { index, state, waits, role, now: benchTime(), methods: route?.input.methods ?? methods },
    asked,
  );
  return found.filter((f) => f.severity !== 'warn');
}
/** How long alcohol still flashes off before a step that warms may begin, s. */
function useFlash({ state, context }: JobFrame, isWarming: boolean): number {
  const now = useNow();
  if (!isWarming) return 0;
  const waitS = Math.max(context.waits.solventFlashS, leastWaits.solventFlashS);
  return secondsLeft(flag(state, 'solventAt'), waitS, { at: now, clockKnown: benchTime().clockKnown });
}
