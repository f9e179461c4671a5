import { Button, Popconfirm } from 'antd';
import * as wording from '../../../words/screens/rework';
import type { Rework } from './use-rework';

/** Ends the work before its last step: a part is lost, it is given up, or its notice stays. */
export function EndButtons({ rework: { end, ended, work } }: { rework: Rework }) {
  const lost = work?.newPart ? (['old part', 'new part'] as const) : ([undefined] as const);
  const stays = work?.tries?.at(-1) === 'notice stays';
  return (
    <div className="row">
      {lost.map((which) => (
        <Ask
          key={which ?? 'part'}
          label={which ? wording.isLost(which) : wording.outcomeName['part lost']}
          danger
          disabled={ended}
          onYes={() => end('part lost', which)}
        />
      ))}
      {stays && (
        <Ask label={wording.outcomeName['notice stays']} disabled={ended} onYes={() => end('notice stays')} />
      )}
      <Ask label={wording.outcomeName['given up']} disabled={ended} onYes={() => end('given up')} />
    </div>
  );
}
function Ask({
  label,
  danger = false,
  disabled,
  onYes,
}: {
  label: string;
  danger?: boolean;
  disabled: boolean;
  onYes: () => void;
}) {
  return (
    <Popconfirm title={wording.endedAs(label)} onConfirm={onYes} disabled={disabled}>
      <Button danger={danger} disabled={disabled}>
        {label}
      </Button>
    </Popconfirm>
  );
}
