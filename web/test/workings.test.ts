import { describe, expect, test } from '@jest/globals';
import { derive, given } from '@rough-bight/core/working';
import { withoutWorkings } from '../src/workers/without-workings.js';

const pull = given(
  { symbol: 'T', title: 'pull', quantity: 'force' },
  200,
  { kind: 'measured', text: 'by hand' },
  [150, 260],
);
const twice = derive({ symbol: 'R', title: 'twice', quantity: 'force', formula: 'R = 2 T' }, [pull], (t) => 2 * t!);

describe('what is handed over while a hand moves', () => {
  test('keeps every number, name and range, and leaves the workings behind', () => {
    const at = Float64Array.from([1, 2, 3]);
    const lean = withoutWorkings({ rows: [{ id: 'a', demand: twice, links: [] }], at, none: null });
    expect(lean).toEqual({
      rows: [
        {
          id: 'a',
          demand: { symbol: 'R', title: 'twice', quantity: 'force', value: 400, range: twice.range },
          links: [],
        },
      ],
      at,
      none: null,
    });
    expect(lean.at).toBe(at);
    // the one it was made from is as it was
    expect(twice.inputs).toEqual([pull]);
  });
  test('a field of that name on anything else stays', () => {
    expect(withoutWorkings({ formula: 'x', notes: ['y'] })).toEqual({ formula: 'x', notes: ['y'] });
  });
});
