import { type ReactNode, useMemo } from 'react';
import { balance } from '../../core/job/balance';
import { flag, type JobState } from '../../core/job/state';
import { shutState } from '../../core/job/view';
import type { IndexedModel } from '../../core/model/index-model';
import type { SendState } from '../job/sender';
import { list, pieceName } from '../words/things';

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
  const rim = index.model.bonds.find((x) => x.kind === 'perimeter-seal');
  const sealWord = !rim
    ? 'none'
    : state.bond[rim.id] === undefined
      ? 'whole'
      : shutState(state, index) === 'closed' && flag(state, 'unsealed')
        ? 'left off'
        : flag(state, 'seal') === 'applied'
          ? 'new'
          : 'broken';
  const others = b.bondsOpen.filter((x) => x !== rim?.id).length;
  // a closed device is meant to be live: that is no alarm
  const shut = shutState(state, index) !== 'open';
  const alarm = b.live && !shut;
  const cellOut = index.cellSlot !== undefined && b.piecesOut.includes(index.cellSlot);
  return (
    <section className="ledger" aria-label="Ledger">
      <div className={`cellbox ${alarm ? 'live' : 'safe'}`} data-testid="cell-state">
        <svg width="34" height="40" viewBox="0 0 34 40" aria-hidden="true">
          <rect x="11" y="1" width="12" height="5" rx="2" fill={alarm ? 'var(--brick)' : 'var(--moss)'} />
          <rect
            x="3"
            y="5"
            width="28"
            height="33"
            rx="5"
            fill={alarm ? 'var(--brick)' : 'none'}
            stroke={alarm ? 'var(--brick)' : 'var(--moss)'}
            strokeWidth="3"
            {...(cellOut ? { strokeDasharray: '5 3' } : {})}
          />
          {b.live ? (
            <path d="M18 10l-8 13h6l-2 10 9-14h-6z" fill="var(--card)" />
          ) : (
            <path d="M8 33L26 10" stroke="var(--moss)" strokeWidth="3" />
          )}
        </svg>
        <div>
          <div className="big size-18">
            {cellOut ? 'Cell is out' : b.live ? 'Cell is on' : 'Cell unplugged'}
          </div>
          <div className="cap">
            {shut
              ? 'the device is closed'
              : b.live
                ? 'board is live: no connector may move'
                : 'connectors may move'}
          </div>
        </div>
      </div>
      <Count big={String(b.screwsOut.length)} of={b.screwsKnown} cap="screws out" />
      <Count
        big={String(b.connectorsOff.length)}
        cap={b.connectorsOff.length === 1 ? 'connector off' : 'connectors off'}
      />
      <Count big={String(b.piecesOut.length)} cap={b.piecesOut.length === 1 ? 'part out' : 'parts out'} />
      {b.filmsOn.length + b.masksOn.length > 0 && (
        <Count big={String(b.filmsOn.length + b.masksOn.length)} cap="films still on" />
      )}
      {b.adrift.length + b.strays.length > 0 && (
        <Count
          big={String(b.adrift.length + b.strays.length)}
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
      <div>
        <div className={`size-18 big ${sealWord === 'broken' ? 'brick' : ''}`}>seal</div>
        <div className="cap">
          {sealWord === 'broken' ? 'broken, renew' : sealWord}
          {others > 0 && `; ${others} more`}
        </div>
      </div>
      <div role="status" className={send.link === 'ok' && !send.kept ? '' : 'alarm'} data-testid="kept">
        <div className="big size-18">{send.kept} kept</div>
        <div className="cap">
          {send.link === 'no server' ? (
            'server is away: kept here'
          ) : send.link === 'signed out' ? (
            <a href="/sign-in">sign in to send</a>
          ) : send.kept ? (
            'being confirmed'
          ) : send.counted ? (
            'all confirmed'
          ) : (
            'looking'
          )}
        </div>
      </div>
      {children}
    </section>
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
