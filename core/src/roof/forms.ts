import type { Vec3 } from '../quantity/index.js';

/** Shelter forms a roof can be pitched in. */
export const PITCH_FORMS = [
  'gable',
  'closed',
  'storm',
  'flying',
  'group',
  'diagonal',
  'leanto',
  'wedge',
  'threesided',
  'prop',
  'low',
] as const;
export type PitchForm = (typeof PITCH_FORMS)[number];

/** The few numbers that shape a form, SI. Each form reads those it needs. */
export interface Shape {
  /** Heights of the left and the right edge over the ground, m; 0 is pegged down. */
  readonly edges: readonly [left: number, right: number];
  /** Share of the width that reaches out in front of the ridge. */
  readonly awning: number;
  /** Height of the prop of a form that stands on one, m. */
  readonly prop: number;
  /** How far the middle is raised by sticks over the straight ends, m. */
  readonly lift: number;
  /** Width of the strip laid inward on the ground, m. */
  readonly flap: number;
}

/** Where a form is pitched: between two ties, over sloping ground. x along the span, y to its left, z up, m. */
export interface Setting {
  readonly length: number;
  readonly width: number;
  readonly ties: readonly [Vec3, Vec3];
  /** x of the middle of the roof. */
  readonly middle: number;
  readonly ground: (x: number, y: number) => number;
  readonly shape: Shape;
}

/** What holds a point of the cloth. */
export type Role =
  /** Tied to a friction hitch on the ridgeline, at its end toward a trunk. */
  | { readonly to: 'hitch'; readonly end: 0 | 1 }
  /** Tied straight to a trunk. */
  | { readonly to: 'trunk'; readonly end: 0 | 1 }
  /** Guyed out; `from` is the point of the cloth whose line the guy extends. */
  | { readonly to: 'guy'; readonly from: string }
  /** Pegged down where it lies, drawn away from `from`, or from the middle of the roof. */
  | { readonly to: 'peg'; readonly from?: string }
  /** Stood up on a prop, or on two sticks in an A. */
  | { readonly to: 'prop'; readonly sticks: 1 | 2 }
  /** A corner of a fold, held by nothing. */
  | { readonly to: 'fold' };

/** A point of the cloth and where the form puts it. */
export interface Key {
  readonly id: string;
  /** What a person calls it. */
  readonly name: string;
  readonly flat: readonly [s: number, t: number];
  readonly at: Vec3;
  readonly role: Role;
  /** Held only where the cloth has a tie-out for it. */
  readonly optional?: true;
  /** Left alone unless it is asked for: one tie-out more along an edge. */
  readonly spare?: true;
}

/** A form laid out in space: folded flat pieces between its keys. */
export interface FormPlan {
  readonly keys: readonly Key[];
  /** Keys of each flat piece; together they cover the cloth. */
  readonly facets: readonly (readonly [string, string, string])[];
  /** Where a ridgeline meets the cloth, as a segment of the cloth; null without one. */
  readonly ridge: readonly [readonly [number, number], readonly [number, number]] | null;
  /** Whether the fold runs from corner to corner. */
  readonly diagonal: boolean;
}

