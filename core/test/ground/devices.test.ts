import { describe, expect, test } from '@jest/globals';
import { normalFrom, randomFrom, simulatedRangefinder } from '../../src/ground/index.js';

describe('the rangefinder’s stand-in', () => {
  const aim = { from: 'a', to: 'b' };
  test('says that it is one, reads near the truth, and misses now and then', async () => {
    const device = simulatedRangefinder(() => 25, 3);
    expect(device.simulated).toBe(true);
    const readings = await Promise.all(Array.from({ length: 800 }, () => device.range(aim)));
    const good = readings.flatMap((r) => (r.kind === 'reading' ? [r.distance] : []));
    const misses = readings.length - good.length;
    expect(misses / readings.length).toBeGreaterThan(0.08);
    expect(misses / readings.length).toBeLessThan(0.17);
    const mean = good.reduce((s, d) => s + d, 0) / good.length;
    const sd = Math.sqrt(good.reduce((s, d) => s + (d - mean) ** 2, 0) / (good.length - 1));
    expect(mean).toBeCloseTo(25, 1);
    expect(sd).toBeGreaterThan(0.1);
    expect(sd).toBeLessThan(0.15);
    for (const r of readings) if (r.kind === 'miss') expect(r.reason).toMatch(/again/);
  });
  test('is the same again from the same seed', async () => {
    const run = async (): Promise<unknown[]> => {
      const device = simulatedRangefinder(() => 12, 9);
      return [await device.range(aim), await device.range(aim), await device.range(aim)];
    };
    expect(await run()).toEqual(await run());
  });
  test.each([
    [1, /tape/],
    [300, /Farther/],
    [null, /nothing there/],
  ])('%s m is a miss with its reason', async (distance, reason) => {
    const r = await simulatedRangefinder(() => distance, 1).range(aim);
    expect(r).toMatchObject({ kind: 'miss', reason: expect.stringMatching(reason) });
  });
});

test('the deviates are normal: mean nought, one standard deviation, no seed alike', () => {
  const random = randomFrom(1);
  const z = Array.from({ length: 20_000 }, () => normalFrom(random));
  const mean = z.reduce((s, v) => s + v, 0) / z.length;
  expect(Math.abs(mean)).toBeLessThan(0.03);
  expect(z.reduce((s, v) => s + v * v, 0) / z.length).toBeCloseTo(1, 1);
  expect(z.filter((v) => Math.abs(v) > 1.645).length / z.length).toBeCloseTo(0.1, 1);
  expect(randomFrom(1)()).not.toBe(randomFrom(2)());
});
