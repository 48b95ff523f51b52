import { Box, Button, chakra, Flex, Text } from '@chakra-ui/react';
import type { Night, NightHour, NightTask, OtherPitch } from '@rough-bight/core/night';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { compassPoint } from '@rough-bight/core/weather';
import { FARES, nightWords, pitchWords, taskWords } from '@rough-bight/core/words';
import { format } from 'date-fns';
import { Bell } from 'lucide-react';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import type { Told as Forecast } from '../../../data/weather.js';
import { DataTable } from '../../../parts/data-table.js';
import type { Column } from '../../../parts/data-table.js';
import { ForecastStrip } from '../../../parts/forecast-strip.js';
import { Caution } from '../../../parts/layout.js';
import { LongWork } from '../../../parts/long-work.js';
import { saveText } from '../../../parts/save-text.js';
import { useUnits } from '../../../parts/units.js';
import type { RoofReport } from '../../../workers/report.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { startNight } from '../../../workers/use-judge.js';
import { Found } from './found.js';
import { WithForecast } from './with-forecast.js';

interface Props {
  readonly id: string;
  readonly name: string;
  readonly question: RigQuestion;
  readonly report: RoofReport;
  readonly onTake: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}

/** What the night asks: when to haul in, when it has to be changed or taken down, as a list and as alarms. */
export function NightPanel(props: Props): ReactElement {
  const named = { title: 'Tonight', closes: 'Close tonight', onClose: props.onClose } as const;
  return (
    <WithForecast {...named}>
      {(forecast) => (
        <LongWork<Night>
          label="Tonight"
          {...named}
          start={(progress, done) => startNight(props.question, props.report.roof, forecast.readings, progress, done)}
        >
          {(night) => <Planned {...props} night={night} forecast={forecast} />}
        </LongWork>
      )}
    </WithForecast>
  );
}

function Planned({
  id,
  name,
  night,
  forecast,
  onTake,
}: Props & { readonly night: Night; readonly forecast: Forecast }): ReactElement {
  const units = useUnits();
  const columns = useMemo(() => hourColumns(units), [units]);
  const bad = night.hours.filter((h) => h.fares === 'gives' || h.fares === 'flaps').map((h) => h.time);
  const alarms = async (): Promise<void> => {
    const { nightCalendar } = await import('@rough-bight/core/calendar');
    saveText(`${id}-tonight.ics`, 'text/calendar', nightCalendar(id, name, night.tasks, units, Date.now()));
  };
  return (
    <Found sentence={nightWords(night)} bad={bad.length > 0}>
      <ForecastStrip readings={forecast.readings} worst={null} bad={bad} width={250} />
      <Text textStyle="quiet">
        {forecast.name}
        {forecast.simulated && ', simulated'}: wind and gusts in the open; rain from above.
      </Text>
      <chakra.ol aria-label="What is to be done" listStyleType="none" margin={0} padding={0}>
        {night.tasks.map((task) => (
          <Task key={`${task.kind} ${task.time}`} task={task} onTake={onTake} />
        ))}
      </chakra.ol>
      {night.tasks.length > 0 && (
        <Button justifySelf="start" onClick={() => void alarms()}>
          <Bell size={16} aria-hidden="true" /> Save as alarms
        </Button>
      )}
      <DataTable name="Hours" rows={night.hours} columns={columns} rowId={(h) => String(h.time)} />
      <Caution>A forecast is wrong somewhere every night. Look out, and leave the trees before a gale.</Caution>
    </Found>
  );
}

function Task({ task, onTake }: { readonly task: NightTask; readonly onTake: (rig: RidgeRig) => void }): ReactElement {
  const units = useUnits();
  const { what, how } = taskWords(task, units);
  const change = task.kind === 'before' && !task.leave ? (task.change?.rig ?? null) : null;
  return (
    <chakra.li paddingBlock="6px" borderTop="1px solid" borderColor="hairline">
      <Flex gap="10px">
        <Text as="span" fontWeight={700} flex="0 0 52px">
          {format(task.time, 'EEE HH:mm')}
        </Text>
        <Box>
          <Text fontWeight={700} {...(task.kind === 'before' ? { color: 'danger' } : {})}>
            {what}
          </Text>
          <p>{how}</p>
          {change !== null && (
            <Button marginTop="6px" onClick={() => onTake(change)}>
              Do that
            </Button>
          )}
          {task.kind === 'before' && <Others pitches={task.others} onTake={onTake} />}
        </Box>
      </Flex>
    </chakra.li>
  );
}

/** How else it can be pitched before a bad hour. */
function Others({
  pitches,
  onTake,
}: {
  readonly pitches: readonly OtherPitch[];
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const units = useUnits();
  return (
    <>
      {pitches.map((p) => (
        <Box key={JSON.stringify(p.how)} marginTop="8px">
          <p>{pitchWords(p, units)}</p>
          <Button marginTop="4px" onClick={() => onTake(p.rig)}>
            Pitch it so
          </Button>
        </Box>
      ))}
    </>
  );
}

const hourColumns = (units: UnitChoice): readonly Column<NightHour>[] => [
  {
    id: 'hour',
    name: 'Hour',
    head: true,
    value: (h) => new Date(h.time).toISOString(),
    cell: (h) => format(h.time, 'EEE HH:mm'),
  },
  { id: 'gust', name: 'Gust', unit: 'm/s', value: (h) => h.gust, cell: (h) => say(h.gust, 'speed', units) },
  { id: 'fares', name: 'It', value: (h) => h.fares, cell: (h) => FARES[h.fares] },
  { id: 'from', name: 'From', value: (h) => compassPoint(h.from, 16) },
  {
    id: 'rain',
    name: 'Rain, an hour',
    unit: 'mm',
    value: (h) => h.rain,
    cell: (h) => (h.rain >= 0.1 ? say(h.rain / 1000, 'diameter', units) : '–'),
  },
  { id: 'times', name: 'Times its pressure', value: (h) => h.times },
];
