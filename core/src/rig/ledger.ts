import { footMoment, footStress } from '../anchor/index.js';
import { FIBRE_TRAITS, GRIPPED, SUN, WEAR, looked } from '../catalogue/index.js';
import type { Link, LinkKind } from '../strength/index.js';
import { link } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { CaseFigures, RidgeModel } from './model.js';

/** Loss of strength where cord bends round something: half at a bend of its own diameter, little round a trunk. */
function bendFactor(bend: number, cord: number): number {
  return 1 - Math.min(0.5, (0.5 * cord) / bend);
}

/** Strength of the cord at one place: the product of every reduction that applies there. */
function cordStrength(model: RidgeModel, name: string, wet: boolean, here: readonly Figure[]): Figure {
  const { cord, kitCord } = model;
  const chain = [looked(cord.strength)];
  if (wet) chain.push(looked(FIBRE_TRAITS[cord.fibre].wetStrength));
  chain.push(looked(SUN[kitCord.sun]), looked(WEAR[kitCord.wear]), ...here);
  const strength = derive(
    {
      symbol: 'R',
      title: `what the ${name} holds${wet ? ', wet' : ''}`,
      quantity: 'force',
      formula: `R = ${chain.map((f) => f.symbol).join(' · ')}`,
    },
    chain,
    (...factors) => factors.reduce((a, b) => a * b, 1),
  );
  if (cord.bears) return strength;
  return {
    ...strength,
    value: 0,
    range: [0, 0],
    formula: 'R = 0',
    inputs: [],
    notes: ['Elastic cord is never counted as strength.'],
  };
}

function endReductions(model: RidgeModel, i: 0 | 1): Figure[] {
  const { cord, terminations, diameters } = model;
  const termination = terminations[i];
  const factor = FIBRE_TRAITS[cord.fibre].knotFactor;
  const knot = looked(termination.efficiency);
  const kept =
    factor === 1
      ? knot
      : derive(
          {
            symbol: 'f_knot',
            title: `strength kept in a ${termination.name} in ${FIBRE_TRAITS[cord.fibre].name}`,
            quantity: 'share',
            formula: 'f_knot · f_fibre',
          },
          [
            knot,
            given(
              { symbol: 'f_fibre', title: 'slick, stiff fibre in knots', quantity: 'ratio' },
              factor,
              {
                kind: 'judgement',
                text: 'catalogue, judgement',
                citation: 'UHMWPE keeps about 0.6 of what other fibres keep in knots, and slips.',
              },
              [factor * 0.8, factor * 1.2],
            ),
          ],
          (a, b) => a! * b!,
        );
  const bend = derive(
    {
      symbol: 'f_bend',
      title: `bend round ${model.rig.trunks[i].name}`,
      quantity: 'share',
      formula: 'f_bend = 1 − d / 2D',
      notes: ['Judgement: half is left at a bend of the cord’s own diameter.'],
    },
    [
      given({ symbol: 'D', title: 'diameter of the trunk, girth / π', quantity: 'length' }, diameters[i], {
        kind: 'measured',
        text: 'girth by a cord round the trunk',
      }),
      given({ symbol: 'd', title: 'diameter of the cord', quantity: 'diameter' }, cord.diameter, {
        kind: 'derived',
        text: 'catalogue',
      }),
    ],
    (D, d) => bendFactor(D!, d!),
  );
  return [kept, bend];
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
      available: (wet) => cordStrength(model, cord.name, wet, []),
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
      available: (wet) => cordStrength(model, name, wet, here),
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
        available: (wet) => cordStrength(model, name, wet, gripped),
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
    [
      c.horizontal[i],
      given(
        { symbol: 'h', title: 'tie height', quantity: 'length' },
        trunk.tieHeight,
        { kind: 'measured', text: 'by body mark or tape' },
        [trunk.tieHeight * 0.97, trunk.tieHeight * 1.03],
      ),
    ],
    (H, h) => footMoment(H!, h!),
  );
}

function footStressFigure(model: RidgeModel, c: CaseFigures, i: 0 | 1): Figure {
  const trunk = model.rig.trunks[i];
  const d = model.diameters[i];
  return derive(
    {
      symbol: 'σ',
      title: `bending stress at the foot of ${trunk.name}`,
      quantity: 'stress',
      formula: 'σ = 32 M / (π d³)',
      notes: ['A sound, solid, round stem on firm roots. A screen, never a pass: look up, knock and push.'],
    },
    [
      footMomentFigure(model, c, i),
      given(
        { symbol: 'd', title: 'trunk diameter, girth / π', quantity: 'length' },
        d,
        { kind: 'measured', text: 'girth by a cord round the trunk; bark counted' },
        [d * 0.93, d * 1.02],
      ),
    ],
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