/** A form that cannot be built as asked; `field` is the number to change. */
export class FormProblem extends Error {
  override readonly name = 'FormProblem';
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** What a person should know of a form. */
export interface FormTrait {
  readonly name: string;
  readonly words: string;
  /** Which of the shape's numbers it reads. */
  readonly reads: readonly (keyof Shape)[];
  /** Whether it hangs on a ridgeline, is tied to the trunks by its ends, hangs from the first trunk or stands alone. */
  readonly hangs: 'ridge' | 'ends' | 'first' | 'alone';
  readonly usual: Partial<Shape>;
}

export const PITCH_TRAITS: Readonly<Record<PitchForm, FormTrait>> = {
  gable: {
    name: 'gable',
    words: 'Two flanks over a ridge: room, and shelter from both sides.',
    reads: ['edges'],
    hangs: 'ridge',
    usual: { edges: [0.5, 0.5] },
  },
  closed: {
    name: 'gable, one end closed',
    words: 'A gable whose first end comes down to the ground: low, for cold wind along the ridge.',
    reads: [],
    hangs: 'ridge',
    usual: { edges: [0, 0] },
  },
  storm: {
    name: 'gable, one side dropped',
    words: 'The left flank pegged to the ground against the wind.',
    reads: ['edges'],
    hangs: 'ridge',
    usual: { edges: [0, 0.6] },
  },
  flying: {
    name: 'flying roof',
    words: 'High and nearly flat, its edges on sticks: air and shade.',
    reads: ['edges'],
    hangs: 'ridge',
    usual: { edges: [1.5, 1.3] },
  },
  group: {
    name: 'large group roof',
    words: 'A big gable on a high line, its edges at head height.',
    reads: ['edges'],
    hangs: 'ridge',
    usual: { edges: [1.2, 1.2] },
  },
  diagonal: {
    name: 'diagonal fly',
    words: 'The ridge from corner to corner: least cord, over a hammock.',
    reads: ['edges'],
    hangs: 'ridge',
    usual: { edges: [0.7, 0.7] },
  },
  leanto: {
    name: 'lean-to',
    words: 'One slope to the ground behind, open in front, with an awning or without.',
    reads: ['edges', 'awning'],
    hangs: 'ridge',
    usual: { edges: [1.4, 0], awning: 0.25 },
  },
  wedge: {
    name: 'wedge',
    words: 'One high corner, three on the ground: sheds wind from behind.',
    reads: [],
    hangs: 'first',
    usual: {},
  },
  threesided: {
    name: 'three-sided',
    words:
      'Back pegged with a strip of cloth as floor, front corners folded in, the front’s middle drawn out to a triangle.',
    reads: ['flap'],
    hangs: 'ridge',
    usual: { flap: 0.3 },
  },
  prop: {
    name: 'single prop with a beak',
    words: 'Stands on one stick a third of the way from the front, without trees.',
    reads: ['prop'],
    hangs: 'alone',
    usual: { prop: 1.2 },
  },
  low: {
    name: 'low, end-tied',
    words: 'Ends tied straight to the trunks, the middle raised on two sticks in an A.',
    reads: ['edges', 'lift'],
    hangs: 'ends',
    usual: { edges: [0, 0], lift: 0.1 },
  },
};

const END = ['first', 'second'] as const;
const SIDE = ['left', 'right'] as const;

/** Drop of a flank of length `w` from height `h` to an edge at `z`: how far it reaches out, m. */
function reach(w: number, h: number, z: number, field: string): number {
  const drop = h - z;
  if (!(Math.abs(drop) < w - 1e-9))
    throw new FormProblem(
      field,
      `A flank of ${w.toFixed(2)} m cannot reach from ${h.toFixed(2)} m down to ${z.toFixed(2)} m. Lower the ridge, raise the edge, or take a wider cloth.`,
    );
  return Math.sqrt(w * w - drop * drop);
}

/** Height of the straight line between the ties at x. */
function lineAt(g: Setting, x: number): number {
  const [a, b] = g.ties;
  return a[2] + ((b[2] - a[2]) * (x - a[0])) / (b[0] - a[0] || 1);
}

/** A point of a flank hung from the line at x: its edge at height `z` over the ground there. */
function hung(g: Setting, x: number, side: 1 | -1, w: number, z: number, field: string, lift = 0): Vec3 {
  const top = lineAt(g, x) + lift;
  // the ground falls away under the edge: two rounds settle it
  let y = 0;
  for (let k = 0; k < 4; k++) y = side * reach(w, top, g.ground(x, y) + z, field);
  return [x, y, g.ground(x, y) + z];
}

/** Where an edge along the ridge can have tie-outs, as shares of half its length, with what they are called. */
const ALONG_EDGE = [
  { id: '0', name: '', share: -1 },
  { id: 'q', name: 'first quarter', share: -0.5 },
  { id: 't', name: 'first third', share: -1 / 3 },
  { id: '1', name: 'middle', share: 0 },
  { id: 'T', name: 'second third', share: 1 / 3 },
  { id: 'Q', name: 'second quarter', share: 0.5 },
  { id: '2', name: '', share: 1 },
] as const;

/**
 * A roof over a ridge: rectangle or diagonal, with flanks of any two heights. `ridgeT` is where the line crosses the
 * cloth, across it.
 */
function overRidge(g: Setting, ridgeT: number, role: (end: 0 | 1) => Role, lift = 0): FormPlan {
  const half = g.length / 2;
  // a raised middle draws the ends in
  const level = Math.sqrt(half * half - lift * lift);
  const x = [g.middle - level, g.middle + level] as const;
  const wl = g.width / 2 - ridgeT;
  const wr = g.width / 2 + ridgeT;
  const keys: Key[] = [];
  for (const end of [0, 1] as const)
    keys.push({
      id: `r${end}`,
      name: `${END[end]} end`,
      flat: [end === 0 ? -half : half, ridgeT],
      at: [x[end], 0, lineAt(g, x[end])],
      role: role(end),
    });
  keys.push({
    id: 'rm',
    name: 'ridge middle',
    flat: [0, ridgeT],
    at: [g.middle, 0, lineAt(g, g.middle) + lift],
    role: lift > 0 ? { to: 'prop', sticks: 2 } : { to: 'fold' },
  });
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const w = k === 0 ? wl : wr;
    if (w < 0.05) continue;
    const side = k === 0 ? 1 : -1;
    const z = g.shape.edges[k];
    // under a raised middle the corners come in, by as much as keeps their distance from it
    const drawn = level - (lift * (lineAt(g, g.middle) - z)) / level;
    for (const { id, name, share } of ALONG_EDGE) {
      const corner = Math.abs(share) === 1;
      const raised = lift * (1 - Math.abs(share));
      keys.push({
        id: `${k}${id}`,
        name: corner ? `${END[share < 0 ? 0 : 1]} ${SIDE[k]} corner` : `${SIDE[k]} ${name}`,
        flat: [share * half, side * (g.width / 2)],
        at: hung(g, g.middle + share * drawn, side, w, z, `shape.edges.${k}`, raised),
        role: z <= 0.02 ? { to: 'peg' } : { to: 'guy', from: 'rm' },
        ...(corner ? {} : { optional: true as const, ...(share === 0 ? {} : { spare: true as const }) }),
      });
    }
    facets.push(['r0', 'rm', `${k}0`], ['rm', `${k}1`, `${k}0`], ['rm', 'r1', `${k}2`], ['rm', `${k}2`, `${k}1`]);
  }
  return {
    keys,
    facets,
    ridge: [
      [-half, ridgeT],
      [half, ridgeT],
    ],
    diagonal: false,
  };
}

