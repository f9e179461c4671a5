import { useMemo } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route, Step } from '../../../core/route/types';
import { Recess } from '../../ui/recess';
import { cautionText, howText, stepTitle, stepWhy } from '../../words/steps';
import { span } from '../../words/time';
import { DataTable } from '../../ui/data-table';

interface Props {
  index: IndexedModel;
  plan: Route;
  /** How many targets of a step are still to be done. */
  left?: (s: Step) => number;
  hover?: Step | undefined;
  onHover?: (s: Step | undefined) => void;
}

/** The route as a table: what, why, with which bit, how long. A caution is said in full where it comes first, and named afterwards. */
export function StepTable({ index, plan, left, hover, onHover }: Props) {
  const rows = useMemo(() => {
    const said = new Set<string>();
    return plan.steps.map((s, i) => {
      const fresh = s.cautions.filter((c) => !said.has(c));
      for (const c of fresh) said.add(c);
      return {
        s,
        fresh,
        first: s.phase !== plan.steps[i - 1]?.phase,
        bit: s.bit && s.bit !== plan.steps.slice(0, i).findLast((x) => x.bit)?.bit ? s.bit : undefined,
      };
    });
  }, [plan]);
  return (
    <DataTable
      name="The route"
      rows={rows}
      most={rows.length}
      rowKey={({ s }) => s.id}
      rowClassName={({ s }) => (hover?.id === s.id ? 'hot' : '')}
      onRow={({ s }) => ({ onMouseEnter: () => onHover?.(s), onMouseLeave: () => onHover?.(undefined) })}
      columns={[
        { title: 'nr', width: 34, className: 'muted', cell: (_, i) => i + 1 },
        { title: 'do', cell: (row) => <Doing {...row} index={index} done={left?.(row.s) === 0} /> },
        { title: 'because it', className: 'small', cell: ({ s }) => becauseText(index, s) },
        {
          title: 'bit',
          cell: ({ s, bit }) =>
            s.bit && (
              <span className="row tight">
                <Recess drive={s.bit} size={20} />
                {bit && <span className="small">{bit}</span>}
              </span>
            ),
        },
        {
          title: 'time',
          align: 'right',
          className: 'nowrap small',
          cell: ({ s }) => (
            <>
              {span(s.handsS.likely)}
              {s.waitS > 0 && <div className="muted">{`+ ${span(s.waitS)} wait`}</div>}
            </>
          ),
        },
      ]}
    />
  );
}

const becauseText = (index: IndexedModel, s: Step): string =>
  s.action !== 'check'
    ? stepWhy(index, s)
    : s.round === 'after'
      ? 'proves the repair'
      : 'is the last cheap moment';

/** What is done in a step, with how and with what care. */
function Doing({
  index,
  s,
  first,
  fresh,
  done,
}: {
  index: IndexedModel;
  s: Step;
  first: boolean;
  fresh: Step['cautions'];
  done: boolean;
}) {
  const how = howText(index, s);
  return (
    <>
      {first && <div className="small muted strong">{s.phase}</div>}
      <span className={done ? 'muted' : 'strong'}>
        {done ? '✓ ' : ''}
        {stepTitle(index, s)}
      </span>
      {(s.note ?? how) && <div className="small muted">{[s.note, how].filter(Boolean).join(' ')}</div>}
      {fresh.length > 0 && <div className="small brick">{fresh.map((c) => cautionText[c]).join(' ')}</div>}
    </>
  );
}
