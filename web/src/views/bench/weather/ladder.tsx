import { Box, Button, chakra, Flex, Slider, Span, Text } from '@chakra-ui/react';
import { SNOWS } from '@rough-bight/core/catalogue';
import type { SnowFeel } from '@rough-bight/core/catalogue';
import type { Fall, Ladder, Rung, Turned } from '@rough-bight/core/ladder';
import { worstSpoke } from '@rough-bight/core/pitch';
import type { RoseCase } from '@rough-bight/core/pitch';
import { say, tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { BEAUFORT } from '@rough-bight/core/weather';
import { LEVELS, fallWords, ladderWords, lastRung, leastWords, levelWords } from '@rough-bight/core/words';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../../parts/choice.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { Caution, Problem } from '../../../parts/layout.js';
import { LongWork } from '../../../parts/long-work.js';
import { Told } from '../../../parts/told.js';
import { SlideLine } from '../../../parts/slide.js';
import { useUnits } from '../../../parts/units.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { startLadder, useFirmer } from '../../../workers/use-judge.js';
import { Found } from './found.js';
import type { Posed } from './posed.js';
import { SideChoice } from './side-choice.js';

/** What can be turned up, as it is chosen. */
const WHATS = [
  { id: 'dry', name: 'Wind on it dry' },
  { id: 'wet', name: 'Wind on it soaked' },
  { id: 'rain', name: 'Rain' },
  { id: 'snow', name: 'Snow' },
  { id: 'people', name: 'Who lies in the bed' },
] as const;
type What = (typeof WHATS)[number]['id'];
const TITLES: Readonly<Record<Turned['of'], string>> = {
  wind: 'The wind turned up',
  snow: 'Snow laid on',
  rain: 'Rain on it',
  people: 'Heavier in the bed',
};
/** What its slider sets. */
const SLIDES: Readonly<Record<Turned['of'], string>> = {
  wind: 'Wind',
  snow: 'Snow',
  rain: 'Rain',
  people: 'Who lies in it',
};
const CAUTIONS: Readonly<Record<Turned['of'], string>> = {
  wind: 'Leave long before the last rung. Branches fall before lines break.',
  snow: 'Leave long before the last rung. Branches fall before lines break.',
  rain: 'Leave long before the last rung. A pool that lets go comes down at once.',
  people: 'A bed that gives drops whoever lies in it. One in it at a time, low, over soft ground.',
};

/** Wind, rain, snow or people turned up over the rig: what gives first, what follows, and what to change. */
export function LadderPanel({
  question,
  rose,
  posed,
  onTake,
  onSize,
  onClose,
}: {
  readonly question: RigQuestion;
  /** What is left from every side, as far as it is known. */
  readonly rose: readonly RoseCase[];
  readonly posed: Posed;
  readonly onTake: (rig: RidgeRig) => void;
  /** Where no single change is enough. */
  readonly onSize: () => void;
  readonly onClose: () => void;
}): ReactElement {
  const { pitch, bed } = question.rig;
  const worst = rose.length === 0 ? null : worstSpoke(rose).from;
  // what is climbed is the rig as it was when this was asked
  const [asked, setAsked] = useState<{ readonly question: RigQuestion; readonly turned: Turned }>({
    question,
    turned: pitch === undefined ? { of: 'people' } : { of: 'wind', from: worst ?? pitch.windFrom, wet: false },
  });
  const { turned } = asked;
  const turn = (next: Turned): void => setAsked({ question, turned: next });
  useEffect(() => () => posed.clear(), [posed]);
  const wind = turned.of === 'wind' ? turned : null;
  const chosenAs = (what: What): Turned => {
    switch (what) {
      case 'snow':
        return { of: 'snow', feel: pitch!.snow?.feel ?? 'fresh' };
      case 'rain':
      case 'people':
        return { of: what };
      default:
        return { of: 'wind', from: wind?.from ?? worst ?? pitch!.windFrom, wet: what === 'wet' };
    }
  };
  return (
    <>
      <LongWork<Ladder>
        key={JSON.stringify([asked.question.rig, turned])}
        label="Turn it up"
        title={TITLES[turned.of]}
        closes="Close the ladder"
        start={(progress, done) => startLadder(asked.question, turned, progress, done)}
        onClose={onClose}
      >
        {(ladder) => (
          <Climbed
            ladder={ladder}
            question={asked.question}
            posed={posed}
            stale={asked.question.rig !== question.rig}
            onAgain={() => turn(turned)}
            onTake={onTake}
            onSize={onSize}
          />
        )}
      </LongWork>
      <Box padding="0 18px 18px" display="grid" gap="6px">
        <Choice
          label="What is turned up"
          value={wind === null ? turned.of : wind.wet ? 'wet' : 'dry'}
          options={WHATS.filter(({ id }) => (id === 'people' ? bed !== undefined : pitch !== undefined))}
          onChange={(id) => turn(chosenAs(id as What))}
        />
        {turned.of === 'snow' ? (
          <Choice
            label="Snow that is"
            value={turned.feel}
            options={(Object.keys(SNOWS) as SnowFeel[]).map((id) => ({ id, name: SNOWS[id].name }))}
            onChange={(feel) => turn({ of: 'snow', feel: feel as SnowFeel })}
            hint={SNOWS[turned.feel].feel}
          />
        ) : turned.of === 'wind' ? (
          <SideChoice from={turned.from} worst={worst} onFrom={(from) => turn({ ...turned, from })} />
        ) : null}
      </Box>
    </>
  );
}

function Climbed({
  ladder,
  question,
  posed,
  stale,
  onAgain,
  onTake,
  onSize,
}: {
  readonly ladder: Ladder;
  readonly question: RigQuestion;
  readonly posed: Posed;
  /** The rig was changed since. */
  readonly stale: boolean;
  readonly onAgain: () => void;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onSize: () => void;
}): ReactElement {
  const units = useUnits();
  const { rungs, turned } = ladder;
  const falls = rungs.flatMap((r) => r.falls);
  const first = falls[0];
  const firstAt = rungs.findIndex((r) => r.falls.length > 0);
  const [at, setAt] = useState(firstAt < 0 ? rungs.length - 1 : firstAt);
  const rung = rungs[at]!;
  useEffect(() => posed.pose(question.rig, rung.shape, { bed: rung.bed }), [posed, question.rig, rung]);
  const wanted = useMemo(
    () => (first === undefined || question.rig.pitch === undefined ? null : { question, turned, fall: first }),
    [question, turned, first],
  );
  const { sentence, detail } = ladderWords(ladder);
  const columns = useMemo(
    () => rungColumns(turned, units, rung, (r) => setAt(rungs.indexOf(r))),
    [turned, units, rung, rungs],
  );
  const steps = useMemo((): readonly Step[] => [...rungs.map((r) => ({ rung: r })), { rung: null }], [rungs]);
  return (
    <Found sentence={sentence} detail={detail}>
      {stale && (
        <Flex gap="10px" align="center" wrap="wrap">
          <Text textStyle="quiet" flex={1}>
            The rig was changed since.
          </Text>
          <Button onClick={onAgain}>Turn it up again</Button>
        </Flex>
      )}
      {!stale && wanted !== null && <Firmer asked={wanted} onTake={onTake} onSize={onSize} />}
      <Slider.Root
        min={0}
        max={rungs.length - 1}
        value={[at]}
        onValueChange={(e) => setAt(e.value[0]!)}
        aria-label={[SLIDES[turned.of]]}
        getAriaValueText={() => rungName(turned, rung, units)}
      >
        <SlideLine />
      </Slider.Root>
      <Here turned={turned} rung={rung} />
      {falls.length > 0 && <Falls ladder={ladder} />}
      <DataTable
        name="Ladder"
        rows={steps}
        columns={columns}
        rowId={({ rung: r }) => (r === null ? 'last' : String(r.level))}
      />
      <Caution>{CAUTIONS[turned.of]}</Caution>
    </Found>
  );
}

/** What makes it hold longer, and what does it; that it is looked for, and why there is none. */
function Firmer({
  asked,
  onTake,
  onSize,
}: {
  readonly asked: NonNullable<Parameters<typeof useFirmer>[0]>;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onSize: () => void;
}): ReactElement {
  const found = useFirmer(asked);
  if (found === null) return <Text textStyle="quiet">What would make it hold longer is being looked for…</Text>;
  if (!found.ok) return <Problem role="alert">{found.message}</Problem>;
  const { value } = found;
  if (value === null)
    return (
      <Text textStyle="quiet">
        Nothing is short of what is asked of it before that gives: there is no one thing to change.
      </Text>
    );
  const { remedy, rig } = value;
  return (
    <Flex gap="10px" align="center" wrap="wrap">
      <Text flex="1 1 160px">{remedy}</Text>
      {rig !== null ? (
        <Button variant="solid" onClick={() => onTake(rig)}>
          Do that
        </Button>
      ) : (
        <Button onClick={onSize}>Size it</Button>
      )}
    </Flex>
  );
}

/** Less water than this is not worth a word, m³. */
const WETNESS = 1e-4;

/** The rung that is drawn: what one sees around it, and what has least left. */
function Here({ turned, rung }: { readonly turned: Turned; readonly rung: Rung }): ReactElement {
  const units = useUnits();
  const signs = rung.beaufort === null ? null : BEAUFORT[rung.beaufort]!;
  return (
    <Box>
      <Flex align="baseline" gap="8px">
        <Text as="span" textStyle="name" flex={1}>
          {rungName(turned, rung, units)}
        </Text>
        {rung.water > WETNESS && <Span textStyle="quiet">{say(rung.water, 'volume', units)} on it</Span>}
        {rung.grounded && <Span textStyle="quiet">on the ground</Span>}
        {rung.beaufort !== null && <Span textStyle="quiet">gusts of {say(rung.level, 'speed', units)}</Span>}
      </Flex>
      {signs !== null && <Text textStyle="quiet">{signs.sign}</Text>}
      <p>
        <Told said={leastWords(rung)} />
      </p>
    </Box>
  );
}

/** All that gives, in order; what follows at once stands in. */
function Falls({ ladder }: { readonly ladder: Ladder }): ReactElement {
  const units = useUnits();
  const of = (f: Fall): string => (f.follows ? 'then' : say(f.at, LEVELS[ladder.turned.of], units));
  return (
    <chakra.ol aria-label="What gives, in order" listStyleType="none" margin={0} padding={0}>
      {ladder.rungs.flatMap((r) =>
        r.falls.map((f) => (
          <Flex as="li" key={f.link} gap="10px" paddingBlock="3px" borderTop="1px solid" borderColor="hairline">
            <Span flex="0 0 64px" fontWeight={f.follows ? 400 : 700} color={f.follows ? 'ink2' : 'ink'}>
              {of(f)}
            </Span>
            <Span>{fallWords(f)}</Span>
          </Flex>
        )),
      )}
    </chakra.ol>
  );
}

const rungName = (turned: Turned, { beaufort, level }: Rung, units: UnitChoice): string =>
  beaufort === null ? tell(levelWords({ turned }, level), units) : `${beaufort} ${BEAUFORT[beaufort]!.name}`;

/** A rung, or the last one: to leave, whatever stands. */
interface Step {
  readonly rung: Rung | null;
}

function rungColumns(
  turned: Turned,
  units: UnitChoice,
  shown: Rung,
  onRung: (r: Rung) => void,
): readonly Column<Step>[] {
  const ofWind = turned.of === 'wind';
  const last = lastRung(turned.of);
  return [
    {
      id: 'rung',
      name: 'Rung',
      head: true,
      value: ({ rung: r }) => (r === null ? last.name : (r.beaufort ?? r.level)),
      cell: ({ rung: r }) =>
        r === null ? (
          last.name
        ) : (
          <>
            <Button variant="plain" size="xs" aria-pressed={r === shown} onClick={() => onRung(r)}>
              {rungName(turned, r, units)}
            </Button>
            {ofWind && <Text textStyle="quiet">{say(r.level, 'speed', units)}</Text>}
          </>
        ),
    },
    ...(ofWind
      ? [
          {
            id: 'level',
            name: 'Gust',
            unit: 'm/s',
            value: ({ rung: r }: Step) => r?.level ?? null,
            folded: true as const,
          },
        ]
      : []),
    {
      id: 'left',
      name: 'Least left',
      value: ({ rung: r }) => r?.least?.left ?? null,
      cell: ({ rung: r }) =>
        r === null ? (
          last.said
        ) : r.least === null ? (
          'no rest'
        ) : (
          <>
            {say(r.least.left, 'ratio', units)} times
            <Text textStyle="quiet">{r.least.name}</Text>
          </>
        ),
    },
    { id: 'of', name: 'Of', value: ({ rung: r }) => r?.least?.name ?? null, folded: true },
    {
      id: 'falls',
      name: 'What gives',
      value: ({ rung: r }) => r?.falls.map((f) => f.name).join('; ') ?? null,
      folded: true,
    },
  ];
}
