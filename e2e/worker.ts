import { ownCluster } from '../server/testing/worker-cluster';

/** Which of the browser tests' workers this is, from 0. Each has a server, a database and a folder of its own. */
const worker = Number(process.env.TEST_PARALLEL_INDEX ?? 0);
ownCluster(worker);
/** Where this worker's server listens. */
export const port = Number(process.env.SNAVEK_TEST_PORT ?? 4110) + 2 * worker;
/** For the servers that a test starts for itself. */
export const secondPort = port + 1;
