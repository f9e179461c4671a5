import type { HeatOfStations } from '../heat/planned-soak';
import type { PressSettings } from '../seal/press';
import type { Glues } from '../seal/glue';
import { tasksDue } from './tasks-due';
import type { Task } from '../log/events';
import { arrivalsToPlan } from '../rules/manifest';
import { standingOf } from './standing';
import { flag, type JobState } from '../log/state';
import { conditionsOf } from '../log/view';
import type { IndexedModel } from '../model/index-model';
import type { Condition } from '../vocabulary/trade';
import { methodsOfRemedies, type Remedies } from '../pairing/effects';
import { type Methods, methodsOf } from '../methods/methods';
import type { RouteInput } from '../steps/route';

/** What a workshop brings to a route. */
export interface WorkshopMeans {
  methods: Partial<Methods>;
  stations: readonly string[];
  hourlyRateMinor: number;
  heat?: HeatOfStations;
  glues?: Glues;
  press?: PressSettings;
}
/** What is chosen for one job on the Route screen. */
export interface RouteWishes {
  methods?: Partial<Record<string, string>> | undefined;
  /** Ways insisted on, by pose. */
  force?: Record<string, string> | undefined;
  /** Tasks beside the job's own: what a failed check leads back to. */
  more?: readonly Task[] | undefined;
}

/** What the planner is asked for a job: its tasks and where its device stands, the workshop's means, and what was wished for. */
export function jobRouteInput(
  means: WorkshopMeans,
  index: IndexedModel,
  state: JobState,
  wishes: RouteWishes = {},
): RouteInput {
  const standing = standingOf(state, index);
  const own = tasksDue(state, index);
  const arrives = arrivalsToPlan(index, state);
  const remedies = { ...state.remedy } as Remedies;
  return {
    model: index.model.id,
    variant: flag(state, 'variant')!,
    methods: methodsOf(means.methods, methodsOfRemedies(index, remedies), wishes.methods),
    conditions: conditionsOf(state) as Condition[],
    tasks: [
      ...own,
      ...(wishes.more ?? []).filter(
        (t) => !own.some((o) => o.slot === t.slot && !standing.done.includes(t.slot)),
      ),
    ],
    standing,
    hourlyRateMinor: means.hourlyRateMinor,
    stations: [...means.stations],
    ...(means.heat ? { heat: means.heat } : {}),
    ...(means.glues ? { glues: means.glues } : {}),
    ...(means.press?.models?.length ? { pressPlates: means.press.models } : {}),
    force: wishes.force ?? {},
    remedies,
    ...(flag(state, 'system') ? { system: flag(state, 'system')!.version } : {}),
    ...(Object.keys(arrives).length ? { arrives } : {}),
  };
}
