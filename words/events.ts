import type { Body, BodyOf, BodyType } from '../core/log/events';
import type { IndexedModel } from '../core/model/index-model';
import { consentName } from './consents';
import { causeName, symptomName, testName } from './fault';
import { remedyName } from './remedies';
import { actText, taskName } from './steps';
import { holderOf } from '../core/vocabulary/pieces';
import { functionName, pieceName, placeText, plural, resultName, stationName, thingName } from './things';

/**
 * One event in words, for the report, the log and the message about another bench. One that this version cannot read is
 * said to be so: a page with it is shown all the same.
 */
export function eventText(index: IndexedModel, body: Body): string {
  try {
    return textOf(index, body) ?? notRead(body);
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
  checked: (b) =>
    `${functionName[b.function]}, ${b.round}: ${resultName[b.result]}${b.note ? ` (${b.note})` : ''}`,
  received: () => 'receiving finished',
  routeAdopted: () => 'took a route',
  consentGiven: (b, { index }) =>
    `owner agreed: ${consentName(index, b.effect)}${b.answer ? `, ${b.answer}` : ''} (${b.by}${b.signature ? ', signed' : ''})`,
  symptomSet: (b) => `${b.on ? 'symptom' : 'symptom dropped'}: ${symptomName(b.symptom)}`,
  testBegun: (b) => `test begun: ${testName(b.test)}`,
  tested: (b) => `${testName(b.test)}: ${b.outcome}${b.note ? ` (${b.note})` : ''}`,
  testDeclined: (b) => `test declined: ${testName(b.test)} (${b.reason})`,
  causeStated: (b) =>
    b.cause === 'none' ? 'fault open again' : `fault found: ${causeName(b.cause)} (${b.because})`,
  photographed: (b, { name }) => (b.thing ? `photographed: ${name(b.thing)}` : 'photographed'),
  remedySet: (b, { name }) => `identity of the ${name(b.slot)}: ${remedyName[b.remedy]}`,
  partChosen: (b, { name }) =>
    `part chosen for the ${name(b.slot)}: ${b.name}, ${b.provenance}${b.serial ? `, serial ${b.serial}` : ''}`,
  partDropped: (b, { name }) => `part for the ${name(b.slot)} put back into stock`,
  quoted: (b) => `quoted, advice: ${b.advice}`,
  promised: (b) => `promised${b.as ? `: ${b.as}` : ''}`,
  screwOut: (b) => `${b.fastener} is out`,
  screwIn: (b, { index }) =>
    b.piece === `${b.fastener}#1`
      ? `${b.fastener} is in`
      : `${pieceName(index, b.piece)} is in ${b.fastener}`,
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
  pieceSetAside: (b, { index }) =>
    `${pieceName(index, b.piece, [b.piece.split('#')[0]!])} put aside: ${b.to}`,
  leakTested: (b) =>
    `leak test: ${b.holds ? 'it holds' : 'it does not hold'}${b.lost ? `, ${b.lost.value} ${b.lost.unit} lost` : ''}`,
  phoneAsked: (b) =>
    `asked: ${b.charge === undefined ? 'charge not known' : `charge ${b.charge} %`}, backup ${b.backup}, locked to an account: ${b.locked}${b.displayOriginal ? ', factory display' : ''}`,
  systemSet: (b) => `system version ${b.version}${b.preRelease ? ', a pre-release' : ''}`,
  screwsBagged: (b) => `${plural(b.pieces.length, 'old screw')} counted into the owner’s bag`,
  filmOff: () => 'film is off',
  maskOn: () => 'masking tape on',
  maskOff: () => 'masking tape off',
  heatStarted: (b, { index }) => `on the ${stationName(index, b.station)}`,
  heatEnded: () => 'off the heat',
  solventApplied: (b, { name }) => `alcohol on the ${name(b.bond)}`,
  rimCleaned: (b, { name }) => (b.bond ? `rim under the ${name(b.bond)} is clean` : 'rim is clean'),
  sealApplied: () => 'new seal is down',
  linerOff: () => 'last liner is off',
  leftUnsealed: (b) => `closed without a seal: ${b.reason}`,
  deviceClosed: () => 'device is closed',
  lost: (b, { index }) => `${pieceName(index, b.piece)} is adrift`,
  found: (b, { index }) => `${pieceName(index, b.piece)} is found`,
  strayFound: (b) => `a stray piece was found: ${b.note}`,
  strayRemoved: (b) => `${b.stray} is out: ${b.note}`,
  noted: (b, { name }) =>
    `${b.thing ? `${name(b.thing)}: ` : ''}${b.text}${b.finding ? ' (not as the model says)' : ''}`,
  troubled: (b, { name }) => `${b.kind}: ${name(b.thing)}${b.note ? ` (${b.note})` : ''}`,
  troubleEnded: (b, { name }) => `settled, ${b.kind}: ${name(b.thing)} (${b.how})`,
  transferSet: (b, { index, name }) => {
    if (index.bonds.has(b.part))
      return `${name(b.part)}: ${b.outcome === 'on the new one' ? `came on the new ${name(b.slot)}` : 'a new one is laid'}`;
    return `${name(b.part)} of the old ${name(b.slot)}: ${b.outcome}`;
  },
  takenOver: (b) => `took over${b.bench ? ` at ${b.bench}` : ''}`,
  truthNamed: (b, { index }) => `looked: ${claimText(index, b.about, b.value)}`,
  enrolled: (b) => `${b.what} enrolled for testing`,
  unenrolled: (b) => `${b.what} for testing removed`,
  acted: (b, { index }) => actText(index, b.act, b.target),
  taskSet: (b, { name }) =>
    b.action === 'none' ? `task dropped: ${name(b.slot)}` : `task: ${taskName[b.action]} the ${name(b.slot)}`,
  dataRead: (b, { name }) => `identity data of the ${name(b.slot)} read and saved`,
  dataWritten: (b, { name }) =>
    `identity data of the ${name(b.slot)} written${b.verified ? ' and verified' : ''}`,
  dataDeclined: (b, { name }) => `identity data of the ${name(b.slot)} declined: ${b.reason}`,
  stepPassed: (b) => `${b.round} check passed`,
  answered: (b) => `answered: ${b.answer}`,
  retracted: () => 'took back the latest entry',
  corrected: (b) => `corrected: ${b.truth} (${b.reason})`,
  overridden: (b) => `passed “${b.rule}”: ${b.reason}`,
  jobClosed: (b) => b.ending,
};
function textOf(index: IndexedModel, b: Body): string | undefined {
  if (!Object.hasOwn(texts, b.type)) return undefined;
  const text = texts[b.type] as (b: Body, say: Saying) => string;
  return text(b, { index, name: (id) => thingName(index, id) });
}

const measureText = (m: { lengthMm: number; headMm?: number | undefined }) =>
  `${m.lengthMm} mm${m.headMm === undefined ? '' : `, head ${m.headMm} mm`}`;
/** One account of a thing: `screw C3 is in its hole`. */
export function claimText(index: IndexedModel, about: string, value: string): string {
  const [kind, id] = [about.slice(0, about.indexOf(' ')), about.slice(about.indexOf(' ') + 1)];
  return kind === 'piece'
    ? `${pieceName(index, id)} ${value === `hole/${holderOf(id)}` ? 'is in its own hole' : placeText(value)}`
    : `${thingName(index, id)} is ${value}`;
}
