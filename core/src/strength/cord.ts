import type { Cord, Termination } from '../catalogue/index.js';
import { FIBRE_TRAITS, SUN, WEAR, looked } from '../catalogue/index.js';
import type { KitCord } from '../cordage/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';

/** Loss of strength where cord bends round something: half at a bend of its own diameter, little round a trunk. */
function bendFactor(bend: number, cord: number): number {
  return 1 - Math.min(0.5, (0.5 * cord) / bend);
}

/**
 * Strength of a cord at one place, N: the product of every reduction that applies there.
 * @param legs cords side by side that share the pull
 */
export function cordStrength(
  cord: Cord,
  kitCord: Pick<KitCord, 'sun' | 'wear'>,
  name: string,
  wet: boolean,
  here: readonly Figure[],
  legs = 1,
): Figure {
  const chain = [looked(cord.strength)];
  if (wet) chain.push(looked(FIBRE_TRAITS[cord.fibre].wetStrength));
  chain.push(looked(SUN[kitCord.sun]), looked(WEAR[kitCord.wear]), ...here);
  const strength = derive(
    {
      symbol: 'R',
      title: `what the ${name} holds${wet ? ', wet' : ''}`,
      quantity: 'force',
      formula: `R = ${legs === 1 ? '' : `${legs} · `}${chain.map((f) => f.symbol).join(' · ')}`,
    },
    chain,
    (...factors) => factors.reduce((a, b) => a * b, legs),
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

/** What a knot leaves of a cord of this fibre. */
export function knotKept(termination: Pick<Termination, 'name' | 'efficiency'>, cord: Cord): Figure {
  const factor = FIBRE_TRAITS[cord.fibre].knotFactor;
  const knot = looked(termination.efficiency);
  if (factor === 1) return knot;
  return derive(
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
}

/** What a bend round a trunk leaves. @param diameter of the trunk, m */
export function bendKept(name: string, diameter: number, cord: Cord): Figure {
  return derive(
    {
      symbol: 'f_bend',
      title: `bend round ${name}`,
      quantity: 'share',
      formula: 'f_bend = 1 − d / 2D',
      notes: ['Judgement: half is left at a bend of the cord’s own diameter.'],
    },
    [
      given({ symbol: 'D', title: 'diameter of the trunk, girth / π', quantity: 'length' }, diameter, {
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
}
