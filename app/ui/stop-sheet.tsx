import { Input, Form, Button } from 'antd';
import { useState } from 'react';
import type { Finding } from '../../core/job/interlocks';
import type { IndexedModel } from '../../core/model/index-model';
import type { Who } from '../../server/types';
import { findingText } from '../words/findings';
import { Sheet } from './sheet';
import { Field } from './field';
import { Note } from './note';

export interface OverrideGiven {
  rules: string[];
  reason: string;
  confirm?: { login: string; password: string };
}
/** A stop: what would happen, what to do instead; and for those who may, a reason that stays in the record. */
export function StopSheet({
  index,
  findings,
  who,
  onBack,
  onPass,
  passLabel,
}: {
  index: IndexedModel;
  findings: Finding[];
  who: Who;
  onBack: () => void;
  onPass: (o: OverrideGiven) => void;
  passLabel: string;
}) {
  const [reason, setReason] = useState('');
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const may = findings.every((f) => f.severity !== 'forbid' && f.passableBy.includes(who.role));
  const second = who.role === 'trainee';
  const forbid = findings.some((f) => f.severity === 'forbid');
  return (
    <Sheet title={forbid ? 'This is not done' : 'Stop'} onClose={onBack}>
      {findings.map((f) => {
        const t = findingText(index, f);
        return (
          <Note key={f.rule} tone="stop">
            <div className="strong">{t.what}</div>
            <div>{t.instead}</div>
          </Note>
        );
      })}
      {may ? (
        <Form
          className="stack"
          onFinish={() => {
            if (reason.trim())
              onPass({
                rules: findings.map((f) => f.rule),
                reason,
                ...(second ? { confirm: { login, password } } : {}),
              });
          }}
          layout="vertical"
        >
          <Field label="Reason (it stays in the record and the report)" htmlFor="reason">
            <Input.TextArea
              id="reason"
              rows={2}
              required
              maxLength={1000}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </Field>
          {second && (
            <div className="row">
              <Field label="Second person: login" htmlFor="sl">
                <Input id="sl" required value={login} onChange={(e) => setLogin(e.target.value)} />
              </Field>
              <Field label="their password" htmlFor="sp">
                <Input.Password
                  id="sp"
                  required
                  value={password}
                  onChange={(e) => setPassword(e.target.value)}
                />
              </Field>
            </div>
          )}
          <div className="row">
            <Button htmlType="submit" danger>
              {passLabel}
            </Button>
          </div>
        </Form>
      ) : (
        <p className="muted">
          {forbid
            ? 'Nobody passes this as long as it stands.'
            : 'An owner or lead may pass this with a reason.'}
        </p>
      )}
    </Sheet>
  );
}
