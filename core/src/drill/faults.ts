import type { Sign } from '../anchor/index.js';
import { findHitch } from '../catalogue/index.js';
import type { Join, Laid, Tab } from '../catalogue/index.js';
import { isLoop } from '../hitch/index.js';
import { ofCode } from '../findings/index.js';
import type { FindingCode } from '../findings/index.js';
import { layoutOf } from '../pitch/index.js';
import { USUAL_PROPS, guyOf, hauledTo, isStem, rigProblems } from '../rig/index.js';
import type { Bed, BedEnd, Guy, Pitch, Props, RidgeRig, RoofHitch, Trunk } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Chance } from './chance.js';
import type { DrillSource } from './maker.js';
import { bare, rounded, tryJudged } from './maker.js';

/** What is seen, felt and measured of a rig by who goes round it, SI. */
export type Seen =
  | { readonly of: 'ends'; readonly heights: readonly [number, number]; readonly rise: number }
  | { readonly of: 'ridge'; readonly sag: number; readonly span: number }
  | {
      readonly of: 'turns';
      readonly end: 0 | 1;
      readonly wraps: number;
      readonly crossed: boolean;
      /** Where the join of a loop sits, or which way a tail is wrapped. */
      readonly lies: { readonly of: 'join'; readonly at: Join } | { readonly of: 'tail'; readonly to: Laid };
    }
  | { readonly of: 'loops'; readonly lengths: readonly [number, number] }
  | {
      readonly of: 'guy';
      readonly name: string;
      readonly rise: number;
      readonly off: number;
      readonly tab: Tab;
      /** How far its peg leans away from the pull, rad; null where it is held otherwise. */
      readonly lean: number | null;
    }
  | { readonly of: 'strap'; readonly end: 0 | 1; readonly below: number }
  | { readonly of: 'tails'; readonly straps: boolean; readonly ridge: boolean }
  | { readonly of: 'tree'; readonly name: string; readonly signs: readonly Sign[] }
  | { readonly of: 'bed'; readonly height: number }
  | { readonly of: 'sticks'; readonly props: Props };

/** What can be put wrong in a rig. */
export interface Fault {
  readonly id: string;
  readonly name: string;
  /** A rig with it; null where it has nothing to put it in. @param hard 0 plain to see, 1 just over the edge */
  readonly put: (source: DrillSource, chance: Chance, hard: number) => RidgeRig | null;
  /** Whether a judged rig has it. */
  readonly has: (report: RigReport) => boolean;
}

/** A guy is off the cloth's own line, too steep, a strap too flat, a peg the wrong way, from these on, rad; loops differ, m; ends differ, m. Judgement: what an eye tells from right. */
const EDGE = { off: 0.26, steep: 0.95, flat: 0.38, leansIn: -0.1, loops: 0.04, level: 0.12 } as const;

/** From plain to see to just over the edge. */
const graded = (plain: number, edge: number, hard: number): number => plain + (edge - plain) * hard;

const pitched = (rig: RidgeRig, part: Partial<Pitch>): RidgeRig => ({ ...rig, pitch: { ...rig.pitch!, ...part } });
const bedded = (rig: RidgeRig, part: Partial<Bed>): RidgeRig => ({ ...rig, bed: { ...rig.bed!, ...part } });
const hitched = (rig: RidgeRig, end: 0 | 1, part: Partial<RoofHitch>): RidgeRig => {
  const [a, b] = rig.pitch!.hitches;
  return pitched(rig, { hitches: end === 0 ? [{ ...a, ...part }, b] : [a, { ...b, ...part }] });
};
const ended = (rig: RidgeRig, change: (end: BedEnd, k: 0 | 1) => Partial<BedEnd>): RidgeRig => {
  const [a, b] = rig.bed!.ends;
  return bedded(rig, {
    ends: [
      { ...a, ...change(a, 0) },
      { ...b, ...change(b, 1) },
    ],
  });
};
const trunked = (rig: RidgeRig, k: 0 | 1, part: Partial<Trunk>): RidgeRig => {
  const [a, b] = rig.trunks;
  return { ...rig, trunks: k === 0 ? [{ ...a, ...part }, b] : [a, { ...b, ...part }] };
};
const oneEnd = (chance: Chance): 0 | 1 => chance.one([0, 1] as const);
/** Ends of a roof that hang in loops, which have a join. */
const loopedEnds = ({ pitch }: RidgeRig): (0 | 1)[] =>
  pitch === undefined ? [] : ([0, 1] as const).filter((k) => isLoop(findHitch(pitch.hitches[k].type)!));
