import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Deeds } from '../src/data/deeds.js';

/** A list that deeds add to, each taken back and done again whole. */
function shelf() {
  const deeds = new Deeds();
  let on: readonly number[] = [];
  let refuse = false;
  const guarded = (work: () => void) => (): Promise<void> => {
    if (refuse) return Promise.reject(new Error('no'));
    work();
    return Promise.resolve();
  };
  const put = (n: number): void => {
    const before = on;
    const after = [...on, n];
    on = after;
    deeds.done({
      what: `${n} was put.`,
      gone: n % 2 === 0,
      back: guarded(() => (on = before)),
      again: guarded(() => (on = after)),
    });
  };
  return { deeds, put, on: () => on, refuse: (now: boolean) => (refuse = now) };
}

describe('deeds', () => {
  test('whatever is done, taken back and done again, what stands is what a stack would hold', () =>
    fc.assert(
      fc.asyncProperty(fc.array(fc.oneof(fc.nat(99), fc.constantFrom('undo', 'redo'))), async (steps) => {
        const { deeds, put, on } = shelf();
        let past: number[] = [];
        let future: number[] = [];
        for (const step of steps) {
          if (typeof step === 'number') {
            put(step);
            past = [...past, step];
            future = [];
          } else {
            await deeds.read()[step as 'undo' | 'redo']?.();
            const [from, to] = step === 'undo' ? [past, future] : [future, past];
            const moved = from.at(-1);
            if (moved !== undefined) {
              if (step === 'undo') [past, future] = [past.slice(0, -1), [...to, moved]];
              else [past, future] = [[...to, moved], future.slice(0, -1)];
            }
          }
          expect(on()).toEqual(past);
          expect(deeds.read().undo === null).toBe(past.length === 0);
          expect(deeds.read().redo === null).toBe(future.length === 0);
        }
      }),
      { numRuns: 80 },
    ));
  test('what cannot be taken back stays, and can be tried again', async () => {
    const { deeds, put, on, refuse } = shelf();
    put(1);
    refuse(true);
    await expect(deeds.read().undo!()).rejects.toThrow('no');
    expect([on(), deeds.read().redo]).toEqual([[1], null]);
    refuse(false);
    await deeds.read().undo!();
    expect(on()).toEqual([]);
  });
  test('what is gone is offered back until something else is done or it is back', async () => {
    const { deeds, put } = shelf();
    put(2);
    expect(deeds.read().gone?.what).toBe('2 was put.');
    put(3);
    expect(deeds.read().gone).toBeNull();
    await deeds.read().undo!();
    // not offered twice: it can be done again
    expect(deeds.read().gone).toBeNull();
  });
  test('a second touch while one is at work does nothing', async () => {
    const deeds = new Deeds();
    let turned = 0;
    let finish: () => void = () => undefined;
    const slow = {
      what: 'x',
      back: () => new Promise<void>((r) => ((turned += 1), (finish = r))),
      again: () => Promise.resolve(),
    };
    deeds.done(slow);
    deeds.done(slow);
    const first = deeds.read().undo!();
    await deeds.read().undo!();
    finish();
    await first;
    expect(turned).toBe(1);
    expect(deeds.read().undo).not.toBeNull();
  });
});
