import { benchCore } from './core';
import { save } from './figures';
import { benchPlanner } from './planner';

/** The core alone: no server, no database, no browser. */
benchCore();
await benchPlanner();
save();
