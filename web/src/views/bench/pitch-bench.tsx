import { say } from '@rough-bight/core/quantity';
import type { CaseKind } from '@rough-bight/core/cases';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import { rowsTogether } from '@rough-bight/core/shelter';
import { Ruler } from 'lucide-react';
import { memo, useCallback, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { useAround } from '../../data/around.js';
import { useCampActions } from '../../data/camp.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useSnapshot } from '../../data/use-document.js';
import { Loading } from '../../parts/states.js';
import { useCalm } from '../../parts/use-calm.js';
import { RIG_VIEWS, RigScene } from '../../scene/rig-scene.js';
import type { RigView } from '../../scene/rig-scene.js';
import type { PitchJudgement, PitchQuestion } from '../../workers/rig.worker.js';
import { useOther, usePitch, useRoofAdvice } from '../../workers/use-judge.js';
import { Workbench } from '../workbench.js';
import { BedControls } from './bed-controls.js';
import { BedReport } from './bed-report.js';
import { casesTogether } from './cases-together.js';
import { editing } from './editing.js';
import { GroundControls } from './ground-controls.js';
import { GuyControls } from './guy-controls.js';
import { OnLine } from './hang-controls.js';
import { PitchCompare } from './pitch-compare.js';
import { PitchLedger } from './pitch-ledger.js';
import { PitchSize } from './pitch-size.js';
import { PitchWeather } from './pitch-weather.js';
import { RidgeControls } from './ridge-controls.js';
import { RoofControls, withoutRoof } from './roof-controls.js';
import { Cautions, Said, Uncomputed } from './said.js';
import { SaveAs } from './save-as.js';
import { BENCH_NAMES, benchSteps, pitchMarks } from './steps.js';
import type { Step } from './steps.js';
import { WeatherControls } from './weather-controls.js';

/** What the address of a pitched rig names besides the step. */
type Shown = 'view' | 'case' | 'bed' | 'panel' | 'with';

interface Props {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly me: Person;
  readonly step: Step;
}

/** A rig with a roof pitched on it: the whole solved at once, seen from the side, from above or in depth. */
export function PitchBench({ store, camp, me, step }: Props): ReactElement {
  const snapshot = useSnapshot(store);
  const { document: rig } = snapshot.draft;
  const { moving } = snapshot;
  const [search, setSearch] = useSearchParams();
  const [chosen, setChosen] = useState<string | null>(null);
  const { units } = me;
  const { addRig } = useCampActions(camp.id);
  const around = useAround(camp, me);
  const question: PitchQuestion = useMemo(() => ({ rig, around, units }), [rig, around, units]);
  const { judgement, problem } = usePitch(question, moving);
  const put = useCallback((next: RidgeRig) => store.edit({ ...store.read().draft, document: next }), [store]);
  const move = useCallback((next: RidgeRig) => store.move({ ...store.read().draft, document: next }), [store]);
  const rest = useCallback(() => store.endMove(), [store]);
  const named = search.get('view') ?? '';
  const view: RigView = named in RIG_VIEWS ? (named as RigView) : step === 'guy' ? 'above' : 'side';
  const wanted = search.get('case') ?? 'pitched';
  // a group's name stands for the hardest case of it
  const caseId = judgement?.pitch.worst[wanted as CaseKind] ?? wanted;
  const bedCase = search.get('bed') ?? 'lying';
  const panel = search.get('panel');
  /** Names what is shown in the address; null takes it out. */
  const show = useCallback(
    (key: Shown, value: string | null) =>
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
  const showView = useCallback((v: RigView) => show('view', v), [show]);

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

  // the scene follows the hand at every frame; what is read beside it follows at a reader's pace
  const newest = useMemo(() => ({ question, judgement, problem }), [question, judgement, problem]);
  const calm = useCalm(newest, moving);
  const steps = useMemo(
    () =>
      benchSteps(
        store.id,
        pitchMarks(calm.question.rig, calm.problem === null ? calm.judgement : null, me.body, units),
      ),
    [store.id, calm, me.body, units],
  );
  return (
    <Workbench
      store={store}
      snapshot={snapshot}
      camp={camp}
      units={units}
      step={step}
      names={BENCH_NAMES}
      steps={steps}
      copy={async (draft) => `/rigs/${(await addRig(draft)).id}/hang`}
      scene={
        <RigScene
          rig={rig}
          judgement={judgement}
          stale={problem !== null}
          body={me.body}
          view={view}
          onView={showView}
          caseId={judgement?.full === true ? caseId : 'pitched'}
          chosen={chosen}
          bed={judgement?.bed?.shapes.find((s) => s.caseId === bedCase) ?? judgement?.bed?.shapes.at(-1) ?? null}
          straps={around.straps.find((s) => s.id === rig.bed?.straps) ?? null}
          beside={other?.judgement?.pitch ?? null}
          onChoose={setChosen}
          moving={moving}
          onMove={move}
          onMoveEnd={rest}
          onNudge={put}
        />
      }
      under={
        <Controls
          store={store}
          camp={camp}
          step={step}
          {...calm}
          chosen={chosen}
          onChoose={setChosen}
          caseId={caseId}
          bedCase={bedCase}
          show={show}
          put={put}
        />
      }
      side={
        panel === 'size' ? (
          <PitchSize
            question={question}
            onTake={(next) => {
              put(next);
              show('panel', null);
            }}
            onBring={put}
            onClose={() => show('panel', null)}
          />
        ) : panel === 'compare' ? (
          <PitchCompare
            name={snapshot.draft.name}
            mine={judgement?.full === true ? judgement : undefined}
            others={others}
            chosen={beside}
            other={other}
            onChoose={(id) => show('with', id)}
            onClose={() => show('panel', null)}
          />
        ) : calm.problem !== null ? (
          <Uncomputed message={calm.problem.message} />
        ) : calm.judgement === null ? (
          <Loading what="the judgement" />
        ) : (
          <Outcome
            id={store.id}
            step={step}
            bedCase={bedCase}
            name={snapshot.draft.name}
            question={calm.question}
            judgement={calm.judgement}
            caseId={caseId}
            chosen={chosen}
            onChoose={setChosen}
            show={show}
            put={put}
          />
        )
      }
    />
  );
}

interface Chosen {
  readonly caseId: string;
  readonly chosen: string | null;
  readonly onChoose: (row: string | null) => void;
  readonly show: (key: Shown, value: string | null) => void;
  readonly put: (rig: RidgeRig) => void;
}

/** The controls of the step that is open. */
const Controls = memo(function Controls({
  store,
  camp,
  step,
  question,
  judgement,
  problem,
  caseId,
  bedCase,
  chosen,
  onChoose,
  show,
  put,
}: Chosen & {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly step: Step;
  readonly question: PitchQuestion;
  readonly judgement: PitchJudgement | null;
  readonly bedCase: string;
  readonly problem: { readonly message: string } | null;
}): ReactElement {
  const { rig, around } = question;
  const edits = useMemo(() => editing(store, rig, around), [store, rig, around]);
  return (
    <>
      {problem !== null && (
        <p className="field-problem under-problem" role="alert">
          {problem.message} The picture shows the last rig that could be worked out, without its numbers.
        </p>
      )}
      {step === 'ground' && <GroundControls {...edits} />}
      {step === 'ridge' && <RidgeControls editing={edits} judgement={null} question={null} whole />}
      {step === 'hang' && (
        <>
          <RoofControls editing={edits} roofs={camp.roofs} judgement={judgement} />
          {PITCH_TRAITS[rig.pitch!.form].hangs === 'ridge' && <OnLine {...edits} title="Also on the line" />}
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
          onChoose={onChoose}
        />
      )}
      {step === 'bed' && (
        <BedControls
          rig={rig}
          around={around}
          bed={judgement?.bed ?? null}
          shown={bedCase}
          onShow={(id) => show('bed', id)}
          edit={edits.edit}
          put={put}
        />
      )}
      {step === 'weather' && (
        <>
          <PitchWeather editing={edits} judgement={judgement} caseId={caseId} onCase={(id) => show('case', id)} />
          <WeatherControls editing={edits} judgement={null} />
        </>
      )}
    </>
  );
});

/** What it comes to: the verdict, the ledger, what to beware of, and files. */
const Outcome = memo(function Outcome({
  id,
  name,
  step,
  bedCase,
  question,
  judgement,
  caseId,
  chosen,
  onChoose,
  show,
  put,
}: Chosen & {
  readonly id: string;
  readonly name: string;
  readonly step: Step;
  readonly bedCase: string;
  readonly question: PitchQuestion;
  readonly judgement: PitchJudgement;
}): ReactElement {
  const { rig, around, units } = question;
  const result = judgement.pitch;
  const { bed } = judgement;
  const advice = useRoofAdvice(bed !== null && step === 'bed' && judgement.full ? question : null);
  return (
    <>
      <Said verdict={judgement.verdict}>
        <div className="verdict-buttons">
          <button
            type="button"
            className={step === 'bed' ? 'button' : 'button button-act'}
            onClick={() => show('panel', 'size')}
          >
            <Ruler size={16} aria-hidden="true" /> Size it
          </button>
          <button type="button" className="button" onClick={() => show('panel', 'compare')}>
            Compare
          </button>
        </div>
      </Said>
      {bed !== null && step === 'bed' && (
        <BedReport rig={judgement.rig} bed={bed} body={around.body} advice={advice} onTake={put} />
      )}
      <PitchLedger
        rows={bed === null ? result.rows : rowsTogether(result.rows, bed.rows)}
        cases={casesTogether(result.cases, bed)}
        full={judgement.full}
        rule={rig.rule}
        onRule={(rule) => put({ ...rig, rule })}
        chosen={chosen}
        onChoose={onChoose}
      />
      <Cautions warnings={bed === null ? result.warnings : [...bed.refusals, ...bed.warnings, ...result.warnings]}>
        Cord:{' '}
        {result.cords
          .map((c) => `${say(c.wanted, 'length', units)} of ${c.name} (${say(c.have, 'length', units)})`)
          .join(', ')}
        . Not for climbing, lifting, rescue or highlines. Rated strengths are the maker’s; unknown cord is unknown. Soil
        by feel is good to a factor of two. Local rules come first.
      </Cautions>
      <SaveAs
        id={id}
        name={name}
        judgement={judgement}
        body={around.body}
        caseId={judgement.full ? caseId : 'pitched'}
        bed={bed?.shapes.find((s) => s.caseId === bedCase) ?? bed?.shapes.at(-1) ?? null}
      />
    </>
  );
});
