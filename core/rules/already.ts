import type { IndexedModel } from '../model/index-model';
import type { Body } from '../log/events';
import { flag, type JobState } from '../log/state';
import { isHooked, isOn, placeOf, poseOf, shutState } from '../log/view';

/** Whether the state already says what a fact reports, so that two benches that report one screw give one event. */
export function isAlready(index: IndexedModel, state: JobState, body: Body): boolean {
  switch (body.type) {
    case 'opened':
      return state.seq > 0;
    case 'screwOut':
      return placeOf(state, body.piece, index) === `mat/${body.fastener}`;
    case 'screwIn':
      return placeOf(state, body.piece, index) === `hole/${body.fastener}`;
    case 'spilled':
      return body.pieces.every((p) => state.place[p] === 'mixed');
    case 'sorted':
      return body.screws.every(
        (s) => state.place[s.piece] === `mat/${s.piece.slice(0, s.piece.lastIndexOf('#'))}`,
      );
    case 'screwMeasured': {
      const s = state.spec[body.piece];
      return (
        s !== undefined &&
        s.lengthMm === body.lengthMm &&
        (body.headMm === undefined || s.headMm === body.headMm)
      );
    }
    case 'substituted':
      return state.place[body.piece] === `mat/${body.fastener}`;
    case 'connectorOff':
      return !isOn(state, body.connector);
    case 'connectorOn':
      return isOn(state, body.connector);
    case 'bondReleased':
      return state.bond[body.bond] === (body.torn ? 'torn' : 'released');
    case 'bondRenewed':
      return state.bond[body.bond] === 'renewed';
    case 'catchFreed':
      return !isHooked(state, body.catch);
    case 'catchHooked':
      return isHooked(state, body.catch);
    // a piece that is out and is reported folded: recorded once, as the contradiction that it is
    case 'pieceMoved':
      return poseOf(state, body.slot) === body.pose || state.pose[body.slot] === body.pose;
    case 'pieceFitted':
      return (
        placeOf(state, body.piece, index) === `slot/${body.slot}` && poseOf(state, body.slot) === body.pose
      );
    case 'pieceSetAside':
      return state.place[body.piece] === `aside/${body.to}`;
    case 'screwsBagged':
      return body.pieces.every((p) => state.place[p]?.startsWith('aside/'));
    case 'lost':
      return state.place[body.piece] === 'adrift';
    case 'found':
      return state.place[body.piece] !== 'adrift';
    case 'acted':
      return (state.acted[`${body.act} ${body.target}`] ?? 0) > (flag(state, 'closedAt') ?? 0);
    case 'leakTested': {
      const leak = flag(state, 'leak');
      return leak !== undefined && leak.seq > (flag(state, 'closedAt') ?? 0) && leak.holds === body.holds;
    }
    case 'taskSet':
      return (state.task[body.slot] ?? 'none') === body.action;
    case 'symptomSet':
      return (state.symptom[body.symptom] !== undefined) === body.on;
    case 'testBegun':
      return state.test[body.test] !== undefined && state.test[body.test]!.declined === undefined;
    case 'tested':
      return (
        state.test[body.test]?.outcome === body.outcome &&
        (body.note ?? '') === (state.test[body.test]?.note ?? '')
      );
    case 'testDeclined':
      return state.test[body.test]?.declined === body.reason;
    case 'causeStated': {
      const found = flag(state, 'cause');
      return body.cause === 'none' ? !found : found?.id === body.cause && found.because === body.because;
    }
    case 'consentGiven':
      return (
        state.consent[body.effect] === body.by &&
        (body.answer === undefined || state.answer[body.effect] === body.answer) &&
        (body.signature === undefined || state.signature[body.effect] === body.signature)
      );
    case 'quoted': {
      const q = flag(state, 'quote');
      return (
        q !== undefined &&
        (Object.keys(body) as (keyof typeof body)[]).every((k) => k === 'type' || q[k] === body[k])
      );
    }
    case 'promised':
      return flag(state, 'promisedAt') === body.at && flag(state, 'promisedAs') === body.as;
    case 'photographed':
      return state.photo[body.photo] !== undefined;
    case 'remedySet':
      return state.remedy[body.slot] === body.remedy;
    case 'partChosen':
      return state.part[body.slot]?.part === body.part;
    case 'partDropped':
      return state.part[body.slot] === undefined;
    case 'dataRead':
      return state.data[body.slot] !== undefined;
    case 'dataDeclined':
      return state.data[body.slot] === 'declined';
    case 'filmOff':
      return state.film[body.film] === 'off';
    case 'maskOn':
      return state.mask[body.mask] === 'on';
    case 'maskOff':
      return state.mask[body.mask] !== 'on';
    case 'conditionSet':
      return !!state.condition[body.condition];
    case 'conditionCleared':
      return !state.condition[body.condition];
    case 'systemSet':
      return (
        flag(state, 'system')?.version === body.version &&
        flag(state, 'system')?.preRelease === body.preRelease
      );
    case 'received':
      return flag(state, 'received') === true;
    case 'rimCleaned':
      return body.bond === undefined
        ? flag(state, 'rimClean') === true
        : state.acted[`rim ${body.bond}`] !== undefined && state.bond[body.bond] === 'renewed';
    case 'sealApplied':
      return flag(state, 'seal') === 'applied';
    case 'linerOff':
      return flag(state, 'liner') === 'off' || !!flag(state, 'unsealed');
    case 'deviceClosed':
      return shutState(state, index) === 'closed';
    case 'heatStarted':
      return !!flag(state, 'heat');
    case 'heatEnded':
      return !flag(state, 'heat');
    case 'answered':
      return !state.question[body.question];
    case 'truthNamed':
      return !state.question[body.question];
    case 'troubled':
      return !!state.trouble[`${body.kind} ${body.thing}`];
    case 'eased':
      return !state.trouble[`${body.kind} ${body.thing}`];
    case 'fated':
      return state.fate[`${body.slot}/${body.rider}`] === body.fate;
    case 'retracted':
      return state.retracted[body.event] !== undefined;
    case 'stepPassed':
      return state.progress[`${body.passed} `] === 1;
    case 'strayRemoved':
      return state.stray[body.stray] !== 'inside';
    case 'unenrolled':
      return state.enrolment[body.what] !== 'made';
    case 'jobClosed':
      return flag(state, 'ending') !== undefined;
    default:
      return false;
  }
}
