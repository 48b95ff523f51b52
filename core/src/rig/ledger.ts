import { nameOf } from '../cases/index.js';
import type { TiePull } from '../anchor/index.js';
import {
  OVER_AND_DOWN,
  branchFigure,
  bucklingLoad,
  diameterOf,
  momentFigure,
  treeHoldFigure,
} from '../anchor/index.js';
import { GRIPPED, GUY_ENDS, findSoil, looked } from '../catalogue/index.js';
import type { KitCord } from '../cordage/index.js';
import { cordOf } from '../cordage/index.js';
import type { Cord, Wood } from '../catalogue/index.js';
import type { Check, Link } from '../strength/index.js';
import { bendKept, cordStrength, fittingOf, knotKept, link } from '../strength/index.js';
import type { Ground } from '../support/index.js';
import { holdOf } from '../support/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { soilOf } from './bed.js';
import type { CaseFigures, RidgeModel } from './model.js';
import { hitched } from './ridge.js';
import type { RidgeRig, Trunk } from './rig-document.js';
import { lumpTips, poleBears } from './stand.js';
import { isStem } from './trees.js';

/** The cord of a line at a place along it, m from the first tie; at an end beyond a bend it is what the line goes on in. */
export const cordAlong = (
  { cord, kitCord, extension }: Pick<RidgeModel, 'cord' | 'kitCord' | 'extension'>,
  at: number,
): { readonly cord: Cord; readonly kitCord: KitCord; readonly half: 0 | 1 } =>
  extension !== null && at > extension.at
    ? { cord: extension.cord, kitCord: extension.kitCord, half: 1 }
    : { cord, kitCord, half: 0 };
/** The cord at an end of the line. */
export const cordAtEnd = (model: RidgeModel, i: 0 | 1): ReturnType<typeof cordAlong> =>
  cordAlong(model, i === 0 ? 0 : Number.POSITIVE_INFINITY);

/** A check, and which of two joined cords it is of. */
type HalfCheck = Check<CaseFigures> & { readonly half?: 0 | 1 };

function endReductions(model: RidgeModel, i: 0 | 1): Figure[] {
  const { terminations, diameters } = model;
  const { cord } = cordAtEnd(model, i);
  return [knotKept(terminations[i], cord), bendKept(model.rig.trunks[i].name, diameters[i], cord)];
}

/** The branch that a line goes over at its trunk; null where it goes round the stem. */
export function branchCheck(
  rig: RidgeRig,
  woods: readonly [Wood, Wood],
  i: 0 | 1,
): (Pick<Link, 'id' | 'kind' | 'name'> & { readonly holds: Figure }) | null {
  const { branch, name } = rig.trunks[i];
  if (branch === undefined) return null;
  const called = `branch of ${name}`;
  return {
    id: `branch-${i}`,
    kind: 'anchor',
    name: called,
    holds: branchFigure(`the ${called}`, branch, woods[i], OVER_AND_DOWN),
  };
}

