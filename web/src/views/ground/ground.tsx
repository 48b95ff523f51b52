import { Problem } from '../../parts/layout.js';
import { Button, Flex, Text } from '@chakra-ui/react';
import type { At, JudgedSpan, Place, ThingKind } from '@rough-bight/core/ground';
import { THINGS, freshThing, measuredFirst, placedByMeasures } from '@rough-bight/core/ground';
import { capital } from '@rough-bight/core/quantity';
import { freshRig, leeward, pitchedAsWished, rehung, rigAt } from '@rough-bight/core/rig';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import { useCampContext } from '../../data/context.js';
import { useCamp, useCampActions } from '../../data/camp.js';
import { deedsOf } from '../../data/deeds.js';
import { useMe } from '../../data/me.js';
import { unusedName } from '../../data/unused-name.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person, StoredRig } from '../../data/types.js';
import { useCalm } from '../../data/use-calm.js';
import { useDocument } from '../../data/use-document.js';
import { Loading, Trouble } from '../../parts/states.js';
import { GroundJudge, takeFile } from '../../workers/ground-judge.js';
import type { FileKind } from '../../workers/ground.worker.js';
import { GroundPlan } from './ground-plan.js';
import { Spans } from './spans.js';
import { GROUND_STEPS, groundMarks } from './steps.js';
import type { GroundStep } from './steps.js';
import { GroundRow } from './ground-row.js';
import { ThingControls, nextName } from './thing-controls.js';
import { Workbench } from '../workbench.js';

/** One place from above, by its address. */
export default function GroundView(): ReactElement {
  const { placeId, step } = useParams();
  const { store, error } = useDocument<Place>('place', placeId!);
  const camp = useCamp(store?.campId);
  const me = useMe();
  if (!GROUND_STEPS.includes(step as GroundStep))
    return <Navigate replace to={`/places/${encodeURIComponent(placeId!)}/look`} />;
  const failed = error ?? camp.error ?? me.error;
  if (failed !== undefined && (store === null || camp.data === undefined || me.data === undefined))
    return <Trouble error={failed as Error} />;
  if (store === null || camp.data === undefined || me.data === undefined) return <Loading what="the place" />;
  return <Ground key={store.id} store={store} camp={camp.data} me={me.data} step={step as GroundStep} />;
}

