// Builds build-tools/ (command line, planner's thread) when a source is newer. Silent unless it fails.
import { spawnSync } from 'node:child_process';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const built = join(root, 'build-tools/snavek.mjs');
const age = (f) => statSync(f, { throwIfNoEntry: false })?.mtimeMs ?? 0;
function newer(dir, than) {
  for (const e of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, e.name);
    if (e.isDirectory() ? newer(path, than) : /(?<!\.test)\.ts$/.test(e.name) && age(path) > than)
      return true;
  }
  return false;
}
/** @returns where the built tools are */
export function tools() {
  const since = age(built);
  if (
    !since ||
    ['cli', 'core', 'server/threads'].some((d) => newer(join(root, d), since)) ||
    age(join(root, 'vite.tools.config.ts')) > since
  ) {
    const r = spawnSync(
      process.execPath,
      [
        join(root, 'node_modules/vite/bin/vite.js'),
        'build',
        '--config',
        'vite.tools.config.ts',
        '--logLevel',
        'error',
      ],
      { cwd: root, encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } },
    );
    if (r.status !== 0) {
      console.error(r.stdout, r.stderr);
      process.exit(1);
    }
  }
  return built;
}
if (process.argv[1] === fileURLToPath(import.meta.url)) tools();
