import type { Body } from '../../../../core/log/events';
import type { JobState } from '../../../../core/log/state';
import type { IndexedModel } from '../../../../core/model/index-model';
import type { Step } from '../../../../core/steps/route';
import type { SpareRow } from '../../../../core/wire/stock';

/** What a way out of a trouble knows of the job, and how it reports. */
export interface WayProps {
  index: IndexedModel;
  state: JobState;
  step: Step | undefined;
  /** What is in hand: the next target of the step. */
  target: string | undefined;
  spares: readonly SpareRow[];
  jobId: string;
  /** Reports one after another; what the interlocks stop stops the rest. */
  onReport: (...bodies: Body[]) => void;
  onClose: () => void;
}
