import type { BodyOf } from '../../log/events';
import { isChip } from '../../model/chips';
import type { IndexedModel } from '../../model/index-model';
import { dataToSave, effectsOf, type Remedies } from '../../pairing/effects';
import { flag, type JobState } from '../../log/state';
import { judgePads, type PadSide } from '../../rework/pads';
import { breaksIn, mendsPads, needsBalls } from '../../rework/work-plan';
import { heads, list, type Rule, rule, skilled } from '../interlock';

/** The cell's plug where nobody has come upon it: it is on for all that is known. */
const unknownPlug = 'cell';

/** Whether a chip's underfill is let go of, or a chip put on its pads: neither is done without hot air. */
const solders = (index: IndexedModel, body: BodyOf<'bondReleased' | 'pieceFitted'>): boolean =>
  (body.type === 'pieceFitted' ? [body.slot] : (index.bonds.get(body.bond)?.holds ?? [])).some((slot) =>
    isChip(index, slot),
  );
/** That the customer goes on although a pad that carries something is gone. */
export const padsConsent = (slot: string): string => `pads ${slot}`;
/** That the customer takes a device whose notice did not go. */
export const noticeConsent = (slot: string): string => `notice ${slot}`;

/** What is known of a chip's pads or balls at one side; undefined where the model does not describe the chip. */
function seenAt(state: JobState, index: IndexedModel, slot: string, side: PadSide) {
  const work = state.rework[slot];
  const chip = index.model.chips?.find((c) => c.id === work?.chip);
  return chip && judgePads(chip, state.pads[`${slot} ${side}`] ?? {});
}
/** Whether work at a part has ended without what the route asks for, and the customer has not agreed to that. */
export const reworkFailed = (state: JobState, slot: string): boolean => {
  const outcome = state.rework[slot]?.outcome;
  return (
    outcome !== undefined &&
    outcome !== 'works' &&
    !(outcome === 'notice stays' && state.consent[noticeConsent(slot)] !== undefined)
  );
};

/** Hot air, iron and optics under the microscope. */
export const rework = {
  'chip work not agreed': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['reworkBegun'],
    // it can take the part with it: the owner knows before
    check: ({ state }, body) => (state.consent.chip === undefined ? [body.slot] : undefined),
  }),
  'live under the iron': rule({
    severity: 'forbid',
    on: ['reworkHeatStarted', 'bondReleased', 'pieceFitted'],
    // a chip comes off with hot air, and is soldered on again
    needs: (index, body) =>
      (body.type === 'reworkHeatStarted' ? body.by !== 'lamp' : solders(index, body))
        ? [{ off: index.cellConnector ?? unknownPlug }]
        : [],
  }),
  'extraction off': rule({
    severity: 'stop',
    passableBy: [],
    on: ['reworkHeatStarted'],
    check: (_s, body) => (body.extraction || body.by === 'lamp' ? undefined : [body.slot]),
  }),
  'data unread before air': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['reworkHeatStarted'],
    check: ({ state, index, methods }, { slot, by }) =>
      by !== 'lamp' &&
      state.data[slot] === undefined &&
      dataToSave(
        index,
        slot,
        effectsOf(index, [slot], methods, state.remedy as Remedies, flag(state, 'system')?.version),
      )
        ? [slot]
        : undefined,
  }),
  'unread before it is cut': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['reworkStepped', 'reworkHeatStarted'],
    // what nobody read, and nobody declined, is gone for ever then
    check: ({ state }, { slot, step }) =>
      breaksIn.has(step) && state.data[slot] === undefined ? [slot] : undefined,
  }),
  'untested before it is cut': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['reworkStepped', 'reworkHeatStarted'],
    // one that is not known to fail is not opened, and which of its parts fails decides what is replaced
    check: ({ state }, { slot, step }) =>
      breaksIn.has(step) && state.rework[slot]?.module === undefined ? [slot] : undefined,
  }),
  'pad that carries lifted': rule({
    severity: 'stop',
    passableBy: [],
    on: ['reworkHeatStarted', 'reworkStepped'],
    // it is wired, or the customer decides: what ran over it is lost
    check: ({ state, index }, { slot, step }) =>
      mendsPads.has(step) || state.consent[padsConsent(slot)] !== undefined
        ? undefined
        : list(
            (['after', 'new'] as const).flatMap((side) => seenAt(state, index, slot, side)?.carrying ?? []),
          ),
  }),
  'ball bridged or loose': rule({
    severity: 'stop',
    passableBy: [],
    on: ['reworkHeatStarted', 'reworkStepped'],
    // two joined balls short what they carry, and one that is loose carries nothing
    check: ({ state, index }, { slot, step }) =>
      needsBalls.has(step) ? list(seenAt(state, index, slot, 'balls')?.spoilt ?? []) : undefined,
  }),
  'rework not ended': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted'],
    check: ({ state }, { act, target }) =>
      (act === 'rework' || act === 'move chip') &&
      state.rework[target] !== undefined &&
      state.rework[target].outcome === undefined
        ? [target]
        : undefined,
  }),
  'rework failed': rule({
    severity: 'stop',
    passableBy: [],
    on: ['acted'],
    // nothing that was lost is recorded as done: the customer decides what becomes of it
    check: ({ state }, { act, target }) =>
      (act === 'rework' || act === 'move chip') && reworkFailed(state, target) ? [target] : undefined,
  }),
} satisfies Record<string, Rule>;