/** What holds a trunk that is no rooted stem, and how it gives: a pole by its stays, what lies there by its weight. */
function standChecks(model: RidgeModel, i: 0 | 1): Check<CaseFigures>[] {
  const { rig, context, woods } = model;
  const trunk = rig.trunks[i];
  const { stand, name, tieHeight } = trunk;
  if (stand === undefined) return [];
  const level = (c: CaseFigures): Figure => c.horizontal[i];
  if (stand.kind === 'lump') {
    const held = holdOf({ kind: 'weight', name, mass: stand.mass }, groundUnder(rig), [], name)!;
    return [
      {
        id: `lump-${i}`,
        kind: 'anchor',
        name: held.name,
        demand: level,
        available: ({ case: c }) => held.holds(0, c.environment.wet),
      },
      {
        id: `tips-${i}`,
        kind: 'anchor',
        name: `${name} that tips`,
        demand: level,
        available: () => tipsFigure(name, stand.mass, tieHeight),
      },
    ];
  }
  const kitCord = context.kit.find((k) => k.id === stand.cord)!;
  const cord = cordOf(kitCord)!;
  const stay = `back-stays of ${name}`;
  const { rise } = poleBears(stand, tieHeight, 1, 0);
  const held = holdOf(stand.anchor, groundUnder(rig), context.pegs ?? [], stay)!;
  const geometry = [
    given({ symbol: 'h', title: 'height of the line on the pole', quantity: 'length' }, tieHeight, MEASURED),
    given({ symbol: 'a', title: 'way out to the stays', quantity: 'length' }, stand.out, MEASURED),
    given({ symbol: 'b', title: 'way aside to either stay', quantity: 'length' }, stand.spread, MEASURED),
  ];
  const pulls = (c: CaseFigures): Figure =>
    derive(
      {
        symbol: 'T_s',
        title: `pull of each of the ${stay}`,
        quantity: 'force',
        formula: 'T_s = H √(a² + b² + h²) / 2 a',
      },
      [level(c), ...geometry],
      (H, h, out, spread) => poleBears({ ...stand, out: out!, spread: spread! }, h!, H!, 0).stay,
    );
  return [
    {
      id: `stay-${i}`,
      kind: 'end',
      name: `${GUY_ENDS.adjustable.name} of the ${stay}`,
      demand: pulls,
      available: ({ case: c }) =>
        cordStrength(cord, kitCord, stay, c.environment.wet, [knotKept(GUY_ENDS.adjustable, cord)]),
    },
    {
      id: `stay-anchor-${i}`,
      kind: 'anchor',
      name: held.name,
      demand: pulls,
      available: ({ case: c }) => held.holds(rise, c.environment.wet),
    },
    {
      id: `pole-${i}`,
      kind: 'stick',
      name,
      demand: (c) =>
        derive(
          { symbol: 'N', title: `push in ${name}`, quantity: 'force', formula: 'N = V + H h / a' },
          [level(c), c.vertical[i], ...geometry],
          (H, V, h, out, spread) => poleBears({ ...stand, out: out!, spread: spread! }, h!, H!, Math.max(0, V!)).push,
        ),
      available: () => polePush(name, trunk, woods[i]),
    },
  ];
}

const MEASURED = { kind: 'measured', text: 'by tape or body mark' } as const;
const groundUnder = (rig: RidgeRig): Ground => ({ soil: findSoil(soilOf(rig))!, pulls: rig.pitch?.pulls ?? [] });

/** Push that buckles a pole, with its working. */
export const polePush = (name: string, { girth, tieHeight }: Pick<Trunk, 'girth' | 'tieHeight'>, wood: Wood): Figure =>
  derive(
    {
      symbol: 'R',
      title: `push that buckles ${name}`,
      quantity: 'force',
      formula: 'R = π³ E d⁴ / 64 h²',
      notes: ['A straight green pole with its head held by the line and the stays (Euler).'],
    },
    [
      looked(wood.modulus),
      given(
        { symbol: 'd', title: 'thickness of the pole, girth / π', quantity: 'length' },
        diameterOf(girth),
        MEASURED,
      ),
      given({ symbol: 'h', title: 'its height', quantity: 'length' }, tieHeight, MEASURED),
    ],
    (E, d, h) => bucklingLoad(E!, d!, h!),
  );

/** Level pull that tips what lies there over its edge, with its working. */
export const tipsFigure = (name: string, mass: number, height: number): Figure =>
  derive(
    {
      symbol: 'R',
      title: `level pull that tips ${name} over its edge`,
      quantity: 'force',
      formula: 'R = m g ∛(m / ρ) / 2 h',
      notes: ['As a cube of stone and wet wood, 2000 kg/m³. One that is longer along the pull holds more.'],
    },
    [
      given({ symbol: 'm', title: 'its mass', quantity: 'mass' }, mass, { kind: 'measured', text: 'by eye' }, [
        0.75 * mass,
        1.25 * mass,
      ]),
      given({ symbol: 'h', title: 'height of the line on it', quantity: 'length' }, height, MEASURED),
    ],
    (m, h) => lumpTips(m!, h!),
  );

