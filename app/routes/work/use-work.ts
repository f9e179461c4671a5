import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Body } from '../../../core/log/events';
import type { Instruction } from '../../../core/progress/instruct';
import { reworkDue } from '../../../core/progress/rework-due';
import { bodyFor, stillToDo } from '../../../core/rules/step-of-event';
import { flag, type JobState } from '../../../core/log/state';
import type { Step } from '../../../core/steps/route';
import { useAlarmWhile } from '../../job/alarms';
import { useNow } from '../../job/ticker';
import { type JobFrame, useJobFrame } from '../../ui/job-frame';
import { useProgrammer } from './use-programmer';
import { usePlanAgain } from './urgent-panel';
import { useInstruction } from './use-instruction';
import { usePainted } from './use-painted';
import { useSource } from './heat/use-source';

/** The dialogs of Work, and what they are about. */
export type WorkSheet =
  | { kind: 'trouble' }
  | { kind: 'find' }
  | { kind: 'note'; thing?: string }
  | { kind: 'thing'; id: string };

/** Whoever does the first thing at a device that nobody works on is its worker. */
function useAct({ state, who, report }: JobFrame): (...bodies: Body[]) => void {
  return (...bodies) => {
    const first = flag(state, 'worker') === undefined && bodies.some((b) => b.type !== 'retracted');
    void report(...(first ? [{ type: 'takenOver' as const, bench: who.bench }] : []), ...bodies);
  };
}

/** From so long before a cell may be at its limit the alarm rings until the device is off, ms. */
const alarmBeforeMs = 20_000;
function useTooLong(state: JobState): boolean {
  const time = useNow();
  const closesAt = flag(state, 'heat')?.closesAt;
  return closesAt !== undefined && time > closesAt - alarmBeforeMs;
}
/** What is done on another screen of the job. */
const goOn: Partial<Record<Instruction['kind'], string>> = {
  finished: 'hand-over',
  checks: 'checks',
  'no route': 'route',
};
/** Work on one job: what now, and what a press, a key and an instrument do about it. */
export function useWork() {
  const frame = useJobFrame();
  const { page, state, context, index, view, report, stopAt, stopped, replica } = frame;
  const go = useNavigate();
  const shown = useInstruction(context, state, page.now);
  // somebody goes on with a device that leaks: the rest is done, and its owner is told at hand-over
  const leakSeq = flag(state, 'leak')?.seq;
  const [leakPassed, setLeakPassed] = useState<number>();
  const [leakRuns, setLeakRuns] = useState(0);
  const now = shown.kind === 'leaks' && leakPassed === leakSeq ? shown.then : shown;
  const target = now.kind === 'do' || now.kind === 'waiting' ? now.target : undefined;
  const step: Step | undefined =
    now.kind === 'do' || now.kind === 'waiting' || now.kind === 'checks' ? now.step : undefined;
  const painted = usePainted(now, view.foreign);
  const [sheet, setSheet] = useState<WorkSheet>();
  const act = useAct(frame);
  const programmer = useProgrammer(page.id, step, () => replica.sync());
  const rework = reworkDue(index, state, step);
  const planning = usePlanAgain(page.id);
  const source = useSource(frame, step, act);
  const tooLong = useTooLong(state);
  useAlarmWhile(now.kind === 'stop now' || tooLong);
  const busy = stopped || sheet !== undefined;
  const screwsNow = screwsOf(now, frame);
  const serious = now.kind === 'do' ? now.findings.filter((f) => f.severity !== 'warn') : [];
  const press = () => {
    const seen = busy ? undefined : painted();
    if (!seen) return;
    const to = goOn[seen.kind];
    if (to) void go(`/jobs/${page.id}/${to}`);
    else if (seen.kind === 'stop now') act(seen.body);
    else if (seen.kind === 'leaks') setLeakRuns((n) => n + 1);
    else if (seen.kind === 'plan again') planning.run();
    else if (seen.kind === 'failed') planning.run(seen.tasks);
    else if (seen.kind === 'do') {
      const against = seen.findings.filter((f) => f.severity !== 'warn');
      if (rework) void go(`/jobs/${page.id}/rework`);
      else if (against.length) stopAt(against, [seen.body]);
      else if (seen.body.type === 'heatStarted') source.put(seen.body);
      else if (programmer) programmer.run();
      else act(seen.body);
    }
  };
  const all = () => {
    const seen = busy ? undefined : painted();
    if (seen?.kind === 'do' && screwsNow.length && !serious.length)
      act(...screwsNow.map((t) => bodyFor(index, state, seen.step, t)));
  };
  const last = state.trail[state.trail.length - 1];
  const undo = () => void (last && !busy && report({ type: 'retracted', event: last.event }));
  return {
    ...frame,
    now,
    step,
    target,
    act,
    press,
    all,
    /** More than one screw is left of this go. */
    several: screwsNow.length > 1,
    last,
    undo,
    planning,
    programmer,
    /** What warms the device in this step. */
    source,
    /** The step is done at the rework bench. */
    rework,
    blocked: serious.length > 0,
    sheet,
    setSheet,
    /** Counts up with each press that asks for the leak test again. */
    leakRuns,
    goOnLeaking: () => setLeakPassed(leakSeq),
  };
}
export type WorkState = ReturnType<typeof useWork>;

const screwsOf = (now: Instruction, { index, state }: JobFrame): string[] =>
  now.kind === 'do' && (now.step.action === 'unscrew' || now.step.action === 'fasten')
    ? stillToDo(index, state, now.step)
    : [];
