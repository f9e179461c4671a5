import type { JobState } from '../log/state';
import type { DeviceModel } from '../model/schema';
import type { MatCell } from '../screws/mat-layout';
import type { Route } from '../steps/route';
import type { SpareRow } from './stock';

/** What was noted about a thing of this model on another job: shown again when that thing is in hand. */
export interface ModelNote {
  job: string;
  number: number;
  event: string;
  thing: string;
  text: string;
  finding: boolean /** A photograph in place of words. */;
  photo: string | null;
  by: string;
  at: number;
}
/** All that a screen of one job needs, to work on without the server afterwards. */
export interface JobPage {
  id: string;
  number: number;
  modelHash: string;
  variant: string;
  /** The model as this job's variant has it. */
  model: DeviceModel;
  state: JobState;
  route: Route | null;
  owner: string | null;
  people: Record<string, string>;
  /** Who gave a consent, by the id that the log names. */
  signers: Record<string, string>;
  /** Where each screw of the model lies on its mat. */
  mat: readonly MatCell[];
  /** What was noted about things of this model before. */
  modelNotes: ModelNote[];
  spares: SpareRow[];
  /** The programmer is the stand-in that ships with the app. */
  simulated: boolean;
  /** So does the leak tester. */
  testerSimulated: boolean;
  /** And the press's gauge. */
  gaugeSimulated: boolean;
  openedAt: number;
  now: number;
}
