import type { GradedNeed } from '../record/grades';
import type { Face } from '../vocabulary/trade';
import type { LearntMinutes, Refutation, SaidOtherwise } from '../record/learn-ways';
import type { ModelQuestion } from '../record/questions';
import type { ModelProblem } from '../model/check-model';
import type { Learnt } from '../record/learn';
import type { DeviceModel } from '../model/schema';

/** A model as the library lists it: the version of it that devices are received of, or were last. */
export interface LibraryLine {
  hash: string;
  id: string;
  name: string;
  /** The workshop's own; the others ship with the app. */
  own: boolean;
  /** It ships with the app, to learn with. */
  practice: boolean;
  /** Devices are received of it. */
  offered: boolean;
  variants: number;
  parts: number;
  screws: number;
  /** Versions of it that the workshop has, this one included. */
  versions: number;
  /** Jobs that were of any of them. */
  jobs: number;
}
/** One model, to be looked at. */
export interface LibraryModel {
  line: LibraryLine;
  model: DeviceModel;
  /** What is no fault and yet worth a look. */
  remarks: ModelProblem[];
  /** The versions of it, by hash, with their jobs; which one is offered. */
  versions: { hash: string; jobs: number; offered: boolean; madeAt: string; madeBy: string }[];
  /** What jobs have measured of its screws. */
  learnt: Learnt[];
  /** Needs that jobs have shown to be none, true minutes of parts, and what was said at the bench that the model does not say. */
  refuted: Refutation[];
  minutes: LearntMinutes[];
  otherwise: SaidOtherwise[];
  /** Needs that nobody has confirmed and that cost most. */
  questions: ModelQuestion[];
  /** All that its ways wait for, with how sure each is. */
  grades: GradedNeed[];
  /** The other models and versions that it can be compared with. */
  others: { hash: string; name: string }[];
}
/** A photograph that lies under the map of a model. */
export interface ModelPhotoLine {
  id: string;
  name: string;
  face: Face;
  /** Whoever asks may take it away. */
  mayDrop: boolean;
}
/** What came of a file that was brought in. */
export type ModelSaid =
  | {
      ok: true;
      said: string;
      hash?: string;
      /** It was kept, and devices are not received of it before these are mended. */
      problems?: ModelProblem[];
    }
  | {
      ok: false;
      status: 400 | 403 | 409 | 413;
      errors: Record<string, string>;
      problems?: ModelProblem[];
      /** Somebody has made a version from the same one meanwhile. */
      newer?: { hash: string; by: string };
    };
