import type { PartEntry } from '../../core/log/state';
import { indexModel } from '../../core/model/index-model';
import type { DeviceModel } from '../../core/model/schema';
import { dataReadAt, quoteInput, type ReadAt } from '../../core/quote/for-route';
import { chanceOfTrouble, type Distribution, expectedCost, simulateCost } from '../../core/quote/quote';
import { planByStages } from '../../core/route/plan-by-stages';
import type { Route, RouteInput } from '../../core/steps/route';
import type { ThreePoint } from '../../core/quote/three-point';

export interface QuoteAsked {
  model: DeviceModel;
  modelHash: string;
  seed: number;
  trials: number;
  /** By which the workshop's prices become what an owner pays. */
  factor: number;
  options: { id: string; input: RouteInput; parts: Record<string, PartEntry>; extraS: ThreePoint }[];
}
export interface QuotedOption {
  id: string;
  distribution: Distribution;
  expected: { mean: number; sd: number };
  hands: ThreePoint;
  waitS: number;
  effects: Route['effects'];
  trouble: number;
  reads: ReadAt[];
}
export type QuoteTold =
  | { progress: number; done: false }
  | { done: true; options: (QuotedOption | { id: string; infeasible: true })[] };

/** Plans each option and tries its cost some thousand times beside the page. Whoever asked ends it by ending the worker. */
self.onmessage = (messageEvent: MessageEvent<QuoteAsked>) => {
  const { model, modelHash, seed, trials, factor, options } = messageEvent.data;
  const index = indexModel(model);
  const out: Extract<QuoteTold, { done: true }>['options'] = [];
  for (const [k, o] of options.entries()) {
    let route: Route | undefined;
    for (const told of planByStages(index, modelHash, o.input))
      if (!('infeasible' in told.route)) route = told.route;
    if (!route) {
      out.push({ id: o.id, infeasible: true });
      continue;
    }
    const q = quoteInput(index, route, o.parts, factor);
    const whole = { ...q, handsS: [...q.handsS, o.extraS] };
    const trial = simulateCost(whole, seed, trials);
    let step = trial.next();
    while (!step.done) {
      self.postMessage({ progress: (k + step.value) / options.length, done: false } satisfies QuoteTold);
      step = trial.next();
    }
    const hands = whole.handsS.reduce(
      (s, t) => ({ low: s.low + t.low, likely: s.likely + t.likely, high: s.high + t.high }),
      { low: 0, likely: 0, high: 0 },
    );
    out.push({
      id: o.id,
      distribution: step.value,
      expected: expectedCost(whole),
      hands,
      waitS: route.minutes.wait * 60,
      effects: route.effects,
      trouble: chanceOfTrouble(route.risks),
      reads: dataReadAt(route),
    });
  }
  self.postMessage({ done: true, options: out } satisfies QuoteTold);
};
