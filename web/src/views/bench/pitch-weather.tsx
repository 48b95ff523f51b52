import { ControlGroup, Controls } from '../../parts/layout.js';
import { Button, chakra, Span, Table, Text } from '@chakra-ui/react';
import { LEAST_HAUL, capital, say, sayHaul } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { LEAVABLE, LEAVABLE_NAMES } from '@rough-bight/core/cases';
import type { Leavable } from '@rough-bight/core/cases';
import { SNOWS } from '@rough-bight/core/catalogue';
import type { SnowFeel } from '@rough-bight/core/catalogue';
import type { PitchResult } from '@rough-bight/core/pitch';
import { PITCH_LIMITS } from '@rough-bight/core/rig';
import type { Pitch } from '@rough-bight/core/rig';
import { Suspense, lazy } from 'react';
import type { ReactElement } from 'react';
import { Check, Choice } from '../../parts/choice.js';
import { DataTable } from '../../parts/data-table.js';
import type { Column } from '../../parts/data-table.js';
import { Fold } from '../../parts/fold.js';
import { NumberField } from '../../parts/number-field.js';
import { Sheets } from '../../parts/sheets.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import type { RoofReport } from '../../workers/report.js';
import { AroundControls } from './around-controls.js';
import { BearingField } from './bearing-field.js';
import type { Editing } from './editing.js';
import { OwnGusts } from './own-gusts.js';
import { SwayField } from './weather-controls.js';
import { WindRose } from './wind-rose.js';

const PullSpans = lazy(() => import('./weather/pull-spans.js').then((m) => ({ default: m.PullSpans })));

const SNOW_OPTIONS = [
  { id: 'none', name: 'none' },
  ...(Object.keys(SNOWS) as SnowFeel[]).map((id) => ({ id, name: SNOWS[id].name })),
];
/** A hand's breadth of it to begin with; `none` takes it off. */
const snowOf = (feel: string, depth = 0.1): Pick<Pitch, 'snow'> =>
  feel === 'none' ? { snow: undefined } : { snow: { feel: feel as SnowFeel, depth } };

/** What is left out once a kind is counted, or no more. */
function leftOut({ without = [] }: Pitch, kind: Leavable, counted: boolean): Pitch['without'] {
  const left = LEAVABLE.filter((k) => (k === kind ? !counted : without.includes(k)));
  return left.length === 0 ? undefined : left;
}

/** The quiet cases, and of each gust the hardest; of one's own gusts each, under the law that pulls most. */
const shownCases = (r: PitchResult): PitchResult['cases'] =>
  r.cases.filter((c) =>
    c.called === undefined
      ? c.wind === null || r.worst[c.group] === c.id
      : !r.cases.some((other) => other.called === c.called && other.tension > c.tension),
  );

/** Where the wind comes from. */
export function WindFrom({ editing: { rig, edit } }: { readonly editing: Editing }): ReactElement {
  const pitch = rig.pitch!;
  return (
    <BearingField
      label="Wind from"
      value={pitch.windFrom}
      onCommit={(windFrom) => edit({ ...rig, pitch: { ...pitch, windFrom } })}
    />
  );
}

/** Every case and what it does, what stands round the rig, and what the verdict counts. */
export function PitchWeather({
  editing,
  report,
  caseId,
  onCase,
}: {
  readonly editing: Editing;
  readonly report: RoofReport | null;
  readonly caseId: string;
  readonly onCase: (id: string) => void;
}): ReactElement {
  return (
    <Sheets
      label="Of the weather"
      of={[
        {
          id: 'cases',
          name: 'Every case',
          sheet: <EveryCase report={report} caseId={caseId} onCase={onCase} />,
        },
        {
          id: 'round',
          name: 'Round it',
          sheet: (
            <Controls>
              <AroundControls editing={editing} report={report} />
            </Controls>
          ),
        },
        {
          id: 'counts',
          name: 'What counts',
          sheet: <WhatCounts editing={editing} gust={report?.roof.gust ?? 0} />,
        },
      ]}
    />
  );
}

/** How the rig lies, the snow on it, which kinds of weather count and which gusts beside them. */
function WhatCounts({ editing, gust }: { readonly editing: Editing; readonly gust: number }): ReactElement {
  const { rig, edit } = editing;
  const pitch = rig.pitch!;
  return (
    <Controls>
      <ControlGroup>
        <h3>The verdict counts</h3>
        {LEAVABLE.map((kind) => (
          <Check
            key={kind}
            checked={pitch.without?.includes(kind) !== true}
            onChange={(counted) => edit({ ...rig, pitch: { ...pitch, without: leftOut(pitch, kind, counted) } })}
          >
            {capital(LEAVABLE_NAMES[kind])}
          </Check>
        ))}
        <Text textStyle="quiet">
          {pitch.without === undefined
            ? 'Every kind of weather counts, as do settling, sway, snow and who is in the bed.'
            : 'What is left out is not known: the rig is not said to hold.'}
        </Text>
      </ControlGroup>
      <ControlGroup>
        <BearingField
          label="The span runs toward"
          value={pitch.bearing}
          onCommit={(bearing) => edit({ ...rig, pitch: { ...pitch, bearing } })}
        />
        <Choice
          label="Snow"
          value={pitch.snow?.feel ?? 'none'}
          options={SNOW_OPTIONS}
          onChange={(feel) => edit({ ...rig, pitch: { ...pitch, ...snowOf(feel, pitch.snow?.depth) } })}
          hint={pitch.snow === undefined ? '' : SNOWS[pitch.snow.feel].feel}
        />
        {pitch.snow !== undefined && (
          <NumberField
            label="Falls on it, before it is tapped off"
            value={pitch.snow.depth}
            limit={PITCH_LIMITS.snow}
            step={0.05}
            onCommit={(depth) => edit({ ...rig, pitch: { ...pitch, snow: { ...pitch.snow!, depth } } })}
          />
        )}
        <SwayField editing={editing} />
      </ControlGroup>
      <OwnGusts editing={editing} gust={gust} />
    </Controls>
  );
}

