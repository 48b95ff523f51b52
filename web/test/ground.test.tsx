import { ChakraProvider } from '@chakra-ui/react';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { SWRConfig } from 'swr';
import { findCord } from '@rough-bight/core/catalogue';
import type { Place, Thing } from '@rough-bight/core/ground';
import { fitOf } from '@rough-bight/core/ground';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import type { Person } from '../src/data/types.js';
import type { GroundJudgement } from '../src/workers/ground.worker.js';
import { system } from '../src/app/theme/index.js';
import { ChooseControls, ChooseQuick } from '../src/views/ground/choose-controls.js';
import { AddMeasure, MeasureControls } from '../src/views/ground/measure-controls.js';
import { Spans } from '../src/views/ground/spans.js';
import { Palette, ThingControls, ThingsTable } from '../src/views/ground/thing-controls.js';
import { press } from './press.js';
import { render } from './render.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
const landing = camp.places[0].place as Place;
const body = camp.person.body;
afterEach(() => {
  cleanup();
  held.place = landing;
});

const held: { place: Place } = { place: landing };
const keep = (place: Place): void => {
  held.place = place;
};
/** Who measures here, as the server would answer. */
let people: readonly Person[] = [];
const somebody = (id: string, name: string, pace: number): Person => ({
  id,
  name,
  body: { ...body, pace },
  units: { length: 'm', force: 'N' },
  required: DEFAULT_REQUIRED,
  calibrations: {},
  version: 1,
});
beforeEach(() => {
  people = [];
  globalThis.fetch = (() =>
    Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(people) })) as unknown as typeof fetch;
});
/** Keeps the place as the view does. */
function Held({
  start = landing,
  children,
}: {
  readonly start?: Place;
  readonly children: (place: Place, edit: (p: Place) => null) => ReactElement;
}): ReactElement {
  const [place, setPlace] = useState(start);
  return (
    <ChakraProvider value={system}>
      <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
        {children(place, (next) => {
          setPlace(next);
          keep(next);
          return null;
        })}
      </SWRConfig>
    </ChakraProvider>
  );
}
const thing = (id: string): Thing => held.place.things.find((t) => t.id === id)!;
const showThing = (id: string): void => {
  render(
    <Held>
      {(place, edit) => {
        const found = place.things.find((t) => t.id === id);
        return found === undefined ? (
          <p>gone</p>
        ) : (
          <ThingControls place={place} edit={edit} thing={found} body={body} onGone={() => undefined} />
        );
      }}
    </Held>,
  );
};
const type = (name: string, value: string): void => {
  const field = screen.getByRole('textbox', { name });
  fireEvent.change(field, { target: { value } });
  fireEvent.keyDown(field, { key: 'Enter' });
};

describe('one thing', () => {
  test('girth by a cord, then by hand spans', () => {
    showThing('ferry-alder');
    type('Girth', '0.9');
    expect(thing('ferry-alder')).toMatchObject({ girth: 0.9 });
    fireEvent.click(screen.getByRole('button', { name: 'by hand spans' }));
    type('Girth in hand spans', '4');
    expect(thing('ferry-alder')).toMatchObject({ girth: 0.84 });
    type('Girth in hand spans', '90');
    expect(screen.getByRole('alert').textContent).toMatch(/can be from/);
    expect(thing('ferry-alder')).toMatchObject({ girth: 0.84 });
  });
  test('a sign found at a tree is kept, and the caution stands there', async () => {
    showThing('ferry-alder');
    await press(screen.getByLabelText('rocks at the root'));
    expect(thing('ferry-alder')).toMatchObject({ signs: ['rocking'] });
    expect(screen.getByText(/Finding none does not pass it/)).toBeTruthy();
  });
  test('which tree it is, by what one sees; of two that fit alike the weaker', async () => {
    showThing('bank-poplar');
    await press(screen.getByRole('button', { name: 'Which tree is it?' }));
    await press(screen.getByLabelText('catkins'));
    await press(screen.getByLabelText('its feet at the water'));
    fireEvent.click(screen.getByRole('button', { name: 'Take willow' }));
    expect(thing('bank-poplar')).toMatchObject({ wood: 'willow' });
    await press(screen.getByLabelText('white peeling bark'));
    await press(screen.getByLabelText('needles'));
    await press(screen.getByLabelText('black buds in pairs'));
    expect(screen.getByRole('status').textContent).toMatch(/No wood here shows all that/);
  });
  test('corners come and go, never fewer than an outline needs', () => {
    showThing('osier-planting');
    fireEvent.click(screen.getByRole('button', { name: 'Add a corner' }));
    expect((thing('osier-planting') as { outline: readonly unknown[] }).outline).toHaveLength(5);
    const away = screen.getByRole('button', { name: 'Take the last away' });
    fireEvent.click(away);
    fireEvent.click(away);
    expect((thing('osier-planting') as { outline: readonly unknown[] }).outline).toHaveLength(3);
    expect((away as HTMLButtonElement).disabled).toBe(true);
  });
  test('a hollow says after how much rain it is full', () => {
    showThing('moss-hollow');
    expect(screen.getByRole('button', { name: /^rain that fills moss hollow: \d+ mm/ })).toBeTruthy();
  });
  test('taking it off takes its measures too', () => {
    showThing('ferry-alder');
    fireEvent.click(screen.getByRole('button', { name: 'Take ferry alder off the plan' }));
    expect(held.place.things.some((t) => t.id === 'ferry-alder')).toBe(false);
    expect(held.place.measures.some((m) => m.from === 'ferry-alder' || m.to === 'ferry-alder')).toBe(false);
  });
});

