import { bootConnectors } from '../../model/system';
import { generalStations } from '../../methods/catalogue';
import { knownTest } from '../../diagnose/fault';
import { isWarm, sourceOf } from '../../thermal/sources';
import { bondWorked, cellLimitS, endedBy, openBy, soakShortS } from '../soak';
import { badCell, noHeat } from '../../vocabulary/conditions';
import { flag, type JobState } from '../../log/state';
import type { IndexedModel } from '../../model/index-model';
import { chargeOf, conditionsOf, hasCondition, isLive, isOn, pieceInSlot, openState } from '../../log/view';
import { leastWaits, type Rule, rule, skilled, heads, list, secondsLeft } from '../interlock';

/** The cell's plug where nobody has come upon it: it is on for all that is known. */
const unknownPlug = 'cell';

/** The cell, what warms it and what it is tested with. */
export const cellAndHeat = {
  'cell first off': rule({
    severity: 'stop',
    passableBy: ['owner', 'lead', 'technician', 'trainee'],
    on: ['connectorOff', 'connectorOn', 'reseated'],
    needs: (index, bodyOf) =>
      bodyOf.connector !== index.cellConnector ? [{ off: index.cellConnector ?? unknownPlug }] : [],
  }),
  'cell last on': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['connectorOn'],
    // a new part is tried with the device open: then the plugs that it needs are the trial's to name
    needs: (index, body) =>
      body.connector === index.cellConnector && body.trial === undefined
        ? index.model.connectors.filter((c) => c.id !== body.connector).map((c) => ({ on: c.id }))
        : [],
  }),
  'no heat on this cell': rule({
    severity: 'forbid',
    on: ['heatStarted'],
    needs: () => noHeat.map((absent) => ({ absent })),
  }),
  'no press on this cell': rule({
    severity: 'forbid',
    on: ['acted'],
    check: ({ state }, body) =>
      body.act === 'press' && body.target.endsWith(':start')
        ? list(noHeat.filter((c) => hasCondition(state, c)))
        : undefined,
  }),
  'adrift under the press': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['acted'],
    // a screw that nobody found may lie under the glass
    check: ({ state }, body) =>
      body.act === 'press' && body.target.endsWith(':start')
        ? list([
            ...Object.keys(state.place).filter((piece) => state.place[piece] === 'adrift'),
            ...Object.keys(state.stray).filter((stray) => state.stray[stray] === 'inside'),
          ])
        : undefined,
  }),
  'soak cut short': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted', 'bondReleased'],
    // too cold, glass or panel splits from its frame
    check: ({ state, index }, bodyOf) => {
      const bond = bondWorked(bodyOf);
      const seconds = bond && soakShortS(state, index, bond);
      return seconds ? { ids: [bond], seconds } : undefined;
    },
  }),
  'cooled again': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted', 'bondReleased'],
    // opening has to start within minutes of the soak, and what was begun is ended; a clock that is not known has passed every such limit
    check: ({ state, index, now }, bodyOf) => {
      const bond = bondWorked(bodyOf);
      const by = bond ? openBy(state, index, bond) : undefined;
      return by && !(by.clockKnown && now.clockKnown && now.at <= endedBy(index, bond!, by.until))
        ? [bond!]
        : undefined;
    },
  }),
  'open on the heat': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['heatStarted'],
    // a plate warms the whole device: once it is open nothing but air is between it and the cell
    check: ({ state, index }, body) =>
      body.part === undefined &&
      warmsWhole.has(body.station) &&
      openState(state, index) === 'open' &&
      index.cellSlot !== undefined &&
      pieceInSlot(state, index.cellSlot) !== undefined
        ? [index.cellSlot]
        : undefined,
  }),
  'source is cold': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['heatStarted'],
    // what warms nothing opens nothing: it is read, or somebody says that it is warm
    check: (_, body) => {
      const source = sourceOf(body.station);
      if (!source || (body.hot !== undefined && body.hot === 'said')) return undefined;
      return body.hot !== undefined && isWarm(body.hot, body.setC ?? source.usualC)
        ? undefined
        : [body.station];
    },
  }),
  'cell over its limit': rule({
    severity: 'stop',
    passableBy: heads,
    on: ['heatStarted'],
    // what is computed for devices like this one, on a source that is set so; a loose part is warmed without the cell
    check: ({ state, index }, body) => {
      const cell = index.cellSlot;
      if (body.part !== undefined || cell === undefined || pieceInSlot(state, cell) === undefined)
        return undefined;
      const seconds = cellLimitS(index, body.station, body.setC, body.bond);
      return seconds !== undefined && body.forS > seconds ? { ids: [cell], seconds } : undefined;
    },
  }),
  'solvent still wet': rule({
    severity: 'forbid',
    on: ['heatStarted', 'reworkHeatStarted'],
    check: ({ state, waits, now }) => {
      const s = flag(state, 'solventAt');
      const seconds = secondsLeft(s, Math.max(waits.solventFlashS, leastWaits.solventFlashS), now);
      return seconds ? { ids: [], seconds } : undefined;
    },
  }),
  'still hot': rule({
    severity: 'forbid',
    on: ['solventApplied', 'rimCleaned'],
    check: ({ state, waits, now }, body) => {
      // what is only seen to beside the rim wets nothing
      if (body.type === 'rimCleaned' && body.what !== undefined) return undefined;
      const heat = flag(state, 'heat');
      if (heat) return { ids: [heat.station], seconds: 0 };
      const seconds = secondsLeft(
        flag(state, 'heatEndedAt'),
        Math.max(waits.coolingS, leastWaits.coolingS),
        now,
      );
      return seconds ? { ids: [], seconds } : undefined;
    },
  }),
  'charge over the limit': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['bondReleased', 'acted'],
    // a full cell that is pierced burns harder (widely advised); a damaged one is not discharged on purpose
    check: ({ state, index }, body) => {
      const bond = body.type === 'bondReleased' || body.act === 'part' ? bondWorked(body) : undefined;
      const charge = chargeOf(state);
      if (bond === undefined || charge === undefined || charge <= priedBelow) return undefined;
      return priedAtCell(index, state, bond) && !badCell(conditionsOf(state)) ? [index.cellSlot!] : undefined;
    },
  }),
  'no charging this cell': rule({
    severity: 'forbid',
    on: ['testBegun'],
    check: ({ state }, b) => list((knownTest(b.test)?.never ?? []).filter((c) => hasCondition(state, c))),
  }),
  'tested without the cell': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['checked', 'acted', 'tested'],
    check: ({ state, index }, bodyOf) => {
      if (isLive(state, index) || index.cellConnector === undefined) return undefined;
      if (bodyOf.type === 'checked') return bodyOf.round === 'before' ? undefined : [bodyOf.function];
      if (bodyOf.type === 'acted') return bodyOf.act === 'test part' ? [bodyOf.target] : undefined;
      // a module is read at the bench, without the device
      return knownTest(bodyOf.test)?.needs ? [bodyOf.test] : undefined;
    },
  }),
  'tested without its plugs': rule({
    severity: 'stop',
    passableBy: skilled,
    on: ['acted'],
    // a good display is called bad that way: without the sensors many a generation shows no picture
    check: ({ state, index }, body) =>
      body.act === 'test part'
        ? list(
            [
              ...new Set([
                ...bootConnectors(index, flag(state, 'system')?.version),
                ...index.model.connectors.filter((c) => c.joins.includes(body.target)).map((c) => c.id),
              ]),
            ].filter((c) => !isOn(state, c)),
          )
        : undefined,
  }),
  'only a lead clears': rule({
    severity: 'forbid',
    on: ['conditionCleared'],
    check: ({ role }, b) => (heads.includes(role as 'owner') ? undefined : [b.condition]),
  }),
} satisfies Record<string, Rule>;

/** No blade or chisel near a cell that is charged further, percent (from memory; widely advised). */
const priedBelow = 25;
/** Whether a bond is loosed with a blade at the cell: its own bonds that are not pulled, and a back that is chiselled over it. */
function priedAtCell(index: IndexedModel, state: JobState, id: string): boolean {
  const bond = index.bonds.get(id);
  const cell = index.cellSlot;
  if (!bond || cell === undefined || pieceInSlot(state, cell) === undefined) return false;
  if (bond.holds.includes(cell))
    return bond.kind !== 'stretch-strip' || state.acted[`solvent ${id}`] !== undefined;
  return bond.kind === 'glue' && bond.holds.some((slot) => index.slots.get(slot)?.kind === 'back');
}
/** Stations that warm the device as a whole and not one edge of it. */
const warmsWhole: ReadonlySet<string> = new Set(generalStations.filter((s) => s.whole).map((s) => s.id));
