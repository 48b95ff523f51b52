import { Box, chakra, Text } from '@chakra-ui/react';
import { betterOf } from '@rough-bight/core/doubt';
import type { Doubt } from '@rough-bight/core/doubt';
import { capital, say, show } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RidgeRig, Row } from '@rough-bight/core/rig';
import { betterWords, doubtWords, oftenWords } from '@rough-bight/core/words';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import { BandChart } from '../../../parts/band-chart.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { Fold } from '../../../parts/fold.js';
import { Caution } from '../../../parts/layout.js';
import { LongWork } from '../../../parts/long-work.js';
import { useUnits } from '../../../parts/units.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { startDoubt } from '../../../workers/use-judge.js';
import { Found } from './found.js';

const SAMPLES = 2000;
const SEED = 1;
/** What nine of ten rigs hold so many times over is not told. */
const NEAR = 5;
/** Links that the chart has room for. */
const CHARTED = 6;

/** How sure the verdict is: rigs as this one may be, each solved, and what would be worth finding out. */
export function SurePanel({
  question,
  rows,
  onClose,
}: {
  readonly question: RigQuestion;
  /** As judged: they say in which cases each link has least. */
  readonly rows: readonly Row[];
  readonly onClose: () => void;
}): ReactElement {
  const cases = useMemo(() => [...new Set(rows.flatMap((r) => r.links.slice(0, 1).map((l) => l.link.caseId)))], [rows]);
  return (
    <LongWork<Doubt>
      label="How sure"
      title="How sure"
      closes="Close how sure"
      start={(progress, done) => startDoubt(question, { cases, seed: SEED }, SAMPLES, progress, done)}
      onClose={onClose}
    >
      {(doubt) => <Sure doubt={doubt} rig={question.rig} />}
    </LongWork>
  );
}

function Sure({ doubt, rig }: { readonly doubt: Doubt; readonly rig: RidgeRig }): ReactElement {
  const units = useUnits();
  const { sentence, detail } = doubtWords(doubt);
  const better = betterOf(doubt);
  const linkColumns = useMemo(() => linksShown(doubt.samples, units), [doubt.samples, units]);
  const lineColumns = useMemo(() => linesShown(units), [units]);
  return (
    <Found sentence={sentence} detail={detail}>
      {better.length > 0 && (
        <Box>
          <Text as="h2" textStyle="name">
            Worth finding out
          </Text>
          <chakra.ol listStyleType="none" margin={0} padding={0}>
            {better.slice(0, 4).map((b) => (
              <chakra.li key={b.kind} paddingBlock="4px" borderTop="1px solid" borderColor="hairline">
                {betterWords(b)}
              </chakra.li>
            ))}
          </chakra.ol>
        </Box>
      )}
      <Bands doubt={doubt} />
      <DataTable
        name="What may give"
        rows={doubt.links.filter((l) => l.left.low < NEAR)}
        columns={linkColumns}
        rowId={(l) => l.id}
      />
      <DataTable name="Pulls" rows={doubt.lines} columns={lineColumns} rowId={(l) => l.id} />
      <Fold line={`${say(doubt.samples, 'count', units)} rigs, seed ${SEED}`}>
        <Text textStyle="quiet">
          {rig.pitch === undefined
            ? 'How tight the line is, the span, heights, '
            : 'Hauls, the ridge, heights, the wind, '}
          {rig.bed === undefined ? '' : 'what is measured of the bed '}and what everything holds are drawn within their
          ranges, and every rig so drawn is solved. The same seed gives the same rigs. Something gave in{' '}
          {doubt.converged.map((c) => `${oftenWords(c.gives, c.samples)} after ${c.samples}`).join(', ')}: give or take{' '}
          {Math.max(1, Math.round(100 * doubt.gives.sd))} in a hundred.
        </Text>
      </Fold>
      <Caution>Ranges are what is known of such things, not of yours. A chance that is small is no promise.</Caution>
    </Found>
  );
}

/** How many times over what may give holds, in nine of ten rigs; the dashed line is just enough. */
function Bands({ doubt }: { readonly doubt: Doubt }): ReactElement {
  const rows = useMemo(
    () =>
      [...doubt.links]
        .sort((a, b) => a.left.low - b.left.low)
        .slice(0, CHARTED)
        .map(({ name, left }) => ({ name: capital(name), ...left, bad: left.low < 1 })),
    [doubt.links],
  );
  return (
    <BandChart
      label="How many times over each place holds, in nine of ten rigs"
      rows={rows}
      axis={TIMES}
      log
      line={1}
    />
  );
}
const TIMES = { name: 'times over', min: 0.1, max: 10 };

const linksShown = (samples: number, units: UnitChoice): readonly Column<Doubt['links'][number]>[] => [
  { id: 'link', name: 'Where', head: true, value: (l) => capital(l.name) },
  {
    id: 'gives',
    name: 'Gives',
    value: (l) => l.gives.value,
    cell: (l) => (l.gives.value > 0 ? say(l.gives.value, 'share', units) : `none of ${samples}`),
  },
  {
    id: 'left',
    name: 'Times over',
    value: (l) => l.left.low,
    cell: (l) => `${say(l.left.low, 'ratio', units)} to ${say(l.left.high, 'ratio', units)}`,
  },
  { id: 'mid', name: 'Middle', value: (l) => l.left.mid, cell: (l) => say(l.left.mid, 'ratio', units) },
];

const linesShown = (units: UnitChoice): readonly Column<Doubt['lines'][number]>[] => {
  const band = ({ low, high }: { readonly low: number; readonly high: number }): string =>
    `${show(low, 'force', units).text} to ${say(high, 'force', units)}`;
  return [
    { id: 'line', name: 'Line', head: true, value: (l) => capital(l.name) },
    { id: 'pitched', name: 'As pitched', unit: 'N', value: (l) => l.pitched.mid, cell: (l) => band(l.pitched) },
    { id: 'worst', name: 'Most', unit: 'N', value: (l) => l.worst.mid, cell: (l) => band(l.worst) },
  ];
};
