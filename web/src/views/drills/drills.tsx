import { Text, chakra } from '@chakra-ui/react';
import { DRILL_KINDS, hardFor, spacingOf } from '@rough-bight/core/drill';
import type { DrillKind } from '@rough-bight/core/drill';
import { DRILL_NAMES, counted } from '@rough-bight/core/words';
import { capital } from '@rough-bight/core/quantity';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { guessesOf } from '../../data/learnt.js';
import { useLog } from '../../data/log.js';
import { Choice } from '../../parts/choice.js';
import { Caution, ControlRow, Page } from '../../parts/layout.js';
import { Empty } from '../../parts/states.js';
import { OfCamp } from '../of-camp.js';
import type { InCamp } from '../of-camp.js';
import { WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import type { Figure } from '@rough-bight/core/working';
import { Ask } from './ask.js';
import { useDrillRigs } from './rigs.js';
import { Progress } from './progress.js';
import { Teaching } from './teaching.js';
import { useWho } from './who.js';

/** Guess, then see: drills made from the camp's own rigs, when they are due. */
export default function DrillsView(): ReactElement {
  return <OfCamp what="the drills">{(of) => <DrillsPage {...of} />}</OfCamp>;
}

const seedNow = (): number => Math.floor(Math.random() * 2_147_483_647);

function DrillsPage({ camp, me, people }: InCamp): ReactElement {
  const log = useLog(camp.id);
  const [figure, setFigure] = useState<Figure | null>(null);
  const { who, choose } = useWho(camp, me);
  const guesses = useMemo(() => guessesOf(log.entries, who.id), [log.entries, who.id]);
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
  const { rigs } = camp;
  const sources = useDrillRigs(camp, me, people);
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
        <Teaching campId={camp.id} />
        <Text textStyle="lead" marginBottom="8px">
          Say it first, then see it: questions from this camp’s own rigs, each asked again when it would be forgotten.
        </Text>
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        {rigs.length === 0 && (
          <Empty>Drills are made from rigs, and there are none here yet. Begin one in the camp.</Empty>
        )}
        {rigs.length > 0 && (
          <>
            <chakra.div maxWidth="640px" marginBottom="8px">
              <ControlRow>
                {choose}
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
              </ControlRow>
            </chakra.div>
            <Ask
              key={`${who.id} ${turn?.seed ?? 0}`}
              asked={asked}
              units={me.units}
              onNext={() => begin()}
              onGuess={(of, score, sure) => {
                log.write({
                  by: who.id,
                  rig: of,
                  what: { kind: 'guess', drill: turn!.kind, seed: turn!.seed, ...score, sure },
                });
              }}
            />
            <Progress guesses={guesses} spaced={spaced} name={capital(who.name)} />
          </>
        )}
        <Caution marginTop="18px">
          A good eye is no strength margin: what people hang from is computed, looked at and leaned on first.
        </Caution>
      </Page>
    </WorkingContext.Provider>
  );
}
