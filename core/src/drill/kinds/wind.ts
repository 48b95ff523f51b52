import { ladderOf } from '../../ladder/index.js';
import { drawnFrom } from '../../picture/index.js';
import type { Draws, Frame, Picture } from '../../picture/index.js';
import { givesFirst } from '../../pitch/index.js';
import { guyOf, gustSpeed, hauledTo, ratioOf } from '../../rig/index.js';
import type { Guy, RidgeRig, Row } from '../../rig/index.js';
import { judgeRig } from '../../shelter/index.js';
import type { RigReport } from '../../shelter/index.js';
import type { Chance } from '../chance.js';
import type { ByHand, Shown } from '../drill.js';
import type { DrillSource, Maker } from '../maker.js';
import { withWind } from '../wind-arrow.js';
import { SAID_LIMITS, SIZE, judged, number, rounded, within } from '../maker.js';

/** How many times what it is hauled with, in the first drills and in the hardest. */
const HAULS = { easy: [0.9, 1.1], hard: [0.6, 1.6] } as const;
const TURN = (2 * Math.PI) / 16;

/** A rig in wind from another side, its lines hauled otherwise, one guy of another cord: what gives first may be another now. */
function blownOtherwise({ rig, context }: DrillSource, chance: Chance, hard: number): RidgeRig {
  const times = (): number => chance.scaled(...within(HAULS, hard));
  const { pitch, tensioning } = rig;
  const ridge = tensioning.how === 'tension' ? tensioning.tension : judgedPull(rig, context);
  const line = hauledTo(rig, rounded(ridge * times(), 2));
  if (pitch === undefined) {
    // of a line alone, what hangs from it is another
    const mass = rounded(chance.scaled(...within({ easy: [2, 8], hard: [1, 25] }, hard)), 2);
    const at = rounded(rig.span.tape / 2, 3);
    return { ...line, hung: [{ id: 'load', name: 'a wet load', mass, wetMass: mass, area: 0, at }] };
  }
  const windFrom = Math.round(chance.between(0, 15.999)) * TURN;
  const keys = Object.keys(pitch.own).filter((k) => pitch.own[k]!.off !== true);
  const cords = context.kit.filter((k) => k.id !== pitch.guy.cord);
  const one = keys.length === 0 ? null : chance.one(keys);
  const cord = cords.length === 0 ? null : chance.one(cords);
  const own: Readonly<Record<string, Partial<Guy>>> =
    one === null || cord === null ? pitch.own : { ...pitch.own, [one]: { ...pitch.own[one], cord: cord.id } };
  const haul = rounded(pitch.guy.haul * times(), 2);
  return { ...line, pitch: { ...pitch, windFrom, guy: { ...guyOf(pitch, ''), haul }, own } };
}

/** Pull in a ridgeline as it is hauled now, N. */
function judgedPull(rig: RidgeRig, context: DrillSource['context']): number {
  const { line, roof } = judgeRig(rig, context, { full: false }).report;
  return Math.max(20, line?.pretension.value ?? roof?.rows.find((r) => r.role === 'ridge')?.pitched ?? 100);
}

/** Named wind alone: in the woods it comes from one side. */
const judgedInWind = (rig: RidgeRig, { context }: DrillSource): RigReport =>
  judgeRig(rig, context, {
    full: true,
    spreads: false,
    rising: true,
    ...(rig.pitch === undefined ? {} : { wind: { speed: gustSpeed(rig), from: rig.pitch.windFrom } }),
  }).report;

interface Drawn {
  readonly draw: (now?: ReadonlySet<string>) => Picture;
  readonly shown: Shown;
}
/** A rig from above with its wind, or from the side where it has no roof; some of it to be touched. */
function drawnOf(report: RigReport, { context }: DrillSource, options: readonly string[]): Drawn {
  const { pitch } = report.rig;
  const rests: { readonly draw: Draws; readonly frame: Frame } = drawnFrom(
    report,
    context.body,
    pitch === undefined ? 'side' : 'above',
    SIZE,
    { room: pitch === undefined ? 0 : 0.4 },
  );
  const draw = (now?: ReadonlySet<string>): Picture => {
    const plain = rests.draw(undefined, now);
    return pitch === undefined
      ? plain
      : withWind(plain, [Math.cos(pitch.windFrom - pitch.bearing), Math.sin(pitch.windFrom - pitch.bearing)]);
  };
  const on = options.flatMap((id) => {
    const rings = rests.draw(undefined, new Set([id])).strokes.flatMap((s) => (s.pen === 'now' ? s.rings : []));
    return rings.length === 0 ? [] : [{ id, rings }];
  });
  const hand: ByHand | null = on.length < 2 ? null : { form: 'touch', on };
  return { draw, shown: { picture: draw(), upright: 1, hand } };
}

/** Which of some lines lets go first as the wind rises, or has least to spare where there is no wind. */
export const first: Maker<'first'> = (source, chance, hard) => {
  const rig = blownOtherwise(source, chance, hard);
  const report = judgedInWind(rig, source);
  const { roof } = report;
  const found = roof === null ? null : givesFirst({ rows: report.rows, letsGo: roof.letsGo });
  const rows = report.rows.filter((r) => Number.isFinite(ratioOf(r)));
  const truth = found === null ? rows[0] : report.rows.find((r) => r.id === found.row.id);
  const others = rows.filter((r) => r.id !== truth?.id);
  if (truth === undefined || others.length < 2) return null;
  // the hardest are those that nearly let go too
  const among: readonly Row[] = hard > 0.5 ? others.slice(0, 3) : chance.shuffled(others).slice(0, 3);
  const options = chance.shuffled([truth, ...among]).map((r) => ({ id: r.id, name: r.name }));
  const { draw, shown } = drawnOf(
    report,
    source,
    options.map((o) => o.id),
  );
  return {
    rig,
    facts: { from: rig.pitch?.windFrom ?? null },
    truths: { gust: found === null ? null : found.gust },
    shown,
    asked: { form: 'choice', options, truth: truth.id },
    figure: null,
    seen: () => [draw(new Set([truth.id]))],
  };
};

/** In what gust something gives that was at rest till then, on the dry rig. */
export const wind: Maker<'wind'> = (source, chance, hard) => {
  if (source.rig.pitch === undefined) return null;
  const rig = blownOtherwise(source, chance, hard);
  const { windFrom } = rig.pitch!;
  const ladder = ladderOf(rig, source.context, { of: 'wind', from: windFrom, wet: false }, { first: true });
  const fall = ladder?.rungs.at(-1)?.falls[0];
  const at = fall?.at ?? ladder?.at ?? null;
  if (ladder === null || at === null || !(at >= SAID_LIMITS.gust.min) || !(at <= SAID_LIMITS.gust.max)) return null;
  const report = judged(rig, source);
  const { draw, shown } = drawnOf(report, source, []);
  return {
    rig,
    facts: { from: windFrom },
    truths: { gives: fall === undefined ? null : { name: fall.name, what: fall.gives } },
    shown,
    asked: number('gust', at),
    figure: null,
    seen: () => [draw(fall === undefined ? undefined : new Set([fall.link]))],
  };
};
