import { Buttons, Caution, Page, Problem } from '../../parts/layout.js';
import { Button, chakra, Span, Text } from '@chakra-ui/react';
import type { Place } from '@rough-bight/core/ground';
import { kindOf } from '@rough-bight/core/ground';
import { tell } from '@rough-bight/core/quantity';
import { freshRig } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { FileInput, GraduationCap, Plus, Scissors } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { deedsInBar, useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions } from '../../data/camp.js';
import { useDeeds } from '../../data/deeds.js';
import { useMe } from '../../data/me.js';
import { Sortable, useRow } from '../../parts/sortable.js';
import { unusedName } from '../../data/unused-name.js';
import { useRigContext } from '../../data/context.js';
import type { Camp, Person, StoredPlace, StoredRig } from '../../data/types.js';
import { Wave } from '../../parts/marks.js';
import { KindIcon } from '../../parts/plan-marks.js';
import { Empty, Loading, Trouble } from '../../parts/states.js';
import { useVerdict } from '../../workers/verdicts.js';
import { CampRow } from './row.js';
import { Age } from '../../parts/age.js';
import type { Verdict } from '@rough-bight/core/words';
import { freshPlace } from '../ground/fresh-place.js';
import { FileChoice } from '../../parts/file-choice.js';

export function CampView(): ReactElement {
  const { campId } = useParams();
  const camp = useCamp(campId);
  const me = useMe();
  const failed = (camp.error ?? me.error) as Error | undefined;
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what="the camp" />;
  return <CampPage camp={camp.data} me={me.data} />;
}

function CampPage({ camp, me }: { readonly camp: Camp; readonly me: Person }): ReactElement {
  const navigate = useNavigate();
  const { addRig, changeRig, removeRig, takeInRig, addPlace, changePlace, removePlace, orderRigs, keepVerdict } =
    useCampActions(camp.id);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    document.title = `${camp.name}, Rough Bight`;
  }, [camp.name]);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  useShell({
    crumbs: [{ name: 'Camps', to: '/camps' }, { name: camp.name }],
    ...deedsInBar(useDeeds(camp.id), attempt),
  });
  const rigsAt = (id: string): number => camp.rigs.filter((r) => r.document.site?.place === id).length;
  const anchorsOf = (p: StoredPlace): number => p.document.things.filter((t) => kindOf(t).ends).length;
  const startPlace = async (name: string, note: string, document: Place): Promise<void> => {
    const made = await addPlace({ name: unusedName(name, camp.places), note, document });
    await navigate(`/places/${made.id}/look`);
  };
  const takeIn = async (file: File): Promise<void> => {
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      throw new Error(`${file.name} is not a rig file: it is not JSON. Choose a file that ends in .rig.json.`);
    }
    const made = await takeInRig(content);
    await navigate(`/rigs/${made.id}/hang`);
  };
  const start = async (name: string, note: string, document: RidgeRig): Promise<void> => {
    const made = await addRig({ name: unusedName(name, camp.rigs), note, document });
    await navigate(`/rigs/${made.id}/ridge`);
  };
  return (
    <Page>
      <h1>{camp.name}</h1>
      <Text textStyle="lead" marginBottom="14px">
        {camp.about}
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      <chakra.h2 marginBottom="6px">Ground</chakra.h2>
      {camp.places.length === 0 && (
        <Empty>
          No place is drawn yet. Begin one where you stand: the trees, what hangs over them, where water runs.
        </Empty>
      )}
      {camp.places.length > 0 && (
        <chakra.ul borderTop="1.5px solid" borderColor="ink" marginBottom="16px">
          {camp.places.map((place) => (
            <CampRow
              key={place.id}
              sign={<KindIcon kind="tree" />}
              name={place.name}
              note={place.note}
              to={`/places/${place.id}/choose`}
              removes="Delete"
              onRename={(name, note) => attempt(changePlace(place, { ...place, name, note }))}
              onCopy={() => attempt(startPlace(`${place.name}, again`.slice(0, 80), place.note, place.document))}
              onRemove={() => attempt(removePlace(place))}
            >
              <b>{anchorsOf(place)} anchors</b>{' '}
              <Span textStyle="quiet">
                {rigsAt(place.id) === 0
                  ? 'no rig stands here'
                  : rigsAt(place.id) === 1
                    ? 'one rig stands here'
                    : `${rigsAt(place.id)} rigs stand here`}
              </Span>
            </CampRow>
          ))}
        </chakra.ul>
      )}
      <p>
        <Button onClick={() => attempt(startPlace('New place', '', freshPlace(camp.kit[0]?.id ?? '')))}>
          <Plus size={16} aria-hidden="true" /> New place
        </Button>
      </p>
      <chakra.h2 marginBottom="6px" marginTop="26px">
        Rigs
      </chakra.h2>
      {camp.rigs.length > 0 && (
        <Text textStyle="quiet" marginBottom="8px">
          Open one and take hold of any round handle: the line, the forces and the ledger follow your hand.
        </Text>
      )}
      {camp.rigs.length === 0 && (
        <Empty>
          No rig stands here yet. Begin one: pick two trees, a cord and a height, and it is judged as you go.
        </Empty>
      )}
      <Sortable things={camp.rigs} onOrder={(ids) => attempt(orderRigs(ids))}>
        <chakra.ul
          aria-label="Rigs"
          {...(camp.rigs.length > 0 ? { borderTop: '1.5px solid' } : {})}
          borderColor="ink"
          marginBottom="16px"
        >
          {camp.rigs.map((rig) => (
            <RigRow
              key={rig.id}
              rig={rig}
              camp={camp}
              me={me}
              onKeep={(of, verdict) => keepVerdict(rig.id, of, verdict)}
              onRename={(name, note) => attempt(changeRig(rig, { ...rig, name, note }))}
              onCopy={() => attempt(start(`${rig.name}, again`.slice(0, 80), rig.note, rig.document))}
              onRemove={() => attempt(removeRig(rig))}
            />
          ))}
        </chakra.ul>
      </Sortable>
      <Buttons marginBottom="8px">
        <Button variant="solid" asChild>
          <Link to={`/camps/${camp.id}/new`}>
            <Plus size={16} aria-hidden="true" /> New rig
          </Link>
        </Button>
        <Button
          disabled={camp.kit.length === 0}
          onClick={() => attempt(start('New ridgeline', '', freshRig(camp.kit[0]!.id)))}
        >
          A bare line
        </Button>
        {camp.rigs.length > 0 && (
          <Button asChild>
            <Link to={`/camps/${camp.id}/cord`}>
              <Scissors size={16} aria-hidden="true" /> Cord for tonight
            </Link>
          </Button>
        )}
        {camp.rigs.length > 0 && (
          <Button asChild>
            <Link to={`/camps/${camp.id}/drills`}>
              <GraduationCap size={16} aria-hidden="true" /> Drills
            </Link>
          </Button>
        )}
        <FileChoice accept=".json,application/json" onFile={(file) => attempt(takeIn(file))}>
          <FileInput size={16} aria-hidden="true" /> Take in a rig file
        </FileChoice>
      </Buttons>
      {camp.kit.length === 0 && (
        <p>
          A rig needs cord: <Link to="/kit">put a hank into the kit</Link> first.
        </p>
      )}
      <Caution>
        Look up before you stand under anything. <Link to="/cautions">All cautions</Link>
      </Caution>
    </Page>
  );
}

