import type { KitPegs } from '@rough-bight/core/support';
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, fireEvent, render as bare, screen, within } from '@testing-library/react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { PEGS } from '@rough-bight/core/catalogue';
import { wrongInKit } from '@rough-bight/core/rig';
import { say } from '@rough-bight/core/quantity';
import { LAYOUTS, roofMass, roofProblems, tieOutsOf } from '@rough-bight/core/roof';
import type { KitRoof } from '@rough-bight/core/roof';
import { system } from '../src/app/theme/index.js';
import { UnitsContext } from '../src/parts/units.js';
import { Pegs, Roofs } from '../src/views/kit/gear.js';

afterEach(cleanup);

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
let now: KitRoof;
/** A kit of one roof that keeps what is changed. */
function Kit({ start }: { readonly start: KitRoof }): ReactElement {
  const [roof, setRoof] = useState(start);
  return (
    <ChakraProvider value={system}>
      <Roofs
        roofs={[roof]}
        onAdd={onAdd}
        onRemove={onRemove}
        onChange={(next) => {
          now = next;
          setRoof(next);
        }}
      />
    </ChakraProvider>
  );
}
function shown(part: Partial<KitRoof> = {}): void {
  now = sheet(part);
  bare(<Kit start={now} />);
}
function type(label: string, text: string, which = 0): void {
  const field = screen.getAllByLabelText(label)[which]!;
  fireEvent.change(field, { target: { value: text } });
  fireEvent.keyDown(field, { key: 'Enter' });
}
function choose(label: string, value: string, which = 0): void {
  fireEvent.change(screen.getAllByLabelText(label)[which]!, { target: { value } });
}
const openMore = (): void => {
  const details = document.querySelector('details')!;
  details.open = true;
  fireEvent(details, new Event('toggle'));
};

describe('roofs of the kit', () => {
  test('edges too hollow for the cloth are refused where they are typed, in the reader’s units', () => {
    now = sheet();
    bare(
      <UnitsContext.Provider value={{ length: 'ft', force: 'lbf' }}>
        <Kit start={now} />
      </UnitsContext.Provider>,
    );
    openMore();
    type('Edges hollow by', '12');
    expect(screen.getByRole('alert').textContent).toBe(
      'Edges can be hollowed by at most 12 % of the shorter side, 9.4 in.',
    );
    expect(now.hollow).toBe(0);
    type('Edges hollow by', '9');
    expect(now.hollow).toBeCloseTo(9 * 0.0254, 9);
  });
  test.each(Object.keys(LAYOUTS) as (keyof typeof LAYOUTS)[])(
    'measured anew, a roof with tie-outs %s keeps that layout, at its new edges',
    (layout) => {
      shown({ tieOuts: tieOutsOf(layout, 3, 2, 'loop') });
      type('Length', '4');
      type('Width', '3.5');
      expect(now.tieOuts).toEqual(tieOutsOf(layout, 4, 3.5, 'loop'));
      expect(roofProblems(now)).toEqual([]);
      expect((screen.getByLabelText('Tie-outs at') as HTMLSelectElement).value).toBe(layout);
    },
  );
  test('tie-outs somewhere of one’s own stay in their places on the cloth', () => {
    const own = [
      { id: 'a', at: [0.6, 1] as const, hold: 'loop' as const },
      { id: 'b', at: [-1.5, 0.4] as const, hold: 'eyelet' as const },
    ];
    shown({ tieOuts: own });
    type('Length', '6');
    expect(now.tieOuts.map((t) => t.at)).toEqual([
      [1.2, 1],
      [-3, 0.4],
    ]);
    choose('Held by', 'eyelet');
    expect(now.tieOuts.map((t) => t.hold)).toEqual(['eyelet', 'eyelet']);
    expect(now.tieOuts.map((t) => t.id)).toEqual(['a', 'b']);
  });
  test('a plain sheet has none; with loops sewn on it gets the usual ones', () => {
    shown();
    choose('Held by', 'none');
    expect(now.tieOuts).toEqual([]);
    expect(screen.queryByLabelText('Tie-outs at')).toBeNull();
    choose('Held by', 'loop');
    expect(now.tieOuts).toEqual(tieOutsOf('middles', 3, 2, 'loop'));
    choose('Tie-outs at', 'full');
    expect(now.tieOuts).toEqual(tieOutsOf('full', 3, 2, 'loop'));
  });
  test('unweighed it says what its cloth comes to; weighed, that it was', () => {
    shown();
    const about = say(roofMass(now), 'mass', { length: 'm', force: 'N' });
    expect(screen.getByText(`about ${about} by its cloth`)).toBeTruthy();
    type('Weighs', '0.7');
    expect(now.mass).toBe(0.7);
    expect(screen.getByText('weighed')).toBeTruthy();
  });
  test('one tie-out is moved on the cloth, no farther than its edge; put on and taken off', () => {
    shown({ tieOuts: tieOutsOf('corners', 3, 2, 'loop') });
    openMore();
    type('Along', '1.2');
    expect(now.tieOuts[0]!.at).toEqual([1.2, tieOutsOf('corners', 3, 2, 'loop')[0]!.at[1]]);
    const before = now;
    type('Across', '1.4');
    expect(screen.getByRole('alert').textContent).toMatch(/^Across can be from -1 to 1 m/);
    expect(now).toBe(before);
    fireEvent.click(screen.getByRole('button', { name: 'Add a tie-out' }));
    expect(now.tieOuts).toHaveLength(5);
    expect(now.tieOuts[4]).toMatchObject({ at: [0, 0], hold: 'loop' });
    fireEvent.click(screen.getByRole('button', { name: 'Take the tie-out at 0, 0 off' }));
    expect(now.tieOuts).toHaveLength(4);
  });
  test('what is added by a button is a whole roof; what is taken out is named', () => {
    shown();
    fireEvent.click(screen.getByRole('button', { name: 'Add a roof' }));
    const fresh = { ...(onAdd.mock.calls[0]![0] as KitRoof), id: 'new' };
    expect(wrongInKit('roofs', fresh)).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^Take grey sheet out/ }));
    expect(onRemove).toHaveBeenCalledWith('sheet');
  });
});

