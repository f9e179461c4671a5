import { Button, Form, Input } from 'antd';
import { useEffect, useState } from 'react';
import type { JobLine } from '../../core/wire/job-line';
import * as wording from '../../words/screens/hands';
import { shortModel } from '../../words/bench';
import { cap, runningText } from '../../words/things';
import type { Scan } from '../job/badge';
import { takeOver } from '../job/hands';
import { useNow } from '../job/ticker';
import { Field } from './field';
import { Note } from './note';

interface Props {
  /** Whose number or password is wanted first; nobody's where a badge is all there is. */
  name: string;
  jobs: readonly JobLine[];
  /** A badge that was scanned, and when. */
  badge: Scan | undefined;
  /** Hands have changed, or the bench is open again. */
  onDone: (name: string) => void;
}
/** What runs by itself meanwhile, and how somebody comes in: with a badge, a number or a password. */
export function Unlock({ name, jobs, badge, onDone }: Props) {
  const [form] = Form.useForm<{ secret: string }>();
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState('');
  /** Whose number is asked for after a badge, and the badge. */
  const [asked, setAsked] = useState<{ name: string; badge?: string }>({ name });
  const attempt = async (given: { badge?: string; secret?: string }) => {
    setBusy(true);
    setError('');
    const came = await takeOver(given);
    setBusy(false);
    if (came.ok) return onDone(came.name);
    form.resetFields();
    form.focusField('secret');
    if (came.asks) setAsked({ name: came.asks, ...(given.badge ? { badge: given.badge } : {}) });
    setError(came.error ?? (came.asks ? '' : wording.noAnswer));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each badge that is scanned
  useEffect(() => {
    if (badge) void attempt({ badge: badge.code });
  }, [badge]);
  return (
    <>
      <Running jobs={jobs} />
      <Form
        form={form}
        layout="vertical"
        className="stack"
        onFinish={({ secret }) => void attempt({ secret, ...(asked.badge ? { badge: asked.badge } : {}) })}
      >
        <Field name="secret" htmlFor="secret" label={wording.numberOrPasswordOf(asked.name)}>
          <Input.Password id="secret" data-first autoFocus autoComplete="off" maxLength={200} />
        </Field>
        {error && (
          <Note tone="stop" role="alert">
            {error}
          </Note>
        )}
        <div className="row">
          <Button type="primary" htmlType="submit" loading={busy}>
            {wording.goOn}
          </Button>
          <span className="muted">{wording.orScan}</span>
        </div>
      </Form>
    </>
  );
}
function Running({ jobs }: { jobs: readonly JobLine[] }) {
  const time = useNow();
  const running = jobs.filter((job) => job.summary.running);
  return (
    <section aria-label={wording.runsByItself}>
      {running.map((job) => (
        <h2
          key={job.id}
        >{`${cap(runningText(job.summary.running!, time || job.updatedAt))} · ${shortModel(job)}`}</h2>
      ))}
      {running.length === 0 && <p className="muted">{wording.nothingRuns}</p>}
    </section>
  );
}
