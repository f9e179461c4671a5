import { busOf } from '../db/bus';
import type { Who } from '../../core/wire/who';

/**
 * Who the sessions are of that were asked for last, so that a request need not ask the database. What changes is dropped
 * at once when it is changed here, and when the database tells of it where it was changed elsewhere; as long as that is
 * not heard, nothing is held. Writing on a log asks the database about the session all the same.
 */
export interface Held {
  who: Who;
  /** The bench is locked. */
  locked: boolean;
}
const held = new Map<string, Held & { until: number }>();
const most = 500;
let watching: ReturnType<typeof busOf>;

/** How often something was dropped: what was read before the last time may be of yesterday. */
let drops = 0;
export const dropsSoFar = (): number => drops;

function dropAll(): void {
  drops++;
  held.clear();
}
/** Drops all that is held of a workshop: its settings or its people have changed. */
export function dropShop(shopId: string): void {
  drops++;
  for (const [token, { who }] of held) if (who.shopId === shopId) held.delete(token);
}
export function dropSession(tokenHash: string): void {
  drops++;
  held.delete(tokenHash);
}

function listen(): boolean {
  const bus = busOf();
  if (!bus?.hears) return false;
  if (watching !== bus) {
    watching = bus;
    dropAll();
    bus.watchWho((change) => {
      if (change === 'resync') dropAll();
      else if ('session' in change) dropSession(change.session);
      else dropShop(change.shop);
    });
  }
  return true;
}

export function heldWho(tokenHash: string, now: number): Held | undefined {
  if (!listen()) return undefined;
  const entry = held.get(tokenHash);
  if (!entry || entry.until <= now) return undefined;
  return entry;
}
/**
 * @param until when the session runs out, ms
 * @param since `dropsSoFar()` before it was read: what was dropped meanwhile is not held
 */
export function holdWho(tokenHash: string, { who, locked }: Held, until: number, since: number): void {
  if (!listen() || since !== drops) return;
  if (held.size >= most) held.delete(held.keys().next().value!);
  held.set(tokenHash, { who, locked, until });
}
