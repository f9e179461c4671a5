import { createRequestHandler } from '@react-router/express';
import express, { type Request as ExpressRequest, type Response as ExpressResponse } from 'express';
import { RouterContextProvider } from 'react-router';
import { bodyLimitBytes, nonceContext, peerContext, whoContext } from '../app/context';
import { action as takeCommands } from '../app/routes/work/commands';
import { isPlainText } from '../core/log/plain-text';
import { sessionAsks } from './auth/session';
import { appUrl } from './db/app-role';
import { closeBus, getBus } from './db/bus';
import {
  asOwner,
  canWrite,
  closeOrm,
  databaseUrl,
  getOrm,
  isDatabaseAway,
  migrate,
  migrationsApplied,
  oneAtATime,
} from './db/orm';
import { log, loggedPath } from './log';
import { seedDemo, shipModels } from './seed/seed';
import { endPlanner } from './planner';
import { setUpCode } from './auth/set-up-code';
import { setUpOpen } from './use-cases/set-up';
import { stopping } from './shutdown';
import { endQueue, startQueue } from './tasks/queue';
import { countRequest, mayReadMetrics, metricsText, metricsType } from './metrics';
import { mostBytes } from './archive/layout';
import { modelLimitBytes } from './use-cases/library';
import { photoLimitBytes } from '../core/log/photo-limit';

export const app = express();
app.disable('x-powered-by');
const mb = (bytes: number) => Math.round(bytes / 100_000) / 10;
let warm = false;

/** Ready = the database answers, migrations are applied, and a first page has been rendered. */
app.get('/healthz', async (_req, res) => {
  let database = false;
  let migrations = false;
  let writable = false;
  try {
    const orm = await getOrm();
    migrations = await migrationsApplied(orm.em);
    database = true;
    writable = await canWrite(orm.em);
  } catch {
    /* said below */
  }
  const ok = database && migrations && writable && warm;
  res.status(ok ? 200 : 503).json({ ok, database, writable, migrations, warm });
});

/** What is running, in figures: for whoever watches the machine, not for people of a workshop. */
app.get('/metrics', async (req, res) => {
  if (!mayReadMetrics(req)) {
    res.status(403).json({ error: 'from this machine only, or with a token' });
    return;
  }
  res.set('Content-Type', metricsType).send(await metricsText());
});

// what no address of this app has is refused before anything is asked of it: a host that is none, a NUL, half a character
app.use((req, res, next) => {
  const host = req.headers.host ?? '';
  let path: string | undefined;
  try {
    path = decodeURIComponent(req.url.replaceAll('+', ' '));
  } catch {
    /* malformed escapes: said below */
  }
  if (
    !/^[A-Za-z0-9.-]+(:\d{1,5})?$|^\[[0-9A-Fa-f:.]+\](:\d{1,5})?$/.test(host) ||
    path === undefined ||
    !isPlainText(path)
  ) {
    res.status(400).json({ error: 'the address is malformed' });
    return;
  }
  next();
});

// the log's pages may be long, but nobody types five megabytes into one command; a photograph may be larger
const limitFor = (path: string) =>
  path === '/take-in'
    ? mostBytes
    : path === '/bring-in'
      ? modelLimitBytes
      : /^\/jobs\/[^/]+\/photos\//.test(path)
        ? photoLimitBytes
        : 1_000_000;
app.use((req, res, next) => {
  const length = Number(req.headers['content-length'] ?? 0);
  const limitBytes = limitFor(req.path);
  if (length > limitBytes) {
    res.status(413).json({
      error: `too large: ${mb(length)} MB, at most ${mb(limitBytes)} MB`,
      limitBytes,
      gotBytes: length,
    });
    return;
  }
  next();
});

app.use((req, res, next) => {
  const began = process.hrtime.bigint();
  res.on('finish', () => {
    if (req.url.startsWith('/assets/')) return;
    countRequest(req.method, res.statusCode, Number(process.hrtime.bigint() - began) / 1e6);
    log[res.statusCode >= 500 ? 'error' : 'info'](
      {
        method: req.method,
        path: loggedPath(req.url),
        status: res.statusCode,
        ms: Number(process.hrtime.bigint() - began) / 1e6,
      },
      'request',
    );
  });
  next();
});

