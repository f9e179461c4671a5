import * as wording from '../../../words/screens/route';
import { Collapse } from 'antd';
import { useMemo, useState } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import type { Route, Step } from '../../../core/steps/route';
import { Recess } from '../../ui/recess';
import { howText, stepTitle } from '../../../words/steps';
import { stepWhy } from '../../../words/why';
import { cautionText } from '../../../words/cautions';
import { stageText } from '../../../words/route';
import { span } from '../../../words/time';
import { DataTable } from '../../ui/data-table';

interface Props {
  index: IndexedModel;
  plan: Route;
  /** How many targets of a step are still to be done. */
  left: (s: Step) => number;
  /** The step that is pointed at, and seen on the map. */
  pointed: Step | undefined;
  onPoint: (s: Step | undefined) => void;
}
/** A route of so many steps stands whole on the screen; of a longer one only the stage in hand is unfolded. */
const wholeUpTo = 120;

interface Row {
  nr: number;
  s: Step;
  /** Cautions that were not said before. */
  fresh: Step['cautions'];
  /** The bit, where it is another one than before. */
  bit: Step['bit'];
}
/** The steps of a route by its stages, as they follow each other. */
function stagesOf(plan: Route): { key: string; phase: string; rows: Row[] }[] {
  const said = new Set<string>();
  const stages: { key: string; phase: string; rows: Row[] }[] = [];
  let bit: Step['bit'];
  for (const [i, s] of plan.steps.entries()) {
    const fresh = s.cautions.filter((c) => !said.has(c));
    for (const caution of fresh) said.add(caution);
    if (s.phase !== stages.at(-1)?.phase)
      stages.push({ key: `${stages.length} ${s.phase}`, phase: s.phase, rows: [] });
    stages.at(-1)!.rows.push({ nr: i + 1, s, fresh, bit: s.bit && s.bit !== bit ? s.bit : undefined });
    bit = s.bit ?? bit;
  }
  return stages;
}

/**
 * The route by its stages, each folding: what, why, with which bit, how long. A caution is said in full where it comes
 * first, and named afterwards.
 */
export function StepTable(props: Props) {
  const { plan, left } = props;
  const stages = useMemo(() => stagesOf(plan), [plan]);
  const isDone = (s: Step) => left(s) === 0;
  const inHand = stages.find((g) => g.rows.some(({ s }) => !isDone(s))) ?? stages[0];
  // what was folded or unfolded by hand stays so when the route is planned anew
  const [byHand, setByHand] = useState<Record<string, boolean>>({});
  const whole = plan.steps.length <= wholeUpTo;
  const open = stages.map((g) => g.key).filter((key) => byHand[key] ?? (whole || key === inHand?.key));
  return (
    <Collapse
      className="stages"
      ghost
      activeKey={open}
      onChange={(keys) => setByHand(Object.fromEntries(stages.map((g) => [g.key, keys.includes(g.key)])))}
      items={stages.map(({ key, phase, rows }) => {
        const steps = rows.map((r) => r.s);
        return {
          key,
          label: <h2 className="stage-head">{stageText(phase, steps, steps.filter(isDone).length)}</h2>,
          children: <StageTable {...props} phase={phase} rows={rows} />,
        };
      })}
    />
  );
}

function StageTable({ index, left, pointed, onPoint, phase, rows }: Props & { phase: string; rows: Row[] }) {
  return (
    <DataTable
      name={wording.theRoute(phase)}
      rows={rows}
      most={rows.length}
      rowKey={({ s }) => s.id}
      rowClassName={({ s }) => (pointed?.id === s.id ? 'hot' : '')}
      onRow={({ s }) => ({ onMouseEnter: () => onPoint(s), onClick: () => onPoint(s) })}
      columns={[
        { title: wording.nr, width: 44, className: 'muted', cell: ({ nr }) => nr },
        { title: wording.doIt, cell: (row) => <Doing {...row} index={index} done={left(row.s) === 0} /> },
        {
          title: wording.becauseIt,
          width: '24%',
          className: 'small',
          cell: ({ s }) => becauseText(index, s),
        },
        {
          title: wording.bit,
          width: 92,
          cell: ({ s, bit }) =>
            s.bit && (
              <span className="row tight">
                <Recess drive={s.bit} size={20} />
                {bit && <span className="small">{bit}</span>}
              </span>
            ),
        },
        {
          title: wording.time,
          width: 96,
          align: 'right',
          className: 'nowrap small',
          cell: ({ s }) => (
            <>
              {span(s.handsS.likely)}
              {s.waitS > 0 && <div className="muted">{wording.wait(span(s.waitS))}</div>}
            </>
          ),
        },
      ]}
    />
  );
}

const becauseText = (index: IndexedModel, step: Step): string =>
  step.action !== 'check'
    ? stepWhy(index, step)
    : step.round === 'after'
      ? wording.provesTheRepair
      : wording.isTheLastCheapMoment;

/** What is done in a step, with how and with what care. */
function Doing({
  index,
  s,
  fresh,
  done,
}: {
  index: IndexedModel;
  s: Step;
  fresh: Step['cautions'];
  done: boolean;
}) {
  const how = howText(index, s);
  return (
    <>
      <span className={done ? 'muted' : 'strong'}>
        {done ? '✓ ' : ''}
        {stepTitle(index, s)}
      </span>
      {(s.note ?? how) && <div className="small muted">{[s.note, how].filter(Boolean).join(' ')}</div>}
      {fresh.length > 0 && <div className="small brick">{fresh.map((c) => cautionText[c]).join(' ')}</div>}
    </>
  );
}
