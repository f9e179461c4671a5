import { createRequestHandler } from '@react-router/express';
import express from 'express';
import { RouterContextProvider } from 'react-router';
import { peerContext, whoContext } from '../app/context';
import { whoAsks } from './auth/session';
import { appUrl } from './db/app-role';
import { closeBus, getBus } from './db/bus';
import { asOwner, closeOrm, databaseUrl, getOrm, migrate, migrationsApplied } from './db/orm';
import { log } from './log';
import { seedDemo, shipModels } from './seed/seed';
import { endPlanner } from './planner';
import { stopping } from './shutdown';
import { photoLimitBytes } from '../core/job/photo-limit';

export const app = express();
app.disable('x-powered-by');
const mb = (bytes: number) => Math.round(bytes / 100_000) / 10;
let warm = false;

/** Ready = the database answers, migrations are applied, and a first page has been rendered. */
app.get('/healthz', async (_req, res) => {
  let database = false;
  let migrations = false;
  try {
    const orm = await getOrm();
    migrations = await migrationsApplied(orm.em);
    database = true;
  } catch {
    /* said below */
  }
  const ok = database && migrations && warm;
  res.status(ok ? 200 : 503).json({ ok, database, migrations, warm });
});

// the log's pages may be long, but nobody types five megabytes into one command; a photograph may be larger
const limitFor = (path: string) => (/^\/jobs\/[^/]+\/photos\//.test(path) ? photoLimitBytes : 1_000_000);
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
    log[res.statusCode >= 500 ? 'error' : 'info'](
      {
        method: req.method,
        path: req.url.split('?')[0],
        status: res.statusCode,
        ms: Number(process.hrtime.bigint() - began) / 1e6,
      },
      'request',
    );
  });
  next();
});

const build = () => import('virtual:react-router/server-build');
app.use(
  createRequestHandler({
    // given as a function, it is asked, and all its routes are ranked anew, at every request: right while one develops
    build: import.meta.env.PROD ? await build() : build,
    async getLoadContext(req) {
      const context = new RouterContextProvider();
      const url = `${req.protocol}://${req.headers.host ?? 'localhost'}${req.url}`;
      const who = await whoAsks(new Request(url, { headers: { cookie: req.headers.cookie ?? '' } })).catch(
        (e: Error) => e,
      );
      context.set(peerContext, req.socket.remoteAddress ?? 'unknown');
      context.set(
        whoContext,
        who instanceof Error
          ? { state: 'no database', why: who.message }
          : who
            ? { state: 'known', who }
            : { state: 'nobody' },
      );
      return context;
    },
  }),
);

export async function start(): Promise<void> {
  await asOwner(migrate);
  if (process.env.SNAVEK_DEMO === '1') {
    if (await seedDemo(Date.now())) log.info('demo workshop made');
  } else await shipModels();
  getBus(appUrl(databaseUrl()));
}
/** Renders a first page, which takes seconds, before anybody is told that the server is ready. */
export async function warmUp(origin: string): Promise<void> {
  await fetch(`${origin}/sign-in`).then((r) => r.text());
  warm = true;
}
export function endStreams(): void {
  stopping.abort();
}
export async function stop(): Promise<void> {
  await endPlanner();
  await closeBus();
  await closeOrm();
  log.flush();
}