const onHitch = (end: 0 | 1): Role => ({ to: 'hitch', end });

function diagonal(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const long = 2 * Math.hypot(l, w);
  // along and across the diagonal
  const across = (2 * g.length * g.width) / (2 * long);
  const offset = (g.length ** 2 - g.width ** 2) / (2 * long);
  const x = [g.middle - long / 2, g.middle + long / 2] as const;
  const key = (id: string, name: string, flat: [number, number], at: Vec3, role: Role): Key => ({
    id,
    name,
    flat,
    at,
    role,
  });
  const left = hung(g, g.middle - offset, 1, across, g.shape.edges[0], 'shape.edges.0');
  const right = hung(g, g.middle + offset, -1, across, g.shape.edges[1], 'shape.edges.1');
  const side = (k: 0 | 1): Role => (g.shape.edges[k] <= 0.02 ? { to: 'peg' } : { to: 'guy', from: 'rm' });
  return {
    keys: [
      key('r0', 'first end', [-l, -w], [x[0], 0, lineAt(g, x[0])], onHitch(0)),
      key('r1', 'second end', [l, w], [x[1], 0, lineAt(g, x[1])], onHitch(1)),
      key('rm', 'ridge middle', [0, 0], [g.middle, 0, lineAt(g, g.middle)], { to: 'fold' }),
      key('0', 'left corner', [-l, w], left, side(0)),
      key('1', 'right corner', [l, -w], right, side(1)),
    ],
    facets: [
      ['r0', 'rm', '0'],
      ['rm', 'r1', '0'],
      ['r0', 'rm', '1'],
      ['rm', 'r1', '1'],
    ],
    ridge: [
      [-l, -w],
      [l, w],
    ],
    diagonal: true,
  };
}

/** Both points at distances `a` from p and `b` from q in the plane z = 0; the one to the left of p-q. */
function meet(
  p: readonly [number, number],
  a: number,
  q: readonly [number, number],
  b: number,
  say: () => FormProblem,
): [number, number] {
  const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const along = (a * a - b * b + d * d) / (2 * d);
  const off = a * a - along * along;
  if (!(off > 1e-9)) throw say();
  const [ux, uy] = [(q[0] - p[0]) / d, (q[1] - p[1]) / d];
  const h = Math.sqrt(off);
  return [p[0] + along * ux - h * uy, p[1] + along * uy + h * ux];
}

