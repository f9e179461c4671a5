import * as wording from '../../../words/screens/work';
import { Input, Button } from 'antd';
import { useState } from 'react';
import { type BodyOf, pressureUnits } from '../../../core/log/events';
import { Field } from '../../ui/field';
import { Pick } from '../../ui/pick';
import { Note } from '../../ui/note';

type Leak = BodyOf<'leakTested'>;
const unitKey = 'snavek-leak-unit';
const rememberedUnit = (): (typeof pressureUnits)[number] => {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(unitKey);
  return pressureUnits.find((u) => u === kept) ?? 'kPa';
};

/** At the end of the hold: what the tester shows, and that it does not hold. That it holds is the pedal's. */
export function LeakCard({
  holding,
  proved,
  onReport,
}: {
  /** The hold still runs: it can fail, but not pass yet. */
  holding: boolean;
  /** The tester has found its reference leak within a day: a figure read from it is proof. */
  proved: boolean;
  onReport: (body: Leak) => void;
}) {
  const [value, setValue] = useState('');
  const [unit, setUnit] = useState(rememberedUnit);
  const [wrong, setWrong] = useState(false);
  const lost = Number(value.replace(',', '.'));
  const read = value.trim() !== '' && Number.isFinite(lost) && lost >= 0;
  const report = (holds: boolean) => {
    if (!read && (!holds || value.trim() !== '')) {
      setWrong(true);
      return;
    }
    localStorage.setItem(unitKey, unit);
    onReport({ type: 'leakTested', holds, ...(read ? { lost: { value: lost, unit }, proved } : {}) });
  };
  return (
    <Note role="region" className="below" layout="stack" aria-label={wording.leakTest}>
      <div className="row low">
        <Field label={wording.underPressureLostInThe} htmlFor="leak-lost">
          <Input
            id="leak-lost"
            className="w-110"
            inputMode="decimal"
            autoComplete="off"
            maxLength={12}
            value={value}
            aria-invalid={wrong}
            status={wrong ? 'error' : ''}
            onChange={(changeEvent) => {
              setValue(changeEvent.target.value);
              setWrong(false);
            }}
          />
        </Field>
        <Field label={wording.unitOfTheTester} htmlFor="leak-unit">
          <Pick
            id="leak-unit"
            letGo
            value={unit}
            onChange={(value) => setUnit(value as typeof unit)}
            options={pressureUnits.map((u) => ({ value: u, label: u }))}
          />
        </Field>
        <Button danger onClick={() => report(false)}>
          {wording.itDoesNotHold}
        </Button>
        <Button disabled={holding} onClick={() => report(true)}>
          {wording.itHolds}
        </Button>
      </div>
      {wrong && (
        <p className="brick" role="alert">
          {wording.giveWhatTheTesterShows}
        </p>
      )}
      <p className="small muted">{wording.aFastLossThatFlattens}</p>
    </Note>
  );
}
