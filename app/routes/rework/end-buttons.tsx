import { Button, Popconfirm } from 'antd';
import * as wording from '../../../words/screens/rework';
import type { Rework } from './use-rework';

/** Ends the work before its last step: the part is lost, or it is given up. */
export function EndButtons({ rework: { end, ended } }: { rework: Rework }) {
  return (
    <div className="row">
      {(['part lost', 'given up'] as const).map((outcome) => (
        <Popconfirm
          key={outcome}
          title={wording.endedAs(wording.outcomeName[outcome])}
          onConfirm={() => end(outcome)}
          disabled={ended}
        >
          <Button danger={outcome === 'part lost'} disabled={ended}>
            {wording.outcomeName[outcome]}
          </Button>
        </Popconfirm>
      ))}
    </div>
  );
}
