import { Box, Button, chakra, Flex, Slider, Span, Text } from '@chakra-ui/react';
import type { DryBed, DryHour, DryNight } from '@rough-bight/core/dry';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { DRY } from '@rough-bight/core/under';
import { compassPoint } from '@rough-bight/core/weather';
import { cordWords, dryWords, lowerWords } from '@rough-bight/core/words';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import type { Told as Forecast } from '../../../data/weather.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { ForecastStrip } from '../../../parts/forecast-strip.js';
import { Caution } from '../../../parts/layout.js';
import { LongWork } from '../../../parts/long-work.js';
import { SlideLine } from '../../../parts/slide.js';
import { Told } from '../../../parts/told.js';
import { useUnits } from '../../../parts/units.js';
import { DryPlan } from '../../../scene/dry-plan.js';
import type { RoofReport } from '../../../workers/report.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { startDry } from '../../../workers/use-judge.js';
import { Found } from './found.js';
import { WithForecast } from './with-forecast.js';

interface Props {
  readonly question: RigQuestion;
  readonly report: RoofReport;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}

/** What stays dry under the roof, hour by hour of the forecast, and what to do about what does not. */
export function DryPanel(props: Props): ReactElement {
  const { bed: judged } = props.report;
  const bed = useMemo((): DryBed | null => {
    const line = judged?.shapes.find((s) => s.caseId === 'lying')?.line;
    return judged === null || line === undefined ? null : { name: judged.name, line };
  }, [judged]);
  const named = { title: 'Dry ground', closes: 'Close dry ground', onClose: props.onClose } as const;
  return (
    <WithForecast {...named}>
      {(forecast) => (
        <LongWork<DryNight>
          label="Dry ground"
          {...named}
          start={(_, done) => startDry(props.question, bed, forecast.readings, done)}
        >
          {(night) => <Stays {...props} {...{ night, bed, forecast }} />}
        </LongWork>
      )}
    </WithForecast>
  );
}

function Stays({
  question,
  night,
  bed,
  forecast,
  onTake,
}: Props & { readonly night: DryNight; readonly bed: DryBed | null; readonly forecast: Forecast }): ReactElement {
  const units = useUnits();
  const { hours, wet, lowered, pail, cords } = night;
  const [at, setAt] = useState(() => worstHour(hours));
  const hour = hours[at]!;
  const { sentence, detail } = dryWords(night);
  const columns = useMemo(() => hourColumns(hours, units), [hours, units]);
  const bad = hours.filter((h) => h.rain >= 0.1 && h.things.some((t) => t.dry < DRY)).map((h) => h.time);
  return (
    <Found sentence={sentence} detail={detail} bad={wet.length > 0}>
      {lowered !== null && (
        <Flex gap="10px" align="center" wrap="wrap">
          <Text flex="1 1 160px">
            <Told said={lowerWords(lowered)} />
          </Text>
          <Button variant="solid" onClick={() => onTake(lowered.rig)}>
            Do that
          </Button>
        </Flex>
      )}
      {wet.length > 0 && lowered === null && (
        <Text>
          No edge brought lower keeps all of it dry. Move what gets wet to windward, or turn the roof’s back to the
          wind.
        </Text>
      )}
      <DryPlan
        {...{ hours, hour, pail, bed }}
        under={question.rig.under ?? []}
        walls={question.rig.walls ?? []}
        bearing={question.rig.pitch!.bearing}
      />
      <ForecastStrip readings={forecast.readings} worst={hour.time} bad={bad} width={250} />
      <Slider.Root
        min={0}
        max={hours.length - 1}
        value={[at]}
        onValueChange={(e) => setAt(e.value[0]!)}
        aria-label={['Hour']}
        getAriaValueText={() => format(hour.time, 'EEE HH:mm')}
      >
        <SlideLine />
      </Slider.Root>
      <Here hour={hour} units={units} />
      {cords.length > 0 && (
        <Box>
          <Text as="h2" textStyle="name">
            Water along cords
          </Text>
          <chakra.ul aria-label="Water along cords" listStyleType="none" margin={0} padding={0}>
            {cords.map((c) => (
              <chakra.li key={c.id} paddingBlock="4px" borderTop="1px solid" borderColor="hairline">
                <Told said={cordWords(c)} />
              </chakra.li>
            ))}
          </chakra.ul>
        </Box>
      )}
      <DataTable name="Hours" rows={hours} columns={columns} rowId={(h) => String(h.time)} />
      <Text textStyle="quiet">
        {forecast.name}
        {forecast.simulated && ', simulated'}. The roof as pitched, in still air; cloth that lifts in gusts lets more
        in, and spray goes farther than drops.
      </Text>
      <Caution>Water in the pail is rain off cloth. Boil it before you drink it.</Caution>
    </Found>
  );
}