function wedge(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const tie = g.ties[0];
  // a hand's room for the cord between trunk and cloth
  const x0 = tie[0] + 0.3;
  const low = g.ground(x0 + Math.hypot(g.length, g.width) * 0.8, 0);
  const h = tie[2] - low;
  const short = Math.min(g.length, g.width);
  const tooHigh = (): FormProblem =>
    new FormProblem(
      'trunks.0.tieHeight',
      `The high corner cannot be tied over ${(short * 0.95).toFixed(2)} m, or the cloth’s shorter side does not reach the ground. Tie it lower.`,
    );
  if (!(h > 0.2 && h < 0.95 * short)) throw tooHigh();
  const far = Math.sqrt(g.length ** 2 + g.width ** 2 - h * h);
  const left = meet([0, 0], Math.sqrt(g.width ** 2 - h * h), [far, 0], g.length, tooHigh);
  const right = meet([0, 0], Math.sqrt(g.length ** 2 - h * h), [far, 0], g.width, tooHigh);
  const place = (x: number, y: number): Vec3 => [x0 + x, y, g.ground(x0 + x, y)];
  return {
    keys: [
      { id: 'a', name: 'high corner', flat: [-l, -w], at: [x0, 0, tie[2]], role: { to: 'trunk', end: 0 } },
      { id: 'c', name: 'low corner', flat: [l, w], at: place(far, 0), role: { to: 'peg' } },
      { id: 'b', name: 'left corner', flat: [-l, w], at: place(left[0], left[1]), role: { to: 'peg' } },
      { id: 'd', name: 'right corner', flat: [l, -w], at: place(right[0], -right[1]), role: { to: 'peg' } },
    ],
    facets: [
      ['a', 'c', 'b'],
      ['a', 'c', 'd'],
    ],
    ridge: null,
    diagonal: true,
  };
}

/** The gable whose first end comes down to the ground as a hip: the hitch sits in from the end, the rest folds down. */
function closed(g: Setting): FormPlan {
  const half = g.length / 2;
  const w = g.width / 2;
  const field = 'trunks.0.tieHeight';
  const height = lineAt(g, g.middle) - g.ground(g.middle, 0);
  const inset = 1.2 * height;
  if (inset > 0.55 * g.length)
    throw new FormProblem(
      field,
      `The cloth is too short to close an end from ${height.toFixed(2)} m. Lower the ridge to ${(0.45 * g.length).toFixed(2)} m or less.`,
    );
  // the roof's middle stays over the middle of the whole
  const x = (s: number): number => g.middle + s;
  const xe = x(-half + inset);
  const top = (px: number): Vec3 => [px, 0, lineAt(g, px)];
  const tip = xe - Math.sqrt(inset * inset - (lineAt(g, xe) - g.ground(xe, 0)) ** 2);
  const keys: Key[] = [
    { id: 'r0', name: 'first end of the ridge', flat: [-half + inset, 0], at: top(xe), role: onHitch(0) },
    { id: 'r1', name: 'second end', flat: [half, 0], at: top(x(half)), role: onHitch(1) },
    { id: 'rt', name: 'foot of the closed end', flat: [-half, 0], at: [tip, 0, g.ground(tip, 0)], role: { to: 'peg' } },
  ];
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const side = k === 0 ? 1 : -1;
    const fold = hung(g, xe, side, w, 0, field);
    const corner: Vec3 = [xe - inset, fold[1], g.ground(xe - inset, fold[1])];
    keys.push(
      { id: `${k}0`, name: `first ${SIDE[k]} corner`, flat: [-half, side * w], at: corner, role: { to: 'peg' } },
      {
        id: `${k}f`,
        name: `${SIDE[k]} side at the fold`,
        flat: [-half + inset, side * w],
        at: fold,
        role: { to: 'peg' },
        optional: true,
      },
      {
        id: `${k}2`,
        name: `second ${SIDE[k]} corner`,
        flat: [half, side * w],
        at: hung(g, x(half), side, w, 0, field),
        role: { to: 'peg' },
      },
    );
    facets.push(['r0', 'rt', `${k}0`], ['r0', `${k}f`, `${k}0`], ['r0', `${k}f`, `${k}2`], ['r0', 'r1', `${k}2`]);
  }
  return {
    keys,
    facets,
    ridge: [
      [-half + inset, 0],
      [half, 0],
    ],
    diagonal: false,
  };
}

/** How far the front corners of the three-sided form are turned in from straight out, rad. Judgement: a high front, walls not too loose. */
const FOLD_IN = 1.05;

