import cluster from 'node:cluster';
import { timingSafeEqual } from 'node:crypto';
import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Request } from 'express';
import { AggregatorRegistry, collectDefaultMetrics, Counter, Gauge, Histogram, register } from 'prom-client';
import type { Answer } from '../core/wire/commands';
import { poolOf } from './db/orm';
import { backupFolder, backupName } from './tasks/back-up';

/** Figures of a running installation, in Prometheus' text format: https://prometheus.io/docs/instrumenting/exposition_formats/ */
// default ones: processor, memory, event-loop lag, collections
if (!register.getSingleMetric('process_cpu_seconds_total')) collectDefaultMetrics();

// what is made here answers when the first process asks
if (cluster.isWorker) new AggregatorRegistry();

const requests = new Histogram({
  name: 'snavek_http_request_seconds',
  help: 'Requests by method and kind of answer, seconds until it is sent.',
  labelNames: ['method', 'status'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5],
});
const commands = new Counter({
  name: 'snavek_commands_total',
  help: 'Commands of benches by what came of them.',
  labelNames: ['outcome'],
});
const keptSeconds = new Histogram({
  name: 'snavek_command_kept_seconds',
  help: 'How old a command was when it arrived: what a bench kept while it had no server.',
  buckets: [1, 5, 30, 120, 600, 3600, 86_400],
});
/** What each bench said last of its outbox, and when. */
const kept = new Map<string, { n: number; at: number }>();
const benchMs = 600_000;
new Gauge({
  name: 'snavek_bench_kept_commands',
  help: 'Commands that benches heard of within ten minutes still kept when they sent last.',
  aggregator: 'sum',
  collect() {
    const now = Date.now();
    for (const [bench, { at }] of kept) if (now - at > benchMs) kept.delete(bench);
    this.set([...kept.values()].reduce((sum, { n }) => sum + n, 0));
  },
});
new Gauge({
  name: 'snavek_database_connections',
  help: 'Connections of the pool: used, free, and requests that wait for one.',
  labelNames: ['state'],
  aggregator: 'sum',
  async collect() {
    for (const [state, n] of Object.entries(await poolOf())) this.set({ state }, n);
  },
});
new Gauge({
  name: 'snavek_backup_age_seconds',
  help: 'Age of the latest backup beside the data; none where there is none.',
  aggregator: 'min',
  async collect() {
    const names = (await readdir(backupFolder()).catch(() => [])).filter((name) => backupName.test(name));
    const times = await Promise.all(
      names.map(async (name) => (await stat(join(backupFolder(), name))).mtimeMs),
    );
    if (times.length) this.set((Date.now() - Math.max(...times)) / 1000);
  },
});

export const countRequest = (method: string, status: number, ms: number): void =>
  requests.observe({ method, status: `${Math.floor(status / 100)}xx` }, ms / 1000);
/**
 * Counts what came of commands.
 * @param made when each was made, ms, by the bench's clock
 */
export function countCommands(answers: readonly Answer[], made: readonly unknown[], now: number): void {
  for (const { outcome } of answers) commands.inc({ outcome: outcome.status });
  for (const at of made) if (typeof at === 'number' && at <= now) keptSeconds.observe((now - at) / 1000);
}
/** Notes how many commands a bench keeps beside those that it sends. */
export function noteKept(bench: string | undefined, said: string | null): void {
  const n = Number(said);
  if (bench && said !== null && Number.isInteger(n) && n >= 0 && n < 1e6)
    kept.set(bench, { n, at: Date.now() });
}

/** Only this machine itself, unless a token is set and given; what came through a proxy is not this machine. */
export function mayReadMetrics(req: Request): boolean {
  const token = process.env.SNAVEK_METRICS_TOKEN;
  const given = /^Bearer (.+)$/.exec(req.headers.authorization ?? '')?.[1];
  if (token && given) {
    const [a, b] = [Buffer.from(token), Buffer.from(given)];
    return a.length === b.length && timingSafeEqual(a, b);
  }
  const proxied = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip'].some(
    (h) => req.headers[h],
  );
  return !proxied && /^(127\.|::1$|::ffff:127\.)/.test(req.socket.remoteAddress ?? '');
}
let asked = 0;
/** The figures of this process, or of all that share its port. */
export async function metricsText(): Promise<string> {
  if (!cluster.isWorker || !process.send) return register.metrics();
  const figures = ++asked;
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => {
      process.off('message', hear);
      reject(new Error('the other processes did not answer'));
    }, 6000);
    const hear = (message: { figures?: number; text?: string } | undefined) => {
      if (message?.figures !== figures) return;
      clearTimeout(late);
      process.off('message', hear);
      resolve(message.text ?? '');
    };
    process.on('message', hear);
    process.send!({ figures });
  });
}
export const metricsType = register.contentType;
