import { useMemo } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route, Step } from '../../../core/route/types';
import { Recess } from '../../ui/recess';
import { cautionText, howText, stepTitle, stepWhy } from '../../words/steps';
import { span } from '../../words/time';

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
    <table className="tbl" aria-label="The route">
      <thead>
        <tr>
          <th scope="col" style={{ width: 34 }}>
            nr
          </th>
          <th scope="col">do</th>
          <th scope="col">because it</th>
          <th scope="col">bit</th>
          <th scope="col" style={{ textAlign: 'right' }}>
            time
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ s, first, bit, fresh }, i) => {
          const done = left?.(s) === 0;
          const how = howText(index, s);
          return (
            <tr
              key={s.id}
              className={hover?.id === s.id ? 'hot' : ''}
              onMouseEnter={() => onHover?.(s)}
              onMouseLeave={() => onHover?.(undefined)}
            >
              <td className="muted">{i + 1}</td>
              <td>
                {first && (
                  <div className="small muted" style={{ fontWeight: 700 }}>
                    {s.phase}
                  </div>
                )}
                <span className={done ? 'muted' : 'strong'}>
                  {done ? '✓ ' : ''}
                  {stepTitle(index, s)}
                </span>
                {(s.note ?? how) && (
                  <div className="small muted">{[s.note, how].filter(Boolean).join(' ')}</div>
                )}
                {fresh.length > 0 && (
                  <div className="small brick">{fresh.map((c) => cautionText[c]).join(' ')}</div>
                )}
              </td>
              <td className="small">
                {s.action === 'check'
                  ? s.round === 'after'
                    ? 'proves the repair'
                    : 'is the last cheap moment'
                  : stepWhy(index, s)}
              </td>
              <td>
                {s.bit && (
                  <span className="row" style={{ gap: 5, flexWrap: 'nowrap' }}>
                    <Recess drive={s.bit} size={20} />
                    {bit && <span className="small">{bit}</span>}
                  </span>
                )}
              </td>
              <td className="nowrap small" style={{ textAlign: 'right' }}>
                {span(s.handsS.likely)}
                {s.waitS > 0 && <div className="muted">{`+ ${span(s.waitS)} wait`}</div>}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
