import { useMemo } from 'react';
import type { ReworkProfile } from '../../../core/rework/profile';
import * as wording from '../../../words/screens/rework';
import { left } from '../../../words/time';
import { Chart } from '../../ui/chart';
import { bandOf } from '../../ui/chart-bands';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/palette';

/** Joint and panel against time, the flex being as warm as the joint on it; the melting line, the window, and a line for now. The figures stand in its label, too. */
export function ProfileChart({
  profile,
  liquidusC,
  nowS,
}: {
  profile: ReworkProfile;
  liquidusC: number;
  nowS: number | undefined;
}) {
  const option = useMemo(() => optionOf(profile, liquidusC, nowS), [profile, liquidusC, nowS]);
  const spoken = profile.times
    .filter((t) => t % 30 === 0)
    .map((t) =>
      wording.at(left(t), Math.round(profile.joint.likely[t]!), Math.round(profile.flex.likely[t]!)),
    )
    .join('; ');
  return <Chart option={option} height={230} label={wording.spoken(spoken)} />;
}
function optionOf({ times, joint, panel, lift }: ReworkProfile, liquidusC: number, nowS: number | undefined) {
  const most = Math.max(liquidusC + 30, ...joint.high.map((c) => Math.ceil(c / 50) * 50));
  const plain = { type: 'line', symbol: 'none', silent: true, data: [] };
  return {
    ...chartBase,
    grid: { left: 8, right: 64, top: 22, bottom: 8, containLabel: true },
    xAxis: {
      ...{ type: 'value', min: 0, max: times.at(-1), interval: 30, ...axisLook, splitLine: { show: false } },
      axisLabel: { ...axisLook.axisLabel, formatter: (s: number) => left(s) },
    },
    yAxis: {
      ...{ type: 'value', min: 0, max: most, interval: 50, ...axisLook },
      axisLabel: { ...axisLook.axisLabel, formatter: '{value} °C' },
    },
    series: [
      ...bandOf(wording.joint, times, joint, tokens.saffron),
      ...bandOf(wording.panel, times, panel, tokens.moss),
      {
        ...plain,
        markArea: {
          silent: true,
          itemStyle: { color: tokens.moss, opacity: 0.16 },
          data: lift ? [[{ xAxis: lift.fromS }, { xAxis: lift.toS }]] : [],
        },
        markLine: {
          ...{ silent: true, symbol: 'none', animation: false },
          data: [
            {
              yAxis: liquidusC,
              lineStyle: { color: tokens.brick, type: 'dashed', width: 1.5 },
              label: {
                ...{ show: true, position: 'insideEndBottom', color: tokens.brick },
                formatter: wording.melts(Math.round(liquidusC)),
              },
            },
            ...(nowS === undefined
              ? []
              : [
                  {
                    xAxis: nowS,
                    lineStyle: { color: tokens.ink, type: 'solid', width: 2 },
                    label: { show: true, position: 'end', color: tokens.ink, formatter: left(nowS) },
                  },
                ]),
          ],
        },
      },
    ],
  };
}