describe('pegs of the kit', () => {
  const pegs: readonly KitPegs[] = [{ id: 'cut', name: 'cut pegs', shape: PEGS[0]!.id, count: 6 }];
  const shownPegs = (list: readonly KitPegs[] = pegs) => {
    const onChange = jest.fn();
    bare(
      <ChakraProvider value={system}>
        <Pegs pegs={list} onAdd={onAdd} onRemove={onRemove} onChange={onChange} />
      </ChakraProvider>,
    );
    return onChange;
  };
  test('counted in whole ones, and no more than can be', () => {
    const onChange = shownPegs();
    type('How many', '7.5');
    expect(screen.getByRole('alert').textContent).toMatch(/counted in whole ones/);
    type('How many', '500');
    expect(screen.getByRole('alert').textContent).toMatch(/can be from 0 to 200/);
    expect(onChange).not.toHaveBeenCalled();
    type('How many', '12');
    expect(onChange).toHaveBeenCalledWith({ ...pegs[0], count: 12 });
  });
  test('of another shape they are told by its length; every shape is one the kit may hold', () => {
    const onChange = shownPegs();
    const shapes = within(screen.getByLabelText('Shape')).getAllByRole('option') as HTMLOptionElement[];
    for (const { value } of shapes) expect(wrongInKit('pegs', { ...pegs[0], shape: value })).toBeNull();
    choose('Shape', PEGS[1]!.id);
    expect(onChange).toHaveBeenCalledWith({ ...pegs[0], shape: PEGS[1]!.id });
    expect(screen.getByText(new RegExp(`^${PEGS[0]!.length.toFixed(2)} m long`))).toBeTruthy();
  });
  test('none at all: what to do', () => {
    shownPegs([]);
    expect(screen.getByText(/Cut some, or count those in the bag/)).toBeTruthy();
  });
});
