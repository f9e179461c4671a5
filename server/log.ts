import pino from 'pino';

/** Structured log lines on standard error; no names, no passcodes, no bodies of requests. */
export const log = pino(
  { level: process.env.LOG_LEVEL ?? 'info', base: { app: 'snavek' } },
  pino.destination({ fd: 2, sync: false }),
);

/** What the log says of an address: without what was asked, and without a link's secret. */
export const loggedPath = (url: string): string =>
  url.split('?')[0]!.replace(/^\/(d|invite|calendar)\/[^/.]+/, '/$1/…');
