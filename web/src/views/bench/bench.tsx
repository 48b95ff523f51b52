import type { GuyReport } from '@rough-bight/core/pitch';
import type { RidgeRig } from '@rough-bight/core/rig';
import { inWeather, pacedFirst } from '@rough-bight/core/rig';
import { Suspense, lazy, useCallback, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { useRigContext } from '../../data/context.js';
import { useCamp, useCampActions } from '../../data/camp.js';
import { useMe } from '../../data/me.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useDocument } from '../../data/use-document.js';
import { Loading, Trouble } from '../../parts/states.js';
import { useCalm } from '../../data/use-calm.js';
import type { Spot } from '../../scene/flat/flat-scene.js';
import type { RigGrip } from '../../scene/moved.js';
import { RIG_VIEWS, SceneFrame } from '../../scene/rig-scene.js';
import type { RigView } from '../../scene/rig-scene.js';
import { Judge } from '../../workers/judge.js';
import { Posed } from './weather/posed.js';
import { isRoof, roofOf } from '../../workers/report.js';
import { useOther } from '../../workers/use-judge.js';
import { Workbench } from '../workbench.js';
import { BenchScene, caseOf } from './bench-scene.js';
import { Controls } from './controls.js';
import { editing } from './editing.js';
import { thingOfGrip, thingOfRow } from './things.js';
import type { Touched } from './things.js';
import { useVersion } from '../../data/versions.js';
import type { Shown } from './controls.js';
import { Outcome } from './outcome.js';
import { Uncomputed } from './said.js';
import { SeenNote } from './seen-note.js';
import { BENCH_NAMES, STEPS, benchSteps, marksOf } from './steps.js';
import type { Step } from './steps.js';

// panels that are opened by a touch
const PitchCompare = lazy(() => import('./pitch-compare.js').then((m) => ({ default: m.PitchCompare })));
const PitchSize = lazy(() => import('./pitch-size.js').then((m) => ({ default: m.PitchSize })));
const TouchedThing = lazy(() => import('./touched.js'));
const Versions = lazy(() => import('./versions.js').then((m) => ({ default: m.Versions })));
const DryPanel = lazy(() => import('./weather/dry.js').then((m) => ({ default: m.DryPanel })));
const GustPanel = lazy(() => import('./weather/gusts.js').then((m) => ({ default: m.GustPanel })));
const LadderPanel = lazy(() => import('./weather/ladder.js').then((m) => ({ default: m.LadderPanel })));
const NightPanel = lazy(() => import('./weather/night.js').then((m) => ({ default: m.NightPanel })));
const SurePanel = lazy(() => import('./weather/sure.js').then((m) => ({ default: m.SurePanel })));
const TrimPanel = lazy(() => import('./trim.js').then((m) => ({ default: m.TrimPanel })));
const SizePanel = lazy(() => import('./size-panel.js').then((m) => ({ default: m.SizePanel })));

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
  return <Bench key={store.id} store={store} camp={camp.data} me={me.data} step={step as Step} />;
}

/** What the address says of a rig besides its step, and how to say it. */
function useShown(): {
  readonly search: URLSearchParams;
  readonly show: (key: Shown, value: string | null) => void;
  /** Some at once. */
  readonly showAll: (shown: Partial<Record<Shown, string | null>>) => void;
} {
  const [search, setSearch] = useSearchParams();
  const showAll = useCallback(
    (shown: Partial<Record<Shown, string | null>>) =>
      setSearch(
        (old) => {
          const next = new URLSearchParams(old);
          for (const [key, value] of Object.entries(shown)) {
            if (value === null) next.delete(key);
            else next.set(key, value);
          }
          return next;
        },
        // what is opened is a place to come back from
        { replace: typeof shown.panel !== 'string' },
      ),
    [setSearch],
  );
  const show = useCallback((key: Shown, value: string | null) => showAll({ [key]: value }), [showAll]);
  return { search, show, showAll };
}

