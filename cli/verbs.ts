import type { Verb } from './verb';
import { modelCheck } from './verbs/model-check';
import { order } from './verbs/order';
import { route } from './verbs/route';
import { ways } from './verbs/ways';

/** Every verb of the command line by its name. */
export const verbs: Record<string, Verb> = { order, ways, route, 'model check': modelCheck };
