import { Input } from 'antd';
import { type Known, known } from '../../../core/job/events';
import type { DraftBody } from '../../../server/use-cases/receive-job';

const shown: Record<Known, string> = { yes: 'yes', no: 'no', unknown: 'not known' };

/** What is asked at the counter about the phone itself: boot rules, notices, prying and calibration depend on it. */
export function PhoneAsked({
  draft,
  change,
  error,
}: {
  draft: DraftBody;
  change: (part: Partial<DraftBody>) => void;
  error: (field: string) => React.ReactNode;
}) {
  const pick = (field: 'backup' | 'locked', label: string) => (
    <div className="field" style={{ flex: '1 1 130px' }}>
      <label htmlFor={field}>{label}</label>
      <select
        id={field}
        className="pick"
        style={{ minWidth: 0 }}
        value={draft[field] ?? 'unknown'}
        onChange={(e) => change({ [field]: e.target.value as Known })}
      >
        {known.map((k) => (
          <option key={k} value={k}>
            {shown[k]}
          </option>
        ))}
      </select>
    </div>
  );
  return (
    <>
      <div className="row" style={{ gap: 8, alignItems: 'flex-start' }}>
        <div className="field" style={{ flex: '1 1 80px' }}>
          <label htmlFor="system">System</label>
          <Input
            id="system"
            aria-label="System version"
            placeholder="14.2"
            inputMode="decimal"
            maxLength={11}
            autoComplete="off"
            value={draft.system ?? ''}
            onChange={(e) => change({ system: e.target.value.trim() })}
          />
          {error('system')}
        </div>
        <div className="field" style={{ flex: '1 1 70px' }}>
          <label htmlFor="charge">Charge, %</label>
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
          {error('charge')}
        </div>
      </div>
      <div className="row" style={{ gap: 8, alignItems: 'flex-start' }}>
        {pick('backup', 'Backup')}
        {pick('locked', 'Locked to account')}
      </div>
      <div className="row" style={{ gap: 14 }}>
        <label className="row small" style={{ gap: 6, minHeight: 32 }}>
          <input
            type="checkbox"
            checked={draft.preRelease ?? false}
            onChange={(e) => change({ preRelease: e.target.checked })}
          />
          a pre-release system
        </label>
        <label className="row small" style={{ gap: 6, minHeight: 32 }}>
          <input
            type="checkbox"
            checked={draft.displayOriginal ?? false}
            onChange={(e) => change({ displayOriginal: e.target.checked })}
          />
          shows a feature that only the factory display has
        </label>
      </div>
    </>
  );
}
