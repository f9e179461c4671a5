import { useMemo, useState } from 'react';
import { type Experience, faultOf, knownCause } from '../../../core/diagnose/fault';
import { faultView } from '../../../core/diagnose/next';
import { symptomOfFunction, symptomsIn } from '../../../core/knowledge/symptoms';
import type { Body } from '../../../core/log/events';
import { flag, type JobState } from '../../../core/log/state';
import type { FunctionId } from '../../../core/vocabulary/trade';
import type { EarlierJob } from '../../../core/wire/earlier-job';
import { useJobFrame } from '../../ui/job-frame';

/** Symptoms that the owner's words and the before-check suggest, and that nobody has recorded yet. */
function suggestedBy(state: JobState) {
  const failing = Object.entries(state.check)
    .filter(([k, c]) => k.startsWith('before ') && c.result === 'fails')
    .map(([k]) => k.slice(7) as FunctionId);
  const all = [
    ...symptomsIn(flag(state, 'complaint') ?? ''),
    ...failing.flatMap((f) => symptomOfFunction[f] ?? []),
  ];
  return [...new Set(all)].filter((s) => !state.symptom[s]);
}

/** The fault as it stands: what is likely, what to test next, and what is done about it. */
export function useFault(experience: Experience, earlier: EarlierJob[]) {
  const frame = useJobFrame();
  const { index, state, who, page, report } = frame;
  const [chosen, setChosen] = useState<string>();
  const past = earlier.length ? ['here before'] : [];
  // biome-ignore lint/correctness/useExhaustiveDependencies: the past does not change while the page is open
  const fault = useMemo(
    () =>
      faultOf(
        index,
        state,
        who.settings.hourlyRateMinor,
        experience,
        past,
        earlier.map((j) => ({
          touched: j.touched,
          daysAgo: Math.max(0, (page.openedAt - j.lastAt) / 86_400_000),
        })),
      ),
    [index, state, who, experience],
  );
  const seen = useMemo(() => fault && faultView(index, state, fault), [index, state, fault]);
  const next = seen?.next;
  const current = chosen ?? (next && 'test' in next ? next.test : undefined);
  /** A test is begun, which can be refused, before its outcome is a fact. */
  const answer = async (outcome: string, note: string) => {
    const test = current!;
    const tested: Body = { type: 'tested', test, outcome, ...(note ? { note } : {}) };
    const known = state.test[test] !== undefined && state.test[test].declined === undefined;
    if (await report(...(known ? [] : [{ type: 'testBegun' as const, test }]), tested)) setChosen(undefined);
  };
  const stateFault = async (cause: string, because: string) => {
    const known = knownCause(cause);
    const slot = fault?.causes.find((c) => c.id === cause)?.slot;
    const task: Body[] =
      known && known.task !== 'none' && slot && !state.task[slot]
        ? [{ type: 'taskSet', slot, action: known.task }]
        : [];
    await report({ type: 'causeStated', cause, because }, ...task);
  };
  return {
    ...frame,
    fault,
    seen,
    found: flag(state, 'cause'),
    suggested: suggestedBy(state),
    chosen,
    setChosen,
    current,
    answer,
    stateFault,
    decline: async (reason: string) => {
      await report({ type: 'testDeclined', test: current!, reason });
      setChosen(undefined);
    },
  };
}
export type FaultState = ReturnType<typeof useFault>;
