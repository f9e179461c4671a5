import type { EntityManager } from '@mikro-orm/postgresql';
import { Invite } from './entities-of-shop';
import { getOrm, shopOf } from './orm';

/** Gives a person a link; the one they had before serves no more. */
export async function addInvite(
  em: EntityManager,
  tokenHash: string,
  personId: string,
  expiresAt: Date,
): Promise<void> {
  await em.nativeDelete(Invite, { personId });
  em.create(Invite, { shopId: shopOf(em), tokenHash, personId, expiresAt });
}
/** Uses a link up. @returns whose it was; undefined where it is not there, was used, or has run out */
export async function takeInvite(em: EntityManager, tokenHash: string): Promise<string | undefined> {
  const invite = await em.findOne(Invite, { tokenHash, expiresAt: { $gt: new Date() } });
  // of two who use it at the same time one deletes it
  const taken = await em.nativeDelete(Invite, { tokenHash });
  return invite && taken === 1 ? invite.personId : undefined;
}
export const dropInvites = (em: EntityManager, personId: string): Promise<number> =>
  em.nativeDelete(Invite, { personId });

export interface Invited {
  shopId: string;
  personId: string;
  shopName: string;
  name: string;
  login: string;
  /** It is for another password; else for the first. */
  again: boolean;
}
/** Whom a link is for. Nobody is signed in yet: a function of the database looks across workshops for this one thing. */
export async function invitedBy(tokenHash: string): Promise<Invited | undefined> {
  const [row] = await (await getOrm()).em.getConnection().execute<
    {
      shop_id: string;
      person_id: string;
      shop_name: string;
      name: string;
      login: string;
      has_password: boolean;
    }[]
  >(`select * from resolve_invite(?)`, [tokenHash]);
  return (
    row && {
      shopId: row.shop_id,
      personId: row.person_id,
      shopName: row.shop_name,
      name: row.name,
      login: row.login,
      again: row.has_password,
    }
  );
}
