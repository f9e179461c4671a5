import * as wording from '../../../words/screens/offer';
import { Button, Form, Input } from 'antd';
import { useState } from 'react';
import { Field, needed } from '../../ui/field';
import { useJobFrame } from '../../ui/job-frame';

/** The owner does not want it repaired: why, and the job is closed. */
export function DeclinedCard() {
  const { report } = useJobFrame();
  const [declining, setDeclining] = useState(false);
  return (
    <section className="card stack" aria-label={wording.notRepaired}>
      {declining ? (
        <Form
          className="stack"
          layout="vertical"
          onFinish={({ why }: { why: string }) =>
            void report({ type: 'jobClosed', ending: 'declined', note: why.trim() })
          }
        >
          <Field label={wording.whyItIsNotRepaired} name="why" rules={needed(wording.sayWhyItStaysIn)}>
            <Input maxLength={1000} />
          </Field>
          <div className="row">
            <Button htmlType="submit" danger>
              {wording.closeAsDeclined}
            </Button>
            <Button onClick={() => setDeclining(false)}>{wording.back}</Button>
          </div>
        </Form>
      ) : (
        <div className="spread mid">
          <span className="muted">{wording.theOwnerDoesNotWant}</span>
          <Button onClick={() => setDeclining(true)}>{wording.declined}</Button>
        </div>
      )}
    </section>
  );
}
