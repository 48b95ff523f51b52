import { diameterFigure, footMoment, footStress, tieHeightFigure } from '../anchor/index.js';
import { GRIPPED, looked } from '../catalogue/index.js';
import type { Link, LinkKind } from '../strength/index.js';
import { bendKept, cordStrength, knotKept, link } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive } from '../working/index.js';
import type { CaseFigures, RidgeModel } from './model.js';

function endReductions(model: RidgeModel, i: 0 | 1): Figure[] {
  const { cord, terminations, diameters } = model;
  return [knotKept(terminations[i], cord), bendKept(model.rig.trunks[i].name, diameters[i], cord)];
}

/** A link as it stands in one case. */
interface Place {
  readonly id: string;
  readonly kind: LinkKind;
  readonly name: string;
  readonly demand: (c: CaseFigures) => Figure;
  readonly available: (wet: boolean) => Figure;
}

function places(model: RidgeModel): Place[] {
  const { rig, terminations, cord } = model;
  const out: Place[] = [
    {
      id: 'line',
      kind: 'line',
      name: 'free line',
      demand: (c) => c.tension,
      available: (wet) => cordStrength(cord, model.kitCord, cord.name, wet, []),
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
      available: (wet) => cordStrength(cord, model.kitCord, name, wet, here),
    });
  }
  if (rig.roof.on) {
    const gripped = [looked(GRIPPED)];
    for (const i of [0, 1] as const) {
      const name = `line under the roof's ${i === 0 ? 'first' : 'second'} hitch`;
      out.push({
        id: `grip-${i}`,
        kind: 'grip',
        name,
        demand: (c) => c.grips[i]!,
        available: (wet) => cordStrength(cord, model.kitCord, name, wet, gripped),
      });
    }
  }
  for (const i of [0, 1] as const) {
    const trunk = rig.trunks[i];
    if (trunk.standsOnWord) continue;
    const name = `foot of ${trunk.name}`;
    out.push({
      id: `trunk-${i}`,
      kind: 'trunk',
      name,
      demand: (c) => footStressFigure(model, c, i),
      available: () => looked(model.woods[i].strength),
    });
  }
  return out;
}

/** Bending moment at a trunk's foot in a case, with its working. */
export function footMomentFigure(model: RidgeModel, c: CaseFigures, i: 0 | 1): Figure {
  const trunk = model.rig.trunks[i];
  return derive(
    {
      symbol: 'M',
      title: `bending at the foot of ${trunk.name}, ${c.case.name}`,
      quantity: 'moment',
      formula: 'M = H h',
    },
    [c.horizontal[i], tieHeightFigure(trunk.tieHeight)],
    (H, h) => footMoment(H!, h!),
  );
}

function footStressFigure(model: RidgeModel, c: CaseFigures, i: 0 | 1): Figure {
  const trunk = model.rig.trunks[i];
  return derive(
    {
      symbol: 'σ',
      title: `bending stress at the foot of ${trunk.name}`,
      quantity: 'stress',
      formula: 'σ = 32 M / (π d³)',
      notes: ['A sound, solid, round stem on firm roots. A screen, never a pass: look up, knock and push.'],
    },
    [footMomentFigure(model, c, i), diameterFigure(model.diameters[i])],
    (M, D) => footStress(M!, D!),
  );
}

/** Every link of the chain, each under the case that leaves it least. */
export function ledgerOf(model: RidgeModel, cases: readonly CaseFigures[]): Link[] {
  return places(model).map((place) => {
    const dry = place.available(false);
    const wet = cases.some((c) => c.case.wet) ? place.available(true) : dry;
    let worst = cases[0]!;
    let least = Number.POSITIVE_INFINITY;
    for (const c of cases) {
      const demand = place.demand(c).value;
      const left = demand > 0 ? (c.case.wet ? wet : dry).value / demand : Number.POSITIVE_INFINITY;
      if (left < least) {
        least = left;
        worst = c;
      }
    }
    return link(place.id, place.kind, place.name, worst.case.id, place.demand(worst), worst.case.wet ? wet : dry);
  });
}
