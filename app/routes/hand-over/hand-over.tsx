import * as wording from '../../../words/screens/hand-over';
import { Button } from 'antd';
import { useState } from 'react';
import { z } from 'zod';
import { eraseOwnerData } from '../../../server/use-cases/owner-data';
import { jsonBody, requirePerson, requireSameOrigin } from '../../context';
import type { Route } from './+types/hand-over';
import { flag } from '../../../core/log/state';
import { useJobFrame } from '../../ui/job-frame';
import { LinkButton } from '../../ui/link-button';
import { EndCard } from './end-card';
import { HeldCard } from './held-card';
import { OwnerCard } from './owner-card';

/** Erases what is known of the owner of a closed job. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const who = requirePerson(context, request);
  requireSameOrigin(request);
  const asked = z.strictObject({ do: z.literal('erase') }).safeParse(await jsonBody(request));
  const done = asked.success ? await eraseOwnerData(who, params.job, Date.now()) : undefined;
  if (!done) throw new Response(null, { status: 404, statusText: 'No such job' });
  return done;
}

/** The end of a job: what is still due, how it ends, what the owner was told. */
export default function HandOver() {
  const { page, state, ended } = useJobFrame();
  const [note, setNote] = useState('');
  return (
    <main className="page stack">
      <div className="cols near-even high">
        <section className="card stack">
          {ended ? (
            <>
              <h1>{wording.closedAs(String(flag(state, 'ending')))}</h1>
              <p>{wording.theRecordIsCompletePasscode}</p>
            </>
          ) : (
            <EndCard note={note} onNote={setNote} />
          )}
          <div className="row">
            <LinkButton to={`/jobs/${page.id}/report`}>{wording.report}</LinkButton>
            <Button href={`/jobs/${page.id}/report.pdf`}>{wording.reportAsPdf}</Button>
            <Button href={`/jobs/${page.id}/log.json`} download>
              {wording.logAsJson}
            </Button>
          </div>
        </section>
        <div className="stack">
          <OwnerCard note={note} />
          {ended && <HeldCard />}
        </div>
      </div>
    </main>
  );
}
