import { Box, Button, Flex, IconButton, Span, Text, chakra } from '@chakra-ui/react';
import type { Learner, Standing } from '@rough-bight/core/teach';
import { MOST_LEARNERS, lessonOf, progressCsv, progressFile, standingOf, troubleOf } from '@rough-bight/core/teach';
import { capital, limit } from '@rough-bight/core/quantity';
import { DRILL_NAMES, counted, lessonWords, listed, offWords, watchWords } from '@rough-bight/core/words';
import { Download, Plus, Printer, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCampActions } from '../../data/camp.js';
import { guessesOf, learnersOf, pitchesOf } from '../../data/learnt.js';
import { useLog } from '../../data/log.js';
import { TextField } from '../../parts/choice.js';
import { DataTable } from '../../parts/data-table.js';
import type { Column } from '../../parts/data-table.js';
import { Fold } from '../../parts/fold.js';
import { Buttons, ControlRow, Page, Problem } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { saveText } from '../../parts/save-text.js';
import { Empty } from '../../parts/states.js';
import { OfCamp } from '../of-camp.js';
import type { InCamp } from '../of-camp.js';
import { Teaching } from '../drills/teaching.js';
import { SheetButton } from './sheet.js';

/** A class: who learns here, who is stuck on what, and what to do of an evening. */
export default function ClassView(): ReactElement {
  return <OfCamp what="the class">{(of) => <ClassPage {...of} />}</OfCamp>;
}

const EVENING = limit('evening', 'count', 20, 300);

function ClassPage({ camp, me, people }: InCamp): ReactElement {
  const log = useLog(camp.id);
  const { teach } = useCampActions(camp.id);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [evening, setEvening] = useState(90);
  const learners = learnersOf(camp);
  const standings = useMemo(
    () =>
      learners.map((l) =>
        standingOf({ ...l, guesses: guessesOf(log.entries, l.id), pitches: pitchesOf(log.entries, l.id) }),
      ),
    [learners, log.entries],
  );
  const pitches = useMemo(() => learners.flatMap((l) => pitchesOf(log.entries, l.id)), [learners, log.entries]);
  const lesson = useMemo(() => lessonOf(standings, pitches, evening), [standings, pitches, evening]);
  useEffect(() => {
    document.title = `Class, ${camp.name}, Rough Bight`;
  }, [camp.name]);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Class' }] });
  const put = (next: readonly Learner[]): void => {
    setTrouble(null);
    teach(next).catch((error: unknown) => setTrouble((error as Error).message));
  };
  const file = () => progressFile(camp.name, [...learners, ...people], log.entries);
  const stem = camp.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
  return (
    <Page>
      <h1>Class</h1>
      <Teaching campId={camp.id} />
      {trouble !== null && <Problem role="alert">{trouble}</Problem>}
      {learners.length === 0 ? (
        <Empty>Nobody learns here yet. Write down the first name below; no more than that is kept of anyone.</Empty>
      ) : (
        <>
          <DataTable name="Who stands where" rows={standings} columns={COLUMNS(camp.id)} rowId={(s) => s.id} />
          <Trouble standings={standings} />
          <Box
            as="section"
            aria-label="Lesson"
            borderTop="1.5px solid"
            borderColor="ink"
            marginTop="16px"
            paddingTop="8px"
          >
            <h2>An evening from that</h2>
            <Box maxWidth="200px">
              <NumberField
                label="Minutes there are"
                value={evening}
                limit={EVENING}
                step={5}
                whole
                onCommit={(n) => {
                  setEvening(n);
                  return null;
                }}
              />
            </Box>
            <chakra.ol marginTop="8px" maxWidth="80ch">
              {lesson.map((part, i) => {
                const { what, why } = lessonWords(part);
                return (
                  <Flex as="li" key={i} gap="14px" paddingBlock="6px" borderBottom="1px solid" borderColor="hairline">
                    <Span width="62px" flexShrink={0} fontWeight={700}>
                      {part.minutes} min
                    </Span>
                    <Box>
                      <Text fontWeight={700}>
                        {part.do === 'fault' && part.knot !== null ? (
                          <Link to={`/tying/${part.knot}`}>{what}</Link>
                        ) : part.do === 'pitch' ? (
                          <Link to={`/camps/${camp.id}/pitch`}>{what}</Link>
                        ) : part.do === 'drill' ? (
                          <Link to={`/camps/${camp.id}/drills`}>{what}</Link>
                        ) : (
                          what
                        )}
                      </Text>
                      <Text textStyle="quiet">{why}</Text>
                    </Box>
                  </Flex>
                );
              })}
            </chakra.ol>
          </Box>
        </>
      )}
      <Fold line={learners.length === 0 ? 'Who learns here' : `${capital(counted(learners.length, 'learner'))}: names`}>
        <chakra.ul aria-label="Learners" maxWidth="60ch">
          {learners.map((l) => (
            <chakra.li key={l.id}>
              <ControlRow>
                <TextField
                  label="Name"
                  value={l.name}
                  max={60}
                  onCommit={(name) => put(learners.map((x) => (x.id === l.id ? { ...x, name } : x)))}
                />
                <IconButton
                  aria-label={`Take ${l.name} out of the class`}
                  onClick={() => put(learners.filter((x) => x.id !== l.id))}
                >
                  <Trash2 size={17} aria-hidden="true" />
                </IconButton>
              </ControlRow>
            </chakra.li>
          ))}
        </chakra.ul>
        <Text textStyle="quiet">
          What somebody guessed stays in the log when their name is taken out; undo brings the name back.
        </Text>
      </Fold>
      <Buttons>
        <Button
          disabled={learners.length >= MOST_LEARNERS}
          onClick={() => put([...learners, { id: crypto.randomUUID(), name: `learner ${learners.length + 1}` }])}
        >
          <Plus size={17} aria-hidden="true" /> A learner
        </Button>
        <Button
          onClick={() => saveText(`${stem}-progress.json`, 'application/json', `${JSON.stringify(file(), null, 2)}\n`)}
        >
          <Download size={17} aria-hidden="true" /> Progress as JSON
        </Button>
        <Button onClick={() => saveText(`${stem}-guesses.csv`, 'text/csv', progressCsv(file()).guesses)}>
          <Download size={17} aria-hidden="true" /> Guesses as CSV
        </Button>
        <Button onClick={() => saveText(`${stem}-pitches.csv`, 'text/csv', progressCsv(file()).pitches)}>
          <Download size={17} aria-hidden="true" /> Pitches as CSV
        </Button>
        <SheetButton camp={camp} me={me} people={people}>
          <Printer size={17} aria-hidden="true" /> Drills to print
        </SheetButton>
      </Buttons>
    </Page>
  );
}

