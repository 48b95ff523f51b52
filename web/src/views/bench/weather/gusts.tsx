import { Box, Button, Flex, Slider, Span, Text } from '@chakra-ui/react';
import { GUST_FACTOR, SHELTERS } from '@rough-bight/core/catalogue';
import { readWindSeries, writeWindSeries } from '@rough-bight/core/formats';
import { EASINGS, FRAMES } from '@rough-bight/core/gusting';
import type { Easing, GustHead, GustLine, GustPeak } from '@rough-bight/core/gusting';
import { worstSpoke } from '@rough-bight/core/pitch';
import type { RoseCase } from '@rough-bight/core/pitch';
import { NEWTONS_PER, capital, say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { BEAUFORT, WIND_LAWS, beaufortSpeed, gustyMinute, lengthOf } from '@rough-bight/core/weather';
import type { WindLaw, WindSeries } from '@rough-bight/core/weather';
import { gustWords } from '@rough-bight/core/words';
import { Pause, Play } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { ReactElement } from 'react';
import { Choice, Segments } from '../../../parts/choice.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { FileChoice } from '../../../parts/file-choice.js';
import { Fold } from '../../../parts/fold.js';
import { KeyLine } from '../../../parts/key-line.js';
import { Caution, Problem } from '../../../parts/layout.js';
import { saveText } from '../../../parts/save-text.js';
import { SidePanel } from '../../../parts/side-panel.js';
import { SlideLine } from '../../../parts/slide.js';
import { TRACE_MARGIN, TraceChart } from '../../../parts/trace-chart.js';
import { useUnits } from '../../../parts/units.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { Film } from './film.js';
import { Found } from './found.js';
import type { Posed } from './posed.js';
import { SideChoice } from './side-choice.js';

const SEED = 1;

/** What is played: the wind, how it comes, and what eases the rig. */
interface Asked {
  readonly question: RigQuestion;
  readonly series: WindSeries;
  readonly from: number;
  readonly wet: boolean;
  readonly law: WindLaw | null;
  readonly easing: Easing;
}

/** A minute of gusts played over the rig, beside what a gust that stays would ask of it. */
export function GustPanel({
  question,
  rose,
  posed,
  onClose,
}: {
  readonly question: RigQuestion;
  readonly rose: readonly RoseCase[];
  readonly posed: Posed;
  readonly onClose: () => void;
}): ReactElement {
  const { rig } = question;
  const worst = rose.length === 0 ? null : worstSpoke(rose).from;
  const [strength, setStrength] = useState(Math.max(1, rig.wind.beaufort));
  const made = useMemo(
    () => gustyMinute(beaufortSpeed(strength) * SHELTERS[rig.wind.shelter].typical, GUST_FACTOR.typical, SEED),
    [strength, rig.wind.shelter],
  );
  const [own, setOwn] = useState<WindSeries | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const [from, setFrom] = useState(worst ?? rig.pitch!.windFrom);
  const [wet, setWet] = useState(false);
  const [law, setLaw] = useState<WindLaw | null>(null);
  const [easing, setEasing] = useState<Easing>('none');
  const series = own ?? made;
  const asked = useMemo<Asked>(
    () => ({ question, series, from, wet, law, easing }),
    [question, series, from, wet, law, easing],
  );
  const take = (file: File): void =>
    void file
      .text()
      .then((text) => {
        setOwn(readWindSeries(text, file.name));
        setUnread(null);
      })
      .catch((error: unknown) => setUnread((error as Error).message));
  return (
    <SidePanel name="Gusts" title="A minute of gusts" closes="Close the gusts" onClose={onClose}>
      <Played asked={asked} posed={posed} />
      <Box display="grid" gap="6px" paddingBlock="12px 18px">
        {own === null ? (
          <Choice
            label="Gusts about a"
            value={String(strength)}
            options={BEAUFORT.map((b, i) => ({ id: String(i), name: `${i} ${b.name}` })).slice(1)}
            onChange={(b) => setStrength(Number(b))}
            hint={BEAUFORT[strength]!.sign}
          />
        ) : (
          <Flex gap="10px" align="center">
            <Text flex={1}>Wind of {own.name}</Text>
            <Button onClick={() => setOwn(null)}>Made-up wind again</Button>
          </Flex>
        )}
        <SideChoice from={from} worst={worst} onFrom={setFrom} />
        <Segments
          label="The rig is"
          value={wet ? 'wet' : 'dry'}
          options={[
            { id: 'dry', name: 'Dry' },
            { id: 'wet', name: 'Soaked' },
          ]}
          onChange={(id) => setWet(id === 'wet')}
        />
        <Choice
          label="Ease it"
          value={easing}
          options={(Object.keys(EASINGS) as Easing[]).map((id) => ({ id, name: EASINGS[id] }))}
          onChange={setEasing}
        />
        <Choice
          label="Laid on the cloth"
          value={law ?? 'worst'}
          options={[
            { id: 'worst' as const, name: 'as leaves least' },
            ...(Object.keys(WIND_LAWS) as WindLaw[]).map((id) => ({ id, name: WIND_LAWS[id].said })),
          ]}
          onChange={(id) => setLaw(id === 'worst' ? null : id)}
        />
        <Flex gap="8px" wrap="wrap">
          <FileChoice accept=".csv,text/csv" onFile={take}>
            Wind of your own, CSV
          </FileChoice>
          <Button onClick={() => saveText('wind.csv', 'text/csv', writeWindSeries(series))}>Save this wind</Button>
        </Flex>
        {unread !== null && <Problem role="alert">{unread}. Columns are time, s, and speed, m/s.</Problem>}
      </Box>
    </SidePanel>
  );
}

/** Begins a film anew whenever something else is asked; one of the rig as it is stays, to stand beside it eased. */
function Played({ asked, posed }: { readonly asked: Asked; readonly posed: Posed }): ReactElement {
  const film = useMemo(() => {
    const { question, law, ...rest } = asked;
    return new Film(question, law === null ? rest : { ...rest, law });
  }, [asked]);
  const [plain, setPlain] = useState({ asked, film });
  const [line, setLine] = useState<string | null>(null);
  if (asked.easing === 'none' && plain.film !== film) setPlain({ asked, film });
  useEffect(() => film.start(), [film]);
  useEffect(() => () => posed.clear(), [posed]);
  const beside =
    asked.easing !== 'none' &&
    plain.film.read().audit !== null &&
    (['question', 'series', 'from', 'wet', 'law'] as const).every((k) => plain.asked[k] === asked[k]);
  return (
    <Watched key={film.id} {...{ asked, film, posed, line }} plain={beside ? plain.film : null} onLine={setLine} />
  );
}

/** How fast it is played. */
const RATES = { real: 1, slow: 0.25 } as const;
/** Numbers beside it change so often, ms. */
const READ = 250;

function Watched({
  asked,
  film,
  posed,
  plain,
  line,
  onLine,
}: {
  readonly asked: Asked;
  readonly film: Film;
  readonly posed: Posed;
  readonly plain: Film | null;
  /** Line whose pull is traced; null for the one that is asked most. */
  readonly line: string | null;
  readonly onLine: (id: string) => void;
}): ReactElement {
  const units = useUnits();
  const { head, got, audit, lost, problem } = useSyncExternalStore(film.subscribe, film.read);
  const seconds = lengthOf(asked.series);
  // whoever wishes for less that moves begins it themselves
  const [playing, setPlaying] = useState(() => !window.matchMedia('(prefers-reduced-motion: reduce)').matches);
  const [rate, setRate] = useState<keyof typeof RATES>('real');
  /** Where it is; what is read of it follows now and then. */
  const time = useRef(0);
  const [shown, setShown] = useState({ time: 0, speed: 0 });
  const { rig } = asked.question;
  const pose = useCallback(
    (moving: boolean) => {
      const now = film.shapeAt(time.current);
      if (now === null) return;
      posed.pose(rig, now.shape, { moving });
      if (!moving) setShown({ time: time.current, speed: now.speed });
    },
    [film, posed, rig],
  );
  const begun = got > 0;
  useEffect(() => {
    if (!playing || !begun) return undefined;
    let last = performance.now();
    let read = 0;
    let asking = requestAnimationFrame(function tick(now) {
      const { got: there, audit: ended, lost: gone } = film.read();
      // no further than has been worked out
      time.current = Math.min(time.current + ((now - last) / 1000) * RATES[rate], (there - 1) / FRAMES);
      last = now;
      pose(true);
      if (now - read > READ) {
        read = now;
        setShown({ time: time.current, speed: film.shapeAt(time.current)?.speed ?? 0 });
      }
      if ((ended !== null || gone) && time.current >= (there - 1) / FRAMES) setPlaying(false);
      else asking = requestAnimationFrame(tick);
    });
    return () => {
      cancelAnimationFrame(asking);
      pose(false);
    };
  }, [playing, begun, film, rate, pose]);
  const seek = (to: number): void => {
    time.current = Math.min(to, Math.max(0, (got - 1) / FRAMES));
    pose(false);
  };
  const toggle = (): void => {
    if (!playing && audit !== null && time.current >= (got - 1) / FRAMES - 0.1) time.current = 0;
    setPlaying(!playing);
  };
  // the answer when it is whole; before that there is none
  const whole = audit !== null || lost;
  const peaks = useMemo(() => (whole ? film.peaks() : []), [film, whole]);
  if (problem !== null) return <Problem role="alert">{problem}</Problem>;
  return (
    <>
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr)" gap="8px" marginTop="8px">
        <Traces {...{ film, head, got, seconds, plain, units }} chosen={line} onChoose={onLine} />
        <Slider.Root
          min={0}
          max={seconds}
          step={0.1}
          value={[shown.time]}
          onValueChange={(e) => seek(e.value[0]!)}
          aria-label={['Moment']}
          getAriaValueText={({ value }) => `${value.toFixed(1)} seconds`}
          marginLeft={`${TRACE_MARGIN}px`}
        >
          <SlideLine />
        </Slider.Root>
        <Flex align="center" gap="10px">
          <Button onClick={toggle} aria-label={playing ? 'Pause' : 'Play'} flex="none">
            {playing ? <Pause size={18} /> : <Play size={18} />}
          </Button>
          <Span textStyle="name" flex="none" minWidth="58px">
            {shown.time.toFixed(1)} s
          </Span>
          <Span flex={1}>{begun ? say(shown.speed, 'speed', units) : 'being worked out'}</Span>
          <Button aria-pressed={rate === 'slow'} onClick={() => setRate(rate === 'slow' ? 'real' : 'slow')}>
            Slow
          </Button>
        </Flex>
      </Box>
      {head !== null && whole && (
        <Came head={head} peaks={peaks} lost={lost} units={units} plain={plain} easing={asked.easing} />
      )}
      {!whole && (
        <Text textStyle="quiet" aria-live="polite">
          {head === null
            ? 'Being worked out.'
            : `Worked out to ${Math.floor(got / FRAMES)} of ${Math.round(seconds)} s.`}
        </Text>
      )}
      {audit !== null && head !== null && (
        <Fold line="How it was worked out">
          <Text textStyle="quiet">
            The whole rig with its masses, moved on in steps of half a millisecond or less; the air that goes with the
            cloth is counted with it, and cloth that gives way is pushed less.{' '}
            {audit.made > 0.01 * audit.scale
              ? 'Its account of energy does not close: do not trust these numbers.'
              : 'Energy was never made from nothing.'}{' '}
            {head.raised > 0.005
              ? `${Math.round(100 * head.raised)} in a hundred of its mass was added so that steps need not be shorter.`
              : ''}{' '}
            The wind is the same all over the roof, {WIND_LAWS[head.law].said}. Cloth that tears and flutter within a
            hand’s width are not in it.
          </Text>
        </Fold>
      )}
      <Caution>One minute of many. Another may hold a harder gust: branches fall before lines break.</Caution>
    </>
  );
}

