import type { Browser, Page } from '@playwright/test';

interface TraceEvent {
  name: string;
  ph: string;
  ts: number;
  dur?: number /** Processor time of the thread, µs. */;
  tdur?: number;
  pid: number;
  tid: number;
  args?: { name?: string };
}
/**
 * What the main thread does in each frame of 16.7 ms, from a trace of the browser: of the renderer's thread that does most,
 * a task within a task counted with the outer one. `work` is the thread's processor time, ms; `clock` also has the time in
 * which it waits for the compositor, or for a core that the drawing, the tracing and the server share with it.
 */
function workPerFrame(trace: Buffer): { work: number[]; clock: number[] } {
  const { traceEvents } = JSON.parse(trace.toString()) as { traceEvents: TraceEvent[] };
  const main = new Set(
    traceEvents
      .filter((e) => e.name === 'thread_name' && e.args?.name === 'CrRendererMain')
      .map((e) => `${e.pid} ${e.tid}`),
  );
  const tasks = new Map<string, TraceEvent[]>();
  for (const e of traceEvents)
    if (
      e.ph === 'X' &&
      (e.name === 'RunTask' || e.name.endsWith('::RunTask')) &&
      e.dur !== undefined &&
      main.has(`${e.pid} ${e.tid}`)
    ) {
      const key = `${e.pid} ${e.tid}`;
      const l = tasks.get(key);
      if (l) l.push(e);
      else tasks.set(key, [e]);
    }
  const total = (l: TraceEvent[]) => l.reduce((s, e) => s + e.dur!, 0);
  const busiest = [...tasks.values()].sort((a, b) => total(b) - total(a))[0] ?? [];
  const frames = new Map<number, { work: number; clock: number }>();
  let end = 0;
  for (const e of busiest.sort((a, b) => a.ts - b.ts || b.dur! - a.dur!)) {
    if (e.ts < end) continue;
    end = e.ts + e.dur!;
    const k = Math.floor(e.ts / 16_667);
    const f = frames.get(k) ?? { work: 0, clock: 0 };
    frames.set(k, { work: f.work + (e.tdur ?? e.dur!) / 1000, clock: f.clock + e.dur! / 1000 });
  }
  return { work: [...frames.values()].map((f) => f.work), clock: [...frames.values()].map((f) => f.clock) };
}

/** The main thread's work in each frame while something is done on a page, ms. */
export async function framesOf(
  chrome: Browser,
  page: Page,
  work: () => Promise<void>,
): Promise<{ work: number[]; clock: number[] }> {
  await chrome.startTracing(page, {
    categories: ['toplevel', 'devtools.timeline', 'disabled-by-default-devtools.timeline'],
  });
  await work();
  return workPerFrame(await chrome.stopTracing());
}
