import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BED_PARTS,
  CENTRE_OF_MASS,
  lyingLoad,
  lyingPlace,
  prepareBed,
  shareOut,
  shockForce,
  sittingLoad,
  solveBed,
  swingFactor,
  takeStraps,
} from '../../src/bed/index.js';
import type { KitStraps } from '../../src/bed/index.js';
import { linearCurve } from '../../src/net/index.js';
import { norm } from '../../src/quantity/index.js';
import { hang } from './helper.js';

const W = 80 * 9.80665;

describe('the weight of a person on the cloth', () => {
  test('adds up to the whole, and acts where it lies, wherever they lie', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2.4, max: 4, noNaN: true }),
        fc.double({ min: 1.2, max: 2, noNaN: true }),
        fc.constantFrom(0 as const, 1 as const),
        fc.integer({ min: 3, max: 40 }),
        (length, stature, head, parts) => {
          const shares = shareOut(lyingLoad(length, stature, head, W), length, parts);
          const sum = shares.reduce((a, b) => a + b, 0);
          expect(sum).toBeCloseTo(W, 6);
          const place = lyingPlace(length, stature, head);
          const inside = [place.head, place.feet].every((x) => x >= 0 && x <= length);
          const middle = shares.reduce((m, f, k) => m + (f * k * length) / parts, 0) / sum;
          if (inside) expect(middle).toBeCloseTo(length / 2, 6);
        },
      ),
    );
  });
  test('its middle is where handbooks put it: some 57 % of stature above the soles', () => {
    expect(1 - CENTRE_OF_MASS).toBeGreaterThan(0.55);
    expect(1 - CENTRE_OF_MASS).toBeLessThan(0.59);
  });
});

