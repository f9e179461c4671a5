import { Button } from 'antd';
import { useState } from 'react';
import { flag } from '../../../core/log/state';
import { useJobFrame } from '../../ui/job-frame';
import { LinkButton } from '../../ui/link-button';
import { EndCard } from './end-card';
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
              <h1>{`Closed: ${flag(state, 'ending')}`}</h1>
              <p>The record is complete. Passcode and session data of this job are gone; the log stays.</p>
            </>
          ) : (
            <EndCard note={note} onNote={setNote} />
          )}
          <div className="row">
            <LinkButton to={`/jobs/${page.id}/report`}>Report</LinkButton>
            <Button href={`/jobs/${page.id}/report.pdf`}>Report as PDF</Button>
            <Button href={`/jobs/${page.id}/log.json`} download>
              Log as JSON
            </Button>
          </div>
        </section>
        <OwnerCard note={note} />
      </div>
    </main>
  );
}
