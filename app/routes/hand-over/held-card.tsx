import { Button } from 'antd';
import { useEffect, useState } from 'react';
import * as wording from '../../../words/screens/hand-over';
import { useChange } from '../workshop/use-change';
import { useJobFrame } from '../../ui/job-frame';
import { Note } from '../../ui/note';
import { Sheet } from '../../ui/sheet';

/** What is held of the owner of a closed job: as a file for them, or erased. */
export function HeldCard() {
  const { page, who, say } = useJobFrame();
  const [asking, setAsking] = useState(false);
  const { change, busy, said, errors } = useChange();
  useEffect(() => {
    if (!said?.ok) return;
    setAsking(false);
    say(said.said);
  }, [said, say]);
  if (who.role !== 'owner' && who.role !== 'lead') return null;
  return (
    <section className="card stack" aria-label={wording.heldOfOwner}>
      <h2>{wording.heldOfOwner}</h2>
      <p className="muted">{page.owner ? wording.heldOf(page.owner) : wording.heldOfNobody}</p>
      <div className="row">
        <Button href={`/jobs/${page.id}/owner.json`} download>
          {wording.heldAsFile}
        </Button>
        <Button onClick={() => setAsking(true)}>{wording.eraseIt}</Button>
      </div>
      {asking && (
        <Sheet title={wording.eraseAsk} onClose={() => setAsking(false)}>
          <p>{wording.eraseGoes}</p>
          <p>{wording.eraseStays}</p>
          {errors && (
            <Note tone="stop" role="alert">
              {errors.form}
            </Note>
          )}
          <div className="row">
            <Button danger loading={busy} onClick={() => change({ do: 'erase' })}>
              {wording.eraseForGood}
            </Button>
            <Button onClick={() => setAsking(false)}>{wording.keepIt}</Button>
          </div>
        </Sheet>
      )}
    </section>
  );
}