test('the table holds everything, and its places can be typed', () => {
  let opened = '';
  render(<Held>{(place, edit) => <ThingsTable place={place} edit={edit} onSelect={(id) => (opened = id)} />}</Held>);
  expect(screen.getAllByRole('row')).toHaveLength(landing.things.length + 1);
  type('twin alder, east', '4.5');
  expect(thing('twin-alder').at).toEqual([4.5, 6.1]);
  fireEvent.click(screen.getByRole('button', { name: 'twin alder' }));
  expect(opened).toBe('twin-alder');
});

test('a kind is taken in hand and laid down again', () => {
  const seen: (string | null)[] = [];
  render(<Palette putting="tree" onPutting={(k) => seen.push(k)} />);
  fireEvent.click(screen.getByRole('button', { name: 'Tree' }));
  fireEvent.click(screen.getByRole('button', { name: 'Hazard overhead' }));
  expect(seen).toEqual([null, 'hazard']);
});

describe('measures', () => {
  const show = (start: Place = landing): void => {
    render(
      <Held start={start}>
        {(place, edit) => (
          <>
            <AddMeasure place={place} edit={edit} />
            <MeasureControls
              place={place}
              edit={edit}
              survey={null}
              off={false}
              onPlaceThem={() => undefined}
              onFile={() => undefined}
            />
          </>
        )}
      </Held>,
    );
  };
  test('one is noted down between the two chosen, in the way chosen', () => {
    show();
    fireEvent.change(screen.getByRole('combobox', { name: 'From' }), { target: { value: 'twin-alder' } });
    fireEvent.change(screen.getByRole('combobox', { name: 'To' }), { target: { value: 'back-alder' } });
    fireEvent.change(screen.getByRole('combobox', { name: 'Measured by' }), { target: { value: 'feet' } });
    type('How many', '44.5');
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    expect(held.place.measures.at(-1)).toMatchObject({
      from: 'twin-alder',
      to: 'back-alder',
      how: 'feet',
      value: 44.5,
    });
    // the next one goes on from there
    expect((screen.getByRole('combobox', { name: 'From' }) as HTMLSelectElement).value).toBe('back-alder');
    expect((screen.getByRole('combobox', { name: 'To' }) as HTMLSelectElement).value).not.toBe('back-alder');
    expect(new Set(held.place.measures.map((m) => m.id)).size).toBe(held.place.measures.length);
  });
  test('what another paced is noted as theirs, with their measures; what is put right is the reader’s own again', async () => {
    people = [somebody('me', 'Instructor', 0.76), somebody('hazel', 'Hazel', 0.61)];
    show();
    await screen.findByRole('option', { name: 'Hazel’s paces' });
    fireEvent.change(screen.getByRole('combobox', { name: 'Measured by' }), { target: { value: 'paces, hazel' } });
    type('How many', '12');
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    const { by, value } = held.place.measures.at(-1)!;
    expect([by, value]).toEqual(['hazel', 12]);
    expect(held.place.measurers).toEqual([expect.objectContaining({ id: 'hazel', body: { ...body, pace: 0.61 } })]);
    const field = screen.getAllByRole('textbox', { name: /, paces$/ }).at(-1)!;
    expect(field.closest('td')!.textContent).toMatch(/by Hazel/);
    fireEvent.change(field, { target: { value: '12.5' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(held.place.measures.at(-1)).toMatchObject({ value: 12.5, by: undefined });
    // a tape is nobody's
    fireEvent.change(screen.getByRole('combobox', { name: 'Measured by' }), { target: { value: 'tape' } });
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    expect(held.place.measures.at(-1)).not.toHaveProperty('by');
  });
  test('bearings are typed in degrees and kept in radians', () => {
    show();
    fireEvent.change(screen.getByRole('combobox', { name: 'Measured by' }), { target: { value: 'compass' } });
    type('Bearing', '90');
    fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
    expect(held.place.measures.at(-1)!.value).toBeCloseTo(Math.PI / 2, 9);
  });
  test('one can be put right or deleted', () => {
    show();
    type('upstream alder to downstream alder, tape', '7');
    expect(held.place.measures[0]!.value).toBe(7);
    fireEvent.click(screen.getAllByRole('button', { name: /^Delete upstream alder to downstream alder/ })[0]!);
    expect(held.place.measures).toHaveLength(landing.measures.length - 1);
  });
  test('with fewer than two things it says what to do first', () => {
    show({ ...landing, things: landing.things.slice(0, 1), measures: [] });
    expect(screen.getByText(/Put at least two things on the plan/)).toBeTruthy();
  });
  test('the rangefinder reads or misses, and says which', async () => {
    show();
    let read = 0;
    for (let i = 0; i < 12; i++) {
      const before = held.place.measures.length;
      fireEvent.click(screen.getByRole('button', { name: 'Simulated rangefinder' }));
      const said = await screen.findByRole('status');
      await new Promise((r) => setTimeout(r, 5));
      if (/^Missed/.test(said.textContent ?? '')) expect(held.place.measures).toHaveLength(before);
      else read++;
    }
    expect(read).toBeGreaterThan(3);
    expect(held.place.measures.at(-1)).toMatchObject({ how: 'rangefinder' });
  });
});

describe('what is wanted', () => {
  const show = (start: Place = landing): void => {
    render(
      <Held start={start}>
        {(place, edit) => (
          <>
            <ChooseQuick place={place} edit={edit} kit={camp.kit} />
            <ChooseControls
              place={place}
              edit={edit}
              fit={fitOf(place.wish, { cord: findCord('nylon-550-4')!, length: 15 }, 0.6, body)}
              body={body}
            />
          </>
        )}
      </Held>,
    );
  };
  test('the form and the bed change what fits, in metres and in paces', () => {
    show();
    expect(screen.getByRole('button', { name: /^shortest span for the roof: 4\.00 m/ })).toBeTruthy();
    expect(screen.getByText('5.5 of my paces')).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox', { name: 'Bed' }), { target: { value: 'hammock' } });
    expect(screen.getByRole('button', { name: /^longest span at which I still reach the straps/ })).toBeTruthy();
    expect(screen.getByText(/no higher than you are willing to fall/)).toBeTruthy();
    type('Each strap', '0.5');
    expect(screen.getByRole('alert').textContent).toMatch(/No span can fit/);
  });
  test('weights are moved, and put back', async () => {
    show();
    const weights = within(screen.getByRole('group', { name: 'What counts' }));
    await act(async () => {
      weights.getByRole('slider', { name: 'Wind' }).focus();
      fireEvent.keyDown(weights.getByRole('slider', { name: 'Wind' }), { key: 'End' });
    });
    expect(held.place.wish.weights.wind).toBe(5);
    fireEvent.click(weights.getByRole('button', { name: 'As at first' }));
    expect(held.place.wish.weights.wind).toBe(2);
  });
  test('a cord that is gone is said, not replaced behind one’s back', () => {
    show({ ...landing, wish: { ...landing.wish, cord: 'gone' } });
    expect(
      (screen.getByRole('combobox', { name: 'Ridgeline' }) as HTMLSelectElement).selectedOptions[0]!.textContent,
    ).toBe('no longer in the kit');
  });
});

describe('the ranking of a drawing', () => {
  const shown = (offDrawing: number): { moved: () => number } => {
    let moved = 0;
    const judgement: GroundJudgement = {
      place: landing,
      fit: fitOf(landing.wish, { cord: findCord('nylon-550-4')!, length: 15 }, 0.6, body),
      good: [],
      out: [],
      goodCount: 0,
      outCount: 0,
      tooClose: 0,
      tooFar: 0,
      survey: null,
      offDrawing,
    };
    render(
      <ChakraProvider value={system}>
        <Spans
          judgement={judgement}
          explained={null}
          open={null}
          body={body}
          rigs={[]}
          onOpen={() => undefined}
          onStart={() => undefined}
          onMoveRig={() => undefined}
          onPlaceThem={() => moved++}
        />
      </ChakraProvider>,
    );
    return { moved: () => moved };
  };
  test('that its measures contradict says by how much, and moves the marks', () => {
    const { moved } = shown(0.38);
    expect(screen.getByText(/^Ranked as drawn: the measures say otherwise by up to 0\.38 m/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Move the marks' }));
    expect(moved()).toBe(1);
  });
  test('that agrees with them says nothing of it', () => {
    shown(0.04);
    expect(screen.queryByText(/^Ranked as drawn/)).toBeNull();
  });
});