/** The hour that is drawn: how the rain falls, what it reaches, what the pail gets. */
function Here({ hour, units }: { readonly hour: DryHour; readonly units: UnitChoice }): ReactElement {
  const wet = hour.things.filter((t) => t.dry < DRY);
  return (
    <Box>
      <Flex align="baseline" gap="8px">
        <Text as="span" textStyle="name" flex="none">
          {format(hour.time, 'EEE HH:mm')}
        </Text>
        <Span textStyle="quiet" flex={1} textAlign="right">
          {say(hour.wind, 'speed', units)} from the {compassPoint(hour.from)}
        </Span>
      </Flex>
      <p>
        {hour.rain < 0.1
          ? 'No rain to speak of.'
          : `${say(hour.rain / 1000, 'diameter', units)} an hour, ${say(hour.slant, 'angle', units)} from upright.`}{' '}
        {say(hour.area, 'area', units)} stay dry. {hour.rain >= 0.1 && `The pail gets ${litres(hour.pail)} an hour. `}
        {wet.length > 0 && hour.rain >= 0.1 && `Rain reaches ${wet.map((t) => t.name).join(', ')}.`}
      </p>
    </Box>
  );
}

/** As a pail is read. */
const litres = (l: number): string =>
  l < 1 ? 'less than a litre' : `${l < 10 ? l.toFixed(0) : Math.round(l / 5) * 5} litres`;

/** The rainy hour in which least stays dry; the first where none is. */
function worstHour(hours: readonly DryHour[]): number {
  const least = (h: DryHour): number => (h.rain < 0.1 ? 2 : Math.min(1, ...h.things.map((t) => t.dry)) + h.area / 1e4);
  return hours.reduce((best, h, i) => (least(h) < least(hours[best]!) ? i : best), 0);
}

const hourColumns = (hours: readonly DryHour[], units: UnitChoice): readonly Column<DryHour>[] => [
  {
    id: 'hour',
    name: 'Hour',
    head: true,
    value: (h) => new Date(h.time).toISOString(),
    cell: (h) => format(h.time, 'EEE HH:mm'),
  },
  {
    id: 'rain',
    name: 'Rain, an hour',
    unit: 'mm',
    value: (h) => h.rain,
    cell: (h) => (h.rain >= 0.1 ? say(h.rain / 1000, 'diameter', units) : '–'),
  },
  { id: 'area', name: 'Dry', unit: 'm2', value: (h) => h.area, cell: (h) => say(h.area, 'area', units) },
  ...(hours[0]?.things ?? []).map(({ id, name }): Column<DryHour> => ({
    id,
    name,
    value: (h) => h.things.find((t) => t.id === id)!.dry,
    cell: (h) => (h.rain < 0.1 ? '–' : say(h.things.find((t) => t.id === id)!.dry, 'share', units)),
  })),
  { id: 'pail', name: 'Pail', unit: 'l', value: (h) => h.pail, cell: (h) => (h.rain >= 0.1 ? litres(h.pail) : '–') },
  { id: 'from', name: 'From', value: (h) => compassPoint(h.from, 16) },
];
