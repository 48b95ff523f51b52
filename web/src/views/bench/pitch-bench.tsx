import { say } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import { Ruler } from 'lucide-react';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCampActions } from '../../data/camp.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useSnapshot } from '../../data/use-document.js';
import { SaveTrouble } from '../../parts/conflict.js';
import { Loading } from '../../parts/states.js';
import { Tape } from '../../parts/tape.js';
import { UnitsContext, WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import { RIG_VIEWS, RigScene } from '../../scene/rig-scene.js';
import type { RigView } from '../../scene/rig-scene.js';
import type { PitchQuestion } from '../../workers/rig.worker.js';
import { useOther, usePitch } from '../../workers/use-judge.js';
import { editing } from './editing.js';
import { GroundControls } from './ground-controls.js';
import { GuyControls } from './guy-controls.js';
import { AlsoOnLine } from './hang-controls.js';
import { PitchCompare } from './pitch-compare.js';
import { PitchLedger } from './pitch-ledger.js';
import { PitchSize } from './pitch-size.js';
import { PitchWeather } from './pitch-weather.js';
import { RidgeControls } from './ridge-controls.js';
import { SaveAs } from './save-as.js';
import { RoofControls, withoutRoof } from './roof-controls.js';
import type { Step } from './steps.js';
import { pitchMarks } from './steps.js';
import { WeatherControls } from './weather-controls.js';

/** A rig with a roof pitched on it: the whole solved at once, seen from the side or from above. */
export function PitchBench({
  store,
  camp,
  me,
  step,
}: {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly me: Person;
  readonly step: Step;
}): ReactElement {
  const snapshot = useSnapshot(store);
  const { document: rig } = snapshot.draft;
  const [search, setSearch] = useSearchParams();
  const [figure, setFigure] = useState<Figure | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const units = me.units;
  const { addRig } = useCampActions(camp.id);
  const around = useMemo(
    () => ({ kit: camp.kit, roofs: camp.roofs, pegs: camp.pegs, body: me.body, required: me.required }),
    [camp.kit, camp.roofs, camp.pegs, me.body, me.required],
  );
  const question: PitchQuestion = useMemo(() => ({ rig, around, units }), [rig, around, units]);
  const { judgement, problem } = usePitch(question, snapshot.moving);
  const edits = useMemo(() => editing(store, rig, around), [store, rig, around]);
  const put = useCallback((next: RidgeRig) => store.edit({ ...store.read().draft, document: next }), [store]);
  const move = useCallback((next: RidgeRig) => store.move({ ...store.read().draft, document: next }), [store]);
  const openFigure = useCallback((f: Figure) => setFigure(f), []);
  const named = search.get('view') ?? '';
  const view: RigView = named in RIG_VIEWS ? (named as RigView) : step === 'guy' ? 'above' : 'side';
  const caseId = search.get('case') ?? 'pitched';
  const panel = search.get('panel');
  /** Names what is shown in the address; null takes it out. */
  const show = useCallback(
    (key: 'view' | 'case' | 'panel' | 'with', value: string | null) =>
      setSearch(
        (old) => {
          const next = new URLSearchParams(old);
          if (value === null) next.delete(key);
          else next.set(key, value);
          return next;
        },
        { replace: key !== 'panel' || value === null },
      ),
    [setSearch],
  );

  const others = useMemo(
    () => camp.rigs.filter((r) => r.document.pitch !== undefined && r.id !== store.id),
    [camp.rigs, store.id],
  );
  const beside = panel === 'compare' ? others.find((r) => r.id === search.get('with')) : undefined;
  const besideQuestion = useMemo(
    () => (beside === undefined ? null : { rig: beside.document, around, units }),
    [beside, around, units],
  );
  const other = useOther(besideQuestion);

  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: snapshot.draft.name }],
    save: snapshot.save,
    undo: snapshot.canUndo ? () => store.undo() : null,
    redo: snapshot.canRedo ? () => store.redo() : null,
  });
  useEffect(() => {
    document.title = `${snapshot.draft.name}, Rough Bight`;
  }, [snapshot.draft.name]);

  const marks = pitchMarks(rig, judgement, me.body, units);
  const result = judgement?.pitch;
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
            <RigScene
              rig={rig}
              judgement={judgement}
              body={me.body}
              view={view}
              onView={(v) => show('view', v)}
              caseId={judgement?.full === true ? caseId : 'pitched'}
              chosen={chosen}
              beside={other?.result ?? null}
              onChoose={setChosen}
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
              {step === 'ridge' && <RidgeControls editing={edits} judgement={null} question={null} whole />}
              {step === 'hang' && (
                <>
                  <RoofControls editing={edits} roofs={camp.roofs} judgement={judgement} />
                  {PITCH_TRAITS[rig.pitch!.form].hangs === 'ridge' && <AlsoOnLine {...edits} />}
                  <p>
                    <button type="button" className="button" onClick={() => put(withoutRoof(rig))}>
                      Take the roof off
                    </button>
                  </p>
                </>
              )}
              {step === 'guy' && (
                <GuyControls
                  editing={edits}
                  pegs={camp.pegs}
                  place={camp.places.find((p) => p.id === rig.site?.place)?.document}
                  judgement={judgement}
                  chosen={chosen}
                  onChoose={setChosen}
                />
              )}
              {step === 'weather' && (
                <>
                  <PitchWeather
                    editing={edits}
                    judgement={judgement}
                    caseId={caseId}
                    onCase={(id) => show('case', id)}
                  />
                  <WeatherControls editing={edits} judgement={null} />
                </>
              )}
            </div>
          </main>
          <aside className="side" aria-label="Verdict and ledger">
            <SaveTrouble
              store={store}
              save={snapshot.save}
              copy={async (draft) => `/rigs/${(await addRig(draft)).id}/hang`}
            />
            {figure !== null ? (
              <WorkingPanel figure={figure} onClose={() => setFigure(null)} />
            ) : panel === 'size' ? (
              <PitchSize
                question={question}
                onTake={(next) => {
                  put(next);
                  show('panel', null);
                }}
                onClose={() => show('panel', null)}
              />
            ) : panel === 'compare' ? (
              <PitchCompare
                name={snapshot.draft.name}
                mine={judgement?.full === true ? result : undefined}
                others={others}
                chosen={beside}
                other={other}
                onChoose={(id) => show('with', id)}
                onClose={() => show('panel', null)}
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
                    <button type="button" className="button button-act" onClick={() => show('panel', 'size')}>
                      <Ruler size={16} aria-hidden="true" /> Size it
                    </button>
                    <button type="button" className="button" onClick={() => show('panel', 'compare')}>
                      Compare
                    </button>
                  </div>
                </section>
                <PitchLedger
                  judgement={judgement}
                  rule={rig.rule}
                  onRule={(rule) => put({ ...rig, rule })}
                  chosen={chosen}
                  onChoose={setChosen}
                />
                <section className="notes" aria-label="Cautions">
                  {result.warnings.map((w) => (
                    <p key={w}>{w}</p>
                  ))}
                  <p>
                    Cord:{' '}
                    {result.cords
                      .map((c) => `${say(c.wanted, 'length', units)} of ${c.name} (${say(c.have, 'length', units)})`)
                      .join(', ')}
                    . Not for climbing, lifting, rescue or highlines. Rated strengths are the maker’s; unknown cord is
                    unknown. Soil by feel is good to a factor of two. Local rules come first.
                  </p>
                </section>
                <SaveAs
                  id={store.id}
                  name={snapshot.draft.name}
                  judgement={judgement}
                  body={me.body}
                  caseId={judgement.full ? caseId : 'pitched'}
                />
              </>
            )}
          </aside>
        </div>
      </WorkingContext.Provider>
    </UnitsContext.Provider>
  );
}
