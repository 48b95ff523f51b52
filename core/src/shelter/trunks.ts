import { footStress } from '../anchor/index.js';
import { looked } from '../catalogue/index.js';
import type { Wood } from '../catalogue/index.js';
import type { PitchRow } from '../pitch/index.js';
import type { Range } from '../quantity/index.js';
import { bedStem } from '../rig/index.js';
import { link } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { BedCase } from './bed-cases.js';
import { downPull, levelPull, personJudged, personRatio } from './bed-ledger.js';
import type { BedModel } from './bed-model.js';

/** What something else than the bed pulls at a trunk, in one of its own cases. */
export interface OtherPull {
  readonly caseId: string;
  /** As the end of a sentence. */
  readonly said: string;
  readonly wet: boolean;
  readonly settled: boolean;
  /** Level, N, on the rig's plan; how far it may be off, as factors; height of its tie, m; downward, N. */
  readonly level: readonly [x: number, y: number];
  readonly spread: Range;
  readonly height: number;
  readonly down: number;
}

/** What a trunk bears of everything at once, in one case of the roof and one of the bed. */
export interface TrunkLoad {
  readonly caseId: string;
  readonly said: string;
  /** Level pulls of the roof and of the bed, N, and both together; weight on it, N; moment at its foot, N m. */
  readonly roof: number;
  readonly bed: number;
  readonly level: number;
  readonly down: number;
  readonly moment: number;
}

interface Pair {
  readonly other: OtherPull | null;
  readonly bed: BedCase;
}

/** Which states of the bed stand with which of the roof's: someone lies in it through all of them, and gets in and out as pitched. */
function pairs(cases: readonly BedCase[], others: readonly OtherPull[]): Pair[] {
  const find = (id: string): BedCase | undefined => cases.find((c) => c.id === id);
  const calm = others.find((o) => !o.wet && !o.settled) ?? others[0] ?? null;
  const out: Pair[] = cases
    .filter((c) => c.pose !== 'empty')
    .map((bed) => ({ other: (bed.wet ? others.find((o) => o.wet) : undefined) ?? calm, bed }));
  for (const other of others) {
    const bed = find(other.wet ? 'soaked' : other.settled ? 'settled' : 'lying') ?? find('lying');
    if (bed !== undefined && !out.some((p) => p.other === other && p.bed === bed)) out.push({ other, bed });
  }
  return out;
}

/** One trunk under everything: its row, and what it bears case by case. Both are null where nothing of the bed hangs on it. */
export function trunkUnder(
  model: BedModel,
  i: 0 | 1,
  cases: readonly BedCase[],
  others: readonly OtherPull[],
): { readonly row: PitchRow; readonly loads: readonly TrunkLoad[] } | null {
  const { rig, around, woods, diameters } = model;
  const { anchor, height } = rig.bed!.ends[i];
  if (anchor.kind === 'pole') return null;
  if (anchor.kind === 'trunk' && rig.trunks[i].standsOnWord === true) return null;
  const { name } = bedStem(rig, i);
  const wood: Wood = woods[i];
  const d = diameters[i];
  const mine = anchor.kind === 'trunk' ? others : [];
  const available = looked(wood.strength);
  const loads: TrunkLoad[] = [];
  let worst: { pair: Pair; ratio: number } | null = null;
  for (const pair of pairs(cases, mine)) {
    const s = model.stateOf(pair.bed);
    const [bx, by] = [s.pull[i][0], s.pull[i][1]];
    const [rx, ry] = pair.other?.level ?? [0, 0];
    const at = pair.other?.height ?? 0;
    const moment = Math.hypot(rx * at + bx * height, ry * at + by * height);
    const demand = plain('σ', 'bending stress', 'stress', footStress(moment, d));
    const ratio = personRatio(
      { rule: rig.rule === 'chance' ? 'factor' : rig.rule },
      around.required,
      pair.bed.shock !== null,
      {
        kind: 'trunk',
        demand,
        available,
      },
    );
    if (s.converged && (worst === null || ratio < worst.ratio)) worst = { pair, ratio };
    loads.push({
      caseId: idOf(pair),
      said: saidOf(pair),
      roof: Math.hypot(rx, ry),
      bed: Math.hypot(bx, by),
      level: Math.hypot(rx + bx, ry + by),
      down: -s.pull[i][2] + (pair.other?.down ?? 0),
      moment,
    });
  }
  if (worst === null) return null;
  const { pair } = worst;
  const demand = stressOf(model, i, pair, { name, height, d });
  const l = link(
    anchor.kind === 'trunk' ? `trunk${i}` : `bed-stem${i}`,
    'trunk',
    `foot of ${name}`,
    idOf(pair),
    demand,
    available,
  );
  const level = levelOf(model, i, pair, name);
  return {
    row: {
      id: anchor.kind === 'trunk' ? `trunk${i}` : `bed-stem${i}`,
      name,
      what: wood.name,
      role: 'trunk',
      demand: level,
      pitched: loads.find((x) => x.caseId.endsWith('lying'))?.level ?? level.value,
      links: [personJudged(l, rig, around.required, pair.bed.shock !== null)],
      unstressed: null,
      cut: null,
    },
    loads,
  };
}

