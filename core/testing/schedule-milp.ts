import type { ScheduleProblem } from '../schedule/problem';

/**
 * The same problem as a mixed-integer programme in the LP format, by whole steps of time: x is 1 where an operation begins
 * in a step (A. Pritsker, L. Watters and P. Wolfe, Management Science 16, 1969). For small whole numbers.
 */
export function scheduleMilp(p: ScheduleProblem, horizon: number): string {
  const operations = p.jobs.flatMap((job, j) => job.operations.map((o) => ({ ...o, job, j })));
  const at = new Map(operations.map((o, i) => [o.id, i]));
  const x = (i: number, t: number) => `x${i}_${t}`;
  const times = (i: number) => {
    const { job, duration } = operations[i]!;
    const out: number[] = [];
    for (let t = job.release; t + duration <= horizon; t++) out.push(t);
    return out;
  };
  const start = (i: number, sign = '+') =>
    times(i)
      .filter((t) => t > 0)
      .map((t) => `${sign} ${t} ${x(i, t)}`)
      .join(' ') || `${sign} 0 ${x(i, times(i)[0]!)}`;
  const rows: string[] = [];
  const add = (row: string) => rows.push(` c${rows.length}: ${row}`);
  operations.forEach((_, i) =>
    add(
      `${times(i)
        .map((t) => `+ ${x(i, t)}`)
        .join(' ')} = 1`,
    ),
  );
  for (const { from, to, minLag, maxLag } of p.precedences) {
    const [i, j] = [at.get(from)!, at.get(to)!];
    const d = operations[i]!.duration;
    add(`${start(j)} ${start(i, '-')} >= ${d + minLag}`);
    if (maxLag !== null) add(`${start(j)} ${start(i, '-')} <= ${d + maxLag}`);
  }
  for (const { id, capacity } of p.resources)
    for (let t = 0; t < horizon; t++) {
      const running = operations.flatMap((o, i) =>
        o.needs.includes(id)
          ? times(i)
              .filter((s) => s <= t && t < s + o.duration)
              .map((s) => `+ ${x(i, s)}`)
          : [],
      );
      if (running.length) add(`${running.join(' ')} <= ${capacity}`);
    }
  operations.forEach((o, i) => {
    if (p.objective === 'makespan') add(`e ${start(i, '-')} >= ${o.duration}`);
    else if (o.job.due !== null) add(`l${o.j} ${start(i, '-')} >= ${o.duration - o.job.due}`);
  });
  const late = p.jobs.flatMap((job, j) => (job.due === null ? [] : [`${job.weight} l${j}`]));
  const goal = p.objective === 'makespan' ? 'e' : late.join(' + ') || '0 x0_0';
  const binaries = operations.flatMap((_, i) => times(i).map((t) => x(i, t)));
  return `Minimize\n goal: ${goal}\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd\n`;
}
