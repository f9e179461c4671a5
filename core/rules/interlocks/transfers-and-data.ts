import { knownTest } from '../../diagnose/fault';
import { dataDue, effectsOf, type Remedies } from '../../pairing/effects';
import { flag, type JobState } from '../../log/state';
import { holderOf, originalPiece } from '../../vocabulary/pieces';
import { forgotten } from '../manifest';
import { replacedSlots } from '../../log/view';
import { type Rule, rule, skilled, heads, list } from '../interlock';

/** Parts, what moves over from the old one, and the data of both. */
/** An enrolment that has unlocked this often, and once after a knock, holds (common practice). */
const unlocksTwice = 2;
export const isProved = (state: JobState, what: string): boolean =>
  (state.unlocked[what]?.plain ?? 0) >= unlocksTwice && state.unlocked[what]!.knocked;

export const transfersAndData = {
  'forgotten on the old one': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceSetAside'],
    check: ({ state, index }, body) => {
      const slot = holderOf(body.piece);
      return index.slots.has(slot) && body.piece === originalPiece(slot) && state.task[slot] === 'replace'
        ? list(forgotten(index, state, slot))
        : undefined;
    },
  }),
  'data would be erased': rule({
    severity: 'stop',
    passableBy: [],
    on: ['testBegun', 'tested'],
    check: ({ state }, b) => (knownTest(b.test)?.erases && !state.consent.data ? ['data'] : undefined),
  }),
  'part locked': rule({
    severity: 'forbid',
    on: ['partChosen'],
    check: (_s, b) => (b.released === 'locked' ? [b.name] : undefined),
  }),
  'part of another slot': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['partChosen'],
    check: ({ state }, b) => (state.task[b.slot] === 'replace' ? undefined : [b.slot]),
  }),
  'identity data open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index, methods }, body) =>
      body.ending === 'handed over'
        ? list(
            dataDue(
              effectsOf(
                index,
                replacedSlots(state),
                methods,
                state.remedy as Remedies,
                flag(state, 'system')?.version,
              ),
            ).filter((s) => state.data[s] !== 'written' && state.data[s] !== 'declined'),
          )
        : undefined,
  }),
  'identity data unread': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceSetAside'],
    check: ({ state, index }, body) => {
      const slot = holderOf(body.piece);
      return body.piece === originalPiece(slot) &&
        state.data[slot] === undefined &&
        dataDue(effectsOf(index, [slot], undefined, state.remedy as Remedies)).includes(slot)
        ? [slot]
        : undefined;
    },
  }),
  'enrolment not proved': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['checked'],
    check: ({ state }, { round, function: fn, result }) =>
      result === 'works' && round !== 'before' && state.enrolment[fn] !== undefined && !isProved(state, fn)
        ? [fn]
        : undefined,
  }),
  'enrolment left': rule({
    severity: 'stop',
    passableBy: [],
    on: ['jobClosed'],
    check: ({ state }) => list(Object.keys(state.enrolment).filter((e) => state.enrolment[e] === 'made')),
  }),
} satisfies Record<string, Rule>;
