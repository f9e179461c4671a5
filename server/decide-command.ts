import { type Command, type Context, decide } from '../core/rules/decide';
import type { JobEvent } from '../core/log/events';
import { evolve } from '../core/log/evolve';
import { indexOfJob } from '../core/record/model-of-job';
import { stageOf } from '../core/progress/stage';
import { flag, type JobState } from '../core/log/state';
import type { IndexedModel } from '../core/model/index-model';
import { methodsOf } from '../core/methods/methods';
import type { Route } from '../core/steps/route';
import type { Writing } from './db/job-log';
import { summarise } from './job-summary';
import type { Outcome } from '../core/wire/outcome';
import type { Who } from '../core/wire/who';

/** What a decision rests on beside the state: the model of the job's variant, and the route in force. */
export interface Grounds {
  index: IndexedModel;
  route: Route | undefined;
}
/** What a decision is made by: `asked` is the route that the command would put into force. */
export const contextFor = (who: Who, { index, route }: Grounds, asked?: Route): Context => ({
  index,
  route,
  waits: who.settings.waits,
  person: who.personId,
  role: who.role,
  methods: asked?.input.methods ?? methodsOf(who.settings.methods),
});

export interface Judged {
  outcome: Outcome;
  events: JobEvent[];
  state: JobState;
}
/** Decides one command on a state, and says what becomes of both. */
export function judge(context: Context, state: JobState, command: Command): Judged {
  const { refused, already, events, findings } = decide(context, state, command);
  if (refused) return { outcome: refusal(state, refused, findings), events: [], state };
  if (already)
    return { outcome: { status: 'already', seq: state.seq, events: [], findings: [] }, events: [], state };
  const next = events.reduce(evolve, state);
  return { outcome: { status: 'recorded', seq: next.seq, events, findings }, events, state: next };
}
type Refused = Extract<Outcome, { status: 'refused' }>;
export const refusal = (
  state: JobState,
  refused: Refused['refused'],
  findings: Refused['findings'] = [],
): Outcome => ({ status: 'refused', seq: state.seq, refused, findings });

/** What the job's row says after events, at a moment of the bench. */
export function afterOf(given: Context, state: JobState, at: number): NonNullable<Writing['after']> {
  const context = { ...given, index: indexOfJob(given.index, state) };
  return {
    state,
    stage: stageOf(state, context.index, context.route),
    summary: summarise(context, state, at),
    ending: flag(state, 'ending') ?? null,
    promisedAt: flag(state, 'promisedAt') ?? null,
  };
}
