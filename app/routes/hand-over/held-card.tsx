import { Button } from 'antd';
import { useState } from 'react';
import { useRevalidator } from 'react-router';
import type { Changed } from '../../../core/wire/changed';
import * as wording from '../../../words/screens/hand-over';
import { useJobFrame } from '../../ui/job-frame';
import { Note } from '../../ui/note';
import { Sheet } from '../../ui/sheet';

/** What is held of the owner of a closed job: as a file for them, or erased. */
export function HeldCard() {
  const { page, who, say } = useJobFrame();
  const [asking, setAsking] = useState(false);
  const [wrong, setWrong] = useState('');
  const again = useRevalidator();
  if (who.role !== 'owner' && who.role !== 'lead') return null;
  const erase = async () => {
    const answer = await fetch(`/jobs/${page.id}/erase`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    }).catch(() => undefined);
    const done = (await answer?.json().catch(() => undefined)) as Changed | undefined;
    if (!done?.ok) {
      setWrong(done?.errors.form ?? wording.notErased);
      return;
    }
    setAsking(false);
    say(done.said);
    void again.revalidate();
  };
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
          {wrong && (
            <Note tone="stop" role="alert">
              {wrong}
            </Note>
          )}
          <div className="row">
            <Button danger onClick={() => void erase()}>
              {wording.eraseForGood}
            </Button>
            <Button onClick={() => setAsking(false)}>{wording.keepIt}</Button>
          </div>
        </Sheet>
      )}
    </section>
  );
}
