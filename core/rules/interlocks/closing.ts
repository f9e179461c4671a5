import { holderOf } from '../../vocabulary/pieces';
import { checksDue, openChecks } from '../../checks/due';
import type { IndexedModel } from '../../model/index-model';
import { isGluedBack } from '../../model/glued-back';
import { isSeal } from '../../model/seals';
import { balance, emptyInside, unaccounted } from '../balance';
import { leakNow } from '../water';
import { flag, type JobState } from '../../log/state';
import { piecesAt, openState } from '../../log/view';
import { type Rule, rule, heads, list, skilled } from '../interlock';

/** Closing a device, and letting it go. */
export const closing = {
  'glue not set': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed', 'jobClosed'],
    check: ({ state, now }, bodyOf) => {
      if (bodyOf.type === 'jobClosed' && bodyOf.ending !== 'handed over') return undefined;
      const wet = Object.keys(state.curing).filter((bond) => {
        const { until, clockKnown } = state.curing[bond]!;
        return !clockKnown || !now.clockKnown || now.at < until;
      });
      const last = Math.max(0, ...wet.map((bond) => state.curing[bond]!.until));
      return wet.length ? { ids: wet, seconds: Math.max(0, Math.ceil((last - now.at) / 1000)) } : undefined;
    },
  }),
  'glue has a skin': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['pieceFitted'],
    // a clock that nobody knows says neither that it is open nor that it is not
    check: ({ state, index, now }, { slot }) =>
      list(
        index.model.bonds
          .filter((bond) => {
            const laid = state.laid[bond.id];
            if (bond.kind !== 'glue' || !bond.holds.includes(slot) || state.bond[bond.id] !== 'renewed')
              return false;
            if (laid?.openS === undefined || !laid.clockKnown || !now.clockKnown) return false;
            return now.at > laid.at + laid.openS * 1000;
          })
          .map((bond) => bond.id),
      ),
  }),
  'leak not told': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician'],
    on: ['jobClosed'],
    check: ({ state }, b) => (b.ending === 'handed over' && leaks(state) ? ['leak test'] : undefined),
  }),
  'rim not clean': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['sealApplied', 'bondRenewed'],
    check: ({ state, index }, bodyOf) => {
      const due = (key: string) => list((state.rimDue[key] ?? []).map((part) => `rim:${part}`));
      if (bodyOf.type === 'sealApplied') return flag(state, 'rimClean') ? due('rim') : ['rim'];
      const bond = index.bonds.get(bodyOf.bond);
      if (!bond || !isSeal(index, bond)) return undefined;
      return state.acted[`rim ${bodyOf.bond}`] === undefined ? [bodyOf.bond] : due(bodyOf.bond);
    },
  }),
  'mid check open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['sealApplied', 'deviceClosed'],
    // the seal goes on with the cell unplugged again: an answer that is stale since then is due before closing
    check: ({ state, index }, bodyOf) =>
      list(
        checksDue(state, index, 'mid')
          .filter((c) => (bodyOf.type === 'sealApplied' ? !c.good : !c.passed))
          .map((c) => c.function),
      ),
  }),
  'round open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['stepPassed'],
    check: ({ state, index }, b) => list(openChecks(state, index, b.round).map((c) => c.function)),
  }),
  'seal missing': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => {
      const seal = index.model.bonds.find((b) => b.kind === 'perimeter-seal');
      if (!seal || state.bond[seal.id] === undefined || flag(state, 'unsealed')) return undefined;
      return flag(state, 'seal') !== 'applied'
        ? [seal.id]
        : flag(state, 'liner') === 'off'
          ? undefined
          : ['liner'];
    },
  }),
  'not all inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(emptyInside(state, index)),
  }),
  'piece adrift': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).adrift),
  }),
  'stray inside': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).strays),
  }),
  'film still on': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => {
      const b = balance(state, index);
      // the outer film of a cover comes off when the house takes it off, at the latest at hand-over
      const outer = (slot: string | undefined) => slot !== undefined && index.coverSlots.includes(slot);
      const inside = b.filmsOn.filter((film) => {
        const slot = holderOf(film.split('/')[0]!);
        return !outer(slot) && !outer(index.slots.get(slot)?.carrier);
      });
      return list([...inside, ...b.masksOn]);
    },
  }),
  'crumbs not looked for': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['bondRenewed'],
    // a crumb between back and cell presses into it for months
    check: ({ state, index }, { bond }) => {
      const glued = index.bonds.get(bond);
      return glued && isGluedBack(index, glued) && state.acted[`crumbs ${bond}`] === undefined
        ? [bond]
        : undefined;
    },
  }),
  'connector open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['deviceClosed'],
    check: ({ state, index }) => list(balance(state, index).connectorsOff),
  }),
  'trouble open': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician'],
    on: ['deviceClosed'],
    check: ({ state }) =>
      list(
        Object.keys(state.trouble).filter((t) => state.trouble[t] && !t.startsWith('not as the model says')),
      ),
  }),
  'device open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, body) =>
      body.ending !== 'abandoned' && openState(state, index) === 'open'
        ? index.coverSlots.slice(0, 1)
        : undefined,
  }),
  'ledger does not balance': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, body) => {
      const open = unaccounted(state, index);
      // an abandoned device goes back in pieces: each is in the bag, none is unknown
      if (body.ending === 'abandoned') return list(open.filter((p) => state.place[p] === 'adrift'));
      return list([...open, ...emptyHoles(state, index).filter((h) => !open.some((p) => holderOf(p) === h))]);
    },
  }),
  'after check open': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['jobClosed'],
    check: ({ state, index }, body) =>
      body.ending === 'handed over'
        ? list(openChecks(state, index, 'after').map((c) => c.function))
        : undefined,
  }),
} satisfies Record<string, Rule>;

/** Whether the device as it is closed now has failed its leak test. */
export const leaks = (state: JobState): boolean => leakNow(state)?.holds === false;

/** Holes and slots that are empty and have no way of being so in a device that leaves whole. */
function emptyHoles(state: JobState, index: IndexedModel): string[] {
  return [
    ...[...index.fasteners.keys()].filter((f) => !piecesAt(state, `hole/${f}`).length),
    ...[...index.slots.keys()].filter((s) => !piecesAt(state, `slot/${s}`).length),
  ];
}
