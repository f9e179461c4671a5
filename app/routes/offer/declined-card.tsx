import { Button, Form, Input } from 'antd';
import { useState } from 'react';
import { Field } from '../../ui/field';
import { useJobFrame } from '../../ui/job-frame';

/** The owner does not want it repaired: why, and the job is closed. */
export function DeclinedCard() {
  const { report } = useJobFrame();
  const [declining, setDeclining] = useState(false);
  return (
    <section className="card stack" aria-label="Not repaired">
      {declining ? (
        <Form
          className="stack"
          layout="vertical"
          onFinish={({ why }: { why: string }) =>
            void report({ type: 'jobClosed', ending: 'declined', note: why.trim() })
          }
        >
          <Field
            label="Why it is not repaired"
            name="why"
            rules={[{ required: true, whitespace: true, message: 'Say why: it stays in the record.' }]}
          >
            <Input maxLength={1000} />
          </Field>
          <div className="row">
            <Button htmlType="submit" danger>
              Close as declined
            </Button>
            <Button onClick={() => setDeclining(false)}>Back</Button>
          </div>
        </Form>
      ) : (
        <div className="spread mid">
          <span className="muted">The owner does not want it repaired?</span>
          <Button onClick={() => setDeclining(true)}>Declined…</Button>
        </div>
      )}
    </section>
  );
}
