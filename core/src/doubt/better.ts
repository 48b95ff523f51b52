import type { Doubt } from './doubt.js';
import type { UnknownKind } from './unknown.js';

/**
 * What is left of an unknown's spread once it is measured as a person can on the spot: tape over paces, a spring balance over feel, a
 * pull on one peg over soil by feel, signs watched where the roof is. Nothing where nobody can. Judgement, each within a factor of two.
 */
export const KNOWN_BETTER: Readonly<Partial<Record<UnknownKind, number>>> = {
  span: 0.1,
  'ridge-pull': 0.3,
  'ridge-cord': 0.4,
  haul: 0.25,
  relaxing: 0.5,
  soaking: 0.4,
  wind: 0.5,
  shelter: 0.5,
  gusts: 0.6,
  ground: 0.35,
  'tie-outs': 0.5,
  cord: 0.4,
  grip: 0.4,
  'tie-heights': 0.3,
  'edge-heights': 0.3,
  feet: 0.3,
  hung: 0.4,
  'bed-heights': 0.3,
  straps: 0.4,
  mass: 0.3,
  'bed-cloth': 0.5,
};

/** Something that can be found out, and how much of the doubt that would spare. */
export interface Better {
  readonly kind: UnknownKind;
  readonly names: readonly string[];
  /** Share of the doubt that it makes by itself. */
  readonly share: number;
  /** How much narrower the doubt would be, as a share of it, in the logarithm of what is left. */
  readonly spares: number;
}

/** Less than this is not worth the walk. */
const LEAST = 0.03;

/** What would be worth finding out, the most first. What is found out the same way is found out together. */
export function betterOf({ unknowns }: Doubt): Better[] {
  const by = new Map<UnknownKind, { share: number; readonly names: string[] }>();
  for (const { kind, name, share } of unknowns) {
    if (KNOWN_BETTER[kind] === undefined || !(share > 0)) continue;
    const found = by.get(kind) ?? { share: 0, names: [] };
    found.share = Math.min(1, found.share + share);
    found.names.push(name);
    by.set(kind, found);
  }
  return [...by]
    .map(([kind, { share, names }]) => ({
      kind,
      names,
      share,
      spares: 1 - Math.sqrt(1 - share * (1 - KNOWN_BETTER[kind]! ** 2)),
    }))
    .filter((b) => b.spares >= LEAST)
    .sort((a, b) => b.spares - a.spares);
}
