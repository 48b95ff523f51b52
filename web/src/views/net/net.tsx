import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Net, NetNumbers } from '@rough-bight/core/net';
import { FolderOpen } from 'lucide-react';
import { useEffect, useId } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useMe } from '../../data/me.js';
import { useNet } from '../../workers/use-net.js';
import { NetPicture } from './picture.js';

const EXAMPLES = {
  'Gable roof': () => import('../../../../examples/nets/gable-roof.json?raw'),
  'One ring between two trunks': () => import('../../../../examples/nets/two-trunks-one-ring.json?raw'),
  'Pole and back-stay': () => import('../../../../examples/nets/pole-and-back-stay.json?raw'),
} as const;
/** Rows shown of the tensions. */
const MOST = 14;

/** Opens a net file, and says whether and how it balances. */
export default function NetView(): ReactElement {
  useShell({ crumbs: [{ name: 'Net file' }] });
  useEffect(() => {
    document.title = 'Net file, Rough Bight';
  }, []);
  const { state, open, stop } = useNet();
  const { data: me } = useMe();
  const units: UnitChoice = me?.units ?? { length: 'm', force: 'N' };
  const id = useId();
  const take = async (file: File | undefined): Promise<void> => {
    if (file !== undefined) open(file.name, await file.text());
  };
  return (
    <main className="page net" tabIndex={0}>
      <h1>Net file</h1>
      <p className="page-lead">
        A structure of nodes, lines, struts and panels as a file: where it comes to rest, and what pulls in every line.
        It judges no cord, hitch or anchor.
      </p>
      <div className="net-open">
        <label className="button button-act" htmlFor={id}>
          <FolderOpen size={17} aria-hidden="true" /> Open a file
        </label>
        <input
          id={id}
          className="net-file"
          type="file"
          accept="application/json,.json"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
        {Object.entries(EXAMPLES).map(([name, load]) => (
          <button
            key={name}
            type="button"
            className="button"
            onClick={() => void load().then((m) => open(name, m.default))}
          >
            {name}
          </button>
        ))}
      </div>
      {state.kind === 'none' && (
        <p className="quiet">Open a file in the net format, or one of the examples beside the button.</p>
      )}
      {state.kind === 'refused' && (
        <section className="net-answer" role="alert">
          <h2>{state.name} cannot be read</h2>
          <p>{state.message}</p>
          <p className="quiet">Nothing was changed. Put that right in the file and open it again.</p>
        </section>
      )}
      {state.kind === 'solving' && (
        <section className="net-answer" aria-busy="true">
          <h2>{state.name}</h2>
          <p role="status">Step {state.iterations}</p>
          <button type="button" className="button" onClick={stop}>
            Stop
          </button>
        </section>
      )}
      {state.kind === 'stopped' && (
        <section className="net-answer" role="status">
          <h2>{state.name}</h2>
          <p>Stopped before it came to rest.</p>
        </section>
      )}
      {state.kind === 'solved' && (
        <Answer name={state.name} net={state.net} numbers={state.numbers} warnings={state.warnings} units={units} />
      )}
    </main>
  );
}

function Answer({
  name,
  net,
  numbers,
  warnings,
  units,
}: {
  readonly name: string;
  readonly net: Net;
  readonly numbers: NetNumbers;
  readonly warnings: readonly string[];
  readonly units: UnitChoice;
}): ReactElement {
  const force = (v: number): string => say(v, 'force', units);
  const pulls = [
    ...(net.lines ?? []).map((l, i) => ({ id: l.id, kind: 'line', force: numbers.tension[i]! })),
    ...(net.struts ?? []).map((s, i) => ({ id: s.id, kind: 'strut', force: numbers.strutForce[i]! })),
  ].sort((a, b) => Math.abs(b.force) - Math.abs(a.force));
  const cloth = [0, 1, 2].map((k) => numbers.panelState.reduce((n, s) => n + (s === k ? 1 : 0), 0)) as [
    number,
    number,
    number,
  ];
  return (
    <section className="net-answer net-found" aria-label="Answer">
      <div className="net-verdict">
        <p className="quiet">{name}</p>
        <h2>{numbers.converged ? 'At rest' : 'No rest found'}</h2>
        <p>
          {numbers.converged
            ? `after ${numbers.iterations} steps, in balance to ${numbers.residual < 1e-3 ? 'less than a thousandth of a newton' : `${numbers.residual.toPrecision(2)} N`}`
            : numbers.reason}
        </p>
        {(net.panels?.length ?? 0) > 0 && (
          <p>
            Cloth: {cloth[2]} panels taut (dark), {cloth[1]} wrinkled (pale), {cloth[0]} slack (empty)
          </p>
        )}
        {warnings.map((w) => (
          <p key={w} className="quiet">
            {w}
          </p>
        ))}
      </div>
      {pulls.length > 0 && (
        <table className="rows net-pulls">
          <thead>
            <tr>
              <th scope="col">{(net.struts?.length ?? 0) > 0 ? 'Line or strut' : 'Line'}</th>
              <th scope="col">Tension</th>
            </tr>
          </thead>
          <tbody>
            {pulls.slice(0, MOST).map((p) => (
              <tr key={`${p.kind} ${p.id}`}>
                <th scope="row">{p.id}</th>
                <td>{p.force === 0 ? 'slack' : p.force < 0 ? `${force(-p.force)} pressed` : force(p.force)}</td>
              </tr>
            ))}
          </tbody>
          {pulls.length > MOST && (
            <tfoot>
              <tr>
                <td colSpan={2} className="quiet">
                  and {pulls.length - MOST} more that pull less
                </td>
              </tr>
            </tfoot>
          )}
        </table>
      )}
      <NetPicture net={net} numbers={numbers} />
    </section>
  );
}
