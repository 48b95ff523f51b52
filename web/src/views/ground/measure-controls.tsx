import { Buttons } from '../../parts/layout.js';
import { Box, Button, IconButton, Span, Table, Text, VisuallyHidden } from '@chakra-ui/react';
import type { Measure, MeasureHow, Place } from '@rough-bight/core/ground';
import { HOW_WORDS, MEASURE_HOWS, PLACE_LIMITS, byBody, sayMeasure, withMeasurer } from '@rough-bight/core/ground';
import { capital, say } from '@rough-bight/core/quantity';
import { Crosshair, FileUp, Plus, Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { usePeople } from '../../data/me.js';
import { openRangefinder } from '../../devices/rangefinder.js';
import { Choice } from '../../parts/choice.js';
import { Hint } from '../../parts/hint.js';
import { NumberField } from '../../parts/number-field.js';
import { Empty } from '../../parts/states.js';
import { useUnits } from '../../parts/units.js';
import type { SurveyShown } from '../../workers/ground.worker.js';
import type { GroundEditing } from './steps.js';
import { FileChoice } from '../../parts/file-choice.js';

const FRESH: Readonly<Record<MeasureHow, number>> = {
  tape: 5,
  paces: 7,
  feet: 17,
  spans: 3,
  line: 1,
  rangefinder: 5,
  compass: 0,
};

function limitOf(how: MeasureHow): (typeof PLACE_LIMITS)[keyof typeof PLACE_LIMITS] {
  return how === 'compass'
    ? PLACE_LIMITS.bearing
    : how === 'tape' || how === 'rangefinder'
      ? PLACE_LIMITS.metres
      : PLACE_LIMITS.count;
}
const suffixOf = (how: MeasureHow): { readonly suffix?: string } =>
  how === 'paces' || how === 'feet' || how === 'spans' ? { suffix: how } : how === 'line' ? { suffix: 'lines' } : {};

/** Distances and bearings as they were taken, and what they say together. */
export function MeasureControls({
  place,
  edit,
  survey,
  off,
  onPlaceThem,
  onFile,
}: GroundEditing & {
  readonly survey: SurveyShown | null;
  /** Whether the marks stand elsewhere than the measures put them. */
  readonly off: boolean;
  readonly onPlaceThem: () => void;
  readonly onFile: (file: File) => void;
}): ReactElement {
  const units = useUnits();
  const measure = (id: string, part: Partial<Measure>): null =>
    edit({ ...place, measures: place.measures.map((m) => (m.id === id ? { ...m, ...part } : m)) });
  const name = (id: string): string => place.things.find((t) => t.id === id)?.name ?? id;
  const { people, me } = usePeople();
  const owner = ({ how, by }: Measure): ReactElement | null => {
    if (by === undefined || by === me?.id || !byBody(how)) return null;
    const person = people?.find((p) => p.id === by) ?? place.measurers?.find((p) => p.id === by);
    return person === undefined ? null : <Span textStyle="quiet"> by {person.name}</Span>;
  };
  return (
    <Box>
      {survey !== null && (
        <Box marginBottom="10px" aria-live="polite">
          {survey.findings.map((f) => (
            <Text key={f.text} layerStyle="finding" {...(f.grave ? { borderColor: 'danger' } : {})}>
              {f.text}
            </Text>
          ))}
          {survey.findings.length === 0 && (
            <Text layerStyle="finding">
              {survey.redundancy > 0
                ? 'The measures agree with one another.'
                : 'Just enough measures: nothing checks them. One more distance would.'}
            </Text>
          )}
          {off && <Button onClick={onPlaceThem}>Move the marks to where the measures put them</Button>}
        </Box>
      )}
      {place.measures.length > 0 ? (
        <Box position="relative" overflowX="auto" maxWidth="100%" tabIndex={0} role="region" aria-label="Measures">
          <Table.Root>
            <Table.Header>
              <Table.Row>
                <Table.ColumnHeader scope="col">From</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">To</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">Taken as</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">All together say</Table.ColumnHeader>
                <Table.ColumnHeader scope="col">
                  <VisuallyHidden>Delete</VisuallyHidden>
                </Table.ColumnHeader>
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {place.measures.map((m) => {
                const r = survey?.residuals.find((x) => x.id === m.id);
                const left = survey?.leftOut.includes(m.id) ?? false;
                const wrong = left || Math.abs(r?.standardised ?? 0) > 3.29;
                return (
                  <Table.Row key={m.id} {...(wrong ? { color: 'danger', fontWeight: 700 } : {})}>
                    <Table.ColumnHeader scope="row">{name(m.from)}</Table.ColumnHeader>
                    <Table.Cell>{name(m.to)}</Table.Cell>
                    <Table.Cell>
                      <NumberField
                        label={`${name(m.from)} to ${name(m.to)}, ${HOW_WORDS[m.how]}`}
                        bare
                        value={m.value}
                        limit={limitOf(m.how)}
                        step={
                          m.how === 'compass' ? Math.PI / 180 : m.how === 'tape' || m.how === 'rangefinder' ? 0.1 : 0.5
                        }
                        {...suffixOf(m.how)}
                        onCommit={(value) => measure(m.id, { value, by: undefined })}
                      />
                      {owner(m)}
                    </Table.Cell>
                    <Table.Cell>
                      {left
                        ? 'left out'
                        : r === undefined
                          ? ''
                          : m.how === 'compass'
                            ? `${((((r.computed * 180) / Math.PI) % 360) + 360).toFixed(0)}°`.replace(
                                /^(\d+)°$/,
                                (_, d: string) => `${Number(d) % 360}°`,
                              )
                            : say(r.computed, 'length', units)}
                    </Table.Cell>
                    <Table.Cell>
                      <IconButton
                        variant="ghost"
                        aria-label={`Delete ${name(m.from)} to ${name(m.to)}, ${sayMeasure(m, units)}`}
                        onClick={() => edit({ ...place, measures: place.measures.filter((x) => x.id !== m.id) })}
                      >
                        <Trash2 size={17} />
                      </IconButton>
                    </Table.Cell>
                  </Table.Row>
                );
              })}
            </Table.Body>
          </Table.Root>
        </Box>
      ) : (
        <Empty>
          Nothing is measured yet: everything stands where it was drawn, known to a twentieth of the distance. Pace from
          tree to tree; three points need three distances.
        </Empty>
      )}
      <Box display="flex" flexWrap="wrap" gap="8px" alignItems="center" marginTop="8px">
        <NumberField
          label="My measuring line"
          value={place.measuringLine}
          limit={PLACE_LIMITS.measuringLine}
          step={0.1}
          hint="a ridgeline of known length"
          onCommit={(measuringLine) => edit({ ...place, measuringLine })}
        />
        <FileChoice accept=".csv,text/csv" onFile={onFile}>
          <FileUp size={16} aria-hidden="true" /> Distances from a CSV file
        </FileChoice>
      </Box>
    </Box>
  );
}

const NOT_NOTED = 'Not noted down: mend the number first.';

/** One more measure: by hand, or by the rangefinder. */
export function AddMeasure({ place, edit }: GroundEditing): ReactElement | null {
  const points = place.things.filter((t) => !('outline' in t));
  const [from, setFrom] = useState(points[0]?.id ?? '');
  const [to, setTo] = useState(points[1]?.id ?? '');
  const [how, setHow] = useState<MeasureHow>('paces');
  const [value, setValue] = useState(FRESH.paces);
  const [wrong, setWrong] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const units = useUnits();
  const { people = [], me } = usePeople();
  const [other, setOther] = useState<string | null>(null);
  const whose = other ?? me?.id ?? '';
  // a body's own units are somebody's
  const ways = MEASURE_HOWS.flatMap((way) =>
    byBody(way) && people.length > 1
      ? people.map(({ id, name }) => ({
          way,
          by: id,
          name: `${id === me?.id ? 'My' : `${name}’s`} ${HOW_WORDS[way]}`,
        }))
      : [{ way, by: whose, name: capital(HOW_WORDS[way]) }],
  ).map((w) => ({ ...w, id: people.length > 1 && byBody(w.way) ? `${w.way}, ${w.by}` : w.way }));
  const device = useMemo(() => openRangefinder(place), [place]);
  if (points.length < 2) return <p>Put at least two things on the plan under Look, then measure between them.</p>;
  const options = points.map((t) => ({ id: t.id, name: t.name }));
  const known = (id: string, otherwise: string): string => (points.some((t) => t.id === id) ? id : otherwise);
  const a = known(from, points[0]!.id);
  const b = known(to === a ? '' : to, points.find((t) => t.id !== a)!.id);
  const add = (into: Place, kind: MeasureHow, v: number): void => {
    let k = into.measures.length + 1;
    while (into.measures.some((m) => m.id === `m${k}`)) k++;
    const measurer = byBody(kind) ? people.find((p) => p.id === whose) : undefined;
    edit({
      ...into,
      measures: [
        ...into.measures,
        {
          id: `m${k}`,
          from: a,
          to: b,
          how: kind,
          value: v,
          ...(measurer === undefined ? {} : { by: measurer.id }),
        },
      ],
      ...(measurer === undefined ? {} : { measurers: [...withMeasurer(into, measurer)] }),
    });
    // on from where one now stands, to what comes next
    setFrom(b);
    setTo(points[(points.findIndex((t) => t.id === b) + 1) % points.length]!.id);
  };
  const shoot = async (): Promise<void> => {
    const reading = await device.range({ from: a, to: b });
    if (reading.kind === 'miss') setSaid(`Missed. ${reading.reason}`);
    else {
      add(place, 'rangefinder', reading.distance);
      setSaid(`${say(reading.distance, 'length', units)}, within ${say(reading.sd * 1.645, 'length', units)}.`);
    }
  };
  return (
    <>
      <Choice label="From" value={a} options={options} onChange={setFrom} />
      <Choice label="To" value={b} options={options.filter((o) => o.id !== a)} onChange={setTo} />
      {/* names of things want the room */}
      <Box flex="1 1 104px !important">
        <Choice
          label="Measured by"
          value={ways.find((w) => w.way === how && (w.by === whose || !byBody(how)))!.id}
          options={ways}
          onChange={(way) => {
            const next = ways.find((w) => w.id === way)!;
            setHow(next.way);
            if (byBody(next.way)) setOther(next.by);
            setValue(FRESH[next.way]);
            setWrong(false);
          }}
        />
      </Box>
      <NumberField
        label={how === 'compass' ? 'Bearing' : how === 'tape' || how === 'rangefinder' ? 'Distance' : 'How many'}
        value={value}
        limit={limitOf(how)}
        step={how === 'compass' ? Math.PI / 180 : 0.5}
        {...suffixOf(how)}
        onCommit={(v) => {
          setValue(v);
          return null;
        }}
        onFault={setWrong}
      />
      <Buttons marginTop={0} alignSelf="center" flex="none !important">
        <Button onClick={() => (wrong ? setSaid(NOT_NOTED) : add(place, how, value))}>
          <Plus size={16} aria-hidden="true" /> Note it
        </Button>
        <Hint text={device.name}>
          <IconButton
            variant="outline"
            flex="none"
            minWidth="44px"
            justifyContent="center"
            aria-label={device.name}
            onClick={() => void shoot()}
          >
            <Crosshair size={18} />
          </IconButton>
        </Hint>
        {said !== null && (
          <Span role="status" alignSelf="center">
            {said}
          </Span>
        )}
      </Buttons>
    </>
  );
}
