import { useFormats } from '../../ui/formats';
import * as wording from '../../../words/screens/offer';
import { useMemo } from 'react';
import { Chart } from '../../ui/chart';
import { axisLook, chartBase } from '../../ui/chart-theme';
import { tokens } from '../../ui/palette';
import { percent } from '../../../words/fault';
import type { Money } from '../../../words/formats';
import type { QuotedOption } from '../../workers/quote.worker';

/** What it will most likely cost, and how that is spread. */
export function PriceRange({
  whole,
  limit,
  price,
  begun,
}: {
  whole: QuotedOption;
  /** The owner's, in minor units. */
  limit: number | null;
  /** An amount as it is offered, rounded. */
  price: Money;
  begun: boolean;
}) {
  const { money, units } = useFormats();
  const option = useMemo(() => optionOf(whole, limit, units), [whole, limit, units]);
  return (
    <>
      <div>
        <div className="now-title m-0" data-testid="range">
          {wording.fromToPrice(price(whole.distribution.p10), price(whole.distribution.p90))}
        </div>
        <div className="muted small">
          {wording.eightOfTenSuchRepairs(
            begun ? wording.whatIsStillToCome : '',
            price(whole.distribution.p50),
            price(whole.distribution.mean),
            whole.trouble > 0.005 ? wording.inOfSuchRepairsA(percent(whole.trouble)) : '',
          )}
        </div>
      </div>
      <Chart
        option={option}
        height={150}
        label={wording.distributionOfTheCostOne(
          price(whole.distribution.p10),
          price(whole.distribution.p50),
          price(whole.distribution.p90),
        )}
      />
      <div className="muted small">
        {wording.trialsAddingUpMeansAnd(
          whole.distribution.trials,
          money(whole.expected.mean),
          money(whole.expected.sd),
        )}
      </div>
    </>
  );
}

function optionOf(whole: QuotedOption, limit: number | null, units: (minor: number) => number) {
  return {
    ...chartBase,
    grid: { left: 4, right: 14, top: 22, bottom: 4, containLabel: true },
    xAxis: {
      type: 'value',
      min: units(whole.distribution.bins[0]!.from),
      max: units(Math.max(whole.distribution.bins.at(-1)!.to, limit ?? 0)),
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
          [units(whole.distribution.bins[0]!.from), 0],
          ...whole.distribution.bins.map((b) => [units(b.to), b.n]),
          // beyond the last bar there is nothing
          [units(whole.distribution.bins.at(-1)!.to), 0],
        ],
        markLine: {
          silent: true,
          symbol: 'none',
          label: { fontFamily: chartBase.textStyle.fontFamily, fontSize: 13, color: tokens.ink },
          data: [
            {
              xAxis: units(Math.round(whole.distribution.p50)),
              label: { formatter: 'half' },
              lineStyle: { color: tokens.petrol, type: 'solid' },
            },
            ...(limit === null
              ? []
              : [
                  {
                    xAxis: units(limit),
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
