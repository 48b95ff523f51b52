import { describe, expect, test } from '@jest/globals';
import { fightsOf, planCuts } from '../../src/budget/index.js';
import type { Budget, Need, Stock } from '../../src/budget/index.js';
import { tell } from '../../src/quantity/index.js';
import { budgetWords, counted, fightWords, listed, sticksWords } from '../../src/words/index.js';
import { need, solve, stock } from '../budget/helper.js';
import { UNITS } from '../shelter/helper.js';

const name = (id: string): string => ({ fly: 'Hammock fly', mess: 'Mess roof' })[id] ?? id;
/** A budget of needs and stocks with nothing else in it. */
function budget(needs: readonly Need[], stocks: readonly Stock[], more: Partial<Budget> = {}): Budget {
  const plan = planCuts(needs, stocks, solve);
  const fights = fightsOf(plan, needs, stocks, solve);
  return { needs, stocks, plan, fights, joinings: new Map(), things: [], sticks: [], left: [], ...more };
}
const said = (b: Budget): readonly [boolean, string, string] => {
  const { fits, sentence, detail } = budgetWords(b, name);
  return [fits, tell(sentence, UNITS), tell(detail, UNITS)];
};
const of = (rig: string, id: string, length: number): Need =>
  need(`${rig}/${id}`, length, 'guy', { of: rig, name: id });
const thing = (wanted: number, have: number): Budget['things'][number] => ({
  list: 'pegs',
  id: 'p',
  name: 'stout cut pegs',
  wanted,
  have,
  by: [],
});

describe('what a plan of cord comes to', () => {
  test.each([
    ['nothing wanted', budget([], [stock('a', 5)]), [true, 'No rig here wants cord.', '']],
    [
      'one line from one length',
      budget([of('fly', 'guy', 3)], [stock('a', 5)]),
      [true, 'Every line has its cord, and nothing is cut.', ''],
    ],
    [
      'two from one',
      budget([of('fly', 'left', 2), of('fly', 'right', 2)], [stock('a', 6)]),
      [true, 'Every line has its cord, in one cut.', 'No plan does with fewer.'],
    ],
    [
      'one short, none to blame',
      budget([of('fly', 'guy', 8)], [stock('a', 5)]),
      [false, 'One line of Hammock fly has no cord.', 'No other plan gives more lines their cord.'],
    ],
    [
      'two rigs after the same hank',
      budget([of('fly', 'guy', 4), of('mess', 'guy', 4)], [stock('a', 5)]),
      [
        false,
        'One line of Mess roof has no cord: rigs draw on the same hanks.',
        'No other plan gives more lines their cord.',
      ],
    ],
    [
      'pegs short',
      budget([of('fly', 'guy', 3)], [stock('a', 5)], { things: [thing(8, 6)] }),
      [false, 'Every line has its cord, and nothing is cut.', 'Not enough of stout cut pegs (8 wanted, 6 there).'],
    ],
    [
      'a rig that cannot be worked out',
      budget([of('fly', 'guy', 3)], [stock('a', 5)], { left: [{ of: 'mess', why: ['No.'] }] }),
      [
        false,
        'Every line has its cord, and nothing is cut.',
        'Mess roof is not counted: it cannot be worked out as it is.',
      ],
    ],
  ] as const)('%s', (_, b, [fits, sentence, detail]) => {
    const [f, s, d] = said(b);
    expect(f).toBe(fits);
    // which of two alike goes without is the solver's to say
    expect(s.replace('line of Hammock fly has no cord: rigs', 'line of Mess roof has no cord: rigs')).toBe(sentence);
    expect(d).toBe(detail);
  });

  test('stopped before it was sure, it says so, and by how many cuts it may be worse', () => {
    const sure = budget([of('fly', 'left', 2), of('fly', 'right', 2)], [stock('a', 6)]);
    const behind = (rank: 'cuts' | 'lines', by: number): Budget => ({
      ...sure,
      plan: { ...sure.plan, behind: [{ rank, by }] },
    });
    expect(said(behind('cuts', 2))[2]).toBe(
      'There may be a plan with up to two cuts fewer: the search was stopped at two seconds.',
    );
    expect(said(behind('lines', 1))[2]).toBe(
      'The search was stopped before it was sure that no more of them can have cord.',
    );
  });
});

test('who fights over a hank: what is wanted, what is there, who goes without', () => {
  const b = budget([of('fly', 'guy', 4), of('mess', 'guy', 4)], [stock('a', 5)]);
  expect(b.fights).toHaveLength(1);
  const words = fightWords(b.fights[0]!, ['bright guy line']);
  expect(tell(words.what, UNITS)).toBe('Bright guy line: 8.00 m wanted, 5.00 m there. Each rig alone has enough.');
  expect(words.rigs.map((r) => [tell(r.wants, UNITS), r.without]).sort()).toEqual([
    ['4.00 m', null],
    ['4.00 m', 'without its guy'],
  ]);
});

test('sticks to find', () => {
  const one = (toggles: readonly number[], props: number) => ({ of: 'fly', toggles, props });
  const all = (sticks: Parameters<typeof sticksWords>[0]): string[] => sticksWords(sticks).map((p) => tell(p, UNITS));
  expect(all([])).toEqual([]);
  expect(all([one([], 0), one([], 1)])).toEqual(['one prop']);
  expect(all([one([0.02, 0.03], 1), one([0.025], 1)])).toEqual(['three toggles, the thickest 30 mm', 'two props']);
});

test('counted and listed as they are read', () => {
  expect([0, 1, 2, 10, 11].map((n) => counted(n, 'peg'))).toEqual([
    'no pegs',
    'one peg',
    'two pegs',
    'ten pegs',
    '11 pegs',
  ]);
  expect(counted(2, 'pass', 'passes')).toBe('two passes');
  expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual([
    '',
    'a',
    'a and b',
    'a, b and c',
  ]);
});