describe('a bed at rest', () => {
  test('a weight at one point of a weightless bed that hardly stretches: T = W / (2 sin a)', () => {
    const h = hang({
      cloth: linearCurve(1e8),
      strap: linearCurve(1e8),
      weight: 1e-4,
      loads: [{ from: 1.5 - 1e-6, to: 1.5 + 1e-6, force: W }],
    });
    const s = solveBed(prepareBed(h), h);
    expect(s.converged).toBe(true);
    const sag = Math.sqrt((5 * 5 - 4.2 * 4.2) / 4);
    const sine = sag / 2.5;
    expect(s.straps[0]).toBeCloseTo(W / (2 * sine), 1);
    expect(s.straps[1]).toBeCloseTo(s.straps[0], 4);
    expect(s.line[BED_PARTS / 2]![2]).toBeCloseTo(1.5 - sag, 3);
  });
  test('unlevel ends and unequal straps: forces and moments balance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 1.4, noNaN: true }),
        fc.double({ min: 0.3, max: 1.4, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.constantFrom(0 as const, 1 as const),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (f0, f1, rise, head, push) => {
          const span = (f0 + f1 + 3) * 0.88;
          const h = hang({ loads: lyingLoad(3, 1.75, head, W), push: [0, push, 0] }, [f0, f1], rise, span);
          const s = solveBed(prepareBed(h), h);
          expect(s.converged).toBe(true);
          const [a, b] = s.pull;
          expect(a[0]).toBeGreaterThan(0);
          expect(a[0] + b[0]).toBeCloseTo(0, 4);
          expect(a[1] + b[1]).toBeCloseTo(push, 4);
          expect(-(a[2] + b[2])).toBeCloseTo(W + 6, 3);
          for (const i of [0, 1] as const) expect(norm(s.pull[i])).toBeCloseTo(s.straps[i], 3);
          // about the first tie, across the span: the second end's pull against the weights where they are
          const shares = shareOut(h.loads, 3, BED_PARTS);
          let moment = 0;
          s.line.forEach((p, k) => {
            moment += p[0] * (shares[k]! + (6 / BED_PARTS) * (k === 0 || k === BED_PARTS ? 0.5 : 1));
          });
          expect(span * -b[2] + rise * b[0]).toBeCloseTo(moment, 2);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('turned end for end it is its own mirror image', () => {
    const a = hang({ loads: lyingLoad(3, 1.7, 0, W) }, [0.6, 1.1], 0.3);
    const b = hang({ loads: lyingLoad(3, 1.7, 1, W) }, [1.1, 0.6], -0.3);
    const one = solveBed(prepareBed(a), a);
    const other = solveBed(prepareBed(b), b);
    expect(other.straps[1]).toBeCloseTo(one.straps[0], 5);
    one.line.forEach((p, k) => {
      expect(other.line[BED_PARTS - k]![0]).toBeCloseTo(4.2 - p[0], 6);
      expect(other.line[BED_PARTS - k]![2]).toBeCloseTo(p[2] - 0.3, 6);
    });
  });
  test('a ridge-cord keeps the ends apart and carries what flat straps add; slack ones carry nothing', () => {
    const loads = lyingLoad(3, 1.75, 0, W);
    const flat = hang({ loads, ridge: { length: 2.5, curve: linearCurve(6e4) } }, [0.9, 0.9]);
    const s = solveBed(prepareBed(flat), flat);
    expect(s.ridge).toBeGreaterThan(50);
    expect(norm([0, 1, 2].map((c) => s.links[1][c]! - s.links[0][c]!) as never)).toBeCloseTo(
      2.5 * (1 + s.ridge / 6e4),
      6,
    );
    const deep = hang({ loads, ridge: { length: 2.9, curve: linearCurve(6e4) } }, [0.9, 0.9]);
    expect(solveBed(prepareBed(deep), deep).ridge).toBe(0);
  });
  test('soft trunks come together and the bed comes down; the pull eases', () => {
    const loads = lyingLoad(3, 1.75, 0, W);
    const firm = hang({ loads });
    const soft: typeof firm = {
      ...firm,
      ends: [
        { ...firm.ends[0], give: 5e-5 },
        { ...firm.ends[1], give: 5e-5 },
      ],
    };
    const [a, b] = [solveBed(prepareBed(firm), firm), solveBed(prepareBed(soft), soft)];
    expect(b.straps[0]).toBeLessThan(a.straps[0]);
    expect(b.ties[0][0]).toBeCloseTo(5e-5 * b.pull[0][0], 8);
    expect(Math.min(...b.line.map((p) => p[2]))).toBeLessThan(Math.min(...a.line.map((p) => p[2])));
  });
  test('a pole held back by one stay: its push and the stay balance the strap at its head', () => {
    const h = hang({ loads: lyingLoad(3, 1.75, 0, W) });
    const curve = linearCurve(4e4);
    const stay = Math.hypot(2, 1.5);
    const poled: typeof h = {
      ...h,
      ends: [
        h.ends[0],
        {
          ...h.ends[1],
          pole: {
            foot: [4.2, 0, 0],
            length: 1.5,
            stiffness: 1e7,
            push: [0, 0],
            stays: [{ foot: [6.2, 0, 0], length: stay * 0.997, curve }],
          },
        },
      ],
    };
    const s = solveBed(prepareBed(poled), poled);
    expect(s.converged).toBe(true);
    const pole = s.poles[1]!;
    const up = [pole.head[0] - 4.2, pole.head[1], pole.head[2]];
    const long = Math.hypot(...up);
    const back = [6.2 - pole.head[0], -pole.head[1], -pole.head[2]];
    const reach = Math.hypot(...back);
    for (const c of [0, 2] as const)
      expect((pole.push * up[c]!) / long + (pole.stays[0]! * back[c]!) / reach + s.pull[1][c]).toBeCloseTo(0, 3);
    expect(pole.push).toBeGreaterThan(0);
    expect(pole.stays[0]).toBeGreaterThan(300);
  });
});

describe('coming down on a bed', () => {
  test('on a spring: W (1 + sqrt(1 + 2 h k / W)), and twice the weight from no height', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 500, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (k, fall) => {
          const spring = (P: number): { down: number; energy: number } => ({ down: P / k, energy: (P * P) / (2 * k) });
          expect(shockForce(spring, W, fall) / (W * (1 + Math.sqrt(1 + (2 * fall * k) / W)))).toBeCloseTo(1, 6);
        },
      ),
    );
  });
  test('on the bed itself every joule of the fall is stored, none made or lost', () => {
    const at = (force: number): ReturnType<typeof hang> => hang({ loads: sittingLoad(1.5, force) });
    const bed = prepareBed(at(0));
    const empty = solveBed(bed, { ...at(1e-6) });
    const press = (P: number): { down: number; energy: number } => {
      const s = solveBed(bed, at(P));
      return { down: empty.height - s.height, energy: s.stored + s.lifted - empty.stored - empty.lifted };
    };
    const P = shockForce(press, W, 0.3);
    expect(P).toBeGreaterThan(2 * W);
    const end = press(P);
    expect(end.energy).toBeCloseTo(W * (0.3 + end.down), 2);
    // the energy is the work of the force on its way, added up step by step
    let [work, before] = [0, 0];
    const steps = 400;
    for (let k = 1; k <= steps; k++) {
      const { down } = press((P * k) / steps);
      work += ((P * (k - 0.5)) / steps) * (down - before);
      before = down;
    }
    expect(work / end.energy).toBeCloseTo(1, 3);
  });
  test('a stiffer bed hits harder, a farther fall too', () => {
    const spring = (k: number) => (P: number) => ({ down: P / k, energy: (P * P) / (2 * k) });
    expect(shockForce(spring(2e4), W, 0.2)).toBeGreaterThan(shockForce(spring(5e3), W, 0.2));
    expect(shockForce(spring(5e3), W, 0.4)).toBeGreaterThan(shockForce(spring(5e3), W, 0.2));
  });
  test('a swing: its weight at rest, three times it from level', () => {
    expect(swingFactor(0)).toBe(1);
    expect(swingFactor(Math.PI / 2)).toBeCloseTo(3, 12);
  });
});

describe('straps taken for two trunks', () => {
  const pair = (id: string, part: Partial<KitStraps>): KitStraps => ({
    id,
    name: id,
    webbing: 'polyester-25',
    length: 3,
    adjust: 'loops',
    first: 0.8,
    spacing: 0.1,
    count: 20,
    limit: 0,
    sun: 'new',
    wear: 'sound',
    ...part,
  });
  test('the strongest that goes round both; the strongest where none does; none of none', () => {
    const [thin, wide, short] = [
      pair('thin', {}),
      pair('wide', { webbing: 'polyester-50' }),
      pair('short', { webbing: 'polyester-50', length: 1, count: 2 }),
    ];
    expect(takeStraps([thin, wide, short], [0.6, 0.8])[0]!.id).toBe('wide');
    expect(takeStraps([thin, short], [0.6, 1.2])[0]!.id).toBe('thin');
    expect(takeStraps([short], [0.6, 1.2])[0]!.id).toBe('short');
    expect(takeStraps([pair('worn', { webbing: 'polyester-50', wear: 'cut', sun: 'years' }), thin], [0.6])[0]!.id).toBe(
      'thin',
    );
    expect(takeStraps([], [0.6])).toEqual([]);
  });
});