/** What it came to: the answer, and every line's peak beside what a steady gust asks. */
function Came({
  head,
  peaks,
  lost,
  units,
  plain,
  easing,
}: {
  readonly head: GustHead;
  readonly peaks: readonly GustPeak[];
  readonly lost: boolean;
  readonly units: UnitChoice;
  readonly plain: Film | null;
  readonly easing: Easing;
}): ReactElement {
  const { sentence, detail } = gustWords(head, peaks, lost);
  const rows = useMemo(() => {
    const before = plain?.peaks() ?? [];
    return head.lines.map((line, i): LinePlayed => ({ ...line, ...peaks[i]!, before: before[i]?.pull ?? null }));
  }, [head, peaks, plain]);
  const columns = useMemo(() => lineColumns(units, plain !== null, easing), [units, plain, easing]);
  return (
    <Found sentence={sentence} detail={detail} bad={lost || rows.some((r) => r.bears !== null && r.pull > r.bears)}>
      <DataTable name="Peaks" rows={rows} columns={columns} rowId={(r) => r.id} />
    </Found>
  );
}

interface LinePlayed extends GustLine, GustPeak {
  /** Peak of the rig as it is, N. */
  readonly before: number | null;
}

function lineColumns(units: UnitChoice, beside: boolean, easing: Easing): readonly Column<LinePlayed>[] {
  const force = (id: string, name: string, value: (r: LinePlayed) => number | null): Column<LinePlayed> => ({
    id,
    name,
    unit: 'N',
    value,
    cell: (r) => {
      const v = value(r);
      return v === null ? '–' : say(v, 'force', units);
    },
  });
  return [
    { id: 'line', name: 'Line', head: true, value: (r) => capital(r.name) },
    force('peak', easing === 'none' ? 'Peak' : EASINGS[easing], (r) => r.pull),
    ...(beside ? [force('before', EASINGS.none, (r) => r.before)] : []),
    force('steady', 'If it stayed', (r) => r.steady),
    force('bears', 'Bears', (r) => r.bears),
    {
      id: 'slack',
      name: 'Slack',
      value: (r) => Math.round(100 * r.slack),
      cell: (r) => (r.slack < 0.005 ? '–' : `${Math.round(100 * r.slack)} %`),
    },
    { id: 'at', name: 'At, s', value: (r) => Number(r.time.toFixed(1)) },
  ];
}

