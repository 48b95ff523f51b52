import type { Vec3 } from '../quantity/index.js';
import type { Lay } from './knot.js';
import type { Bar, Path } from './rope.js';
import { NODE, apart, cross, mix, splined, unit } from './rope.js';
import { Settling } from './settle.js';

/** Where on a rope, by its nodes, a step begins and ends. */
type Span =
  | { readonly how: 'thread'; readonly from: number; readonly to: number }
  /** One strand goes forth and the other back, from the first of both to the second; what comes after it grows with the first step of it. */
  | {
      readonly how: 'bight';
      readonly forth: readonly [number, number];
      readonly back: readonly [number, number];
      readonly rest: readonly [number, number];
      readonly first: boolean;
      readonly last: boolean;
    }
  /** Legs go outward from two nodes to two others. */
  | { readonly how: 'legs'; readonly from: readonly [number, number]; readonly to: readonly [number, number] };

/** A knot tied: its ropes lying loose, where each step is on them, and how they are drawn up. */
export interface Tied {
  readonly bars: readonly Bar[];
  readonly loose: readonly Path[];
  readonly steps: readonly { readonly says: string; readonly rope: 0 | 1; readonly span: Span }[];
  /** From loose to snug. */
  readonly drawn: readonly (readonly Path[])[];
}

/** Two strands of a bight lie so far from its middle. */
const HALF = 0.68;
/** Distance that is kept: a little more than the thickness, since nodes stand a little apart on the rope. */
const LOOSE = 1.22;
const SNUG = 1.08;
/** Rounds of settling: loose, then parted only, then drawn up, a picture each so many. Judgement: enough to look tied. */
const ROUNDS = { loose: 40, parted: 100, drawn: 40, cleared: 12, passing: 30 } as const;
const PICTURES = 7;

/** A rope's control points with where each step is among them. */
interface Built {
  points: Vec3[];
  spans: { readonly step: number; readonly span: Span }[];
}

function built(lay: Lay, rope: 0 | 1): Built {
  const points: Vec3[] = [...lay.starts[rope]!];
  let spans: Built['spans'] = [];
  const steps = lay.steps.map((s, k) => ({ ...s, k })).filter((s) => s.rope === rope);
  for (let i = 0; i < steps.length; i++) {
    const { adds, k } = steps[i]!;
    const from = points.length - 1;
    if (adds.how === 'thread') {
      points.push(...adds.through);
      spans.push({ step: k, span: { how: 'thread', from, to: points.length - 1 } });
    } else if (adds.how === 'legs') {
      const [left, right] = adds.through;
      points.unshift(...[...left].reverse());
      // what was marked before lies so much farther along
      const by = left.length;
      spans = spans.map((s) => ({ step: s.step, span: mapped(s.span, (n) => n + by) }));
      const was = [by, points.length - 1] as const;
      points.push(...right);
      spans.push({ step: k, span: { how: 'legs', from: was, to: [0, points.length - 1] } });
    } else {
      // all of one bight together
      const all = [adds];
      const of = [k];
      for (let n = i + 1; n < steps.length && steps[n]!.adds.how === 'bight'; n++) {
        all.push(steps[n]!.adds as typeof adds);
        of.push(steps[n]!.k);
      }
      i += all.length - 1;
      const last = all.at(-1)!;
      const { there, back } = strands(
        points[from]!,
        all.flatMap((a) => a.through),
        last.beside,
        last.wide ?? 1,
      );
      points.push(...there);
      const apex = points.length - 1;
      points.push(...back);
      const end = points.length - 1;
      points.push(...(last.then ?? []));
      const rest = [end, points.length - 1] as const;
      let on = 0;
      all.forEach((a, n) => {
        const to = on + a.through.length;
        const isLast = n === all.length - 1;
        spans.push({
          step: of[n]!,
          span: {
            how: 'bight',
            forth: [from + on, isLast ? apex : from + to],
            back: [end - on, isLast ? apex : end - to],
            rest,
            first: n === 0,
            last: isLast,
          },
        });
        on = to;
      });
    }
  }
  return { points, spans };
}

/** A span with each of its nodes counted otherwise. */
const mapped = (span: Span, n: (k: number) => number): Span => {
  const two = ([a, b]: readonly [number, number]): readonly [number, number] => [n(a), n(b)];
  if (span.how === 'legs') return { ...span, from: two(span.from), to: two(span.to) };
  if (span.how === 'bight') return { ...span, forth: two(span.forth), back: two(span.back), rest: two(span.rest) };
  return { ...span, from: n(span.from), to: n(span.to) };
};

