import { pullSpans } from '@rough-bight/core/pitch';
import type { PitchResult, PullSpan } from '@rough-bight/core/pitch';
import { NEWTONS_PER, capital, say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { Button } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import { BandChart } from '../../../parts/band-chart.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { useUnits } from '../../../parts/units.js';

/** Lines that the chart has room for. */
const CHARTED = 6;

/** Every line from its slackest case to its hardest, with a mark as pitched. */
export function PullSpans({
  result,
  onCase,
}: {
  readonly result: PitchResult;
  readonly onCase: (id: string) => void;
}): ReactElement {
  const units = useUnits();
  const spans = useMemo(() => pullSpans(result), [result]);
  const n = NEWTONS_PER[units.force];
  const rows = useMemo(
    () =>
      spans
        .slice(0, CHARTED)
        .map((s) => ({ name: capital(s.name), low: s.least / n, mid: s.pitched / n, high: s.most / n })),
    [spans, n],
  );
  const axis = useMemo(
    () => ({ name: `pull, ${units.force}`, min: 0, max: niceAbove(Math.max(1, ...rows.map((r) => r.high))) }),
    [rows, units.force],
  );
  const columns = useMemo(() => spanColumns(result, units, onCase), [result, units, onCase]);
  return (
    <>
      <BandChart label="What pulls at each line, from its slackest case to its hardest" rows={rows} axis={axis} />
      <DataTable name="Lines over all cases" rows={spans} columns={columns} rowId={(s) => s.row} />
    </>
  );
}

/** The next one, two or five of its size. */
function niceAbove(x: number): number {
  const size = 10 ** Math.floor(Math.log10(x));
  return size * ([1, 2, 5, 10].find((k) => k * size >= x) ?? 10);
}

const spanColumns = (
  { cases }: PitchResult,
  units: UnitChoice,
  onCase: (id: string) => void,
): readonly Column<PullSpan>[] => {
  const force = (id: string, name: string, value: (s: PullSpan) => number): Column<PullSpan> => ({
    id,
    name,
    unit: 'N',
    value,
    cell: (s) => say(value(s), 'force', units),
  });
  const nameOf = (s: PullSpan): string => cases.find((c) => c.id === s.caseId)?.name ?? s.caseId;
  return [
    { id: 'line', name: 'Line', head: true, value: (s) => capital(s.name) },
    force('pitched', 'As pitched', (s) => s.pitched),
    force('least', 'Least', (s) => s.least),
    force('most', 'Most', (s) => s.most),
    {
      id: 'case',
      name: 'In which case',
      value: nameOf,
      cell: (s) => (
        <Button variant="plain" size="xs" onClick={() => onCase(s.caseId)}>
          {capital(nameOf(s))}
        </Button>
      ),
    },
  ];
};
