import { Accordion } from '@chakra-ui/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import type { KitBed, KitStraps } from '@rough-bight/core/bed';
import { PEGS } from '@rough-bight/core/catalogue';
import { cordOf } from '@rough-bight/core/cordage';
import type { KitCord } from '@rough-bight/core/cordage';
import { say } from '@rough-bight/core/quantity';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { problemsInKit, wrongInKit } from '@rough-bight/core/rig';
import type { Kit, KitList } from '@rough-bight/core/rig';
import { LAYOUTS, roofMass, roofProblems, tieOutsOf } from '@rough-bight/core/roof';
import type { KitRoof } from '@rough-bight/core/roof';
import type { KitPegs } from '@rough-bight/core/support';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { MemoryRouter } from 'react-router';
import { UnitsContext } from '../src/parts/units.js';
import { Things } from '../src/views/kit/things.js';
import { render } from './render.js';

afterEach(cleanup);

const BODY = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')).person
  .body as BodyMeasures;

const sheet = (part: Partial<KitRoof> = {}): KitRoof => ({
  id: 'sheet',
  name: 'grey sheet',
  cloth: 'nylon',
  length: 3,
  width: 2,
  hollow: 0,
  tieOuts: tieOutsOf('middles', 3, 2, 'loop'),
  mass: 0,
  sun: 'new',
  wear: 'sound',
  ...part,
});
const onAdd = jest.fn();
const onRemove = jest.fn();
const onChange = jest.fn();
beforeEach(() => {
  onAdd.mockClear();
  onRemove.mockClear();
  onChange.mockClear();
});

/** A list of the kit that keeps what is changed, its first thing open. */
function List<L extends KitList>({ list, start }: { readonly list: L; readonly start: Kit[L] }): ReactElement {
  const [things, setThings] = useState<readonly Kit[L][number][]>(start);
  return (
    <Things
      list={list}
      things={things as Kit[L]}
      body={BODY}
      usersOf={() => []}
      open={start[0]?.id ?? null}
      onOpen={jest.fn()}
      onAdd={onAdd}
      onRemove={onRemove}
      onChange={(next) => {
        onChange(next);
        setThings(things.map((t) => (t.id === next.id ? next : t)));
      }}
    />
  );
}
const SI: UnitChoice = { length: 'm', force: 'N' };
const shownList = <L extends KitList>(list: L, start: Kit[L], units = SI): void =>
  void render(
    <MemoryRouter>
      <UnitsContext.Provider value={units}>
        <Accordion.Root multiple defaultValue={[list]}>
          <List list={list} start={start} />
        </Accordion.Root>
      </UnitsContext.Provider>
    </MemoryRouter>,
  );
/** What was kept last; the thing as it was where nothing was. */
const kept = <T,>(): T => onChange.mock.calls.at(-1)?.[0] as T;
const roof = (): KitRoof => kept<KitRoof>();
const shown = (part: Partial<KitRoof> = {}): void => shownList('roofs', [sheet(part)]);
/** Types a number; what comes of it is kept a moment later. */
async function type(label: string, text: string): Promise<void> {
  const field = screen.getByRole('textbox', { name: label });
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
  await settle();
}
async function choose(label: string, value: string): Promise<void> {
  fireEvent.change(screen.getByRole('combobox', { name: label }), { target: { value } });
  await settle();
}
async function click(element: Element): Promise<void> {
  fireEvent.click(element);
  await settle();
}
const settle = (): Promise<void> => act(() => new Promise<void>((done) => setTimeout(done, 10)));

