import { nameOf } from '../cases/index.js';
import type { StemPull } from '../anchor/index.js';
import { momentFigure, treeHoldFigure } from '../anchor/index.js';
import { GRIPPED, looked } from '../catalogue/index.js';
import type { Link, LinkKind } from '../strength/index.js';
import { bendKept, cordStrength, knotKept, link } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { soilOf } from './bed.js';
import type { CaseFigures, RidgeModel } from './model.js';
import { hitched } from './ridge.js';

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
  const gripped = [looked(GRIPPED)];
  rig.hung.filter(hitched).forEach((h, i) => {
    const name = `line under ${h.name === '' ? 'what is hung' : h.name}`;
    out.push({
      id: `grip-${i}`,
      kind: 'grip',
      name,
      demand: (c) => c.grips[i]!,
      available: (wet) => cordStrength(cord, model.kitCord, name, wet, gripped),
    });
  });
  for (const i of [0, 1] as const) {
    const trunk = rig.trunks[i];
    if (trunk.standsOnWord) continue;
    const name = `foot of ${trunk.name}`;
    out.push({
      id: `trunk-${i}`,
      kind: 'trunk',
      name,
      demand: (c) => momentFigure(trunk.name, [trunkPull(model, c, i)], `, ${nameOf(c.case)}`),
      available: (wet) => treeHoldFigure(trunk.name, model.diameters[i], model.woods[i], { soil: soilOf(rig), wet }),
    });
  }
  return out;
}

/** What the line pulls at a trunk in a case. */
export function trunkPull(model: RidgeModel, c: CaseFigures, i: 0 | 1): StemPull {
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
  return places(model).map((place) => {
    const dry = place.available(false);
    const wet = cases.some((c) => c.case.environment.wet) ? place.available(true) : dry;
    let worst = cases[0]!;
    let least = Number.POSITIVE_INFINITY;
    for (const c of cases) {
      const demand = place.demand(c).value;
      const left = demand > 0 ? (c.case.environment.wet ? wet : dry).value / demand : Number.POSITIVE_INFINITY;
      if (left < least) {
        least = left;
        worst = c;
      }
    }
    return link(
      place.id,
      place.kind,
      place.name,
      worst.case.id,
      place.demand(worst),
      worst.case.environment.wet ? wet : dry,
    );
  });
}