/** What a request comes with beside itself: who asks, from where, and the word by which its page knows its scripts. */
async function contextOf(req: ExpressRequest, res: ExpressResponse): Promise<RouterContextProvider> {
  const context = new RouterContextProvider();
  const asks = await sessionAsks(req.headers.cookie).catch((e: Error) => e);
  context.set(peerContext, req.socket.remoteAddress ?? 'unknown');
  context.set(nonceContext, res.locals.nonce ?? '');
  context.set(
    whoContext,
    asks instanceof Error
      ? { state: 'no database', why: asks.message }
      : asks
        ? { state: asks.locked ? 'locked' : 'known', who: asks.who }
        : { state: 'nobody' },
  );
  return context;
}

/*
 * The one address that every press of every bench goes to is answered here: the router's own way there takes longer than
 * the answer. Its rules are those of its route.
 */
app.post('/commands', async (req, res) => {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of req as AsyncIterable<Buffer>) {
    size += chunk.byteLength;
    // what is too long is refused where it is read; no more of it is taken in than shows that it is
    if (size - chunk.byteLength <= bodyLimitBytes) chunks.push(chunk);
  }
  const request = new Request(`${req.protocol}://${req.headers.host}${req.url}`, {
    method: 'POST',
    headers: Object.entries(req.headers).flatMap(([name, value]) =>
      typeof value === 'string' ? [[name, value] as [string, string]] : [],
    ),
    body: Buffer.concat(chunks),
  });
  const answer = await takeCommands({ request, context: await contextOf(req, res) }).catch((e: unknown) => {
    if (e instanceof Response) return e;
    log.error({ err: e }, 'commands failed');
    return Response.json({ error: 'that went wrong here' }, { status: 500 });
  });
  res
    .status(answer.status)
    .type('json')
    .set('Cache-Control', 'no-store')
    .send(await answer.text());
});

const build = () => import('virtual:react-router/server-build');
app.use(
  createRequestHandler({
    // given as a function, it is asked, and all its routes are ranked anew, at every request: right while one develops
    build: import.meta.env.PROD ? await build() : build,
    getLoadContext: contextOf,
  }),
);

/** Waits for a database that is still away, as after a power cut when all start at once. */
async function whenReachable<T>(work: () => Promise<T>): Promise<T> {
  for (let waitMs = 500; ; waitMs = Math.min(waitMs * 1.6, 10_000)) {
    try {
      return await work();
    } catch (e) {
      if (!isDatabaseAway(e)) throw e;
      log.warn({ why: (e as Error).message }, 'the database cannot be reached yet: waiting');
      await new Promise((r) => setTimeout(r, waitMs));
    }
  }
}
export async function start(): Promise<void> {
  await whenReachable(() => asOwner(migrate));
  await oneAtATime('start', async () => {
    if (process.env.SNAVEK_DEMO !== '1') await shipModels();
    else if (await seedDemo(Date.now())) log.info('demo workshop made');
  });
  getBus(appUrl(databaseUrl()));
  await startQueue();
}
/** The code with which the first workshop is founded; undefined where there is one. */
export const firstCode = async (): Promise<string | undefined> =>
  (await setUpOpen()) ? setUpCode() : undefined;
/** For the demo outside loopback: what its people sign in with. */
export { demoPassword } from './seed/demo-password';
/** Renders a first page, which takes seconds, before anybody is told that the server is ready. */
export async function warmUp(origin: string): Promise<void> {
  await fetch(`${origin}/sign-in`).then((r) => r.text());
  warm = true;
}
export function endStreams(): void {
  stopping.abort();
}
export async function stop(): Promise<void> {
  await endQueue();
  await endPlanner();
  await closeBus();
  await closeOrm();
  log.flush();
}
