import { Box, Button, chakra, Flex, Span, Table, Text } from '@chakra-ui/react';
import { capital, say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Row as Member } from '@rough-bight/core/rig';
import { RULES, RULE_NAMES, RULE_WORDS } from '@rough-bight/core/strength';
import type { Judged, Judgement, Rule } from '@rough-bight/core/strength';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { memo } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import type { Figure } from '@rough-bight/core/working';
import type { Column } from '../../parts/data-table.js';
import { FigureValue } from '../../parts/figure.js';
import { InTurn } from '../../parts/in-turn.js';
import { Strands } from '../../parts/strands.js';
import { TableDialog } from '../../parts/table-dialog.js';
import { useUnits } from '../../parts/units.js';

type Word = Judgement['word'];

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
  const units = useUnits();
  return (
    <Box as="section" order={{ base: 4, lg: 'initial' }} aria-label="Ledger">
      <InTurn>
        <Box padding="10px 16px 6px">
          <Flex justify="space-between" align="center" gap="8px">
            <h2>Ledger</h2>
            <TableDialog
              name={`Ledger, judged by ${RULE_NAMES[rule]}`}
              rows={rows}
              columns={columns(units, (id) => cases.find((c) => c.id === id)?.name ?? id)}
              rowId={(row) => row.id}
            />
          </Flex>
          <Text textStyle="quiet">
            {full ? `weakest first, worst of ${cases.length} cases` : 'as pitched; the weather follows when you let go'}
          </Text>
          <Choice
            label="Judged by"
            value={rule}
            options={RULES.map((id) => ({ id, name: RULE_NAMES[id] }))}
            hint={RULE_WORDS[rule]}
            onChange={onRule}
          />
        </Box>
      </InTurn>
      <ol>
        {rows.map((row) => (
          <InTurn key={row.id}>
            <Row
              row={row}
              caseName={(id) => cases.find((c) => c.id === id)?.name ?? id}
              open={chosen === row.id}
              onOpen={onChoose}
            />
          </InTurn>
        ))}
      </ol>
    </Box>
  );
}

/** The ledger's columns: each row by its weakest link. */
function columns(units: UnitChoice, caseName: (id: string) => string): readonly Column<Member>[] {
  const given = (figure: Figure | undefined): number | null =>
    figure === undefined || !Number.isFinite(figure.value) ? null : figure.value;
  const shown = (figure: Figure | undefined): string =>
    given(figure) === null ? '–' : say(figure!.value, figure!.quantity, units);
  return [
    { id: 'line', name: 'What', value: (r) => capital(r.name), head: true },
    { id: 'pull', name: 'Pulled with', unit: 'SI', value: (r) => given(r.demand), cell: (r) => shown(r.demand) },
    { id: 'gives', name: 'Gives first at', value: (r) => r.links[0]?.link.name ?? null },
    {
      id: 'holds',
      name: 'Which holds',
      unit: 'SI',
      value: (r) => given(r.links[0]?.link.available),
      cell: (r) => shown(r.links[0]?.link.available),
    },
    {
      id: 'left',
      name: 'Left',
      value: (r) => given(r.links[0]?.judgement.figure),
      cell: (r) => shown(r.links[0]?.judgement.figure),
    },
    {
      id: 'word',
      name: 'In a word',
      value: (r) => r.links[0]?.judgement.word ?? null,
      cell: (r) => (r.links[0] === undefined ? '–' : <WordOf word={r.links[0].judgement.word} />),
    },
    { id: 'case', name: 'When', value: (r) => (r.links[0] === undefined ? null : caseName(r.links[0].link.caseId)) },
  ];
}

/** How a margin's word looks: what is short is seen first. */
export function WordOf({ word }: { readonly word: Word }): ReactElement {
  return (
    <Span
      fontSize="13px"
      {...(word === 'short' ? { color: 'danger' } : {})}
      {...(word === 'short' || word === 'just' ? { fontWeight: 700 } : {})}
    >
      {word}
    </Span>
  );
}

/** A row's own grid: its name over its pull and strands, what is left at the right. */
const ROW = {
  display: 'grid',
  gridTemplateColumns: '66px minmax(0, 1fr) 58px',
  gridTemplateAreas: '"name name margin" "demand strands margin"',
  columnGap: '8px',
  alignItems: 'center',
  padding: '4px 16px 6px 12px',
} as const;

