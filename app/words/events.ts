import type { Body } from '../../core/job/events';
import type { IndexedModel } from '../../core/model/index-model';
import { actText, taskName } from './steps';
import { functionName, pieceName, resultName, stationName, thingName } from './things';

/** One event in words, for the report, the log and the message about another bench. */
export function eventText(index: IndexedModel, b: Body): string {
  const name = (id: string) => thingName(index, id);
  switch (b.type) {
    case 'opened': return 'received the device';
    case 'marked': return `${b.mark.kind} noted on the ${b.mark.side}`;
    case 'unmarked': return 'mark removed';
    case 'conditionSet': return `set “${b.condition}”: ${b.because}`;
    case 'conditionCleared': return `cleared “${b.condition}”: ${b.reason}`;
    case 'checked': return `${functionName[b.function]}, ${b.round}: ${resultName[b.result]}${b.note ? ` (${b.note})` : ''}`;
    case 'received': return 'receiving finished';
    case 'routeAdopted': return 'took a route';
    case 'consentGiven': return `owner agreed (${b.by})`;
    case 'screwOut': return `${b.fastener} is out`;
    case 'screwIn': return b.piece === `${b.fastener}#1` ? `${b.fastener} is in` : `${pieceName(index, b.piece)} is in ${b.fastener}`;
    case 'connectorOff': return `${name(b.connector)} is off`;
    case 'connectorOn': return `${name(b.connector)} is on`;
    case 'bondReleased': return `${name(b.bond)} ${b.torn ? 'tore' : 'came away'}`;
    case 'bondRenewed': return `${name(b.bond)} renewed`;
    case 'catchFreed': return `${name(b.catch)} is free`;
    case 'catchHooked': return `${name(b.catch)} is hooked`;
    case 'pieceMoved': return `${name(b.slot)} is ${b.pose}`;
    case 'pieceFitted': return `${pieceName(index, b.piece)} is in`;
    case 'pieceSetAside': return `${pieceName(index, b.piece, [b.piece.split('#')[0]!])} put aside: ${b.to}`;
    case 'filmOff': return 'film is off';
    case 'maskOn': return 'masking tape on';
    case 'maskOff': return 'masking tape off';
    case 'heatStarted': return `on the ${stationName(index, b.station)}`;
    case 'heatEnded': return 'off the heat';
    case 'solventApplied': return `alcohol on the ${name(b.bond)}`;
    case 'rimCleaned': return 'rim is clean';
    case 'sealApplied': return 'new seal is down';
    case 'linerOff': return 'last liner is off';
    case 'leftUnsealed': return `closed without a seal: ${b.reason}`;
    case 'deviceClosed': return 'device is closed';
    case 'lost': return `${pieceName(index, b.piece)} is adrift`;
    case 'found': return `${pieceName(index, b.piece)} is found`;
    case 'strayFound': return `a stray piece was found: ${b.note}`;
    case 'strayRemoved': return `${b.stray} is out: ${b.note}`;
    case 'noted': return b.text;
    case 'enrolled': return `${b.what} enrolled for testing`;
    case 'unenrolled': return `${b.what} for testing removed`;
    case 'acted': return actText(index, b.act, b.target);
    case 'taskSet': return b.action === 'none' ? `task dropped: ${name(b.slot)}` : `task: ${taskName[b.action]} the ${name(b.slot)}`;
    case 'dataRead': return `identity data of the ${name(b.slot)} read and saved`;
    case 'dataWritten': return `identity data of the ${name(b.slot)} written${b.verified ? ' and verified' : ''}`;
    case 'dataDeclined': return `identity data of the ${name(b.slot)} declined: ${b.reason}`;
    case 'stepPassed': return `${b.round} check passed`;
    case 'answered': return `answered: ${b.answer}`;
    case 'retracted': return 'took back the latest entry';
    case 'corrected': return `corrected: ${b.truth} (${b.reason})`;
    case 'overridden': return `passed “${b.rule}”: ${b.reason}`;
    case 'jobClosed': return b.ending;
  }
}
