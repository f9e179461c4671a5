import type { ScheduleProblem } from '../schedule/problem';

/** What is wrong with a schedule, by the definition alone: releases, lags, and how many use a thing at each moment. */
export function scheduleFaults(p: ScheduleProblem, starts: Record<string, number>): string[] {
  const out: string[] = [];
  const end = new Map<string, number>();
  for (const job of p.jobs)
    for (const o of job.operations) {
      const start = starts[o.id];
      if (start === undefined || !Number.isFinite(start)) out.push(`${o.id} has no start`);
      else {
        if (start < job.release - 1e-6) out.push(`${o.id} begins before its job is there`);
        end.set(o.id, start + o.duration);
      }
    }
  for (const { from, to, minLag, maxLag } of p.precedences) {
    const lag = starts[to]! - end.get(from)!;
    if (lag < minLag - 1e-6) out.push(`${to} is ${minLag - lag} too early after ${from}`);
    if (maxLag !== null && lag > maxLag + 1e-6) out.push(`${to} is ${lag - maxLag} too late after ${from}`);
  }
  for (const { id, capacity } of p.resources) {
    const users = p.jobs.flatMap((j) => j.operations).filter((o) => o.needs.includes(id) && o.duration > 0);
    // the number in use changes at a start alone upwards
    for (const at of users.map((o) => starts[o.id]!)) {
      const running = users.filter((o) => starts[o.id]! <= at + 1e-6 && end.get(o.id)! > at + 1e-6);
      if (running.length > capacity) out.push(`${running.map((o) => o.id).join(', ')} need ${id} at ${at}`);
    }
  }
  return out;
}
/** Its makespan and weighted tardiness, by the definition alone. */
export function scheduleCosts(
  p: ScheduleProblem,
  starts: Record<string, number>,
): { makespan: number; tardiness: number } {
  let [makespan, tardiness] = [0, 0];
  for (const job of p.jobs) {
    const end = Math.max(job.release, ...job.operations.map((o) => starts[o.id]! + o.duration));
    if (job.operations.length) makespan = Math.max(makespan, end);
    if (job.due !== null) tardiness += job.weight * Math.max(0, end - job.due);
  }
  return { makespan, tardiness };
}
