import type { PersonLine } from '../../core/wire/person-line';
import { UniqueConstraintViolationException } from '@mikro-orm/core';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { Role } from '../../core/vocabulary/roles';
import { roles } from '../../core/vocabulary/roles';
import { Person } from './entities-of-shop';
import { shopOf } from './orm';
/** Who works here: owners first, each rank by name. */
export async function peopleOf(em: EntityManager): Promise<PersonLine[]> {
  const rows = await em.find(Person, { leftAt: null }, { orderBy: { name: 'asc' } });
  return rows
    .map(({ id, login, name, role, bench, passwordHash }) => ({
      ...{ id, login, name, role, bench },
      ...(passwordHash === '' ? { waits: true } : {}),
    }))
    .sort((a, b) => roles.indexOf(a.role) - roles.indexOf(b.role));
}
/** What to call each person, by id. */
export async function namesOf(em: EntityManager): Promise<Map<string, string>> {
  return new Map((await em.find(Person, {})).map((person) => [person.id, person.name]));
}
export const roleOf = async (em: EntityManager, id: string): Promise<Role | undefined> =>
  (await em.findOne(Person, { id, leftAt: null }))?.role;

/** Adds a person. @returns false where the login name is taken, in this workshop or another of the installation */
export async function addPerson(
  em: EntityManager,
  person: PersonLine & { passwordHash: string },
): Promise<boolean> {
  try {
    // in a savepoint: a name that is taken does not undo what else the transaction does
    await em.transactional(async (inner) => {
      inner.create(Person, { shopId: shopOf(em), ...person });
      await inner.flush();
    });
    return true;
  } catch (e) {
    if (e instanceof UniqueConstraintViolationException) return false;
    throw e;
  }
}
/** How many owners there are beside a person: who has left, or has not been in yet, can do nothing for the workshop. */
export const ownersBeside = (em: EntityManager, id: string): Promise<number> =>
  em.count(Person, { role: 'owner', leftAt: null, passwordHash: { $ne: '' }, id: { $ne: id } });
/** Somebody who works here; undefined for who does not, or not any more. */
export const personOf = async (em: EntityManager, id: string): Promise<PersonLine | undefined> =>
  (await em.findOne(Person, { id, leftAt: null })) ?? undefined;
/** Somebody who works here, or did. */
export const whoWas = async (em: EntityManager, id: string): Promise<PersonLine | undefined> =>
  (await em.findOne(Person, { id })) ?? undefined;
/** Gives one person another password. */
export const setPassword = (em: EntityManager, id: string, passwordHash: string): Promise<number> =>
  em.nativeUpdate(Person, { id, leftAt: null }, { passwordHash });
/** From now on the person cannot sign in; the name stays in the record, and the login name becomes free. */
export async function markLeft(em: EntityManager, id: string, now: Date): Promise<string | undefined> {
  const person = await em.findOne(Person, { id, leftAt: null });
  if (!person) return undefined;
  person.leftAt = now;
  person.login = `${person.login} left ${now.toISOString()}`;
  person.passwordHash = '';
  return person.name;
}
/** Gives a person another role. @returns their name, or undefined where there is no such person */
export async function changeRole(em: EntityManager, id: string, role: Role): Promise<string | undefined> {
  const person = await em.findOne(Person, { id, leftAt: null });
  if (!person) return undefined;
  person.role = role;
  return person.name;
}
/** How many benches devices are worked on at. */
export async function benchCount(em: EntityManager): Promise<number> {
  const at = await em.find(Person, {
    role: { $in: ['technician', 'lead'] },
    bench: { $ne: '' },
    leftAt: null,
  });
  return new Set(at.map((person) => person.bench)).size;
}
/** Gives everybody of the workshop the same password. */
export const setPasswords = (em: EntityManager, passwordHash: string): Promise<number> =>
  em.nativeUpdate(Person, {}, { passwordHash });
