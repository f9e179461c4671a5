import { Button, InputNumber } from 'antd';
import { useState } from 'react';
import type { Body } from '../../../core/log/events';
import type { JobState } from '../../../core/log/state';
import { chargeOf } from '../../../core/log/view';
import * as wording from '../../../words/screens/work';
import { noFocus } from './work-keys';

/** Before a blade comes near the cell: the charge that is known, and what it shows now. */
export function ChargeAsked({ state, act }: { state: JobState; act: (body: Body) => void }) {
  const [percent, setPercent] = useState<number | null>(null);
  const known = chargeOf(state);
  const take = () => {
    if (percent === null) return;
    act({ type: 'chargeSeen', percent });
    setPercent(null);
    (document.activeElement as HTMLElement | null)?.blur();
  };
  return (
    <div className="row gap-8 mid top-10">
      <span className="fill">{known === undefined ? wording.chargeUnknown : wording.chargeKnown(known)}</span>
      <InputNumber
        aria-label={wording.chargeShows}
        min={0}
        max={100}
        precision={0}
        suffix="%"
        className="w-110"
        value={percent}
        onChange={setPercent}
        onPressEnter={take}
      />
      <Button onMouseDown={noFocus} onClick={take} disabled={percent === null}>
        {wording.chargeTake}
      </Button>
    </div>
  );
}
