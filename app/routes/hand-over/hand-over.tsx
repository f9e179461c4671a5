import * as wording from '../../../words/screens/hand-over';
import { Button } from 'antd';
import { useState } from 'react';
import { flag } from '../../../core/log/state';
import { useJobFrame } from '../../ui/job-frame';
import { LinkButton } from '../../ui/link-button';
import { EndCard } from './end-card';
import { HeldCard } from './held-card';
import { OwnerCard } from './owner-card';

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
