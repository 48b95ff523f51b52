import type { Cut, KitCord } from '../cordage/index.js';
import { GUY_TRAVEL, ROUND_ANCHOR, cordOf, cutBetween } from '../cordage/index.js';
import { nameOf, shockOf } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import { diameterOf, eccentricLoad, momentFigure, pileIn, treeHoldFigure } from '../anchor/index.js';
import type { HangState } from '../bed/index.js';
import type { Cord } from '../catalogue/index.js';
import {
  ADJUSTMENTS,
  CONNECTORS,
  GATHERED,
  GUY_ENDS,
  ON_GROUND,
  STRAP_EYE,
  SUN,
  WEAR,
  acrossOf,
  findSoil,
  findWood,
  looked,
} from '../catalogue/index.js';
import { norm, sub } from '../quantity/index.js';
import { soilOf, bedStem } from '../rig/index.js';
import type { Bed, BedPole, Row } from '../rig/index.js';
import type { Check, Judged, Link, LinkKind, Use } from '../strength/index.js';
import { cordStrength, judgedBy, knotKept, link, ratioFor } from '../strength/index.js';
import { holdOf } from '../support/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { BedModel, Read } from './bed-model.js';
import { stayHold, stayPull, stayRise } from './bed-pulls.js';

/** A way in which a part of a bed can fail. */
interface BedCheck extends Check<LoadCase> {
  /** What it is for, where it is not to carry a person. */
  readonly use?: Use;
}

function judged(model: BedModel, check: BedCheck, cases: readonly LoadCase[]): Judged[] {
  const { rig, context } = model;
  let found: { l: Link; shock: boolean; ratio: number } | null = null;
  for (const c of cases) {
    const available = check.available(c);
    if (available === null) continue;
    const demand = check.demand(c);
    const shock = shockOf(c) !== null;
    const { ratio } = ratioFor(
      rig.designRule,
      { kind: check.kind, demand, available },
      context.required,
      check.use ?? 'person',
      shock,
    );
    if (found === null || ratio < found.ratio)
      found = { l: link(check.id, check.kind, check.name, c.id, demand, available), shock, ratio };
  }
  if (found === null) return [];
  return [judgedBy({ designRule: rig.designRule, use: check.use ?? 'person' }, context.required, found.shock)(found.l)];
}

const END = ['first', 'second'] as const;

