import { buriedHold, pegFigure, slideHold, soilNumbers } from '../anchor/index.js';
import { ON_GROUND, findPeg, looked } from '../catalogue/index.js';
import type { Soil } from '../catalogue/index.js';
import type { LinkKind } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { GuyAnchor, KitPegs } from './pitch.js';

/** Height of the cord on a peg, m. */
export const PEG_ARM = 0.03;

/** A place in the ground that holds a cord's far end. */
export interface AnchorHold {
  readonly kind: LinkKind;
  readonly name: string;
  /** What it holds of a pull at this angle above level, rad; null where nothing is known against it. */
  readonly holds: (rise: number) => Figure | null;
}

/**
 * What holds the far end of a guy or a back-stay that is no stem.
 * @param where which one, in words
 */
export function anchorHold(
  anchor: Exclude<GuyAnchor, { kind: 'stem' | 'tree' }>,
  soil: Soil,
  pegs: readonly KitPegs[],
  where: string,
): AnchorHold {
  switch (anchor.kind) {
    case 'peg': {
      const shape = findPeg(pegs.find((p) => p.id === anchor.pegs)!.shape)!;
      const peg = { width: shape.width, depth: shape.length - PEG_ARM - 0.02, arm: PEG_ARM, lean: anchor.lean };
      return {
        kind: 'anchor',
        name: `${anchor.inLine > 1 ? `${anchor.inLine} pegs` : 'peg'} in ${soil.name}, ${where}`,
        holds: (rise) => pegFigure(soil, peg, rise, anchor.inLine, shape.moment),
      };
    }
    case 'weight':
      return {
        kind: 'anchor',
        name: `${anchor.name} that slides`,
        holds: (rise) =>
          derive(
            {
              symbol: 'R',
              title: `what ${anchor.name} holds before it slides or lifts`,
              quantity: 'force',
              formula: 'R = μ m g / (cos β + μ sin β)',
            },
            [
              looked(ON_GROUND),
              given(
                { symbol: 'm', title: 'its mass', quantity: 'mass' },
                anchor.mass,
                { kind: 'measured', text: 'by eye' },
                [anchor.mass * 0.75, anchor.mass * 1.25],
              ),
              given({ symbol: 'β', title: 'pull above level', quantity: 'angle' }, rise, {
                kind: 'derived',
                text: 'from the rig at rest',
              }),
            ],
            (mu, mass, angle) => slideHold(mass!, mu!, angle!) / Math.cos(angle!),
          ),
      };
    case 'buried':
      return {
        kind: 'anchor',
        name: `buried anchor in ${soil.name}, ${where}`,
        holds: (rise) => {
          const at = (end: 'low' | 'typical' | 'high'): number =>
            buriedHold(soilNumbers(soil, end), anchor.length, anchor.width, anchor.depth, rise);
          return given(
            { symbol: 'R', title: 'what lies buried holds', quantity: 'force' },
            at('typical'),
            { kind: 'derived', text: 'weight of the soil above it and shear at its sides, by the ranges of the soil' },
            [at('low'), at('high')],
          );
        },
      };
    case 'root':
      return { kind: 'anchor', name: anchor.name, holds: () => null };
  }
}
