import { capital, say, saySmall } from '../quantity/index.js';
import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { marginWords } from '../rig/index.js';
import type { Judged, RidgeRig, Verdict } from '../rig/index.js';
import { BEAUFORT, beaufortOf, compassPoint } from '../weather/index.js';
import type { PitchResult, PitchRow } from './evaluate.js';
import { TAMES, ratioOf } from './evaluate.js';
import { meanOf } from './first.js';
import { LYING_ROOM, ONE_SLEEPER } from './room.js';

/** What lets go first as the wind rises: the link, and the gust at the roof in which it does, m/s; 0 without any wind. */
export interface GivesFirst {
  readonly row: PitchRow;
  readonly judged: Judged;
  /** null where nothing lets go in any wind tried: the link with least to spare then. */
  readonly gust: number | null;
}

/** The link that lets go in the least wind; among those that no wind tears, the one with least to spare. Null where nothing pulls. */
export function givesFirst(r: PitchResult): GivesFirst | null {
  const byId = new Map(r.rows.flatMap((row) => row.links.map((judged) => [judged.link.id, { row, judged }] as const)));
  for (const { id, gust } of r.letsGo) {
    const found = byId.get(id);
    if (found !== undefined && gust !== null) return { ...found, gust };
  }
  // a hitch's ratio does not go with the wind: it gives first only where it slips
  const all = [...byId.values()].filter(({ judged }) => Number.isFinite(judged.judgement.ratio));
  const loaded = all.filter(({ judged }) => judged.link.kind !== 'hitch' || judged.judgement.ratio < 1);
  const least = (loaded.length > 0 ? loaded : all).sort(
    (a, b) => a.judged.judgement.ratio - b.judged.judgement.ratio,
  )[0];
  return least === undefined ? null : { ...least, gust: null };
}

/** In which wind something lets go, as people feel it: "at a near gale, 1.6 times the wind judged". */
export function atWind(rig: RidgeRig, r: PitchResult, gust: number): string {
  if (gust === 0) return 'without any wind';
  const b = beaufortOf(meanOf(rig, gust));
  const { name } = BEAUFORT[b]!;
  const as = b === BEAUFORT.length - 1 ? `${name} or more` : name;
  if (!(r.gust > 0)) return `in a gust of a ${as}`;
  const times = gust / r.gust;
  return `in a gust of a ${as}, ${times < 10 ? times.toFixed(1) : Math.round(times)} times tonight’s`;
}

/** Whether every case came to rest and was checked: nothing is passed otherwise. */
export const allSolved = (r: PitchResult): boolean => r.cases.every((c) => c.converged && !c.luffing);

/**
 * One sentence on what gives first, and one on what else matters.
 * @param full false where only the rig as pitched was worked out: then nothing is passed
 */
export function pitchVerdict(
  rig: RidgeRig,
  r: PitchResult,
  body: BodyMeasures,
  units: UnitChoice,
  full = true,
): Verdict {
  const when = (id: string): string => r.cases.find((c) => c.id === id)?.said ?? id;
  const rain = r.cases.find((c) => c.runsAway);
  const room = `Headroom ${saySmall(r.cover.headroom, body)} (${say(r.cover.headroom, 'length', units)}), ${say(r.cover.ground, 'area', units)} covered.`;
  const [against] = r.against;
  const lacks = missing(r, units);
  // whatever else is wrong, what there is too little of is told with it
  const fails = (sentence: string, detail = room): Verdict => ({
    holds: false,
    sentence,
    detail: lacks.length === 0 ? detail : `${lacks.join(' ')} ${detail}`,
  });
  if (against !== undefined) return fails(against);
  const first = givesFirst(r);
  if (first === null) return { holds: full, sentence: 'Nothing pulls on this rig yet.', detail: room };
  const short = r.rows.filter((row) => ratioOf(row) < 1);
  if (short.length > 0) {
    // what lets go first of what is short; with a margin only eaten into, the one with least of it
    const broken = short.some((row) => row.links[0]!.link.margin.value < 1);
    const { judged } = broken && first.judged.judgement.ratio < 1 ? first : { judged: short[0]!.links[0]! };
    const slips = judged.link.kind === 'hitch';
    const breaks = judged.link.margin.value < 1;
    const others = short.length - 1;
    const more = others > 0 ? ` ${others} more ${others === 1 ? 'line is' : 'lines are'} short of what is asked.` : '';
    const at = r.letsGo.find((l) => l.id === judged.link.id)?.gust ?? null;
    const wind = at === null || !full ? '' : ` It ${slips ? 'slips' : 'lets go'} ${atWind(rig, r, at)}.`;
    return fails(
      `${capital(judged.link.name)} ${slips ? (breaks ? 'slips first' : 'may slip') : breaks ? 'lets go first' : 'has too little to spare'} ${when(judged.link.caseId)}.`,
      `${capital(marginWords(judged, units))}.${wind}${more} ${full ? turned(rig, r) : ''}${room}`,
    );
  }
  if (rain !== undefined) return fails('Rain pools on it and the pool grows.', `Drop a corner or an edge. ${room}`);
  const loose = r.cases.filter((c) => c.luffing || !c.converged);
  if (loose.length > 0) {
    const [c] = loose;
    const others = loose.length > 1 ? ` So it does in ${loose.length - 1} more of the winds tried.` : '';
    return fails(
      c!.flaps === null
        ? `Too loose to judge ${c!.said}: the cloth flaps.`
        : `The cloth flaps near the ${c!.flaps} ${c!.said} and finds no rest.`,
      `${TAMES}${others} ${room}`,
    );
  }
  const { pitched, least } = r.room;
  if (pitched.lying < ONE_SLEEPER)
    return fails(
      `Nobody can lie under it: it hangs ${say(LYING_ROOM, 'length', units)} over ${say(pitched.lying, 'area', units)} of ground only.`,
      `Raise the ridge or its edges, or haul the ridge tighter. ${room}`,
    );
  if (least.lying < ONE_SLEEPER)
    return fails(
      `It comes down on whoever lies under it ${when(least.caseId)}.`,
      `${say(LYING_ROOM, 'length', units)} are left over ${say(least.lying, 'area', units)} of ground; one sleeper takes ${say(ONE_SLEEPER, 'area', units)}. Haul it tighter, raise it, or prop it. ${room}`,
    );
  if (r.sag !== null && r.sag > r.sagLimit && r.sag > LYING_ROOM)
    return fails(
      `The ridge sags ${say(r.sag, 'length', units)}: too slack for a roof.`,
      `${say(r.sagLimit, 'length', units)} is the most you asked for. Haul it tighter. ${room}`,
    );
  if (lacks.length > 0) return { holds: false, sentence: lacks[0]!, detail: [...lacks.slice(1), room].join(' ') };
  if (!full)
    return {
      holds: false,
      sentence: 'In still air, just tied off, it holds. The rest is being worked out.',
      detail: `Night, rain and wind from sixteen bearings are not known yet. ${room}`,
      pending: true,
    };
  const name = capital(first.judged.link.name);
  const go =
    first.gust === null ? `${name} has least to spare.` : `${name} gives first, ${atWind(rig, r, first.gust)}.`;
  return {
    holds: true,
    sentence: `Holds. ${go}`,
    detail: `${capital(marginWords(first.judged, units))}, ${when(first.judged.link.caseId)}. ${judgedUnder(rig, r)}${room}`,
  };
}

