import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { DataTable } from '../src/parts/data-table.js';
import type { Column } from '../src/parts/data-table.js';
import { press } from './press.js';
import { render } from './render.js';

interface Line {
  readonly id: string;
  readonly pull: number | null;
}
const LINES: readonly Line[] = [
  { id: 'ridge, the long one', pull: 320 },
  { id: 'guy', pull: 48.25 },
  { id: 'spare', pull: null },
];
const COLUMNS: readonly Column<Line>[] = [
  { id: 'line', name: 'Line', value: (l) => l.id, head: true },
  {
    id: 'pull',
    name: 'Pull',
    unit: 'N',
    value: (l) => l.pull,
    cell: (l) => (l.pull === null ? null : `${l.pull.toFixed(0)} N`),
  },
  { id: 'letters', name: 'Letters', value: (l) => l.id.length },
  { id: 'short', name: 'Short', value: (l) => l.id.slice(0, 2), folded: true },
];
const names = (): (string | null)[] => screen.getAllByRole('rowheader').map((h) => h.textContent);
const copied = jest.fn<(text: string) => Promise<void>>();

beforeEach(() => {
  copied.mockReset().mockResolvedValue();
  Object.defineProperty(navigator, 'clipboard', { value: { writeText: copied }, configurable: true });
  render(<DataTable name="Lines" rows={LINES} columns={COLUMNS} rowId={(l) => l.id} />);
});
afterEach(cleanup);

describe('a table', () => {
  test('stands as it was given, and is sorted by a heading up, down and back, by numbers and not by their text', async () => {
    const heading = screen.getByRole('columnheader', { name: 'Pull' });
    const given = names();
    expect(given).toEqual(LINES.map((l) => l.id));
    await press(within(heading).getByRole('button'));
    expect(heading.getAttribute('aria-sort')).toBe('ascending');
    expect(names().filter((n) => n !== 'spare')).toEqual(['guy', 'ridge, the long one']);
    await press(within(heading).getByRole('button'));
    expect(heading.getAttribute('aria-sort')).toBe('descending');
    expect(names().filter((n) => n !== 'spare')).toEqual(['ridge, the long one', 'guy']);
    await press(within(heading).getByRole('button'));
    expect(names()).toEqual(given);
  });

  test('goes out as CSV in the order it stands, with whole numbers and their units, names in quotes where they must be', async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Copy as CSV: Lines' }));
    await waitFor(() => expect(copied).toHaveBeenCalledTimes(1));
    expect(copied.mock.calls[0]![0].split('\r\n')).toEqual([
      'Line,"Pull, N",Letters,Short',
      '"ridge, the long one",320,19,ri',
      'guy,48.25,3,gu',
      'spare,,5,sp',
    ]);
    await screen.findByText('Copied');
  });

  test('says so where nothing could be copied', async () => {
    copied.mockRejectedValue(new Error('not allowed'));
    fireEvent.click(screen.getByRole('button', { name: 'Copy as CSV: Lines' }));
    await screen.findByText('Not copied');
  });

  test('a column is hidden by its name; the one that names the rows cannot be', async () => {
    const button = screen.getByRole('button', { name: 'Columns: Lines' });
    await act(async () => {
      button.focus();
      fireEvent.keyDown(button, { key: 'Enter' });
      await new Promise((done) => setTimeout(done, 30));
    });
    expect(screen.getAllByRole('menuitemcheckbox').map((i) => i.textContent)).toEqual(['Pull', 'Letters']);
    await act(async () => {
      fireEvent.click(screen.getByRole('menuitemcheckbox', { name: 'Pull' }));
      await new Promise((done) => setTimeout(done, 30));
    });
    await waitFor(() => expect(screen.queryByRole('columnheader', { name: 'Pull', hidden: true })).toBeNull());
    fireEvent.click(screen.getByRole('button', { name: 'Copy as CSV: Lines', hidden: true }));
    await waitFor(() => expect(copied).toHaveBeenCalled());
    expect(copied.mock.calls[0]![0].split('\r\n')[0]).toBe('Line,Letters,Short');
  });

  test('what is said in another column has none of its own', () => {
    expect(screen.getAllByRole('columnheader').map((h) => h.textContent)).not.toContain('Short');
  });
  test('of two columns none is worth hiding', () => {
    cleanup();
    render(<DataTable name="Lines" rows={LINES} columns={COLUMNS.slice(0, 2)} rowId={(l) => l.id} />);
    expect(screen.queryByRole('button', { name: 'Columns: Lines' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Copy as CSV: Lines' })).toBeTruthy();
  });
});
