import { ControlRow, PageSection, Problem } from '../../parts/layout.js';
import { Box, Button, chakra, IconButton, Span, Text } from '@chakra-ui/react';
import type { BodyUnit, Repeat } from '@rough-bight/core/ground';
import {
  BODY_UNITS,
  MOST_REPEATS,
  UNITS_OF_BODY,
  calibrate,
  calibratedBody,
  calibrationFigure,
} from '@rough-bight/core/ground';
import { capital, say } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import type { Person } from '../../data/types.js';
import { Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { NumberField } from '../../parts/number-field.js';
import { WorkingContext, useUnits } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';

const UNIT_OPTIONS = BODY_UNITS.map((id) => ({ id, name: capital(UNITS_OF_BODY[id].name) }));
/** A taped length to begin from, m. */
const TAPED: Readonly<Partial<Record<BodyUnit, number>>> = { pace: 20, foot: 5, handSpan: 2, armSpan: 10 };

/** Body units against a tape: a few repeats give the length and how far one measuring strays. */
export function CalibrationSection({
  me,
  put,
}: {
  readonly me: Person;
  readonly put: (next: Person) => null;
}): ReactElement {
  const units = useUnits();
  const [unit, setUnit] = useState<BodyUnit>('pace');
  const [figure, setFigure] = useState<Figure | null>(null);
  const { name, walked, share, min, max } = UNITS_OF_BODY[unit];
  const repeats = me.calibrations[unit] ?? [];
  const [taped, setTaped] = useState(TAPED.pace!);
  const start = TAPED[unit] ?? me.body[unit];
  const [count, setCount] = useState(Math.round(TAPED.pace! / me.body.pace));
  const [problem, setProblem] = useState<string | null>(null);
  const [wrong, setWrong] = useState({ taped: false, count: false });
  const change = (next: readonly Repeat[]): void => {
    const calibrations = { ...me.calibrations, [unit]: next };
    // without a repeat the pace strays by what is believed beforehand, not by what repeats once said
    const believed = unit === 'pace' && next.length === 0 ? { ...me.body, paceSpread: share } : me.body;
    put({ ...me, calibrations, body: calibratedBody(believed, calibrations) });
  };
  const choose = (next: BodyUnit): void => {
    const length = TAPED[next] ?? me.body[next];
    setUnit(next);
    setTaped(length);
    setCount(UNITS_OF_BODY[next].walked ? Math.round(length / me.body[next]) : 1);
    setProblem(null);
    setWrong({ taped: false, count: false });
    setFigure(null);
  };
  const add = (): void => {
    if (wrong.taped || wrong.count) {
      setProblem('Not added: mend the number first.');
      return;
    }
    const one = taped / (walked ? count : 1);
    if (one < min || one > max) {
      setProblem(
        `That makes one ${name} ${say(one, 'length', units)}; it can be from ${say(min, 'length', units)} to ${say(max, 'length', units)}. Check the count and the tape.`,
      );
      return;
    }
    setProblem(null);
    change([...repeats, { taped, count: walked ? count : 1 }]);
  };
  return (
    <WorkingContext.Provider value={setFigure}>
      <PageSection aria-label="Against a tape">
        <h2>Against a tape</h2>
        <Text textStyle="quiet">
          Walk, step or span a taped length a few times and write each down. The mean becomes the length above; how the
          repeats differ becomes the range of everything you measure with it.
        </Text>
        <ControlRow>
          <Choice label="What" value={unit} options={UNIT_OPTIONS} onChange={choose} />
          <NumberField
            label={walked ? 'Along the tape' : 'By the tape'}
            value={taped}
            limit={{ quantity: 'length', min: walked ? 0.5 : min, max: walked ? 500 : max }}
            step={walked ? 0.5 : 0.01}
            hint={walked ? `say ${say(start, 'length', units)}` : 'stand as you do when tying'}
            onCommit={(v) => (setTaped(v), null)}
            onFault={(taped) => setWrong((w) => ({ ...w, taped }))}
          />
          {walked && (
            <NumberField
              label="Counted"
              value={count}
              limit={{ quantity: 'count', min: 1, max: 2000 }}
              step={0.5}
              hint="halves are worth noting"
              onCommit={(v) => (setCount(v), null)}
              onFault={(count) => setWrong((w) => ({ ...w, count }))}
            />
          )}
          <Button disabled={repeats.length >= MOST_REPEATS} onClick={add}>
            <Plus size={16} aria-hidden="true" /> Add this repeat
          </Button>
        </ControlRow>
        {problem !== null && <Problem role="alert">{problem}</Problem>}
        {repeats.length > 0 ? (
          <>
            <Text marginTop="10px">
              One {name}: <FigureValue figure={calibrationFigure(unit, repeats)} big band />{' '}
              <Span textStyle="quiet">
                one measuring strays by {(calibrate(repeats, share).share * 100).toFixed(1)} % (one standard deviation),
                from {repeats.length} {repeats.length === 1 ? 'repeat' : 'repeats'}
              </Span>
            </Text>
            <chakra.ul display="flex" flexWrap="wrap" gap="0 14px">
              {repeats.map((r, i) => (
                <li key={i}>
                  {`${say(r.taped, 'length', units)}${walked ? ` in ${r.count}` : ''}`}
                  <IconButton
                    variant="ghost"
                    aria-label={`Delete repeat ${i + 1} of ${name}`}
                    onClick={() => change(repeats.filter((_, k) => k !== i))}
                  >
                    <Trash2 size={16} />
                  </IconButton>
                </li>
              ))}
            </chakra.ul>
          </>
        ) : (
          <Text textStyle="quiet">
            No repeats yet: the length above is taken as it stands, and as known to {(share * 100).toFixed(1)} %.
          </Text>
        )}
        {figure !== null && (
          <Box maxWidth="460px" border="1.5px solid" borderColor="ink" marginTop="10px">
            <WorkingPanel figure={figure} onClose={() => setFigure(null)} />
          </Box>
        )}
      </PageSection>
    </WorkingContext.Provider>
  );
}
