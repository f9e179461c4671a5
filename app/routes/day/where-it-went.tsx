import { useMemo } from 'react';
import * as wording from '../../../words/screens/looking-back';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/palette';

const rowPx = 26;
/** Where the hands of a month went, by kind of step, the most first. */
export function WhereItWent({ kinds }: { kinds: readonly { name: string; minutes: number }[] }) {
  const option = useMemo(
    () => ({
      ...chartBase,
      grid: { left: 8, right: 60, top: 8, bottom: 8, containLabel: true },
      xAxis: { type: 'value', ...axisLook, axisLabel: { ...axisLook.axisLabel, formatter: '{value} min' } },
      yAxis: { type: 'category', inverse: true, ...axisLook, data: kinds.map((k) => k.name) },
      series: [
        {
          type: 'bar',
          silent: true,
          data: kinds.map((k) => Math.round(k.minutes)),
          itemStyle: { color: tokens.petrol },
          label: { show: true, position: 'right', formatter: '{c} min', color: tokens.ink },
        },
      ],
    }),
    [kinds],
  );
  return <Chart option={option} height={40 + rowPx * kinds.length} label={wording.where} />;
}
