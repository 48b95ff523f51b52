import { Box, Button, chakra, IconButton, Span, Text } from '@chakra-ui/react';
import { misfits } from '@rough-bight/core/document';
import type { Problem } from '@rough-bight/core/document';
import type { BodyUnit, Repeat } from '@rough-bight/core/ground';
import {
  BODY_UNITS,
  MOST_REPEATS,
  UNITS_OF_BODY,
  calibrate,
  calibratedBody,
  calibrationFigure,
  calibrationsDocument,
} from '@rough-bight/core/ground';
import { capital, say } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import type { Person } from '../../data/types.js';
import { Choice } from '../../parts/choice.js';
import { useDocumentForm } from '../../parts/document-form.js';
import { FigureValue } from '../../parts/figure.js';
import { FormNumber } from '../../parts/form-fields.js';
import { ControlRow, PageSection, Problem as Trouble } from '../../parts/layout.js';
import { WorkingContext, useUnits } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';

const UNIT_OPTIONS = BODY_UNITS.map((id) => ({ id, name: capital(UNITS_OF_BODY[id].name) }));
/** A taped length to begin from, m. */
const TAPED: Readonly<Partial<Record<BodyUnit, number>>> = { pace: 20, foot: 5, handSpan: 2, armSpan: 10 };

/** A repeat as it would be, were the unit as long as it is taken to be; a height is one of itself. */
function usualRepeat({ body }: Person, unit: BodyUnit): Repeat {
  const taped = TAPED[unit] ?? body[unit];
  return { taped, count: UNITS_OF_BODY[unit].walked ? Math.round(taped / body[unit]) : 1 };
}

/** What is wrong with the last of a unit's repeats, at its field. */
function repeatProblems(unit: BodyUnit, repeats: readonly Repeat[]): readonly Problem[] {
  const last = `${unit}.${repeats.length - 1}`;
  return misfits(calibrationsDocument, { [unit]: repeats })
    .filter((p) => p.field.startsWith(last))
    .map((p) => ({ ...p, field: p.field.slice(last.length + 1) || (UNITS_OF_BODY[unit].walked ? 'count' : 'taped') }));
}

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
  const [next, setNext] = useState(() => usualRepeat(me, 'pace'));
  const of = useDocumentForm<Repeat>(next, (one) => repeatProblems(unit, [...repeats, one]), setNext);
  const [problem, setProblem] = useState<string | null>(null);
  const change = (all: readonly Repeat[]): void => {
    const calibrations = { ...me.calibrations, [unit]: all };
    // without a repeat the pace strays by what is believed beforehand, not by what repeats once said
    const believed = unit === 'pace' && all.length === 0 ? { ...me.body, paceSpread: share } : me.body;
    put({ ...me, calibrations, body: calibratedBody(believed, calibrations) });
  };
  const choose = (to: BodyUnit): void => {
    setUnit(to);
    setNext(usualRepeat(me, to));
    of.form.clearErrors();
    setProblem(null);
    setFigure(null);
  };
  const add = (): void => {
    // as it stands in the fields this moment
    const all = [...repeats, of.form.getValues()];
    const unfit = of.faulty || repeatProblems(unit, all).length > 0;
    setProblem(unfit ? 'Not added: mend the number first.' : null);
    if (!unfit) change(all);
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
          <FormNumber
            key={unit}
            of={of}
            name="taped"
            label={walked ? 'Along the tape' : 'By the tape'}
            limit={{ quantity: 'length', min: walked ? 0.5 : min, max: walked ? 500 : max }}
            step={walked ? 0.5 : 0.01}
            hint={walked ? `say ${say(usualRepeat(me, unit).taped, 'length', units)}` : 'stand as you do when tying'}
          />
          {walked && (
            <FormNumber
              of={of}
              name="count"
              label="Counted"
              limit={{ quantity: 'count', min: 1, max: 2000 }}
              step={0.5}
              hint="halves are worth noting"
            />
          )}
          <Button disabled={repeats.length >= MOST_REPEATS} onClick={add}>
            <Plus size={16} aria-hidden="true" /> Add this repeat
          </Button>
        </ControlRow>
        {problem !== null && <Trouble role="alert">{problem}</Trouble>}
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