describe('roofs of the kit', () => {
  test('edges too hollow for the cloth are refused where they are typed, in the reader’s units', async () => {
    shownList('roofs', [sheet()], { length: 'ft', force: 'lbf' });
    await type('Edges hollow by', '12');
    expect(screen.getByRole('alert').textContent).toBe(
      'Edges can be hollowed by at most 12 % of the shorter side, 9.4 in.',
    );
    expect(onChange).not.toHaveBeenCalled();
    expect((screen.getByLabelText('Edges hollow by') as HTMLInputElement).value).toBe('12');
    await type('Edges hollow by', '9');
    expect(roof().hollow).toBeCloseTo(9 * 0.0254, 9);
  });
  test.each(Object.keys(LAYOUTS) as (keyof typeof LAYOUTS)[])(
    'measured anew, a roof with tie-outs %s keeps that layout, at its new edges',
    async (layout) => {
      shown({ tieOuts: tieOutsOf(layout, 3, 2, 'loop') });
      await type('Length', '4');
      await type('Width', '3.5');
      expect(roof().tieOuts).toEqual(tieOutsOf(layout, 4, 3.5, 'loop'));
      expect(roofProblems(roof())).toEqual([]);
      expect((screen.getByLabelText('Tie-outs at') as HTMLSelectElement).value).toBe(layout);
    },
  );
  test('tie-outs somewhere of one’s own stay in their places on the cloth', async () => {
    const own = [
      { id: 'a', at: [0.6, 1] as const, hold: 'loop' as const },
      { id: 'b', at: [-1.5, 0.4] as const, hold: 'eyelet' as const },
    ];
    shown({ tieOuts: own });
    await type('Length', '6');
    expect(roof().tieOuts.map((t) => t.at)).toEqual([
      [1.2, 1],
      [-3, 0.4],
    ]);
    await choose('Held by', 'eyelet');
    expect(roof().tieOuts.map((t) => t.hold)).toEqual(['eyelet', 'eyelet']);
    expect(roof().tieOuts.map((t) => t.id)).toEqual(['a', 'b']);
  });
  test('a plain sheet has none; with loops sewn on it gets the usual ones', async () => {
    shown();
    await choose('Held by', 'none');
    expect(roof().tieOuts).toEqual([]);
    expect(screen.queryByLabelText('Tie-outs at')).toBeNull();
    await choose('Held by', 'loop');
    expect(roof().tieOuts).toEqual(tieOutsOf('middles', 3, 2, 'loop'));
    await choose('Tie-outs at', 'full');
    expect(roof().tieOuts).toEqual(tieOutsOf('full', 3, 2, 'loop'));
  });
  test('unweighed it says what its cloth comes to; weighed, that it was', async () => {
    shown();
    const about = say(roofMass(sheet()), 'mass', { length: 'm', force: 'N' });
    expect(screen.getByText(`about ${about} by its cloth`)).toBeTruthy();
    await type('Weighs', '0.7');
    expect(roof().mass).toBe(0.7);
    expect(screen.getByText('weighed')).toBeTruthy();
  });
  test('one tie-out is moved on the cloth, no farther than its edge; put on and taken off', async () => {
    shown({ tieOuts: tieOutsOf('corners', 3, 2, 'loop') });
    await type('Along', '1.2');
    expect(roof().tieOuts[0]!.at).toEqual([1.2, tieOutsOf('corners', 3, 2, 'loop')[0]!.at[1]]);
    const before = roof();
    await type('Across', '1.4');
    expect(screen.getByRole('alert').textContent).toMatch(/^Across can be from -1 to 1 m/);
    expect(roof()).toBe(before);
    await click(screen.getByRole('button', { name: 'Add a tie-out' }));
    expect(roof().tieOuts).toHaveLength(5);
    expect(roof().tieOuts[4]).toMatchObject({ at: [0, 0], hold: 'loop' });
    await click(screen.getByRole('button', { name: 'Take the tie-out at 0, 0 off' }));
    expect(roof().tieOuts).toHaveLength(4);
  });
  test('what is added by a button is a whole roof; what is taken out is named', async () => {
    shown();
    await click(screen.getByRole('button', { name: 'Add a roof' }));
    const fresh = { ...(onAdd.mock.calls[0]![0] as KitRoof), id: 'new' };
    expect(wrongInKit('roofs', fresh)).toBeNull();
    await click(screen.getByRole('button', { name: /^Take grey sheet out/ }));
    expect(onRemove).toHaveBeenCalledWith(sheet());
  });
});

describe('pegs of the kit', () => {
  const pegs: readonly KitPegs[] = [{ id: 'cut', name: 'cut pegs', shape: PEGS[0]!.id, count: 6 }];
  test('counted in whole ones, and no more than can be', async () => {
    shownList('pegs', pegs);
    await type('How many', '7.5');
    expect(screen.getByRole('alert').textContent).toMatch(/counted in whole ones/);
    await type('How many', '500');
    expect(screen.getByRole('alert').textContent).toMatch(/can be from 0 to 200/);
    expect(onChange).not.toHaveBeenCalled();
    await type('How many', '12');
    expect(kept()).toEqual({ ...pegs[0], count: 12 });
  });
  test('of another shape they are told by its length; every shape is one the kit may hold', async () => {
    shownList('pegs', pegs);
    const shapes = within(screen.getByLabelText('Shape')).getAllByRole('option') as HTMLOptionElement[];
    for (const { value } of shapes) expect(wrongInKit('pegs', { ...pegs[0], shape: value })).toBeNull();
    await choose('Shape', PEGS[1]!.id);
    expect(kept()).toEqual({ ...pegs[0], shape: PEGS[1]!.id });
    expect(screen.getByText(new RegExp(`^usually ${PEGS[1]!.length.toFixed(2)} m long`))).toBeTruthy();
  });
  test('of a size of their own: measured, and usual again', async () => {
    shownList('pegs', pegs);
    await click(screen.getByRole('checkbox', { name: 'Of another size' }));
    expect(kept<KitPegs>().size).toEqual({ length: PEGS[0]!.length, width: PEGS[0]!.width });
    await type('Across the pull', '31');
    expect(kept<KitPegs>().size!.width).toBeCloseTo(0.031, 12);
    expect(problemsInKit('pegs', kept())).toEqual([]);
    await click(screen.getByRole('checkbox', { name: 'Of another size' }));
    expect(kept<KitPegs>().size).toBeUndefined();
    expect(problemsInKit('pegs', JSON.parse(JSON.stringify(kept())))).toEqual([]);
  });
  test('none at all: what to do', () => {
    shownList('pegs', []);
    expect(screen.getByText(/Cut some, or count those in the bag/)).toBeTruthy();
  });
});

