import * as wording from '../../words/screens/stop-sheet';
import { Input, Form, Button } from 'antd';
import type { Finding } from '../../core/rules/interlocks';
import type { IndexedModel } from '../../core/model/index-model';
import type { Who } from '../../core/wire/who';
import { findingText } from '../../words/findings';
import { Sheet } from './sheet';
import { Field, needed } from './field';
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
  const may = findings.every((f) => f.severity !== 'forbid' && f.passableBy.includes(who.role));
  const forbid = findings.some((f) => f.severity === 'forbid');
  return (
    <Sheet title={forbid ? wording.thisIsNotDone : wording.stop} onClose={onBack}>
      {findings.map((finding) => {
        const said = findingText(index, finding);
        return (
          <Note key={finding.rule} tone="stop">
            <div className="strong">{said.what}</div>
            <div>{said.instead}</div>
          </Note>
        );
      })}
      {may ? (
        <PassForm findings={findings} second={who.role === 'trainee'} passLabel={passLabel} onPass={onPass} />
      ) : (
        <p className="muted">{forbid ? wording.nobodyPassesThisAsLong : wording.anOwnerOrLeadMay}</p>
      )}
    </Sheet>
  );
}

/** The reason, and for a trainee a second person who confirms it. */
function PassForm({
  findings,
  second,
  passLabel,
  onPass,
}: {
  findings: Finding[];
  second: boolean;
  passLabel: string;
  onPass: (o: OverrideGiven) => void;
}) {
  return (
    <Form
      className="stack"
      layout="vertical"
      onFinish={({ reason, login, password }: { reason: string; login?: string; password?: string }) =>
        onPass({
          rules: findings.map((f) => f.rule),
          reason: reason.trim(),
          ...(second ? { confirm: { login: login ?? '', password: password ?? '' } } : {}),
        })
      }
    >
      <Field label={wording.reasonItStaysInThe} name="reason" rules={needed(wording.giveTheReasonItStays)}>
        <Input.TextArea rows={2} maxLength={1000} />
      </Field>
      {second && (
        <div className="row high">
          <Field label={wording.secondPersonLogin} name="login" rules={needed(wording.whoConfirmsIt)}>
            <Input autoComplete="off" />
          </Field>
          <Field
            label={wording.theirPassword}
            name="password"
            rules={needed(wording.theirPasswordTypedByThem)}
          >
            <Input.Password autoComplete="off" />
          </Field>
        </div>
      )}
      <div className="row">
        <Button htmlType="submit" danger>
          {passLabel}
        </Button>
      </div>
    </Form>
  );
}
