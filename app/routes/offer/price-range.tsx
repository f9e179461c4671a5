import * as wording from '../../../words/screens/offer';
import { useMemo } from 'react';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/tokens';
import { percent } from '../../../words/fault';
import { money } from '../../../words/time';
import type { QuotedOption } from '../../workers/quote.worker';

/** What it will most likely cost, and how that is spread. */
export function PriceRange({
  whole,
  limit,
  currency,
  begun,
}: {
  whole: QuotedOption;
  /** The owner's, in minor units. */
  limit: number | null;
  currency: string;
  begun: boolean;
}) {
  const option = useMemo(() => optionOf(whole, limit), [whole, limit]);
  return (
    <>
      <div>
        <div className="now-title m-0" data-testid="range">
          {wording.fromToPrice(
            money(whole.distribution.p10, currency),
            money(whole.distribution.p90, currency),
          )}
        </div>
        <div className="muted small">
          {wording.eightOfTenSuchRepairs(
            begun ? wording.whatIsStillToCome : '',
            money(whole.distribution.p50, currency),
            money(whole.distribution.mean, currency),
            whole.trouble > 0.005 ? wording.inOfSuchRepairsA(percent(whole.trouble)) : '',
          )}
        </div>
      </div>
      <Chart
        option={option}
        height={150}
        label={wording.distributionOfTheCostOne(
          money(whole.distribution.p10, currency),
          money(whole.distribution.p50, currency),
          money(whole.distribution.p90, currency),
        )}
      />
      <div className="muted small">
        {wording.trialsAddingUpMeansAnd(
          whole.distribution.trials,
          money(whole.expected.mean, currency),
          money(whole.expected.sd, currency),
        )}
      </div>
    </>
  );
}

function optionOf(whole: QuotedOption, limit: number | null) {
  return {
    ...chartBase,
    grid: { left: 4, right: 14, top: 22, bottom: 4, containLabel: true },
    xAxis: {
      type: 'value',
      min: whole.distribution.bins[0]!.from / 100,
      max: Math.max(whole.distribution.bins.at(-1)!.to, limit ?? 0) / 100,
      ...axisLook,
      // the ends are wherever the trials ended, to many digits
      axisLabel: { ...axisLook.axisLabel, showMinLabel: false, showMaxLabel: false },
      splitLine: { show: false },
      splitNumber: 5,
    },
    yAxis: { type: 'value', show: false },
    series: [
      {
        type: 'line',
        step: 'start',
        symbol: 'none',
        areaStyle: { color: tokens.petrolSoft },
        lineStyle: { color: tokens.petrol, width: 1.5 },
        data: [
          [whole.distribution.bins[0]!.from / 100, 0],
          ...whole.distribution.bins.map((b) => [b.to / 100, b.n]),
          // beyond the last bar there is nothing
          [whole.distribution.bins.at(-1)!.to / 100, 0],
        ],
        markLine: {
          silent: true,
          symbol: 'none',
          label: { fontFamily: chartBase.textStyle.fontFamily, fontSize: 13, color: tokens.ink },
          data: [
            {
              xAxis: Math.round(whole.distribution.p50) / 100,
              label: { formatter: 'half' },
              lineStyle: { color: tokens.petrol, type: 'solid' },
            },
            ...(limit === null
              ? []
              : [
                  {
                    xAxis: limit / 100,
                    label: { formatter: 'limit' },
                    lineStyle: { color: tokens.brick, type: 'dashed', width: 2 },
                  },
                ]),
          ],
        },
      },
    ],
  };
}
