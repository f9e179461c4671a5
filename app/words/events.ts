import type { Body } from '../../core/job/events';
import type { IndexedModel } from '../../core/model/index-model';
import { consentName } from './consents';
import { causeName, symptomName, testName } from './fault';
import { remedyName } from './remedies';
import { actText, taskName } from './steps';
import { holderOf } from '../../core/job/state';
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
function textOf(index: IndexedModel, b: Body): string {
  const name = (id: string) => thingName(index, id);
  switch (b.type) {
    case 'opened':
      return 'received the device';
    case 'marked':
      return `${b.mark.kind} noted on the ${b.mark.side}`;
    case 'unmarked':
      return 'mark removed';
    case 'conditionSet':
      return `set “${b.condition}”: ${b.because}`;
    case 'conditionCleared':
      return `cleared “${b.condition}”: ${b.reason}`;
    case 'checked':
      return `${functionName[b.function]}, ${b.round}: ${resultName[b.result]}${b.note ? ` (${b.note})` : ''}`;
    case 'received':
      return 'receiving finished';
    case 'routeAdopted':
      return 'took a route';
    case 'consentGiven':
      return `owner agreed: ${consentName(index, b.effect)}${b.answer ? `, ${b.answer}` : ''} (${b.by}${b.signature ? ', signed' : ''})`;
    case 'symptomSet':
      return `${b.on ? 'symptom' : 'symptom dropped'}: ${symptomName(b.symptom)}`;
    case 'testBegun':
      return `test begun: ${testName(b.test)}`;
    case 'tested':
      return `${testName(b.test)}: ${b.outcome}${b.note ? ` (${b.note})` : ''}`;
    case 'testDeclined':
      return `test declined: ${testName(b.test)} (${b.reason})`;
    case 'causeStated':
      return b.cause === 'none' ? 'fault open again' : `fault found: ${causeName(b.cause)} (${b.because})`;
    case 'photographed':
      return b.thing ? `photographed: ${name(b.thing)}` : 'photographed';
    case 'remedySet':
      return `identity of the ${name(b.slot)}: ${remedyName[b.remedy]}`;
    case 'partChosen':
      return `part chosen for the ${name(b.slot)}: ${b.name}, ${b.provenance}${b.serial ? `, serial ${b.serial}` : ''}`;
    case 'partDropped':
      return `part for the ${name(b.slot)} put back into stock`;
    case 'quoted':
      return `quoted, advice: ${b.advice}`;
    case 'promised':
      return `promised${b.as ? `: ${b.as}` : ''}`;
    case 'screwOut':
      return `${b.fastener} is out`;
    case 'screwIn':
      return b.piece === `${b.fastener}#1`
        ? `${b.fastener} is in`
        : `${pieceName(index, b.piece)} is in ${b.fastener}`;
    case 'screwMeasured':
      return `${pieceName(index, b.piece)} measured: ${measureText(b)}`;
    case 'spilled':
      return `${plural(b.pieces.length, 'screw')} mixed up`;
    case 'sorted':
      return `${plural(b.screws.length, 'screw')} sorted by measure`;
    case 'substituted':
      return `another screw for ${b.fastener}: ${b.drive}, ${b.thread}, ${b.lengthMm} mm`;
    case 'reseated':
      return `${name(b.connector)} reseated`;
    case 'connectorOff':
      return `${name(b.connector)} is off`;
    case 'connectorOn':
      return `${name(b.connector)} is on`;
    case 'bondReleased':
      return `${name(b.bond)} ${b.torn ? 'tore' : 'came away'}`;
    case 'bondRenewed':
      return `${name(b.bond)} renewed`;
    case 'catchFreed':
      return `${name(b.catch)} is free`;
    case 'catchHooked':
      return `${name(b.catch)} is hooked`;
    case 'pieceMoved':
      return `${name(b.slot)} is ${b.pose}`;
    case 'pieceFitted':
      return `${pieceName(index, b.piece)} is in`;
    case 'pieceSetAside':
      return `${pieceName(index, b.piece, [b.piece.split('#')[0]!])} put aside: ${b.to}`;
    case 'leakTested':
      return `leak test: ${b.holds ? 'it holds' : 'it does not hold'}${b.lost ? `, ${b.lost.value} ${b.lost.unit} lost` : ''}`;
    case 'phoneAsked':
      return `asked: ${b.charge === undefined ? 'charge not known' : `charge ${b.charge} %`}, backup ${b.backup}, locked to an account: ${b.locked}${b.displayOriginal ? ', factory display' : ''}`;
    case 'systemSet':
      return `system version ${b.version}${b.preRelease ? ', a pre-release' : ''}`;
    case 'screwsBagged':
      return `${plural(b.pieces.length, 'old screw')} counted into the owner’s bag`;
    case 'filmOff':
      return 'film is off';
    case 'maskOn':
      return 'masking tape on';
    case 'maskOff':
      return 'masking tape off';
    case 'heatStarted':
      return `on the ${stationName(index, b.station)}`;
    case 'heatEnded':
      return 'off the heat';
    case 'solventApplied':
      return `alcohol on the ${name(b.bond)}`;
    case 'rimCleaned':
      return b.bond ? `rim under the ${name(b.bond)} is clean` : 'rim is clean';
    case 'sealApplied':
      return 'new seal is down';
    case 'linerOff':
      return 'last liner is off';
    case 'leftUnsealed':
      return `closed without a seal: ${b.reason}`;
    case 'deviceClosed':
      return 'device is closed';
    case 'lost':
      return `${pieceName(index, b.piece)} is adrift`;
    case 'found':
      return `${pieceName(index, b.piece)} is found`;
    case 'strayFound':
      return `a stray piece was found: ${b.note}`;
    case 'strayRemoved':
      return `${b.stray} is out: ${b.note}`;
    case 'noted':
      return `${b.thing ? `${name(b.thing)}: ` : ''}${b.text}${b.finding ? ' (not as the model says)' : ''}`;
    case 'troubled':
      return `${b.kind}: ${name(b.thing)}${b.note ? ` (${b.note})` : ''}`;
    case 'eased':
      return `settled, ${b.kind}: ${name(b.thing)} (${b.how})`;
    case 'fated':
      if (index.bonds.has(b.rider))
        return `${name(b.rider)}: ${b.fate === 'on the new one' ? `came on the new ${name(b.slot)}` : 'a new one is laid'}`;
      return `${name(b.rider)} of the old ${name(b.slot)}: ${b.fate}`;
    case 'takenOver':
      return `took over${b.bench ? ` at ${b.bench}` : ''}`;
    case 'truthNamed':
      return `looked: ${claimText(index, b.about, b.value)}`;
    case 'enrolled':
      return `${b.what} enrolled for testing`;
    case 'unenrolled':
      return `${b.what} for testing removed`;
    case 'acted':
      return actText(index, b.act, b.target);
    case 'taskSet':
      return b.action === 'none'
        ? `task dropped: ${name(b.slot)}`
        : `task: ${taskName[b.action]} the ${name(b.slot)}`;
    case 'dataRead':
      return `identity data of the ${name(b.slot)} read and saved`;
    case 'dataWritten':
      return `identity data of the ${name(b.slot)} written${b.verified ? ' and verified' : ''}`;
    case 'dataDeclined':
      return `identity data of the ${name(b.slot)} declined: ${b.reason}`;
    case 'stepPassed':
      return `${b.round} check passed`;
    case 'answered':
      return `answered: ${b.answer}`;
    case 'retracted':
      return 'took back the latest entry';
    case 'corrected':
      return `corrected: ${b.truth} (${b.reason})`;
    case 'overridden':
      return `passed “${b.rule}”: ${b.reason}`;
    case 'jobClosed':
      return b.ending;
  }
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
