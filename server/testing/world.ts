import { checksDue } from '../../core/checks/due';
import { randomUUID } from 'node:crypto';
import { RouterContextProvider } from 'react-router';
import { type Asked, whoContext } from '../../app/context';
import { people, shop } from '../../demo/scenario';
import { seedDemo, makeWorkshop, shipModels } from '../seed/seed';
import { tools } from '../../scripts/tools.mjs';
import { asOwner, closeOrm, inShop, migrate } from '../db/orm';
import { endPlanner } from '../planner';
import type { Who } from '../../core/wire/who';
import { consentsFor, openConsents } from '../../core/consents/consents';
import { indexModel } from '../../core/model/index-model';
import { methodsOf } from '../../core/methods/methods';
import { jobPage } from '../use-cases/job-page';
import { receiveJob } from '../use-cases/receive-job';
import { sendCommands } from '../use-cases/send-commands';
import type { SentCommand } from '../../core/wire/commands';
import type { Body } from '../../core/log/events';
import { adoptRoute } from '../use-cases/plan-route';

/** A migrated database with the demo workshop and another one, on the throw-away cluster that DATABASE_URL names. */
export interface World {
  own: Map<string, Who>;
  other: Map<string, Who>;
  models: Map<string, string>;
}
/** Once for all test files of a worker: they share its database, its modules and its connections. */
let shared: Promise<Map<string, string>> | undefined;
async function makeShared(): Promise<Map<string, string>> {
  tools();
  await asOwner(migrate);
  const shipped = await shipModels();
  await seedDemo(Date.now());
  return new Map([...shipped].map(([id, { hash }]) => [id, hash]));
}
export async function makeWorld(): Promise<World> {
  shared ??= makeShared();
  const models = await shared;
  const tail = randomUUID().slice(0, 8);
  const staff = (name: string) => people.map((p) => ({ ...p, login: `${p.login}-${name}-${tail}` }));
  const byRole = (m: Map<string, Who>) => new Map([...m.values()].map((w) => [w.role, w]));
  return {
    own: byRole(await makeWorkshop(shop, staff('own'), 'a-long-password', false)),
    other: byRole(
      await makeWorkshop({ ...shop, name: 'Another counter' }, staff('other'), 'a-long-password', false),
    ),
    models,
  };
}
export const endWorld = async (): Promise<void> => {
  await endPlanner();
  await closeOrm();
};

export const receipt = (modelHash: string, more: Record<string, unknown> = {}) => ({
  modelHash,
  variant: 'standard',
  tag: `T-${randomUUID().slice(0, 8)}`,
  owner: 'Runa',
  complaint: 'flat by noon',
  marks: [],
  promisedAt: Date.now() + 3_600_000,
  promisedAs: 'sailing',
  tasks: [{ slot: 'cell', action: 'replace' }],
  before: Object.fromEntries(
    [
      'power',
      'picture',
      'touch',
      'face',
      'cameras',
      'loudspeaker',
      'microphones',
      'vibration',
      'keys',
      'charging',
      'radios',
      'battery',
    ].map((f) => [f, { result: 'works' }]),
  ),
  ...more,
});
/** A Mica 9 received by somebody, with its route adopted unless it is said otherwise. */
export async function openJob(
  world: World,
  who: Who,
  more: Record<string, unknown> = {},
  route = true,
): Promise<string> {
  const id = randomUUID();
  const done = await receiveJob(who, id, receipt(world.models.get('mica-9')!, more), Date.now());
  if (!done.ok) throw new Error(JSON.stringify(done.errors));
  if (route) {
    await agreeAll(who, id);
    await adoptRoute(who, id, randomUUID());
  }
  return id;
}
/** Answers what is still open of the check on arrival: what the chosen tasks will touch. */
export async function answerBefore(who: Who, job: string): Promise<void> {
  const page = (await jobPage(who, job))!;
  const open = checksDue(page.state, indexModel(page.model), 'before').filter((c) => c.result === undefined);
  if (open.length)
    await sendCommands(
      who,
      open.map((dueCheck) => ({
        id: randomUUID(),
        job,
        person: who.personId,
        body: {
          type: 'checked' as const,
          round: 'before' as const,
          function: dueCheck.function,
          result: 'works' as const,
        },
        at: Date.now(),
        clockKnown: true,
      })),
    );
}
/** The owner agrees to everything that follows from the job’s tasks. */
export async function agreeAll(who: Who, job: string): Promise<void> {
  const page = (await jobPage(who, job))!;
  const open = openConsents(
    consentsFor(indexModel(page.model), page.state, methodsOf(who.settings.methods)),
    page.state,
  );
  if (open.length)
    await sendCommands(
      who,
      open.map((consent) => ({
        id: randomUUID(),
        job,
        person: who.personId,
        body: {
          type: 'consentGiven' as const,
          effect: consent.id,
          by: 'owner' as const,
          ...(consent.answers ? { answer: consent.answers[1]! } : {}),
        },
        at: Date.now(),
        clockKnown: true,
      })),
    );
}

/** A command as a person's own device sends it, now, unless it is said otherwise. */
export const cmd = (who: Who, job: string, body: Body, more: Partial<SentCommand> = {}): SentCommand => ({
  id: randomUUID(),
  job,
  person: who.personId,
  body,
  at: Date.now(),
  clockKnown: true,
  ...more,
});

/** Calls a loader or an action as a router would, and gives what it answers, thrown or returned. */
export async function call(
  fn: ((args: never) => unknown) | undefined,
  who: Who | undefined,
  url: string,
  params: Record<string, string>,
  init: RequestInit = {},
  state: 'known' | 'locked' = 'known',
): Promise<{ status: number; to: string | null; body: unknown; response?: Response }> {
  if (!fn) throw new Error(`no such handler for ${url}`);
  const context = new RouterContextProvider();
  const asked: Asked = who ? { state, who } : { state: 'nobody' };
  context.set(whoContext, asked);
  const request = new Request(`http://localhost${url}`, init);
  const read = async (r: Response) => {
    const text = r.headers.get('content-type')?.includes('json') ? await r.clone().json() : null;
    return { status: r.status, to: r.headers.get('location'), body: text as unknown, response: r };
  };
  try {
    const out = await fn({ request, params, context, unstable_pattern: '' } as never);
    if (out instanceof Response) return read(out);
    // data with a status of its own, as the router's `data` gives it
    const given = out as { type?: string; data?: unknown; init?: { status?: number } } | null;
    return given?.type === 'DataWithResponseInit'
      ? { status: given.init?.status ?? 200, to: null, body: given.data }
      : { status: 200, to: null, body: out };
  } catch (e) {
    if (e instanceof Response) return read(e);
    throw e;
  }
}
export const eventsOf = (
  who: Who,
  job: string,
): Promise<{ seq: number; event: { id: string; seq: number; body: { type: string } } }[]> =>
  inShop(who.shopId, (em) =>
    em.execute(`select seq, event from job_event where job_id = ? order by seq`, [job]),
  );