/** Whether its roof is carried by hitches on the ridge. */
const onHitches = ({ roof }: RigReport): boolean => roof !== null && roof.rows.some((r) => r.role === 'loop');
/** Whether the flattest strap of its bed, lain in, is flatter than straps should be. */
const isTaut = ({ bed }: RigReport): boolean =>
  bed !== null && Math.min(bed.lying.angles[0].value, bed.lying.angles[1].value) < EDGE.flat;
const found = (code: FindingCode) => (report: RigReport) => ofCode(report.findings, code).length > 0;

/** Loops, or hands' breadths, that a bed is taken in by at most; and what is left free of a strap at least, m. */
const MOST_TAKEN = 16;
const LEAST_FREE = 0.2;

/** Guys that may be moved: those that follow the cloth to a foot on the ground. */
const freeGuys = ({ rig, context }: DrillSource) =>
  rig.pitch === undefined
    ? []
    : layoutOf(rig, context).reaches.filter((r) => r.kind === 'guy' && r.guy.foot === null && r.stick === 0);
const footed = (rig: RidgeRig, key: string, foot: readonly [number, number]): RidgeRig => {
  const { own } = rig.pitch!;
  const guy: Guy = { ...guyOf(rig.pitch!, key), foot: [foot[0], foot[1]] };
  return pitched(rig, { own: { ...own, [key]: guy } });
};

/** How far the peg of a guy leans away from its pull, rad; null where it has none. */
const leanOf = ({ pitch }: RidgeRig, key: string): number | null => {
  const { anchor } = guyOf(pitch!, key);
  return anchor.kind === 'peg' ? anchor.lean : null;
};
/** A pole that the ridge is tied to bears no cloth. */
const isPole = ({ id }: { readonly id: string }): boolean => /^pole[01]$/.test(id);
const clothSticks = ({ topology }: NonNullable<RigReport['roof']>): boolean => !topology.sticks.every(isPole);