/** The wind, and under it the pull of one line, chosen or asked most so far. */
function Traces({
  film,
  head,
  got,
  seconds,
  plain,
  units,
  chosen,
  onChoose,
}: {
  readonly film: Film;
  readonly head: GustHead | null;
  readonly got: number;
  readonly seconds: number;
  readonly plain: Film | null;
  readonly units: UnitChoice;
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
}): ReactElement | null {
  const n = NEWTONS_PER[units.force];
  // drawn again with every second that has come
  const come = Math.floor(got / FRAMES);
  const most = useMemo(() => {
    if (head === null || come < 0) return null;
    const peaks = film.peaks();
    let best: GustLine | null = null;
    let share = -1;
    head.lines.forEach((l, i) => {
      const now = l.bears === null ? 0 : peaks[i]!.pull / l.bears;
      if (now > share) [best, share] = [l, now];
    });
    return best as GustLine | null;
  }, [film, head, come]);
  const line = head?.lines.find((l) => l.id === chosen) ?? most;
  const wind = useMemo(() => (come < 0 ? [] : [{ name: 'wind', points: film.trace(null) }]), [film, come]);
  const pulls = useMemo(() => {
    if (line === null || come < 0) return [];
    const of = (f: Film) => f.trace(line.line).map(([t, v]): [number, number] => [t, v / n]);
    return [{ name: 'now', points: of(film) }, ...(plain === null ? [] : [{ name: 'before', points: of(plain) }])];
  }, [film, line, plain, n, come]);
  if (head === null || line === null) return null;
  return (
    <Box>
      <TraceChart label="Wind at the roof over the minute" traces={wind} seconds={seconds} unit="m/s" height="84px" />
      <Choice
        label="Pull of the"
        value={line.id}
        options={head.lines.map((l) => ({ id: l.id, name: l.name }))}
        onChange={onChoose}
      />
      {plain !== null && (
        <Text textStyle="quiet">
          <KeyLine />
          eased
          <KeyLine of="wet" />
          as it is
        </Text>
      )}
      <TraceChart
        label={`Pull of the ${line.name} over the minute`}
        traces={pulls}
        seconds={seconds}
        unit={units.force}
        height="120px"
      />
    </Box>
  );
}
