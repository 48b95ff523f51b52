/** Cord one end takes beyond the clear span: wraps round the trunk, the knot and a tail, m. */
export interface EndLength {
  readonly wraps: number;
  readonly girth: number;
  readonly knotDiameters: number;
}

/** Tail left to grip and to slip, m. Judgement: 0.2 to 0.5. */
export const TAIL = 0.3;

/**
 * Length of cord to have in hand, m: unstressed span + wraps + knots + tails + tensioning travel.
 * @param diameter of the cord, m
 * @param travel   m, what is hauled past the tension end
 */
export function cordNeeded(unstressed: number, ends: readonly EndLength[], diameter: number, travel: number): number {
  return ends.reduce(
    (sum, e) => sum + e.wraps * (e.girth + Math.PI * diameter) + e.knotDiameters * diameter + TAIL,
    unstressed + travel,
  );
}
