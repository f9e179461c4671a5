import { useMemo } from 'react';
import type { LeakSample } from '../../../core/leak/fit';
import * as wording from '../../../words/screens/leak';
import { Chart } from '../chart';
import { axisLook, chartBase } from '../chart-theme';
import { tokens } from '../palette';

/** No more points are drawn: a screen is some hundred wide. */
const mostPoints = 300;

/**
 * What was lost of the under-pressure while it is held; once it is judged, with the line above which it would have failed:
 * what settles is no leak, and the limit goes up from there. The same in words in its label.
 */
export function LeakChart({
  samples,
  holdS,
  limitPaS,
  settledPa,
  height = 200,
}: {
  samples: readonly LeakSample[];
  holdS: number;
  limitPaS: number;
  /** What settling took away, Pa; left out while nobody knows. */
  settledPa?: number | undefined;
  height?: number;
}) {
  const option = useMemo(
    () => optionOf(samples, holdS, limitPaS, settledPa),
    [samples, holdS, limitPaS, settledPa],
  );
  const last = samples.at(-1);
  const lost = last ? Math.round(lostOf(samples, last)) : 0;
  return (
    <Chart option={option} height={height} label={wording.spoken(lost, (last?.tS ?? 0).toFixed(0), holdS)} />
  );
}
const lostOf = (samples: readonly LeakSample[], { pPa }: LeakSample) =>
  Math.abs(samples[0]!.pPa) - Math.abs(pPa);

function optionOf(
  samples: readonly LeakSample[],
  holdS: number,
  limitPaS: number,
  settledPa: number | undefined,
) {
  const each = Math.max(1, Math.ceil(samples.length / mostPoints));
  const points = samples.filter((_, k) => k % each === 0).map((s) => [s.tS, lostOf(samples, s)]);
  return {
    ...chartBase,
    grid: { left: 8, right: 64, top: 14, bottom: 8, containLabel: true },
    xAxis: {
      type: 'value',
      min: 0,
      max: holdS,
      ...axisLook,
      splitLine: { show: false },
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} s' },
    },
    yAxis: {
      type: 'value',
      min: (r: { min: number }) => Math.min(0, Math.floor(r.min / 10) * 10),
      ...axisLook,
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} Pa' },
    },
    series: [
      {
        name: wording.lost,
        type: 'line',
        symbol: 'none',
        silent: true,
        data: points,
        lineStyle: { color: tokens.petrol, width: 2.5 },
        endLabel: { show: points.length > 0, formatter: '{a}', color: tokens.petrol, fontSize: 13 },
      },
      ...(settledPa === undefined ? [] : [limitLine(holdS, limitPaS, settledPa)]),
    ],
  };
}
const limitLine = (holdS: number, limitPaS: number, settledPa: number) => ({
  name: wording.limit,
  type: 'line',
  symbol: 'none',
  silent: true,
  data: [
    [0, settledPa],
    [holdS, settledPa + limitPaS * holdS],
  ],
  lineStyle: { color: tokens.brick, type: 'dashed', width: 1.5 },
  endLabel: { show: true, formatter: '{a}', color: tokens.brick, fontSize: 13 },
});
