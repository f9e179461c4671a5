// npm test            everything: installs what is missing, then types, lint, borders, build, unit, integration, attack, browser
// npm run check       in a minute: types, lint, borders and the tests nearest to what has changed (-- --since REF)
// npm run test:long   the unit tests with every case of their large searches and comparisons
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { runStages } from './stages.mjs';
import { keepTimes, sayTimes, testsOf } from './times.mjs';

const root = fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '');
process.chdir(root);
const [what = 'all', ...more] = process.argv.slice(2);
const since = more[0] === '--since' ? more[1] : 'auto';
if (!['all', 'check', 'long'].includes(what) || (more.length && !(what === 'check' && more.length === 2))) {
  console.error('known: npm test, npm run check [-- --since REF], npm run test:long');
  process.exit(2);
}
const logs = mkdtempSync(join(tmpdir(), 'snavek-run.'));
process.on('exit', () => rmSync(logs, { recursive: true, force: true }));
// the cluster that tests begin with, in memory where there is some
const template = mkdtempSync(join(existsSync('/dev/shm') ? '/dev/shm' : tmpdir(), 'snavek-template.'));
process.on('exit', () => rmSync(template, { recursive: true, force: true }));
const report = (name) => join(logs, `${name}.json`);

const bin = (name, ...args) => [`node_modules/.bin/${name}`, ...args];
const node = (...args) => [process.execPath, ...args];
const bash = (...args) => ['bash', ...args];
const vitest = (name, ...projects) => [
  ...bin('vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${report(name)}`),
  ...projects.map((project) => `--project=${project}`),
];

const graph = report('imports');
const types = { name: 'types', command: bash('scripts/types.sh') };
const lint = { name: 'lint', command: bin('biome', 'check', '--error-on-warnings', '.') };
const borders = { name: 'borders', command: bash('scripts/borders.sh', graph) };
const styles = {
  name: "styles of Ant Design's components",
  command: node('scripts/antd-css.mjs', '--check'),
  env: { NODE_ENV: 'production' },
};
/** Two for each of the browser tests' workers. */
const freePort = () =>
  new Promise((found) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => found(String(port)));
    });
  });
const unit = { name: 'unit', command: vitest('unit', 'unit', 'app'), cores: 2 };
const plans = {
  // what the tests wait for comes first; lint goes on beside them
  check: [
    borders,
    types,
    lint,
    { name: 'tests', command: node('scripts/near.mjs', graph, since, '28'), after: ['borders'] },
  ],
  long: [{ ...unit, env: { SNAVEK_TEST_LONG: '1' } }],
  all: [
    { name: 'demo database', command: bash('scripts/test-template.sh', template) },
    { name: 'build', command: node('scripts/build.mjs') },
    types,
    lint,
    borders,
    styles,
    { ...unit, after: ['build'] },
    {
      name: 'integration',
      command: bash('scripts/test-db.sh', ...vitest('integration', 'integration', 'alone')),
      cores: 2,
      after: ['build', 'demo database'],
      env: { SNAVEK_TEMPLATE: template },
    },
    {
      name: 'browser',
      command: bash('scripts/test-db.sh', ...bin('playwright', 'test', '--reporter=list,json')),
      cores: 2,
      after: ['build', 'demo database'],
      env: {
        SNAVEK_TEMPLATE: template,
        SNAVEK_TEST_PORT: await freePort(),
        PLAYWRIGHT_JSON_OUTPUT_NAME: report('browser'),
      },
    },
    {
      name: 'attack',
      command: bash('scripts/attack.sh', '--n=800'),
      after: ['build', 'demo database'],
      env: { SNAVEK_TEMPLATE: template, SNAVEK_BUILT: '1' },
    },
  ],
};

const from = performance.now();
const stage = (stages) => runStages(stages, { cores: Math.max(2, availableParallelism()), logs });
const installed = await stage([
  { name: 'packages', command: bash('scripts/install.sh') },
  ...(what === 'all'
    ? [
        { name: 'database server', command: bash('scripts/pg.sh', 'install') },
        { name: 'Chromium', command: bash('scripts/chromium.sh', 'tests'), after: ['database server'] },
      ]
    : []),
]);
const ran = installed.failed ? installed : await stage(plans[what]);
const times = { ...installed.times, ...ran.times };
const totalS = Math.round((performance.now() - from) / 100) / 10;
const tests = testsOf(['unit', 'integration', 'browser'].map(report).filter(existsSync), root);
const slowest = sayTimes({ times, tests, totalS });
if (tests.length) {
  const failed = tests.filter((t) => t.state === 'failed').length;
  console.log(`tests: ${tests.length - failed} passed, ${failed} failed`);
}
if (ran.failed) console.error(`\nFAILED: ${ran.failed}`);
else if (what === 'all') keepTimes({ times, slowest, tests, totalS });
process.exit(ran.failed ? 1 : 0);
