import { Caution, ControlGroup, Controls } from '../../parts/layout.js';
import { Span, Table } from '@chakra-ui/react';
import { SHELTERS } from '@rough-bight/core/catalogue';
import type { Shelter } from '@rough-bight/core/catalogue';
import { LEAST_HAUL, say, sayHaul } from '@rough-bight/core/quantity';
import { RIDGE_LIMITS } from '@rough-bight/core/rig';
import { BEAUFORT, beaufortSpeed } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { NumberField } from '../../parts/number-field.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import type { LineReport } from '../../workers/report.js';
import type { Editing } from './editing.js';

/** How hard the wind blows, by its signs, and how the place shelters. */
export function WeatherQuick({ editing }: { readonly editing: Editing }): ReactElement {
  const { rig, edit } = editing;
  const units = useUnits();
  const now = BEAUFORT[rig.wind.beaufort]!;
  return (
    <>
      <Choice
        label="Wind by its signs"
        value={String(rig.wind.beaufort)}
        options={BEAUFORT.map((b, i) => ({ id: String(i), name: `${i} ${b.name}` }))}
        onChange={(b) => edit({ ...rig, wind: { ...rig.wind, beaufort: Number(b) } })}
        hint={`${now.sign} ${say(beaufortSpeed(rig.wind.beaufort), 'speed', units)}`}
      />
      <Choice
        label="The place is"
        value={rig.wind.shelter}
        options={(Object.keys(SHELTERS) as Shelter[]).map((id) => ({ id, name: SHELTERS[id].title }))}
        onChange={(shelter) => edit({ ...rig, wind: { ...rig.wind, shelter } })}
      />
    </>
  );
}

/** How far the trunks sway apart. */
export function SwayField({ editing: { rig, edit } }: { readonly editing: Editing }): ReactElement {
  return (
    <NumberField
      label="Trunks sway apart by"
      value={rig.sway}
      limit={RIDGE_LIMITS.sway}
      step={0.01}
      hint="a stiff cord feels it, a soft one hides it"
      onCommit={(sway) => edit({ ...rig, sway })}
    />
  );
}

/** From this wind on branches fall before lines break, Beaufort. */
const STRONG = 6;
/** Said first of all where it blows so hard that nobody should be there. */
export const StrongWind = ({ rig }: Pick<Editing, 'rig'>): ReactElement | null =>
  rig.wind.beaufort < STRONG ? null : (
    <Caution margin={{ base: '6px 14px', lg: '6px 16px 10px' }}>
      In a strong wind branches fall before lines break. Lower the roof and leave the trees.
    </Caution>
  );

/** Of a rig without a roof: sway, and what the evening and a wetting do to the line. */
export function WeatherControls({
  editing,
  report,
}: {
  readonly editing: Editing;
  readonly report: LineReport | null;
}): ReactElement {
  const units = useUnits();
  return (
    <Controls>
      <ControlGroup>
        <h3>Wind</h3>
        <SwayField editing={editing} />
      </ControlGroup>
      {report !== null && (
        <ControlGroup wide>
          <h3>Through the night</h3>
          <Table.Root>
            <Table.Header>
              <Table.Row>
                <Table.ColumnHeader scope="col">When</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Tension</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Sag</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Haul in again</Table.ColumnHeader>
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {report.line.settling.map((s) => (
                <Table.Row key={s.caseId}>
                  <Table.ColumnHeader scope="row">
                    {s.name}{' '}
                    <Span textStyle="quiet">
                      <Told said={s.when} />
                    </Span>
                  </Table.ColumnHeader>
                  <Table.Cell>
                    <FigureValue figure={s.tension} band />
                  </Table.Cell>
                  <Table.Cell>
                    <FigureValue figure={s.sag} />
                  </Table.Cell>
                  <Table.Cell>
                    {s.takeUp >= LEAST_HAUL
                      ? sayHaul(s.takeUp, units)
                      : s.takeUp <= -LEAST_HAUL
                        ? `let out ${sayHaul(-s.takeUp, units)}`
                        : '–'}
                  </Table.Cell>
                </Table.Row>
              ))}
              {report.line.cases
                .filter((c) => !report.line.settling.some((s) => s.caseId === c.id))
                .map((c) => (
                  <Table.Row key={c.id}>
                    <Table.ColumnHeader scope="row">
                      {c.name}{' '}
                      <Span textStyle="quiet">
                        <Told said={c.when} />
                      </Span>
                    </Table.ColumnHeader>
                    <Table.Cell>
                      <FigureValue figure={c.tension} band />
                    </Table.Cell>
                    <Table.Cell>
                      <FigureValue figure={c.sag} />
                    </Table.Cell>
                    <Table.Cell>–</Table.Cell>
                  </Table.Row>
                ))}
            </Table.Body>
          </Table.Root>
        </ControlGroup>
      )}
    </Controls>
  );
}
