import { readFileSync, statSync } from 'node:fs';
import { cutLength } from '@rough-bight/core/cordage';
import { FileProblem, readRigFile, contextOf } from '@rough-bight/core/formats';
import type { RigFile } from '@rough-bight/core/formats';
import { NoSuchLine } from '@rough-bight/core/line';
import { allSolved, gustPressure } from '@rough-bight/core/pitch';
import type { Evaluated, PitchResult } from '@rough-bight/core/pitch';
import { tell } from '@rough-bight/core/quantity';
import { RigProblem } from '@rough-bight/core/rig';
import type { GivenWind, Row } from '@rough-bight/core/rig';
import { windToward } from '@rough-bight/core/weather';
import { SNOWS } from '@rough-bight/core/catalogue';
import type { SnowFeel } from '@rough-bight/core/catalogue';
import { EASINGS } from '@rough-bight/core/gusting';
import type { Easing } from '@rough-bight/core/gusting';
import type { Turned } from '@rough-bight/core/ladder';
import { judgeRig } from '@rough-bight/core/shelter';
import { verdictOf } from '@rough-bight/core/words';
import { bedJson, bedText, governs } from './bed.js';
import { doubtIn, doubtJson, doubtText } from './doubt.js';
import { gusted, gustsJson, gustsText, seriesFor } from './gusts.js';
import { climb, ladderJson, ladderText } from './ladder.js';
import type { Output } from './main.js';
import { TRIM_HOURS } from '@rough-bight/core/trim';
import { trimJson, trimText, trimmed } from './trim.js';
import { warningsOf } from './warnings.js';
import { BadInput, bad, readNumber, readOptions, single } from './options.js';
import type { Options } from './options.js';

const HELP = `rb rig FILE [--wind M/S[@DEG]] [--wet] [--ladder [--snow FEEL | --rain | --people]] [--samples N] [--gusts [--series CSV]
       [--ease WHAT]] [--seed S] [--trim [--hours H]] [--json [--shape]]

Solves a pitched rig, a bed hung in one or both (docs/formats/rig.md) under their cases and prints lines, anchors,
hitches, cloth, and the bed with what its trunks bear of both.
--wind  a gust at the roof, m/s, instead of the file's own wind: from one bearing, degrees clockwise from north, or without
        one from all sixteen
--wet   the demand columns tell the wet night instead of the rig as pitched; with --wind the soaked gust
--ladder turns the wind up from calm by Beaufort, from the side of --wind or the file's own, dry or --wet: what gives first, at
        what gust, what follows when it has gone, until the roof is down; with --snow powder, fresh, settled or wet the same for
        snow on it, with --rain for rain on the soaked rig, with --people for heavier and heavier people in its bed
--samples solves so many rigs as this one may be, everything that is not known drawn within its range: bands, what gives how
        often, and what would be worth finding out; the same --seed (1) gives the same
--gusts plays a minute of gusting wind over it, from the side of --wind or the file's own, dry or --wet: made up about the file's own
        wind, the same for the same --seed (1), or a --series of wind, CSV of time (s) and speed (m/s); --ease elastic, ridge or guys
        plays it with elastic in every guy, the ridge half as tight, or the guys hauled half as hard
--trim  what hands do to it: what each line wants hauled in again after --hours (4), dry or --wet; how far a finger puts each
        aside; where it creases and which peg moved takes that out; what either order of hauling leaves
--shape with --json: places, pressures and the ground's pushes of every case (docs/formats/rig.md)
Exit code 0 solved, 3 not settled in some case (it says which), 2 bad input.`;

const SPEED = { says: 'a speed from 0 to 60 m/s', fits: (x: number) => x >= 0 && x <= 60 };
const BEARING = { says: 'a bearing from 0 to 360 degrees', fits: (x: number) => x >= 0 && x <= 360 };
export const UNITS = { length: 'm', force: 'N' } as const;

