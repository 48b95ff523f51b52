import { Box, Button, chakra, Flex, Slider, Span, Text } from '@chakra-ui/react';
import type { HauledAgain } from '@rough-bight/core/pitch';
import { LEAST_HAUL, capital, limit, phrase, say, sayHaul } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { SCHOOLS, orderBySchool } from '@rough-bight/core/order';
import type { RidgeRig } from '@rough-bight/core/rig';
import { FINGER, pullFromPress } from '@rough-bight/core/trim';
import type { Felt, Left, Trim } from '@rough-bight/core/trim';
import { dryCurve } from '@rough-bight/core/catalogue';
import { cordOf } from '@rough-bight/core/cordage';
import { creaseWords, moveWords, schoolWords } from '@rough-bight/core/words';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Choice, Segments } from '../../parts/choice.js';
import { DataTable } from '../../parts/data-table.js';
import type { Column } from '../../parts/data-table.js';
import { ControlRow, Problem } from '../../parts/layout.js';
import { LongWork } from '../../parts/long-work.js';
import { NumberField } from '../../parts/number-field.js';
import { SlideLine } from '../../parts/slide.js';
import { Loading } from '../../parts/states.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import type { RigQuestion } from '../../workers/rig.worker.js';
import { startTrim, useAgain } from '../../workers/use-judge.js';

interface Props {
  readonly question: RigQuestion;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}

/** What hands do to a roof that stands: press its lines, haul them again, move a peg. */
export const TrimPanel = ({ question, onTake, onClose }: Props): ReactElement => (
  <LongWork<Trim>
    label="Trim"
    title="Trim it"
    closes="Close trimming"
    start={(progress, done) => startTrim(question, progress, done)}
    onClose={onClose}
  >
    {(trim) => (
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="22px" marginTop="8px">
        <Again question={question} />
        <CreasesOf trim={trim} onTake={onTake} />
        <FeltLines question={question} felt={trim.felt} />
        <Schools question={question} schools={trim.schools} onTake={onTake} />
      </Box>
    )}
  </LongWork>
);

/** Hours after tying off that the slide stops at. */
const HOURS = [0.25, 0.5, 1, 2, 4, 6, 8, 10, 12, 18, 24, 36, 48, 72] as const;
const sayHours = (hours: number): string =>
  hours < 1 ? `${Math.round(60 * hours)} minutes` : hours === 1 ? 'an hour' : `${hours} hours`;

/** What every line wants at an hour. */
function Again({ question }: { readonly question: RigQuestion }): ReactElement {
  const units = useUnits();
  const [stop, setStop] = useState(4);
  const [hour, setHour] = useState(4);
  const [how, setHow] = useState<'dry' | 'wet'>('dry');
  const asked = useMemo(() => ({ question, hours: HOURS[hour]!, wet: how === 'wet' }), [question, hour, how]);
  const found = useAgain(asked);
  const columns = useMemo(() => againColumns(units), [units]);
  return (
    <chakra.section display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="6px" aria-label="Haul in again">
      <h2>Haul in again</h2>
      <Flex gap="12px" alignItems="center" flexWrap="wrap" marginTop="6px">
        <Slider.Root
          flex="1 1 160px"
          min={0}
          max={HOURS.length - 1}
          step={1}
          value={[stop]}
          onValueChange={(e) => setStop(e.value[0]!)}
          onValueChangeEnd={(e) => setHour(e.value[0]!)}
          aria-label={['Hours after tying off']}
          getAriaValueText={({ value }) => sayHours(HOURS[value]!)}
        >
          <SlideLine />
        </Slider.Root>
        <Text as="span" textStyle="figure" minWidth="96px">
          {sayHours(HOURS[stop]!)}
        </Text>
        <Segments
          label="All of it"
          value={how}
          options={[
            { id: 'dry', name: 'Dry' },
            { id: 'wet', name: 'Soaked' },
          ]}
          onChange={setHow}
        />
      </Flex>
      {found === null ? (
        <Loading what="that hour" />
      ) : !found.ok ? (
        <Problem role="alert">{found.message}</Problem>
      ) : !found.value.settled ? (
        <Problem role="status">It finds no rest then: nothing is to be told of it.</Problem>
      ) : (
        <DataTable name="To haul in" rows={found.value.lines} columns={columns} rowId={(l) => l.row} />
      )}
    </chakra.section>
  );
}

const againColumns = (units: UnitChoice): readonly Column<HauledAgain>[] => [
  { id: 'line', name: 'Line', head: true, value: (l) => capital(l.name) },
  {
    id: 'by',
    name: 'Take in',
    unit: 'm',
    value: (l) => l.by,
    cell: (l) => (
      <>
        {l.by >= LEAST_HAUL
          ? sayHaul(l.by, units)
          : l.by <= -LEAST_HAUL
            ? `let out ${sayHaul(-l.by, units)}`
            : 'nothing'}
        <Text textStyle="quiet">
          {say(l.left, 'force', units)} of {say(l.tied, 'force', units)}
        </Text>
      </>
    ),
  },
  { id: 'left', name: 'Pulls then', unit: 'N', value: (l) => l.left, folded: true },
  { id: 'tied', name: 'As tied', unit: 'N', value: (l) => l.tied, folded: true },
];

