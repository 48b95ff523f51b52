import { Caution, ControlGroup, ControlRow, Controls, Problem } from '../../parts/layout.js';
import { Box, Button, RadioGroup, Span } from '@chakra-ui/react';
import { SHELTERS, SOILS } from '@rough-bight/core/catalogue';
import type { Shelter } from '@rough-bight/core/catalogue';
import { PLACE_LIMITS } from '@rough-bight/core/ground';
import { say } from '@rough-bight/core/quantity';
import { BEAUFORT, beaufortOf, compassPoint, worstOf } from '@rough-bight/core/weather';
import type { WeatherReading } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';
import useSWR from 'swr';
import { get } from '../../data/api.js';
import { useForecast } from '../../data/weather.js';
import { ForecastStrip } from '../../parts/forecast-strip.js';
import { Choice } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import type { GroundEditing } from './steps.js';

const SHELTER_OPTIONS = (Object.keys(SHELTERS) as Shelter[]).map((id) => ({ id, name: SHELTERS[id].title }));
const SOIL_OPTIONS = SOILS.map((s) => ({ id: s.id, name: s.name }));
const when = new Intl.DateTimeFormat('en-GB', { weekday: 'long', hour: '2-digit', minute: '2-digit' });

/** The wind by its signs, where from, and how sheltered. */
export function WindQuick({ place, edit }: GroundEditing): ReactElement {
  const { wind } = place;
  const set = (part: Partial<typeof wind>): null => edit({ ...place, wind: { ...wind, ...part } });
  return (
    <>
      <Choice
        label="Wind by its signs"
        value={String(wind.beaufort)}
        options={BEAUFORT.map((b, i) => ({ id: String(i), name: `${i} ${b.name}` }))}
        onChange={(b) => set({ beaufort: Number(b) })}
      />
      <NumberField
        label="Comes from"
        value={wind.from}
        limit={PLACE_LIMITS.bearing}
        step={Math.PI / 36}
        hint={`the ${compassPoint(wind.from)}`}
        onCommit={(from) => set({ from })}
      />
      <Choice label="Shelter" value={wind.shelter} options={SHELTER_OPTIONS} onChange={(shelter) => set({ shelter })} />
    </>
  );
}

/** The wind by its signs or from an instrument; the slope and the soil. */
export function WindControls({ place, edit }: GroundEditing): ReactElement {
  const { wind } = place;
  const set = (part: Partial<typeof wind>): null => edit({ ...place, wind: { ...wind, ...part } });
  return (
    <Controls>
      <ControlGroup as="fieldset" wide>
        <legend>What the wind does</legend>
        <RadioGroup.Root
          value={String(wind.beaufort)}
          onValueChange={({ value }) => value !== null && set({ beaufort: Number(value) })}
          aria-label="Beaufort"
        >
          {BEAUFORT.map((b, i) => (
            <RadioGroup.Item key={b.name} value={String(i)}>
              <RadioGroup.ItemHiddenInput />
              <RadioGroup.ItemControl />
              <RadioGroup.ItemText>
                <b>
                  {i} {b.name}
                </b>{' '}
                {b.sign} <Span textStyle="quiet">Water: {b.water}</Span>
              </RadioGroup.ItemText>
            </RadioGroup.Item>
          ))}
        </RadioGroup.Root>
      </ControlGroup>
      <ControlGroup>
        <h3>Slope and soil</h3>
        <ControlRow>
          <NumberField
            label="Ground falls"
            value={place.slope.fall}
            limit={PLACE_LIMITS.fall}
            step={0.01}
            hint="100 % is 45°"
            onCommit={(fall) => edit({ ...place, slope: { ...place.slope, fall } })}
          />
          <NumberField
            label="Toward"
            value={place.slope.toward}
            limit={PLACE_LIMITS.bearing}
            step={Math.PI / 36}
            hint={`the ${compassPoint(place.slope.toward)}`}
            onCommit={(toward) => edit({ ...place, slope: { ...place.slope, toward } })}
          />
        </ControlRow>
        <Choice
          label="Soil by feel"
          value={place.soil}
          options={SOIL_OPTIONS}
          hint={SOILS.find((s) => s.id === place.soil)?.feel ?? ''}
          onChange={(soil) => edit({ ...place, soil })}
        />
        <Instruments place={place} edit={edit} />
      </ControlGroup>
    </Controls>
  );
}

interface Told<T> {
  readonly name: string;
  readonly simulated: boolean;
  readonly reading: T;
}

/** The station and the forecast that the server knows; both are stand-ins until real ones are put in. */
function Instruments({ place, edit }: GroundEditing): ReactElement {
  const units = useUnits();
  const now = useSWR<Told<WeatherReading>, Error>('/api/weather/now', get, { revalidateOnFocus: false });
  const ahead = useForecast(60);
  const take = (r: WeatherReading): null =>
    edit({ ...place, wind: { ...place.wind, beaufort: beaufortOf(r.wind), from: Math.round(r.from * 100) / 100 } });
  const words = (r: WeatherReading): string =>
    `${BEAUFORT[beaufortOf(r.wind)]!.name} from the ${compassPoint(r.from)}, gusts ${say(r.gust, 'speed', units)}`;
  const worst = ahead.data === undefined || ahead.data.readings.length === 0 ? null : worstOf(ahead.data.readings);
  return (
    <Box marginTop="10px">
      <h3>Instruments</h3>
      {now.error !== undefined && <Problem>{now.error.message}</Problem>}
      {now.data !== undefined && (
        <p>
          <b>
            {now.data.name}
            {now.data.simulated && ', simulated'}:
          </b>{' '}
          {words(now.data.reading)}.{' '}
          <Button size="sm" onClick={() => take(now.data!.reading)}>
            Take it
          </Button>
        </p>
      )}
      {ahead.error !== undefined && <Problem>{ahead.error.message}</Problem>}
      {ahead.data !== undefined && worst !== null && (
        <>
          <ForecastStrip readings={ahead.data.readings} worst={worst.time} />
          <p>
            <b>
              {ahead.data.name}
              {ahead.data.simulated && ', simulated'}:
            </b>{' '}
            worst {when.format(worst.time)}, {words(worst)}, {say(worst.rain / 1000, 'diameter', units)} of rain an
            hour.{' '}
            <Button size="sm" onClick={() => take(worst)}>
              Choose for the worst
            </Button>
          </p>
          {beaufortOf(worst.wind) >= 7 && (
            <Caution>
              A storm is coming. Choose ground you can leave in the dark, and leave the trees before it.
            </Caution>
          )}
        </>
      )}
    </Box>
  );
}