/** Reads a rig file named on the command line. @throws BadInput naming file, field and remedy */
export function readRig(file: string | undefined): RigFile {
  if (file === undefined || file.startsWith('--'))
    throw new BadInput(`file: ${file ?? '(nothing)'}; give one rig file`);
  try {
    if (statSync(file).size > 5e6) throw new BadInput(`file: ${file} is larger than 5 MB`);
    return readRigFile(readFileSync(file, 'utf8'));
  } catch (error) {
    if (error instanceof BadInput) throw error;
    if (error instanceof FileProblem) throw new BadInput(error.message);
    throw new BadInput(`file: ${file} cannot be read: ${(error as Error).message}`);
  }
}

/** A wind as typed: speed, or speed@bearing. */
export function readWind(text: string | undefined): GivenWind | undefined {
  if (text === undefined) return undefined;
  const parts = text.split('@');
  if (parts.length > 2) throw bad('wind', text, 'M/S@DEG or M/S, as in 12@270 or 12');
  const from = parts[1] === undefined ? null : (readNumber('wind', parts[1], BEARING, text) * Math.PI) / 180;
  return { speed: readNumber('wind', parts[0]!, SPEED, text), from };
}

/** A rig file with a roof pitched on its line. @throws BadInput naming file, field and remedy */
export function readPitched(name: string | undefined): RigFile {
  const file = readRig(name);
  if (file.rig.pitch === undefined)
    throw new BadInput('rig.pitch: this rig has no roof pitched on it; rb ridge solves a line alone');
  return file;
}

/** Works on a rig, saying what is wrong with it in the file's own fields. */
export function onRig<T>(work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof RigProblem) throw new BadInput(`rig.${error.field}: ${error.message}`);
    if (error instanceof NoSuchLine) throw new BadInput(`rig.tensioning: ${error.message}`);
    throw error;
  }
}

