import { describe, expect, test } from '@jest/globals';
import { BENDS, GUY_ENDS, HITCHES, TERMINATIONS } from '../../src/catalogue/index.js';
import {
  KNOTS,
  clearance,
  drawnAt,
  knotOfBend,
  lengths,
  momentOf,
  seenFrom,
  stepsOf,
  strengthOf,
  tie,
} from '../../src/knot/index.js';
import type { Lay, Tied } from '../../src/knot/index.js';
import { determinant, closedFar } from './determinant.js';

const LAYS: readonly (readonly [string, Lay])[] = KNOTS.flatMap((k) => [
  [k.id, k.lay] as const,
  ...k.wrong.map((w) => [`${k.id}, wrong: ${w.id}`, w.lay] as const),
]);
const tied = new Map<string, Tied>();
const tiedOf = (name: string): Tied => {
  const known = tied.get(name);
  if (known !== undefined) return known;
  const made = tie(LAYS.find(([n]) => n === name)![1]);
  tied.set(name, made);
  return made;
};
/** Moments of each step that are looked at. */
const MOMENTS = 4;

describe('what is tied', () => {
  test('is every end, guy end, bend and friction hitch of the catalogue, each with its strength and its words', () => {
    const ids = KNOTS.map((k) => k.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { id } of [...TERMINATIONS, ...Object.values(GUY_ENDS), ...HITCHES]) expect(ids).toContain(id);
    for (const { id } of BENDS) expect(ids).toContain(knotOfBend(id));
    for (const k of KNOTS) {
      const { low, typical, high } = strengthOf(k);
      expect(low).toBeLessThanOrEqual(typical);
      expect(typical).toBeLessThanOrEqual(high);
      expect(k.wrong.length).toBeGreaterThan(0);
      for (const words of [k.name, k.when, k.fails, k.release, ...k.lay.steps.map((s) => s.says)])
        expect(words.length).toBeGreaterThan(3);
    }
  });
  test.each(LAYS.map(([name]) => name))(
    '%s is at no moment nearer to itself, to what it goes about or to the other rope than nine tenths of its thickness, and has no gap',
    (name) => {
      const one = tiedOf(name);
      const steps = stepsOf(one);
      for (let k = 0; k <= steps * MOMENTS; k++) {
        const { ropes, closed } = momentOf(one, k / MOMENTS);
        const near = clearance(ropes, one.bars, closed);
        if (near < 0.9) throw new Error(`${name} is ${near.toFixed(2)} from itself at ${k / MOMENTS}.`);
        for (const rope of ropes) {
          const along = lengths(rope);
          expect(Math.max(...along.slice(1).map((v, i) => v - along[i]!))).toBeLessThan(1.6);
        }
      }
      // drawn up, it is shorter than it lay
      const whole = (at: number): number => momentOf(one, at).ropes.reduce((sum, r) => sum + lengths(r).at(-1)!, 0);
      expect(whole(steps)).toBeLessThan(whole(steps - 1));
    },
  );
  test('a stick through an overhand loop holds it: drawn up, the loop still goes round it', () => {
    const one = tiedOf('overhand-loop');
    const [stick] = one.bars;
    const rope = one.drawn.at(-1)![0]!;
    expect(Math.min(...rope.map((p) => p[0]))).toBeLessThan(stick!.from[0] - stick!.radius - 0.4);
  });
  test('begins with the standing part alone, and each step adds to it', () => {
    for (const name of ['round-turn', 'clove', 'adjustable', 'hook']) {
      const one = tiedOf(name);
      const long = (at: number): number => lengths(momentOf(one, at).ropes[0]!).at(-1)!;
      for (let k = 1; k < stepsOf(one); k++) expect(long(k)).toBeGreaterThan(long(k - 1));
    }
  });
});

