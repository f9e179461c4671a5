// node scripts/near.mjs GRAPH.json REF SECONDS: runs the tests nearest to what has changed since REF, as many as fit into the time.
// GRAPH.json is what dependency-cruiser says of the imports. With REF `auto`: what is not committed, or else the last commit.
import { execFileSync, spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const [graphFile, ref, seconds] = process.argv.slice(2);
const git = (...args) => execFileSync('git', args, { encoding: 'utf8' }).split('\n').filter(Boolean);

function changedFiles() {
  const open = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
  if (ref !== 'auto') return [...git('diff', '--name-only', ref), ...open];
  return open.length ? open : git('diff', '--name-only', 'HEAD~1');
}
/** How long each test file took the last time that it ran here, s. */
function lastDurations() {
  const folder = 'node_modules/.vite/vitest';
  const out = new Map();
  for (const inside of readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((f) =>
    f.endsWith('results.json'),
  ))
    for (const [key, { duration }] of JSON.parse(readFileSync(join(folder, inside), 'utf8')).results)
      out.set(key.replace(/^[^:]*:/, ''), duration / 1000);
  return out;
}
/** Test files by how many imports they are away from a changed file. @returns {Map<string, number>} */
function testsByDistance(modules, changed) {
  const importers = new Map();
  for (const { source, dependencies } of modules)
    for (const { resolved } of dependencies)
      importers.set(resolved, [...(importers.get(resolved) ?? []), source]);
  const distance = new Map(changed.map((file) => [file, 0]));
  for (let ring = changed, far = 1; ring.length; far++) {
    const next = new Set(
      ring.flatMap((file) => importers.get(file) ?? []).filter((file) => !distance.has(file)),
    );
    for (const file of next) distance.set(file, far);
    ring = [...next];
  }
  return new Map([...distance].filter(([file]) => /\.test\.tsx?$/.test(file)));
}

const { modules } = JSON.parse(readFileSync(graphFile, 'utf8'));
const changed = [...new Set(changedFiles())];
/** They read the files themselves, and are as near to any change. */
const ofTheTree = ['exports', 'length', 'docs'].map((name) => [`core/testing/${name}.test.ts`, 0]);
const near = [...new Map([...ofTheTree, ...testsByDistance(modules, changed)])].toSorted(
  (a, b) => a[1] - b[1],
);
let durations = new Map();
try {
  durations = lastDurations();
} catch {
  // nothing has been run here yet
}
const usual = (file) => durations.get(file) ?? 2;
const isServer = (file) => file.startsWith('server/');
/** What one more file costs beside its tests: its modules; the first one of the server a database with the demo, too. */
const setUpS = (file, sofar) => (isServer(file) ? (sofar.some(isServer) ? 1 : 25) : 1);
// two workers
let left = 2 * Number(seconds);
const chosen = [];
for (const [file] of near) {
  const costs = usual(file) + setUpS(file, chosen);
  if (costs > left) continue;
  left -= costs;
  chosen.push(file);
}
const server = chosen.filter(isServer);
const others = chosen.filter((file) => !isServer(file));
const run = (command, ...args) => spawnSync(command, args, { stdio: 'inherit' }).status ?? 1;
let status = 0;
if (others.length)
  status ||= run('node_modules/.bin/vitest', 'run', '--project=unit', '--project=app', ...others);
if (server.length)
  status ||= run(
    'bash',
    'scripts/test-db.sh',
    'node_modules/.bin/vitest',
    'run',
    '--project=integration',
    '--project=alone',
    ...server,
  );
console.log(
  `${changed.length} files changed: ${chosen.length} test files nearest to them were run` +
    (near.length > chosen.length
      ? `, ${near.length - chosen.length} further away were not: npm test runs them`
      : ''),
);
process.exit(status);
