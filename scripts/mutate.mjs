// npm run mutate [-- --seed N --count N --area NAME --every-case 1]: breaks the code in small ways, one at a time, and asks whether a test
// notices. A seeded sample over the areas below, in a working tree of its own; not part of npm test. Survivors are listed,
// to be read one by one: a test, or a word why nothing is different. With --every-case a survivor is asked about again with
// every case of the large searches (npm run test:long): what only those notice is said.
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import ts from 'typescript';

const areas = {
  rules: {
    folders: ['core/rules'],
    tests: ['core/rules', 'core/progress', 'core/log', 'core/record', 'core/consents'],
  },
  log: {
    folders: ['core/log'],
    tests: ['core/log', 'core/rules', 'core/progress', 'core/record', 'core/consents'],
  },
  planner: { folders: ['core/route'], tests: ['core/route', 'core/testing'] },
  screws: { folders: ['core/screws'], tests: ['core/screws'] },
  checks: { folders: ['core/checks'], tests: ['core/checks', 'core/rules', 'core/progress'] },
  quote: { folders: ['core/quote'], tests: ['core/quote'] },
  browser: { folders: ['app/job'], tests: ['app/job'] },
  'use cases': { folders: ['server/use-cases'], tests: ['server'], database: true },
};
const option = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1];
};
const seed = Number(option('seed', 1));
const count = Number(option('count', 40));
const only = option('area');
const everyCase = option('every-case') !== undefined;
if (only && !areas[only]) {
  console.error(`mutate: no area ${only}; there are ${Object.keys(areas).join(', ')}`);
  process.exit(2);
}

const swaps = new Map([
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
  [ts.SyntaxKind.LessThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '<'],
  [ts.SyntaxKind.GreaterThanToken, '>='],
  [ts.SyntaxKind.GreaterThanEqualsToken, '>'],
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
]);
const calls = { every: 'some', some: 'every', min: 'max', max: 'min', find: 'findLast' };

/** What can be broken at one place of a program: from, to, and what stands there then. */
function* mutantsAt(node, source) {
  const span = (n) => [n.getStart(source), n.end];
  if (ts.isBinaryExpression(node) && swaps.has(node.operatorToken.kind)) {
    // text that is put together is words, and no arithmetic
    const text = node.operatorToken.kind === ts.SyntaxKind.PlusToken && /['"`]/.test(node.getText(source));
    if (!text) yield [...span(node.operatorToken), swaps.get(node.operatorToken.kind)];
  }
  if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
    yield [...span(node), node.operand.getText(source)];
  if (node.kind === ts.SyntaxKind.TrueKeyword && !ts.isLiteralTypeNode(node.parent))
    yield [...span(node), 'false'];
  if (node.kind === ts.SyntaxKind.FalseKeyword && !ts.isLiteralTypeNode(node.parent))
    yield [...span(node), 'true'];
  if (ts.isNumericLiteral(node) && !ts.isLiteralTypeNode(node.parent))
    yield [...span(node), String(Number(node.text) + 1)];
  if (ts.isConditionalExpression(node))
    yield [...span(node.condition), `!(${node.condition.getText(source)})`];
  if (ts.isPropertyAccessExpression(node) && ts.isCallExpression(node.parent) && calls[node.name.text])
    yield [...span(node.name), calls[node.name.text]];
  if (ts.isIfStatement(node)) yield [...span(node.expression), `!(${node.expression.getText(source)})`];
  if (ts.isExpressionStatement(node) && ts.isCallExpression(node.expression))
    yield [...span(node), 'void 0;'];
}
function mutantsOf(file, text) {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const out = [];
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    for (const [from, to, by] of mutantsAt(node, source))
      out.push({ file, from, to, by, line: source.getLineAndCharacterOfPosition(from).line + 1 });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return out;
}

/** The 95 % interval of a share (Wilson 1927): right also for few, and for all or none. */
function wilson(hits, of) {
  if (!of) return [0, 1];
  const z = 1.96;
  const share = hits / of;
  const middle = (share + (z * z) / (2 * of)) / (1 + (z * z) / of);
  const half = (z * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of))) / (1 + (z * z) / of);
  return [middle - half, middle + half];
}

