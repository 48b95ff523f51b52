import { Box, Button, Flex, Span, Text, chakra } from '@chakra-ui/react';
import type { PitchFault, PitchOf, Pitched, SplitOf } from '@rough-bight/core/teach';
import {
  PITCHES,
  PITCH_FAULTS,
  PITCH_FAULT_IDS,
  SPLITS,
  byWeek,
  faultsSeen,
  splitsOf,
  timesOf,
} from '@rough-bight/core/teach';
import { capital } from '@rough-bight/core/quantity';
import { timesWords, watchWords } from '@rough-bight/core/words';
import { Flag, Play, X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { pitchesOf } from '../../data/learnt.js';
import { useLog } from '../../data/log.js';
import type { Camp, Person } from '../../data/types.js';
import { BandChart } from '../../parts/band-chart.js';
import type { BandRow } from '../../parts/band-chart.js';
import { Check, Choice } from '../../parts/choice.js';
import { Buttons, Caution, ControlRow, Page } from '../../parts/layout.js';
import { OfCamp } from '../of-camp.js';
import { Teaching } from '../drills/teaching.js';
import { useWho } from '../drills/who.js';

/** A roof against the watch: splits by big keys, what was wrong afterwards, best and spread over weeks. */
export default function PitchView(): ReactElement {
  return <OfCamp what="the watch">{({ camp, me }) => <PitchPage camp={camp} me={me} />}</OfCamp>;
}

/** A watch that runs: since when, and when each split was pressed, ms. */
interface Running {
  readonly of: PitchOf;
  readonly since: number;
  readonly pressed: readonly number[];
}
/** One that was stopped, before its faults are told. */
interface Stopped {
  readonly of: PitchOf;
  readonly total: number;
  readonly splits: readonly { readonly of: SplitOf; readonly took: number }[];
}

const seconds = (ms: number): number => Math.max(1, Math.round(ms / 1000));

function PitchPage({ camp, me }: { readonly camp: Camp; readonly me: Person }): ReactElement {
  const log = useLog(camp.id);
  const { who, choose } = useWho(camp, me);
  const [of, setOf] = useState<PitchOf>('roof');
  const [running, setRunning] = useState<Running | null>(null);
  const [stopped, setStopped] = useState<Stopped | null>(null);
  const pitches = useMemo(() => pitchesOf(log.entries, who.id), [log.entries, who.id]);
  useEffect(() => {
    document.title = `Against the watch, ${camp.name}, Rough Bight`;
  }, [camp.name]);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Against the watch' }] });
  const press = (): void => {
    if (running === null) return;
    const splits = splitsOf(running.of);
    const pressed = [...running.pressed, Date.now()];
    if (pressed.length < splits.length) {
      setRunning({ ...running, pressed });
      return;
    }
    setRunning(null);
    setStopped({
      of: running.of,
      total: seconds(pressed.at(-1)! - running.since),
      splits: splits.map((s, k) => ({
        of: s,
        took: Math.round((pressed[k]! - (pressed[k - 1] ?? running.since)) / 1000),
      })),
    });
  };
  const keep = (faults: readonly PitchFault[]): void => {
    if (stopped === null) return;
    log.write({
      by: who.id,
      rig: null,
      what: { kind: 'pitch', of: stopped.of, total: stopped.total, splits: [...stopped.splits], faults: [...faults] },
    });
    setStopped(null);
  };
  return (
    <Page>
      <h1>Against the watch</h1>
      <Teaching campId={camp.id} />
      {running !== null ? (
        <Ticking running={running} onPress={press} onGiveUp={() => setRunning(null)} name={capital(who.name)} />
      ) : stopped !== null ? (
        <Wrong key={stopped.total} stopped={stopped} onKeep={keep} onLeave={() => setStopped(null)} />
      ) : (
        <>
          <chakra.div maxWidth="640px">
            <ControlRow>
              {choose}
              <Choice<PitchOf>
                label="What"
                value={of}
                options={(Object.keys(PITCHES) as PitchOf[]).map((id) => ({ id, name: PITCHES[id] }))}
                onChange={setOf}
              />
            </ControlRow>
          </chakra.div>
          <Buttons>
            <Button
              variant="solid"
              minHeight="72px"
              minWidth="220px"
              fontSize="20px"
              onClick={() => setRunning({ of, since: Date.now(), pressed: [] })}
            >
              <Play size={22} aria-hidden="true" /> Start
            </Button>
          </Buttons>
          <Caution>Look up first: the watch runs on looking too. Nobody hurries under a dead branch.</Caution>
          <Past pitches={pitches} name={capital(who.name)} />
        </>
      )}
    </Page>
  );
}

/** Big: it is pressed in gloves, in the rain, without looking; anywhere on it, or by any key. */
function Ticking({
  running,
  onPress,
  onGiveUp,
  name,
}: {
  readonly running: Running;
  readonly onPress: () => void;
  readonly onGiveUp: () => void;
  readonly name: string;
}): ReactElement {
  const [now, setNow] = useState(running.since);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  const splits = splitsOf(running.of);
  const next = splits[running.pressed.length]!;
  const last = running.pressed.length === splits.length - 1;
  return (
    <>
      <Text textStyle="quiet">
        {name}, {PITCHES[running.of]}
      </Text>
      <Text
        fontSize="88px"
        lineHeight={1}
        fontFamily="heading"
        fontWeight={700}
        fontVariantNumeric="tabular-nums"
        role="timer"
      >
        {watchWords((now - running.since) / 1000)}
      </Text>
      <Button
        border="4px solid"
        borderColor="act"
        width="100%"
        minHeight="min(40vh, 320px)"
        fontSize="26px"
        autoFocus
        onClick={onPress}
        whiteSpace="normal"
      >
        <Flag size={30} aria-hidden="true" /> {capital(SPLITS[next])}
        {last ? ': stop' : ''}
      </Button>
      <Flex as="ul" aria-label="Splits" wrap="wrap" gap="18px" marginTop="12px">
        {running.pressed.map((at, k) => (
          <li key={k}>
            {capital(SPLITS[splits[k]!])}{' '}
            <Span fontWeight={700}>{watchWords((at - (running.pressed[k - 1] ?? running.since)) / 1000)}</Span>
          </li>
        ))}
      </Flex>
      <Buttons>
        <Button onClick={onGiveUp}>
          <X size={17} aria-hidden="true" /> Give up
        </Button>
      </Buttons>
    </>
  );
}

/** What was wrong with it, from what instructors see. */
function Wrong({
  stopped,
  onKeep,
  onLeave,
}: {
  readonly stopped: Stopped;
  readonly onKeep: (faults: readonly PitchFault[]) => void;
  readonly onLeave: () => void;
}): ReactElement {
  const [seen, setSeen] = useState<ReadonlySet<PitchFault>>(new Set());
  const faults = PITCH_FAULT_IDS.filter((f) => stopped.of === 'both' || (f !== 'bed-taut' && f !== 'no-drip-break'));
  return (
    <Box as="section" aria-label="What was wrong">
      <Text fontSize="56px" lineHeight={1} fontFamily="heading" fontWeight={700}>
        {watchWords(stopped.total)}
      </Text>
      <Text textStyle="quiet">
        {stopped.splits.map((s) => `${capital(SPLITS[s.of])} ${watchWords(s.took)}`).join(', ')}
      </Text>
      <h2>What was wrong with it?</h2>
      <Flex wrap="wrap" gap="4px 22px" marginBlock="6px" maxWidth="72ch">
        {faults.map((f) => (
          <Box key={f} flex="1 1 240px" minHeight="44px">
            <Check
              checked={seen.has(f)}
              onChange={(on) => {
                const next = new Set(seen);
                if (on) next.add(f);
                else next.delete(f);
                setSeen(next);
              }}
            >
              {capital(PITCH_FAULTS[f].name)}
            </Check>
          </Box>
        ))}
      </Flex>
      <Buttons>
        <Button variant="solid" onClick={() => onKeep(faults.filter((f) => seen.has(f)))}>
          Keep it
        </Button>
        <Button onClick={onLeave}>Leave it out</Button>
      </Buttons>
    </Box>
  );
}

const weekName = (week: string): string =>
  `week of ${new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(new Date(`${week}T12:00:00Z`))}`;

/** Best and spread, week by week, and what was wrong most. */
function Past({ pitches, name }: { readonly pitches: readonly Pitched[]; readonly name: string }): ReactElement {
  const roofs = useMemo(() => pitches.filter((p) => p.of === 'roof'), [pitches]);
  const weeks = useMemo(
    () =>
      [...byWeek(roofs)].map(([week, of]): BandRow => {
        const minutes = of.map((p) => p.total / 60);
        const times = timesOf(of)!;
        return { name: weekName(week), low: Math.min(...minutes), mid: times.middle / 60, high: Math.max(...minutes) };
      }),
    [roofs],
  );
  const axis = useMemo(
    () => ({ name: 'minutes', min: 0, max: Math.ceil(Math.max(2, ...weeks.map((w) => w.high)) * 1.1) }),
    [weeks],
  );
  if (pitches.length === 0) return <Text textStyle="quiet">{name} has pitched nothing against the watch yet.</Text>;
  const faults = faultsSeen(pitches);
  return (
    <>
      <chakra.h2 marginTop="18px">{name} against the watch</chakra.h2>
      {(Object.keys(PITCHES) as PitchOf[]).map((of) => {
        const times = timesOf(pitches.filter((p) => p.of === of));
        return times === null ? null : (
          <Text key={of}>
            {capital(PITCHES[of])}: {timesWords(times)}.
          </Text>
        );
      })}
      {weeks.length > 1 && <BandChart label="Minutes for a roof, week by week" rows={weeks} axis={axis} />}
      <chakra.ul aria-label="What was wrong" maxWidth="60ch" marginTop="8px">
        {faults.map(({ fault, count }) => (
          <Flex as="li" key={fault} gap="12px" paddingBlock="4px" borderBottom="1px solid" borderColor="hairline">
            <Span flex="1">{capital(PITCH_FAULTS[fault].name)}</Span>
            <Span fontWeight={700}>
              {count} of {pitches.length}
            </Span>
          </Flex>
        ))}
      </chakra.ul>
      {faults.length === 0 && <Text>Nothing was wrong with any of them.</Text>}
    </>
  );
}
