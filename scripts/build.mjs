// Builds the app when a source is newer than the last build; `--force` always. Prints one line.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { tools } from './tools.mjs';

tools();

const stamp = 'build/.sources';
const files = (dir) =>
  readdirSync(dir, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? files(join(dir, e.name)) : [join(dir, e.name)],
  );
const sources = ['app', 'core', 'forms', 'words', 'server', 'demo', 'public']
  .flatMap(files)
  .concat([
    'vite.config.ts',
    'vite.single-file.config.ts',
    'react-router.config.ts',
    'package-lock.json',
    'scripts/build.mjs',
    'scripts/antd-css.mjs',
  ])
  .filter((f) => !/\.test\.tsx?$/.test(f) && f !== join('app', 'antd.css') && existsSync(f))
  .sort();
const hash = createHash('sha256');
for (const f of sources) hash.update(f).update(statSync(f).size.toString()).update(readFileSync(f));
const now = hash.digest('hex');
if (!process.argv.includes('--force') && existsSync(stamp) && readFileSync(stamp, 'utf8') === now)
  process.exit(0);
console.log('building');
for (const [program, ...args] of [
  [process.execPath, 'scripts/antd-css.mjs'],
  [process.execPath, 'node_modules/@react-router/dev/bin.js', 'build'],
  ...['sw', 'device'].map((file) => [
    process.execPath,
    ...['node_modules/vite/bin/vite.js', 'build', '--config', 'vite.single-file.config.ts'],
    ...['--mode', file, '--logLevel', 'error'],
  ]),
]) {
  const r = spawnSync(program, args, { encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } });
  if (r.status !== 0) {
    console.error(r.stdout, r.stderr);
    process.exit(1);
  }
}
// what the service worker keeps: every file of the app; names in assets/ carry their own revision
const kept = files('build/client')
  // a repaired phone is not at the bench for long, and keeps nothing
  .filter((f) => !f.endsWith('sw.js') && !f.endsWith('client/device.js'))
  .map((f) => ({
    url: `/${f.slice('build/client/'.length)}`,
    revision: f.includes('/assets/')
      ? null
      : createHash('sha256').update(readFileSync(f)).digest('hex').slice(0, 16),
  }));
const worker = readFileSync('build/client/sw.js', 'utf8');
if (!worker.includes('self.__WB_MANIFEST')) {
  console.error('the service worker does not name its list of files');
  process.exit(1);
}
writeFileSync('build/client/sw.js', worker.replace('self.__WB_MANIFEST', JSON.stringify(kept)));
writeFileSync(stamp, now);