/** What is left from every bearing, and every case with what it does; one of them is drawn. */
function EveryCase({
  report,
  caseId,
  onCase,
}: {
  readonly report: RoofReport | null;
  readonly caseId: string;
  readonly onCase: (id: string) => void;
}): ReactElement {
  const units = useUnits();
  if (report === null) return <Text textStyle="quiet">Being worked out…</Text>;
  const { roof, full } = report;
  return (
    <>
      {roof.rose.length > 0 && (
        <chakra.figure display="flex" flexWrap="wrap" alignItems="center" gap="4px 18px">
          <WindRose result={roof} group="gust" caseId={caseId} onCase={onCase} />
          <WindRose result={roof} group="wet-gust" caseId={caseId} onCase={onCase} />
          <chakra.figcaption flex="1 1 220px">
            What is left in the gust from every bearing, dry and soaked: the dashed ring is just enough to bear it, the
            rim eight times that. Touch a spoke to draw that gust.
          </chakra.figcaption>
        </chakra.figure>
      )}
      <DataTable
        name="Cases"
        rows={shownCases(roof)}
        columns={caseColumns(roof, units, caseId, onCase)}
        rowId={(c) => c.id}
      />
      {full && (
        <Fold line="Each line over all cases, slackest to hardest">
          <Suspense fallback={<Text textStyle="quiet">Fetching the chart…</Text>}>
            <PullSpans result={roof} onCase={onCase} />
          </Suspense>
        </Fold>
      )}
      <TakeUp result={roof} />
      <Text textStyle="quiet">
        {full
          ? 'Touch a case to draw it.'
          : 'Still air only: night, rain and sixteen bearings of wind are being worked out.'}
      </Text>
    </>
  );
}

type Case = PitchResult['cases'][number];

/** What cases are told by, their names taking the scene to them. */
function caseColumns(
  { rows }: PitchResult,
  units: UnitChoice,
  chosen: string | null,
  onCase: (id: string) => void,
): readonly Column<Case>[] {
  const pulled = (c: Case): string | undefined => rows.find((r) => r.id === c.row)?.name;
  const unsettled = (c: Case): boolean => c.luffing || !c.converged;
  return [
    {
      id: 'case',
      name: 'Case',
      value: (c) => capital(c.called ?? c.name),
      head: true,
      cell: (c) => (
        <>
          <Button variant="plain" size="xs" aria-pressed={chosen === c.id} onClick={() => onCase(c.id)}>
            {capital(c.called ?? c.name)}
          </Button>{' '}
          <Span textStyle="quiet">
            <Told said={c.when} />
          </Span>
        </>
      ),
    },
    {
      id: 'pull',
      name: 'Largest pull',
      unit: 'N',
      value: (c) => c.tension,
      cell: (c) => (
        <>
          {say(c.tension, 'force', units)} <Span textStyle="quiet">{pulled(c)}</Span>
        </>
      ),
    },
    {
      id: 'water',
      name: 'Standing water',
      unit: 'l',
      value: (c) => (unsettled(c) ? null : c.litres),
      cell: (c) =>
        unsettled(c)
          ? 'flaps, finds no rest'
          : c.litres > 0.05
            ? `${say(c.litres / 1000, 'volume', units)}${c.runsAway ? ', growing' : ''}`
            : '–',
    },
  ];
}

/** What each line wants taken in again, line by line, to be as tight as when it was pitched. */
function TakeUp({ result }: { readonly result: PitchResult }): ReactElement | null {
  const units = useUnits();
  const cases = [...new Map(result.takeUp.map((t) => [t.caseId, t.name]))];
  const by = (row: string, caseId: string): number =>
    result.takeUp.find((t) => t.row === row && t.caseId === caseId)?.by ?? 0;
  const rows = result.rows.filter((r) => cases.some(([id]) => by(r.id, id) >= LEAST_HAUL));
  if (rows.length === 0) return null;
  return (
    <Table.Root aria-label="To haul in again">
      <Table.Header>
        <Table.Row>
          <Table.ColumnHeader scope="col">To haul in again</Table.ColumnHeader>
          {cases.map(([id, name]) => (
            <Table.ColumnHeader scope="col" key={id}>
              {capital(name)}
            </Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {rows.map((r) => (
          <Table.Row key={r.id}>
            <Table.ColumnHeader scope="row">{capital(r.name)}</Table.ColumnHeader>
            {cases.map(([id]) => (
              <Table.Cell key={id}>{by(r.id, id) >= LEAST_HAUL ? sayHaul(by(r.id, id), units) : '–'}</Table.Cell>
            ))}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}
