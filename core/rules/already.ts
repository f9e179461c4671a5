import { isWarm } from '../thermal/sources';
import { trialOf } from '../rework/work-plan';
import type { IndexedModel } from '../model/index-model';
import type { Body, BodyOf } from '../log/events';
import { flag, type JobState } from '../log/state';
import { isHooked, isOn, placeOf, poseOf, openState } from '../log/view';

type Says = {
  [T in Body['type']]?: (state: JobState, body: BodyOf<T>, index: IndexedModel) => boolean;
};
/** For each kind of fact that can be reported twice: whether the state says it already. */
const says: Says = {
  opened: (state) => state.seq > 0,
  screwOut: (state, body, index) => placeOf(state, body.piece, index) === `mat/${body.fastener}`,
  screwIn: (state, body, index) => placeOf(state, body.piece, index) === `hole/${body.fastener}`,
  spilled: (state, body) => body.pieces.every((p) => state.place[p] === 'mixed'),
  sorted: (state, body) =>
    body.screws.every((s) => state.place[s.piece] === `mat/${s.piece.slice(0, s.piece.lastIndexOf('#'))}`),
  screwMeasured: (state, body) => {
    const screwSpec = state.spec[body.piece];
    return (
      screwSpec !== undefined &&
      screwSpec.lengthMm === body.lengthMm &&
      (body.headMm === undefined || screwSpec.headMm === body.headMm)
    );
  },
  substituted: (state, body) => state.place[body.piece] === `mat/${body.fastener}`,
  connectorOff: (state, body) => !isOn(state, body.connector),
  connectorOn: (state, body) => isOn(state, body.connector),
  bondReleased: (state, body) => state.bond[body.bond] === (body.torn ? 'torn' : 'released'),
  bondRenewed: (state, body) => state.bond[body.bond] === 'renewed',
  catchFreed: (state, body) => !isHooked(state, body.catch),
  catchHooked: (state, body) => isHooked(state, body.catch),
  // a piece that is out and is reported folded: recorded once, as the contradiction that it is
  pieceMoved: (state, body) => poseOf(state, body.slot) === body.pose || state.pose[body.slot] === body.pose,
  pieceFitted: (state, body, index) =>
    placeOf(state, body.piece, index) === `slot/${body.slot}` && poseOf(state, body.slot) === body.pose,
  pieceSetAside: (state, body) => state.place[body.piece] === `aside/${body.to}`,
  screwsBagged: (state, body) => body.pieces.every((p) => state.place[p]?.startsWith('aside/')),
  lost: (state, body) => state.place[body.piece] === 'adrift',
  found: (state, body) => state.place[body.piece] !== 'adrift',
  reworkBegun: (state, body) => {
    const work = state.rework[body.slot];
    return work !== undefined && work.outcome === undefined && work.kind === body.kind;
  },
  // of work that was not begun there is nothing to say
  reworkHeatStarted: (state, body) => state.rework[body.slot]?.heat?.step === body.step,
  reworkStepped: (state, body) => state.rework[body.slot]?.done.includes(body.step) ?? true,
  // what is not plugged in cannot be tried, and what works is not tried again
  reworkTried: (state, { slot }) => {
    const work = state.rework[slot];
    return !work || work.done.includes(trialOf[work.kind]) || !work.done.includes('plug in');
  },
  reworkEnded: (state, body) => {
    const work = state.rework[body.slot];
    return work === undefined || work.outcome === body.outcome;
  },
  padsSeen: (state, body) => {
    const seen = state.pads[`${body.slot} ${body.side}`];
    return seen !== undefined && Object.entries(body.pads).every(([pad, is]) => seen[pad] === is);
  },
  acted: (state, body) => (state.acted[`${body.act} ${body.target}`] ?? 0) > (flag(state, 'closedAt') ?? 0),
  leakTested: (state, body) => {
    const leak = flag(state, 'leak');
    // the same verdict with a figure that was not there before is news: it may be proof where the other was none
    const sameFigure = body.lost === undefined || body.lost.value === leak?.lost?.value;
    return (
      leak !== undefined &&
      leak.seq > (flag(state, 'closedAt') ?? 0) &&
      leak.holds === body.holds &&
      body.measured === undefined &&
      sameFigure
    );
  },
  taskSet: (state, body) => (state.task[body.slot] ?? 'none') === body.action,
  symptomSet: (state, body) => (state.symptom[body.symptom] !== undefined) === body.on,
  testBegun: (state, body) =>
    state.test[body.test] !== undefined && state.test[body.test]!.declined === undefined,
  tested: (state, body) =>
    state.test[body.test]?.outcome === body.outcome &&
    (body.note ?? '') === (state.test[body.test]?.note ?? ''),
  testDeclined: (state, body) => state.test[body.test]?.declined === body.reason,
  causeStated: (state, body) => {
    const found = flag(state, 'cause');
    return body.cause === 'none' ? !found : found?.id === body.cause && found.because === body.because;
  },
  consentGiven: (state, body) =>
    state.consent[body.effect] === body.by &&
    (body.answer === undefined || state.answer[body.effect] === body.answer) &&
    (body.signature === undefined || state.signature[body.effect] === body.signature),
  quoted: (state, body) => {
    const quoteEntry = flag(state, 'quote');
    return (
      quoteEntry !== undefined &&
      (Object.keys(body) as (keyof typeof body)[]).every((k) => k === 'type' || quoteEntry[k] === body[k])
    );
  },
  promised: (state, body) => flag(state, 'promisedAt') === body.at && flag(state, 'promisedAs') === body.as,
  photographed: (state, body) => state.photo[body.photo] !== undefined,
  remedySet: (state, body) => state.remedy[body.slot] === body.remedy,
  partChosen: (state, body) => state.part[body.slot]?.part === body.part,
  partDropped: (state, body) => state.part[body.slot] === undefined,
  dataRead: (state, body) => state.data[body.slot] !== undefined,
  dataDeclined: (state, body) => state.data[body.slot] === 'declined',
  filmOff: (state, body) => state.film[body.film] === 'off',
  maskOn: (state, body) => state.mask[body.mask] === 'on',
  maskOff: (state, body) => state.mask[body.mask] !== 'on',
  conditionSet: (state, body) => !!state.condition[body.condition],
  conditionCleared: (state, body) => !state.condition[body.condition],
  systemSet: (state, body) =>
    flag(state, 'system')?.version === body.version && flag(state, 'system')?.preRelease === body.preRelease,
  checkMeasured: (state, { round, function: fn, measured }) =>
    state.measured[`${round} ${fn}`]?.id === measured.id,
  received: (state) => flag(state, 'received') === true,
  handOverSeen: (state, body) => (state.handed[body.item] !== undefined) === body.seen,
  rimCleaned: (state, body) =>
    body.what !== undefined
      ? !(state.rimDue[body.bond ?? 'rim'] ?? []).includes(body.what) && cleaned(state, body.bond)
      : cleaned(state, body.bond),
  sealApplied: (state) => flag(state, 'seal') === 'applied',
  linerOff: (state) => flag(state, 'liner') === 'off' || !!flag(state, 'unsealed'),
  deviceClosed: (state, _body, index) => openState(state, index) === 'closed',
  heatStarted: (state) => !!flag(state, 'heat'),
  heatEnded: (state) => !flag(state, 'heat'),
  chargeSeen: (state, body) => flag(state, 'chargeSeen') === body.percent,
  // told where it changes something: warm no longer, or again
  sourceRead: (state, body) => {
    const heat = flag(state, 'heat');
    return (
      !heat || heat.setC === undefined || isWarm(body.celsius, heat.setC) === (heat.coldSince === undefined)
    );
  },
  heatWindowFitted: (state, body) => {
    const heat = flag(state, 'heat');
    const s = (ms: number | undefined) => (ms === undefined ? ms : (ms - heat!.since) / 1000);
    return (
      !heat ||
      (heat.readings === body.readings &&
        s(heat.opensAt) === body.opensS &&
        s(heat.closesAt) === body.closesS)
    );
  },
  answered: (state, body) => !state.question[body.question],
  truthNamed: (state, body) => !state.question[body.question],
  troubled: (state, body) => !!state.trouble[`${body.kind} ${body.thing}`],
  troubleEnded: (state, body) => !state.trouble[`${body.kind} ${body.thing}`],
  transferSet: (state, body) => state.transfer[`${body.slot}/${body.part}`] === body.outcome,
  retracted: (state, body) => state.retracted[body.event] !== undefined,
  stepPassed: (state, body) => state.progress[`${body.passed} `] === 1,
  strayRemoved: (state, body) => state.stray[body.stray] !== 'inside',
  unlocked: (state, body) => state.enrolment[body.what] !== 'made',
  unenrolled: (state, body) => state.enrolment[body.what] !== 'made',
  jobClosed: (state) => flag(state, 'ending') !== undefined,
};
/** The kinds of facts of which one can be said twice. */
export const saidTwice = Object.keys(says) as readonly Body['type'][];
/** Whether the state already says what a fact reports, so that two benches that report one screw give one event. */
export function isAlready(index: IndexedModel, state: JobState, body: Body): boolean {
  const already = says[body.type] as
    | ((state: JobState, body: Body, index: IndexedModel) => boolean)
    | undefined;
  return already?.(state, body, index) ?? false;
}
/** Whether the frame's own rim has been cleaned since it was opened; of another seal, for the one that lies there. */
const cleaned = (state: JobState, bond: string | undefined): boolean =>
  bond === undefined
    ? flag(state, 'rimClean') === true
    : state.acted[`rim ${bond}`] !== undefined && state.bond[bond] === 'renewed';
