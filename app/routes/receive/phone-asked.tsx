import * as wording from '../../../words/screens/receive';
import { Checkbox, Input } from 'antd';
import { type Known, known } from '../../../core/log/events';
import { Pick } from '../../ui/pick';
import { ReceiveField } from './receive-field';

const shown: Record<Known, string> = { yes: 'yes', no: 'no', unknown: wording.notKnown };

/** What is asked at the counter about the phone itself: boot rules, notices, prying and calibration depend on it. */
export function PhoneAsked() {
  return (
    <>
      <div className="row gap-8 high">
        <ReceiveField
          label={wording.system}
          field="system"
          className="grow-80"
          normalize={(v: string) => v.trim()}
        >
          <Input
            aria-label={wording.systemVersion}
            placeholder="14.2"
            inputMode="decimal"
            maxLength={11}
            autoComplete="off"
          />
        </ReceiveField>
        <ReceiveField label={wording.charge} field="charge" className="grow-70" normalize={percentOf}>
          <Input inputMode="numeric" maxLength={3} autoComplete="off" />
        </ReceiveField>
      </div>
      <div className="row gap-8 high">
        <YesOrNo field="backup" label={wording.backup} />
        <YesOrNo field="locked" label={wording.lockedToAccount} />
      </div>
      <div className="row gap-14">
        <Tick field="preRelease" text={wording.aPreReleaseSystem} />
        <Tick field="displayOriginal" text={wording.showsAFeatureThatOnly} />
      </div>
    </>
  );
}
/** What was typed as a percentage, without what is no digit; null where nothing is left. */
const percentOf = (typed: unknown): number | null => {
  const digits = String(typed ?? '').replace(/[^0-9]/g, '');
  return digits === '' ? null : Number(digits);
};
function YesOrNo({ field, label }: { field: 'backup' | 'locked'; label: string }) {
  return (
    <ReceiveField
      label={label}
      field={field}
      className="grow-130"
      getValueProps={(value: Known | undefined) => ({ value: value ?? 'unknown' })}
    >
      <Pick className="shrinks" options={known.map((k) => ({ value: k, label: shown[k] }))} />
    </ReceiveField>
  );
}
function Tick({ field, text }: { field: 'preRelease' | 'displayOriginal'; text: string }) {
  return (
    <ReceiveField field={field} valuePropName="checked">
      <Checkbox>{text}</Checkbox>
    </ReceiveField>
  );
}