function RigRow({
  rig,
  camp,
  me,
  onKeep,
  ...deeds
}: {
  readonly rig: StoredRig;
  readonly camp: Camp;
  readonly me: Person;
  readonly onKeep: (of: string, verdict: Verdict) => void;
  readonly onRename: (name: string, note: string) => void;
  readonly onCopy: () => void;
  readonly onRemove: () => void;
}): ReactElement {
  const { document: rig_ } = rig;
  const context = useRigContext(camp, me, rig_);
  const question = useMemo(() => ({ rig: rig_, context, units: me.units }), [rig_, context, me.units]);
  const told = useVerdict(
    question,
    camp.verdicts.find((v) => v.rigId === rig.id),
    onKeep,
  );
  const { ref, style, grip } = useRow(rig);
  // what was made of it before a change is no longer true of it
  const now = told === null || told.old ? null : told.verdict;
  return (
    <CampRow
      rowRef={ref}
      style={style}
      grip={grip}
      sign={<Wave state={now === null ? 'none' : now.holds ? 'holds' : 'fails'} />}
      name={rig.name}
      note={rig.note}
      to={`/rigs/${rig.id}/${rig_.bed !== undefined ? 'bed' : rig_.pitch === undefined ? 'ridge' : 'guy'}`}
      removes="Delete"
      {...deeds}
    >
      {told === null ? (
        <b>Judging…</b>
      ) : told.old ? (
        <>
          <b>Judged anew…</b>{' '}
          <Span textStyle="quiet">
            before it changed, <Age of={told.madeAt} />: {tell(told.verdict.sentence, me.units)}
          </Span>
        </>
      ) : (
        <>
          <b>{tell(told.verdict.sentence, me.units)}</b>{' '}
          <Span textStyle="quiet">
            {tell(told.verdict.detail, me.units)} Judged <Age of={told.madeAt} />.
          </Span>
        </>
      )}
    </CampRow>
  );
}
