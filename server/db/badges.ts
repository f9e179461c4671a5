import type { EntityManager } from '@mikro-orm/postgresql';
import { Badge, Person, Session } from './entities-of-shop';
import { shopOf } from './orm';

/** Gives a person a badge; the one they had before is nobody's from then on. */
export const setBadge = (em: EntityManager, personId: string, tokenHash: string): Promise<unknown> =>
  em.upsert(
    Badge,
    { shopId: shopOf(em), personId, tokenHash },
    { onConflictFields: ['shopId', 'personId'], onConflictMergeFields: ['tokenHash'] },
  );
export const dropBadge = (em: EntityManager, personId: string): Promise<number> =>
  em.nativeDelete(Badge, { personId });

export interface Badged {
  personId: string;
  name: string;
  login: string;
  pinHash: string;
}
/** Whose a badge of this workshop is; undefined where nobody's, or of somebody who has left. */
export async function personOfBadge(em: EntityManager, tokenHash: string): Promise<Badged | undefined> {
  const badge = await em.findOne(Badge, { tokenHash });
  return badge ? badged(em, badge.personId) : undefined;
}
/** What somebody who works here unlocks a bench with. */
export async function badged(em: EntityManager, personId: string): Promise<Badged | undefined> {
  const person = await em.findOne(Person, { id: personId, leftAt: null });
  return person ? { personId, name: person.name, login: person.login, pinHash: person.pinHash } : undefined;
}
export const setPin = (em: EntityManager, personId: string, pinHash: string): Promise<number> =>
  em.nativeUpdate(Person, { id: personId, leftAt: null }, { pinHash });
export const setLocked = (em: EntityManager, tokenHash: string, locked: boolean): Promise<number> =>
  em.nativeUpdate(Session, { tokenHash }, { locked });
