import type { Verb } from './verb';
import { balls } from './verbs/balls';
import { derive } from './verbs/derive';
import { diagnose } from './verbs/diagnose';
import { heat } from './verbs/heat';
import { inspect } from './verbs/inspect';
import { leak } from './verbs/leak';
import { modelCheck } from './verbs/model-check';
import { order } from './verbs/order';
import { route } from './verbs/route';
import { schedule } from './verbs/schedule';
import { screws } from './verbs/screws';
import { spectrum } from './verbs/spectrum';
import { stencil } from './verbs/stencil';
import { ways } from './verbs/ways';

/** Every verb of the command line by its name. */
export const verbs: Record<string, Verb> = {
  order,
  ways,
  diagnose,
  inspect,
  screws,
  route,
  'model check': modelCheck,
  derive,
  heat,
  leak,
  balls,
  stencil,
  spectrum,
  schedule,
};
