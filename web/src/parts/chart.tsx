import { Box } from '@chakra-ui/react';
import type { EChartsCoreOption, EChartsType } from 'echarts/core';
import { init } from 'echarts/core';
import { useEffect, useRef } from 'react';
import type { ReactElement } from 'react';

/** A colour of the theme as a chart takes it. */
export const colour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--rb-colors-${name}`).trim();

/** Text and axes as everywhere else. */
export function chartLook() {
  const text = { color: colour('ink2'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 13 };
  return {
    text,
    axis: {
      axisLine: { lineStyle: { color: colour('ink'), width: 1.5 } },
      axisLabel: text,
      nameTextStyle: text,
      splitLine: { lineStyle: { color: colour('hairline') } },
    },
  } as const;
}

/** A chart in our look. Its kinds are registered where it is used. Drawn anew with its option and with the theme. */
export function Chart({
  label,
  height,
  option,
}: {
  /** What it shows, for those who do not see it. */
  readonly label: string;
  readonly height: string;
  /** Made when it is drawn, so that its colours are those of the theme then. */
  readonly option: () => EChartsCoreOption;
}): ReactElement {
  const box = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  useEffect(() => {
    const made = init(box.current!);
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(box.current!);
    return () => {
      observer.disconnect();
      made.dispose();
    };
  }, []);
  useEffect(() => {
    const draw = (): void => chart.current?.setOption(option(), { notMerge: true });
    draw();
    const themes = new MutationObserver(draw);
    themes.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
    return () => themes.disconnect();
  }, [option]);
  return <Box ref={box} width="100%" height={height} minWidth={0} role="img" aria-label={label} />;
}
