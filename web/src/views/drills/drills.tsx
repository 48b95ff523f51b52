import { Text, chakra } from '@chakra-ui/react';
import { DRILL_KINDS, hardFor, spacingOf } from '@rough-bight/core/drill';
import type { DrillKind, Guessed } from '@rough-bight/core/drill';
import { pacedBy } from '@rough-bight/core/rig';
import { DRILL_NAMES, counted } from '@rough-bight/core/words';
import { capital } from '@rough-bight/core/quantity';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useCampContext } from '../../data/context.js';
import { useLog } from '../../data/log.js';
import type { Camp, Person } from '../../data/types.js';
import { Choice } from '../../parts/choice.js';
import { Caution, Page } from '../../parts/layout.js';
import { Empty } from '../../parts/states.js';
import { OfCamp } from '../of-camp.js';
import { WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import type { Figure } from '@rough-bight/core/working';
import { Ask } from './ask.js';
import { Progress } from './progress.js';

/** Guess, then see: drills made from the camp's own rigs, when they are due. */
export default function DrillsView(): ReactElement {
  return <OfCamp what="the drills">{(of) => <DrillsPage {...of} />}</OfCamp>;
}

/** Guesses of one person, as a log has them. */
export function guessesOf(entries: ReturnType<typeof useLog>['entries'], person: string): Guessed[] {
  return entries.flatMap((e): Guessed[] => {
    if (e.what.kind !== 'guess' || e.by !== person) return [];
    const { drill, error, near, grade, sure } = e.what;
    return [{ kind: drill, at: e.at, error, near, grade: grade as Guessed['grade'], sure }];
  });
}

const seedNow = (): number => Math.floor(Math.random() * 2_147_483_647);

function DrillsPage({
  camp,
  me,
  people,
}: {
  readonly camp: Camp;
  readonly me: Person;
  readonly people: readonly Person[];
}): ReactElement {
  const context = useCampContext(camp, me);
  const log = useLog(camp.id);
  const [figure, setFigure] = useState<Figure | null>(null);
  const guesses = useMemo(() => guessesOf(log.entries, me.id), [log.entries, me.id]);
  const spaced = spacingOf(guesses, new Date());
  const due = spaced.filter((s) => s.due === null || s.due <= new Date());
  const [wanted, setWanted] = useState<DrillKind | 'due'>('due');
  /** What is asked now: it stays while its guess is looked at. */
  const [turn, setTurn] = useState<{ readonly kind: DrillKind; readonly seed: number; readonly hard: number } | null>(
    null,
  );
  const begin = (choice: DrillKind | 'due' = wanted): void => {
    const kind = choice === 'due' ? spaced[0]!.kind : choice;
    setTurn({ kind, seed: seedNow(), hard: hardFor(kind, guesses) });
  };
  useEffect(() => {
    document.title = `Drills, ${camp.name}, Rough Bight`;
  }, [camp.name]);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Drills' }] });
  const { rigs, places } = camp;
  const grounds = useMemo(() => places.map((p) => p.document), [places]);
  const sources = useMemo(
    () =>
      rigs.map(({ id, name, document: rig }, k) => ({
        id,
        name,
        rig,
        context: pacedBy(rig, context, { id: me.id, people }),
        ground: grounds.length === 0 ? null : { place: grounds[k % grounds.length]!, who: { ...me, people } },
      })),
    [rigs, grounds, context, me, people],
  );
  const asked = useMemo(
    () => (turn === null ? null : { rigs: sources, units: me.units, ...turn }),
    // what is asked stays as it was asked, whatever is changed meanwhile
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [turn],
  );
  return (
    <WorkingContext.Provider value={setFigure}>
      <Page>
        <h1>Drills</h1>
        <Text textStyle="lead" marginBottom="8px">
          Say it first, then see it: questions from this camp’s own rigs, each asked again when it would be forgotten.
        </Text>
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        {rigs.length === 0 && (
          <Empty>Drills are made from rigs, and there are none here yet. Begin one in the camp.</Empty>
        )}
        {rigs.length > 0 && (
          <>
            <chakra.div maxWidth="320px" marginBottom="8px">
              <Choice<DrillKind | 'due'>
                label="Ask me"
                value={wanted}
                options={[
                  {
                    id: 'due' as const,
                    name: `what is due: ${counted(due.length, 'kind')}`,
                  },
                  ...DRILL_KINDS.map((id) => ({ id, name: DRILL_NAMES[id].toLowerCase() })),
                ]}
                onChange={(next) => {
                  setWanted(next);
                  if (turn !== null) begin(next);
                }}
              />
            </chakra.div>
            <Ask
              key={turn?.seed ?? 0}
              asked={asked}
              units={me.units}
              onNext={() => begin()}
              onGuess={(of, score, sure) => {
                log.write({
                  by: me.id,
                  rig: of,
                  what: { kind: 'guess', drill: turn!.kind, seed: turn!.seed, ...score, sure },
                });
              }}
            />
            <Progress guesses={guesses} spaced={spaced} name={capital(me.name)} />
          </>
        )}
        <Caution marginTop="18px">
          A good eye is no strength margin: what people hang from is computed, looked at and leaned on first.
        </Caution>
      </Page>
    </WorkingContext.Provider>
  );
}
