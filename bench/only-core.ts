import { benchCore } from './core';
import { benchDiagnose } from './diagnose';
import { benchMeasured } from './measured';
import { save } from './figures';
import { benchPlanner } from './planner';
import { benchScrews } from './screws';

/** The core alone: no server, no database, no browser. */
benchCore();
await benchPlanner();
benchDiagnose();
benchScrews();
benchMeasured();
save();