const root = process.cwd();
const tree = mkdtempSync(join(tmpdir(), 'snavek-mutants.'));
const clean = () => {
  spawnSync('git', ['worktree', 'remove', '--force', tree], { cwd: root });
  rmSync(tree, { recursive: true, force: true });
};
process.on('exit', clean);
process.on('SIGINT', () => process.exit(130));
process.on('SIGTERM', () => process.exit(143));
execFileSync('git', ['worktree', 'add', '--quiet', '--detach', '--force', tree, 'HEAD']);
symlinkSync(join(root, 'node_modules'), join(tree, 'node_modules'));

const filesOf = (folder) =>
  readdirSync(join(tree, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\./.test(f))
    .map((f) => `${folder}/${f}`);
/** Whether the tests of an area fail: a mutant that hangs is noticed, too. */
function isNoticed({ tests, database }, timeout, long = false) {
  const vitest = [
    'run',
    '--bail',
    '1',
    '--reporter',
    'dot',
    ...(database ? ['integration', 'alone'] : ['unit', 'app']).flatMap((project) => ['--project', project]),
    ...tests,
  ];
  const [command, args] = database
    ? ['bash', ['scripts/test-db.sh', 'node_modules/.bin/vitest', ...vitest]]
    : ['node_modules/.bin/vitest', vitest];
  // its workers end with it: one that goes round for ever would take half of a small machine from all that comes after
  const within = timeout ? ['timeout', '--kill-after=5', `${Math.ceil(timeout / 1000)}`] : [];
  const [first, ...rest] = [...within, command, ...args];
  const env = { ...process.env, ...(long ? { SNAVEK_TEST_LONG: '1' } : {}) };
  return spawnSync(first, rest, { cwd: tree, env, stdio: 'ignore' }).status !== 0;
}

const names = only ? [only] : Object.keys(areas);
const perArea = Math.max(1, Math.round(count / names.length));
const random = xoroshiro128plus(seed);
let [allHit, all, lateHit] = [0, 0, 0];
for (const name of names) {
  const area = areas[name];
  const text = new Map(area.folders.flatMap(filesOf).map((f) => [f, readFileSync(join(tree, f), 'utf8')]));
  const mutants = [...text].flatMap(([f, t]) => mutantsOf(f, t));
  const begun = performance.now();
  if (isNoticed(area)) throw new Error(`${name}: its tests fail as they are`);
  // a busy machine makes no mutant hang: it is given several times what the tests take as they are
  const patience = Math.max(300_000, Math.ceil(5 * (performance.now() - begun)));
  let hit = 0;
  let tried = 0;
  for (; tried < perArea && mutants.length; tried++) {
    const [m] = mutants.splice(uniformInt(random, 0, mutants.length - 1), 1);
    const before = text.get(m.file);
    writeFileSync(join(tree, m.file), before.slice(0, m.from) + m.by + before.slice(m.to));
    if (isNoticed(area, patience)) hit++;
    // said as it is found: an area takes a quarter of an hour, and may be stopped before its end
    else {
      const late = everyCase && !area.database && isNoticed(area, 4 * patience, true);
      if (late) lateHit++;
      console.log(
        `  ${m.file}:${m.line}  ${before.slice(m.from, m.to).slice(0, 60)}  ->  ${m.by.slice(0, 60)}${late ? '  (noticed by every case)' : ''}`,
      );
    }
    writeFileSync(join(tree, m.file), before);
  }
  const [low, high] = wilson(hit, tried).map((x) => Math.round(x * 100));
  console.log(
    `${name}: ${hit} of ${tried} noticed, ${Math.round((100 * hit) / tried)} % (95 %: ${low} to ${high})`,
  );
  allHit += hit;
  all += tried;
}
const [low, high] = wilson(allHit, all).map((x) => Math.round(x * 100));
console.log(
  `${everyCase ? `${lateHit} of those left are noticed by every case; ` : ''}in all ${allHit} of ${all}, ${Math.round((100 * allHit) / all)} % (95 %: ${low} to ${high}), seed ${seed}`,
);