/** Back to the ground with a strip inside, front corners folded down beside the ends, the front's middle drawn out. */
function threesided(g: Setting): FormPlan {
  const half = g.length / 2;
  const flap = Math.min(g.shape.flap, 0.2 * g.width);
  const x = [g.middle - half, g.middle + half] as const;
  const top = Math.max(lineAt(g, x[0]) - g.ground(x[0], 0), lineAt(g, x[1]) - g.ground(x[1], 0));
  // what is left is shared so that the front corners just reach the ground at a slant
  const front = top * 1.15;
  const back = g.width - flap - front;
  const field = 'trunks.0.tieHeight';
  if (!(back > top * 1.02))
    throw new FormProblem(
      field,
      `The cloth is too narrow to fold three sides from ${top.toFixed(2)} m. Lower the ridge to ${((g.width - flap) / 2.2).toFixed(2)} m or less.`,
    );
  const ridgeT = g.width / 2 - front;
  const y = hung(g, g.middle, -1, back, 0, field)[1];
  const keys: Key[] = [];
  const facets: [string, string, string][] = [];
  for (const end of [0, 1] as const) {
    const s = end === 0 ? -half : half;
    const foot = hung(g, x[end], -1, back, 0, field);
    const inside: Vec3 = [x[end], foot[1] + flap, g.ground(x[end], foot[1] + flap)];
    // the front corner is folded in toward the middle, which lets the front's middle rise
    const room = Math.sqrt(Math.max(0, front * front - (lineAt(g, x[end]) - g.ground(x[end], 0)) ** 2));
    const cx = x[end] + (end === 0 ? 1 : -1) * Math.sin(FOLD_IN) * room;
    const cy = Math.cos(FOLD_IN) * room;
    keys.push(
      {
        id: `r${end}`,
        name: `${END[end]} end of the ridge`,
        flat: [s, ridgeT],
        at: [x[end], 0, lineAt(g, x[end])],
        role: onHitch(end),
      },
      { id: `b${end}`, name: `${END[end]} back corner`, flat: [s, -g.width / 2 + flap], at: foot, role: { to: 'peg' } },
      {
        id: `f${end}`,
        name: `${END[end]} front corner`,
        flat: [s, g.width / 2],
        at: [cx, cy, g.ground(cx, cy)],
        role: { to: 'peg' },
      },
    );
    if (flap > 0.03)
      keys.push({
        id: `i${end}`,
        name: `${END[end]} corner of the floor strip`,
        flat: [s, -g.width / 2],
        at: inside,
        role: { to: 'peg', from: 'bm' },
      });
  }
  // the middle of the front: drawn forward, as high as its edges let it
  const corner = keys.find((k) => k.id === 'f1')!.at;
  const mid = lineAt(g, g.middle);
  let beak: Vec3 = [g.middle, front, mid];
  for (let tilt = 0; tilt <= 45; tilt++) {
    const a = (tilt * Math.PI) / 90;
    beak = [g.middle, front * Math.cos(a), mid - front * Math.sin(a)];
    if (Math.hypot(beak[0] - corner[0], beak[1] - corner[1], beak[2] - corner[2]) <= half) break;
  }
  keys.push(
    { id: 'rm', name: 'ridge middle', flat: [0, ridgeT], at: [g.middle, 0, mid], role: { to: 'fold' } },
    { id: 'fm', name: 'front triangle', flat: [0, g.width / 2], at: beak, role: { to: 'guy', from: 'rm' } },
    {
      id: 'bm',
      name: 'back middle',
      flat: [0, -g.width / 2 + flap],
      at: [g.middle, y, g.ground(g.middle, y)],
      role: { to: 'peg' },
      optional: true,
    },
  );
  facets.push(['r0', 'rm', 'f0'], ['rm', 'fm', 'f0'], ['rm', 'r1', 'f1'], ['rm', 'f1', 'fm']);
  facets.push(['r0', 'b0', 'rm'], ['rm', 'b0', 'bm'], ['rm', 'bm', 'b1'], ['rm', 'b1', 'r1']);
  if (flap > 0.03) facets.push(['b0', 'i0', 'bm'], ['bm', 'i0', 'i1'], ['bm', 'i1', 'b1']);
  return {
    keys,
    facets,
    ridge: [
      [-half, ridgeT],
      [half, ridgeT],
    ],
    diagonal: false,
  };
}

