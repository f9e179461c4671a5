import { useState } from 'react';
import type { Finding } from '../../core/job/interlocks';
import type { IndexedModel } from '../../core/model/index-model';
import type { Who } from '../../server/types';
import { findingText } from '../words/findings';
import { Sheet } from './sheet';

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
          <div key={f.rule} className="note stop">
            <div className="strong">{t.what}</div>
            <div>{t.instead}</div>
          </div>
        );
      })}
      {may ? (
        <form
          className="stack"
          onSubmit={(e) => {
            e.preventDefault();
            if (reason.trim())
              onPass({
                rules: findings.map((f) => f.rule),
                reason,
                ...(second ? { confirm: { login, password } } : {}),
              });
          }}
        >
          <div className="field">
            <label htmlFor="reason">Reason (it stays in the record and the report)</label>
            <textarea
              id="reason"
              rows={2}
              required
              maxLength={1000}
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              style={{ font: 'inherit', padding: 10, borderRadius: 8 }}
            />
          </div>
          {second && (
            <div className="row">
              <div className="field">
                <label htmlFor="sl">Second person: login</label>
                <input
                  id="sl"
                  required
                  value={login}
                  onChange={(e) => setLogin(e.target.value)}
                  style={{ font: 'inherit', minHeight: 44 }}
                />
              </div>
              <div className="field">
                <label htmlFor="sp">their password</label>
                <input
                  id="sp"
                  type="password"
                  required
                  value={password}
                  onChange={(e) => setPassword(e.target.value)}
                  style={{ font: 'inherit', minHeight: 44 }}
                />
              </div>
            </div>
          )}
          <div className="row">
            <button type="submit" className="btn danger">
              {passLabel}
            </button>
          </div>
        </form>
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