/** Cord and pegs that there are too few of, a sentence each. */
function missing(r: PitchResult, units: UnitChoice): string[] {
  return [
    ...r.cords
      .filter((c) => c.wanted > c.have)
      .map(
        (c) =>
          `${capital(c.name)} is too short for its lines: ${say(c.wanted, 'length', units)} wanted, ${say(c.have, 'length', units)} on hand.`,
      ),
    ...r.pegs
      .filter((p) => p.wanted > p.have)
      .map((p) => `${p.wanted - p.have} of ${p.name} are missing: ${p.wanted} wanted, ${p.have} on hand.`),
  ];
}

/** A bearing the wind may come from, rad, and how many times over what pulls hardest then still holds. */
interface FromBearing {
  readonly from: number;
  readonly left: number;
}

/** Every bearing with the least that is left in any gust from it; one in which the cloth flaps has nothing left. */
function byBearing(r: PitchResult): FromBearing[] {
  const least = new Map<number, number>();
  for (const { from, left, solved } of r.rose)
    least.set(from, Math.min(least.get(from) ?? Number.POSITIVE_INFINITY, solved ? left : 0));
  return [...least].map(([from, left]) => ({ from, left }));
}

/** Turning a rig is worth telling where it leaves so many times as much. Judgement. */
const WORTH_TURNING = 1.25;

/** What the rig would hold of the wind as it is named if it were turned; nothing where that is little. */
function turned(rig: RidgeRig, r: PitchResult): string {
  const bearings = byBearing(r);
  const { windFrom } = rig.pitch!;
  const off = (from: number): number => Math.atan2(Math.sin(windFrom - from), Math.cos(windFrom - from));
  const named = bearings.find((b) => Math.abs(off(b.from)) < 1e-6);
  if (named === undefined || bearings.length < 2) return '';
  const best = bearings.reduce((a, b) =>
    b.left > a.left + 0.05 || (b.left > a.left - 0.05 && Math.abs(off(b.from)) < Math.abs(off(a.from))) ? b : a,
  );
  if (!(best.left > WORTH_TURNING * Math.max(named.left, 1e-6)) || !Number.isFinite(best.left)) return '';
  const by = off(best.from);
  const degrees = 5 * Math.round((Math.abs(by) * 180) / Math.PI / 5);
  const times = (x: number): string => (x < 9.5 ? x.toFixed(1) : Math.round(x).toString());
  return `In the wind as named, from the ${compassPoint(windFrom, 16)}, it holds ${times(named.left)} times the pull; turned by ${degrees}° ${by > 0 ? 'clockwise' : 'counter-clockwise'} it would hold ${times(best.left)} times. `;
}

/** From where the wind was taken to come, where it is worst, and what turning the rig would do. */
function judgedUnder(rig: RidgeRig, r: PitchResult): string {
  const worst = r.cases.find((c) => c.id === (r.worst.gust ?? ''));
  if (worst?.wind === undefined || worst.wind === null) return '';
  const bearings = byBearing(r).length;
  const from = `from the ${compassPoint(worst.wind.from, 16)}`;
  return bearings > 1
    ? `Wind from ${bearings} bearings, dry and soaked; worst ${from}. ${turned(rig, r)}`
    : `Wind ${from} only: other bearings may be worse. `;
}
