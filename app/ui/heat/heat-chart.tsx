import { useMemo } from 'react';
import { cellLimitC, type HeatWindow, softC } from '../../../core/heat/heat-window';
import * as wording from '../../../words/screens/heat';
import { left } from '../../../words/time';
import { Chart } from '../chart';
import { bandOf } from '../chart-bands';
import { axisLook, chartBase } from '../chart-theme';
import { tokens } from '../palette';

/**
 * How warm the seal and the cell become: bands for eight of ten devices, the window shaded, a line for now. The same figures
 * stand in its label.
 */
export function HeatChart({
  window: found,
  fromS = 0,
  nowS,
  height = 250,
}: {
  window: HeatWindow;
  /** Where the soak that is asked about begins: earlier ones lie to its left. */
  fromS?: number;
  nowS?: number | undefined;
  height?: number;
}) {
  // the line for now moves each second; the rest is drawn as it was
  const now = nowS === undefined ? undefined : Math.round(nowS);
  const option = useMemo(() => optionOf(found, fromS, now), [found, fromS, now]);
  return <Chart option={option} height={height} label={wording.spoken(spokenOf(found, fromS))} />;
}
function spokenOf({ times, bond, cell }: HeatWindow, fromS: number): string {
  return times
    .map((t, k) => ({ t: t - fromS, k }))
    .filter(({ t }) => t >= 0 && t % 60 === 0)
    .map(({ t, k }) => wording.at(left(t), Math.round(bond.likely[k]!), cell && Math.round(cell.likely[k]!)))
    .join('; ');
}
function optionOf(found: HeatWindow, fromS: number, nowS: number | undefined) {
  const times = found.times.map((t) => t - fromS);
  const { bond, cell } = found;
  const most = Math.max(cellLimitC + 10, softC.high + 10, ...bond.high.map((c) => Math.ceil(c / 10) * 10));
  return {
    ...chartBase,
    grid: { left: 8, right: 64, top: 22, bottom: 8, containLabel: true },
    xAxis: {
      type: 'value',
      min: Math.min(0, ...times),
      max: times.at(-1),
      interval: 120,
      ...axisLook,
      splitLine: { show: false },
      axisLabel: { ...axisLook.axisLabel, formatter: (s: number) => (s < 0 ? '' : left(s)) },
    },
    yAxis: {
      type: 'value',
      min: 20,
      max: most,
      interval: 20,
      ...axisLook,
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} °C' },
    },
    series: [
      ...bandOf(wording.seal, times, bond, tokens.saffron),
      ...(cell ? bandOf(wording.cell, times, cell, tokens.moss) : []),
      ...marksOf(found, fromS, nowS),
    ],
  };
}
/** A word over lines stays readable. */
const onPaper = { backgroundColor: tokens.chartPaper, padding: [0, 3], borderRadius: 3 } as const;
/** The window, the band in which the seal softens, the cell's limit, and now. */
function marksOf({ window }: HeatWindow, fromS: number, nowS: number | undefined) {
  const opens = window && {
    xAxis: window.opensS - fromS,
    itemStyle: { color: tokens.moss, opacity: 0.16 },
    label: {
      show: true,
      position: 'insideTop',
      color: tokens.moss,
      fontWeight: 700,
      formatter: wording.window,
    },
  };
  const softens = {
    yAxis: softC.low,
    itemStyle: { color: tokens.saffronSoft, opacity: 0.55 },
  };
  const softensSaid = {
    yAxis: softC.high,
    lineStyle: { width: 0 },
    label: {
      show: true,
      position: 'insideEndTop',
      color: tokens.saffronInk,
      ...onPaper,
      formatter: wording.softens(softC.low, softC.high),
    },
  };
  const limit = {
    yAxis: cellLimitC,
    lineStyle: { color: tokens.brick, type: 'dashed', width: 1.5 },
    label: {
      show: true,
      position: 'insideEndBottom',
      color: tokens.brick,
      ...onPaper,
      formatter: wording.cellLimit(cellLimitC),
    },
  };
  const now = nowS !== undefined && {
    xAxis: nowS - fromS,
    lineStyle: { color: tokens.ink, type: 'solid', width: 2 },
    label: { show: true, position: 'end', color: tokens.ink, formatter: left(nowS - fromS) },
  };
  const plain = { type: 'line', symbol: 'none', silent: true, data: [] };
  // areas lie under the lines, words over them
  return [
    {
      ...plain,
      name: 'areas',
      z: 1,
      markArea: {
        silent: true,
        data: [
          [softens, { yAxis: softC.high }],
          ...(window ? [[opens, { xAxis: window.closesS - fromS }]] : []),
        ],
      },
    },
    {
      ...plain,
      name: 'marks',
      z: 10,
      markLine: { silent: true, symbol: 'none', data: [limit, softensSaid, ...(now ? [now] : [])] },
    },
  ];
}
