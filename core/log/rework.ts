import { doneAgain, looks, type ReworkStepId, trialOf, wetSteps } from '../rework/work-plan';
import { padSides, type PadState } from '../rework/pads';
import type { BodyOf, JobEvent } from './events';
import type { ReworkEntry } from './state';
import type { Writer } from './writer';

type Pads = Readonly<Record<string, PadState>>;

/** Work with air, iron or a lamp on it since a moment, ms. Of work that was not begun nothing becomes known. */
const heated = (
  work: ReworkEntry | undefined,
  { type: _, slot: _slot, extraction: _on, ...heat }: BodyOf<'reworkHeatStarted'>,
  since: number,
): ReworkEntry | undefined => work && { ...work, heat: { ...heat, since } };

const cooled = ({ heat: _, ...rest }: ReworkEntry): ReworkEntry => rest;
const without = (done: readonly ReworkStepId[], undone: readonly ReworkStepId[]) =>
  done.filter((id) => !undone.includes(id));

/**
 * Work with one step more behind it, and nothing on it. A look at pads or balls that found some which will not do leads
 * back to what puts them right.
 * @param pads what was seen at the side that the look is about
 */
function stepped(
  work: ReworkEntry | undefined,
  step: ReworkStepId,
  pads: Pads = {},
): ReworkEntry | undefined {
  if (!work) return undefined;
  const look = looks[step];
  if (look && Object.values(pads).some((is) => look.spoilt.includes(is)))
    return { ...cooled(work), done: without(work.done, look.again) };
  return { ...cooled(work), done: [...work.done, step] };
}
/** Pads and balls as they are known after a look: those that are put right now are looked at again. */
function afterLook(step: ReworkStepId, pads: Pads): Pads {
  const spoilt = looks[step]?.spoilt ?? [];
  return Object.fromEntries(Object.entries(pads).filter(([, is]) => !spoilt.includes(is)));
}
/** Work that was tried: what failed is warmed or seated once more, and tried again. Each try counts. */
function triedOnce(
  work: ReworkEntry | undefined,
  outcome: BodyOf<'reworkTried'>['outcome'],
): ReworkEntry | undefined {
  if (!work) return undefined;
  const tries = [...(work.tries ?? []), outcome];
  return outcome === 'works'
    ? { ...work, tries, done: [...work.done, trialOf[work.kind]] }
    : { ...work, tries, done: without(work.done, doneAgain[work.kind]) };
}
/** Work that has ended. */
const endedAs = (
  work: ReworkEntry | undefined,
  { outcome, lost }: Pick<BodyOf<'reworkEnded'>, 'outcome' | 'lost'>,
): ReworkEntry | undefined => work && { ...cooled(work), outcome, ...(lost ? { lost } : {}) };

/** What each event under the microscope changes. */
export const reworkChanges = {
  reworkBegun: (writer: Writer, { type: _, slot, ...work }: BodyOf<'reworkBegun'>) => {
    // pads and balls of the work before are not those of this one
    for (const side of padSides) if (side !== 'before') writer.set('pads', `${slot} ${side}`, undefined);
    writer.set('rework', slot, { ...work, done: [] });
  },
  reworkHeatStarted: (writer: Writer, body: BodyOf<'reworkHeatStarted'>, { at }: JobEvent) =>
    writer.set('rework', body.slot, heated(writer.state.rework[body.slot], body, at)),
  reworkStepped: (writer: Writer, body: BodyOf<'reworkStepped'>, { at, clockKnown }: JobEvent) => {
    const look = looks[body.step];
    const pads = look && writer.state.pads[`${body.slot} ${look.side}`];
    writer.set('rework', body.slot, stepped(writer.state.rework[body.slot], body.step, pads));
    if (look && pads) writer.set('pads', `${body.slot} ${look.side}`, afterLook(body.step, pads));
    // alcohol lies on it: no iron and no air before it has flashed off
    if (wetSteps.has(body.step) && !body.skipped)
      writer.set('flag', 'solventAt', { at, until: at, clockKnown });
  },
  moduleTested: (writer: Writer, { slot, fails, again }: BodyOf<'moduleTested'>) => {
    const work = writer.state.rework[slot];
    writer.set('rework', slot, work && { ...work, module: { fails, again } });
  },
  reworkTried: (writer: Writer, { slot, outcome }: BodyOf<'reworkTried'>) =>
    writer.set('rework', slot, triedOnce(writer.state.rework[slot], outcome)),
  padsSeen: (writer: Writer, { slot, side, pads }: BodyOf<'padsSeen'>) =>
    writer.set('pads', `${slot} ${side}`, { ...writer.state.pads[`${slot} ${side}`], ...pads }),
  reworkEnded: (writer: Writer, body: BodyOf<'reworkEnded'>) =>
    writer.set('rework', body.slot, endedAs(writer.state.rework[body.slot], body)),
};