/** Everything of the bed that can let go but the trunks: those bear the roof's pull too. */
export function bedRows(model: BedModel, cases: readonly LoadCase[]): Row[] {
  const { rig, straps, kit, webbing } = model;
  const rows: Row[] = [];
  const lying = model.cases.find((c) => c.kind === 'lying')!;
  const add = (
    row: Pick<Row, 'id' | 'name' | 'what' | 'role'> & { readonly unstressed?: number; readonly cut?: Cut },
    pull: (c: LoadCase) => Figure,
    checks: readonly BedCheck[],
  ): void => {
    const worst = cases.map(pull).reduce((a, b) => (b.value > a.value ? b : a));
    rows.push({
      unstressed: null,
      cut: null,
      ...row,
      demand: worst,
      pitched: pull(lying).value,
      links: checks.flatMap((p) => judged(model, p, cases)).sort((a, b) => a.judgement.ratio - b.judgement.ratio),
    });
  };
  const webbed = { sun: straps.sun, wear: straps.wear };
  for (const i of [0, 1] as const) {
    const pull = memoised((c) =>
      model.figure({ symbol: 'T', title: `pull of the ${END[i]} strap`, quantity: 'force' }, c, (s) => s.straps[i]),
    );
    const at = (id: string, kind: LinkKind, name: string, here: readonly Figure[]): BedCheck => ({
      id: `strap${i}:${id}`,
      kind,
      name,
      demand: pull,
      available: memoised(
        (c) => cordStrength(webbing, webbed, name, c.environment.wet, here),
        (c) => String(c.environment.wet),
      ),
    });
    const way = ADJUSTMENTS[straps.adjust];
    add(
      {
        id: `strap${i}`,
        name: `${END[i]} strap`,
        what: straps.name,
        role: 'strap',
        unstressed: model.figures[`free${i}`].value,
      },
      pull,
      [
        at('eye', 'end', `${END[i]} strap round ${bedStem(rig, i).name}`, [looked(STRAP_EYE)]),
        at('loop', 'end', `${way.one} of the ${END[i]} strap`, [knotKept(way, webbing)]),
        {
          id: `strap${i}:connector`,
          kind: 'end',
          name: `${CONNECTORS[kit.connector].name}, ${END[i]} end`,
          demand: pull,
          available: () => looked(CONNECTORS[kit.connector].strength),
        },
      ],
    );
  }
  const cloth = memoised((c) =>
    derive(
      {
        symbol: 'n',
        title: `pull of the cloth over the width that carries, ${nameOf(c)}`,
        quantity: 'lineWeight',
        formula: 'n = T_c / (w w_e)',
      },
      [
        model.figure({ symbol: 'T_c', title: 'pull of the cloth', quantity: 'force' }, c, (s) => s.cloth),
        given({ symbol: 'w', title: 'width of the cloth', quantity: 'length' }, kit.width, {
          kind: 'measured',
          text: 'kit',
        }),
        looked(GATHERED),
      ],
      (T, w, share) => T! / (w! * share!),
    ),
  );
  add({ id: 'bed', name: 'bed', what: kit.name, role: 'bed' }, cloth, [
    {
      id: 'bed:cloth',
      kind: 'cloth',
      name: `cloth of ${kit.name}`,
      demand: cloth,
      available: () =>
        derive(
          {
            symbol: 'R',
            title: 'what a strip of its cloth holds',
            quantity: 'lineWeight',
            formula: 'R = f_c · f_sun · f_wear',
          },
          [looked(model.clothKind.strength), looked(SUN[kit.sun]), looked(WEAR[kit.wear])],
          (f, sun, wear) => f! * sun! * wear!,
        ),
    },
  ]);
  if (model.ridgeCord !== null) {
    const cord = model.ridgeCord;
    const pull = memoised((c) =>
      model.figure({ symbol: 'T', title: 'pull of the bed’s ridge-cord', quantity: 'force' }, c, (s) => s.ridge),
    );
    add(
      { id: 'bed-ridge', name: 'bed’s ridge-cord', what: cord.name, role: 'bed', unstressed: kit.ridgeLength },
      pull,
      [
        {
          id: 'bed-ridge:end',
          kind: 'end',
          name: 'an end of the bed’s ridge-cord',
          // it keeps the bed's shape: where it parts the bed hangs deeper and still holds
          use: 'ridge',
          demand: pull,
          available: memoised(
            (c) =>
              cordStrength(cord, { sun: kit.sun, wear: kit.wear }, 'ends of the bed’s ridge-cord', c.environment.wet, [
                knotKept(GUY_ENDS.cloth, cord),
              ]),
            (c) => String(c.environment.wet),
          ),
        },
      ],
    );
  }
  for (const i of [0, 1] as const) {
    const { anchor } = rig.bed!.ends[i];
    if (anchor.kind === 'pole') poleRows(model, anchor, i, add);
  }
  if (rig.bed!.sideStay !== null) sideStayRow(model, rig.bed!.sideStay, add);
  return rows;
}

/** The stay that holds one side open: it carries nobody. */
function sideStayRow(model: BedModel, sideStay: NonNullable<Bed['sideStay']>, add: Add): void {
  const { rig, context } = model;
  const kitCord = context.kit.find((k) => k.id === sideStay.cord)!;
  const cord = cordOf(kitCord)!;
  const pull = memoised((c) =>
    model.figure({ symbol: 'T', title: 'pull of the side stay', quantity: 'force' }, c, (s) => s.sideStay),
  );
  const hang = model.hangOf(model.cases[0]!);
  const held = holdOf(
    sideStay.anchor,
    { soil: findSoil(soilOf(rig))!, pulls: rig.pitch?.pulls ?? [] },
    context.pegs,
    'side stay',
  )!;
  const { line } = model.stateOf(model.cases[0]!);
  const length = norm(sub(line[line.length >> 1]!, hang.sideStay!.foot));
  const cut = stayCut(kitCord, cord, length, 0);
  add({ id: 'side-stay', name: 'side stay', what: kitCord.name, role: 'stay', unstressed: length, cut }, pull, [
    {
      id: 'side-stay:end',
      kind: 'end',
      name: 'a knot of the side stay',
      use: 'ridge',
      demand: pull,
      available: memoised(
        (c) => cordStrength(cord, kitCord, 'side stay', c.environment.wet, [knotKept(GUY_ENDS.adjustable, cord)]),
        (c) => String(c.environment.wet),
      ),
    },
    {
      id: 'side-stay:anchor',
      kind: 'anchor',
      name: held.name,
      use: 'ridge',
      demand: pull,
      available: (c) => {
        const s = model.stateOf(c);
        const [from, foot] = [s.line[s.line.length >> 1]!, hang.sideStay!.foot];
        return held.holds(
          Math.max(0, Math.atan2(from[2] - foot[2], Math.hypot(from[0] - foot[0], from[1] - foot[1]))),
          c.environment.wet,
        );
      },
    },
  ]);
}

