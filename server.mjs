// Starts the app: in this process, or in as many as SNAVEK_PROCESSES says, which share the port and the database.
import cluster from 'node:cluster';

const processes = Number(process.env.SNAVEK_PROCESSES ?? 1);
if (!Number.isInteger(processes) || processes < 1 || processes > 64) {
  console.error(
    `SNAVEK_PROCESSES=${process.env.SNAVEK_PROCESSES} is not a number of processes from 1 to 64.`,
  );
  process.exit(1);
}
if (processes === 1 || cluster.isWorker) await import('./server-process.mjs');
else {
  const { AggregatorRegistry } = await import('prom-client');
  const figures = new AggregatorRegistry();
  /** What one of them has said for all. */
  const said = new Set();
  let ending = false;
  let quickDeaths = 0;
  /** Of those that are to be started again one may be asked to end before it has begun. */
  const over = () => Object.keys(cluster.workers).length === 0;
  const fork = () => {
    if (ending) {
      if (over()) process.exit(0);
      return;
    }
    const began = Date.now();
    const worker = cluster.fork();
    worker.on('message', async (message) => {
      if (message?.said && !said.has(message.said)) {
        said.add(message.said);
        console.log(message.said);
      }
      // the figures of all of them, asked through one
      if (message?.figures)
        worker.send({
          figures: message.figures,
          text: await figures.clusterMetrics().catch((e) => `# ${e.message}\n`),
        });
    });
    worker.on('exit', (code, signal) => {
      if (ending) {
        if (over()) process.exit(0);
        return;
      }
      quickDeaths = Date.now() - began < 5000 ? quickDeaths + 1 : 0;
      console.error(`process ${worker.process.pid} ended (${signal ?? code}): another is started`);
      if (quickDeaths >= 2 * processes) {
        console.error('They end as soon as they are started: given up.');
        process.exit(1);
      }
      setTimeout(fork, Math.min(200 * 2 ** quickDeaths, 5000));
    });
  };
  for (let k = 0; k < processes; k++) fork();
  const end = (signal) => {
    if (ending) return;
    ending = true;
    if (over()) process.exit(0);
    for (const worker of Object.values(cluster.workers)) worker.process.kill(signal);
    setTimeout(() => process.exit(1), 12_000).unref();
  };
  process.on('SIGTERM', () => end('SIGTERM'));
  process.on('SIGINT', () => end('SIGTERM'));
}