/** A rig being worked on: its line, whatever is pitched and hung on it, and what all of it comes to. */
function Bench({
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
  // the scene follows the hand at every frame; what is read beside it follows at a reader's pace
  const snapshot = useCalm(store);
  const first = snapshot.draft.document;
  const firstContext = useRigContext(camp, me, first);
  const { units } = me;
  const [judge] = useState(() => new Judge({ rig: first, context: firstContext, units }));
  const [posed] = useState(() => new Posed());
  const { question, report, problem, advice, moving } = useCalm(judge);
  const { rig, context } = question;
  const { search, show, showAll } = useShown();
  const [chosen, setChosen] = useState<string | null>(null);
  const { addRig } = useCampActions(camp.id);
  // a count of paces that does not say whose they are is of whoever holds this device
  const put = useCallback(
    (next: RidgeRig) => store.edit({ ...store.read().draft, document: pacedFirst(next, me) }),
    [store, me],
  );
  const pitched = rig.pitch !== undefined;
  const named = search.get('view') ?? '';
  const view: RigView = named in RIG_VIEWS ? (named as RigView) : step === 'guy' && pitched ? 'above' : 'side';
  const wanted = search.get('case') ?? 'pitched';
  const caseId = caseOf(report?.roof, wanted);
  const bedCase = search.get('bed') ?? 'lying';
  const panel = search.get('panel');
  const showView = useCallback((v: RigView) => show('view', v), [show]);

  const others = useMemo(
    () => camp.rigs.filter((r) => r.document.pitch !== undefined && r.id !== store.id),
    [camp.rigs, store.id],
  );
  // another rig of the camp, or this one as it was
  const was = useVersion(store.id, panel === 'compare' ? search.get('was') : null).data;
  const withId = search.get('with');
  const beside = useMemo(() => {
    if (panel !== 'compare') return undefined;
    return was !== undefined
      ? { id: '', name: was.called === '' ? `${was.name} as it was` : was.called, document: was.document }
      : others.find((r) => r.id === withId);
  }, [panel, was, others, withId]);
  const besideContext = useRigContext(camp, me, beside?.document ?? rig);
  // what it would be in the weather of this one
  const shared = search.get('weather') !== 'own';
  const { wind, sway } = rig;
  const { windFrom, snow, without, gusts } = rig.pitch ?? {};
  const besideQuestion = useMemo(() => {
    if (beside === undefined) return null;
    const { document } = beside;
    const there = shared ? inWeather(document, { wind, sway, windFrom, snow, without, gusts }) : document;
    return { rig: there, context: besideContext, units };
  }, [beside, besideContext, units, shared, wind, sway, windFrom, snow, without, gusts]);
  const other = useOther(besideQuestion);

  const steps = useMemo(
    () => benchSteps(store.id, marksOf(rig, problem === null ? report : null, context.body, units)),
    [store.id, rig, problem, report, context.body, units],
  );
  const picked = { caseId, bedCase, chosen, onChoose: setChosen, show, put };
  const edits = useMemo(() => editing(rig, context, units, put), [rig, context, units, put]);
  const [touched, setTouched] = useState<Touched | null>(null);
  const roof = roofOf(report);
  // judged in every wind: what a night is thought through from
  const weathered = roof !== null && roof.full && problem === null ? roof : null;
  const onlyBed = !pitched && rig.bed !== undefined && report !== null && problem === null;
  // what is touched is looked up in the report as it is then
  const onLine = useCallback(
    (row: string | null, { x, y }: Spot) => {
      setChosen(row);
      const now = judge.read().report;
      const member = row === null ? undefined : now?.rows.find((r) => r.id === row);
      const thing = member === undefined ? null : thingOfRow(member, roofOf(now));
      setTouched(thing === null ? null : { thing, from: null, at: { x, y, width: 0, height: 0 } });
    },
    [judge],
  );
  const onGrip = useCallback(
    (grip: RigGrip, on: Element) => {
      const thing = thingOfGrip(grip, roofOf(judge.read().report));
      if (thing?.is === 'guy') setChosen(thing.row);
      setTouched(thing === null ? null : { thing, from: on, at: on.getBoundingClientRect() });
    },
    [judge],
  );
  const onGuy = useCallback((guy: GuyReport, on: Element) => {
    setChosen(guy.id);
    setTouched({ thing: { is: 'guy', row: guy.id }, from: on, at: on.getBoundingClientRect() });
  }, []);
  const take = (next: RidgeRig): void => {
    put(next);
    show('panel', null);
  };
  const close = (): void => show('panel', null);
  const takeAll = (stages: readonly RidgeRig[]): void => {
    stages.forEach(put);
    close();
  };
  return (
    <Workbench
      store={store}
      snapshot={snapshot}
      camp={camp}
      units={units}
      names={BENCH_NAMES}
      steps={steps}
      copy={async (draft) => `/rigs/${(await addRig(draft)).id}/${pitched ? 'hang' : 'ridge'}`}
      scene={
        <SceneFrame view={view} onView={showView}>
          <BenchScene
            {...{ store, judge, posed, camp, me, view, wanted, bedCase, chosen, onLine, onGrip }}
            onView={showView}
            beside={other?.report?.roof ?? null}
            onPut={put}
          />
          {view === 'above' && report !== null && problem === null && <SeenNote {...{ rig, report }} />}
        </SceneFrame>
      }
      under={
        <>
          <Controls
            editing={edits}
            camp={camp}
            step={step}
            {...{ question, report, problem, moving, caseId, bedCase, chosen, show, put, onGuy }}
          />
          <Suspense fallback={null}>
            {touched !== null && (
              <TouchedThing
                touched={touched}
                editing={edits}
                pegs={camp.pegs}
                report={roof}
                bed={
                  rig.bed === undefined
                    ? null
                    : {
                        rig,
                        context,
                        bed: report?.bed ?? null,
                        guys: roof?.roof.guys ?? [],
                        shown: bedCase,
                        onShow: (id) => show('bed', id),
                        edit: edits.edit,
                        put,
                      }
                }
                onClose={() => setTouched(null)}
              />
            )}
          </Suspense>
        </>
      }
      wrong={problem !== null}
      side={
        <Suspense fallback={<Loading what="the panel" />}>
          {panel === 'size' && pitched ? (
            <PitchSize question={question} onTake={takeAll} onBring={put} onClose={close} />
          ) : panel === 'size' ? (
            <SizePanel question={question} current={rig.cord} onTake={take} onBring={put} onClose={close} />
          ) : panel === 'versions' ? (
            <Versions
              rigId={store.id}
              saved={snapshot.save.kind === 'saved' ? store.savedVersion : null}
              onBeside={pitched ? (version) => showAll({ panel: 'compare', was: String(version), with: null }) : null}
              onBack={take}
              onClose={close}
            />
          ) : panel === 'compare' && pitched ? (
            <PitchCompare
              name={snapshot.draft.name}
              mine={report?.full === true && isRoof(report) ? report : undefined}
              context={context}
              others={others}
              chosen={beside}
              other={other}
              shared={shared}
              onShared={(on) => show('weather', on ? null : 'own')}
              onChoose={(id) => showAll({ with: id, was: null })}
              onClose={() => showAll({ panel: null, was: null })}
            />
          ) : panel === 'sure' && report?.full === true && problem === null ? (
            <SurePanel key={JSON.stringify(question.rig)} question={question} rows={report.rows} onClose={close} />
          ) : panel === 'night' && weathered !== null ? (
            <NightPanel
              key={JSON.stringify(question.rig)}
              {...{ id: store.id, name: snapshot.draft.name, question, report: weathered }}
              onTake={put}
              onClose={close}
            />
          ) : panel === 'trim' && weathered !== null ? (
            <TrimPanel key={JSON.stringify(question.rig)} question={question} onTake={put} onClose={close} />
          ) : panel === 'gusts' && weathered !== null ? (
            <GustPanel {...{ question, posed }} rose={weathered.roof.rose} onClose={close} />
          ) : panel === 'dry' && weathered !== null ? (
            <DryPanel
              key={JSON.stringify(question.rig)}
              {...{ question, report: weathered }}
              onTake={put}
              onClose={close}
            />
          ) : panel === 'ladder' && (weathered !== null || onlyBed) ? (
            <LadderPanel
              {...{ question, posed }}
              rose={weathered?.roof.rose ?? []}
              onTake={put}
              onSize={() => show('panel', 'size')}
              onClose={close}
            />
          ) : problem !== null ? (
            <Uncomputed message={problem.message} />
          ) : report === null ? (
            <Loading what="the judgement" />
          ) : (
            <Outcome
              id={store.id}
              name={snapshot.draft.name}
              step={step}
              question={question}
              report={report}
              advice={advice}
              {...picked}
            />
          )}
        </Suspense>
      }
    />
  );
}
