import type { Verb } from './verb';
import { order } from './verbs/order';
import { ways } from './verbs/ways';

/** Every verb of the command line by its name. */
export const verbs: Record<string, Verb> = { order, ways };
