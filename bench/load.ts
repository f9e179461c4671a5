import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { figure, percentile } from './figures';

const clients = 50;
const seconds = 60;
/** Resident memory of a process, MB. */
const memoryMb = (pid: number) =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;

/**
 * Fifty clients for a minute, mixed as a workshop mixes them: pages of the bench and of jobs, strips, news and entries.
 * Tells requests a second, the time that 95 of 100 take, how long the server lets a small request wait, and what it
 * holds in memory before and after.
 */
export async function benchLoad(
  server: ChildProcess,
  origin: string,
  cookies: readonly string[],
  person: string,
  jobs: readonly string[],
  open: string,
): Promise<void> {
  const before = memoryMb(server.pid!);
  const times: number[] = [];
  const lags: number[] = [];
  let failed = 0;
  const end = performance.now() + seconds * 1000;
  const ask = async (path: string, cookie: string, body?: unknown) => {
    const began = performance.now();
    const res = await fetch(origin + path, {
      headers: { cookie, ...(body ? { 'content-type': 'application/json' } : {}) },
      ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
    });
    await res.arrayBuffer();
    if (res.status >= 400) failed++;
    times.push(performance.now() - began);
  };
  const client = async (n: number) => {
    const cookie = cookies[n % cookies.length]!;
    for (let k = n; performance.now() < end; k++) {
      const job = jobs[(k * 7) % jobs.length]!;
      switch (k % 10) {
        case 0:
          await ask('/', cookie);
          break;
        case 1:
          await ask(`/jobs/${open}/work`, cookie);
          break;
        case 2:
          await ask(`/jobs/${job}/log`, cookie);
          break;
        case 3:
        case 4:
          await ask('/open-jobs', cookie);
          break;
        case 5:
        case 6:
          await ask(`/jobs/${job}/events?after=40`, cookie);
          break;
        default:
          await ask('/commands', cookie, {
            commands: [
              {
                id: randomUUID(),
                job,
                person,
                body: { type: 'noted', text: 'load' },
                at: Date.now(),
                clockKnown: true,
              },
            ],
          });
      }
    }
  };
  // a file of a few bytes that nothing has to be worked out for: what it waits is the event loop's lag
  const watch = async () => {
    while (performance.now() < end) {
      const began = performance.now();
      await fetch(`${origin}/icon.svg`).then((r) => r.arrayBuffer());
      lags.push(performance.now() - began);
      await new Promise((r) => setTimeout(r, 100));
    }
  };
  await Promise.all([watch(), ...Array.from({ length: clients }, (_, n) => client(n))]);
  const after = memoryMb(server.pid!);
  const what = `${clients} clients mixed, ${seconds} s`;
  figure({ what: `${what}: requests a second`, value: times.length / seconds, unit: '1/s' });
  figure({ what: `${what}: 95 % take up to`, value: percentile(times, 0.95), unit: 'ms' });
  figure({ what: `${what}: a small file waits, 95 %`, value: percentile(lags, 0.95), unit: 'ms' });
  figure({ what: `${what}: answers of 4xx and 5xx`, value: failed, unit: '', aim: '0', ok: failed === 0 });
  figure({ what: `${what}: memory at the start`, value: before, unit: 'MB' });
  figure({
    what: `${what}: memory at the end`,
    value: after,
    unit: 'MB',
    reference: { what: 'at the start', value: before },
  });
}