export const FAULTS = [
  {
    id: 'crossed',
    name: 'the turns of a hitch cross',
    put: ({ rig }, chance) => (rig.pitch === undefined ? null : hitched(rig, oneEnd(chance), { crossed: true })),
    has: (r) => onHitches(r) && r.rig.pitch!.hitches.some((h) => h.crossed),
  },
  {
    id: 'join',
    name: 'the join of a loop lies among its turns',
    put: ({ rig }, chance) => {
      const looped = loopedEnds(rig);
      return looped.length === 0 ? null : hitched(rig, chance.one(looped), { join: 'turns' });
    },
    has: (r) => onHitches(r) && loopedEnds(r.rig).some((k) => r.rig.pitch!.hitches[k].join === 'turns'),
  },
  {
    id: 'laid',
    name: 'a tail is wrapped away from the roof',
    put: ({ rig }, chance) =>
      rig.pitch === undefined ? null : hitched(rig, oneEnd(chance), { type: 'tail', laid: 'away' }),
    has: (r) => onHitches(r) && r.rig.pitch!.hitches.some((h) => h.laid === 'away' && !isLoop(findHitch(h.type)!)),
  },
  {
    id: 'sawn',
    name: 'a guy is drawn bare through its tab',
    put: (source, chance) => {
      const guys = freeGuys(source);
      if (guys.length === 0) return null;
      const { key } = chance.one(guys);
      const { own } = source.rig.pitch!;
      return pitched(source.rig, { own: { ...own, [key.id]: { ...own[key.id], tab: 'bare' } } });
    },
    has: found('tab-sawn'),
  },
  {
    id: 'square',
    name: 'a corner is pulled square to the ridge',
    put: (source, chance, hard) => {
      const corners = freeGuys(source).filter((r) => r.key.name.includes('corner'));
      if (corners.length === 0) return null;
      const { key, foot } = chance.one(corners);
      const [dx, dy] = [foot[0] - key.at[0], foot[1] - key.at[1]];
      const run = Math.hypot(dx, dy);
      const own = Math.atan2(dy, dx);
      const square = dy < 0 ? -Math.PI / 2 : Math.PI / 2;
      const turned = own + (square - own) * graded(1, 0.5, hard);
      return footed(source.rig, key.id, [key.at[0] + run * Math.cos(turned), key.at[1] + run * Math.sin(turned)]);
    },
    has: ({ roof }) => roof !== null && roof.guys.some((g) => g.kind === 'guy' && g.off > EDGE.off),
  },
  {
    id: 'steep',
    name: 'a guy comes down too steep',
    put: (source, chance, hard) => {
      const guys = freeGuys(source);
      if (guys.length === 0) return null;
      const { key, foot } = chance.one(guys);
      const run = Math.hypot(foot[0] - key.at[0], foot[1] - key.at[1]);
      const near = Math.max(0.1, (key.at[2] - foot[2]) / Math.tan(graded(1.5, 1.4, hard)));
      const share = near / run;
      return footed(source.rig, key.id, [
        key.at[0] + share * (foot[0] - key.at[0]),
        key.at[1] + share * (foot[1] - key.at[1]),
      ]);
    },
    has: ({ roof }) => roof !== null && roof.guys.some((g) => g.kind === 'guy' && g.rise > EDGE.steep),
  },
  {
    id: 'leans-in',
    name: 'a peg leans toward the pull',
    put: (source, chance, hard) => {
      const pegged = freeGuys(source).flatMap(({ key: { id }, guy: { anchor } }) =>
        anchor.kind === 'peg' ? [{ id, anchor }] : [],
      );
      if (pegged.length === 0) return null;
      const { id, anchor } = chance.one(pegged);
      const { own } = source.rig.pitch!;
      const lean = rounded(graded(-0.5, -0.2, hard), 2);
      return pitched(source.rig, { own: { ...own, [id]: { ...own[id], anchor: { ...anchor, lean } } } });
    },
    has: ({ rig, roof }) =>
      roof !== null && roof.guys.some((g) => (leanOf(rig, g.key) ?? 0) < EDGE.leansIn && g.kind === 'guy'),
  },
  {
    id: 'unpadded',
    name: 'the cloth sits on a bare cut end',
    put: ({ rig, context }) =>
      rig.pitch === undefined || layoutOf(rig, context).sticks.every(isPole)
        ? null
        : pitched(rig, { props: { ...(rig.pitch.props ?? USUAL_PROPS), padded: false } }),
    has: ({ rig, roof }) => roof !== null && clothSticks(roof) && rig.pitch!.props?.padded === false,
  },
  {
    id: 'loops',
    name: 'the loops of the hitches are unequal',
    put: ({ rig }, chance, hard) => {
      if (rig.pitch === undefined) return null;
      const end = oneEnd(chance);
      return hitched(rig, end, { loop: rounded(rig.pitch.hitches[end].loop + graded(0.2, 0.06, hard), 2) });
    },
    has: (r) => onHitches(r) && Math.abs(r.rig.pitch!.hitches[0].loop - r.rig.pitch!.hitches[1].loop) > EDGE.loops,
  },
  {
    id: 'slack',
    name: 'the ridge is slack',
    put: ({ rig }, chance, hard) => hauledTo(rig, rounded(graded(15, 45, hard) * chance.between(0.8, 1.2), 2)),
    has: ({ line, roof }) =>
      roof === null ? !line!.tight : roof.sag !== null && roof.sagLimit !== null && roof.sag > roof.sagLimit,
  },
  {
    id: 'unlevel',
    name: 'the ridge is not level',
    put: ({ rig }, chance, hard) => {
      const k = oneEnd(chance);
      const lower = rounded(graded(0.5, 0.2, hard), 2);
      return trunked(rig, k, { tieHeight: Math.max(0.4, rounded(rig.trunks[k].tieHeight - lower, 3)) });
    },
    has: ({ rig }) => Math.abs(riseBetween(rig)) > EDGE.level,
  },
  {
    id: 'taut',
    name: 'the hammock is drum-tight',
    put: (source, _chance, hard) => {
      const { rig, context } = source;
      const straps = context.straps.find((s) => s.id === rig.bed?.straps);
      if (rig.bed === undefined || straps === undefined) return null;
      // taken in a loop or a hand's breadth at a time, until it no longer reaches
      const flat: RidgeRig[] = [];
      for (let k = 1; k <= MOST_TAKEN; k++) {
        const taken = ended(rig, ({ loop, free }, end) => {
          const by = end === 0 ? Math.ceil(k / 2) : Math.floor(k / 2);
          return straps.adjust === 'hitch'
            ? { free: Math.max(LEAST_FREE, rounded(free - 0.1 * by, 3)) }
            : { loop: Math.max(1, loop - by) };
        });
        if (rigProblems(taken, context).length > 0) break;
        const report = tryJudged({ ...bare(taken), bed: taken.bed }, source);
        if (report === null) break;
        if (isTaut(report)) flat.push(taken);
      }
      return flat[Math.round((1 - hard) * (flat.length - 1))] ?? null;
    },
    has: isTaut,
  },
  {
    id: 'no-tail',
    name: 'there is no drip break',
    put: ({ rig }) =>
      rig.bed === undefined || rig.pitch === undefined
        ? null
        : bedded(
            ended(rig, () => ({ drip: null })),
            { ridgeDrip: [false, false] },
          ),
    has: found('drips-in'),
  },
  {
    id: 'overlooked',
    name: 'a tree that was not looked up at',
    put: ({ rig }, chance) => {
      const stems = ([0, 1] as const).filter((k) => isStem(rig.trunks[k]));
      if (stems.length === 0) return null;
      const sign = chance.one(['dead-top', 'hung-branch', 'rocking', 'fungus', 'shallow-root'] as const);
      return trunked(rig, chance.one(stems), { signs: [sign] });
    },
    has: (r) => r.rig.trunks.some((t) => t.signs.length > 0) || found('tree')(r),
  },
  {
    id: 'high',
    name: 'the bed hangs too high',
    put: ({ rig }, chance, hard) => {
      if (rig.bed === undefined) return null;
      const up = rounded(graded(0.9, 0.6, hard) * chance.between(0.9, 1.1), 2);
      return ended(rig, ({ height }) => ({ height: rounded(height + up, 3) }));
    },
    has: found('fall'),
  },
] as const satisfies readonly Fault[];
export type FaultId = (typeof FAULTS)[number]['id'];