function Row({
  row,
  caseName,
  open,
  onOpen,
}: {
  readonly row: Member;
  readonly caseName: (id: string) => string;
  readonly open: boolean;
  readonly onOpen: (row: string | null) => void;
}): ReactElement {
  const governs = row.links[0];
  const idle = governs === undefined || !Number.isFinite(governs.link.margin.value);
  const short = governs?.judgement.word === 'short';
  return (
    <chakra.li
      layerStyle="row"
      {...ROW}
      aria-label={capital(row.name)}
      {...(short ? { boxShadow: 'inset 4px 0 0 var(--rb-colors-danger)' } : {})}
    >
      <RowName
        name={row.name}
        under={governs === undefined ? row.what : governs.link.name}
        open={open}
        onOpen={onOpen}
        id={row.id}
      />
      <Box gridArea="demand" paddingStart="19px" whiteSpace="nowrap">
        <FigureValue figure={row.demand} big />
      </Box>
      <Box gridArea="strands" paddingStart="16px">
        {governs !== undefined && !idle && <Strands link={governs.link} judgement={governs.judgement} />}
      </Box>
      <Flex
        gridArea="margin"
        direction="column"
        align="flex-end"
        textAlign="right"
        lineHeight={1.1}
        css={{ '& button': { justifyContent: 'flex-end' } }}
      >
        {governs === undefined ? (
          <Span textStyle="quiet">your word</Span>
        ) : idle ? (
          <Span textStyle="quiet">idle</Span>
        ) : (
          <>
            <FigureValue figure={governs.judgement.figure} big />
            <WordOf word={governs.judgement.word} />
          </>
        )}
      </Flex>
      {open && (
        <Box gridColumn="1 / -1" padding="4px 0 10px 19px" fontSize="14px">
          <Text textStyle="quiet">{capital(row.what)}.</Text>
          {row.links.map((judged) => (
            <Box
              key={judged.link.id}
              css={{
                '& + &': {
                  borderTop: '1px solid',
                  borderColor: 'hairline',
                  marginTop: '10px',
                  paddingTop: '10px',
                },
              }}
            >
              <p>
                <b>{capital(judged.link.name)}</b> <Span textStyle="quiet">{caseName(judged.link.caseId)}</Span>
              </p>
              <LinkDetails judged={judged} />
            </Box>
          ))}
          {row.links.length === 0 && <Text textStyle="quiet">Nothing is known that could give here.</Text>}
        </Box>
      )}
    </chakra.li>
  );
}

/** What a row is of and what governs it; touched, it opens. It is drawn again only where that changes. */
const RowName = memo(function RowName({
  id,
  name,
  under,
  open,
  onOpen,
}: {
  readonly id: string;
  readonly name: string;
  readonly under: string;
  readonly open: boolean;
  readonly onOpen: (row: string | null) => void;
}): ReactElement {
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <Button
      unstyled
      gridArea="name"
      display="flex"
      gap="4px"
      alignItems="flex-start"
      minHeight="44px"
      paddingTop="5px"
      lineHeight={1.22}
      aria-expanded={open}
      onClick={() => onOpen(open ? null : id)}
    >
      <Chevron size={15} aria-hidden="true" style={{ flex: 'none', marginTop: 2 }} />
      <span>
        <b>{capital(name)}</b>{' '}
        <Span textStyle="quiet" display="block">
          {under}
        </Span>
      </span>
    </Button>
  );
});

/** What a link holds, by every reduction, and what the three schools say of it. */
function LinkDetails({ judged }: { readonly judged: Judged }): ReactElement {
  const { link, schools } = judged;
  return (
    <>
      <p>
        Holds <FigureValue figure={link.available} band />
      </p>
      <chakra.ul>
        {link.available.inputs?.map((f, i) => (
          <li key={i}>
            <span>{f.title}</span>
            <FigureValue figure={f} />
          </li>
        ))}
      </chakra.ul>
      <Table.Root size="sm">
        <Table.Body>
          {schools.map((s) => (
            <Table.Row key={s.rule}>
              <Table.ColumnHeader scope="row">{RULE_NAMES[s.rule]}</Table.ColumnHeader>
              <Table.Cell>
                <FigureValue figure={s.figure} />
              </Table.Cell>
              <Table.Cell textStyle="quiet">
                {s.rule === 'factor' ? 'at least' : 'at most'} <FigureValue figure={s.asked} />
              </Table.Cell>
              <Table.Cell>
                <WordOf word={s.word} />
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </>
  );
}
