import type { RigFile } from '@rough-bight/core/formats';
import { tell } from '@rough-bight/core/quantity';
import type { PitchResult } from '@rough-bight/core/pitch';
import { bedStem } from '@rough-bight/core/rig';
import type { Row } from '@rough-bight/core/rig';
import type { BearerLoad, BearerUnder, BedResult } from '@rough-bight/core/shelter';
import { saidTogether } from '@rough-bight/core/shelter';
import { warningsOf } from './warnings.js';

const round = (x: number, places = 3): number => Number(x.toFixed(places));

/** What governs a row of a ledger, as numbers. */
export function governs(row: Row): {
  readonly governs: string | null;
  readonly margin: number | null;
  readonly required: number | null;
  readonly worstCase: string | null;
} {
  const g = row.links[0];
  return {
    governs: g?.link.name ?? null,
    margin: g === undefined || !Number.isFinite(g.link.margin.value) ? null : round(g.link.margin.value),
    required: g === undefined ? null : g.schools[0]!.required,
    worstCase: g?.link.caseId ?? null,
  };
}

/** What trees, or other holds, bear of roof and bed together, as numbers. @param of what is told of a load */
function bearing<T extends object>(
  { bears }: BedResult,
  role: BearerUnder['role'],
  of: (l: Pick<BearerLoad, 'pull' | 'down' | 'asked'>) => T,
) {
  return bears
    .filter((b) => b.role === role)
    .map(({ id, name, loads, worst }) => ({
      id,
      name,
      loads: loads.map((l) => ({
        caseId: l.caseId,
        said: l.said,
        roof: round(l.roof),
        bed: round(l.bed),
        ...of(l),
      })),
      worst: {
        said: worst.said,
        ...of({ pull: worst.pull.value, down: worst.down, asked: worst.asked.value }),
      },
    }));
}

/** A bed judged, as numbers. */
export function bedJson(file: RigFile, b: BedResult) {
  const { lying, over } = b;
  return {
    name: b.name,
    straps: b.strapsName,
    height: round(lying.height.value),
    sag: round(lying.sag.value),
    headOverFeet: round(lying.headUp.value),
    headBelongsAt: bedStem(file.rig, b.headAt.end).name,
    comesDownByMorning: round(b.settles),
    ridgeCord: lying.ridge === null ? null : round(lying.ridge.value),
    ends: ([0, 1] as const).map((i) => ({
      anchor: bedStem(file.rig, i).name,
      angle: round(lying.angles[i].value, 4),
      tension: round(lying.straps[i].value),
      horizontal: round(lying.ends[i].level.value),
      vertical: round(lying.ends[i].down.value),
      footMoment: lying.feet[i] === null ? null : round(lying.feet[i].value),
      freeStrap: round(b.free[i], 4),
      barkPressure: b.bark[i] === null ? null : Math.round(b.bark[i].value),
    })),
    cases: b.cases.map((c) => ({
      ...c,
      when: tell(c.when),
      force: round(c.force),
      straps: c.straps.map((t) => round(t)),
      ridge: round(c.ridge),
      height: round(c.height),
    })),
    lines: b.rows.map((row) => ({
      id: row.id,
      role: row.role,
      name: row.name,
      of: row.what,
      tension: round(row.pitched),
      worst: round(row.demand.value),
      ...governs(row),
    })),
    trunks: bearing(b, 'trunk', (l) => ({ level: round(l.pull), down: round(l.down), moment: round(l.asked) })),
    holds: bearing(b, 'hold', (l) => ({ pull: round(l.pull) })),
    poles: b.poles,
    roofOver:
      over === null
        ? null
        : {
            overhang: over.overhang.map((x) => round(x, 2)),
            overhangInRain: over.overhangInRain.map((x) => round(x, 2)),
            dry: round(over.dry),
            dryInRain: round(over.dryInRain),
            rainSlant: round(over.slant, 4),
            above: over.above === null ? null : round(over.above),
            headRoom: over.headRoom === null ? null : round(over.headRoom),
            nearest: over.gaps[0] ?? null,
          },
    drips: b.drips.map(({ id, name, slope, runsIn, breaks, tailAt, wets }) => ({
      id,
      name,
      slope: round(slope, 4),
      runsIn,
      breaks,
      tailAt: round(tailAt, 2),
      wets,
    })),
    residual: b.residual,
    refusals: warningsOf(b.findings.filter((f) => f.severity === 'refuses')),
    warnings: warningsOf(b.findings.filter((f) => f.severity !== 'refuses')),
  };
}

/** The same as lines to read. */
export function bedText(file: RigFile, b: BedResult, roof: PitchResult | null): string[] {
  const said = bedJson(file, b);
  const pad = (text: string, n: number): string => text.slice(0, n).padEnd(n);
  const num = (x: number | null, n: number, places = 0): string => (x === null ? '–' : x.toFixed(places)).padStart(n);
  const degrees = (rad: number): string => `${((rad * 180) / Math.PI).toFixed(1)}°`;
  return [
    '',
    `bed: ${b.name} on ${b.strapsName}, lowest place ${said.height.toFixed(2)} m up, ${said.sag.toFixed(2)} m under its ends; head at ${said.headBelongsAt}`,
    ...said.ends.map(
      (e) =>
        `  ${pad(e.anchor, 26)} strap ${degrees(e.angle)} below level, ${e.tension.toFixed(0)} N, level ${e.horizontal.toFixed(0)} N, down ${e.vertical.toFixed(0)} N`,
    ),
    '',
    `${pad('in it', 18)}${'on it N'.padStart(9)}${'strap N'.padStart(9)}${'height m'.padStart(10)}`,
    ...said.cases.map(
      (c) =>
        `${pad(c.name, 18)}${num(c.force, 9)}${num(Math.max(...c.straps), 9)}${num(c.height, 10, 2)}${c.converged ? '' : '  no rest'}`,
    ),
    '',
    ...said.lines.map(
      (l) =>
        `${pad(l.name, 30)}${pad(l.of, 22)}${num(l.tension, 6)}${num(l.worst, 7)}${num(l.margin, 18, 1)}${num(l.required, 7, 1)}  ${l.governs ?? 'nothing known'}${l.worstCase === null ? '' : `, ${saidTogether(l.worstCase, roof, b)}`}`,
    ),
    ...(said.roofOver === null
      ? []
      : [
          `roof over it: reaches ${said.roofOver.overhang.join(' and ')} m beyond its ends, ${(said.roofOver.dryInRain * 100).toFixed(0)} % dry in this rain${said.roofOver.nearest === null ? '' : `; the ${said.roofOver.nearest.what} comes within ${said.roofOver.nearest.distance.toFixed(2)} m of the cloth`}`,
        ]),
    ...said.drips.map(
      (d) =>
        `${d.name}: ${d.runsIn ? `water runs in${d.breaks === null ? `; a tail belongs ${d.tailAt.toFixed(2)} m from its outer end` : `, and drips off its ${d.breaks}`}` : 'no water runs in'}`,
    ),
    ...said.refusals.map((w) => `refused: ${w}`),
    ...said.warnings.map((w) => `note: ${w}`),
  ];
}