/** One prop under the cloth a third of its length from the front; back edge and corners pegged, the front a beak. */
function prop(g: Setting): FormPlan {
  const half = g.length / 2;
  const w = g.width / 2;
  const h = g.shape.prop;
  const toBack = (2 * g.length) / 3;
  const toFront = g.length / 3;
  const say = (): FormProblem =>
    new FormProblem(
      'shape.prop',
      `A prop of ${h.toFixed(2)} m is too high for this cloth: at most ${(0.93 * Math.min(w, toBack)).toFixed(2)} m.`,
    );
  if (!(h > 0.2 && h < 0.95 * Math.min(w, toBack))) throw say();
  const s = half - toFront;
  const place = (x: number, y: number): Vec3 => [g.middle + s + x, y, g.ground(g.middle + s + x, y)];
  const back = -Math.sqrt(toBack * toBack - h * h);
  // feet of the sides: as far from the back corner as in the cloth, as far from the prop as a side's slope allows
  const outer = (p: [number, number], a: number, q: [number, number], b: number): [number, number] => {
    const [one, two] = [meet(p, a, q, b, say), meet(q, b, p, a, say)];
    return one[0] > two[0] ? one : two;
  };
  const [sx, sy] = outer([0, 0], Math.sqrt(w * w - h * h), [back, w], toBack);
  const frontPlan = Math.sqrt(toFront ** 2 + w * w - h * h);
  const [fx, fy] = outer([sx, sy], toFront, [0, 0], frontPlan);
  const apex = place(0, 0);
  const peak: Vec3 = [apex[0], apex[1], apex[2] + h];
  // the beak: in the middle plane, a third of the length from the prop and half a width from each corner
  const r2 = w * w - fy * fy;
  let beak: Vec3 = [peak[0] + toFront * 0.9, 0, peak[2] - toFront * Math.sqrt(1 - 0.81)];
  if (r2 > 0) {
    const d = Math.hypot(fx, h);
    const r = Math.sqrt(r2);
    const along = (toFront ** 2 - r * r + d * d) / (2 * d);
    const off = toFront ** 2 - along * along;
    if (off > 0) {
      const [ux, uz] = [fx / d, -h / d];
      const k = Math.sqrt(off);
      beak = [peak[0] + along * ux - k * uz * 0.98, 0, peak[2] + along * uz + k * ux * 0.98];
    }
  }
  const keys: Key[] = [
    { id: 'p', name: 'top of the prop', flat: [s, 0], at: peak, role: { to: 'prop', sticks: 1 } },
    { id: 'bm', name: 'back middle', flat: [-half, 0], at: place(back, 0), role: { to: 'peg' }, optional: true },
    { id: 'fm', name: 'beak', flat: [half, 0], at: beak, role: { to: 'guy', from: 'p' } },
  ];
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const y = k === 0 ? 1 : -1;
    keys.push(
      {
        id: `${k}b`,
        name: `back ${SIDE[k]} corner`,
        flat: [-half, y * w],
        at: place(back, y * w),
        role: { to: 'peg' },
      },
      { id: `${k}s`, name: `${SIDE[k]} side`, flat: [s, y * w], at: place(sx, y * sy), role: { to: 'peg' } },
      { id: `${k}f`, name: `front ${SIDE[k]} corner`, flat: [half, y * w], at: place(fx, y * fy), role: { to: 'peg' } },
    );
    facets.push(['p', 'bm', `${k}b`], ['p', `${k}b`, `${k}s`], ['p', `${k}s`, `${k}f`], ['p', `${k}f`, 'fm']);
  }
  return { keys, facets, ridge: null, diagonal: false };
}

/** Ends tied to the trunks, the middle raised on an A of sticks. */
function low(g: Setting): FormPlan {
  const plan = overRidge(g, 0, (end) => ({ to: 'trunk', end }), Math.max(0, g.shape.lift));
  return { ...plan, ridge: null };
}

/**
 * A form by construction: where its points go so that each flat piece keeps its own lengths, or is slack where the form
 * folds cloth away.
 * @throws FormProblem naming the number to change
 */
export function planForm(form: PitchForm, g: Setting): FormPlan {
  switch (form) {
    case 'gable':
    case 'group':
    case 'flying':
    case 'storm':
      return overRidge(g, 0, onHitch);
    case 'leanto':
      // the open front is to the left
      return overRidge(g, g.width / 2 - Math.min(0.5, g.shape.awning) * g.width, onHitch);
    case 'diagonal':
      return diagonal(g);
    case 'wedge':
      return wedge(g);
    case 'closed':
      return closed(g);
    case 'threesided':
      return threesided(g);
    case 'prop':
      return prop(g);
    case 'low':
      return low(g);
  }
}