/** The two strands of a bight along its middle: there on one side, back on the other, as many points each. */
function strands(
  from: Vec3,
  through: Path,
  beside: Vec3 | 'flat',
  wide: number,
): { readonly there: Vec3[]; readonly back: Vec3[] } {
  const all = [from, ...through];
  const way = (k: number): Vec3 => {
    const [a, b] = [all[Math.max(0, k - 1)]!, all[Math.min(all.length - 1, k + 1)]!];
    return unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]);
  };
  const side = (k: number, sign: number): Vec3 => {
    const t = way(k);
    const along = beside === 'flat' ? 0 : t[0] * beside[0] + t[1] * beside[1] + t[2] * beside[2];
    const n =
      beside === 'flat'
        ? unit(cross(t, [0, 0, 1]))
        : unit([beside[0] - along * t[0], beside[1] - along * t[1], beside[2] - along * t[2]]);
    const far = sign * HALF * (k >= all.length - 2 ? wide : 1);
    const p = all[k]!;
    return [p[0] + far * n[0], p[1] + far * n[1], p[2] + far * n[2]];
  };
  const last = all.length - 1;
  const before = through.slice(0, -1).map((_, k) => k + 1);
  return {
    there: [...before.map((k) => side(k, 1)), all[last]!],
    back: before.map((k) => side(k, -1)).reverse(),
  };
}

/** Ties a knot: lays its ropes through their points, parts what lies too near, then draws them up. */
export function tie(lay: Lay): Tied {
  const ropes = lay.starts.map((_, r) => built(lay, r as 0 | 1));
  const curves = ropes.map((r) => splined(r.points));
  const settling = new Settling(
    curves.map((c) => c.nodes),
    lay.bars,
  );
  settling.run(ROUNDS.loose, LOOSE, 0.25);
  settling.run(ROUNDS.parted, LOOSE, 0);
  const loose = settling.ropes();
  const drawn: Path[][] = [];
  for (let k = 0; k < PICTURES; k++) {
    settling.run(ROUNDS.drawn, SNUG, 0.3);
    settling.run(ROUNDS.cleared, SNUG, 0);
    drawn.push(settling.ropes());
  }
  const steps = lay.steps.map(({ says, rope }, k) => ({
    says,
    rope,
    span: mapped(ropes[rope]!.spans.find((s) => s.step === k)!.span, (n) => curves[rope]!.at[n]!),
  }));
  return { bars: lay.bars, loose, steps, drawn };
}

/** A moment of the tying. */
export interface Moment {
  readonly ropes: readonly Path[];
  /** Which of them are loops: their ends meet. */
  readonly closed: readonly boolean[];
  /** Of each rope, the stretches of nodes that this step has moved, each from one to another. */
  readonly moved: readonly (readonly (readonly [number, number])[])[];
}

/** How many steps there are, the last of them drawing up. */
export const stepsOf = (tied: Tied): number => tied.steps.length + 1;

/** A share of the tail comes first where a bight is drawn. */
const TAIL_FIRST = 0.25;

/**
 * The rope as it lies at some moment.
 * @param at 0 before the first step, 1 after it, and so on; fractions between
 */
export function momentOf(tied: Tied, at: number): Moment {
  const { steps, loose, drawn } = tied;
  const closed = loose.map((_, r) => steps.some((s) => s.rope === r && s.span.how === 'legs'));
  if (at >= steps.length) {
    const share = Math.min(1, at - steps.length);
    const k = share * drawn.length;
    const i = Math.min(drawn.length, Math.floor(k));
    const [a, b] = [i === 0 ? loose : drawn[i - 1]!, drawn[Math.min(i, drawn.length - 1)]!];
    return {
      ropes: a.map((rope, r) => {
        const now = rope.map((p, n) => mix(p, b[r]![n]!, k - i));
        return closed[r] === true ? withEnd(now, now) : now;
      }),
      closed,
      moved: a.map(() => []),
    };
  }
  const now = Math.max(0, Math.floor(at));
  const share = at - now;
  const moved: (readonly [number, number])[][] = loose.map(() => []);
  const ropes = loose.map((rope, r): Path => {
    const mine = steps.map((s, k) => ({ ...s, k })).filter((s) => s.rope === r);
    const done = mine.filter((s) => s.k < now);
    const doing = mine.find((s) => s.k === now);
    const first = mine[0];
    if (first === undefined) return rope;
    if (doing === undefined) {
      const last = done.at(-1);
      return last === undefined ? before(rope, first.span) : doneWith(rope, last.span);
    }
    const { span } = doing;
    if (span.how === 'legs') {
      const went = Math.round(share * (span.from[0] - span.to[0]));
      moved[r] = [
        [0, went],
        [went + span.from[1] - span.from[0], Number.POSITIVE_INFINITY],
      ];
      return legsAt(rope, span, share);
    }
    if (span.how === 'thread') {
      const to = span.from + share * (span.to - span.from);
      moved[r] = [[span.from, Math.ceil(to)]];
      return upTo(rope, to);
    }
    moved[r] = [[span.forth[0], Number.POSITIVE_INFINITY]];
    return bightAt(rope, span, share);
  });
  // where a bight or a loop's end is on its way, what it passes gives way to it
  if (steps[now]!.span.how === 'thread') return { ropes, closed, moved };
  const settling = new Settling(ropes, tied.bars, closed);
  settling.run(ROUNDS.passing, SNUG, 0);
  return { ropes: settling.ropes(), closed, moved };
}

