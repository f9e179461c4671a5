import type { BodyOf } from '../../log/events';
import { isChip } from '../../model/chips';
import type { IndexedModel } from '../../model/index-model';
import { dataDue, effectsOf, type Remedies } from '../../pairing/effects';
import { flag } from '../../log/state';
import { judgePads } from '../../rework/pads';
import { breaksIn } from '../../rework/work-plan';
import { heads, list, type Rule, rule, skilled } from '../interlock';

/** The cell's plug where nobody has come upon it: it is on for all that is known. */
const unknownPlug = 'cell';

/** Whether a chip's underfill is let go of, or a chip put on its pads: neither is done without hot air. */
const solders = (index: IndexedModel, body: BodyOf<'bondReleased' | 'pieceFitted'>): boolean =>
  (body.type === 'pieceFitted' ? [body.slot] : (index.bonds.get(body.bond)?.holds ?? [])).some((slot) =>
    isChip(index, slot),
  );

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
      dataDue(
        effectsOf(index, [slot], methods, state.remedy as Remedies, flag(state, 'system')?.version),
      ).includes(slot)
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
  'pad that carries lifted': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['reworkHeatStarted'],
    // the owner decides: what ran over it has to be wired, or is lost
    check: ({ state, index }, { slot }) => {
      const chip = index.model.chips?.find((c) => c.id === state.rework[slot]?.chip);
      return chip && list(judgePads(chip, state.pads[`${slot} after`] ?? {}).carrying);
    },
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
} satisfies Record<string, Rule>;
