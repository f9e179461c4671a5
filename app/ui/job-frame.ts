import { useOutletContext } from 'react-router';
import type { Body } from '../../core/log/events';
import type { Context } from '../../core/rules/decide';
import type { Finding } from '../../core/rules/interlocks';
import type { JobState } from '../../core/log/state';
import type { IndexedModel } from '../../core/model/index-model';
import type { Who } from '../../core/wire/who';
import type { JobPage } from '../../core/wire/job-page';
import type { Replica, View } from '../job/replica';
import type { SendState } from '../job/sender';

/** What the job's frame has for the screen inside it. */
export interface JobFrame {
  who: Who;
  /** The job as it was loaded; what changes with the log stands in `state`. */
  page: JobPage;
  index: IndexedModel;
  replica: Replica;
  view: View;
  state: JobState;
  context: Context;
  /** What this browser has kept and not sent. */
  send: SendState;
  /** The job is closed. */
  ended: boolean;
  /** Reports one after another; a gate that is shut shows its stop. @returns whether all of them were taken */
  report: (...bodies: Body[]) => Promise<boolean>;
  /** Shows a stop before anything is reported; whoever passes it reports these. */
  stopAt: (findings: Finding[], bodies: readonly Body[], passLabel?: string) => void;
  /** A stop is on the screen. */
  stopped: boolean;
  /** Says something for a while on top of the screen. */
  say: (text: string | undefined) => void;
  /** Notes the name that belongs to a signature given on this screen. */
  addSigner: (signature: string, name: string) => void;
}
export const useJobFrame = () => useOutletContext<JobFrame>();