/** Where it creases, and pegs that take the creases out. */
function CreasesOf({ trim, onTake }: { readonly trim: Trim; readonly onTake: (rig: RidgeRig) => void }): ReactElement {
  const units = useUnits();
  const { creases } = trim;
  return (
    <chakra.section display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="6px" aria-label="Creases">
      <h2>Creases</h2>
      <p>
        <Told said={creaseWords(creases)} />
      </p>
      <chakra.ul listStyleType="none" margin={0} padding={0}>
        {creases.moves.slice(0, 3).map((m) => (
          <chakra.li
            key={`${m.key} ${m.way}`}
            display="flex"
            gap="10px"
            justifyContent="space-between"
            alignItems="center"
            paddingBlock="6px"
            borderTop="1px solid"
            borderColor="hairline"
          >
            <span>
              <Told said={phrase`Move ${moveWords(m)}.`} />{' '}
              <Span textStyle="quiet">leaves {say(m.left.area / m.left.of, 'share', units)} in creases</Span>
            </span>
            <Button flex="none" onClick={() => onTake(m.rig)}>
              Move it
            </Button>
          </chakra.li>
        ))}
      </chakra.ul>
    </chakra.section>
  );
}

/** How each guy feels to a finger, and what a press felt on one of them says of its pull. */
function FeltLines({
  question: { rig, context },
  felt,
}: {
  readonly question: RigQuestion;
  readonly felt: readonly Felt[];
}): ReactElement | null {
  const units = useUnits();
  const columns = useMemo(() => feltColumns(units), [units]);
  const [row, setRow] = useState(felt[0]?.row ?? '');
  const [aside, setAside] = useState<number | null>(null);
  const chosen = felt.find((f) => f.row === row);
  if (chosen === undefined) return null;
  const key = row.slice('guy '.length);
  const id = row.startsWith('guy ') ? (rig.pitch!.own[key]?.cord ?? rig.pitch!.guy.cord) : rig.cord;
  const hank = context.kit.find((k) => k.id === id);
  const cord = hank === undefined ? undefined : cordOf(hank);
  const pull =
    aside === null || cord === undefined ? null : pullFromPress(chosen.length, aside, FINGER, dryCurve(cord));
  return (
    <chakra.section display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="6px" aria-label="By finger">
      <h2>By finger</h2>
      <Text textStyle="quiet">
        Press a line in its middle as hard as a litre of water weighs, {say(FINGER, 'force', units)}, square to it: so
        far it goes aside. Struck, a wave comes back so often.
      </Text>
      <DataTable name="How lines feel" rows={felt} columns={columns} rowId={(f) => f.row} />
      <ControlRow>
        <Choice
          label="I pressed"
          value={row}
          options={felt.map((f) => ({ id: f.row, name: f.name }))}
          onChange={(next) => {
            setRow(next);
            setAside(null);
          }}
        />
        <NumberField
          label="It went"
          value={aside ?? Math.round(100 * chosen.aside) / 100}
          limit={limit('way it went aside', 'length', 0.005, Math.max(0.01, Math.floor(45 * chosen.length) / 100))}
          step={0.01}
          hint="aside"
          onCommit={(by) => {
            setAside(by);
            return null;
          }}
        />
      </ControlRow>
      {pull !== null && (
        <p role="status">
          It pulls with <strong>{say(pull, 'force', units)}</strong>; as computed {say(chosen.pull, 'force', units)}.
        </p>
      )}
    </chakra.section>
  );
}

const feltColumns = (units: UnitChoice): readonly Column<Felt>[] => [
  { id: 'line', name: 'Line', head: true, value: (f) => capital(f.name) },
  {
    id: 'aside',
    name: 'Goes aside',
    unit: 'm',
    value: (f) => f.aside,
    cell: (f) => (
      <>
        {sayHaul(f.aside, units)}
        <Text textStyle="quiet">
          {say(f.pull, 'force', units)}, {Math.round(f.waves)} waves a second
        </Text>
      </>
    ),
  },
  { id: 'pull', name: 'Pull', unit: 'N', value: (f) => f.pull, folded: true },
  { id: 'waves', name: 'Waves', unit: '1/s', value: (f) => f.waves, folded: true },
];

/** What either school of order leaves. */
function Schools({
  question: { rig, context },
  schools,
  onTake,
}: {
  readonly question: RigQuestion;
  readonly schools: readonly Left[];
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const units = useUnits();
  const columns = useMemo(() => schoolColumns(schools, units), [schools, units]);
  return (
    <chakra.section display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="6px" aria-label="Two schools">
      <h2>In which order</h2>
      <p>
        <Told said={schoolWords(schools)} />
      </p>
      <DataTable name="What each order leaves" rows={schools[0]!.pulls} columns={columns} rowId={(p) => p.row} />
      <Flex gap="10px" flexWrap="wrap" marginTop="8px">
        {schools.map(({ school }) => (
          <Button
            key={school}
            onClick={() => onTake({ ...rig, pitch: { ...rig.pitch!, order: orderBySchool(rig, context, school) } })}
          >
            {capital(SCHOOLS[school])}
          </Button>
        ))}
      </Flex>
    </chakra.section>
  );
}

type Pulled = Left['pulls'][number];

const schoolColumns = (schools: readonly Left[], units: UnitChoice): readonly Column<Pulled>[] => {
  const of = ({ pulls }: Left, row: string): number => pulls.find((p) => p.row === row)?.pull ?? 0;
  return [
    { id: 'line', name: 'Line', head: true, value: (p) => capital(p.name) },
    {
      id: 'both',
      name: schools.map(({ school }) => capital(SCHOOLS[school])).join(' · '),
      value: (p) => of(schools[0]!, p.row),
      cell: (p) => schools.map((s) => say(of(s, p.row), 'force', units)).join(' · '),
    },
    ...schools.map((s): Column<Pulled> => ({
      id: s.school,
      name: capital(SCHOOLS[s.school]),
      unit: 'N',
      value: (p) => of(s, p.row),
      folded: true,
    })),
  ];
};
