import { cordOf } from '../../cordage/index.js';
import { halfWidth, isArea, kindOf, prepareGround, rankSpans } from '../../ground/index.js';
import type { JudgedSpan, Place } from '../../ground/index.js';
import { frameOf } from '../../picture/index.js';
import type { Frame, Picture, Point, Stroke } from '../../picture/index.js';
import type { Chance } from '../chance.js';
import type { At } from '../drill.js';
import type { DrillSource, Made, Maker } from '../maker.js';
import { SIZE, rounded, within } from '../maker.js';
import { withWind } from '../wind-arrow.js';

/** The best is better than any other by so much of a score, in the first drills and in the hardest: it can be told, if one looks. */
const APART = { easy: 0.1, hard: 0.02 } as const;
/** Pairs to choose among. */
const MANY = 4;
const SIZES = { easy: [0.9, 1.1], hard: [0.7, 1.35] } as const;
const TURN = (2 * Math.PI) / 16;
const BEAUFORTS = [2, 6] as const;

/** A place in wind from another side, looked at for a roof of another size. */
function wishedOtherwise({ ground }: DrillSource, chance: Chance, hard: number): Place | null {
  if (ground === null) return null;
  const { place } = ground;
  const { wish } = place;
  const size = (x: number): number => Math.round(20 * x * chance.scaled(...within(SIZES, hard))) / 20;
  return {
    ...place,
    wind: {
      ...place.wind,
      from: Math.round(chance.between(0, 15.999)) * TURN,
      beaufort: Math.floor(chance.between(BEAUFORTS[0], BEAUFORTS[1] + 0.999)),
    },
    wish: {
      ...wish,
      roof: { length: size(wish.roof.length), width: size(wish.roof.width) },
      ridgeHeight: rounded(wish.ridgeHeight, 2),
      bed: chance.one(['ground', 'hammock'] as const),
    },
  };
}

/** Which of some pairs of anchors suits best: the ranking's first, among others that are ruled out or come after it. */
export const pair: Maker<'pair'> = (source, chance, hard) => {
  for (let k = 0; k < TRIES; k++) {
    const place = wishedOtherwise(source, chance, hard);
    if (place === null) return null;
    const made = pairAt(place, source, chance, hard);
    if (made !== null) return made;
  }
  return null;
};

/** Wishes that are tried: for some, a place has no pair that is better than the others by enough to be told. */
const TRIES = 16;

function pairAt(place: Place, source: DrillSource, chance: Chance, hard: number): Made<'pair'> | null {
  const hank = source.context.kit.find((k) => k.id === place.wish.cord);
  const cord = hank === undefined ? undefined : cordOf(hank);
  if (hank === undefined || cord === undefined) return null;
  const ranking = rankSpans(prepareGround(place, source.ground!.who, { cord, length: hank.length }));
  const stands = (s: JudgedSpan): boolean => !s.newPole;
  const [best, ...good] = ranking.good.filter(stands);
  if (best === undefined) return null;
  const apart = (1 - hard) * APART.easy + hard * APART.hard;
  const worse = [...good.filter((s) => s.score < best.score - apart), ...ranking.out.filter(stands)];
  if (worse.length < MANY - 1) return null;
  // the hardest are those that come next to it
  const among = hard > 0.5 ? worse.slice(0, MANY - 1) : chance.shuffled(worse).slice(0, MANY - 1);
  const spans = chance.shuffled([best, ...among]);
  const { wish, wind } = place;
  const frame = frameOf(
    spans
      .flatMap((s) => [s.from.at, s.to.at])
      .flatMap(([x, y]): Point[] => [
        [x - ROOM, y - ROOM],
        [x + ROOM, y + ROOM],
      ]),
    SIZE,
  );
  const drawn = (best?: JudgedSpan): Picture => drawnPlace(place, spans, frame, best);
  return {
    rig: source.rig,
    facts: {
      form: wish.form,
      roof: [wish.roof.length, wish.roof.width],
      hammock: wish.bed === 'hammock',
      beaufort: wind.beaufort,
      from: wind.from,
    },
    truths: { out: spans.filter((s) => s.ruled.length > 0).map((s) => ({ id: s.id, ruled: s.ruled })) },
    shown: {
      picture: drawn(),
      upright: 1,
      hand: { form: 'touch', on: spans.map((s) => ({ id: s.id, rings: [[s.from.at, s.to.at].map(frame.put)] })) },
    },
    asked: {
      form: 'choice',
      options: spans.map((s) => ({ id: s.id, name: `${s.from.name} to ${s.to.name}` })),
      truth: best.id,
    },
    figure: null,
    seen: () => [drawn(best)],
  };
}

/** Seen about the pairs, m. */
const ROOM = 2;
/** Things are seen at least so large, m across. */
const LEAST = 0.12;

const ring = ([x, y]: At, r: number): Point[] =>
  Array.from({ length: 16 }, (_, k): Point => {
    const a = (2 * Math.PI * k) / 16;
    return [x + r * Math.cos(a), y + r * Math.sin(a)];
  });

/** A place from above, north up: what stands there, what lies there, the pairs; and the ground that the best takes. */
function drawnPlace(place: Place, spans: readonly JudgedSpan[], frame: Frame, best?: JudgedSpan): Picture {
  const strokes: Stroke[] = [];
  const draw = (pen: Stroke['pen'], rings: readonly (readonly Point[])[], closed: boolean): void => {
    if (rings.length > 0) strokes.push({ pen, rings: rings.map((r) => r.map(frame.put)), closed });
  };
  const areas = place.things.filter(isArea);
  draw(
    'guide',
    areas.map((t) => t.outline.map(([x, y]): Point => [t.at[0] + x, t.at[1] + y])),
    true,
  );
  const others = place.things.filter((t) => !isArea(t) && t.kind !== 'sleep');
  if (best !== undefined) draw('cloth', [clothOf(best)], true);
  draw(
    'trunk',
    others.filter((t) => kindOf(t).ends).map((t) => ring(t.at, Math.max(LEAST, halfWidth(t)))),
    true,
  );
  draw(
    'hem',
    others.filter((t) => !kindOf(t).ends).map((t) => ring(t.at, Math.max(LEAST, halfWidth(t)))),
    true,
  );
  draw(
    'guide',
    spans.filter((s) => s !== best).map((s) => [s.from.at, s.to.at]),
    false,
  );
  if (best !== undefined) draw('now', [[best.from.at, best.to.at]], false);
  const { from } = place.wind;
  return withWind({ width: frame.width, height: frame.height, strokes }, [Math.sin(from), -Math.cos(from)]);
}

/** What its cloth covers of the ground. */
function clothOf({ middle: [x, y], bearing, half, left, right }: JudgedSpan): Point[] {
  const [ux, uy] = [Math.sin(bearing), Math.cos(bearing)];
  const put = (along: number, aside: number): Point => [x + along * ux - aside * uy, y + along * uy + aside * ux];
  return [put(-half, left), put(half, left), put(half, -right), put(-half, -right)];
}
