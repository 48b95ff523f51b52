import { CustomChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback } from 'react';
import type { ReactElement } from 'react';
import { Chart, chartLook, colour } from './chart.js';

register([CustomChart, GridComponent, MarkLineComponent, CanvasRenderer]);

/** A name, and from where to where it reaches; `bad` where that is too far. */
export interface BandRow {
  readonly name: string;
  readonly low: number;
  readonly mid: number;
  readonly high: number;
  readonly bad?: boolean;
}

interface Api {
  readonly value: (k: number) => number;
  readonly getWidth: () => number;
  readonly coord: (at: readonly [number, number]) => readonly [number, number];
}

/** Height of a row, px: two lines of its name over its band. */
const ROW = 54;

/** Bands under their names, each with a mark in it. @param rows the same as long as they say the same */
export function BandChart({
  label,
  rows,
  axis,
  log = false,
  line,
}: {
  /** What it shows, for those who do not see it. */
  readonly label: string;
  readonly rows: readonly BandRow[];
  readonly axis: { readonly name: string; readonly min: number; readonly max: number };
  readonly log?: boolean;
  /** Where a dashed line stands. */
  readonly line?: number;
}): ReactElement {
  const { name, min, max } = axis;
  const option = useCallback(() => {
    const { text, axis: look } = chartLook();
    const clamp = (x: number): number => Math.min(max, Math.max(min, x));
    return {
      animation: false,
      grid: { left: 8, right: 14, top: 10, bottom: 40 },
      xAxis: { type: log ? 'log' : 'value', name, nameLocation: 'middle', nameGap: 24, min, max, ...look },
      yAxis: { type: 'category', inverse: true, data: rows.map((r) => r.name), show: false },
      series: [
        {
          type: 'custom',
          // over the dashed line
          z: 6,
          data: rows.map((r, i) => [i, clamp(r.low), clamp(r.mid), clamp(r.high)]),
          encode: { x: [1, 2, 3], y: 0 },
          renderItem: (_: unknown, api: Api) => {
            const row = rows[api.value(0)]!;
            const at = (k: number): readonly [number, number] => api.coord([api.value(k), api.value(0)]);
            const [[low, y], [mid], [high]] = [at(1), at(2), at(3)];
            return {
              type: 'group',
              children: [
                {
                  type: 'rect',
                  shape: { x: low, y, width: Math.max(2, high - low), height: 7 },
                  style: { fill: colour(row.bad === true ? 'danger' : 'tar') },
                },
                {
                  type: 'rect',
                  shape: { x: mid - 1, y: y - 3, width: 2.5, height: 13 },
                  style: { fill: colour('ink') },
                },
                {
                  type: 'text',
                  style: {
                    text: row.name,
                    x: 10,
                    y: y - 3,
                    verticalAlign: 'bottom',
                    width: api.getWidth() - 20,
                    overflow: 'break',
                    lineHeight: 15,
                    fill: colour('ink'),
                    stroke: colour('cloth'),
                    lineWidth: 4,
                    font: `13px ${text.fontFamily}`,
                  },
                },
              ],
            };
          },
          ...(line === undefined
            ? {}
            : {
                markLine: {
                  silent: true,
                  symbol: 'none',
                  label: { show: false },
                  lineStyle: { color: colour('ink'), type: [5, 4], width: 1.5 },
                  data: [{ xAxis: line }],
                },
              }),
        },
      ],
    };
  }, [rows, name, min, max, log, line]);
  return <Chart label={label} height={`${46 + ROW * rows.length}px`} option={option} />;
}
