import type { BodyMeasures } from '@rough-bight/core/quantity';
import { END_ROOM, RIDGE_LIMITS, measuredSpan, problemsOf, straightDistance } from '@rough-bight/core/rig';
import type { KitCord, RidgeRig, Trunk } from '@rough-bight/core/rig';

/** What of a line and its trunks can be taken hold of. */
export type LineGrip =
  | { readonly kind: 'trunk'; readonly index: 0 | 1 }
  | { readonly kind: 'tie'; readonly index: 0 | 1 }
  | { readonly kind: 'hung'; readonly index: number }
  | { readonly kind: 'sag' };

const clamp = (x: number, min: number, max: number): number => Math.min(max, Math.max(min, x));
/** To the centimetre, so that a hand does not make false precision. */
const centimetre = (x: number): number => Math.round(x * 100) / 100;

function withTrunk(rig: RidgeRig, i: 0 | 1, part: Partial<Trunk>): RidgeRig['trunks'] {
  return i === 0 ? [{ ...rig.trunks[0], ...part }, rig.trunks[1]] : [rig.trunks[0], { ...rig.trunks[1], ...part }];
}

function withSpan(rig: RidgeRig, span: number, body: BodyMeasures): RidgeRig {
  return rig.span.how === 'tape'
    ? { ...rig, span: { ...rig.span, tape: centimetre(span) } }
    : { ...rig, span: { ...rig.span, paces: Math.round((span / body.pace) * 10) / 10 } };
}

/**
 * The rig after a grip has moved by (dx, dz) metres from where it was in `rig`; the same rig when that
 * would not fit together.
 */
export function movedLine(
  rig: RidgeRig,
  grip: LineGrip,
  dx: number,
  dz: number,
  context: { readonly kit: readonly KitCord[]; readonly body: BodyMeasures },
  sag: number,
): RidgeRig {
  const { body } = context;
  const long = straightDistance(rig, body);
  const onLine = (x: number): number => clamp(centimetre(x), END_ROOM, long - END_ROOM);
  let next: RidgeRig = rig;
  switch (grip.kind) {
    case 'trunk': {
      const { min, max } = RIDGE_LIMITS.span;
      const span = clamp(measuredSpan(rig, body) + (grip.index === 1 ? dx : -dx), min, max);
      next = withSpan(rig, span, body);
      if (grip.index === 0) {
        // what hangs on the line stays where it is over the ground
        const by = measuredSpan(next, body) - measuredSpan(rig, body);
        next = {
          ...next,
          hung: rig.hung.map((h) => ({ ...h, at: centimetre(h.at + by) })),
        };
      }
      break;
    }
    case 'tie': {
      const { min, max } = RIDGE_LIMITS.tieHeight;
      next = {
        ...rig,
        trunks: withTrunk(rig, grip.index, {
          tieHeight: centimetre(clamp(rig.trunks[grip.index].tieHeight + dz, min, max)),
        }),
      };
      break;
    }
    case 'hung':
      next = { ...rig, hung: rig.hung.map((h, i) => (i === grip.index ? { ...h, at: onLine(h.at + dx) } : h)) };
      break;
    case 'sag': {
      const { max } = RIDGE_LIMITS.sag;
      next = {
        ...rig,
        tensioning: {
          ...rig.tensioning,
          how: 'sag',
          sag: clamp(Math.round((sag - dz) * 1000) / 1000, 0.01, Math.min(max, long)),
        },
      };
      break;
    }
  }
  // what was wrong before keeps nothing from being moved
  const wrong = new Set(problemsOf(rig, context).map((p) => p.field));
  return problemsOf(next, context).every((p) => wrong.has(p.field)) ? next : rig;
}
