import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Tests run in two workers, and each has a database cluster and a data folder of its own: what one stops, restores or counts
 * is not the other's. The first has the cluster that scripts/test-db.sh has made; every other makes one inside its folder,
 * where test-db.sh ends it.
 * @param worker from 0
 */
export function ownCluster(worker: number): void {
  const first = process.env.SNAVEK_DATA;
  if (worker === 0 || !first || first.endsWith(`worker-${worker}`)) return;
  process.env.SNAVEK_DATA = join(first, `worker-${worker}`);
  const cluster = (...verb: string[]) =>
    execFileSync('bash', ['scripts/pg.sh', ...verb], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
  const template = process.env.SNAVEK_TEMPLATE;
  // a worker may be several processes, one after another: the first makes it. Owners and rights of its files are kept
  if (template && !existsSync(process.env.SNAVEK_DATA)) {
    mkdirSync(process.env.SNAVEK_DATA, { recursive: true });
    execFileSync('cp', ['-a', `${template}/.`, process.env.SNAVEK_DATA]);
  }
  cluster('start');
  process.env.DATABASE_URL = cluster('url', 'snavek_test').trim();
}
