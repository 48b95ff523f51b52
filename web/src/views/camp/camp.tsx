import { evaluateRidge, verdictOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Copy, Plus, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions, useCamps, useMe } from '../../data/camp.js';
import type { Camp, Person, StoredRig } from '../../data/types.js';
import { Wave } from '../../parts/marks.js';
import { Loading, Trouble } from '../../parts/states.js';
import { freshRig } from './fresh-rig.js';

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
  const { addRig, removeRig } = useCampActions(camp.id);
  const [problem, setProblem] = useState<string | null>(null);
  const [removed, setRemoved] = useState<StoredRig | null>(null);
  useShell({ crumbs: [{ name: camp.name }] });
  useEffect(() => {
    document.title = `${camp.name}, Rough Bight`;
  }, [camp.name]);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  const start = async (name: string, note: string, document: RidgeRig): Promise<void> => {
    const made = await addRig({ name, note, document });
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
          <button
            type="button"
            className="button"
            onClick={() => {
              attempt(addRig({ name: removed.name, note: removed.note, document: removed.document }));
              setRemoved(null);
            }}
          >
            Put it back
          </button>
        </p>
      )}
      <h2 className="page-head">Rigs</h2>
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
      <button
        type="button"
        className="button button-act"
        disabled={camp.kit.length === 0}
        onClick={() => attempt(start('New ridgeline', '', freshRig(camp.kit[0]!.id)))}
      >
        <Plus size={16} aria-hidden="true" /> New ridgeline
      </button>
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
  const [verdict, setVerdict] = useState<{ holds: boolean; sentence: string; detail: string } | null>(null);
  useEffect(() => {
    // one quick judgement a row, after the page has been shown
    const timer = setTimeout(() => {
      try {
        const around = { kit: camp.kit, body: me.body, required: me.required };
        setVerdict(
          verdictOf(
            evaluateRidge(rig.document, around, me.units, { ranges: rig.document.rule === 'chance' }),
            me.body,
            me.units,
          ),
        );
      } catch (error) {
        setVerdict({ holds: false, sentence: (error as Error).message, detail: '' });
      }
    }, 0);
    return () => clearTimeout(timer);
  }, [rig, camp.kit, me]);
  return (
    <li className="rig-row">
      <Wave state={verdict === null ? 'none' : verdict.holds ? 'holds' : 'fails'} />
      <div className="rig-words">
        <Link to={`/rigs/${rig.id}/ridge`} className="rig-name">
          {rig.name}
        </Link>
        <p>{rig.note}</p>
      </div>
      <p className="rig-verdict">
        <b>{verdict?.sentence ?? 'Judging…'}</b> <span className="quiet">{verdict?.detail}</span>
      </p>
      <span className="rig-tools">
        <button type="button" className="icon-button" aria-label={`Copy ${rig.name}`} onClick={onCopy}>
          <Copy size={18} />
        </button>
        <button type="button" className="icon-button" aria-label={`Take down ${rig.name}`} onClick={onRemove}>
          <Trash2 size={18} />
        </button>
      </span>
    </li>
  );
}
