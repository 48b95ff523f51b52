import { capital, say } from '@rough-bight/core/quantity';
import { RULES, RULE_NAMES, RULE_WORDS } from '@rough-bight/core/strength';
import type { Rule } from '@rough-bight/core/strength';
import type { Judged } from '@rough-bight/core/rig';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Segments } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { Strands } from '../../parts/strands.js';
import { useUnits } from '../../parts/units.js';
import type { Judgement } from '../../workers/rig.worker.js';

/** Every link of the chain, weakest first: what pulls, what is left, what gives. */
export function Ledger({
  judgement,
  rule,
  onRule,
}: {
  readonly judgement: Judgement;
  readonly rule: Rule;
  readonly onRule: (rule: Rule) => void;
}): ReactElement {
  const { result } = judgement;
  return (
    <section className="ledger" aria-label="Ledger">
      <header className="ledger-head">
        <h2>Ledger</h2>
        <span className="quiet">weakest first, worst of {result.cases.length} cases</span>
      </header>
      <Segments
        label="Judged by"
        value={rule}
        options={RULES.map((id) => ({ id, name: RULE_NAMES[id] }))}
        onChange={onRule}
      />
      <p className="quiet ledger-rule">{RULE_WORDS[rule]}</p>
      <ol className="links">
        {result.ledger.map((j, i) => (
          <LinkRow
            key={j.link.id}
            judged={j}
            governs={i === 0}
            when={result.cases.find((c) => c.id === j.link.caseId)?.name ?? ''}
          />
        ))}
      </ol>
    </section>
  );
}

const KIND: Readonly<Record<Judged['link']['kind'], string>> = {
  line: 'the cord itself',
  end: 'end',
  grip: 'under a hitch',
  trunk: 'green bending',
  hitch: 'grip',
  'tie-out': 'tie-out',
  anchor: 'anchor',
  cloth: 'cloth',
  stick: 'buckling',
};

function LinkRow({
  judged,
  governs,
  when,
}: {
  readonly judged: Judged;
  readonly governs: boolean;
  readonly when: string;
}): ReactElement {
  const { link, judgement } = judged;
  const [open, setOpen] = useState(false);
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <li className={`link link-${judgement.word}`}>
      <button type="button" className="link-name" aria-expanded={open} onClick={() => setOpen(!open)}>
        <Chevron size={15} aria-hidden="true" />
        <span>
          <b>{capital(link.name)}</b>
          <span className="quiet">{governs ? `governs, ${when}` : `${KIND[link.kind]}, ${when}`}</span>
        </span>
      </button>
      <span className="link-demand">
        <FigureValue figure={link.demand} big />
      </span>
      <span className="link-strands">
        <Strands link={link} judgement={judgement} />
      </span>
      <span className="link-margin">
        <FigureValue figure={judgement.figure} big />
        <span className={`word word-${judgement.word}`}>{judgement.word}</span>
      </span>
      {open && (
        <div className="link-more">
          <LinkDetails judged={judged} />
        </div>
      )}
    </li>
  );
}

/** What a link holds, by every reduction, and what the three schools say of it. */
export function LinkDetails({ judged }: { readonly judged: Judged }): ReactElement {
  const { link, schools } = judged;
  const units = useUnits();
  return (
    <>
      <p>
        Holds <FigureValue figure={link.available} band />
      </p>
      <ul className="reductions">
        {link.available.inputs?.map((f, i) => (
          <li key={i}>
            <span>{f.title}</span>
            <FigureValue figure={f} />
          </li>
        ))}
      </ul>
      <table className="schools">
        <tbody>
          {schools.map((s) => (
            <tr key={s.rule}>
              <th scope="row">{RULE_NAMES[s.rule]}</th>
              <td>
                <FigureValue figure={s.figure} />
              </td>
              <td className="quiet">
                {s.rule === 'factor' ? 'at least' : 'at most'} {say(s.required, s.figure.quantity, units)}
              </td>
              <td>
                <span className={`word word-${s.word}`}>{s.word}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