const plain = (symbol: string, title: string, quantity: Figure['quantity'], value: number): Figure => ({
  symbol,
  title,
  quantity,
  value,
});
const idOf = (p: Pair): string => (p.other === null ? p.bed.id : `${p.other.caseId}+${p.bed.id}`);
const saidOf = (p: Pair): string => (p.other === null ? p.bed.said : `${p.other.said}, ${p.bed.said}`);

/** The pull of everything but the bed, and the angle between it and the bed's, as figures. */
function otherFigures(model: BedModel, i: 0 | 1, { other, bed }: Pair, name: string): [Figure, Figure] {
  const [rx, ry] = other?.level ?? [0, 0];
  const s = model.stateOf(bed);
  const H = Math.hypot(rx, ry);
  const turn = H > 0 ? Math.atan2(ry, rx) - Math.atan2(s.pull[i][1], s.pull[i][0]) : 0;
  return [
    given(
      {
        symbol: 'H_r',
        title: `level pull of the roof on ${name}${other === null ? '' : `, ${other.said}`}`,
        quantity: 'force',
      },
      H,
      { kind: 'derived', text: 'the roof solved as a net in that case' },
      other === null ? undefined : [H * other.spread[0], H * other.spread[1]],
    ),
    given({ symbol: 'φ', title: 'angle between the two pulls', quantity: 'angle' }, Math.abs(turn), {
      kind: 'derived',
      text: 'from where both come',
    }),
  ];
}

function levelOf(model: BedModel, i: 0 | 1, pair: Pair, name: string): Figure {
  const [roof, turn] = otherFigures(model, i, pair, name);
  return derive(
    { symbol: 'H', title: `level pull on ${name}, ${saidOf(pair)}`, quantity: 'force', formula: 'H = |H_r + H_b|' },
    [roof, levelPull(model, pair.bed, i), turn],
    (r, b, phi) => Math.hypot(r! * Math.cos(phi!) + b!, r! * Math.sin(phi!)),
  );
}

function stressOf(
  model: BedModel,
  i: 0 | 1,
  pair: Pair,
  stem: { readonly name: string; readonly height: number; readonly d: number },
): Figure {
  const [roof, turn] = otherFigures(model, i, pair, stem.name);
  const measured = (symbol: string, title: string, value: number): Figure =>
    given({ symbol, title, quantity: 'length' }, value, { kind: 'measured', text: 'by body mark or tape' }, [
      value * 0.97,
      value * 1.03,
    ]);
  return derive(
    {
      symbol: 'σ',
      title: `bending stress at the foot of ${stem.name}, ${saidOf(pair)}`,
      quantity: 'stress',
      formula: 'σ = 32 |H_r h_r + H_b h_b| / (π d³)',
      notes: [
        'Roof and bed together, by their directions. A sound, solid, round stem on firm roots: a screen, never a pass. Look up, knock and push.',
      ],
    },
    [
      roof,
      measured('h_r', 'height of the roof’s tie', pair.other?.height ?? 0),
      levelPull(model, pair.bed, i),
      measured('h_b', 'height of the bed’s strap', stem.height),
      turn,
      given(
        { symbol: 'd', title: 'trunk diameter, girth / π', quantity: 'length' },
        stem.d,
        { kind: 'measured', text: 'girth by a cord round the trunk; bark counted' },
        [stem.d * 0.93, stem.d * 1.02],
      ),
    ],
    (r, hr, b, hb, phi, d) =>
      footStress(Math.hypot(r! * hr! * Math.cos(phi!) + b! * hb!, r! * hr! * Math.sin(phi!)), d!),
  );
}

/** Weight and level pull of the bed on both its stems, lying, as figures. */
export const endPulls = (
  model: BedModel,
  c: BedCase,
): readonly [{ readonly level: Figure; readonly down: Figure }, { readonly level: Figure; readonly down: Figure }] => {
  const of = (i: 0 | 1) => ({ level: levelPull(model, c, i), down: downPull(model, c, i) });
  return [of(0), of(1)];
};
