import { nameOf } from '../cases/index.js';
import type { TiePull } from '../anchor/index.js';
import { OVER_AND_DOWN, branchFigure, momentFigure, treeHoldFigure } from '../anchor/index.js';
import { GRIPPED, looked } from '../catalogue/index.js';
import type { Wood } from '../catalogue/index.js';
import type { Check, Link } from '../strength/index.js';
import { bendKept, cordStrength, fittingOf, knotKept, link } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { soilOf } from './bed.js';
import type { CaseFigures, RidgeModel } from './model.js';
import { hitched } from './ridge.js';
import type { RidgeRig } from './rig-document.js';

function endReductions(model: RidgeModel, i: 0 | 1): Figure[] {
  const { cord, terminations, diameters } = model;
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

/** Every way in which a line and its trunks can fail. */
function checksOf(model: RidgeModel): Check<CaseFigures>[] {
  const { rig, terminations, cord } = model;
  const out: Check<CaseFigures>[] = [
    {
      id: 'line',
      kind: 'line',
      name: 'free line',
      demand: (c) => c.tension,
      available: ({ case: c }) => cordStrength(cord, model.kitCord, cord.name, c.environment.wet, []),
    },
  ];
  for (const i of [0, 1] as const) {
    const name = `${terminations[i].name} at ${rig.trunks[i].name}`;
    const here = endReductions(model, i);
    out.push({
      id: `end-${i}`,
      kind: 'end',
      name,
      demand: (c) => c.ends[i],
      available: ({ case: c }) => cordStrength(cord, model.kitCord, name, c.environment.wet, here),
    });
    const fitting = fittingOf(terminations[i], rig.ends[i].toggle, cord);
    if (fitting !== null)
      out.push({
        id: `fitting-${i}`,
        kind: 'end',
        name: `${fitting.name} at ${rig.trunks[i].name}`,
        demand: (c) => c.ends[i],
        available: () => fitting.holds,
      });
  }
  const gripped = [looked(GRIPPED)];
  rig.hung.filter(hitched).forEach((h, i) => {
    const name = `line under ${h.name === '' ? 'what is hung' : h.name}`;
    out.push({
      id: `grip-${i}`,
      kind: 'grip',
      name,
      demand: (c) => c.grips[i]!,
      available: ({ case: c }) => cordStrength(cord, model.kitCord, name, c.environment.wet, gripped),
    });
  });
  for (const i of [0, 1] as const) {
    const trunk = rig.trunks[i];
    const branch = branchCheck(rig, model.woods, i);
    if (branch !== null) out.push({ ...branch, demand: (c) => c.ends[i], available: () => branch.holds });
    if (trunk.standsOnWord) continue;
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
