import { HITCHES } from '../catalogue/index.js';
import { cordOf, cutFigure, cutLength } from '../cordage/index.js';
import { gripFigure, slipMargin } from '../hitch/index.js';
import { NoSuchLine } from '../line/index.js';
import { givesFirst } from '../pitch/index.js';
import { limit } from '../quantity/index.js';
import { PITCH_LIMITS, RigProblem, evaluateRidge, hauledTo, measuredSpan, ratioOf } from '../rig/index.js';
import type { RidgeResult, RidgeRig, RigContext, Row } from '../rig/index.js';
import { judgeRig } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import { derive, given } from '../working/index.js';
import { chanceOf } from './chance.js';
import type { Chance } from './chance.js';
import type { Drill, DrillKind } from './drill.js';

/** A rig of the camp that drills are made from. */
export interface DrillSource {
  readonly rig: RidgeRig;
  readonly context: RigContext;
}

/** What may be said of a pull, a sag, a length, wraps and paces: the ends that a field takes. */
export const SAID_LIMITS = {
  pull: limit('pull', 'force', 1, 20_000),
  sag: limit('sag', 'length', 0.001, 10),
  length: limit('length', 'length', 0.05, 100),
  wraps: limit('wraps', 'count', PITCH_LIMITS.hitchWraps.min, PITCH_LIMITS.hitchWraps.max),
  paces: limit('paces', 'count', 0.5, 200),
} as const;

/**
 * A drill of one kind from a rig of the camp; null where that rig has nothing to ask so.
 * @param seed whole number: another one makes another drill
 * @param hard 0 to 1: how far it is from what is often seen, and how alike what is chosen among is
 */
export function drillOf(kind: DrillKind, source: DrillSource, seed: number, hard = 0): Drill | null {
  const chance = chanceOf(seed);
  try {
    const made = MAKERS[kind](source, chance, Math.min(1, Math.max(0, hard)));
    return made === null ? null : ({ ...made, kind, seed } as Drill);
  } catch (error) {
    // changed as it fell, it can no longer be worked out: another seed may
    if (error instanceof RigProblem || error instanceof NoSuchLine) return null;
    throw error;
  }
}

type Made<K extends DrillKind> = Omit<Extract<Drill, { readonly kind: K }>, 'kind' | 'seed'>;
type Maker<K extends DrillKind> = (source: DrillSource, chance: Chance, hard: number) => Made<K> | null;

/** Number that is asked for, with its truth and working. */
const number = (
  of: keyof typeof SAID_LIMITS,
  truth: number,
  whole = false,
): {
  readonly form: 'number';
  readonly limit: (typeof SAID_LIMITS)[typeof of];
  readonly whole: boolean;
  readonly truth: number;
} => ({
  form: 'number',
  limit: SAID_LIMITS[of],
  whole,
  truth,
});

/** In the first drills a line is hauled as it mostly is, N; in the hardest from slack to what hardly holds. */
const HAULS = { easy: [100, 300], hard: [25, 900] } as const;
/** What hangs in the middle of it, kg. */
const HUNG = { easy: [0.5, 2], hard: [0.3, 12] } as const;
const within = (
  { easy, hard: far }: { readonly easy: readonly [number, number]; readonly hard: readonly [number, number] },
  hard: number,
): readonly [number, number] => [
  Math.exp((1 - hard) * Math.log(easy[0]) + hard * Math.log(far[0])),
  Math.exp((1 - hard) * Math.log(easy[1]) + hard * Math.log(far[1])),
];
/** To what a hand sets, and what a scale tells. */
const rounded = (x: number, figures: number): number => Number(x.toPrecision(figures));

/** A rig's line by itself, hauled to something else, with something else hung in its middle. */
function lineOf(
  { rig, context }: DrillSource,
  chance: Chance,
  hard: number,
): {
  readonly rig: RidgeRig;
  readonly result: RidgeResult;
  readonly span: number;
  readonly hung: number;
  readonly hauled: number;
} {
  const { pitch, bed, under, walls, fire, ...bare } = rig;
  void [pitch, bed, under, walls, fire];
  const span = measuredSpan(rig, context.body);
  const hauled = rounded(chance.scaled(...within(HAULS, hard)), 2);
  const mass = rounded(chance.scaled(...within(HUNG, hard)), 3);
  const hung = [{ id: 'load', name: 'a pot', mass, wetMass: mass, area: 0, at: span / 2 }];
  const line: RidgeRig = { ...hauledTo(bare, hauled), hung };
  return { rig: line, result: evaluateRidge(line, context), span, hung: mass, hauled };
}

const judged = ({ rig, context }: DrillSource, full = false): RigReport =>
  judgeRig(rig, context, { full, spreads: false, rising: full }).report;

/** Lines that are cut from a hank. */
const cutRows = (report: RigReport): readonly Row[] => report.rows.filter((r) => r.cut !== null);