/** `rb rig FILE`. */
export function rig(args: readonly string[], io: Output): number {
  const [name, ...rest] = args;
  if (name === '--help') {
    io.out(HELP);
    return 0;
  }
  const file = readRig(name);
  if (file.rig.pitch === undefined && file.rig.bed === undefined)
    throw new BadInput('rig.pitch: this rig has neither a roof pitched on it nor a bed; rb ridge solves a line alone');
  const options = readOptions(
    rest,
    ['wind', 'snow', 'samples', 'seed', 'series', 'ease', 'hours'],
    ['wet', 'json', 'shape', 'ladder', 'rain', 'people', 'gusts', 'trim'],
  );
  for (const [option, of] of [
    ['snow', 'ladder'],
    ['rain', 'ladder'],
    ['people', 'ladder'],
    ['series', 'gusts'],
    ['ease', 'gusts'],
    ['hours', 'trim'],
  ] as const)
    if (options.has(option) && !options.has(of)) throw new BadInput(`--${option}: it goes with --${of}; give that too`);
  if (options.has('seed') && !options.has('samples') && !options.has('gusts'))
    throw new BadInput('--seed: it goes with --samples or --gusts; give one of them too');
  for (const option of ['ladder', 'samples', 'gusts', 'trim'] as const)
    if (options.has(option) && file.rig.pitch === undefined && !(option === 'ladder' && options.has('people')))
      throw new BadInput(`--${option}: this rig has no roof pitched on it; leave it out`);
  const wind = readWind(single(options, 'wind'));
  const context = contextOf(file);
  const { report, roof } = onRig(() =>
    judgeRig(file.rig, context, { full: true, ...(wind === undefined ? {} : { wind }) }),
  );
  const { roof: result, bed } = report;
  const { holds, sentence, detail } = verdictOf(report, context.body);
  const verdict = { holds, sentence: tell(sentence), detail: tell(detail) };
  const group = options.has('wet')
    ? wind === undefined
      ? 'wet'
      : 'wet-gust'
    : wind === undefined
      ? 'pitched'
      : 'gust';
  const caseId = result?.worst[group] ?? 'pitched';
  const cases = [...(result?.cases ?? []), ...(bed?.cases ?? [])];
  const converged = cases.every((c) => c.converged) && (result === null || allSolved(result));
  const under = new Set<string>(bed?.bears.map((t) => t.id));
  const said = result === null ? null : toJson(result, caseId, under);
  const ofBed = bed === null ? {} : { bed: bedJson(file, bed) };
  const up = options.has('ladder')
    ? onRig(() => climb(file, turnedBy(options, file, wind?.from ?? file.rig.pitch?.windFrom ?? 0)))
    : null;
  const samples = readWhole(options, 'samples', 0, 20_000);
  const seed = readWhole(options, 'seed', 1, 2 ** 31 - 1);
  const doubt = samples > 0 ? doubtIn(file, report.rows, samples, seed, wind) : null;
  const played =
    options.has('gusts') && result !== null
      ? onRig(() =>
          gusted(file, {
            series: seriesFor(file, single(options, 'series'), seed),
            from: wind?.from ?? file.rig.pitch!.windFrom,
            wet: options.has('wet'),
            easing: easingBy(single(options, 'ease')),
          }),
        )
      : null;
  const hours = readNumber('hours', single(options, 'hours') ?? '4', {
    says: `hours from ${TRIM_HOURS[0]} to ${TRIM_HOURS[1]}`,
    fits: (x) => x >= TRIM_HOURS[0] && x <= TRIM_HOURS[1],
  });
  const byHand = options.has('trim') ? onRig(() => trimmed(file, { hours, wet: options.has('wet') })) : null;
  const shapes = roof !== null && options.has('shape') ? { shapes: shapesOf(roof) } : {};
  if (options.has('json'))
    io.out(
      JSON.stringify(
        {
          name: file.name,
          verdict,
          ...said,
          ...ofBed,
          ...(up === null ? {} : { ladder: ladderJson(up) }),
          ...(doubt === null ? {} : { doubt: doubtJson(doubt, seed) }),
          ...(played === null ? {} : { gusts: gustsJson(played) }),
          ...(byHand === null ? {} : { trim: trimJson(byHand) }),
          ...shapes,
          converged,
        },
        null,
        options.has('shape') ? 0 : 2,
      ),
    );
  else
    [
      `${file.name}${result === null ? '' : `: ${result.formName}`}`,
      verdict.sentence,
      verdict.detail,
      ...(result === null || said === null ? [] : toText(result, said)),
      ...(bed === null ? [] : bedText(file, bed, result)),
      ...(up === null ? [] : ladderText(up)),
      ...(doubt === null ? [] : doubtText(doubt, seed)),
      ...(played === null ? [] : gustsText(played)),
      ...(byHand === null ? [] : trimText(byHand)),
      'Look up, knock and push before you trust a trunk. Soil by feel is good to a factor of two.',
    ].forEach(io.out);
  return converged ? 0 : 3;
}

/** A whole number that an option gives. */
function readWhole(options: Options, name: string, otherwise: number, most: number): number {
  const text = single(options, name);
  if (text === undefined) return otherwise;
  return readNumber(name, text, {
    says: `a whole number from 1 to ${most}`,
    fits: (x) => Number.isInteger(x) && x >= 1 && x <= most,
  });
}

/** What a ladder turns up: one thing. @param from where the wind comes from where that is it, rad */
function turnedBy(options: Options, { rig }: RigFile, from: number): Turned {
  const asked = (['snow', 'rain', 'people'] as const).filter((o) => options.has(o));
  if (asked.length > 1) throw new BadInput(`--${asked[1]!}: it does not go with --${asked[0]!}; give one of them`);
  if (asked[0] === 'people' && rig.bed === undefined) throw new BadInput('--people: this rig has no bed; leave it out');
  if (asked[0] === 'rain' || asked[0] === 'people') return { of: asked[0] };
  const snow = single(options, 'snow');
  if (snow === undefined) return { of: 'wind', from, wet: options.has('wet') };
  if (!(snow in SNOWS)) throw bad('snow', snow, `one of ${Object.keys(SNOWS).join(', ')}`);
  return { of: 'snow', feel: snow as SnowFeel };
}

