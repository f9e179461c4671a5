import atlasJson from '../../demo/models/atlas.json';
import dune2Json from '../../demo/models/dune-2.json';
import dune3Json from '../../demo/models/dune-3.json';
import mica4Json from '../../demo/models/mica-4.json';
import micaJson from '../../demo/models/mica-9.json';
import wideJson from '../../demo/models/mica-9-wide.json';
import sprigJson from '../../demo/models/sprig.json';
import type { Task } from '../log/events';
import { contentHash } from '../model/canonical-json';
import { checkModel } from '../model/check-model';
import { type IndexedModel, indexModel } from '../model/index-model';
import type { DeviceModel } from '../model/schema';
import type { Condition } from '../vocabulary/trade';
import { ofVariant } from '../model/variant';
import { defaultMethods, type Methods } from '../methods/methods';
import { planRoute } from '../route/plan';
import { routeInput } from '../route/route-input';
import type { Route, RouteInput } from '../steps/route';

/** The shipped models, checked, for the core's own tests. */
export function model(json: unknown): DeviceModel {
  const read = checkModel(json);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.model;
}
export const mica9 = model(micaJson);
export const sprigModel = model(sprigJson);
export const mica4 = model(mica4Json);
export const mica9Wide = model(wideJson);
export const dune2 = model(dune2Json);
export const dune3 = model(dune3Json);
export const atlas = model(atlasJson);
export const shippedModels = [mica4, mica9, mica9Wide, dune2, dune3, sprigModel, atlas];
export const indexed = (m: DeviceModel, variant = 'standard'): IndexedModel =>
  indexModel(ofVariant(m, variant));
export const modelHash = (m: DeviceModel) => contentHash(m);

export function route(m: DeviceModel, more: Partial<RouteInput> = {}, variant = 'standard'): Route {
  const routeResult = planRoute(
    indexed(m, variant),
    modelHash(m),
    routeInput({ model: m.id, variant, tasks: [{ slot: 'cell', action: 'replace' }], ...more }),
  );
  if ('infeasible' in routeResult) throw new Error(JSON.stringify(routeResult));
  return routeResult;
}
export const replace = (...slots: string[]): { tasks: Task[] } => ({
  tasks: slots.map((slot) => ({ slot, action: 'replace' })),
});
export const withMethods = (partial: Partial<Methods>): { methods: Methods } => ({
  methods: { ...defaultMethods, ...partial },
});
export const swollen: Condition[] = ['swollen'];
