import { compareRigs } from '@rough-bight/core/pitch';
import type { ComparedRow, PitchResult } from '@rough-bight/core/pitch';
import { capital, say } from '@rough-bight/core/quantity';
import { X } from 'lucide-react';
import { useEffect, useMemo, useRef } from 'react';
import type { ReactElement } from 'react';
import type { StoredRig } from '../../data/types.js';
import { Choice } from '../../parts/choice.js';
import { Loading } from '../../parts/states.js';
import { useUnits } from '../../parts/units.js';
import type { Other } from '../../workers/use-judge.js';

/** This rig and another of the camp, line by line, what differs most first. */
export function PitchCompare({
  name,
  mine,
  others,
  chosen,
  other,
  onChoose,
  onClose,
}: {
  readonly name: string;
  readonly mine: PitchResult | undefined;
  /** Rigs of the camp that can stand beside this one. */
  readonly others: readonly StoredRig[];
  readonly chosen: StoredRig | undefined;
  readonly other: Other | null;
  readonly onChoose: (id: string) => void;
  readonly onClose: () => void;
}): ReactElement {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <section className="size" aria-label="Compare" onKeyDown={(e) => e.key === 'Escape' && onClose()}>
      <header className="panel-head">
        <h1 ref={heading} tabIndex={-1}>
          Beside another rig
        </h1>
        <button type="button" className="icon-button" aria-label="Close comparing" onClick={onClose}>
          <X size={20} />
        </button>
      </header>
      {others.length === 0 ? (
        <p>No other rig of this camp has a roof pitched on it. Pitch one, or take in a rig file in the camp.</p>
      ) : (
        <Choice
          label="The other"
          value={chosen?.id ?? ''}
          options={[
            ...(chosen === undefined ? [{ id: '', name: 'choose a rig' }] : []),
            ...others.map((r) => ({ id: r.id, name: r.name })),
          ]}
          onChange={onChoose}
        />
      )}
      {chosen !== undefined &&
        (other === null || mine === undefined ? (
          <Loading what={`the judgement of ${chosen.name}`} />
        ) : other.result === null ? (
          <p className="field-problem" role="alert">
            {chosen.name} cannot be judged: {other.problem}
          </p>
        ) : (
          <Compared mine={mine} theirs={other.result} names={[name, chosen.name]} />
        ))}
    </section>
  );
}

function Compared({
  mine,
  theirs,
  names,
}: {
  readonly mine: PitchResult;
  readonly theirs: PitchResult;
  readonly names: readonly [string, string];
}): ReactElement {
  const units = useUnits();
  const rows = useMemo(() => compareRigs(mine, theirs), [mine, theirs]);
  const whole = ([r, c]: readonly [(r: PitchResult) => number, Parameters<typeof say>[1]]): [string, string] => [
    say(r(mine), c, units),
    say(r(theirs), c, units),
  ];
  const totals: readonly (readonly [string, readonly [string, string]])[] = [
    ['Cord to cut', whole([(r) => r.cords.reduce((sum, c) => sum + c.wanted, 0), 'length'])],
    ['Headroom', whole([(r) => r.cover.headroom, 'length'])],
    ['Ground covered', whole([(r) => r.cover.ground, 'area'])],
    [
      'Pegs',
      [mine, theirs].map((r) => String(r.pegs.reduce((sum, p) => sum + p.wanted, 0))) as unknown as [string, string],
    ],
  ];
  return (
    <>
      <p className="quiet">The other is drawn in dashes, its first tie on this one’s. What differs most comes first.</p>
      <table className="bills compared">
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">{names[0]}</th>
            <th scope="col">{names[1]}</th>
          </tr>
        </thead>
        <tbody>
          {totals.map(([title, [a, b]]) => (
            <tr key={title}>
              <th scope="row">{title}</th>
              <td>{a}</td>
              <td>{b}</td>
            </tr>
          ))}
          {rows.map((row) => (
            <tr key={row.id}>
              <th scope="row">{capital(row.name)}</th>
              <Side row={row} side={0} />
              <Side row={row} side={1} />
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** What one rig's line bears and has left, and by what it would go. */
function Side({ row, side }: { readonly row: ComparedRow; readonly side: 0 | 1 }): ReactElement {
  const units = useUnits();
  const own = row.rows[side];
  const governs = row.governs[side];
  if (own === null) return <td className="quiet">none</td>;
  const { figure, word } = governs?.judgement ?? {};
  return (
    <td className={row.weaker === side ? 'compared-weaker' : ''}>
      {say(own.demand.value, own.demand.quantity, units)}
      {figure !== undefined && Number.isFinite(figure.value) && (
        <>
          {' '}
          <b className={`word-${word!}`}>{say(figure.value, figure.quantity, units)}</b>
          <span className="quiet">{word === 'short' ? governs!.link.name : word}</span>
        </>
      )}
    </td>
  );
}
