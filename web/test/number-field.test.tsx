import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { NumberField } from '../src/parts/number-field.js';
import { UnitsContext } from '../src/parts/units.js';
import { render } from './render.js';

afterEach(cleanup);

function field(
  onCommit: (value: number) => string | null,
  units = { length: 'm', force: 'N' } as { length: 'm' | 'ft'; force: 'N' },
) {
  render(
    <UnitsContext.Provider value={units}>
      <NumberField
        label="Span"
        value={6}
        limit={{ quantity: 'length', min: 0.5, max: 60 }}
        step={0.05}
        onCommit={onCommit}
      />
    </UnitsContext.Provider>,
  );
  return screen.getByRole('textbox', { name: 'Span' }) as HTMLInputElement;
}
const type = (input: HTMLInputElement, text: string): void => {
  fireEvent.change(input, { target: { value: text } });
  fireEvent.keyDown(input, { key: 'Enter' });
};

test('takes a number, with a comma too, and gives it in SI', () => {
  const commit = jest.fn((_: number): string | null => null);
  const input = field(commit, { length: 'ft', force: 'N' });
  expect(input.value).toBe('19.69');
  type(input, '20,5');
  expect(commit.mock.calls[0]![0]).toBeCloseTo(20.5 * 0.3048, 12);
});

test('feet and inches are taken where lengths are in feet, and told of where it is no number', () => {
  const commit = jest.fn((_: number): string | null => null);
  const input = field(commit, { length: 'ft', force: 'N' });
  type(input, `20' 6"`);
  expect(commit.mock.calls[0]![0]).toBeCloseTo(20.5 * 0.3048, 12);
  type(input, 'six feet');
  expect(screen.getByRole('alert').textContent).toBe(
    '“six feet” is not a number. Type one from 1.64 to 196.85 ft, or feet and inches.',
  );
});

test('a length no longer than an arm is typed in inches by who reads feet, and so is its allowance', () => {
  const commit = jest.fn((_: number): string | null => null);
  render(
    <UnitsContext.Provider value={{ length: 'ft', force: 'lbf' }}>
      <NumberField
        label="Lost on tying off"
        value={0.02}
        limit={{ quantity: 'length', min: 0, max: 0.5 }}
        step={0.005}
        onCommit={commit}
      />
    </UnitsContext.Provider>,
  );
  const input = screen.getByRole('textbox', { name: 'Lost on tying off' }) as HTMLInputElement;
  expect(input.value).toBe('0.8');
  for (const text of ['2', '2"', `0' 2"`]) type(input, text);
  for (const [metres] of commit.mock.calls) expect(metres).toBeCloseTo(2 * 0.0254, 12);
  expect(commit).toHaveBeenCalledTimes(3);
  type(input, '30');
  expect(screen.getByRole('alert').textContent).toBe('Lost on tying off can be from 0 to 19.7 in.');
});

test.each([
  ['abc', '“abc” is not a number. Type one from 0.5 to 60 m.'],
  ['', 'There is no number here. Type one from 0.5 to 60 m.'],
  ['90', 'Span can be from 0.5 to 60 m.'],
  ['1e999', '“1e999” is not a number. Type one from 0.5 to 60 m.'],
])('“%s” stays as typed with the reason', (text, reason) => {
  const commit = jest.fn((_: number): string | null => null);
  const input = field(commit);
  type(input, text);
  expect(commit).not.toHaveBeenCalled();
  expect(input.value).toBe(text);
  expect(screen.getByRole('alert').textContent).toBe(reason);
  fireEvent.keyDown(input, { key: 'Escape' });
  expect(input.value).toBe('6');
});

test('a number the rig refuses stays, with the rig’s reason; arrows step', () => {
  const commit = jest.fn((v: number): string | null => (v < 5 ? 'The roof does not fit.' : null));
  const input = field(commit);
  type(input, '4');
  expect(screen.getByRole('alert').textContent).toBe('The roof does not fit.');
  fireEvent.keyDown(input, { key: 'ArrowUp' });
  expect(commit.mock.calls.at(-1)![0]).toBeCloseTo(6.05, 9);
});