/** What a play is eased by. @param text as given, or none */
function easingBy(text: string | undefined): Easing {
  if (text === undefined) return 'none';
  if (!(text in EASINGS)) throw bad('ease', text, `one of ${Object.keys(EASINGS).join(', ')}`);
  return text as Easing;
}

/** Bearing of a case's wind, degrees; null without wind. */
function bearingOf(r: PitchResult, caseId: string): number | null {
  const wind = r.cases.find((c) => c.id === caseId)?.wind ?? null;
  return wind === null ? null : round((wind.from * 180) / Math.PI, 4);
}

/** Every case's shape with what acts on it, so that anyone can check its balance. */
function shapesOf({ result, tied }: Evaluated) {
  const { bearing } = tied.model.rig.pitch!;
  const { corners } = result.topology;
  const triples = (a: ArrayLike<number>): number[][] =>
    Array.from({ length: a.length / 3 }, (_, i) => [a[3 * i]!, a[3 * i + 1]!, a[3 * i + 2]!]);
  return result.cases.map((c) => {
    const shape = result.shapes.find((s) => s.caseId === c.id)!;
    return {
      case: c.group,
      bearing: bearingOf(result, c.id),
      toward: c.wind === null ? null : windToward(c.wind.from, bearing),
      wind: c.wind?.speed ?? 0,
      q: c.wind === null ? 0 : gustPressure(c.wind),
      law: c.wind?.law ?? null,
      converged: c.converged,
      luffing: c.luffing,
      nodes: triples(shape.at),
      panels: triples(corners),
      pressure: [...shape.pressure],
      ground: triples(shape.ground).map(([, , up]) => up),
    };
  });
}

const round = (x: number, places = 3): number => Number(x.toFixed(places));

/** @param under ids of the trees that bear a bed as well: they are told again with it */
function toJson(r: PitchResult, caseId: string, under: ReadonlySet<string>) {
  const shape = r.shapes.find((s) => s.caseId === caseId)!;
  // the cord that a ridgeline goes on in has the ridgeline's own pull
  const pullOf = (row: Row): number | undefined =>
    r.topology.lines.find((l) => l.id === (row.role === 'extension' ? 'ridge' : row.id))?.line;
  const lines = r.rows.filter((row) => pullOf(row) !== undefined);
  return {
    form: r.formName,
    case: r.cases.find((c) => c.id === caseId)!.group,
    bearing: bearingOf(r, caseId),
    lines: lines.map((row) => ({
      id: row.id,
      role: row.role,
      name: row.name,
      cord: row.what,
      tension: round(shape.tension[pullOf(row)!]!),
      worst: round(row.demand.value),
      unstressedLength: round(row.unstressed ?? 0, 4),
      cut: row.cut === null ? null : round(cutLength(row.cut)),
      ...governs(row),
    })),
    anchors: r.anchors
      .filter((a) => a.caseId === caseId)
      .map((a) => ({
        ...a,
        name: under.has(a.id) ? `${a.name}, roof alone` : a.name,
        horizontal: round(a.horizontal),
        vertical: round(a.vertical),
        uplift: round(a.uplift),
        capacity: a.capacity === null ? null : round(a.capacity),
        margin: a.margin === null ? null : round(a.margin),
      })),
    hitches: r.hitches.map((h) => ({
      name: h.name,
      pull: round(h.pull),
      angle: round(h.angle, 4),
      gripRatio: round(h.dry.value),
      gripRatioWet: round(h.wet.value),
      margin: Number.isFinite(h.margin) ? round(h.margin) : null,
      slid: round(h.slid, 4),
    })),
    kept: r.kept.map((k) => ({ ...k, over: round(k.over), inBy: k.inBy === null ? null : round(k.inBy) })),
    cloth: {
      maxStress: round(Math.max(0, ...shape.stress)),
      slackShare: round(r.slack),
      wrinkledShare: round(r.wrinkled),
      pondedLitres: round(Math.max(...r.cases.map((c) => c.litres)), 2),
      poolGrows: r.cases.some((c) => c.runsAway),
      covered: round(r.cover.ground, 2),
      headroom: round(r.cover.headroom),
      lowestEdge: round(r.cover.lowestEdge),
    },
    cases: r.cases.map((c) => ({ ...c, when: tell(c.when) })),
    gust: round(r.gust),
    letsGo: r.letsGo.map(({ id, gust }) => ({ id, gust: gust === null ? null : round(gust, 2) })),
    worst: r.worst,
    room: r.room,
    residual: r.residual,
    warnings: warningsOf(r.findings),
  };
}

