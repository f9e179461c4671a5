import { allStations } from '../methods/catalogue';
import { defaultMethods } from '../methods/methods';
import { asItCame, type RouteInput } from '../steps/route';

/** What a route is asked for with, where nothing else is said: default methods, a device as it came, every station there. */
export function routeInput(
  asked: Pick<RouteInput, 'model' | 'variant' | 'tasks'> & Partial<RouteInput>,
): RouteInput {
  return {
    methods: defaultMethods,
    conditions: [],
    standing: asItCame,
    hourlyRateMinor: 6000,
    stations: allStations,
    force: {},
    remedies: {},
    ...asked,
  };
}
