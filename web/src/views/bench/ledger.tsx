import { Button, Table } from '@chakra-ui/react';
import { capital } from '@rough-bight/core/quantity';
import type { Row as Member } from '@rough-bight/core/rig';
import { RULES, RULE_NAMES, RULE_WORDS } from '@rough-bight/core/strength';
import type { Judged, Rule } from '@rough-bight/core/strength';
import { ChevronDown, ChevronRight } from 'lucide-react';
import type { ReactElement } from 'react';
import { Segments } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { Strands } from '../../parts/strands.js';

/** Every line, stem, stick, cloth and strap, weakest first: what pulls, what governs, what is left. */
export function Ledger({
  rows,
  cases,
  full,
  rule,
  onRule,
  chosen,
  onChoose,
}: {
  readonly rows: readonly Member[];
  /** Every case a row can be worst in. */
  readonly cases: readonly { readonly id: string; readonly name: string }[];
  readonly full: boolean;
  readonly rule: Rule;
  readonly onRule: (rule: Rule) => void;
  readonly chosen: string | null;
  readonly onChoose: (row: string | null) => void;
}): ReactElement {
  return (
    <section className="ledger" aria-label="Ledger">
      <header className="ledger-head">
        <h2>Ledger</h2>
        <span className="quiet">
          {full ? `weakest first, worst of ${cases.length} cases` : 'as pitched; the weather follows when you let go'}
        </span>
      </header>
      <Segments
        label="Judged by"
        value={rule}
        options={RULES.map((id) => ({ id, name: RULE_NAMES[id] }))}
        onChange={onRule}
      />
      <p className="quiet ledger-rule">{RULE_WORDS[rule]}</p>
      <ol className="links">
        {rows.map((row) => (
          <Row
            key={row.id}
            row={row}
            caseName={(id) => cases.find((c) => c.id === id)?.name ?? id}
            open={chosen === row.id}
            onOpen={(open) => onChoose(open ? row.id : null)}
          />
        ))}
      </ol>
    </section>
  );
}

function Row({
  row,
  caseName,
  open,
  onOpen,
}: {
  readonly row: Member;
  readonly caseName: (id: string) => string;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
}): ReactElement {
  const governs = row.links[0];
  const Chevron = open ? ChevronDown : ChevronRight;
  const idle = governs === undefined || !Number.isFinite(governs.link.margin.value);
  return (
    <li className={governs === undefined ? 'link' : `link link-${governs.judgement.word}`}>
      <Button unstyled className="link-name" aria-expanded={open} onClick={() => onOpen(!open)}>
        <Chevron size={15} aria-hidden="true" />
        <span>
          <b>{capital(row.name)}</b>
          <span className="quiet">
            {governs === undefined ? row.what : `${row.what}; ${governs.link.name}, ${caseName(governs.link.caseId)}`}
          </span>
        </span>
      </Button>
      <span className="link-demand">
        <FigureValue figure={row.demand} big />
      </span>
      <span className="link-strands">
        {governs !== undefined && !idle && <Strands link={governs.link} judgement={governs.judgement} />}
      </span>
      <span className="link-margin">
        {governs === undefined ? (
          <span className="quiet">your word</span>
        ) : idle ? (
          <span className="quiet">idle</span>
        ) : (
          <>
            <FigureValue figure={governs.judgement.figure} big />
            <span className={`word word-${governs.judgement.word}`}>{governs.judgement.word}</span>
          </>
        )}
      </span>
      {open && (
        <div className="link-more">
          {row.links.map((judged) => (
            <div key={judged.link.id} className="chain-link">
              <p>
                <b>{capital(judged.link.name)}</b> <span className="quiet">{caseName(judged.link.caseId)}</span>
              </p>
              <LinkDetails judged={judged} />
            </div>
          ))}
          {row.links.length === 0 && <p className="quiet">Nothing is known that could give here.</p>}
        </div>
      )}
    </li>
  );
}

/** What a link holds, by every reduction, and what the three schools say of it. */
function LinkDetails({ judged }: { readonly judged: Judged }): ReactElement {
  const { link, schools } = judged;
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
      <Table.Root size="sm">
        <Table.Body>
          {schools.map((s) => (
            <Table.Row key={s.rule}>
              <Table.ColumnHeader scope="row">{RULE_NAMES[s.rule]}</Table.ColumnHeader>
              <Table.Cell>
                <FigureValue figure={s.figure} />
              </Table.Cell>
              <Table.Cell className="quiet">
                {s.rule === 'factor' ? 'at least' : 'at most'} <FigureValue figure={s.asked} />
              </Table.Cell>
              <Table.Cell>
                <span className={`word word-${s.word}`}>{s.word}</span>
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </>
  );
}
