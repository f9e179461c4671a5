import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { expect, vi } from 'vitest';
import type { Body, JobEvent } from '../../core/log/events';
import { evolve } from '../../core/log/evolve';
import type { JobState } from '../../core/log/state';
import { type Context, decide } from '../../core/rules/decide';
import { leastWaits } from '../../core/rules/interlock';
import { Bench } from '../../core/testing/bench';
import { indexed, mica9, route } from '../../core/testing/demo-models';
import type { Answer, SentCommand } from '../../core/wire/commands';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { setServerTime } from '../job/clock';
import { type Kept, keptFor } from '../job/outbox';
import { Replica } from '../job/replica';
import { Sender } from '../job/sender';

const owners = ['s/p1', 's/p2'];
/** What the browser's store holds for everybody: commands that wait, and those that were put aside. */
export const waiting = async () => (await Promise.all(owners.map(keptFor))).flat();
export async function outboxIs(aside: boolean): Promise<Kept[]> {
  const db = await openDB('snavek');
  const all = (await db.getAll('outbox')) as Kept[];
  db.close();
  return all.filter((k) => !!k.aside === aside);
}

export const index = indexed(mica9);
export const plan = route(mica9);
export const job = '00000000-0000-4000-8000-000000000001';
const who = (id: string): Who => ({
  shopId: 's',
  personId: id,
  name: id,
  login: id,
  role: 'technician',
  bench: '',
  shopName: '',
  demo: false,
  settings: { hourlyRateMinor: 6000, currency: 'EUR', waits: leastWaits, methods: {}, stations: [] },
});

/**
 * Lost on the way there; lost on the way back; answered; delivered twice, as a proxy may that saw no answer; answered late,
 * when later requests have been; taken in part before the server went down.
 */
export const weathers = ['there', 'back', 'fine', 'twice', 'late', 'part'] as const;
type Weather = (typeof weathers)[number] | 'signed out';

/** A server that decides with the same core: one log, outcomes replayed, and a network that can be cut at either end. */
export class FakeServer {
  state: JobState;
  log: JobEvent[];
  outcomes = new Map<string, Answer['outcome']>();
  /** What happens to the next requests. */
  weather: Weather[] = [];
  /** How often news were asked for. */
  asked = 0;
  constructor() {
    const b = new Bench(index, plan, 'opener').open();
    this.state = b.state;
    this.log = b.log;
  }
  context = (person: string): Context => ({
    index,
    route: plan,
    waits: leastWaits,
    person,
    role: 'technician',
  });
  take(c: SentCommand): Answer {
    const known = this.outcomes.get(c.id);
    if (known) return { id: c.id, outcome: known };
    const d = decide(this.context(c.person), this.state, c as never);
    for (const e of d.events) {
      this.state = evolve(this.state, e);
      this.log.push(e);
    }
    const outcome: Answer['outcome'] = d.refused
      ? { status: 'refused', seq: this.state.seq, refused: d.refused, findings: d.findings }
      : {
          status: d.already ? 'already' : 'recorded',
          seq: this.state.seq,
          events: d.events,
          findings: d.findings,
        };
    this.outcomes.set(c.id, outcome);
    return { id: c.id, outcome };
  }
  fetch = async (url: string, init?: RequestInit): Promise<Response> => {
    const now = this.weather.shift() ?? 'fine';
    if (url !== '/commands') this.asked++;
    if (now === 'there') throw new TypeError('fetch failed');
    if (now === 'signed out') return new Response('{}', { status: 401 });
    const commands =
      url === '/commands' ? (JSON.parse(String(init!.body)) as { commands: SentCommand[] }).commands : [];
    if (now === 'twice') for (const c of commands) this.take(c);
    if (now === 'part') {
      for (const c of commands.slice(0, Math.ceil(commands.length / 2))) this.take(c);
      return new Response('', { status: 503 });
    }
    const body =
      url === '/commands'
        ? { answers: commands.map((c) => this.take(c)) }
        : {
            events: this.log.filter(
              (e) => e.seq > Number(new URL(url, 'http://x').searchParams.get('after')),
            ),
          };
    if (now === 'back') throw new TypeError('fetch failed');
    if (now === 'late') await new Promise((r) => setTimeout(r, 60));
    return Response.json(JSON.parse(JSON.stringify(body)));
  };
}
/** As in a browser that has never been here. */
async function emptyStore(): Promise<void> {
  await keptFor('');
  const db = await openDB('snavek');
  await Promise.all([...db.objectStoreNames].map((name) => db.clear(name)));
  db.close();
}

/** A server of whose log nothing is known here yet, behind the network that the tested code asks. */
export async function serverBehind(): Promise<FakeServer> {
  await emptyStore();
  const server = new FakeServer();
  vi.stubGlobal('navigator', {});
  vi.stubGlobal('fetch', server.fetch);
  setServerTime(Date.now());
  return server;
}
/** A tab of this person's, with its copy of the job and its outbox. */
export function bench(server: FakeServer, person = 'p1') {
  const w = who(person);
  const sender = new Sender(`s/${person}`, person);
  const page: JobPage = {
    id: job,
    number: 1,
    modelHash: 'h',
    variant: 'standard',
    model: index.model,
    state: server.state,
    route: plan,
    owner: null,
    signers: {},
    people: {},
    mat: [],
    modelNotes: [],
    spares: [],
    simulated: true,
    testerSimulated: true,
    gaugeSimulated: true,
    openedAt: 0,
    now: Date.now(),
  };
  const replica = new Replica(page, w, sender);
  return { replica, sender, stop: replica.start() };
}
export const out = (f: string): Body => ({ type: 'screwOut', fastener: f, piece: `${f}#1` });

/** Nothing waits any more, and the copy is where the server is. */
export const quiet = (server: FakeServer, b: ReturnType<typeof bench>) =>
  vi.waitFor(
    async () => {
      expect(await keptFor(b.sender.owner)).toEqual([]);
      expect(b.replica.view.kept).toBe(0);
      expect(b.replica.view.state.seq).toBe(server.state.seq);
    },
    { timeout: 15_000, interval: 20 },
  );

/** A bench that has read its outbox and fetched what there was. */
export async function begun(server: FakeServer) {
  const b = bench(server);
  await vi.waitFor(() => expect(server.asked).toBe(1));
  await quiet(server, b);
  await new Promise((r) => setTimeout(r, 20));
  return b;
}

export const screws = ['A1', 'A2', 'B1', 'B2', 'B3', 'B4', 'B5', 'B6'];
export const reportedBy = (server: FakeServer, person: string) =>
  server.log
    .filter((e) => e.by === person && e.body.type === 'screwOut')
    .map((e) => (e.body as { fastener: string }).fastener);
