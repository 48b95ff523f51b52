import { Button, IconButton } from '@chakra-ui/react';
import type { Place } from '@rough-bight/core/ground';
import { kindOf } from '@rough-bight/core/ground';
import { tell } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Copy, FileInput, Plus, Trash2 } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions, useCamps } from '../../data/camp.js';
import { useMe } from '../../data/me.js';
import { unusedName } from '../../data/unused-name.js';
import { useRigContext } from '../../data/context.js';
import type { Camp, Person, StoredPlace, StoredRig } from '../../data/types.js';
import { Wave } from '../../parts/marks.js';
import { KindIcon } from '../../parts/plan-marks.js';
import { Loading, Trouble } from '../../parts/states.js';
import { useVerdict } from '../../workers/use-judge.js';
import { freshPlace } from '../ground/fresh-place.js';
import { freshRig } from './fresh-rig.js';
import { FileChoice } from '../../parts/file-choice.js';

/** The first camp there is. */
export function FirstCamp(): ReactElement {
  const { data, error } = useCamps();
  if (error !== undefined) return <Trouble error={error as Error} />;
  if (data === undefined) return <Loading what="the camp" />;
  return data[0] === undefined ? (
    <Trouble error={new Error('There is no camp in the data.')} />
  ) : (
    <Navigate replace to={`/camps/${data[0].id}`} />
  );
}

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
  const { addRig, removeRig, takeInRig, addPlace, removePlace } = useCampActions(camp.id);
  const [problem, setProblem] = useState<string | null>(null);
  const [removed, setRemoved] = useState<StoredRig | null>(null);
  const [gone, setGone] = useState<StoredPlace | null>(null);
  useShell({ crumbs: [{ name: camp.name }] });
  useEffect(() => {
    document.title = `${camp.name}, Rough Bight`;
  }, [camp.name]);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
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
    <main className="page camp">
      <h1>{camp.name}</h1>
      <p className="page-lead">{camp.about}</p>
      {problem !== null && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {removed !== null && (
        <p className="taken" role="status">
          {removed.name} was taken down.{' '}
          <Button
            onClick={() => {
              attempt(addRig({ name: removed.name, note: removed.note, document: removed.document }));
              setRemoved(null);
            }}
          >
            Put it back
          </Button>
        </p>
      )}
      <h2 className="page-head">Ground</h2>
      {camp.places.length === 0 && (
        <p>No place is drawn yet. Begin one where you stand: the trees, what hangs over them, where water runs.</p>
      )}
      {camp.places.length > 0 && (
        <ul className="rigs places">
          {camp.places.map((place) => (
            <li key={place.id} className="rig-row place-row">
              <KindIcon kind="tree" />
              <div className="rig-words">
                <Link to={`/places/${place.id}/choose`} className="rig-name">
                  {place.name}
                </Link>
                <p>{place.note}</p>
              </div>
              <p className="rig-verdict">
                <b>{anchorsOf(place)} anchors</b>{' '}
                <span className="quiet">
                  {rigsAt(place.id) === 0
                    ? 'no rig stands here'
                    : rigsAt(place.id) === 1
                      ? 'one rig stands here'
                      : `${rigsAt(place.id)} rigs stand here`}
                </span>
              </p>
              <span className="rig-tools">
                <IconButton
                  variant="ghost"
                  aria-label={`Copy ${place.name}`}
                  onClick={() => attempt(startPlace(`${place.name}, again`.slice(0, 80), place.note, place.document))}
                >
                  <Copy size={18} />
                </IconButton>
                <IconButton
                  variant="ghost"
                  aria-label={`Delete ${place.name}`}
                  onClick={() => attempt(removePlace(place.id).then(() => setGone(place)))}
                >
                  <Trash2 size={18} />
                </IconButton>
              </span>
            </li>
          ))}
        </ul>
      )}
      {gone !== null && (
        <p className="taken" role="status">
          {gone.name} was deleted.{' '}
          <Button
            onClick={() => {
              attempt(addPlace({ name: gone.name, note: gone.note, document: gone.document }));
              setGone(null);
            }}
          >
            Put it back
          </Button>
        </p>
      )}
      <p>
        <Button onClick={() => attempt(startPlace('New place', '', freshPlace(camp.kit[0]?.id ?? '')))}>
          <Plus size={16} aria-hidden="true" /> New place
        </Button>
      </p>
      <h2 className="page-head page-head-next">Rigs</h2>
      {camp.rigs.length > 0 && (
        <p className="quiet page-try">
          Open one and take hold of any marigold dot: the line, the forces and the ledger follow your hand.
        </p>
      )}
      {camp.rigs.length === 0 && (
        <p>No rig stands here yet. Begin one: pick two trees, a cord and a height, and it is judged as you go.</p>
      )}
      <ul className="rigs">
        {camp.rigs.map((rig) => (
          <RigRow
            key={rig.id}
            rig={rig}
            camp={camp}
            me={me}
            onCopy={() => attempt(start(`${rig.name}, again`.slice(0, 80), rig.note, rig.document))}
            onRemove={() => {
              attempt(removeRig(rig.id).then(() => setRemoved(rig)));
            }}
          />
        ))}
      </ul>
      <Button
        variant="solid"
        disabled={camp.kit.length === 0}
        onClick={() => attempt(start('New ridgeline', '', freshRig(camp.kit[0]!.id)))}
      >
        <Plus size={16} aria-hidden="true" /> New ridgeline
      </Button>
      <FileChoice accept=".json,application/json" onFile={(file) => attempt(takeIn(file))}>
        <FileInput size={16} aria-hidden="true" /> Take in a rig file
      </FileChoice>
      {camp.kit.length === 0 && (
        <p>
          A rig needs cord: <Link to="/kit">put a hank into the kit</Link> first.
        </p>
      )}
      <p className="caution">
        Look up before you stand under anything. <Link to="/cautions">All cautions</Link>
      </p>
    </main>
  );
}

function RigRow({
  rig,
  camp,
  me,
  onCopy,
  onRemove,
}: {
  readonly rig: StoredRig;
  readonly camp: Camp;
  readonly me: Person;
  readonly onCopy: () => void;
  readonly onRemove: () => void;
}): ReactElement {
  const context = useRigContext(camp, me);
  const question = useMemo(() => ({ rig: rig.document, context, units: me.units }), [rig.document, context, me.units]);
  const verdict = useVerdict(question);
  return (
    <li className="rig-row">
      <Wave state={verdict === null ? 'none' : verdict.holds ? 'holds' : 'fails'} />
      <div className="rig-words">
        <Link
          to={`/rigs/${rig.id}/${rig.document.bed !== undefined ? 'bed' : rig.document.pitch === undefined ? 'ridge' : 'guy'}`}
          className="rig-name"
        >
          {rig.name}
        </Link>
        <p>{rig.note}</p>
      </div>
      <p className="rig-verdict">
        <b>{verdict === null ? 'Judging…' : tell(verdict.sentence, me.units)}</b>{' '}
        <span className="quiet">{verdict !== null && tell(verdict.detail, me.units)}</span>
      </p>
      <span className="rig-tools">
        <IconButton variant="ghost" aria-label={`Copy ${rig.name}`} onClick={onCopy}>
          <Copy size={18} />
        </IconButton>
        <IconButton variant="ghost" aria-label={`Take down ${rig.name}`} onClick={onRemove}>
          <Trash2 size={18} />
        </IconButton>
      </span>
    </li>
  );
}