describe('as a knot', () => {
  const det = (name: string, rope = 0): number => determinant(closedFar(tiedOf(name).loose[rope]!));
  test('the measure is right of an overhand, a figure eight and what is none', () => {
    const ring = Array.from({ length: 300 }, (_, k) => (2 * Math.PI * k) / 300);
    const [s, c] = [Math.sin, Math.cos];
    expect(determinant(ring.map((t) => [s(t) + 2 * s(2 * t), c(t) - 2 * c(2 * t), -s(3 * t)]))).toBe(3);
    expect(determinant(ring.map((t) => [(2 + c(2 * t)) * c(3 * t), (2 + c(2 * t)) * s(3 * t), s(4 * t)]))).toBe(5);
    expect(determinant(ring.map((t) => [c(t), s(t) + 0.4 * s(2 * t), 0.3 * s(3 * t)]))).toBe(1);
  });
  test('an end of a figure-eight bend is a figure eight', () => {
    expect(det('figure-eight-bend', 0)).toBe(5);
    expect(det('figure-eight-bend', 1)).toBe(5);
  });
  test('what is slipped comes all apart: nothing is left in the cord', () => {
    const names = ['passes', 'loop-toggle', 'tail'];
    expect(names.map((name) => [name, det(name)])).toEqual(names.map((name) => [name, 1]));
    // a bowline’s end still lies through its eye, as through an overhand, and slides out of it
    expect(det('bowline')).toBe(3);
    // the loop of a pulley-style hitch falls out of the line once the end is out of it
    expect(determinant(closedFar(momentOf(tiedOf('pulley'), 3).ropes[0]!))).toBe(1);
  });
  test('a bight alone is none, in either cord of a sheet bend and of a reef', () => {
    for (const name of ['double-sheet', 'reef']) expect([det(name, 0)]).toEqual([1]);
    expect(det('reef', 1)).toBe(1);
  });
  test('both tails of a double sheet bend lie on one side, tied wrong on both; a bowline’s bight lies inside its loop', () => {
    const tails = (name: string): number[] =>
      tiedOf(name)
        .drawn.at(-1)!
        .map((r) => Math.sign(r.at(-1)![1]));
    expect(tails('double-sheet')).toEqual([1, 1]);
    expect(tails('double-sheet, wrong: opposite')).toEqual([-1, 1]);
    const [rope] = tiedOf('bowline').drawn.at(-1)!;
    // at the bight's end, left of the knot: the loop's legs above and below it
    const apex = rope!.slice(-60).reduce((a, b) => (b[0] < a[0] ? b : a));
    const at = rope!.filter((p) => Math.abs(p[0] - apex[0]) < 0.6 && p !== apex).map((p) => p[1]);
    expect(Math.max(...at)).toBeGreaterThan(apex[1] + 1);
    expect(Math.min(...at)).toBeLessThan(apex[1] - 0.8);
  });
  test('drawing up changes no knot', () => {
    for (const name of ['figure-eight-bend', 'bowline', 'clove', 'adjustable']) {
      const one = tiedOf(name);
      const [loose, snug] = [one.loose, one.drawn.at(-1)!];
      loose.forEach((rope, r) => expect(determinant(closedFar(snug[r]!))).toBe(determinant(closedFar(rope))));
    }
  });
});

describe('drawn', () => {
  const look = { turn: 0.4, tip: 0.2, left: false } as const;
  test('for the left hand it is the mirror image from where it is looked at', () => {
    const see = seenFrom({ turn: 0.4, tip: 0.2, left: false });
    const left = seenFrom({ turn: -0.4, tip: 0.2, left: true });
    for (const p of [
      [1, 2, 3],
      [-4, 0.5, 2],
    ] as const) {
      const [x, y, z] = see(p);
      const [lx, ly, lz] = left(p);
      expect([lx, ly, lz].map((v) => v.toFixed(9))).toEqual([-x, y, z].map((v) => v.toFixed(9)));
    }
  });
  test('what is near lies over what is far, within its frame, and the frame is the same from step to step', () => {
    const one = tiedOf('clove');
    const frames = [0.5, 1.5, 2.5, 4, 5].map((at) => drawnAt(one, momentOf(one, at), look, [320, 240]));
    for (const { strokes, width, height } of frames) {
      expect([width, height]).toEqual([320, 240]);
      for (const [x, y] of strokes.filter((s) => s.is !== 'trunk').flatMap((s) => s.points)) {
        expect(x).toBeGreaterThan(-1);
        expect(x).toBeLessThan(321);
        expect(y).toBeGreaterThan(-1);
        expect(y).toBeLessThan(241);
      }
    }
    // in front of the trunk the rope is drawn after it
    const front = drawnAt(one, momentOf(one, 1), { turn: 0, tip: 0, left: false }, [320, 240]).strokes;
    expect(front.findLastIndex((s) => s.is === 'trunk')).toBeLessThan(front.findLastIndex((s) => s.is === 'rope'));
    expect(front[0]!.is).not.toBe('trunk');
    expect(frames[0]!.strokes.find((s) => s.is === 'trunk')!.wide).toBe(
      frames[3]!.strokes.find((s) => s.is === 'trunk')!.wide,
    );
  });
  test('what a step moves is drawn as moved', () => {
    const one = tiedOf('loop');
    for (const at of [0.6, 1.6, 2.6]) {
      const { strokes } = drawnAt(one, momentOf(one, at), look, [320, 240]);
      expect(strokes.filter((s) => s.is === 'moved').length).toBeGreaterThan(1);
    }
  });
});
