import { checksDue } from '../../checks/due';
import type { IndexedModel } from '../../model/index-model';
import { consentsFor, openConsents } from '../../consents/consents';
import { openRungs } from '../../diagnose/ladder';
import { knownTest } from '../../diagnose/fault';
import { flag, type JobState } from '../../log/state';
import { replacedSlots, openState } from '../../log/view';
import { type Rule, rule, skilled, heads, list } from '../interlock';

/** What has been asked, agreed, answered and tried before. */
export const agreement = {
  // never found by looking at one job's state: decided where two benches' entries meet
  'two accounts': rule({ severity: 'stop', passableBy: [], on: [] }),
  'question open': rule({
    severity: 'stop',
    passableBy: [],
    on: [
      'heatStarted',
      'solventApplied',
      'sealApplied',
      'deviceClosed',
      'dataWritten',
      'jobClosed',
      'stepPassed',
    ],
    check: ({ state }) => list(Object.keys(state.question).filter((q) => state.question[q])),
  }),
  'before check open': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['received', 'routeAdopted'],
    // once the tasks are chosen, what they will touch is asked, too: afterwards nobody can say what it was
    check: ({ state, index }, bodyOf) =>
      bodyOf.type === 'received'
        ? list(openBefore(state, index))
        : flag(state, 'routeHash') === undefined && openState(state, index) === 'never opened'
          ? list(
              checksDue(state, index, 'before')
                .filter((c) => c.result === undefined)
                .map((c) => c.function),
            )
          : undefined,
  }),
  'consent open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['routeAdopted', 'jobClosed'],
    // past Receive once, and out of the house: a route that is planned again in between changes no agreement
    check: ({ state, index, methods }, bodyOf) =>
      (
        bodyOf.type === 'routeAdopted'
          ? flag(state, 'routeHash') === undefined
          : bodyOf.ending === 'handed over'
      )
        ? list(openConsents(consentsFor(index, state, methods, replacedSlots(state)), state).map((c) => c.id))
        : undefined,
  }),
  'harmless first': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['routeAdopted', 'testBegun'],
    // before anything is opened: whatever costs nothing and could explain it is tried, or declined with a reason
    check: ({ state, index }, bodyOf) => {
      if (
        bodyOf.type === 'routeAdopted'
          ? flag(state, 'routeHash') !== undefined || !!flag(state, 'cause')
          : knownTest(bodyOf.test)?.rung !== 'open it'
      )
        return undefined;
      return list(openRungs(index, state));
    },
  }),
} satisfies Record<string, Rule>;

/** Functions of the short list that have no answer from before the work. */
function openBefore(state: JobState, index: IndexedModel): string[] {
  return index.model.shortList.filter((f) => !state.check[`before ${f}`]);
}
