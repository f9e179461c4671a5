import { Button } from 'antd';
import type { Body } from '../../../core/log/events';
import type { PadSide } from '../../../core/rework/pads';
import { padsConsent } from '../../../core/rules/interlocks/rework';
import { findingText } from '../../../words/findings';
import * as wording from '../../../words/screens/rework';
import { Note } from '../../ui/note';
import type { Rework } from './use-rework';

/** What holds the next step, each with its way on: nothing is passed here by a press. */
export function HeldCard({ rework }: { rework: Rework }) {
  const { held, index, report, slot, state, frame } = rework;
  if (!held.length) return null;
  const lifted = held.find((f) => f.rule === 'pad that carries lifted');
  const wired = (): Body[] =>
    (['after', 'new'] as const satisfies readonly PadSide[]).flatMap((side) => {
      const pads = lifted!.ids.filter((pad) => state.pads[`${slot!.id} ${side}`]?.[pad] === 'lifted');
      return pads.length
        ? [
            {
              ...{ type: 'padsSeen' as const, slot: slot!.id, side },
              pads: Object.fromEntries(pads.map((pad) => [pad, 'wired' as const])),
            },
          ]
        : [];
    });
  const passable = held.every((f) => f.passableBy.includes(frame.who.role));
  return (
    <Note tone="stop" role="alert">
      {held.map((f) => {
        const { what, instead } = findingText(index, f);
        return (
          <p key={f.rule} className="m-0">
            <span className="strong">{what}</span> {instead}
          </p>
        );
      })}
      {lifted && (
        <div className="row top-6">
          <Button onClick={() => void report(...wired())}>{wording.allWired}</Button>
          <Button
            onClick={() => void report({ type: 'consentGiven', effect: padsConsent(slot!.id), by: 'owner' })}
          >
            {wording.withoutPads}
          </Button>
        </div>
      )}
      {passable && (
        <Button onClick={() => frame.stopAt(held, rework.bodies)}>{wording.passWithReason}</Button>
      )}
    </Note>
  );
}
