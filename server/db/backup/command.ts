import { readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { checkLogs } from '../../use-cases/check-logs';
import { asOwner, closeOrm, databaseUrl, migrate } from '../orm';
import { plural } from '../../../words/things';
import { type Manifest, NoBackup } from './archive';
import { makeBackup } from './backup';
import { restoreBackup } from './restore';
import { testRestore } from './test-restore';

/** `npm run backup [-- FILE]` and `npm run restore -- FILE`: see scripts/backup.sh; `test FILE` is what a daily backup does after it. */
const [verb, named] = process.argv.slice(3);
const data = process.env.SNAVEK_DATA ?? '.data';
const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };
const stamp = new Date().toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
const file = resolve(named ?? join(data, 'backups', `snavek-${stamp}.tar`));
const said = ({ workshops, people, jobs, events }: Manifest['counts']) =>
  [
    plural(workshops, 'workshop'),
    plural(people, 'person', 'people'),
    plural(jobs, 'job'),
    plural(events, 'entry', 'entries'),
  ].join(', ');

try {
  if (verb === 'backup') {
    const made = await makeBackup(databaseUrl(), data, file, version);
    console.log(
      `${made.file}: ${said(made.counts)}; ${(made.bytes / 1e6).toFixed(1)} MB in ${(made.tookMs / 1000).toFixed(1)} s.`,
    );
  } else if (verb === 'test') {
    const found = await testRestore(file);
    for (const f of found.faults) console.error(`job ${f.job} of workshop ${f.shop}: ${f.what}`);
    if (found.faults.length)
      throw new NoBackup(`${found.faults.length} of ${found.jobs} jobs are not as their logs say.`);
    console.log(`A test restore came back whole: ${plural(found.jobs, 'log')} read.`);
  } else {
    const manifest = await restoreBackup(databaseUrl(), data, file);
    await asOwner(migrate);
    console.log(`Brought back as of ${manifest.madeAt}: ${said(manifest.counts)}.`);
    const found = await checkLogs();
    for (const f of found.faults) console.error(`job ${f.job} of workshop ${f.shop}: ${f.what}`);
    console.log(
      found.faults.length
        ? `${found.faults.length} of ${found.jobs} jobs are not as their logs say.`
        : `The logs of all ${found.jobs} jobs come to what their rows say.`,
    );
    if (found.faults.length) process.exitCode = 1;
  }
} catch (e) {
  if (!(e instanceof NoBackup)) throw e;
  console.error(e.message);
  process.exitCode = 1;
} finally {
  await closeOrm();
}
