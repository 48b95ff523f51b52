import type { UnitChoice } from '../quantity/index.js';
import { capital, say } from '../quantity/index.js';
import type { Adjustment } from './adjust.js';
import { adjust } from './adjust.js';
import type { Impossible } from './impossible.js';
import { impossibleTriangles } from './impossible.js';
import type { Reader } from './measurer.js';
import { measurerOf, ownedBy } from './measurer.js';
import type { Observation } from './measures.js';
import { observe, unitError, unitKey } from './measures.js';
import type { Measure, Place } from './place-document.js';
import { HOW_WORDS, apart } from './place.js';
import { heightAt } from './surface.js';
import type { At } from './thing/index.js';

/** What the measures of a place say, and what is wrong with them. */
export interface Survey {
  readonly adjustment: Adjustment;
  readonly observations: readonly Observation[];
  /** Measures that cannot be, by id; the places are found without them. */
  readonly leftOut: ReadonlySet<string>;
  /** Sentences, the gravest first, each with the measures it speaks of. */
  readonly findings: readonly {
    readonly text: string;
    readonly measures: readonly string[];
    readonly grave: boolean;
  }[];
}

/** Standardised residual beyond which a measure is called wrong: 1 in 1000 by chance (Baarda 1968). */
const BLUNDER = 3.29;
/** A 90 % ellipse longer than this places a point too loosely to hang a span on, m. Judgement. */
const LOOSE = 2;

/** Foot of a thing over the place's zero, m. */
export function footOf(place: Place, id: string): number {
  const t = place.things.find((x) => x.id === id);
  return t === undefined ? 0 : heightAt(place, t.at) + t.foot;
}

/** A measure as it was taken: "9 paces". */
export function sayMeasure(m: Measure, units: UnitChoice): string {
  if (m.how === 'compass') return `${((m.value * 180) / Math.PI).toFixed(0)}° by compass`;
  if (m.how === 'tape' || m.how === 'rangefinder') return `${say(m.value, 'length', units)} by ${HOW_WORDS[m.how]}`;
  return `${Number(m.value.toFixed(1))} ${HOW_WORDS[m.how]}`;
}

/**
 * Places the measured things of a place; null where nothing is measured.
 * @throws RangeError for more points than can be adjusted at once
 */
export function survey(place: Place, who: Reader, units: UnitChoice): Survey | null {
  const things = new Map(place.things.map((t) => [t.id, t]));
  const measures = place.measures.filter((m) => things.has(m.from) && things.has(m.to) && m.from !== m.to);
  if (measures.length === 0) return null;
  const observations = measures.map((m) => observe(m, place, who, footOf(place, m.to) - footOf(place, m.from)));
  const used = new Set(measures.flatMap((m) => [m.from, m.to]));
  const drawn = [...used].map((id) => ({ id, at: things.get(id)!.at }));
  const scales = Object.fromEntries(
    measures.map((m) => [unitKey(m), unitError(m.how, place, measurerOf(m.by, place, who)).scale]),
  );
  // a distance that cannot be would bend everything round it
  const torn = impossibleTriangles(observations);
  const leftOut = new Set(torn.map((t) => t.blamed.id));
  const adjustment = adjust(
    drawn,
    observations.filter((o) => !leftOut.has(o.id)),
    scales,
  );
  return {
    adjustment,
    observations,
    leftOut,
    findings: findingsOf(place, adjustment, observations, measures, torn, who, units),
  };
}