/** Every way in which a line and its trunks can fail. */
function checksOf(model: RidgeModel): HalfCheck[] {
  const { rig, terminations, cord, extension } = model;
  const out: HalfCheck[] = [
    {
      id: 'line',
      kind: 'line',
      name: 'free line',
      demand: (c) => c.tension,
      available: ({ case: c }) => cordStrength(cord, model.kitCord, cord.name, c.environment.wet, []),
    },
  ];
  if (extension !== null) {
    const on = extension;
    out.push({
      id: 'line-on',
      kind: 'line',
      name: `free line of ${on.kitCord.name}`,
      half: 1,
      demand: (c) => c.tension,
      available: ({ case: c }) => cordStrength(on.cord, on.kitCord, on.cord.name, c.environment.wet, []),
    });
    // in the bend either cord may be the one that goes: the thicker is never left out
    for (const half of [0, 1] as const) {
      const of = half === 0 ? { cord, kitCord: model.kitCord } : on;
      const name = `${on.bend.name}, its ${of.kitCord.name}`;
      const here = [knotKept(on.bend, of.cord)];
      out.push({
        id: `bend-${half}`,
        kind: 'end',
        name,
        half,
        demand: (c) => c.tension,
        available: ({ case: c }) => cordStrength(of.cord, of.kitCord, name, c.environment.wet, here),
      });
    }
  }
  for (const i of [0, 1] as const) {
    const name = `${terminations[i].name} at ${rig.trunks[i].name}`;
    const here = endReductions(model, i);
    const at = cordAtEnd(model, i);
    out.push({
      id: `end-${i}`,
      kind: 'end',
      name,
      half: at.half,
      demand: (c) => c.ends[i],
      available: ({ case: c }) => cordStrength(at.cord, at.kitCord, name, c.environment.wet, here),
    });
    const fitting = fittingOf(terminations[i], rig.ends[i].toggle, at.cord);
    if (fitting !== null)
      out.push({
        id: `fitting-${i}`,
        kind: 'end',
        name: `${fitting.name} at ${rig.trunks[i].name}`,
        half: at.half,
        demand: (c) => c.ends[i],
        available: () => fitting.holds,
      });
  }
  const gripped = [looked(GRIPPED)];
  rig.hung.filter(hitched).forEach((h, i) => {
    const name = `line under ${h.name === '' ? 'what is hung' : h.name}`;
    const under = cordAlong(model, h.at);
    out.push({
      id: `grip-${i}`,
      kind: 'grip',
      name,
      half: under.half,
      demand: (c) => c.grips[i]!,
      available: ({ case: c }) => cordStrength(under.cord, under.kitCord, name, c.environment.wet, gripped),
    });
  });
  for (const i of [0, 1] as const) {
    const trunk = rig.trunks[i];
    const branch = branchCheck(rig, model.woods, i);
    if (branch !== null) out.push({ ...branch, demand: (c) => c.ends[i], available: () => branch.holds });
    out.push(...standChecks(model, i));
    if (!isStem(trunk)) continue;
    const name = `foot of ${trunk.name}`;
    out.push({
      id: `trunk-${i}`,
      kind: 'trunk',
      name,
      demand: (c) => momentFigure(trunk.name, [trunkPull(model, c, i)], `, ${nameOf(c.case)}`),
      available: ({ case: c }) =>
        treeHoldFigure(trunk.name, model.diameters[i], model.woods[i], { soil: soilOf(rig), wet: c.environment.wet }),
    });
  }
  return out;
}

/** What the line pulls at a trunk in a case. */
export function trunkPull(model: RidgeModel, c: CaseFigures, i: 0 | 1): TiePull {
  const level = c.horizontal[i];
  return {
    level: level.value,
    down: 0,
    toward: i === 0 ? 0 : Math.PI,
    height: model.rig.trunks[i].tieHeight,
    what: 'the ridgeline',
    figure: () => level,
  };
}

/** Ids of the links that are of the cord that the line goes on in. */
export const onExtension = (model: RidgeModel): ReadonlySet<string> =>
  new Set(checksOf(model).flatMap((c) => (c.half === 1 ? [c.id] : [])));

/** Every link of the chain, each under the case that leaves it least. */
export function ledgerOf(model: RidgeModel, cases: readonly CaseFigures[]): Link[] {
  return checksOf(model).flatMap((check) => {
    // what it holds depends on nothing but wet or dry
    const known = new Map<boolean, Figure | null>();
    const holds = (c: CaseFigures): Figure | null => {
      const { wet } = c.case.environment;
      if (!known.has(wet)) known.set(wet, check.available(c));
      return known.get(wet)!;
    };
    let worst: { readonly c: CaseFigures; readonly available: Figure } | null = null;
    let least = Number.POSITIVE_INFINITY;
    for (const c of cases) {
      const available = holds(c);
      if (available === null) continue;
      const demand = check.demand(c).value;
      const left = demand > 0 ? available.value / demand : Number.POSITIVE_INFINITY;
      if (worst !== null && !(left < least)) continue;
      least = left;
      worst = { c, available };
    }
    if (worst === null) return [];
    return [link(check.id, check.kind, check.name, worst.c.case.id, check.demand(worst.c), worst.available)];
  });
}
