import { type ChildProcess, spawn } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterEach, beforeEach, expect, test } from 'vitest';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'snavek-stop-'));
  // the database's own user must get through
  chmodSync(folder, 0o711);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const freePort = () =>
  new Promise<number>((found) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => found(port));
    });
  });
const isListening = (port: number) =>
  new Promise<boolean>((answer) => {
    const socket = connect(port, '127.0.0.1', () => {
      socket.destroy();
      answer(true);
    });
    socket.on('error', () => answer(false));
  });
const isAlive = (pid: number) => {
  // a process that has ended and that nobody has asked about is still listed
  const status = existsSync(`/proc/${pid}/status`) ? readFileSync(`/proc/${pid}/status`, 'utf8') : '';
  return /^State:\s+[^ZX]/m.test(status);
};
/** Waits for a text on the standard output of a command. */
const says = (child: ChildProcess, text: RegExp) =>
  new Promise<string>((heard, reject) => {
    let out = '';
    const take = (data: Buffer) => {
      out += data;
      if (text.test(out)) heard(out);
    };
    child.stdout!.on('data', take);
    child.stderr!.on('data', take);
    child.on('exit', () => reject(new Error(`ended before it said ${text}:\n${out}`)));
  });
/** Ends one process alone, as a supervisor does. @returns how long it took to go, ms */
async function ended(child: ChildProcess, signal: NodeJS.Signals): Promise<number> {
  const from = performance.now();
  const gone = new Promise((r) => child.once('exit', r));
  child.kill(signal);
  await gone;
  return performance.now() - from;
}

test.each(['SIGTERM', 'SIGINT'] as const)(
  '%s to npm ends the app and its database within ten seconds',
  async (signal) => {
    const port = await freePort();
    const { DATABASE_URL: _, ...env } = process.env;
    const npm = spawn('npm', ['run', 'workshop'], {
      env: { ...env, PORT: String(port), SNAVEK_DATA: folder },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    await says(npm, /Snavek is ready/);
    expect(await isListening(port)).toBe(true);
    const database = Number(readFileSync(join(folder, 'pg/data/postmaster.pid'), 'utf8').split('\n')[0]);
    expect(isAlive(database)).toBe(true);
    expect(await ended(npm, signal)).toBeLessThan(10_000);
    expect(await isListening(port)).toBe(false);
    await expect.poll(() => isAlive(database), { timeout: 5000 }).toBe(false);
  },
  120_000,
);

test('a throw-away database goes with the command that it was made for, and so does what that had started', async () => {
  const child = spawn(
    'bash',
    ['scripts/test-db.sh', 'bash', '-c', 'sleep 300 & echo "begun $! $SNAVEK_DATA"; wait'],
    {
      env: { ...process.env, SNAVEK_TEMPLATE: '' },
      stdio: ['ignore', 'pipe', 'pipe'],
    },
  );
  const [, pid, data] = /begun (\d+) (\S+)/.exec(await says(child, /begun \d+ \S+\n/))!;
  expect(isAlive(Number(pid))).toBe(true);
  expect(await ended(child, 'SIGTERM')).toBeLessThan(10_000);
  expect(isAlive(Number(pid))).toBe(false);
  expect(existsSync(data!)).toBe(false);
}, 60_000);

test('the stages of a test run end with it, and the first that fails ends the others', async () => {
  const stages = pathToFileURL('scripts/stages.mjs').href;
  const script = join(folder, 'run.mjs');
  const run = (second: string) => {
    writeFileSync(
      script,
      `import { runStages } from '${stages}';
       const said = await runStages([
         { name: 'long', command: ['bash', '-c', 'sleep 300 & echo $! > ${folder}/pid; wait'] },
         { name: 'second', command: ['bash', '-c', '${second}'] },
       ], { cores: 2, logs: '${folder}/logs' });
       console.log('failed:', said.failed);`,
    );
    return spawn(process.execPath, [script], { stdio: ['ignore', 'pipe', 'pipe'] });
  };
  const sleeper = () => Number(readFileSync(join(folder, 'pid'), 'utf8'));
  const until = (what: () => boolean) => expect.poll(what, { timeout: 10_000 }).toBe(true);

  const stopped = run('sleep 300');
  await until(() => existsSync(join(folder, 'pid')) && isAlive(sleeper()));
  await ended(stopped, 'SIGTERM');
  await until(() => !isAlive(sleeper()));

  const failing = run('sleep 1; exit 3');
  expect(await says(failing, /failed: \w+/)).toContain('failed: second');
  await until(() => !isAlive(sleeper()));
}, 60_000);
