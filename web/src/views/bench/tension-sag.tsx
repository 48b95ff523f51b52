import { KeyLine } from '../../parts/key-line.js';
import { Problem } from '../../parts/layout.js';
import { Box, Button, Text } from '@chakra-ui/react';
import { METRES_PER, NEWTONS_PER, say } from '@rough-bight/core/quantity';
import type { TradeoffPoint } from '@rough-bight/core/rig';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent } from 'echarts/components';
import { use as register } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Chart, chartLook, colour } from '../../parts/chart.js';
import { useUnits } from '../../parts/units.js';
import { startTradeoff } from '../../workers/use-judge.js';
import type { LineReport } from '../../workers/report.js';
import type { Question } from '../../workers/rig.worker.js';

register([LineChart, ScatterChart, GridComponent, MarkAreaComponent, CanvasRenderer]);

const POINTS = 28;
/** The next tenth, so that the axis ends on a label. */
const niceAbove = (x: number): number => Math.max(0.1, Math.ceil(x * 10) / 10);

/** Tension against sag, with the band in which every link holds and the line is tight enough. */
export default function TensionSag({
  question,
  report,
  onHaul,
}: {
  readonly question: Question | null;
  readonly report: LineReport | null;
  readonly onHaul: (tension: number) => void;
}): ReactElement {
  const units = useUnits();
  const [points, setPoints] = useState<readonly TradeoffPoint[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    if (question === null) return undefined;
    let stop = (): void => undefined;
    const timer = setTimeout(() => {
      stop = startTradeoff(question, POINTS, (answer) => {
        if (answer.ok) setPoints(answer.value);
        setProblem(answer.ok ? null : answer.message);
      });
    }, 250);
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, [question]);
  const good = useMemo(() => points.filter((p) => p.tight && p.ratio >= 1), [points]);
  const band = useMemo(
    () =>
      good.length > 0 ? ([Math.min(...good.map((p) => p.sag)), Math.max(...good.map((p) => p.sag))] as const) : null,
    [good],
  );
  const option = useCallback(() => {
    if (points.length === 0) return {};
    const m = METRES_PER[units.length];
    const n = NEWTONS_PER[units.force];
    const { axis } = chartLook();
    const line = (key: 'tension' | 'worst'): number[][] => points.map((p) => [p.sag / m, p[key] / n]);
    return {
      animation: false,
      grid: { left: 62, right: 16, top: 26, bottom: 40 },
      xAxis: {
        type: 'value',
        name: `sag, ${units.length}`,
        nameLocation: 'middle',
        nameGap: 26,
        min: 0,
        max: niceAbove((report === null ? 1 : Math.max(report.line.sagLimit * 1.6, report.line.sag.value * 1.3)) / m),
        ...axis,
      },
      yAxis: { type: 'value', name: `tension, ${units.force}`, nameGap: 10, ...axis },
      series: [
        {
          type: 'line',
          name: 'worst case',
          data: line('worst'),
          showSymbol: false,
          lineStyle: { color: colour('danger'), type: [5, 4], width: 1.5 },
          itemStyle: { color: colour('danger') },
          ...(band === null
            ? {}
            : {
                markArea: {
                  silent: true,
                  itemStyle: { color: colour('moss'), opacity: 0.22 },
                  data: [[{ xAxis: band[0] / m }, { xAxis: band[1] / m }]],
                },
              }),
        },
        {
          type: 'line',
          name: 'as pitched',
          data: line('tension'),
          showSymbol: false,
          lineStyle: { color: colour('ink'), width: 2.5 },
          itemStyle: { color: colour('ink') },
        },
        ...(report === null
          ? []
          : [
              {
                type: 'scatter',
                name: 'now',
                data: [[report.line.sag.value / m, report.line.tension.value / n]],
                symbolSize: 14,
                itemStyle: { color: colour('act'), borderColor: colour('ink'), borderWidth: 1.5 },
              },
            ]),
      ],
    };
  }, [points, report, units, band]);
  const least = good[0];
  const most = good.at(-1);
  return (
    <Box display="flex" flexDirection={{ base: 'column', lg: 'row' }} gap="16px" flex="1 1 100%">
      <Box flex={{ base: 'none', lg: 1 }} width={{ base: '100%', lg: 'auto' }} minWidth={0}>
        <Chart
          label="Tension against sag, with the band where the line is strong enough and tight enough"
          height="clamp(184px, 24dvh, 220px)"
          option={option}
        />
      </Box>
      <Box
        flex={{ base: 'none', lg: '0 0 190px' }}
        display="flex"
        flexDirection="column"
        gap="8px"
        fontSize="14px"
        alignItems="flex-start"
      >
        {problem !== null && <Problem>{problem}</Problem>}
        {points.length > 0 && band === null && (
          <p>No haul makes this line both tight enough and strong enough. Size it, or allow more sag.</p>
        )}
        {least !== undefined && most !== undefined && band !== null && (
          <>
            <p>
              In the band it sags {say(band[0], 'length', units)} to {say(band[1], 'length', units)}: tight enough, and
              every link holds.
            </p>
            <Button onClick={() => onHaul(Math.round(Math.min(most.pretension, least.pretension * 1.2)))}>
              Haul to {say(Math.round(Math.min(most.pretension, least.pretension * 1.2)), 'force', units)}
            </Button>
          </>
        )}
        <Text textStyle="quiet">
          <KeyLine /> as pitched <KeyLine of="worst" /> worst case <KeyLine of="now" /> now
        </Text>
      </Box>
    </Box>
  );
}
