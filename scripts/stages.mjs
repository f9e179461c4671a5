// Runs commands side by side as far as the cores go, says how long each took, and ends everything that it started.
import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * @typedef {object} Stage
 * @property {string} name
 * @property {string[]} command program and arguments
 * @property {number} [cores] how many it keeps busy (1)
 * @property {string[]} [after] stages that must have passed before it begins
 * @property {Record<string, string>} [env] beside the process's own
 */

/** Process groups that run now: each stage has its own, so that nothing of it outlives this process. */
const running = new Set();
let ending;
/** Ends every group, waits for the leaders, and forces those that do not go. */
async function endAll() {
  const leaders = [...running];
  for (const child of leaders) signal(child, 'SIGTERM');
  const gone = Promise.all(leaders.map((child) => child.gone));
  const late = new Promise((r) => setTimeout(r, 8000).unref());
  await Promise.race([gone, late]);
  for (const child of leaders) signal(child, 'SIGKILL');
}
function signal(child, name) {
  try {
    process.kill(-child.pid, name);
  } catch {
    // the whole group has gone
  }
}
for (const name of ['SIGTERM', 'SIGINT', 'SIGHUP'])
  process.on(name, () => {
    ending ??= endAll().then(() => process.exit(name === 'SIGINT' ? 130 : 143));
  });

/**
 * Runs the stages, each as soon as its cores are free and what it waits for has passed. The first failure ends the others.
 * @param {Stage[]} stages in the order in which they are wanted
 * @param {{ cores: number, logs: string }} how `logs` is the folder for what each one printed
 * @returns {Promise<{ times: Record<string, number>, failed: string | undefined }>} seconds of each that has ended
 */
export async function runStages(stages, { cores, logs }) {
  mkdirSync(logs, { recursive: true });
  const times = {};
  let failed;
  let free = cores;
  const waiting = [...stages];
  const passed = new Set();
  const inHand = new Set();
  const begin = (stage) => {
    const wanted = Math.min(stage.cores ?? 1, cores);
    free -= wanted;
    console.log(`-- ${stage.name}`);
    const work = runOne(stage, join(logs, `${stage.name.replaceAll(' ', '-')}.txt`)).then(
      ({ code, seconds }) => {
        times[stage.name] = seconds;
        free += wanted;
        inHand.delete(work);
        if (code === 0) passed.add(stage.name);
        else failed ??= stage.name;
      },
    );
    inHand.add(work);
  };
  while (!failed && !ending && (waiting.length || inHand.size)) {
    for (let at = 0; at < waiting.length; ) {
      const stage = waiting[at];
      const ready = (stage.after ?? []).every((name) => passed.has(name));
      if (ready && Math.min(stage.cores ?? 1, cores) <= free) {
        waiting.splice(at, 1);
        begin(stage);
      } else at++;
    }
    if (!inHand.size) throw new Error(`nothing can begin: ${waiting.map((s) => s.name).join(', ')}`);
    await Promise.race(inHand);
  }
  if (ending) await ending;
  if (failed) await endAll();
  return { times, failed };
}

/** Runs one stage; what it prints goes to its file, and here at once when it is over. */
async function runOne({ name, command, env }, file) {
  const from = performance.now();
  const out = createWriteStream(file);
  const child = spawn(command[0], command.slice(1), {
    detached: true,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  child.stdout.pipe(out, { end: false });
  child.stderr.pipe(out, { end: false });
  running.add(child);
  child.gone = new Promise((r) => child.on('close', r));
  const code = await new Promise((r) => {
    child.on('error', (e) => {
      out.write(`${e.message}\n`);
      r(1);
    });
    child.on('close', (exit, by) => r(by ? 1 : exit));
  });
  running.delete(child);
  await new Promise((r) => out.end(r));
  const seconds = Math.round((performance.now() - from) / 100) / 10;
  const said = readFileSync(file, 'utf8').trimEnd();
  process.stdout.write(
    `\n== ${name}: ${code === 0 ? 'passed' : 'FAILED'} after ${seconds} s\n${said}${said ? '\n' : ''}`,
  );
  return { code, seconds };
}
