import type { DeviceModel } from '../../core/model/schema';
import type { Route } from '../../core/steps/route';
import type { MatCell } from '../../core/screws/mat-layout';
import type { JobPage } from '../../core/wire/job-page';

/**
 * Models and routes never change under their hash: they are no part of a page, but resources of their own that browser and
 * service worker keep. The page names them; whoever draws it holds them.
 */
export interface FixedModel {
  model: DeviceModel;
  /** Where each of its screws lies on its mat. */
  mat: readonly MatCell[];
}
/** A job as it goes over the wire: without what is fixed, with where that is. */
export interface LeanPage extends Omit<JobPage, 'model' | 'mat' | 'route'> {
  modelAt: string;
  routeAt: string | null;
}

/** The mark by which a page says what it needs before it wakes up. */
export const fixedMark = 'data-fixed';
const held = new Map<string, unknown>();
/** A route of a rebuild weighs a megabyte. */
const most = 120;
function hold(at: string, value: unknown): void {
  held.delete(at);
  held.set(at, value);
  if (held.size > most) held.delete(held.keys().next().value!);
}

/** Takes what is fixed out of a page, and holds it for whoever draws the page. */
export function lean({ model, mat, route, ...page }: JobPage): LeanPage {
  const modelAt = `/fixed/models/${page.modelHash}/${encodeURIComponent(page.variant)}.json`;
  const routeAt = route ? `/fixed/routes/${route.hash}.json` : null;
  // another object of the same model would be indexed and drawn anew
  if (!held.has(modelAt)) hold(modelAt, { model, mat } satisfies FixedModel);
  if (routeAt && !held.has(routeAt)) hold(routeAt, route);
  return { ...page, modelAt, routeAt };
}
/** Puts a page together again. @throws where what it needs has not been fetched */
export function whole({ modelAt, routeAt, ...page }: LeanPage): JobPage {
  const fixed = held.get(modelAt) as FixedModel | undefined;
  if (!fixed || (routeAt && !held.has(routeAt))) throw new Error(`not held: ${fixed ? routeAt : modelAt}`);
  return { ...page, ...fixed, route: routeAt ? (held.get(routeAt) as Route) : null };
}
/** Fetches what is fixed and not held yet. */
export async function fetchFixed(ats: readonly (string | null)[]): Promise<void> {
  await Promise.all(
    ats.map(async (at) => {
      if (at === null || held.has(at)) return;
      const answer = await fetch(at);
      if (!answer.ok) throw answer;
      hold(at, await answer.json());
    }),
  );
}