/** How much higher the second tie is than the first, m. */
export const riseBetween = (rig: RidgeRig): number =>
  rig.groundRise + rig.trunks[1].tieHeight - rig.trunks[0].tieHeight;

/** Everything that is seen of a judged rig by who goes round it. */
export function seenOf({ rig, line, roof, bed }: RigReport): Seen[] {
  const { trunks, pitch } = rig;
  const out: Seen[] = [
    ...trunks.map((t): Seen => ({ of: 'tree', name: t.name, signs: t.signs })),
    { of: 'ends', heights: [trunks[0].tieHeight, trunks[1].tieHeight], rise: riseBetween(rig) },
  ];
  const sag = roof === null ? line!.sag.value : roof.sag;
  if (sag !== null) out.push({ of: 'ridge', sag, span: line?.distance ?? rig.span.tape });
  if (roof !== null && roof.rows.some((r) => r.role === 'loop')) {
    for (const end of [0, 1] as const) {
      const { wraps, crossed, type, join = 'clear', laid = 'toward' } = pitch!.hitches[end];
      const lies = isLoop(findHitch(type)!) ? ({ of: 'join', at: join } as const) : ({ of: 'tail', to: laid } as const);
      out.push({ of: 'turns', end, wraps, crossed, lies });
    }
    out.push({ of: 'loops', lengths: [pitch!.hitches[0].loop, pitch!.hitches[1].loop] });
  }
  for (const g of roof?.guys ?? [])
    if (g.kind === 'guy')
      out.push({
        of: 'guy',
        name: g.name,
        rise: g.rise,
        off: g.off,
        tab: guyOf(pitch!, g.key).tab ?? 'tied',
        lean: leanOf(rig, g.key),
      });
  if (roof !== null && clothSticks(roof)) out.push({ of: 'sticks', props: pitch!.props ?? USUAL_PROPS });
  if (bed !== null) {
    for (const end of [0, 1] as const) out.push({ of: 'strap', end, below: bed.lying.angles[end].value });
    out.push({ of: 'bed', height: bed.lying.height.value });
    if (pitch !== undefined) {
      const { ends, ridgeDrip } = rig.bed!;
      out.push({ of: 'tails', straps: ends.every((e) => e.drip !== null), ridge: ridgeDrip.every(Boolean) });
    }
  }
  return out;
}
