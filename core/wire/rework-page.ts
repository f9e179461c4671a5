import type { BodyOf } from '../log/events';
import type { AirSchool, ReworkKind, ReworkStepId } from '../rework/work-plan';
import type { StencilRow } from './stencils';

/** Work under the microscope that has ended in some job of the workshop. */
export interface ReworkPast {
  /** ms since 1970. */
  at: number;
  kind: ReworkKind;
  school: AirSchool;
  /** The chip by its id in its model; empty where the model has none of it. */
  chip: string;
  outcome: BodyOf<'reworkEnded'>['outcome'];
  lost?: BodyOf<'reworkEnded'>['lost'];
  /** What hot air was set to, step by step. */
  heats: { step: ReworkStepId; setC: number; airPercent: number }[];
}
/** What the rework bench knows beside the job. */
export interface ReworkPage {
  stencils: StencilRow[];
  past: ReworkPast[];
}
