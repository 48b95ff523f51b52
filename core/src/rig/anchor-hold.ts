import { buriedHold, ganged, pegFigure, pegHolds, slideHold, soilNumbers } from '../anchor/index.js';
import type { Soil } from '../catalogue/index.js';
import { BY_FEEL, ON_GROUND, PULL_SPREAD, findPeg, looked } from '../catalogue/index.js';
import type { LinkKind } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { KitPegs } from './kit-document.js';
import type { GuyAnchor, PegPull } from './pitch-document.js';

/** Height of the cord on a peg, m. */
export const PEG_ARM = 0.03;

/** A place in the ground that holds a cord's far end. */
export interface AnchorHold {
  readonly kind: LinkKind;
  readonly name: string;
  /** What it holds of a pull at this angle above level, rad, in dry ground or after a wet night; null where nothing is known against it. */
  readonly holds: (rise: number, wet: boolean) => Figure | null;
  /** The same as no more than a number, N. */
  readonly held: (rise: number, wet: boolean) => number | null;
}

/** The ground that anchors stand in: its soil, and what pegs were pulled in it. */
export interface Ground {
  readonly soil: Soil;
  readonly pulls: readonly PegPull[];
}

/**
 * What holds the far end of a guy or a back-stay that is no stem.
 * @param where which one, in words
 */
export function anchorHold(
  anchor: Exclude<GuyAnchor, { kind: 'stem' | 'tree' }>,
  { soil, pulls }: Ground,
  pegs: readonly KitPegs[],
  where: string,
): AnchorHold {
  switch (anchor.kind) {
    case 'peg': {
      const shape = findPeg(pegs.find((p) => p.id === anchor.pegs)!.shape)!;
      const pulled = pulls.find((p) => p.pegs === anchor.pegs && p.soil === soil.id);
      const peg = { width: shape.width, depth: shape.length - PEG_ARM - 0.02, arm: PEG_ARM, lean: anchor.lean };
      return {
        kind: 'anchor',
        name: `${anchor.inLine > 1 ? `${anchor.inLine} pegs` : 'peg'} in ${soil.name}, ${where}`,
        ...(pulled === undefined
          ? {
              holds: (rise: number, wet: boolean) => pegFigure(soil, peg, rise, anchor.inLine, shape, wet),
              held: (rise: number, wet: boolean) => pegHolds(soil, peg, rise, anchor.inLine, shape, wet),
            }
          : pulledHold(pulled, soil, anchor.inLine)),
      };
    }
    case 'weight':
      return {
        kind: 'anchor',
        name: `${anchor.name} that slides`,
        held: (rise) => slideHold(anchor.mass, ON_GROUND.typical, rise) / Math.cos(rise),
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
    case 'buried': {
      const buried = (rise: number, wet: boolean, end: 'low' | 'typical' | 'high'): number =>
        BY_FEEL[end] *
        buriedHold(
          soilNumbers(soil, 'typical', { surface: 'wood', wet, depth: anchor.depth }),
          anchor.length,
          anchor.width,
          anchor.depth,
          rise,
        );
      return {
        kind: 'anchor',
        name: `buried anchor in ${soil.name}, ${where}`,
        held: (rise, wet) => buried(rise, wet, 'typical'),
        holds: (rise, wet) => {
          const at = (end: 'low' | 'typical' | 'high'): number => buried(rise, wet, end);
          return given(
            { symbol: 'R', title: 'what lies buried holds', quantity: 'force' },
            at('typical'),
            {
              kind: 'derived',
              text: 'weight of the soil above it and shear at its sides; soil by feel is good to a factor of two each way',
            },
            [at('low'), at('high')],
          );
        },
      };
    }
    case 'root':
      return { kind: 'anchor', name: anchor.name, holds: () => null, held: () => null };
  }
}

/** What a peg holds that was pulled there: it replaces the model of that peg in that soil. */
function pulledHold(pulled: PegPull, soil: Soil, inLine: number): Pick<AnchorHold, 'holds' | 'held'> {
  const spread = PULL_SPREAD[pulled.moved ? 'moved' : 'held'];
  // a pull in dry ground says nothing of wet ground but by the soil's own loss
  const kept = (wet: boolean): number => (wet && !pulled.wet ? soil.wet.typical : 1);
  const held = (_rise: number, wet: boolean): number => pulled.force * spread.typical * kept(wet) * ganged(inLine);
  return {
    held,
    holds: (rise, wet) => {
      const value = held(rise, wet);
      return given(
        { symbol: 'R', title: `what the peg holds, pulled in ${soil.name}`, quantity: 'force' },
        value,
        {
          kind: 'measured',
          text: `pulled by hand, ${pulled.moved ? 'where it moved' : 'and it held'}${kept(wet) < 1 ? '; less what a wet night takes' : ''}`,
          citation: spread.citation,
        },
        [(value * spread.low) / spread.typical, (value * spread.high) / spread.typical],
      );
    },
  };
}
