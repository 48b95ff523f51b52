import type { At, Place, Thing } from '@rough-bight/core/ground';
import { PLACE_LIMITS, bearingOf, isArea } from '@rough-bight/core/ground';

/** What can be taken hold of on the plan. */
export type PlanGrip =
  | { readonly kind: 'thing'; readonly id: string }
  | { readonly kind: 'corner'; readonly id: string; readonly index: number }
  | { readonly kind: 'turn'; readonly id: string }
  | { readonly kind: 'radius'; readonly id: string };

const { min, max } = PLACE_LIMITS.at;
/** To the centimetre, so that a hand does not make false precision. */
const set = (v: number): number => Math.min(max, Math.max(min, Math.round(v * 100) / 100));

/** The place with one thing changed. */
export function withThing(place: Place, id: string, change: (t: Thing) => Thing): Place {
  return { ...place, things: place.things.map((t) => (t.id === id ? change(t) : t)) };
}

/** The place without a thing and the measures that end at it. */
export function withoutThing(place: Place, id: string): Place {
  return {
    ...place,
    things: place.things.filter((t) => t.id !== id),
    measures: place.measures.filter((m) => m.from !== id && m.to !== id),
  };
}

/** The place after a grip has been moved to a spot, or by a way from where it was in `place`. */
export function movedOnPlan(place: Place, grip: PlanGrip, by: At): Place {
  return withThing(place, grip.id, (t) => {
    switch (grip.kind) {
      case 'thing':
        return { ...t, at: [set(t.at[0] + by[0]), set(t.at[1] + by[1])] };
      case 'corner':
        return isArea(t)
          ? {
              ...t,
              outline: t.outline.map((p, i): At => (i === grip.index ? [set(p[0] + by[0]), set(p[1] + by[1])] : p)),
            }
          : t;
      case 'turn': {
        if (t.kind !== 'sleep') return t;
        const tip: At = [t.at[0] + Math.sin(t.bearing) + by[0], t.at[1] + Math.cos(t.bearing) + by[1]];
        return { ...t, bearing: Math.round(bearingOf(t.at, tip) * 100) / 100 };
      }
      case 'radius':
        return t.kind === 'hollow'
          ? {
              ...t,
              radius: Math.min(
                PLACE_LIMITS.radius.max,
                Math.max(PLACE_LIMITS.radius.min, Math.round((t.radius + by[0]) * 20) / 20),
              ),
            }
          : t;
    }
  });
}
