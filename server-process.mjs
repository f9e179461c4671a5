// One process of the app: all of it, or one of several behind one port (server.mjs).
import cluster from 'node:cluster';
import compression from 'compression';
import express from 'express';
import helmet from 'helmet';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import { join } from 'node:path';

const production = process.env.NODE_ENV === 'production';
const port = Number(process.env.PORT ?? 4310);
const host = process.env.HOST ?? '127.0.0.1';
const loopback = ['127.0.0.1', 'localhost', '::1'].includes(host);
const data = process.env.SNAVEK_DATA ?? '.data';

/** Of several processes the first that is ready says it for all. */
const said = (text) => (cluster.isWorker ? process.send?.({ said: text }) : console.log(text));

let ending = false;
const app = express();
// once it is asked to stop, a kept-alive connection takes no new stream
app.use((_req, res, next) => {
  if (ending) {
    res.set('Connection', 'close').status(503).end();
    return;
  }
  next();
});
app.disable('x-powered-by');
// never compress an event stream: compression would hold the events back; nor the short answers to commands, which it only delays
app.use(
  compression({
    filter: (req, res) =>
      req.path !== '/commands' &&
      !String(res.getHeader('Content-Type') ?? '').startsWith('text/event-stream') &&
      compression.filter(req, res),
  }),
);
app.use((_req, res, next) => {
  res.locals.nonce = randomBytes(16).toString('base64');
  next();
});
app.use(
  helmet({
    contentSecurityPolicy: production
      ? {
          directives: {
            'script-src': ["'self'", (_req, res) => `'nonce-${res.locals.nonce}'`],
            'object-src': ["'none'"],
            'base-uri': ["'none'"],
            'frame-ancestors': ["'none'"],
            'style-src': ["'self'", "'unsafe-inline'"],
            'img-src': ["'self'", 'data:', 'blob:'],
            'connect-src': ["'self'"],
            'upgrade-insecure-requests': null,
          },
        }
      : false,
    strictTransportSecurity: loopback ? false : undefined,
    crossOriginEmbedderPolicy: false,
  }),
);
let main;
if (production) {
  app.use(
    '/assets',
    express.static('build/client/assets', { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  // a newer app must be seen at once
  app.get('/sw.js', (_req, res, next) => {
    res.set('Cache-Control', 'no-cache');
    next();
  });
  app.use(
    express.static('build/client', {
      setHeaders: (res, path) => {
        if (path.endsWith('sw.js')) res.set('Cache-Control', 'no-cache');
      },
      maxAge: '1h',
      index: false,
    }),
  );
  main = await import('./build/server/index.js');
  app.use(main.app);
} else {
  (await import('./scripts/tools.mjs')).tools();
  const vite = await (await import('vite')).createServer({ server: { middlewareMode: true } });
  app.use(vite.middlewares);
  const load = () => vite.ssrLoadModule('./server/app.ts');
  app.use(async (req, res, next) => {
    try {
      (await load()).app(req, res, next);
    } catch (e) {
      vite.ssrFixStacktrace(e);
      next(e);
    }
  });
  main = await load();
}
await main.start();

// outside loopback a secure context is needed: a certificate of one's own, or the one that the start script made
const key = process.env.TLS_KEY ?? join(data, 'tls-key.pem');
const cert = process.env.TLS_CERT ?? join(data, 'tls-cert.pem');
const tls = !loopback && existsSync(key) && existsSync(cert);
if (!loopback && !tls) {
  console.error(
    `HOST=${host} is not loopback: set TLS_KEY and TLS_CERT, or start with npm run workshop, which makes a certificate.`,
  );
  process.exit(1);
}
if (tls) process.env.SNAVEK_TLS = '1';
const server = tls
  ? createTlsServer({ key: readFileSync(key), cert: readFileSync(cert) }, app)
  : createServer(app);
// a connection that is let go of while a request is on its way over it ends in an error there: whoever keeps some, as a
// proxy does for a minute (from memory), must be the first to let go
server.keepAliveTimeout = 75_000;
server.headersTimeout = 80_000;
server.on('error', (e) => {
  console.error(
    e.code === 'EADDRINUSE' ? `Port ${port} is taken: choose another one with PORT=....` : e.message,
  );
  process.exit(1);
});
server.listen(port, host, async () => {
  const origin = `${tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${server.address().port}`;
  if (tls) process.env.NODE_TLS_REJECT_UNAUTHORIZED ??= '0';
  await main.warmUp(origin);
  if (tls) delete process.env.NODE_TLS_REJECT_UNAUTHORIZED;
  said(`Snavek is ready on ${origin}`);
  if (process.env.SNAVEK_DEMO !== '1') {
    const code = await main.firstCode();
    if (code) said(`There is no workshop yet. Open ${origin}/set-up and give the code ${code}`);
    return;
  }
  if (loopback) {
    said('Sign in with one click as Ines (owner), Marek (lead), Tova (technician) or Bo (trainee).');
    return;
  }
  const { password, made, file } = await main.demoPassword();
  said(
    made
      ? `Sign in as ines, marek, tova or bo with the password ${password} (made just now, kept in ${file}).`
      : `Sign in as ines, marek, tova or bo; the password stands in ${file}.`,
  );
});

async function end(signal) {
  if (ending) return;
  ending = true;
  const force = setTimeout(() => process.exit(1), 10_000);
  force.unref();
  main.endStreams();
  const closed = new Promise((r) => server.on('close', r));
  server.close();
  const idle = setInterval(() => server.closeIdleConnections(), 50);
  await closed;
  clearInterval(idle);
  await main.stop();
  said(`stopped by ${signal}`);
  process.exit(0);
}
// whoever started it is gone: nobody would end it any more
if (cluster.isWorker) process.on('disconnect', () => end('disconnect'));
process.on('SIGTERM', () => end('SIGTERM'));
process.on('SIGINT', () => end('SIGINT'));
