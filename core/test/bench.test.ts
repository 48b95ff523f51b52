import { expect, test } from '@jest/globals';

/** The bench is run by hand: that what it names is still there is looked at here. */
test('the bench finds everything that it times', async () => {
  const bench = (await import('../../bench/core.mjs' as string)) as { measure: unknown };
  expect(typeof bench.measure).toBe('function');
});
