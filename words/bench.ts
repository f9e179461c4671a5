import { badCell } from '../core/vocabulary/conditions';
import type { JobLine, JobSummary } from '../core/wire/job-line';

/** A model without its maker: as it is called at the bench. */
export const shortModel = ({ summary }: { summary: Pick<JobSummary, 'model' | 'name'> }) =>
  summary.name ?? summary.model.split(' ').slice(1).join(' ');
/** A bad cell is urgent even when all works: it damages the panel in time, and more. */
export const isUrgent = (j: JobLine) => badCell(j.summary.conditions);
/** What is urgent about it, or that it is simply the next. */
export const urgentText = (j: JobLine | undefined): string =>
  j && isUrgent(j)
    ? `Urgent: ${j.summary.conditions.filter((c) => badCell([c])).join(', ')} cell`
    : 'Next by the plan';
/** What a device waits for. */
export const waitsFor: Record<string, string> = {
  hands: 'hands',
  checks: 'checks to be answered',
  'a route': 'a route',
  'the fault': 'the fault to be found',
  agreement: 'the owner’s agreement',
  'an answer': 'a question to be answered',
  time: 'the clock',
  'hand-over': 'hand-over',
  receiving: 'receiving',
  recording: 'more of it to be recorded',
};
/** What is done with a device next. */
export const nowText = (j: JobLine): string =>
  ({
    Receive:
      { 'the fault': 'find the fault', agreement: 'make the offer' }[j.summary.waits] ?? 'plan the route',
    'Hand over': 'hand it over',
  })[j.stage] ??
  (j.summary.waits === 'checks'
    ? 'answer the checks'
    : j.summary.waits === 'recording'
      ? 'go on recording it'
      : `${j.stage.toLowerCase()}, step ${j.summary.done + 1} of ${j.summary.total}`);
