import { readFileSync } from 'node:fs';
import type { ScheduleProblem } from '../schedule/problem';

/** A job shop of the literature: for each job its machines and times in their order, and the published optimum. */
export interface JobShop {
  name: string;
  machines: number;
  jobs: [machine: number, time: number][][];
  optimum: number;
  source: string;
}
/** H. Fisher and G. L. Thompson 1963; S. Lawrence 1984; the instances stand in a file beside this, with their sources. */
export const jobShops = (): JobShop[] =>
  JSON.parse(readFileSync(new URL('./job-shops.json', import.meta.url), 'utf8')) as JobShop[];
export const shopProblem = ({ jobs, machines }: JobShop): ScheduleProblem => ({
  resources: Array.from({ length: machines }, (_, m) => ({ id: `m${m}`, capacity: 1 })),
  jobs: jobs.map((operations, j) => ({
    id: `j${j}`,
    release: 0,
    due: null,
    weight: 1,
    operations: operations.map(([m, duration], k) => ({ id: `${j}/${k}`, duration, needs: [`m${m}`] })),
  })),
  precedences: jobs.flatMap((operations, j) =>
    operations.slice(1).map((_, k) => ({ from: `${j}/${k}`, to: `${j}/${k + 1}`, minLag: 0, maxLag: null })),
  ),
  objective: 'makespan',
});
