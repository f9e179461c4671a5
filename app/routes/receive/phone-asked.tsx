import * as wording from '../../../words/screens/receive';
import { Checkbox, Input } from 'antd';
import { type Known, known } from '../../../core/log/events';
import type { DraftBody, FieldErrors } from '../../../core/forms/receipt-fields';
import { Pick } from '../../ui/pick';
import { Field } from '../../ui/field';
import { ReceiveField } from './receive-field';

const shown: Record<Known, string> = { yes: 'yes', no: 'no', unknown: wording.notKnown };

/** What is asked at the counter about the phone itself: boot rules, notices, prying and calibration depend on it. */
export function PhoneAsked({
  draft,
  change,
  errors,
}: {
  draft: DraftBody;
  change: (part: Partial<DraftBody>) => void;
  errors: FieldErrors;
}) {
  const pick = (field: 'backup' | 'locked', label: string) => (
    <Field label={label} htmlFor={field} className="grow-130">
      <Pick
        id={field}
        className="shrinks"
        value={draft[field] ?? 'unknown'}
        onChange={(value) => change({ [field]: value as Known })}
        options={known.map((k) => ({ value: k, label: shown[k] }))}
      />
    </Field>
  );
  return (
    <>
      <div className="row gap-8 high">
        <ReceiveField label={wording.system} field="system" errors={errors} className="grow-80">
          <Input
            id="system"
            aria-label={wording.systemVersion}
            placeholder="14.2"
            inputMode="decimal"
            maxLength={11}
            autoComplete="off"
            value={draft.system ?? ''}
            onChange={(e) => change({ system: e.target.value.trim() })}
          />
        </ReceiveField>
        <ReceiveField label={wording.charge} field="charge" errors={errors} className="grow-70">
          <Input
            id="charge"
            inputMode="numeric"
            maxLength={3}
            autoComplete="off"
            value={draft.charge ?? ''}
            onChange={(e) => {
              const percent = e.target.value.replace(/[^0-9]/g, '');
              change({ charge: percent === '' ? null : Number(percent) });
            }}
          />
        </ReceiveField>
      </div>
      <div className="row gap-8 high">
        {pick('backup', 'Backup')}
        {pick('locked', wording.lockedToAccount)}
      </div>
      <div className="row gap-14">
        <Checkbox
          checked={draft.preRelease ?? false}
          onChange={(e) => change({ preRelease: e.target.checked })}
        >
          {wording.aPreReleaseSystem}
        </Checkbox>
        <Checkbox
          checked={draft.displayOriginal ?? false}
          onChange={(e) => change({ displayOriginal: e.target.checked })}
        >
          {wording.showsAFeatureThatOnly}
        </Checkbox>
      </div>
    </>
  );
}
