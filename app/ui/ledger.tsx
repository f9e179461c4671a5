import * as wording from '../../words/screens/ledger';
import { type ReactNode, useMemo } from 'react';
import { balance } from '../../core/rules/balance';
import { flag, type JobState } from '../../core/log/state';
import { openState } from '../../core/log/view';
import { leaks } from '../../core/rules/interlocks/closing';
import type { IndexedModel } from '../../core/model/index-model';
import type { SendState } from '../job/sender';
import { list, pieceName } from '../../words/things';

/** The balance, always at the same place and always true; with what is kept here and not yet confirmed. */
export function Ledger({
  index,
  state,
  send,
  children,
}: {
  index: IndexedModel;
  state: JobState;
  send: SendState;
  children?: ReactNode;
}) {
  const b = useMemo(() => balance(state, index), [state, index]);
  const films = b.filmsOn.length + b.masksOn.length;
  const loose = b.adrift.length + b.strays.length;
  return (
    <section className="ledger" aria-label={wording.ledger}>
      <CellBox index={index} state={state} b={b} />
      <div className="counts">
        <Count big={String(b.screwsOut.length)} of={b.screwsKnown} cap={wording.screwsOut} />
        <Count
          big={String(b.connectorsOff.length)}
          cap={b.connectorsOff.length === 1 ? wording.connectorOff : wording.connectorsOff}
        />
        <Count
          big={String(b.piecesOut.length)}
          cap={b.piecesOut.length === 1 ? wording.partOut : wording.partsOut}
        />
        {films > 0 && <Count big={String(films)} cap={wording.filmsStillOn} />}
        {loose > 0 && (
          <Count
            big={String(loose)}
            cap={
              b.adrift.length
                ? `adrift: ${list(
                    b.adrift.map((p) => pieceName(index, p)),
                    2,
                  )}`
                : 'stray inside'
            }
            alarm
          />
        )}
        <SealBox index={index} state={state} bondsOpen={b.bondsOpen} />
        <KeptBox send={send} />
      </div>
      {children && <div className="keys">{children}</div>}
    </section>
  );
}
type Balance = ReturnType<typeof balance>;

/** Whether the board is live. A closed device is meant to be: that is no alarm. */
function CellBox({ index, state, b }: { index: IndexedModel; state: JobState; b: Balance }) {
  const shut = openState(state, index) !== 'open';
  const alarm = b.live && !shut;
  const out = index.cellSlot !== undefined && b.piecesOut.includes(index.cellSlot);
  const colour = alarm ? 'var(--brick)' : 'var(--moss)';
  return (
    <div className={`cellbox ${alarm ? 'live' : 'safe'}`} data-testid="cell-state">
      <svg width="34" height="40" viewBox="0 0 34 40" aria-hidden="true">
        <rect x="11" y="1" width="12" height="5" rx="2" fill={colour} />
        <rect
          x="3"
          y="5"
          width="28"
          height="33"
          rx="5"
          fill={alarm ? 'var(--brick)' : 'none'}
          stroke={colour}
          strokeWidth="3"
          {...(out ? { strokeDasharray: '5 3' } : {})}
        />
        {b.live ? (
          <path d="M18 10l-8 13h6l-2 10 9-14h-6z" fill="var(--card)" />
        ) : (
          <path d="M8 33L26 10" stroke="var(--moss)" strokeWidth="3" />
        )}
      </svg>
      <div>
        <div className="big size-18">
          {out ? wording.cellIsOut : b.live ? wording.cellIsOn : wording.cellUnplugged}
        </div>
        <div className="cap">
          {shut
            ? wording.theDeviceIsClosed
            : b.live
              ? wording.boardIsLiveNoConnector
              : wording.connectorsMayMove}
        </div>
      </div>
    </div>
  );
}

/** What the rim's seal is like, and how many other bonds are open. */
function SealBox({
  index,
  state,
  bondsOpen,
}: {
  index: IndexedModel;
  state: JobState;
  bondsOpen: readonly string[];
}) {
  const rim = index.model.bonds.find((x) => x.kind === 'perimeter-seal');
  const word = sealWord(index, state, rim?.id);
  const bad = word === 'broken' || word === wording.leaks;
  const others = bondsOpen.filter((x) => x !== rim?.id).length;
  return (
    <div data-testid="seal-state">
      <div className={`size-18 big ${bad ? 'brick' : ''}`}>{wording.seal}</div>
      <div className="cap">
        {word === 'broken' ? wording.brokenRenew : word}
        {others > 0 && wording.more(others)}
      </div>
    </div>
  );
}
function sealWord(index: IndexedModel, state: JobState, rim: string | undefined): string {
  if (openState(state, index) === 'closed' && leaks(state)) return wording.leaks;
  if (rim === undefined) return 'none';
  if (state.bond[rim] === undefined) return 'whole';
  if (openState(state, index) === 'closed' && flag(state, 'unsealed')) return wording.leftOff;
  return flag(state, 'seal') === 'applied' ? 'new' : 'broken';
}

/** What is kept in this browser and not confirmed yet. */
function KeptBox({ send }: { send: SendState }) {
  return (
    <div role="status" className={send.link === 'ok' && !send.kept ? '' : 'alarm'} data-testid="kept">
      <div className="big size-18">{wording.keptHere(send.kept)}</div>
      <div className="cap">
        {send.link === 'no server' ? (
          wording.serverIsAwayKeptHere
        ) : send.link === 'signed out' ? (
          <a href="/sign-in">{wording.signInToSend}</a>
        ) : send.kept ? (
          wording.beingConfirmed
        ) : send.counted ? (
          wording.allConfirmed
        ) : (
          wording.looking
        )}
      </div>
    </div>
  );
}
function Count({ big, of, cap, alarm }: { big: string; of?: number; cap: string; alarm?: boolean }) {
  return (
    <div className={alarm ? 'alarm' : ''} data-testid={cap.split(':')[0]!.replaceAll(' ', '-')}>
      <div className="big">
        {big}
        {of !== undefined && <span className="small plain"> / {of}</span>}
      </div>
      <div className="cap">{cap}</div>
    </div>
  );
}