function Ground({
  store,
  camp,
  me,
  step,
}: {
  readonly store: DocumentStore<Place>;
  readonly camp: Camp;
  readonly me: Person;
  readonly step: GroundStep;
}): ReactElement {
  const navigate = useNavigate();
  // the plan follows the hand at every frame; what is read beside it follows at a reader's pace
  const snapshot = useCalm(store);
  const { document: place } = snapshot.draft;
  const [search, setSearch] = useSearchParams();
  const selected = search.get('thing');
  const open = search.get('span');
  const [putting, setPutting] = useState<ThingKind | null>(null);
  const [said, setSaid] = useState<{
    readonly text: string;
    readonly wrong: boolean;
    readonly back?: () => void;
  } | null>(null);
  const { addRig, changeRig, addPlace } = useCampActions(camp.id);
  const context = useCampContext(camp, me);
  const { units } = me;
  const [judge] = useState(() => new GroundJudge());
  const { judgement, problem, explained } = useCalm(judge);

  const edit = useCallback(
    (next: Place): null => {
      // what does not say who measured it was measured by whoever holds this device
      store.edit({ ...store.read().draft, document: measuredFirst(next, me) });
      return null;
    },
    [store, me],
  );
  const show = useCallback(
    (key: 'thing' | 'span', id: string | null) =>
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          if (id === null) next.delete(key);
          else next.set(key, id);
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );

  useEffect(() => {
    if (putting === null) return undefined;
    const stop = (e: KeyboardEvent): void => {
      if (e.key === 'Escape') setPutting(null);
    };
    addEventListener('keydown', stop);
    return () => removeEventListener('keydown', stop);
  }, [putting]);

  const put = useCallback(
    (kind: ThingKind, at: readonly [number, number]): void => {
      const { document: place } = store.read().draft;
      const ids = new Set(place.things.map((t) => t.id));
      let k = place.things.length + 1;
      while (ids.has(`${kind}-${k}`)) k++;
      const thing = freshThing(kind, `${kind}-${k}`, nextName(place, kind), [
        Math.round(at[0] * 100) / 100,
        Math.round(at[1] * 100) / 100,
      ]);
      edit({ ...place, things: [...place.things, thing] });
      show('thing', thing.id);
    },
    [store, edit, show],
  );
  const putHere = useCallback((at: At) => putting !== null && put(putting, at), [put, putting]);

  /** A new pole becomes a thing of the place before a rig stands on it. */
  const standing = (span: JudgedSpan): { readonly place: Place; readonly span: JudgedSpan } => {
    if (!span.newPole) return { place, span };
    const id = `pole-${span.from.id}`.slice(0, 60);
    const pole = {
      ...freshThing('pole', id, `pole by ${span.from.name}`.slice(0, 60), [
        Math.round(span.to.at[0] * 100) / 100,
        Math.round(span.to.at[1] * 100) / 100,
      ]),
    };
    const next = { ...place, things: [...place.things.filter((t) => t.id !== id), pole] };
    edit(next);
    return { place: next, span: { ...span, to: pole, newPole: false } };
  };
  const attempt = (work: Promise<unknown>): void => {
    setSaid(null);
    work.catch((error: unknown) => setSaid({ text: (error as Error).message, wrong: true }));
  };
  const startRig = async (chosen: JudgedSpan): Promise<void> => {
    const { place: ground, span: found } = standing(chosen);
    const span = leeward(ground, found, ground.wish.form);
    const cord = camp.kit.some((k) => k.id === place.wish.cord) ? place.wish.cord : camp.kit[0]!.id;
    const made = await addRig({
      name: unusedName(`${capital(span.from.name)} to ${span.to.name}`, camp.rigs),
      note: `Stands at ${snapshot.draft.name}.`.slice(0, 400),
      document: pitchedAsWished(ground, span, rigAt(ground, store.id, span, freshRig(cord), camp.pegs), {
        cords: camp.kit,
        roofs: camp.roofs,
        pegs: camp.pegs,
      }),
    });
    await navigate(`/rigs/${made.id}/ridge`);
  };
  const moveRig = async (rig: StoredRig, chosen: JudgedSpan): Promise<void> => {
    const { place: ground, span: found } = standing(chosen);
    const span = leeward(ground, found, rig.document.pitch?.form ?? 'none');
    await changeRig(rig, {
      ...rig,
      document: rehung(rigAt(ground, store.id, span, rig.document, camp.pegs), context),
    });
    setSaid({
      text: `${rig.name} now stands between ${span.from.name} and ${span.to.name}.`,
      wrong: false,
      back: () => attempt(Promise.resolve(deedsOf(camp.id).read().undo?.()).then(() => setSaid(null))),
    });
  };
  const take = async (file: File): Promise<void> => {
    const answer = await takeFile(kindOf(file.name), await file.text(), store.read().draft.document, units);
    if (!answer.ok) {
      setSaid({ text: `${file.name} was not taken. ${capital(answer.message)}. The place is as it was.`, wrong: true });
      return;
    }
    edit(answer.value.place);
    setSaid({ text: `${file.name}: ${answer.value.done}`, wrong: false });
  };
  const placeThem = (): void => {
    const survey = judgement?.survey;
    if (survey !== undefined && survey !== null) edit(placedByMeasures(place, survey.points));
  };

  const marks = groundMarks(place, judgement);
  const thing = place.things.find((t) => t.id === selected);
  const rigs = useMemo(
    () =>
      camp.rigs.flatMap((r) =>
        r.document.site?.place === store.id
          ? [{ name: r.name, from: r.document.site.from, to: r.document.site.to }]
          : [],
      ),
    [camp.rigs, store.id],
  );
  return (
    <Workbench
      store={store}
      snapshot={snapshot}
      camp={camp}
      units={units}
      names={NAMES}
      steps={{
        label: 'Steps of choosing the ground',
        marks: marks.map(({ step: id, ...m }) => ({
          ...m,
          id,
          to: { pathname: `/places/${store.id}/${id}`, search: search.toString() },
        })),
        words: { holds: 'done', fails: 'wants attention', none: 'nothing yet' },
      }}
      copy={async (draft) => `/places/${(await addPlace(draft)).id}/look`}
      scene={
        <GroundPlan
          {...{ store, judge, camp, me, rigs, selected, open, putting, show }}
          measuring={step === 'measure'}
          onPut={putHere}
          onNudge={edit}
        />
      }
      under={
        <GroundRow
          step={step}
          place={place}
          edit={edit}
          camp={camp}
          me={me}
          name={snapshot.draft.name}
          judgement={judgement}
          said={
            <>
              {problem !== null && (
                <Problem padding="4px 16px" role="alert">
                  {problem.message}
                </Problem>
              )}
              {said !== null && (
                <Flex
                  {...(said.wrong ? { textStyle: 'problem' } : {})}
                  align="center"
                  gap="14px"
                  padding="4px 16px"
                  role={said.wrong ? 'alert' : 'status'}
                >
                  {said.text}
                  {said.back !== undefined && (
                    <Button size="sm" onClick={said.back}>
                      Put it back
                    </Button>
                  )}
                </Flex>
              )}
              {putting !== null && (
                <Flex align="center" gap="14px" padding="4px 16px" fontWeight={700} role="status">
                  Touch the plan wherever a {THINGS[putting].name} is.
                  <Button size="sm" onClick={() => put(putting, [0, 0])}>
                    Put it in the middle
                  </Button>
                  <Button size="sm" onClick={() => setPutting(null)}>
                    No more
                  </Button>
                </Flex>
              )}
            </>
          }
          putting={putting}
          onPutting={setPutting}
          onSelect={(id) => show('thing', id)}
          onPlaceThem={placeThem}
          onFile={(file) => void take(file)}
        />
      }
      beside={
        thing !== undefined &&
        step === 'look' && (
          <ThingControls
            key={thing.id}
            place={place}
            edit={edit}
            thing={thing}
            body={me.body}
            onGone={() => show('thing', null)}
          />
        )
      }
      side={
        judgement === null ? (
          problem === null ? (
            <Loading what="the ranking" />
          ) : (
            <Text padding="10px 18px">
              Nothing can be ranked until that is put right. <Link to={`/places/${store.id}/choose`}>Open Choose</Link>
            </Text>
          )
        ) : (
          <Spans
            judgement={judgement}
            explained={explained}
            open={open}
            body={me.body}
            rigs={camp.rigs}
            onOpen={(id) => show('span', id)}
            onStart={(s) => attempt(startRig(s))}
            onMoveRig={(rig, s) => attempt(moveRig(rig, s))}
            onPlaceThem={placeThem}
          />
        )
      }
    />
  );
}

/** What stands in the middle and at the side. */
const NAMES = ['The place', 'Ranked spans'] as const;

/** What a file is, by the end of its name. */
const kindOf = (name: string): FileKind => (/\.gpx$/i.test(name) ? 'gpx' : /\.csv$/i.test(name) ? 'csv' : 'geojson');
