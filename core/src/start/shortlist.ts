import { layoutOf, pitchModel } from '../pitch/index.js';
import type { PitchLayout } from '../pitch/index.js';
import { SaidError } from '../quantity/index.js';
import { RigProblem, freshKit, freshPitch, meanWind, measuredSpan, roofedIn } from '../rig/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { PITCH_FORMS, PITCH_TRAITS, clothOver, opensIntoWind, overheadOf } from '../roof/index.js';
import type { KitRoof, PitchForm } from '../roof/index.js';
import { DRY, openTo, placeUnder } from '../under/index.js';
import type { Placed, Roofed } from '../under/index.js';
import { TIED_AT, groundWanted } from './wanted.js';
import type { Wanted } from './wanted.js';

/** What a roof does for those it is for, as pitched. */
export interface Serves {
  readonly form: PitchForm;
  /** People who have their place under it dry in this rain, of those wanted. */
  readonly dry: number;
  readonly of: number;
  /** Of them those who can sit up, or stand in a class. */
  readonly upright: number;
  /** Share of the wind that comes in to them. */
  readonly open: number;
  /** Lines to be pegged or tied out. */
  readonly guys: number;
  readonly headroom: number;
  /** Ground it covers, m². */
  readonly covers: number;
}

/** A rig that could stand here, before it is sized. */
export interface Candidate {
  readonly rig: RidgeRig;
  readonly serves: Serves;
  /** More is better. */
  readonly score: number;
}

/** How many are gone on with. */
const MOST = 3;
/** Roofs of the kit that are tried where any will do. */
const ROOFS = 2;
/** Weights of what counts, in people who lie dry. Judgement: dryness first, then room, then wind, then work. */
const WORTH = { upright: 0.3, wind: 0.35, guy: 0.02, height: 0.03, opens: 0.5 } as const;

/** Roofs that are tried: the one that is named, or the smallest that are large enough. */
function roofsFor({ roof, who }: Wanted, context: RigContext): readonly KitRoof[] {
  if (roof !== null) return context.roofs.filter((r) => r.id === roof);
  const area = (r: KitRoof): number => r.length * r.width;
  // cloth stands over less ground than it lies on
  const enough = context.roofs.filter((r) => 0.6 * area(r) >= groundWanted(who)).sort((a, b) => area(a) - area(b));
  return enough.length > 0 ? enough.slice(0, ROOFS) : [...context.roofs].sort((a, b) => area(b) - area(a)).slice(0, 1);
}

/** The other way round: first and second trunk change places. */
const turned = (rig: RidgeRig): RidgeRig => ({
  ...rig,
  groundRise: -rig.groundRise,
  trunks: [rig.trunks[1], rig.trunks[0]],
  ...(rig.site === undefined || rig.site.to === ''
    ? {}
    : { site: { ...rig.site, from: rig.site.to, to: rig.site.from } }),
});

/** The rig in one form, tied so high, its closed side to the wind. */
function pitched(wanted: Wanted, context: RigContext, roof: KitRoof, form: PitchForm, tie: number): RidgeRig | null {
  const fresh = freshKit(context.kit, context.pegs, wanted.base.cord);
  if (fresh === null) return null;
  const { lie } = wanted;
  const swap = opensIntoWind(PITCH_TRAITS[form], lie.bearing, lie.windFrom);
  const base = swap ? turned(wanted.base) : wanted.base;
  const bearing = swap ? (lie.bearing + Math.PI) % (2 * Math.PI) : lie.bearing;
  const span = measuredSpan(base, context.body);
  const pitch = freshPitch(form, roof, fresh, Math.round(50 * span) / 100);
  const height = Math.round(100 * tie) / 100;
  return {
    ...base,
    trunks: [
      { ...base.trunks[0], tieHeight: height },
      { ...base.trunks[1], tieHeight: height },
    ],
    pitch: { ...pitch, ...lie, bearing, crossRise: swap ? -lie.crossRise : lie.crossRise },
  };
}

/** The roof as its form lays it, before anything pulls: what it covers is known from that, near enough to choose by. */
function roofedBy(rig: RidgeRig, layout: PitchLayout): Roofed {
  const { keys } = layout.plan;
  const index = new Map(keys.map((k, i) => [k.id, i]));
  return roofedIn(rig, {
    corners: Int32Array.from(overheadOf(layout.plan).flatMap((f) => f.map((id) => index.get(id)!))),
    at: keys.flatMap((k) => k.at),
    ground: layout.setting.ground,
  });
}

/** What it covers, on a raster, m². */
function coverOf({ corners, at, ground, slant }: Roofed): {
  readonly covers: number;
  readonly standing: number;
  readonly dry: number;
  readonly headroom: number;
  readonly middle: readonly [number, number];
} {
  const of = (c: 0 | 1): number[] => Array.from({ length: at.length / 3 }, (_, i) => at[3 * i + c]!);
  const [xs, ys] = [of(0), of(1)];
  let [covers, standing, dry, headroom] = [0, 0, 0, 0];
  const over = clothOver(corners, at, [0, 0]);
  const inRain = clothOver(corners, at, slant);
  for (let x = Math.min(...xs) + CELL / 2; x < Math.max(...xs); x += CELL)
    for (let y = Math.min(...ys) + CELL / 2; y < Math.max(...ys); y += CELL) {
      const g = ground(x, y);
      const z = over(x, y, g);
      if (z === null) continue;
      covers += CELL * CELL;
      if (z - g > STANDS) standing += CELL * CELL;
      if (inRain(x, y, g + 0.5) !== null) dry += CELL * CELL;
      headroom = Math.max(headroom, z - g);
    }
  return { covers, standing, dry, headroom, middle: [mean(xs), mean(ys)] };
}
const CELL = 0.2;
/** Room to stand, m. */
const STANDS = 1.8;
const mean = (all: readonly number[]): number => (Math.min(...all) + Math.max(...all)) / 2;

