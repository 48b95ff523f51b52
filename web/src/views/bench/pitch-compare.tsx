import { Problem } from '../../parts/layout.js';
import { Span, Table, Text } from '@chakra-ui/react';
import { compareRigs } from '@rough-bight/core/pitch';
import { SidePanel } from '../../parts/side-panel.js';
import type { ComparedRow } from '@rough-bight/core/pitch';
import { betweenTheSame, effortOf } from '@rough-bight/core/night';
import { capital, say } from '@rough-bight/core/quantity';
import type { RidgeRig, RigContext } from '@rough-bight/core/rig';
import { RigProblem } from '@rough-bight/core/rig';
import { effortWords } from '@rough-bight/core/words';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import type { StoredRig } from '../../data/types.js';
import { Check, Choice } from '../../parts/choice.js';
import { Loading } from '../../parts/states.js';
import { useUnits } from '../../parts/units.js';
import { isRoof } from '../../workers/report.js';
import type { RoofReport } from '../../workers/report.js';
import type { Other } from '../../workers/use-judge.js';

/** This rig and another of the camp, line by line, what differs most first. */
export function PitchCompare({
  name,
  mine,
  context,
  others,
  chosen,
  other,
  shared,
  onShared,
  onChoose,
  onClose,
}: {
  readonly name: string;
  readonly mine: RoofReport | undefined;
  readonly context: RigContext;
  /** Rigs of the camp that can stand beside this one. */
  readonly others: readonly StoredRig[];
  /** One of them, or this rig as it was. */
  readonly chosen: Pick<StoredRig, 'id' | 'name' | 'document'> | undefined;
  readonly other: Other | null;
  /** Whether both stand in this rig's weather. */
  readonly shared: boolean;
  readonly onShared: (shared: boolean) => void;
  readonly onChoose: (id: string) => void;
  readonly onClose: () => void;
}): ReactElement {
  return (
    <SidePanel name="Compare" title="Beside another" closes="Close comparing" onClose={onClose}>
      {others.length === 0 && chosen === undefined ? (
        <p>No other rig of this camp has a roof pitched on it. Pitch one, or take in a rig file in the camp.</p>
      ) : (
        <Choice
          label="The other"
          value={chosen?.id ?? ''}
          options={[
            ...(chosen === undefined
              ? [{ id: '', name: 'choose a rig' }]
              : others.some((r) => r.id === chosen.id)
                ? []
                : [{ id: chosen.id, name: chosen.name }]),
            ...others.map((r) => ({ id: r.id, name: r.name })),
          ]}
          onChange={onChoose}
        />
      )}
      {chosen !== undefined && (
        <Check checked={shared} onChange={onShared}>
          Both in the weather of this one
        </Check>
      )}
      {chosen !== undefined &&
        (other === null || mine === undefined ? (
          <Loading what={`the judgement of ${chosen.name}`} />
        ) : other.report === null || !isRoof(other.report) ? (
          <Problem role="alert">
            {chosen.name} cannot be judged: {other.problem}
          </Problem>
        ) : (
          <Compared mine={mine} theirs={other.report} context={context} names={[name, chosen.name]} />
        ))}
    </SidePanel>
  );
}

/** What it takes to make the other of this one, in words; null between other trees, or where either cannot be laid out. */
function madeOf(mine: RidgeRig, theirs: RidgeRig, context: RigContext): string | null {
  if (!betweenTheSame(mine, theirs, context.body)) return null;
  try {
    return effortWords(effortOf(mine, theirs, context));
  } catch (error) {
    if (error instanceof RigProblem) return null;
    throw error;
  }
}

function Compared({
  mine,
  theirs,
  context,
  names,
}: {
  readonly mine: RoofReport;
  readonly theirs: RoofReport;
  readonly context: RigContext;
  readonly names: readonly [string, string];
}): ReactElement {
  const units = useUnits();
  const rows = useMemo(() => compareRigs(mine.rows, theirs.rows), [mine, theirs]);
  const made = useMemo(() => madeOf(mine.rig, theirs.rig, context), [mine, theirs, context]);
  const both = (of: (r: RoofReport) => string): [string, string] => [of(mine), of(theirs)];
  const totals: readonly (readonly [string, readonly [string, string]])[] = [
    [
      'Cord to cut',
      both(({ roof }) =>
        say(
          roof.cords.reduce((sum, c) => sum + c.wanted, 0),
          'length',
          units,
        ),
      ),
    ],
    ['Headroom', both(({ roof }) => say(roof.cover.headroom, 'length', units))],
    ['Ground covered', both(({ roof }) => say(roof.cover.ground, 'area', units))],
    ['Pegs', both(({ roof }) => String(roof.pegs.reduce((sum, p) => sum + p.wanted, 0)))],
    ...(mine.bed === null && theirs.bed === null
      ? []
      : ([
          [
            'Bed, lowest place',
            both(({ bed }) => (bed === null ? 'none' : say(bed.lying.height.value, 'length', units))),
          ],
          [
            'Bed in this rain',
            both(({ bed }) =>
              bed === null ? 'none' : bed.over === null ? 'open sky' : `${say(bed.over.dryInRain, 'share', units)} dry`,
            ),
          ],
        ] as const)),
  ];
  return (
    <>
      <Text textStyle="quiet">
        The other is drawn in dashes, its first tie on this one’s. What differs most comes first.
      </Text>
      {made !== null && <Text>To make the other of this one: {made.charAt(0).toLowerCase() + made.slice(1)}</Text>}
      <Table.Root variant="outline">
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader scope="col">Line</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">{names[0]}</Table.ColumnHeader>
            <Table.ColumnHeader scope="col">{names[1]}</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {totals.map(([title, [a, b]]) => (
            <Table.Row key={title}>
              <Table.ColumnHeader scope="row">{title}</Table.ColumnHeader>
              <Table.Cell>{a}</Table.Cell>
              <Table.Cell>{b}</Table.Cell>
            </Table.Row>
          ))}
          {rows.map((row) => (
            <Table.Row key={row.id}>
              <Table.ColumnHeader scope="row">{capital(row.name)}</Table.ColumnHeader>
              <Side row={row} side={0} />
              <Side row={row} side={1} />
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </>
  );
}

/** What one rig's line bears and has left, and by what it would go. */
function Side({ row, side }: { readonly row: ComparedRow; readonly side: 0 | 1 }): ReactElement {
  const units = useUnits();
  const own = row.rows[side];
  const governs = row.governs[side];
  if (own === null) return <Table.Cell textStyle="quiet">none</Table.Cell>;
  const { figure, word } = governs?.judgement ?? {};
  return (
    <Table.Cell {...(row.weaker === side ? { boxShadow: 'inset 3px 0 0 var(--rb-colors-danger)' } : {})}>
      {say(own.demand.value, own.demand.quantity, units)}
      {figure !== undefined && Number.isFinite(figure.value) && (
        <>
          {' '}
          <Span fontWeight={700} {...(word === 'short' ? { color: 'danger' } : {})}>
            {say(figure.value, figure.quantity, units)}
          </Span>
          <Span textStyle="quiet">{word === 'short' ? governs!.link.name : word}</Span>
        </>
      )}
    </Table.Cell>
  );
}
