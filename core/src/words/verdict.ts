import type { Finding, FindingCode, FindingOf } from '../findings/index.js';
import { against, ofCode } from '../findings/index.js';
import { givesFirst, meanOf } from '../pitch/index.js';
import type { PitchResult } from '../pitch/index.js';
import type { BodyMeasures, Phrase } from '../quantity/index.js';
import { amount, asSubject, capital, metres, phrase, saySmall, tell } from '../quantity/index.js';
import type { RidgeRig } from '../rig/index.js';
import { holds, saidTogether } from '../shelter/index.js';
import type { BedResult, RigReport } from '../shelter/index.js';
import type { Judged } from '../strength/index.js';
import { slides } from '../strength/index.js';
import { DRY, POSTURES, postureUnder } from '../under/index.js';
import type { UnderResult } from '../under/index.js';
import { BEAUFORT, beaufortOf, compassPoint } from '../weather/index.js';
import { marginWords, wordsOf } from './finding-words.js';

/** What a rig amounts to: whether it holds, the sentence that says so, and the second thing to know. */
export interface Verdict {
  readonly holds: boolean;
  readonly sentence: Phrase;
  readonly detail: Phrase;
  /** Set while only part was worked out: neither passed nor failed yet. */
  readonly pending?: true;
}

const sentences = (parts: readonly (Phrase | null)[]): Phrase =>
  parts.reduce<Phrase>((all, p) => (p === null ? all : all.length === 0 ? p : phrase`${all} ${p}`), []);

const capitalised = ([first, ...rest]: Phrase): Phrase =>
  typeof first === 'string' ? [capital(first), ...rest] : [first!, ...rest];

/** What a rig comes to: what keeps it from holding, or that it holds and what has least to spare. */
export function verdictOf(report: RigReport, body: BodyMeasures): Verdict {
  const wrong = against(report.findings);
  const lead = wrong[0];
  if (lead !== undefined) return { holds: false, ...failing(report, lead, wrong, body) };
  const first = firstOf(report);
  const also = besides(report, null, body);
  if (first === null)
    return {
      holds: holds(report),
      sentence: phrase`Nothing pulls on this ${report.roof === null ? 'line' : 'rig'} yet.`,
      detail: also,
    };
  if (!report.full)
    return {
      holds: false,
      pending: true,
      sentence: phrase`In still air, just tied off${report.bed === null ? '' : ' and lain in'}, it holds. The rest is being worked out.`,
      detail: sentences([
        report.roof === null
          ? phrase`The night is not known yet.`
          : phrase`Night, rain and wind from sixteen bearings are not known yet.`,
        also,
      ]),
    };
  const { judged, gust } = first;
  const name = asSubject(judged.link.name);
  return {
    holds: true,
    sentence:
      gust === null
        ? phrase`Holds. ${capital(name)} has least to spare.`
        : phrase`Holds. In more wind ${name} lets go first, ${atWind(report.rig, report.roof!, gust)}.`,
    detail: sentences([
      phrase`${capitalised(marginWords(judged))}, ${saidIn(report, judged.link.caseId)}.`,
      report.roof === null ? null : judgedUnder(report.rig, report.roof),
      also,
    ]),
  };
}

/** How a case of a report is said at the end of a sentence. */
export function saidIn({ line, roof, bed }: RigReport, caseId: string): string {
  if (bed !== null) return saidTogether(caseId, roof, bed);
  return (roof ?? line!).cases.find((c) => c.id === caseId)?.said ?? caseId;
}

/** What lets go first as the wind rises, or has least to spare; null where nothing pulls. */
function firstOf({ rows, roof }: RigReport): { readonly judged: Judged; readonly gust: number | null } | null {
  const least = rows[0]?.links[0];
  const first = roof === null ? null : givesFirst({ rows, letsGo: roof.letsGo });
  if (first?.gust !== null && first !== null) return first;
  return least === undefined || !Number.isFinite(least.judgement.ratio) ? null : { judged: least, gust: null };
}

/** What there is too little of. */
const LACKS: ReadonlySet<FindingCode> = new Set<FindingCode>(['cord-short', 'guy-short', 'pegs-short']);

/** The gravest of what is wrong, what to do about it, and what else is. */
function failing(
  report: RigReport,
  lead: Finding,
  wrong: readonly Finding[],
  body: BodyMeasures,
): Pick<Verdict, 'sentence' | 'detail'> {
  const { says, remedy } = wordsOf(lead);
  const lacks = wrong.filter((f) => f !== lead && LACKS.has(f.code));
  return {
    sentence: says,
    detail: sentences([
      lead.code === 'short' ? shortBy(report, lead, wrong) : remedy,
      lead.code === 'unguyed' || lead.code === 'sags' || lead.code === 'left-out' ? leastToSpare(report) : null,
      // whatever else is wrong, what there is too little of is told with it
      ...lacks.map((f) => wordsOf(f).says),
      lead.code === 'short' && report.full && report.roof !== null ? turned(report.rig, report.roof) : null,
      besides(report, lead, body),
    ]),
  };
}

/** What has least to spare where nothing is short. */
function leastToSpare(report: RigReport): Phrase | null {
  const first = firstOf(report);
  return first === null || first.judged.judgement.ratio < 1
    ? null
    : phrase`${capital(asSubject(first.judged.link.name))} has least to spare: ${marginWords(first.judged)}.`;
}

