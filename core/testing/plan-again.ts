import type { Task } from '../log/events';
import { openState } from '../log/view';
import type { IndexedModel } from '../model/index-model';
import type { DeviceModel } from '../model/schema';
import type { Condition } from '../vocabulary/trade';
import { jobRouteInput, type WorkshopMeans } from '../progress/route-input-of-job';
import { planRoute } from '../route/plan';
import type { Route } from '../steps/route';
import { Bench } from './bench';

/** One repair to walk through: a device, what is asked for, and how the workshop does it. */
export interface Course {
  index: IndexedModel;
  hash: string;
  tasks: Task[];
  means: WorkshopMeans;
  conditions: readonly Condition[];
}

/** What went wrong on a course that was planned again; undefined when every instruction was accepted to the end. */
export type Fault = { after: number; what: string };

/** @throws what the planner throws; an infeasible plan is a fault of the caller's case */
export function planFor(course: Course, bench: Bench): Route {
  const plan = planRoute(course.index, course.hash, jobRouteInput(course.means, course.index, bench.state), {
    budget: 2000,
  });
  if ('infeasible' in plan) throw new RangeError(`no route: ${JSON.stringify(plan.because)}`);
  return plan;
}

/** A bench at which the job has been received and its first route taken. */
function benchFor(course: Course): Bench {
  const bench = new Bench(course.index, undefined);
  bench.open({ tasks: course.tasks });
  for (const condition of course.conditions)
    bench.do({ type: 'conditionSet', condition, because: 'panel stands proud' });
  bench.adopt(planFor(course, bench));
  return bench;
}

/** Follows the route in force to its end. @returns the first thing that was refused or recorded with a breach */
export function follow(bench: Bench, most = 3000): string | undefined {
  for (let k = 0; k < most; k++) {
    const from = bench.log.length;
    const decision = bench.next();
    if (!decision) {
      const shut = openState(bench.state, bench.index);
      return shut === 'open' ? 'ends with the device open' : undefined;
    }
    if (decision.refused) return `refused: ${JSON.stringify(decision.refused)}`;
    const broken = bench.log.slice(from).find((e) => e.breach);
    if (broken) return `${JSON.stringify(broken.body)}: ${broken.breach!.map((b) => `${b.rule} ${b.ids}`)}`;
  }
  return 'never ends';
}

/** The job as it stood after so many presses, at a bench of its own. */
function copyOf(bench: Bench): Bench {
  const copy = new Bench(bench.index, bench.route, bench.person, bench.role, 'again');
  copy.state = bench.state;
  copy.at = bench.at;
  return copy;
}

/**
 * Walks a course press by press and, after those that are asked for, plans the rest again and follows it to the end.
 * @param every after which presses (0 = before the first)
 */
export function planAgainAlong(course: Course, every: (press: number) => boolean): Fault[] {
  const faults: Fault[] = [];
  const bench = benchFor(course);
  for (let press = 0; press < 2000; press++) {
    if (every(press)) {
      const copy = copyOf(bench);
      try {
        copy.adopt(planFor(course, copy));
        const wrong = follow(copy);
        if (wrong) faults.push({ after: press, what: wrong });
      } catch (e) {
        faults.push({ after: press, what: (e as Error).message });
      }
    }
    const decision = bench.next();
    if (!decision) break;
    if (decision.refused) {
      faults.push({ after: press, what: `first route refused: ${JSON.stringify(decision.refused)}` });
      break;
    }
  }
  return faults;
}

/** Names of the slots that a task can be about: what a counter is asked for, and everything that serves a function. */
export const slotsWorthAsking = (model: DeviceModel, variantSlots: Iterable<string>): string[] => {
  const kinds = new Set([
    'display',
    'cell',
    'back',
    'frame',
    'camera',
    'loudspeaker',
    'ear-speaker',
    'port',
    'board',
    'front-sensors',
    'panel',
    'key',
    'vibration',
    'chip',
  ]);
  const here = new Set(variantSlots);
  return model.slots.filter((s) => kinds.has(s.kind) && here.has(s.id)).map((s) => s.id);
};