const times = (x: number): string => (x < 9.5 ? x.toFixed(1) : String(Math.round(x)));
const COLUMNS = (campId: string): readonly Column<Standing>[] => [
  {
    id: 'name',
    name: 'Learner',
    value: (s) => s.name,
    cell: (s) => <Link to={`/camps/${campId}/drills?who=${s.id}`}>{s.name}</Link>,
    head: true,
  },
  {
    id: 'off',
    name: 'Numbers off by',
    unit: 'times',
    value: (s) => s.off?.times ?? null,
    cell: (s) =>
      s.off === null ? 'too few yet' : `${times(s.off.times)} (${times(s.off.range[0])} to ${times(s.off.range[1])})`,
  },
  { id: 'count', name: 'Guesses', value: (s) => s.count },
  {
    id: 'stuck',
    name: 'Stuck on',
    value: (s) => s.stuck.map((k) => DRILL_NAMES[k].toLowerCase()).join('; '),
    cell: (s) => (s.stuck.length === 0 ? 'nothing' : listed(s.stuck.map((k) => DRILL_NAMES[k].toLowerCase()))),
  },
  {
    id: 'roof',
    name: 'Best roof',
    unit: 's',
    value: (s) => s.roof?.best ?? null,
    cell: (s) => (s.roof === null ? 'none yet' : watchWords(s.roof.best)),
  },
];

/** What the class has most trouble with. */
function Trouble({ standings }: { readonly standings: readonly Standing[] }): ReactElement | null {
  const all = troubleOf(standings);
  const [worst] = all;
  if (worst === undefined) return null;
  const offs = standings.flatMap((s) => (s.off === null ? [] : [s]));
  return (
    <Box as="section" aria-label="Trouble" marginTop="14px">
      <Text textStyle="verdict">
        {worst.stuck.length > 0
          ? `${listed(worst.stuck)} ${worst.stuck.length === 1 ? 'is' : 'are'} stuck on “${DRILL_NAMES[worst.kind].toLowerCase()}”.`
          : `Nobody is stuck; “${DRILL_NAMES[worst.kind].toLowerCase()}” is hardest: ${worst.near} of the last ${worst.of} near.`}
      </Text>
      {offs[0] !== undefined && (
        <Text textStyle="quiet">
          {capital(offs.reduce((a, b) => (b.off!.times > a.off!.times ? b : a)).name)}{' '}
          {offWords(offs.reduce((a, b) => (b.off!.times > a.off!.times ? b : a)).off!)}.
        </Text>
      )}
    </Box>
  );
}
