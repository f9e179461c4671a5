// Where the minutes of a run went: its stages and its slowest tests, printed and kept in .ci/times.json.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const kept = '.ci/times.json';
const seconds = (ms) => Math.round(ms / 100) / 10;

/** Every test of a report of Vitest: `{ file, name, s, state }`. */
function ofVitest(report, root) {
  return report.testResults.flatMap(({ name: file, assertionResults }) =>
    assertionResults.map(({ fullName, duration, status }) => ({
      file: file.replace(`${root}/`, ''),
      name: fullName,
      s: seconds(duration ?? 0),
      state: status,
    })),
  );
}
/** Every test of a report of Playwright; one that needed a second try is `flaky`. */
function ofPlaywright(report) {
  const inSuite = (suite) => [
    ...(suite.suites ?? []).flatMap(inSuite),
    ...(suite.specs ?? []).flatMap((spec) =>
      spec.tests.map((t) => ({
        file: `e2e/${spec.file}`,
        name: spec.title,
        s: seconds(t.results.reduce((sum, r) => sum + r.duration, 0)),
        state: { expected: 'passed', unexpected: 'failed' }[t.status] ?? t.status,
      })),
    ),
  ];
  return report.suites.flatMap(inSuite);
}
/** The tests of all reports that are there. @param {string[]} files */
export function testsOf(files, root) {
  return files.filter(existsSync).flatMap((file) => {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    return report.testResults ? ofVitest(report, root) : ofPlaywright(report);
  });
}

/** Prints where the time went. @returns the twenty slowest tests */
export function sayTimes({ times, tests, totalS }) {
  console.log(`\n== where the time went: ${totalS} s`);
  for (const [name, s] of Object.entries(times)) console.log(`${s.toFixed(1).padStart(7)} s  ${name}`);
  const slowest = tests.toSorted((a, b) => b.s - a.s).slice(0, 20);
  console.log('   the slowest tests');
  for (const t of slowest) console.log(`${t.s.toFixed(1).padStart(7)} s  ${t.file}: ${t.name.slice(0, 110)}`);
  const flaky = tests.filter((t) => t.state === 'flaky');
  for (const t of flaky) console.log(`  FLAKY: ${t.file}: ${t.name}`);
  return slowest;
}

const git = (...args) =>
  execFileSync('git', args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }).trim();
/** Adds a line for a whole run of a state of main; of other states nothing is kept. */
export function keepTimes({ times, slowest, tests, totalS }) {
  let commit;
  try {
    const changed = git('status', '--porcelain')
      .split('\n')
      .filter((line) => line && !line.endsWith(kept));
    if (git('branch', '--show-current') !== 'main' || changed.length) return;
    commit = git('rev-parse', '--short=10', 'HEAD');
  } catch {
    return; // not a checkout
  }
  const runs = existsSync(kept) ? JSON.parse(readFileSync(kept, 'utf8')) : [];
  runs.push({
    at: new Date().toISOString().slice(0, 19),
    commit,
    totalS,
    stages: times,
    tests: tests.length,
    flaky: tests.filter((t) => t.state === 'flaky').map((t) => `${t.file}: ${t.name}`),
    slowest: slowest.map(({ file, name, s }) => ({ s, test: `${file}: ${name.slice(0, 80)}` })),
  });
  writeFileSync(
    kept,
    `[\n${runs
      .slice(-200)
      .map((run) => JSON.stringify(run))
      .join(',\n')}\n]\n`,
  );
}