/** What a roof does for those it is for, and where they lie. */
function servesOf(
  rig: RidgeRig,
  layout: PitchLayout,
  { who }: Wanted,
): { readonly serves: Serves; readonly lying: Placed | null } {
  const roofed = roofedBy(rig, layout);
  const { covers, standing, dry, headroom, middle } = coverOf(roofed);
  const common = {
    form: rig.pitch!.form,
    guys: layout.reaches.filter((r) => r.kind !== 'tie').length,
    headroom,
    covers,
  };
  if (who.kind === 'ground') {
    const lying = placeUnder(who.people, who.packs, roofed);
    const sleepers = lying.results.filter((r) => r.lying.kind === 'sleeper');
    return {
      lying,
      serves: {
        ...common,
        dry: sleepers.filter((r) => r.dry >= DRY).length,
        of: who.people,
        upright: sleepers.filter((r) => r.sits).length,
        open: sleepers.reduce((sum, r) => sum + r.open, 0) / Math.max(1, sleepers.length),
      },
    };
  }
  const open = openTo([...middle, roofed.ground(...middle) + 1], roofed);
  if (who.kind === 'hammock')
    return {
      lying: null,
      serves: { ...common, dry: bedDry(rig, roofed) >= DRY ? 1 : 0, of: 1, upright: 1, open },
    };
  const each = groundWanted(who) / who.people;
  const room = (area: number): number => Math.min(who.people, Math.floor(area / each));
  return { lying: null, serves: { ...common, dry: room(dry), of: who.people, upright: room(standing), open } };
}

/** Half a bed's length and width, and its height at the middle, m, before it is hung. */
const BED = { long: 1.35, wide: 0.3, high: 0.7 } as const;

/** Share of a bed in the middle of the span that this rain does not reach, before it is hung. */
function bedDry(rig: RidgeRig, { corners, at, ground, slant }: Roofed): number {
  const middle = rig.pitch!.middle;
  const inRain = clothOver(corners, at, slant);
  let [dry, all] = [0, 0];
  for (let i = -6; i <= 6; i++)
    for (const v of [-1, 0, 1]) {
      const [x, y] = [middle + (i / 6) * BED.long, v * BED.wide];
      all++;
      if (inRain(x, y, ground(x, y) + BED.high) !== null) dry++;
    }
  return dry / all;
}

/** How well a roof serves, in people who lie dry. */
function scoreOf(rig: RidgeRig, s: Serves): number {
  const wind = Math.min(1, meanWind(rig) / 8);
  const { form, bearing, windFrom } = rig.pitch!;
  return (
    s.dry / s.of +
    (WORTH.upright * s.upright) / s.of -
    WORTH.wind * wind * s.open -
    WORTH.guy * s.guys -
    WORTH.height * wind * s.headroom -
    (opensIntoWind(PITCH_TRAITS[form], bearing, windFrom) ? WORTH.opens * wind : 0)
  );
}

/**
 * Rigs that could stand here, best first, each in a form of its own: every form in which a roof fits between the trunks, at heights
 * one ties at, laid out as it is meant to hang and looked at for who is to be under it.
 * @throws RigProblem where the kit lacks what any of them needs
 */
export function shortlist(wanted: Wanted, context: RigContext): readonly Candidate[] {
  const roofs = roofsFor(wanted, context);
  if (roofs.length === 0 || freshKit(context.kit, context.pegs, wanted.base.cord) === null)
    throw new RigProblem('kit', 'A rig wants a roof, a cord that bears and pegs. Put them into the kit first.');
  const tries = roofs.flatMap((roof) =>
    (wanted.form === undefined ? PITCH_FORMS : [wanted.form]).flatMap((form) =>
      TIED_AT[wanted.who.kind].map((mark) => ({ roof, form, tie: context.body[mark] })),
    ),
  );
  const best = new Map<PitchForm, Candidate>();
  for (const { roof, form, tie } of tries) {
    const rig = pitched(wanted, context, roof, form, tie);
    if (rig === null) continue;
    const served = whereItFits(() => servesOf(rig, layoutOf(rig, context), wanted));
    if (served === null) continue;
    const { serves, lying } = served;
    const score = scoreOf(rig, serves);
    if (score > (best.get(form)?.score ?? Number.NEGATIVE_INFINITY))
      best.set(form, { rig: lying === null ? rig : { ...rig, under: [...lying.lying] }, serves, score });
  }
  const list: Candidate[] = [];
  for (const candidate of [...best.values()].sort((a, b) => b.score - a.score)) {
    if (list.length === MOST) break;
    if (whereItFits(() => pitchModel(candidate.rig, context)) !== null) list.push(candidate);
  }
  return list;
}

/** What is made of a form here; null where it does not fit. */
function whereItFits<T>(make: () => T): T | null {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof SaidError) && !(error instanceof RigProblem)) throw error;
    return null;
  }
}
