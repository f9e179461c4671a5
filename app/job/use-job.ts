import { useEffect, useLayoutEffect, useMemo, useSyncExternalStore } from 'react';
import type { JobPage } from '../../core/wire/job-page';
import type { Who } from '../../core/wire/who';
import { startChannel } from './channel';
import { setServerTime } from './clock';
import { forgetDraft } from './draft-copy';
import { install, keepPages } from './install';
import { ownerKey } from './outbox';
import { rememberNewer } from './remembered-job';
import { Replica, type View } from './replica';
import { nothingSent, type Sender, type SendState, senderFor } from './sender';

/** A job's screen: its view, kept up to date by this tab, the other tabs and the other benches. */
export function useJob(
  page: JobPage,
  who: Who,
): { replica: Replica; view: View; sender: Sender; send: SendState } {
  const sender = useMemo(
    () => senderFor(ownerKey(who.shopId, who.personId), who.personId),
    [who.shopId, who.personId],
  );
  // one for a job, as long as its screen stands: a page that is loaded anew is put in when it is shown, not while it is being
  // rendered, since until then what is pressed belongs to what is shown
  // biome-ignore lint/correctness/useExhaustiveDependencies: what else of the page is new, `renew` takes
  const replica = useMemo(() => new Replica(page, who, sender), [page.id, sender]);
  useLayoutEffect(() => replica.renew(page, who), [replica, page, who]);
  useEffect(() => {
    setServerTime(page.now);
    startChannel();
    void install(who).then(() => keepPages(page.id));
    forgetDraft(page.id);
    void rememberNewer(page.id, sender.owner, page);
    return replica.start();
  }, [replica, page, sender, who]);
  const view = useSyncExternalStore(replica.watch, replica.snapshot, replica.snapshot);
  const sent = useSyncExternalStore(sender.watch, sender.snapshot, () => nothingSent);
  // a press is kept from the moment it is pressed, before the outbox has been counted
  const send = useMemo(() => ({ ...sent, kept: Math.max(sent.kept, view.kept) }), [sent, view.kept]);
  return { replica, view, sender, send };
}
