import { Button, QRCode } from 'antd';
import { useState } from 'react';
import type { DeviceLink } from '../../../core/wire/device-page';
import * as wording from '../../../words/screens/checks';
import { useFormats } from '../../ui/formats';
import { Note } from '../../ui/note';

/** The link by which the repaired phone opens its own page: made here, shown here alone, good for this round. */
export function DeviceCard({
  job,
  link: found,
  origin,
  alone,
  short,
}: {
  job: string;
  link: DeviceLink | null;
  origin: string;
  /** The bench answers to nobody but its own machine. */
  alone: boolean;
  /** Once something failed: what alone is asked, in words. */
  short: string | undefined;
}) {
  const { clock } = useFormats();
  const { made, busy, failed, ask } = useLink(job);
  const link = made === undefined ? found : made;
  const address = link?.code ? `${origin}/d/${link.code}` : undefined;
  return (
    <section className="card noprint row one-line mid" aria-label={wording.byItself}>
      <div className="stack gap-4 fill">
        <div className="spread mid">
          <div>
            <h2>{wording.byItself}</h2>
            {!link && <p className="small muted">{wording.byItselfWhy}</p>}
          </div>
          <LinkButtons link={link} busy={busy} onAsk={(what) => void ask(what)} />
        </div>
        {address && (
          <>
            <p className="m-0">
              {wording.scan} <strong data-testid="device-address">{address}</strong>
            </p>
            <p className="small muted m-0">
              {wording.linkUntil(clock(link!.until))}. {!alone && wording.trust}
            </p>
            {alone && <Note tone="warn">{wording.onlyHere}</Note>}
          </>
        )}
        {link && short && <p className="small m-0">{wording.shortRound(short)}</p>}
        {link && !address && (
          <p className="m-0">
            {wording.linkOut(clock(link.until))} {link.held && wording.linkHeld}
          </p>
        )}
        {failed && (
          <p className="brick m-0" role="alert">
            {wording.linkFailed}
          </p>
        )}
      </div>
      {address && <QRCode value={address} size={124} type="svg" bordered={false} />}
    </section>
  );
}
function LinkButtons({
  link,
  busy,
  onAsk,
}: {
  link: DeviceLink | null;
  busy: boolean;
  onAsk: (what: 'open' | 'close') => void;
}) {
  return (
    <div className="row one-line gap-8">
      <Button
        loading={busy}
        type={link ? 'default' : 'primary'}
        onMouseDown={(e) => e.preventDefault()}
        onClick={() => onAsk('open')}
      >
        {link ? wording.newLink : wording.giveLink}
      </Button>
      {link && (
        <Button disabled={busy} onMouseDown={(e) => e.preventDefault()} onClick={() => onAsk('close')}>
          {wording.takeBack}
        </Button>
      )}
    </div>
  );
}
/** Makes a link, or takes it back; what was made is known here alone. */
function useLink(job: string) {
  const [made, setMade] = useState<DeviceLink | null>();
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState(false);
  const ask = async (what: 'open' | 'close') => {
    setBusy(true);
    setFailed(false);
    const answer = await fetch(`/jobs/${job}/device`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ do: what }),
    })
      .then((res) => (res.ok ? (res.json() as Promise<{ link: DeviceLink | null }>) : undefined))
      .catch(() => undefined);
    setBusy(false);
    if (answer) setMade(answer.link);
    else setFailed(true);
  };
  return { made, busy, failed, ask };
}
