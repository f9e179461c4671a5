import { consentsFor, openConsents } from '../core/consents/consents';
import type { Context } from '../core/rules/decide';
import { instruct } from '../core/progress/instruct';
import { handsLeft, progressOf } from '../core/progress/stage';
import { mayComeOff } from '../core/log/soaks';
import { flag, type JobState } from '../core/log/state';
import { hasMet } from '../core/record/model-of-job';
import { conditionsOf } from '../core/log/view';
import type { JobSummary } from '../core/wire/job-line';

/** What the bench list says of a job. */
export function summarise(context: Context, state: JobState, at: number): JobSummary {
  const { index, route } = context;
  const shown = instruct(context, state, { at, clockKnown: true });
  const leaking = shown.kind === 'leaks';
  const now = shown.kind === 'leaks' ? shown.then : shown;
  const heat = flag(state, 'heat');
  const solvent = flag(state, 'solventAt');
  const hold = flag(state, 'hold');
  // before there is a route: what is to be done, then the owner's yes
  const before = !Object.keys(state.task).length
    ? 'the fault'
    : openConsents(consentsFor(index, state, context.methods), state).length
      ? 'agreement'
      : 'a route';
  const waits = {
    'no route': hasMet(state) ? 'recording' : before,
    ended: '',
    question: 'an answer',
    checks: 'checks',
    failed: 'a failed check',
    'rework failed': 'the customer',
    waiting: 'time',
    do: 'hands',
    'stop now': 'hands at once',
    'plan again': 'a new route',
    finished: 'hand-over',
    leaks: '',
  }[now.kind];
  return {
    model: `${index.model.maker} ${index.model.name}`,
    name: index.model.name,
    variant: index.model.variants.find((v) => v.id === flag(state, 'variant'))?.name ?? '',
    tasks: Object.keys(state.task).map((s) => index.slots.get(s)?.name ?? s),
    waits: leaking ? 'a leak to be mended' : flag(state, 'received') ? waits : 'receiving',
    running:
      now.kind === 'stop now'
        ? { what: 'take it off', until: at }
        : heat
          ? {
              what: 'heat',
              until: mayComeOff(heat),
              ...(heat.closesAt === undefined ? {} : { offBy: heat.closesAt }),
            }
          : now.kind === 'do' && now.by
            ? { what: 'open by', until: now.by.until }
            : hold
              ? { what: hold.what as 'press', until: hold.until }
              : now.kind === 'waiting' && solvent
                ? { what: 'solvent', until: solvent.until }
                : null,
    ...progressOf(state, route),
    worker: flag(state, 'worker') ?? null,
    conditions: conditionsOf(state),
    promisedAs: flag(state, 'promisedAs') ?? '',
    handsLeftS: handsLeft(state, route),
    by: state.trail[state.trail.length - 1]?.by ?? '',
  };
}
