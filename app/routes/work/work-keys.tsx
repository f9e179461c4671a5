import * as wording from '../../../words/screens/work';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import { useNow } from '../../job/ticker';
import * as heat from '../../../words/screens/heat';
import { left } from '../../../words/time';
import { pedalLabel, waitsForNoPress } from '../../../words/pedal';
import type { WorkState } from './use-work';

/** A click leaves the focus where it is: the next Space is the pedal's. */
export const noFocus = (e: { preventDefault: () => void }) => e.preventDefault();

/** Trouble, note, undo and the pedal, as buttons beside the ledger. */
export function WorkKeys({ work }: { work: WorkState }) {
  const { now, index, planning, programmer, blocked } = work;
  return (
    <SideKeys work={work}>
      <Button
        className="go"
        type="primary"
        onMouseDown={noFocus}
        onClick={work.press}
        disabled={planning.busy || waitsForNoPress.has(now.kind)}
        data-testid="go"
      >
        <span className="cap">{blocked ? wording.stopSeeWhy : wording.pedalSpace}</span>
        <span>
          {now.kind === 'waiting' && now.clockKnown ? (
            <ReadyIn until={now.until} firstAt={work.page.now} cold={work.source.cold} />
          ) : (
            pedalLabel(index, now, programmer !== undefined, work.rework)
          )}
        </span>
      </Button>
    </SideKeys>
  );
}
/** How long still until the pedal does something. */
function ReadyIn({ until, firstAt, cold }: { until: number; firstAt: number; cold: boolean }) {
  const time = useNow() || firstAt;
  return cold ? heat.coldShort : wording.readyIn(left(Math.max(0, until - time) / 1000));
}
/** What is always at hand beside the pedal. */
export function SideKeys({ work, children }: { work: WorkState; children: ReactNode }) {
  const { setSheet } = work;
  const key = (cap: string, name: string, onClick: () => void, disabled = false) => (
    <Button className="key" onMouseDown={noFocus} onClick={onClick} disabled={disabled}>
      <span className="cap">{cap}</span>
      {name}
    </Button>
  );
  return (
    <>
      {key('T', 'Trouble', () => setSheet({ kind: 'trouble' }))}
      {key('N', 'Note', () => setSheet({ kind: 'note' }))}
      {key('⌫', 'Undo', work.undo, !work.last)}
      {children}
    </>
  );
}