type Add = (
  row: Pick<Row, 'id' | 'name' | 'what' | 'role'> & { readonly unstressed?: number; readonly cut?: Cut },
  pull: (c: LoadCase) => Figure,
  checks: readonly BedCheck[],
) => void;

function poleRows(model: BedModel, pole: BedPole, i: 0 | 1, add: Add): void {
  const { rig, context, woods } = model;
  const wood = woods[i];
  const { kitCord, cord } = model.stayCords[i]!;
  const read = (symbol: string, title: string, of: Read): ((c: LoadCase) => Figure) =>
    memoised((c) => model.figure({ symbol, title, quantity: 'force' }, c, of));
  const push = read('N', 'push along the pole', (s) => s.poles[i]!.push);
  const measured = (symbol: string, title: string, value: number, off: number): Figure =>
    given({ symbol, title, quantity: 'length' }, value, { kind: 'measured', text: 'by eye and hand' }, [
      Math.max(1e-4, value - off),
      value + off,
    ]);
  const high = rig.bed!.ends[i].height;
  const long = high / Math.cos(pole.lean);
  const thrust = read('H', 'level thrust of the pole’s foot', (s) =>
    Math.hypot(s.poles[i]!.foot[0], s.poles[i]!.foot[1]),
  );
  const soil = findSoil(soilOf(rig))!;
  add({ id: `pole${i}`, name: 'pole', what: wood.name, role: 'pole' }, push, [
    {
      id: `pole${i}:buckling`,
      kind: 'stick',
      name: 'pole that bows out',
      demand: push,
      available: () =>
        derive(
          {
            symbol: 'R',
            title: 'push at which the pole gives',
            quantity: 'force',
            formula: 'f/2 = N/A + N e (d/2) / I · sec(π/2 √(N / N_cr)), N_cr = π² E I / L²',
            notes: [
              'Secant formula (Timoshenko and Gere, Theory of Elastic Stability, 1961). Half of the green bending strength stands for the strength in compression: judgement.',
            ],
          },
          [
            looked(wood.modulus),
            looked(wood.strength),
            measured('d', 'thickness of the pole', pole.thickness, pole.thickness * 0.05),
            measured('L', 'length of the pole', long, 0.03),
            measured('e', 'lines off the middle of its head', pole.offCentre + 0.005, 0.005),
          ],
          (E, f, d, L, e) => eccentricLoad(E!, f! / 2, d!, L!, e!),
        ),
    },
    {
      id: `pole${i}:foot`,
      kind: 'anchor',
      name: `pole’s foot in ${soil.name}`,
      demand: thrust,
      available: (c) => {
        const down = model.figure({ symbol: 'V', title: 'weight on the pole’s foot', quantity: 'force' }, c, (s) =>
          Math.max(0, -s.poles[i]!.foot[2]),
        );
        const held = (end: 'low' | 'typical' | 'high'): number =>
          pileIn(soil, end, pole.thickness, pole.dug, 0, c.environment.wet);
        return derive(
          {
            symbol: 'R',
            title: 'level thrust its foot holds',
            quantity: 'force',
            formula: 'R = μ V + H_s',
            notes: [
              'H_s: the dug-in foot as a short rigid pile (Broms 1964). A notch cut in a root or a stone before it holds more.',
            ],
          },
          [
            looked(ON_GROUND),
            down,
            given(
              {
                symbol: 'H_s',
                title: `what ${soil.name} holds of the dug-in foot`,
                quantity: 'force',
              },
              held('typical'),
              { kind: 'derived', text: 'by the ranges of the soil' },
              [held('low'), held('high')],
            ),
          ],
          (mu, V, Hs) => mu! * V! + Hs!,
        );
      },
    },
  ]);
  for (let k = 0; k < pole.stays; k++) {
    const name = pole.stays === 1 ? 'back-stay' : `${k === 0 ? 'left' : 'right'} back-stay`;
    const pull = read('T', `pull of the ${name}`, (s) => s.poles[i]!.stays[k]!);
    const end = (id: string, what: string, knot: (typeof GUY_ENDS)[keyof typeof GUY_ENDS]): BedCheck => ({
      id: `stay${i}${k}:${id}`,
      kind: 'end',
      name: what,
      demand: pull,
      available: memoised(
        (c) => cordStrength(cord, kitCord, what, c.environment.wet, [knotKept(knot, cord)]),
        (c) => String(c.environment.wet),
      ),
    });
    const checks: BedCheck[] = [
      end('head', `${GUY_ENDS.knot.name} on the pole’s head, ${name}`, GUY_ENDS.knot),
      end('foot', `${GUY_ENDS.adjustable.name} of the ${name}`, GUY_ENDS.adjustable),
    ];
    const { anchor } = pole;
    if (anchor.kind === 'stem') {
      const stem = findWood(anchor.wood);
      if (stem !== undefined)
        checks.push({
          id: `stay${i}${k}:anchor`,
          kind: 'trunk',
          name: `foot of ${anchor.name}`,
          demand: memoised((c) => momentFigure(anchor.name, [stayPull(model, c, i, k, anchor)])),
          available: (c) =>
            treeHoldFigure(anchor.name, diameterOf(anchor.girth), stem, { soil: soilOf(rig), wet: c.environment.wet }),
        });
    }
    // what holds other lines too is judged under all of them
    const alone = stayHold(rig, i) === null;
    const held = alone ? holdOf(anchor, { soil, pulls: rig.pitch?.pulls ?? [] }, context.pegs, name) : null;
    if (held !== null)
      checks.push({
        id: `stay${i}${k}:anchor`,
        kind: 'anchor',
        name: held.name,
        demand: pull,
        available: (c) => held.holds(stayRise(model.stateOf(c), model, i, k), c.environment.wet),
      });
    const foot = model.hangOf(model.cases[0]!).ends[i].pole!.stays[k]!;
    add(
      {
        id: `stay${i}${k}`,
        name,
        what: kitCord.name,
        role: 'stay',
        unstressed: foot.length,
        cut: stayCut(kitCord, cord, foot.length, pole.thickness * Math.PI),
      },
      pull,
      checks,
    );
  }
}

/** Cord of a stay: knotted at what it holds, adjusted at its foot. @param round what it holds, m */
const stayCut = (kitCord: KitCord, cord: Cord, length: number, round: number): Cut =>
  cutBetween(
    kitCord.id,
    length,
    [
      { wraps: 1, girth: round, knotDiameters: GUY_ENDS.knot.cordInDiameters },
      { wraps: 1, girth: ROUND_ANCHOR, knotDiameters: GUY_ENDS.adjustable.cordInDiameters },
    ],
    acrossOf(cord),
    GUY_TRAVEL,
  );

/** Keeps a figure by its case. */
function memoised(make: (c: LoadCase) => Figure, key: (c: LoadCase) => string = (c) => c.id): (c: LoadCase) => Figure {
  const known = new Map<string, Figure>();
  return (c) => {
    const k = key(c);
    let f = known.get(k);
    if (f === undefined) known.set(k, (f = make(c)));
    return f;
  };
}

/** Length of a strap as it stands, m, for slopes. */
export const strapWay = (s: HangState, i: 0 | 1): number =>
  norm([0, 1, 2].map((c) => s.links[i][c]! - s.ties[i][c]!) as never);
