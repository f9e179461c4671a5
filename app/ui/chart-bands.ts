import { chartBase } from './chart-theme';

/** A figure for eight of ten, and the one in the middle, at each time. */
interface Band {
  low: readonly number[];
  likely: readonly number[];
  high: readonly number[];
}
/** A band is two lines on top of each other: the lower one is not seen, and what lies between is filled. */
export function bandOf(name: string, times: readonly number[], { low, likely, high }: Band, color: string) {
  const points = (values: readonly number[]) => values.map((v, k) => [times[k]!, v]);
  const hidden = { type: 'line', symbol: 'none', lineStyle: { opacity: 0 }, silent: true } as const;
  return [
    { ...hidden, name: `${name} low`, stack: name, data: points(low), areaStyle: { opacity: 0 } },
    {
      ...hidden,
      name: `${name} high`,
      stack: name,
      data: points(high.map((h, k) => h - low[k]!)),
      areaStyle: { color, opacity: 0.22 },
    },
    {
      name,
      type: 'line',
      symbol: 'none',
      silent: true,
      data: points(likely),
      lineStyle: { color, width: 3 },
      endLabel: {
        show: true,
        formatter: name,
        color,
        fontSize: 13,
        fontWeight: 700,
        fontFamily: chartBase.textStyle.fontFamily,
      },
    },
  ];
}
