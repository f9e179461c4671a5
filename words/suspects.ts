import type { IndexedModel } from '../core/model/index-model';
import type { Suspect, Try } from '../core/suspects/suspects';
import { thingName } from './things';

/** A suspect by what may be wrong with it. */
export function suspectName(index: IndexedModel, { kind, thing }: Pick<Suspect, 'kind' | 'thing'>): string {
  switch (kind) {
    case 'contact':
      return `${thingName(index, thing)} not home`;
    case 'flex':
      return `flex at the ${thingName(index, thing)} damaged`;
    case 'part':
      return `${thingName(index, thing)} itself defective`;
    case 'missing':
      return `${thingName(index, thing)} not in its place`;
    case 'screw':
      return `screw too long in ${thingName(index, thing)}`;
    case 'earth':
      return `${thingName(index, thing)} without contact to earth`;
    case 'film':
      return `film left on the ${thingName(index, thing)}`;
    case 'else':
      return 'something that was not touched';
  }
}
/** What is tried, as a press says it. */
export function tryText(index: IndexedModel, { kind, thing }: Pick<Try, 'kind' | 'thing'>): string {
  switch (kind) {
    case 'reseat':
      return `Cell off, reseat the ${thingName(index, thing)}, test again`;
    case 'old part':
      return `Try the old ${thingName(index, thing)}: the same fault, and the new one is innocent`;
    case 'screw':
      return `Measure the screw in ${thingName(index, thing)}`;
    case 'bracket':
      return `Seat the ${thingName(index, thing)} again`;
    case 'fit':
      return `Put the ${thingName(index, thing)} in`;
    case 'look':
      return `Look for a film on the ${thingName(index, thing)}`;
  }
}
