import mica from '../../demo/models/mica-9.json';
import sprig from '../../demo/models/sprig.json';
import { contentHash } from '../model/canonical-json';
import { checkModel } from '../model/check-model';
import { type IndexedModel, indexModel } from '../model/index-model';
import type { Condition, DeviceModel } from '../model/schema';
import { ofVariant } from '../model/variant';
import { planRoute } from '../route/plan';
import { routeInput } from '../route/route-input';
import type { Route, RouteInput } from '../route/types';

/** The shipped models, checked, for the core's own tests. */
export function model(json: unknown): DeviceModel {
  const read = checkModel(json);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.model;
}
export const mica9 = model(mica);
export const sprigModel = model(sprig);
export const indexed = (m: DeviceModel, variant = 'standard'): IndexedModel => indexModel(ofVariant(m, variant));
export const modelHash = (m: DeviceModel) => contentHash(m);

export function route(m: DeviceModel, more: Partial<RouteInput> = {}, variant = 'standard'): Route {
  const r = planRoute(indexed(m, variant), modelHash(m), routeInput({ model: m.id, variant, tasks: [{ slot: 'cell', action: 'replace' }], ...more }));
  if ('infeasible' in r) throw new Error(JSON.stringify(r));
  return r;
}
export const swollen: Condition[] = ['swollen'];