/** By how much a link is short, in which wind it lets go, and how many lines more are. */
function shortBy({ rig, roof, full }: RigReport, lead: FindingOf<'short'>, wrong: readonly Finding[]): Phrase {
  const { judged, gust } = lead.facts;
  const others = ofCode(wrong, 'short').length - 1;
  return sentences([
    phrase`${capitalised(marginWords(judged))}.`,
    gust === null || !full || roof === null
      ? null
      : phrase`It ${slides(judged.link.kind) ? 'slips' : 'lets go'} ${atWind(rig, roof, gust)}.`,
    others > 0 ? phrase`${others} more ${others === 1 ? 'line is' : 'lines are'} short of what is asked.` : null,
  ]);
}

/** How it stands and lies: sag of a line, room under a roof, height and straps of a bed. */
function besides({ line, roof, bed, findings }: RigReport, lead: Finding | null, body: BodyMeasures): Phrase {
  const small = (length: number): Phrase => phrase`${saySmall(length, body)} (${metres(length)})`;
  const ofBed = bed !== null && lead !== null && bed.findings.includes(lead);
  return sentences([
    line === null || ofBed
      ? null
      : line.tight
        ? phrase`It sags ${small(line.sag.value)}, tight enough.`
        : phrase`It sags ${small(line.sag.value)}; ${metres(line.sagLimit)} is the most you asked for.`,
    roof === null || ofBed
      ? null
      : phrase`Headroom ${small(roof.cover.headroom)}, ${POSTURES[postureUnder(roof.cover.headroom, body)]}; ${amount(roof.cover.ground, 'area')} covered.`,
    roof === null || roof.under === null || ofBed ? null : sleepersUnder(roof.under),
    roof !== null && roof.under !== null && ofCode(findings, 'opens-to-wind').length > 0
      ? phrase`It opens into the wind: turn it about.`
      : null,
    bed === null ? null : lies(bed, small),
  ]);
}

/** Who of those on the ground lies dry, can sit up, and lies out of the wind. */
function sleepersUnder({ things }: UnderResult): Phrase | null {
  const sleepers = things.filter((t) => t.lying.kind === 'sleeper');
  if (sleepers.length === 0) return null;
  const of = (n: number): string =>
    n === sleepers.length ? (n === 1 ? 'The sleeper' : `All ${n}`) : `${n} of ${sleepers.length}`;
  const dry = sleepers.filter((t) => t.dry >= DRY).length;
  const sits = sleepers.filter((t) => t.sits).length;
  const one = sleepers.length === 1;
  return dry === sleepers.length && sits === sleepers.length
    ? phrase`${of(dry)} ${one ? 'lies' : 'lie'} dry and can sit up.`
    : phrase`${of(dry)} ${dry === 1 ? 'lies' : 'lie'} dry, ${sits} can sit up.`;
}

function lies({ lying: { height, angles, straps } }: BedResult, small: (length: number) => Phrase): Phrase {
  const [first, second] = angles.map((a) => phrase`${amount(a.value, 'angle')}`);
  const below = tell(first!) === tell(second!) ? first! : phrase`${first!} and ${second!}`;
  return phrase`The bed’s lowest place is ${small(height.value)} up, its straps ${below} below level, pulling ${amount(Math.max(straps[0].value, straps[1].value), 'force')}.`;
}

/** In which wind something lets go, as people feel it: "in a gust of a near gale, 1.6 times tonight’s". */
export function atWind(rig: RidgeRig, r: PitchResult, gust: number): string {
  if (gust === 0) return 'without any wind';
  const b = beaufortOf(meanOf(rig, gust));
  const { name } = BEAUFORT[b]!;
  const as = b === BEAUFORT.length - 1 ? `${name} or more` : name;
  if (!(r.gust > 0)) return `in a gust of a ${as}`;
  const times = gust / r.gust;
  return `in a gust of a ${as}, ${times < 10 ? times.toFixed(1) : Math.round(times)} times tonight’s`;
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
function turned(rig: RidgeRig, r: PitchResult): Phrase | null {
  const bearings = byBearing(r);
  const { windFrom } = rig.pitch!;
  const off = (from: number): number => Math.atan2(Math.sin(windFrom - from), Math.cos(windFrom - from));
  const named = bearings.find((b) => Math.abs(off(b.from)) < 1e-6);
  if (named === undefined || bearings.length < 2) return null;
  const best = bearings.reduce((a, b) =>
    b.left > a.left + 0.05 || (b.left > a.left - 0.05 && Math.abs(off(b.from)) < Math.abs(off(a.from))) ? b : a,
  );
  if (!(best.left > WORTH_TURNING * Math.max(named.left, 1e-6)) || !Number.isFinite(best.left)) return null;
  const by = off(best.from);
  const degrees = 5 * Math.round((Math.abs(by) * 180) / Math.PI / 5);
  const times = (x: number): string => (x < 9.5 ? x.toFixed(1) : Math.round(x).toString());
  return phrase`In the wind as named, from the ${compassPoint(windFrom, 16)}, it holds ${times(named.left)} times the pull; turned by ${degrees}° ${by > 0 ? 'clockwise' : 'counter-clockwise'} it would hold ${times(best.left)} times.`;
}

/** From where the wind was taken to come, where it is worst, and what turning the rig would do. */
function judgedUnder(rig: RidgeRig, r: PitchResult): Phrase | null {
  const worst = r.cases.find((c) => c.id === (r.worst.gust ?? ''));
  if (worst?.wind === undefined || worst.wind === null) return null;
  const bearings = byBearing(r).length;
  const from = `from the ${compassPoint(worst.wind.from, 16)}`;
  return bearings > 1
    ? sentences([phrase`Wind from ${bearings} bearings, dry and soaked; worst ${from}.`, turned(rig, r)])
    : phrase`Wind ${from} only: other bearings may be worse.`;
}