/** How many times over a hitch is to hold what pulls. */
const TIMES = 2;

const MAKERS: { readonly [K in DrillKind]: Maker<K> } = {
  pull: (source, chance, hard) => {
    const { rig, result, span, hung } = lineOf(source, chance, hard);
    const { tension, sag } = result;
    return {
      rig,
      facts: { line: 'ridgeline', span, sag: sag.value, hung },
      asked: number('pull', tension.value),
      figure: tension,
    };
  },
  sag: (source, chance, hard) => {
    const { rig, result, span, hung, hauled } = lineOf(source, chance, hard);
    return {
      rig,
      facts: { line: 'ridgeline', span, hauled, hung },
      asked: number('sag', result.sag.value),
      figure: result.sag,
    };
  },
  angle: (source) => {
    const { bed } = judged(source);
    if (bed === null) return null;
    const k = bed.lying.straps[0].value >= bed.lying.straps[1].value ? 0 : 1;
    const lying = bed.cases.find((c) => c.id === 'lying');
    if (lying === undefined) return null;
    return {
      rig: source.rig,
      facts: { bed: bed.name, load: lying.force, below: bed.lying.angles[k].value },
      asked: number('pull', bed.lying.straps[k].value),
      figure: bed.lying.straps[k],
    };
  },
  wraps: ({ rig, context }, chance, hard) => {
    const hosts = context.kit.flatMap((k) => cordOf(k) ?? []).filter((c) => c.bears);
    const loops = context.kit.flatMap((k) => cordOf(k) ?? []).filter((c) => c.fibre !== 'uhmwpe');
    if (hosts.length === 0 || loops.length === 0) return null;
    const host = chance.one(hosts);
    const cord = chance.one(
      loops
        .filter((c) => c.diameter <= host.diameter)
        .concat(loops)
        .slice(0, 4),
    );
    const type = chance.one(HITCHES);
    const off = chance.between(0.1, 0.3 + 0.6 * hard);
    const grip = (wraps: number) => gripFigure({ type, cord, host, wraps, crossed: false }, true);
    const { min, max } = SAID_LIMITS.wraps;
    const margin = (n: number): number => slipMargin(grip(n).value, off);
    let wraps = min;
    while (wraps <= max && margin(wraps) < TIMES) wraps++;
    // where none hold there is nothing to count
    if (wraps > max) return null;
    return {
      rig,
      facts: {
        hitch: type.name,
        cord: cord.name,
        thick: cord.diameter,
        host: host.name,
        hostThick: host.diameter,
        off,
        times: TIMES,
      },
      asked: number('wraps', wraps, true),
      figure: grip(wraps),
    };
  },
  first: (source, chance, hard) => {
    const report = judged(source, true);
    const roof = report.roof;
    const first = roof === null ? null : givesFirst({ rows: report.rows, letsGo: roof.letsGo });
    const rows = report.rows.filter((r) => Number.isFinite(ratioOf(r)));
    const truth = first === null ? rows[0] : report.rows.find((r) => r.id === first.row.id);
    const others = rows.filter((r) => r.id !== truth?.id);
    if (truth === undefined || others.length < 2) return null;
    // the hardest are those that nearly let go too
    const among = hard > 0.5 ? others.slice(0, 3) : chance.shuffled(others).slice(0, 3);
    return {
      rig: source.rig,
      facts: { gust: first !== null && first.gust !== null },
      asked: {
        form: 'choice',
        options: chance.shuffled([truth, ...among]).map((r) => ({ id: r.id, name: r.name })),
        truth: truth.id,
      },
      figure: null,
    };
  },
  length: (source, chance) => {
    const rows = cutRows(judged(source));
    if (rows.length === 0) return null;
    const row = chance.one(rows);
    const end = row.role === 'ridge' ? source.rig.ends[0].wraps : 0;
    return {
      rig: source.rig,
      facts: {
        line: row.name,
        between: row.unstressed ?? row.cut!.between,
        wraps: end,
        girth: row.role === 'ridge' ? source.rig.trunks[0].girth : 0,
      },
      asked: number('length', cutLength(row.cut!)),
      figure: cutFigure(row.cut!, row.name),
    };
  },
  paces: ({ rig, context }) => {
    const span = measuredSpan(rig, context.body);
    const { pace, foot } = context.body;
    const paces = derive(
      { symbol: 'n', title: 'paces between the trees', quantity: 'count', formula: 'n = L / p' },
      [
        given({ symbol: 'L', title: 'span', quantity: 'length' }, span, {
          kind: 'measured',
          text: 'as it was measured',
        }),
        given({ symbol: 'p', title: 'my pace', quantity: 'length' }, pace, { kind: 'measured', text: 'mine' }),
      ],
      (L, p) => L! / p!,
    );
    return { rig, facts: { span, foot }, asked: number('paces', paces.value), figure: paces };
  },
};
