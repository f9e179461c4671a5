import * as wording from '../../../words/screens/offer';
import { useState } from 'react';
import type { Consent } from '../../../core/consents/consents';
import type { Body } from '../../../core/log/events';
import { priceText } from '../../../words/offer';
import { useFormats } from '../../ui/formats';
import { ConsentsCard, type Given } from './consents-card';
import type { OfferState } from './use-offer';

/** The owner agrees: name and hand go to the job's private data, what was agreed to into the log. */
export function Agree({ offer }: { offer: OfferState }) {
  const { page, index, state, context, ended, consents, quote, recorded, fresh, wait } = offer;
  const [busy, setBusy] = useState(false);
  const agree = async (which: Consent[], given: Given, answers: Record<string, string>) => {
    // name and hand stand with the job's private data; the log knows their id only
    const signature = crypto.randomUUID();
    if (!(await keepSignature(page.id, signature, given))) {
      offer.say(wording.noNetworkTheNameCould);
      return;
    }
    offer.addSigner(signature, given.name);
    // the price that is agreed to goes into the log first
    const price = which.some((c) => c.kind === 'price') && quote && !fresh ? [quote] : [];
    await offer.report(
      ...price,
      ...which.map(
        (consent): Body => ({
          type: 'consentGiven',
          effect: consent.id,
          by: given.name === page.owner || !page.owner ? 'owner' : 'for the owner',
          ...(answers[consent.id] ? { answer: answers[consent.id] } : {}),
          signature,
        }),
      ),
    );
  };
  // before the owner has agreed, what stands on the screen; afterwards what was agreed to
  const spoken =
    state.consent.price === undefined && context.route === undefined ? (quote ?? recorded) : recorded;
  return (
    <ConsentsCard
      index={index}
      state={state}
      signers={page.signers}
      consents={consents}
      price={priceText(spoken, useFormats().money)}
      owner={page.owner ?? ''}
      disabled={ended || wait}
      busy={busy}
      onAgree={(which, given, answers) => {
        setBusy(true);
        void agree(which, given, answers).finally(() => setBusy(false));
      }}
    />
  );
}
const keepSignature = (job: string, signature: string, { name, strokes }: Given): Promise<boolean> =>
  fetch(`/jobs/${job}/signatures/${signature}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name, strokes }),
  }).then(
    (r) => r.ok,
    () => false,
  );
