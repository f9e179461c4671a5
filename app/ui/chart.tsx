import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import { useEffect, useRef } from 'react';

/**
 * A chart: drawn in the browser once its library has come, which no page waits for. What it says stands in words in its
 * label, for those who do not see it.
 */
export function Chart({
  option,
  height = 220,
  label,
}: {
  option: EChartsCoreOption;
  height?: number;
  label: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType>(undefined);
  const last = useRef(option);
  last.current = option;
  useEffect(() => {
    let gone = false;
    let watch: ResizeObserver | undefined;
    void import('./echarts').then(({ init }) => {
      if (gone || !box.current) return;
      const eChartsType = init(box.current, undefined, { renderer: 'svg' });
      chart.current = eChartsType;
      eChartsType.setOption(last.current);
      watch = new ResizeObserver(() => eChartsType.resize());
      watch.observe(box.current);
    });
    return () => {
      gone = true;
      watch?.disconnect();
      chart.current?.dispose();
      chart.current = undefined;
    };
  }, []);
  useEffect(() => {
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  return <div ref={box} role="img" aria-label={label} style={{ height }} />;
}
