import { ROOT_LIES, ROOT_WOOD, WET_LIES, looked } from '../catalogue/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';

/**
 * Pull that a root holds that a cord is passed under, N: a round beam built in where it dives into the soil on either side, pulled at
 * its middle, 8 M / w = f π d³ / 4 w; less what the soil lets go.
 * @param thickness m @param free length of it that shows, m
 */
export const rootHolds = (thickness: number, free: number, strength: number, lies: number): number =>
  (lies * strength * Math.PI * thickness ** 3) / (4 * free);

/** The same as a number, dry or after a wet night. */
export const rootHeld = (thickness: number, free: number, wet: boolean): number =>
  rootHolds(thickness, free, ROOT_WOOD.typical, ROOT_LIES.typical) * (wet ? WET_LIES.typical : 1);

/** The same with its working, honestly wide. */
export const rootFigure = (name: string, thickness: number, free: number, wet: boolean): Figure =>
  derive(
    {
      symbol: 'R',
      title: `what ${name} holds${wet ? ' in wet ground' : ''}`,
      quantity: 'force',
      formula: `R = r f_r π d³ / 4 w${wet ? ' · w_s' : ''}`,
      notes: [
        'Nobody sees where it goes. Stand on the line before you trust it, and give a sleeper’s roof a peg besides.',
      ],
    },
    [
      looked(ROOT_LIES),
      looked(ROOT_WOOD),
      given(
        { symbol: 'd', title: 'thickness of the root', quantity: 'length' },
        thickness,
        { kind: 'measured', text: 'by eye, bark counted' },
        [0.8 * thickness, 1.1 * thickness],
      ),
      given(
        { symbol: 'w', title: 'length of it that shows', quantity: 'length' },
        free,
        { kind: 'measured', text: 'by hand spans' },
        [0.85 * free, 1.15 * free],
      ),
      ...(wet ? [looked(WET_LIES)] : []),
    ],
    (r, f, d, w, soaked = 1) => rootHolds(d!, w!, f!, r!) * soaked,
  );
