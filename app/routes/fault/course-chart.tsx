import * as wording from '../../../words/screens/fault';
import { useMemo } from 'react';
import type { Fault } from '../../../core/diagnose/fault';
import type { FaultView } from '../../../core/diagnose/next';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase, lineLooks } from '../../ui/chart-theme';
import { percent, testName } from '../../../words/fault';

/** A cause with its chance now and its place among the causes of the fault. */
export type CauseRow = Fault['causes'][number] & { p: number; i: number; price: number };

/** How each test moved the likeliest causes. */
export function CourseChart({ seen, rows }: { seen: FaultView; rows: readonly CauseRow[] }) {
  const top = useMemo(() => rows.slice(0, lineLooks.length), [rows]);
  const option = useMemo(() => optionOf(seen, top), [seen, top]);
  const spoken = seen.course
    .map(
      (s) =>
        `${s.seen ? `${testName(s.seen.test)}, ${s.seen.outcome}` : wording.beforeAnyTest}: ${top.map((c) => `${c.name} ${percent(s.belief[c.i]!)}`).join(', ')}`,
    )
    .join('; ');
  return (
    <>
      <h2>{wording.howTheTestsMovedIt}</h2>
      <Chart option={option} height={230} label={wording.chancesAfterEachTest(spoken)} />
      <ol className="small muted m-0 indent-22">
        {seen.course.slice(1).map((s) => (
          <li key={s.seen!.test}>
            {`${testName(s.seen!.test)}: `}
            <span className="strong">{s.seen!.outcome}</span>
          </li>
        ))}
      </ol>
    </>
  );
}

function optionOf(seen: FaultView, top: readonly CauseRow[]) {
  const dy = labelShifts(top.map((c) => c.p));
  return {
    ...chartBase,
    grid: { ...chartBase.grid, right: 220, top: 12 },
    xAxis: {
      type: 'category',
      data: seen.course.map((c, k) => (c.seen ? `${k}` : 'before')),
      ...axisLook,
      boundaryGap: false,
    },
    yAxis: {
      type: 'value',
      min: 0,
      max: 100,
      interval: 25,
      ...axisLook,
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} %' },
    },
    series: top.map((causeRow, k) => ({
      name: causeRow.name,
      type: 'line',
      data: seen.course.map((s) => Math.round(s.belief[causeRow.i]! * 1000) / 10),
      symbol: lineLooks[k]!.symbol,
      symbolSize: 9,
      itemStyle: { color: lineLooks[k]!.color },
      lineStyle: { color: lineLooks[k]!.color, type: lineLooks[k]!.type, width: 2.5 },
      endLabel: {
        show: true,
        formatter: '{a}',
        color: lineLooks[k]!.color,
        fontFamily: chartBase.textStyle.fontFamily,
        fontSize: 14,
        distance: 8,
        offset: [0, dy[k]!],
      },
    })),
  };
}

/** Height of the plot and least distance of two labels, px. */
const plotPx = 190;
const labelPx = 17;
/** Pixels by which labels at the ends of lines move so that none lies on another or below the axis; shares descending. */
function labelShifts(shares: readonly number[]): number[] {
  const at = shares.map((p) => (1 - p) * plotPx);
  const put = [...at];
  for (let i = 1; i < put.length; i++) put[i] = Math.max(put[i]!, put[i - 1]! + labelPx);
  for (let i = put.length - 1, low = plotPx; i >= 0; i--, low -= labelPx) put[i] = Math.min(put[i]!, low);
  return put.map((y, i) => y - at[i]!);
}