/** A bight drawn so far along its way. */
function bightAt(rope: Path, span: Extract<Span, { readonly how: 'bight' }>, share: number): Path {
  const { forth, back, rest, first, last } = span;
  const grown = first ? Math.min(1, share / TAIL_FIRST) : 1;
  const out = first ? Math.max(0, (share - TAIL_FIRST) / (1 - TAIL_FIRST)) : share;
  const end = upTo(rope, rest[0] + grown * (rest[1] - rest[0]));
  if (last && out >= 1) return end;
  const to = Math.round(forth[0] + out * (forth[1] - forth[0]));
  const there = rope.slice(0, to + 1);
  const about = Math.round(back[0] + out * (back[1] - back[0]));
  const home = end.slice(abreast(rope, to, about, forth[1], rest[0]));
  return [...there, ...hairpin(there.at(-2) ?? there[0]!, there.at(-1)!, home[0]!), ...home];
}

/** Nodes that strands of a bight may be out of step by: one goes round the outside of a bend. */
const OUT_OF_STEP = 8;
/** The node of the strand that comes back which lies abreast of one that goes forth. */
function abreast(rope: Path, to: number, about: number, least: number, most: number): number {
  let best = Math.min(most, Math.max(least + 1, about));
  let near = Number.POSITIVE_INFINITY;
  for (let n = Math.max(least + 1, about - OUT_OF_STEP); n <= Math.min(most, about + OUT_OF_STEP); n++) {
    const d = apart(rope[to]!, rope[n]!);
    if (d < near) [near, best] = [d, n];
  }
  return best;
}

/** Where a rope lies once a step of it is done. */
const doneWith = (rope: Path, span: Span): Path =>
  span.how === 'legs'
    ? legsAt(rope, span, 1)
    : span.how === 'bight'
      ? bightAt(rope, span, 1)
      : rope.slice(0, span.to + 1);
const before = (rope: Path, span: Span): Path =>
  span.how === 'legs' ? legsAt(rope, span, 0) : rope.slice(0, (span.how === 'bight' ? span.forth[0] : span.from) + 1);

/** A rope from its beginning to a node, or between two. */
function upTo(rope: Path, to: number): Vec3[] {
  const i = Math.min(rope.length - 1, Math.floor(to));
  const out = rope.slice(0, i + 1);
  if (to > i && i + 1 < rope.length) out.push(mix(rope[i]!, rope[i + 1]!, to - i));
  return out;
}

/** Half a round from one strand to the other, going on as the first one goes. @param most how far it goes on */
function hairpin(before: Vec3, from: Vec3, to: Vec3, most = Number.POSITIVE_INFINITY): Vec3[] {
  const t = unit([from[0] - before[0], from[1] - before[1], from[2] - before[2]]);
  const middle = mix(from, to, 0.5);
  const r: Vec3 = [from[0] - middle[0], from[1] - middle[1], from[2] - middle[2]];
  const half = Math.hypot(...r);
  const far = Math.min(half, most);
  const parts = Math.max(4, Math.ceil((Math.PI * half) / NODE));
  return Array.from({ length: parts - 1 }, (_, k): Vec3 => {
    const a = (Math.PI * (k + 1)) / parts;
    const [c, s] = [Math.cos(a), far * Math.sin(a)];
    return [middle[0] + c * r[0] + s * t[0], middle[1] + c * r[1] + s * t[1], middle[2] + c * r[2] + s * t[2]];
  });
}

/** The end of a loop that goes round with its legs lies nearly straight from one to the other. */
const END = 1.7;
/** Nodes ahead by which it is told which way a leg goes. */
const AHEAD = 3;
/** A loop whose legs have gone so far, closed by its end. */
function legsAt(rope: Path, span: Extract<Span, { readonly how: 'legs' }>, share: number): Path {
  const left = Math.round(span.from[0] + share * (span.to[0] - span.from[0]));
  const right = Math.round(span.from[1] + share * (span.to[1] - span.from[1]));
  return withEnd(rope, rope.slice(left, right + 1), [left, right]);
}
/** A part of a loop from one node to another, and its end from the second back to the first. */
function withEnd(rope: Path, part: Path, [left, right]: readonly [number, number] = [0, rope.length - 1]): Path {
  const go = (p: Vec3, q: Vec3): Vec3 => unit([q[0] - p[0], q[1] - p[1], q[2] - p[2]]);
  // the way they are about to go; at the last the way they came
  const ahead = (from: number, by: number): Vec3 => {
    const to = Math.min(rope.length - 1, Math.max(0, from + by));
    return to === from ? go(rope[from - by]!, rope[from]!) : go(rope[from]!, rope[to]!);
  };
  const [ta, tb] = [ahead(left, -AHEAD), ahead(right, AHEAD)];
  const t = unit([ta[0] + tb[0], ta[1] + tb[1], ta[2] + tb[2]]);
  const end = part.at(-1)!;
  return [...part, ...hairpin([end[0] - t[0], end[1] - t[1], end[2] - t[2]], end, part[0]!, END)];
}