describe('cord of the kit', () => {
  const hank: KitCord = { id: 'h', name: 'blue hank', cord: 'accessory-5', length: 20, sun: 'new', wear: 'sound' };
  test('one of one’s own: kept once its label’s number is there, and what was typed till then stays', async () => {
    shownList('cords', [hank]);
    await choose('Cord', 'own');
    expect(kept<KitCord>().own).toMatchObject({ fibre: 'unknown', thickness: 0.005, rating: 'none' });
    await choose('Material', 'polypropylene');
    onChange.mockClear();
    await choose('Its label gives', 'minimum');
    expect(screen.getByRole('alert').textContent).toMatch(/must be more than 0/);
    // another field is changed meanwhile: neither is lost, and nothing is kept that is not whole
    await type('On hand', '18');
    expect(onChange).not.toHaveBeenCalled();
    await type('Minimum breaking strength', '3200');
    const now = kept<KitCord>();
    expect(now).toMatchObject({ length: 18, own: { fibre: 'polypropylene', rating: 'minimum', rated: 3200 } });
    expect(problemsInKit('cords', now)).toEqual([]);
    expect(cordOf(now)!.strength.typical).toBe(3200);
    await choose('Cord', 'nylon-550-4');
    expect(problemsInKit('cords', JSON.parse(JSON.stringify(kept())))).toEqual([]);
    expect(screen.queryByLabelText('Material')).toBeNull();
  });
  test('its stretch is tried by a mass hung on it', async () => {
    shownList('cords', [hank]);
    await choose('Cord', 'own');
    await click(screen.getByRole('checkbox', { name: 'Its stretch was tried' }));
    await type('Drawn out by', '0.05');
    expect(kept<KitCord>().own!.hung).toEqual({ mass: 10, over: 2, drawn: 0.05 });
    await click(screen.getByRole('checkbox', { name: 'Its stretch was tried' }));
    expect(kept<KitCord>().own!.hung).toBeNull();
  });
  test('roofs are measured by one’s own feet', async () => {
    shown();
    await click(screen.getAllByRole('button', { name: 'by my feet' })[0]!);
    await type('Length in my feet', '13.5');
    expect(roof().length).toBeCloseTo(13.5 * BODY.foot, 2);
  });
});

describe('beds and straps of the kit', () => {
  const bed: KitBed = {
    id: 'b',
    name: 'river bed',
    cloth: 'nylon',
    length: 3,
    width: 1.5,
    mass: 0,
    ridgeLength: 2.5,
    ridgeCord: 'accessory-4',
    connector: 'hook',
    limit: 150,
    people: 1,
    sun: 'new',
    wear: 'sound',
  };
  const straps: KitStraps = {
    id: 's',
    name: 'long loop straps',
    webbing: 'polyester-25',
    length: 3.6,
    adjust: 'loops',
    first: 1,
    spacing: 0.1,
    count: 26,
    limit: 0,
    sun: 'new',
    wear: 'sound',
  };
  test('a ridge-cord keeps its share of a cloth that is measured anew; one that cannot be is said', async () => {
    shownList('beds', [bed]);
    await type('Length', '3.6');
    expect(kept()).toMatchObject({ length: 3.6, ridgeLength: 3 });
    await type('Ridge-cord', '1');
    expect(screen.getByText(/A ridge-cord is 0\.6 to 0\.97 of its cloth/)).toBeTruthy();
    expect(onChange).toHaveBeenCalledTimes(1);
  });
  test('straps tell how far their loops reach; an unknown limit says what to do', async () => {
    shownList('straps', [straps]);
    expect(screen.getByText('loops from 1.00 m to 3.50 m')).toBeTruthy();
    expect(screen.getByText('not known: find the label')).toBeTruthy();
    await click(screen.getByRole('button', { name: /^Take long loop straps out/ }));
    expect(onRemove).toHaveBeenCalledWith(straps);
  });
  test('webbing of one’s own has a width', async () => {
    shownList('straps', [straps]);
    await choose('Webbing', 'own');
    expect(problemsInKit('straps', kept())).toEqual([]);
    await type('Wide', '0');
    expect(screen.getByRole('alert').textContent).toMatch(/A strap is flat/);
  });
});
