import { say } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Ruler } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useAround } from '../../data/around.js';
import { useCamp, useCampActions, useMe } from '../../data/camp.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useDocument, useSnapshot } from '../../data/use-document.js';
import { Loading, Trouble } from '../../parts/states.js';
import { SideScene } from '../../scene/side-scene.js';
import { useJudge } from '../../workers/use-judge.js';
import type { Judgement, PitchQuestion } from '../../workers/rig.worker.js';
import { BedControls } from './bed-controls.js';
import { BedReport } from './bed-report.js';
import { casesTogether } from './cases-together.js';
import { editing } from './editing.js';
import { GroundControls } from './ground-controls.js';
import { HangControls } from './hang-controls.js';
import { Ledger } from './ledger.js';
import { PitchBench } from './pitch-bench.js';
import { PitchLedger } from './pitch-ledger.js';
import { PitchRoof } from './pitch-roof.js';
import { RidgeControls } from './ridge-controls.js';
import { SizePanel } from './size-panel.js';
import { Cautions, Said, Uncomputed } from './said.js';
import { BENCH_NAMES, STEPS, benchSteps, marksOf } from './steps.js';
import type { Step } from './steps.js';
import { WeatherControls } from './weather-controls.js';
import { Workbench } from '../workbench.js';

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

/** The line's ledger without the trunks that carry a bed too: they stand in the bed's, under both. */
function withoutShared(judgement: Judgement): Judgement {
  const shared = new Set(judgement.bed?.trunks.map((t) => t.id.replace('trunk', 'trunk-')));
  if (shared.size === 0) return judgement;
  const { result } = judgement;
  return { ...judgement, result: { ...result, ledger: result.ledger.filter((j) => !shared.has(j.link.id)) } };
}

function Bench({ store, camp, me, step }: BenchProps): ReactElement {
  const snapshot = useSnapshot(store);
  const { document: rig } = snapshot.draft;
  const [search, setSearch] = useSearchParams();
  const units = me.units;
  const { addRig } = useCampActions(camp.id);
  const around = useAround(camp, me);
  const question: PitchQuestion = useMemo(() => ({ rig, around, units }), [rig, around, units]);
  const { judgement, problem, advice } = useJudge(question, snapshot.moving);
  const bedCase = search.get('bed') ?? 'lying';
  const showBed = useCallback((id: string) => setSearch({ bed: id }, { replace: true }), [setSearch]);
  const [chosen, setChosen] = useState<string | null>(null);
  const sizing = search.get('panel') === 'size';
  const setSizing = useCallback((on: boolean) => setSearch(on ? { panel: 'size' } : {}, { replace: !on }), [setSearch]);
  const edits = useMemo(() => editing(store, rig, around), [store, rig, around]);
  const put = useCallback((next: RidgeRig) => store.edit({ ...store.read().draft, document: next }), [store]);
  const move = useCallback((next: RidgeRig) => store.move({ ...store.read().draft, document: next }), [store]);

  const marks = marksOf(rig, problem === null ? judgement : null, me.body, units);
  const result = judgement?.result;
  return (
    <Workbench
      store={store}
      snapshot={snapshot}
      camp={camp}
      units={units}
      step={step}
      names={BENCH_NAMES}
      steps={benchSteps(store.id, marks)}
      copy={async (draft) => `/rigs/${(await addRig(draft)).id}/ridge`}
      scene={
        <SideScene
          rig={rig}
          judgement={judgement}
          kit={camp.kit}
          body={me.body}
          moving={snapshot.moving}
          onMove={move}
          onMoveEnd={() => store.endMove()}
          onNudge={put}
          bed={judgement?.bed?.shapes.find((s) => s.caseId === bedCase) ?? judgement?.bed?.shapes.at(-1) ?? null}
          straps={around.straps.find((s) => s.id === rig.bed?.straps) ?? null}
        />
      }
      under={
        <>
          {problem !== null && (
            <p className="field-problem under-problem" role="alert">
              {problem.message} The picture shows the last rig that could be worked out.
            </p>
          )}
          {step === 'ground' && <GroundControls {...edits} />}
          {step === 'ridge' && (
            <RidgeControls editing={edits} judgement={judgement} question={snapshot.moving ? null : question} />
          )}
          {step === 'guy' && (
            <p className="quiet">No roof is pitched on this line, so there is nothing to guy. Pitch one under Hang.</p>
          )}
          {step === 'hang' && (
            <>
              <PitchRoof rig={rig} camp={camp} body={me.body} onPitch={put} />
              <HangControls {...edits} />
            </>
          )}
          {step === 'bed' && (
            <BedControls
              rig={rig}
              around={around}
              bed={judgement?.bed ?? null}
              shown={bedCase}
              onShow={showBed}
              edit={edits.edit}
              put={put}
            />
          )}
          {step === 'weather' && <WeatherControls editing={edits} judgement={judgement} />}
        </>
      }
      side={
        sizing ? (
          <SizePanel
            question={question}
            current={rig.cord}
            onTake={(next) => {
              put(next);
              setSizing(false);
            }}
            onBring={put}
            onClose={() => setSizing(false)}
          />
        ) : problem !== null ? (
          <Uncomputed message={problem.message} />
        ) : judgement === null || result === undefined ? (
          <Loading what="the judgement" />
        ) : (
          <>
            <Said verdict={judgement.verdict}>
              <div className="verdict-buttons">
                {advice.slice(0, 2).map((a, i) => (
                  <button
                    key={a.id}
                    type="button"
                    className={i === 0 && step !== 'bed' ? 'button button-act' : 'button'}
                    title={a.sentence}
                    onClick={() => put(a.rig)}
                  >
                    {a.label}
                  </button>
                ))}
                <button
                  type="button"
                  className={advice.length === 0 && step !== 'bed' ? 'button button-act' : 'button'}
                  onClick={() => setSizing(true)}
                >
                  <Ruler size={16} aria-hidden="true" /> Size it
                </button>
              </div>
              {advice[0] !== undefined && <p className="quiet">{advice[0].sentence}</p>}
            </Said>
            {judgement.bed !== null && step === 'bed' && (
              <BedReport rig={judgement.rig} bed={judgement.bed} body={me.body} advice={[]} onTake={put} />
            )}
            <Ledger judgement={withoutShared(judgement)} rule={rig.rule} onRule={(rule) => put({ ...rig, rule })} />
            {judgement.bed !== null && (
              <PitchLedger
                title="The bed’s ledger"
                rows={judgement.bed.rows}
                cases={casesTogether([], judgement.bed)}
                full={judgement.bed.cases.length > 3}
                chosen={chosen}
                onChoose={setChosen}
              />
            )}
            <Cautions
              warnings={
                judgement.bed === null
                  ? result.warnings
                  : [...judgement.bed.refusals, ...judgement.bed.warnings, ...result.warnings]
              }
            >
              Cord in hand: {say(result.cordNeeded.value, 'length', units)} of {say(result.cordOnHand, 'length', units)}
              . Not for climbing, lifting, rescue or highlines. Rated strengths are the maker’s; unknown cord is
              unknown. Local rules come first.
            </Cautions>
          </>
        )
      }
    />
  );
}
