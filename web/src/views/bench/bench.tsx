import { say } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Ruler } from 'lucide-react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useCamp, useCampActions, useMe } from '../../data/camp.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useDocument, useSnapshot } from '../../data/use-document.js';
import { useShell } from '../../app/shell-context.js';
import { SaveTrouble } from '../../parts/conflict.js';
import { Loading, Trouble } from '../../parts/states.js';
import { Tape } from '../../parts/tape.js';
import { UnitsContext, WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import { SideScene } from '../../scene/side-scene.js';
import { useJudge } from '../../workers/use-judge.js';
import type { Question } from '../../workers/rig.worker.js';
import { editing } from './editing.js';
import { GroundControls } from './ground-controls.js';
import { HangControls } from './hang-controls.js';
import { Ledger } from './ledger.js';
import { PitchBench } from './pitch-bench.js';
import { PitchRoof } from './pitch-roof.js';
import { RidgeControls } from './ridge-controls.js';
import { SizePanel } from './size-panel.js';
import { STEPS, marksOf } from './steps.js';
import type { Step } from './steps.js';
import { WeatherControls } from './weather-controls.js';

/** One rig on the bench, by its address. */
export function BenchView(): ReactElement {
  const { rigId, step } = useParams();
  const { store, error } = useDocument<RidgeRig>('rig', rigId!);
  const camp = useCamp(store?.campId);
  const me = useMe();
  if (!STEPS.includes(step as Step)) return <Navigate replace to={`/rigs/${encodeURIComponent(rigId!)}/ridge`} />;
  const failed = error ?? camp.error ?? me.error;
  if (failed !== undefined && (store === null || camp.data === undefined || me.data === undefined))
    return <Trouble error={failed as Error} />;
  if (store === null || camp.data === undefined || me.data === undefined) return <Loading what="the rig" />;
  return <OnBench key={store.id} store={store} camp={camp.data} me={me.data} step={step as Step} />;
}

interface BenchProps {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly me: Person;
  readonly step: Step;
}

/** A ridgeline alone, or with a roof pitched on it. */
function OnBench(props: BenchProps): ReactElement {
  const pitched = useSnapshot(props.store).draft.document.pitch !== undefined;
  return pitched ? <PitchBench {...props} /> : <Bench {...props} />;
}

function Bench({ store, camp, me, step }: BenchProps): ReactElement {
  const snapshot = useSnapshot(store);
  const { document: rig } = snapshot.draft;
  const [search, setSearch] = useSearchParams();
  const [figure, setFigure] = useState<Figure | null>(null);
  const units = me.units;
  const { addRig } = useCampActions(camp.id);
  const around = useMemo(
    () => ({ kit: camp.kit, roofs: camp.roofs, pegs: camp.pegs, body: me.body, required: me.required }),
    [camp.kit, camp.roofs, camp.pegs, me.body, me.required],
  );
  const question: Question = useMemo(() => ({ rig, around, units }), [rig, around, units]);
  const { judgement, problem, advice } = useJudge(question, snapshot.moving);
  const sizing = search.get('panel') === 'size';
  const setSizing = useCallback((on: boolean) => setSearch(on ? { panel: 'size' } : {}, { replace: !on }), [setSearch]);
  const edits = useMemo(() => editing(store, rig, around), [store, rig, around]);
  const put = useCallback((next: RidgeRig) => store.edit({ ...store.read().draft, document: next }), [store]);
  const move = useCallback((next: RidgeRig) => store.move({ ...store.read().draft, document: next }), [store]);
  const openFigure = useCallback((f: Figure) => setFigure(f), []);

  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: snapshot.draft.name }],
    save: snapshot.save,
    undo: snapshot.canUndo ? () => store.undo() : null,
    redo: snapshot.canRedo ? () => store.redo() : null,
  });
  useEffect(() => {
    document.title = `${snapshot.draft.name}, Rough Bight`;
  }, [snapshot.draft.name]);

  const marks = marksOf(rig, judgement, me.body, units);
  const result = judgement?.result;
  return (
    <UnitsContext.Provider value={units}>
      <WorkingContext.Provider value={openFigure}>
        <div className="bench">
          <Tape
            label="Steps of the rig"
            marks={marks.map(({ step: to, ...m }) => (to === undefined ? m : { ...m, to: `/rigs/${store.id}/${to}` }))}
            words={{ holds: 'holds', fails: 'does not hold', none: 'nothing yet' }}
          />
          <main className="middle" aria-label="The rig">
            <SideScene
              rig={rig}
              judgement={judgement}
              kit={camp.kit}
              body={me.body}
              moving={snapshot.moving}
              onMove={move}
              onMoveEnd={() => store.endMove()}
              onNudge={put}
            />
            <div className="under" data-step={step}>
              {problem !== null && (
                <p className="field-problem under-problem" role="alert">
                  {problem.message} The picture shows the last rig that could be.
                </p>
              )}
              {step === 'ground' && <GroundControls {...edits} />}
              {step === 'ridge' && (
                <RidgeControls editing={edits} judgement={judgement} question={snapshot.moving ? null : question} />
              )}
              {step === 'guy' && (
                <p className="quiet">
                  No roof is pitched on this line, so there is nothing to guy. Pitch one under Hang.
                </p>
              )}
              {step === 'hang' && (
                <>
                  <PitchRoof rig={rig} camp={camp} body={me.body} onPitch={put} />
                  <HangControls {...edits} />
                </>
              )}
              {step === 'weather' && <WeatherControls editing={edits} judgement={judgement} />}
            </div>
          </main>
          <aside className="side" aria-label="Verdict and ledger">
            <SaveTrouble
              store={store}
              save={snapshot.save}
              copy={async (draft) => `/rigs/${(await addRig(draft)).id}/ridge`}
            />
            {figure !== null ? (
              <WorkingPanel figure={figure} onClose={() => setFigure(null)} />
            ) : sizing ? (
              <SizePanel
                question={question}
                current={rig.cord}
                onTake={(next) => {
                  put(next);
                  setSizing(false);
                }}
                onClose={() => setSizing(false)}
              />
            ) : judgement === null || result === undefined ? (
              <Loading what="the judgement" />
            ) : (
              <>
                <section
                  className={judgement.verdict.holds ? 'verdict' : 'verdict verdict-fails'}
                  aria-live="polite"
                  aria-label="Verdict"
                >
                  <h1>{judgement.verdict.sentence}</h1>
                  <p>{judgement.verdict.detail}</p>
                  <div className="verdict-buttons">
                    {advice.slice(0, 2).map((a, i) => (
                      <button
                        key={a.id}
                        type="button"
                        className={i === 0 ? 'button button-act' : 'button'}
                        title={a.sentence}
                        onClick={() => put(a.rig)}
                      >
                        {a.label}
                      </button>
                    ))}
                    <button
                      type="button"
                      className={advice.length === 0 ? 'button button-act' : 'button'}
                      onClick={() => setSizing(true)}
                    >
                      <Ruler size={16} aria-hidden="true" /> Size it
                    </button>
                  </div>
                  {advice[0] !== undefined && <p className="quiet">{advice[0].sentence}</p>}
                </section>
                <Ledger judgement={judgement} rule={rig.rule} onRule={(rule) => put({ ...rig, rule })} />
                <section className="notes" aria-label="Cautions">
                  {result.warnings.map((w) => (
                    <p key={w}>{w}</p>
                  ))}
                  <p>
                    Cord in hand: {say(result.cordNeeded.value, 'length', units)} of{' '}
                    {say(result.cordOnHand, 'length', units)}. Not for climbing, lifting, rescue or highlines. Rated
                    strengths are the maker’s; unknown cord is unknown. Local rules come first.
                  </p>
                </section>
              </>
            )}
          </aside>
        </div>
      </WorkingContext.Provider>
    </UnitsContext.Provider>
  );
}
