import { LineChart } from 'echarts/charts';
import { GridComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import type { ReactElement } from 'react';
import { Chart, chartLook, colour } from './chart.js';

register([LineChart, GridComponent, CanvasRenderer]);

/** Numbers against time. */
export interface Trace {
  readonly name: string;
  readonly points: readonly (readonly [time: number, value: number])[];
}

/** The first whole, another dashed: as `KeyLine` shows them in words. */
const STROKES = [
  { colour: 'ink', type: 'solid', width: 2 },
  { colour: 'water', type: [6, 4], width: 2 },
] as const;

/** Room for the axis at the left, px. */
export const TRACE_MARGIN = 62;

/** Traces over the same seconds, as wide as what stands under them. @param traces the same as long as they say the same */
export function TraceChart({
  label,
  traces,
  seconds,
  unit,
  height = '130px',
}: {
  readonly label: string;
  readonly traces: readonly Trace[];
  readonly seconds: number;
  readonly unit: string;
  readonly height?: string;
}): ReactElement {
  const option = useCallback(() => {
    const { text, axis } = chartLook();
    return {
      animation: false,
      grid: { left: TRACE_MARGIN, right: 2, top: 8, bottom: 4 },
      xAxis: { type: 'value', min: 0, max: seconds, ...axis, axisLabel: { show: false }, splitLine: { show: false } },
      yAxis: {
        type: 'value',
        min: 0,
        splitNumber: 2,
        ...axis,
        axisLine: { show: false },
        axisLabel: { ...text, showMinLabel: false, formatter: `{value} ${unit}` },
      },
      series: traces.map((t, i) => {
        const stroke = STROKES[i % STROKES.length]!;
        return {
          type: 'line',
          data: t.points,
          showSymbol: false,
          silent: true,
          lineStyle: { color: colour(stroke.colour), type: stroke.type, width: stroke.width },
        };
      }),
    };
  }, [traces, seconds, unit]);
  return <Chart label={label} height={height} option={option} />;
}
