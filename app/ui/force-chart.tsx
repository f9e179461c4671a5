import { useMemo } from 'react';
import type { ForceSample } from '../../core/seal/press-curve';
import * as wording from '../../words/screens/press';
import { Chart } from './chart';
import { axisLook, chartBase } from './chart-theme';
import { tokens } from './palette';

/** The force of a press over time, with what was set. The same in words in its label. */
export function ForceChart({
  samples,
  setN,
  height = 150,
}: {
  samples: readonly ForceSample[];
  setN: number;
  height?: number;
}) {
  const option = useMemo(() => optionOf(samples, setN), [samples, setN]);
  const last = samples.at(-1);
  return (
    <Chart
      option={option}
      height={height}
      label={wording.spoken(Math.round(last?.forceN ?? 0), (last?.tS ?? 0).toFixed(0), Math.round(setN))}
    />
  );
}
function optionOf(samples: readonly ForceSample[], setN: number) {
  const end = samples.at(-1)?.tS ?? 0;
  return {
    ...chartBase,
    grid: { left: 8, right: 64, top: 14, bottom: 8, containLabel: true },
    xAxis: {
      type: 'value',
      min: 0,
      max: Math.max(10, Math.ceil(end)),
      ...axisLook,
      splitLine: { show: false },
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} s' },
    },
    yAxis: {
      type: 'value',
      min: 0,
      ...axisLook,
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} N' },
    },
    series: [
      {
        name: wording.force,
        type: 'line',
        symbol: 'none',
        silent: true,
        data: samples.map((s) => [s.tS, s.forceN]),
        lineStyle: { color: tokens.petrol, width: 2.5 },
      },
      {
        name: wording.asSet,
        type: 'line',
        symbol: 'none',
        silent: true,
        data: [
          [0, setN],
          [Math.max(10, Math.ceil(end)), setN],
        ],
        lineStyle: { color: tokens.ink, type: 'dashed', width: 1.5 },
        endLabel: { show: true, formatter: '{a}', color: tokens.ink, fontSize: 13 },
      },
    ],
  };
}