function toText(r: PitchResult, said: ReturnType<typeof toJson>): string[] {
  const pad = (text: string, n: number): string => text.slice(0, n).padEnd(n);
  const num = (x: number | null, n: number, places = 0): string => (x === null ? '–' : x.toFixed(places)).padStart(n);
  return [
    '',
    `${pad('line', 30)}${pad('cord', 22)}${'N'.padStart(6)}${'worst'.padStart(7)}${'length m'.padStart(10)}${'margin'.padStart(8)}${'asked'.padStart(7)}  governs`,
    ...said.lines.map(
      (l) =>
        `${pad(l.name, 30)}${pad(l.cord, 22)}${num(l.tension, 6)}${num(l.worst, 7)}${num(l.unstressedLength, 10, 3)}${num(l.margin, 8, 1)}${num(l.required, 7, 1)}  ${l.governs ?? 'nothing known'}${l.worstCase === null ? '' : `, ${r.cases.find((c) => c.id === l.worstCase)!.name}`}`,
    ),
    '',
    `${pad('anchor', 42)}${'level N'.padStart(9)}${'down N'.padStart(8)}${'lift N'.padStart(8)}${'holds'.padStart(8)}${'margin'.padStart(8)}`,
    ...said.anchors.map(
      (a) =>
        `${pad(a.name, 42)}${num(a.horizontal, 9)}${num(a.vertical, 8)}${num(a.uplift, 8)}${num(a.capacity, 8)}${num(a.margin, 8, 1)}`,
    ),
    '',
    ...said.hitches.map(
      (h) =>
        `${h.name}: pull ${h.pull.toFixed(0)} N at ${((h.angle * 180) / Math.PI).toFixed(0)}° to the ridge, grip ratio ${h.gripRatio.toFixed(1)} dry, ${h.gripRatioWet.toFixed(1)} wet, margin ${num(h.margin, 0, 1)}${Math.abs(h.slid) > 0.005 ? `, slides ${(h.slid * 100).toFixed(0)} cm` : ''}`,
    ),
    ...said.kept.map(
      (k) =>
        `${k.name}: ${k.kept.toFixed(2)} m on the cloth, ${k.over < 0 ? `${(-k.over).toFixed(2)} m too short` : `${k.over.toFixed(2)} m over${k.secondLine ? ', enough for a second line' : ''}`}`,
    ),
    `cloth: at most ${said.cloth.maxStress.toFixed(0)} N/m, ${(said.cloth.slackShare * 100).toFixed(0)} % slack, ${(said.cloth.wrinkledShare * 100).toFixed(0)} % wrinkled; ${said.cloth.pondedLitres.toFixed(1)} l stand on it in rain`,
    `covers ${said.cloth.covered.toFixed(1)} m², headroom ${said.cloth.headroom.toFixed(2)} m, lowest edge ${said.cloth.lowestEdge.toFixed(2)} m`,
    `out of balance by at most ${r.residual.toExponential(1)} N`,
    ...r.cases
      .filter((c) => c.luffing || !c.converged)
      .map((c) => `no rest: ${c.name}: ${c.converged ? `the cloth flaps near the ${c.flaps ?? 'edge'}` : c.reason}`),
    ...said.warnings.map((w) => `note: ${w}`),
  ];
}
