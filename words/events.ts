import { handOverText } from './hand-over';
import { pressText } from './press-text';
import type { Body, BodyOf, BodyType } from '../core/log/events';
import type { IndexedModel } from '../core/model/index-model';
import { consentName } from './consents';
import { causeName, symptomName, testName } from './fault';
import { figuresText, whyText } from './measured';
import { remedyName } from './remedies';
import { actText } from './acts';
import { taskName } from './steps';
import { holderOf } from '../core/vocabulary/pieces';
import { left } from './time';
import { pieceName, placeText, plural, resultName, stationName, thingName } from './things';
import { functionName } from './functions';
import { heatingName, kindOfRework, padsText, reworkStepName, schoolOfAir, trialSaid } from './rework';

/**
 * One event in words, for the report, the log and the message about another bench. One that this version cannot read is
 * said to be so: a page with it is shown all the same.
 */
export function eventText(index: IndexedModel, body: Body): string {
  try {
    const text = textOf(index, body) ?? notRead(body);
    // what a stand-in said is never taken for a reading
    return 'simulated' in body && body.simulated ? `${text} (simulated)` : text;
  } catch {
    return notRead(body);
  }
}
const notRead = (body: { type: string }) => `an entry that this version does not understand (${body.type})`;
/** What an entry's words are made with. */
interface Saying {
  index: IndexedModel;
  name: (id: string) => string;
}
const texts: { [K in BodyType]: (b: BodyOf<K>, say: Saying) => string } = {
  opened: () => 'received the device',
  marked: (b) => `${b.mark.kind} noted on the ${b.mark.side}`,
  unmarked: () => 'mark removed',
  conditionSet: (b) => `set “${b.condition}”: ${b.because}`,
  conditionCleared: (b) => `cleared “${b.condition}”: ${b.reason}`,
  checked: (body) =>
    `${functionName[body.function]}, ${body.round}: ${resultName[body.result]}${body.note ? ` (${body.note})` : ''}`,
  received: () => 'receiving finished',
  routeAdopted: () => 'took a route',
  consentGiven: (body, { index }) =>
    `owner agreed: ${consentName(index, body.effect)}${body.answer ? `, ${body.answer}` : ''} (${body.by}${body.signature ? ', signed' : ''})`,
  symptomSet: (b) => `${b.on ? 'symptom' : 'symptom dropped'}: ${symptomName(b.symptom)}`,
  testBegun: (b) => `test begun: ${testName(b.test)}`,
  tested: (b) => `${testName(b.test)}: ${b.outcome}${b.note ? ` (${b.note})` : ''}`,
  testDeclined: (b) => `test declined: ${testName(b.test)} (${b.reason})`,
  causeStated: (body) =>
    body.cause === 'none' ? 'fault open again' : `fault found: ${causeName(body.cause)} (${body.because})`,
  photographed: (b, { name }) => (b.thing ? `photographed: ${name(b.thing)}` : 'photographed'),
  remedySet: (b, { name }) => `identity of the ${name(b.slot)}: ${remedyName[b.remedy]}`,
  partChosen: (b, { name }) =>
    `part chosen for the ${name(b.slot)}: ${b.name}, ${b.provenance}${b.serial ? `, serial ${b.serial}` : ''}`,
  partDropped: (b, { name }) => `part for the ${name(b.slot)} put back into stock`,
  quoted: (b) => `quoted, advice: ${b.advice}`,
  promised: (b) => `promised${b.as ? `: ${b.as}` : ''}`,
  met: ({ thing, off }) => {
    const what = thing.kind === 'fastener' ? `${thing.name}, ${thing.lengthMm} mm` : thing.name;
    return off ? `${what}: met, and off` : `${what}: met`;
  },
  screwOut: (b) => `${b.fastener} is out`,
  screwIn: (body, { index }) =>
    body.piece === `${body.fastener}#1`
      ? `${body.fastener} is in`
      : `${pieceName(index, body.piece)} is in ${body.fastener}`,
  screwMeasured: (b, { index }) => `${pieceName(index, b.piece)} measured: ${measureText(b)}`,
  spilled: (b) => `${plural(b.pieces.length, 'screw')} mixed up`,
  sorted: (b) => `${plural(b.screws.length, 'screw')} sorted by measure`,
  substituted: (b) => `another screw for ${b.fastener}: ${b.drive}, ${b.thread}, ${b.lengthMm} mm`,
  reseated: (b, { name }) => `${name(b.connector)} reseated`,
  connectorOff: (b, { name }) => `${name(b.connector)} is off`,
  connectorOn: (b, { name }) => `${name(b.connector)} is on`,
  bondReleased: (b, { name }) => `${name(b.bond)} ${b.torn ? 'tore' : 'came away'}`,
  bondRenewed: (b, { name }) => `${name(b.bond)} renewed`,
  catchFreed: (b, { name }) => `${name(b.catch)} is free`,
  catchHooked: (b, { name }) => `${name(b.catch)} is hooked`,
  pieceMoved: (b, { name }) => `${name(b.slot)} is ${b.pose}`,
  pieceFitted: (b, { index }) => `${pieceName(index, b.piece)} is in`,
  pieceSetAside: (body, { index }) =>
    `${pieceName(index, body.piece, [body.piece.split('#')[0]!])} put aside: ${body.to}`,
  pressRead: pressText,
  handOverSeen: (b) => `${b.seen ? 'seen to' : 'not seen to yet'}: ${handOverText[b.item]}`,
  leakTested: (body) =>
    `leak test: ${body.holds ? 'it holds' : 'it does not hold'}${body.lost ? `, ${body.lost.value} ${body.lost.unit} lost` : ''}`,
  phoneAsked: (body) =>
    `asked: ${body.charge === undefined ? 'charge not known' : `charge ${body.charge} %`}, backup ${body.backup}, locked to an account: ${body.locked}${body.displayOriginal ? ', factory display' : ''}`,
  checkMeasured: (b) =>
    `the phone measured ${functionName[b.function]}: ${figuresText(b.measured) || resultName[b.measured.verdict === 'unclear' ? 'untested' : b.measured.verdict]}${b.measured.because ? `; ${whyText(b.measured.because, b.measured.figures)}` : ''}`,
  systemSet: (b) => `system version ${b.version}${b.preRelease ? ', a pre-release' : ''}`,
  screwsBagged: (b) => `${plural(b.pieces.length, 'old screw')} counted into the owner’s bag`,
  filmOff: () => 'film is off',
  maskOn: () => 'masking tape on',
  maskOff: () => 'masking tape off',
  heatStarted: (b, { index }) => `on the ${stationName(index, b.station)}`,
  heatEnded: () => 'off the heat',
  glassRead: (b) => `the glass reads ${b.celsius} °C${b.again ? ', read twice' : ''}`,
  chargeSeen: (b) => `it shows ${b.percent} % of charge`,
  sourceRead: (b) => `what warms it reads ${b.celsius.toFixed(0)} °C`,
  heatWindowFitted: (b) =>
    b.opensS === undefined || b.closesS === undefined
      ? `no time on this heat is right${fromReadings(b.readings)}`
      : `off between ${left(b.opensS)} and ${left(b.closesS)}${fromReadings(b.readings)}`,
  solventApplied: (b, { name }) => `alcohol on the ${name(b.bond)}`,
  rimCleaned: ({ bond, what }, { name }) =>
    what ? rimText[what] : bond ? `rim under the ${name(bond)} is clean` : 'rim is clean',
  sealApplied: () => 'new seal is down',
  linerOff: () => 'last liner is off',
  leftUnsealed: (b) => `closed without a seal: ${b.reason}`,
  deviceClosed: () => 'device is closed',
  lost: (b, { index }) => `${pieceName(index, b.piece)} is adrift`,
  found: (b, { index }) => `${pieceName(index, b.piece)} is found`,
  strayFound: (b) => `a stray piece was found: ${b.note}`,
  strayRemoved: (b) => `${b.stray} is out: ${b.note}`,
  noted: (body, { name }) =>
    `${body.thing ? `${name(body.thing)}: ` : ''}${body.text}${body.finding ? ' (not as the model says)' : ''}`,
  troubled: (b, { name }) => `${b.kind}: ${name(b.thing)}${b.note ? ` (${b.note})` : ''}`,
  troubleEnded: (b, { name }) => `settled, ${b.kind}: ${name(b.thing)} (${b.how})`,
  transferSet: (body, { index, name }) => {
    if (index.bonds.has(body.part))
      return `${name(body.part)}: ${body.outcome === 'on the new one' ? `came on the new ${name(body.slot)}` : 'a new one is laid'}`;
    return `${name(body.part)} of the old ${name(body.slot)}: ${body.outcome}`;
  },
  takenOver: (b) => `took over${b.bench ? ` at ${b.bench}` : ''}`,
  truthNamed: (b, { index }) => `looked: ${claimText(index, b.about, b.value)}`,
  enrolled: (b) => `${b.what} enrolled for testing`,
  unlocked: (b) => `${b.what} unlocked it${b.knocked ? ' after a knock' : ''}`,
  unenrolled: (b) => `${b.what} for testing removed`,
  acted: (b, { index }) => actText(index, b.act, b.target),
  taskSet: (body, { name }) =>
    body.action === 'none'
      ? `task dropped: ${name(body.slot)}`
      : `task: ${taskName[body.action]} the ${name(body.slot)}`,
  dataRead: (b, { name }) => `identity data of the ${name(b.slot)} read and saved`,
  dataWritten: (body, { name }) =>
    `identity data of the ${name(body.slot)} written${body.verified ? ' and verified' : ''}`,
  dataDeclined: (b, { name }) => `identity data of the ${name(b.slot)} declined: ${b.reason}`,
  reworkBegun: (b, { name }) =>
    `rework begun at the ${name(b.slot)}: ${kindOfRework[b.kind]}, ${schoolOfAir[b.school]}${b.stencil ? `, stencil ${b.stencil}` : ''}`,
  reworkHeatStarted: (b, { name }) =>
    `${heatingName[b.by]}${b.setC === undefined ? '' : ` at ${b.setC} °C`}${b.airPercent === undefined ? '' : `, air ${b.airPercent} %`} on the ${name(b.slot)}: ${reworkStepName[b.step]}`,
  reworkStepped: (b, { name }) =>
    `${name(b.slot)}: ${reworkStepName[b.step]}${b.skipped ? ', left out' : ' done'}`,
  padsSeen: (b, { name }) => padsText(name(b.slot), b.side, b.pads),
  moduleTested: (b, { name }) =>
    `module test of the ${name(b.slot)}${b.again ? ', again' : ''}: ${b.fails.length ? `fails: ${b.fails.join(', ')}` : 'all parts answer'}`,
  reworkTried: (b, { name }) => `${name(b.slot)} tried: ${trialSaid[b.outcome]}`,
  reworkEnded: (b, { name }) =>
    `rework at the ${name(b.slot)} ended: ${b.outcome}${b.lost ? `, the ${b.lost}` : ''}`,
  stepPassed: (b) => `${b.round} check passed`,
  answered: (b) => `answered: ${b.answer}`,
  retracted: () => 'took back the latest entry',
  corrected: (b) => `corrected: ${b.truth} (${b.reason})`,
  overridden: (b) => `passed “${b.rule}”: ${b.reason}`,
  jobClosed: (b) => b.ending,
};
function textOf(index: IndexedModel, body: Body): string | undefined {
  if (!Object.hasOwn(texts, body.type)) return undefined;
  const text = texts[body.type] as (b: Body, say: Saying) => string;
  return text(body, { index, name: (id) => thingName(index, id) });
}

const fromReadings = (n: number) =>
  n ? `, from ${n === 1 ? 'one reading' : `${n} readings`} at the glass` : ', from how warm it still was';
const measureText = (m: { lengthMm: number; headMm?: number | undefined }) =>
  `${m.lengthMm} mm${m.headMm === undefined ? '' : `, head ${m.headMm} mm`}`;
/** One account of a thing: `screw C3 is in its hole`. */
export function claimText(index: IndexedModel, about: string, value: string): string {
  const [kind, id] = [about.slice(0, about.indexOf(' ')), about.slice(about.indexOf(' ') + 1)];
  return kind === 'piece'
    ? `${pieceName(index, id)} ${value === `hole/${holderOf(id)}` ? 'is in its own hole' : placeText(value)}`
    : `${thingName(index, id)} is ${value}`;
}
const rimText = {
  other: 'rim of the cover is clean',
  mesh: 'ear mesh is in its seat',
  dry: 'rims and inside are dry',
} as const;