function findingsOf(
  place: Place,
  adjustment: Adjustment,
  observations: readonly Observation[],
  measures: readonly Measure[],
  torn: readonly Impossible[],
  who: Reader,
  units: UnitChoice,
): Survey['findings'] {
  const out: { text: string; measures: readonly string[]; grave: boolean }[] = [];
  const name = (id: string): string => place.things.find((t) => t.id === id)?.name ?? id;
  const pair = (o: Observation): string => `${name(o.from)} to ${name(o.to)}`;
  const length = (v: number): string => say(v, 'length', units);
  const told = new Set<string>();
  for (const t of torn) {
    if (told.has(t.blamed.id)) continue;
    told.add(t.blamed.id);
    out.push({
      text: `${capital(pair(t.blamed))} is ${length(t.by)} ${t.tooLong ? 'longer' : 'shorter'} than ${pair(t.others[0])} and ${pair(t.others[1])} allow. It is left out; measure it again, or one of those two.`,
      measures: [t.blamed.id, t.others[0].id, t.others[1].id],
      grave: true,
    });
  }
  const worst = [...adjustment.residuals].sort((a, b) => Math.abs(b.standardised) - Math.abs(a.standardised))[0];
  if (worst !== undefined && Math.abs(worst.standardised) > BLUNDER && !told.has(worst.id)) {
    const o = observations.find((x) => x.id === worst.id)!;
    const m = measures.find((x) => x.id === worst.id)!;
    out.push({
      text:
        o.kind === 'distance'
          ? `${capital(pair(o))}, ${sayMeasure(m, units)}, does not agree with the rest: they make it ${length(worst.computed)}. Measure it again before the others.`
          : `The bearing ${pair(o)} does not agree with the rest: they make it ${(((((worst.computed * 180) / Math.PI) % 360) + 360) % 360) | 0}°. Take it again, away from iron.`,
      measures: [worst.id],
      grave: true,
    });
  }
  const free = adjustment.points.filter((p) => p.free);
  if (free.length > 0)
    out.push({
      text: `${free.map((p) => capital(name(p.id))).join(', ')}: too few measures to say where. Add a distance to something not in line with those it has.`,
      measures: [],
      grave: true,
    });
  const loose = adjustment.points.filter((p) => !p.free && p.major > LOOSE);
  for (const p of loose.slice(0, 4))
    out.push({
      text: `${capital(name(p.id))} is only known to within ${length(p.major)}: its measures come from nearly one direction. Add one from across.`,
      measures: [],
      grave: false,
    });
  const mirrored = adjustment.points.filter((p) => p.mirrored);
  if (mirrored.length > 0)
    out.push({
      text: `${mirrored.map((p) => capital(name(p.id))).join(', ')} could as well stand on the other side of what it was measured from; the drawing decided. A third distance or a bearing would settle it.`,
      measures: [],
      grave: false,
    });
  if (adjustment.groups > 1)
    out.push({
      text: `The measures fall into ${adjustment.groups} groups with nothing measured between them; how they lie to one another is as drawn.`,
      measures: [],
      grave: false,
    });
  if (!adjustment.converged)
    out.push({
      text: 'The measures contradict one another so much that no best place was found. Take out the doubtful ones.',
      measures: [],
      grave: true,
    });
  for (const s of adjustment.scales)
    if (Math.abs(s.factor - 1) > 2 * s.sd + 0.01) {
      const m = measures.find((x) => unitKey(x) === s.unit)!;
      out.push({
        text: `Against the rest, ${ownedBy(m.by, place, who) ?? 'your'} ${HOW_WORDS[m.how]} came out ${Math.abs((s.factor - 1) * 100).toFixed(0)} % ${s.factor > 1 ? 'longer' : 'shorter'} than calibrated here.`,
        measures: [],
        grave: false,
      });
    }
  return out;
}

/** The place with its measured things where the measures put them; what they leave free stays as drawn. */
export function placedByMeasures(place: Place, points: Adjustment['points']): Place {
  const at = new Map(points.filter((p) => !p.free).map((p) => [p.id, p.at]));
  const centimetre = (v: number): number => Math.round(v * 100) / 100;
  return {
    ...place,
    things: place.things.map((t) => {
      const to = at.get(t.id);
      return to === undefined ? t : { ...t, at: [centimetre(to[0]), centimetre(to[1])] as const };
    }),
  };
}

/**
 * How far a distance of the drawing is from what the measures make of it, at the most, m: 0 once the marks stand where the measures
 * put them. Only between points that the measures place.
 */
export function offDrawing(place: Place, points: Adjustment['points']): number {
  const drawn = new Map(place.things.map((t) => [t.id, t.at]));
  const found = new Map(points.filter((p) => !p.free).map((p) => [p.id, p.at]));
  const between = (at: ReadonlyMap<string, At>, { from, to }: Measure): number | null => {
    const [p, q] = [at.get(from), at.get(to)];
    return p === undefined || q === undefined ? null : apart(p, q);
  };
  return place.measures.reduce((most, m) => {
    const [is, was] = [between(found, m), between(drawn, m)];
    return is === null || was === null ? most : Math.max(most, Math.abs(is - was));
  }, 0);
}
