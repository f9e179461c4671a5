import { ownCluster } from './worker-cluster';

ownCluster(Number(process.env.VITEST_POOL_ID) - 1);
