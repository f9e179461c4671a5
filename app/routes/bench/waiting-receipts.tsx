import * as wording from '../../../words/screens/bench';
import { Button } from 'antd';
import { useSyncExternalStore } from 'react';
import { dropReceipt, ownerKey } from '../../job/outbox';
import { nothingSent, senderFor } from '../../job/sender';
import { useFrame } from '../../ui/frame';
import { LinkButton } from '../../ui/link-button';
import { Note } from '../../ui/note';

/** Devices that were received without the server: they wait to be sent, or the server said what is wrong with them. */
export function WaitingReceipts() {
  const { who } = useFrame();
  const sender = senderFor(ownerKey(who.shopId, who.personId), who.personId);
  const { receipts } = useSyncExternalStore(sender.watch, sender.snapshot, () => nothingSent);
  return receipts.map((keptReceipt) => (
    <Note
      key={keptReceipt.id}
      tone={keptReceipt.error ? 'stop' : 'warn'}
      layout="row"
      role={keptReceipt.error ? 'alert' : 'status'}
    >
      <span className="fill">
        {keptReceipt.error
          ? wording.wasReceivedWithoutTheServer(keptReceipt.tag, keptReceipt.error)
          : wording.waitsInThisBrowserTo(keptReceipt.tag)}
      </span>
      {keptReceipt.error && (
        <>
          <LinkButton to={`/receive/${keptReceipt.id}`}>{wording.putItRight}</LinkButton>
          <Button onClick={() => void dropReceipt(keptReceipt.id).then(() => sender.count())}>
            {wording.letItGo}
          </Button>
        </>
      )}
    </Note>
  ));
}
