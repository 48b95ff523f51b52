import type { Problem } from '../document/index.js';
import { misfit } from '../document/index.js';
import { PLACE_LIMITS } from './limits.js';
import type { Place } from './place-document.js';
import { placeDocument } from './place-document.js';
import { HOW_WORDS } from './place.js';

/** What the fields allow but the whole does not: ids that are there twice, measures that end nowhere. */
function placeProblems(place: Place): Problem[] {
  const out: Problem[] = [];
  const seen = new Set<string>();
  place.things.forEach((t, i) => {
    if (seen.has(t.id))
      out.push({ field: `things.${i}.id`, message: `Two things share the id “${t.id}”. Give one another.` });
    seen.add(t.id);
  });
  const people = new Set((place.measurers ?? []).map((m) => m.id));
  const ids = new Set<string>();
  place.measures.forEach((m, i) => {
    if (ids.has(m.id)) out.push({ field: `measures.${i}.id`, message: `Two measures share the id “${m.id}”.` });
    ids.add(m.id);
    for (const end of ['from', 'to'] as const)
      if (!seen.has(m[end]))
        out.push({
          field: `measures.${i}.${end}`,
          message: 'This measure ends at a thing that is gone. Choose another, or delete it.',
        });
    if (m.by !== undefined && !people.has(m.by))
      out.push({
        field: `measures.${i}.by`,
        message: 'Nobody of that id is among the measurers. Say who measured it.',
      });
    if (m.from === m.to) out.push({ field: `measures.${i}.to`, message: 'A measure needs two different ends.' });
    const { min, max } =
      m.how === 'compass'
        ? PLACE_LIMITS.bearing
        : m.how === 'tape' || m.how === 'rangefinder'
          ? PLACE_LIMITS.metres
          : PLACE_LIMITS.count;
    if (!(m.value >= min && m.value <= max))
      out.push({
        field: `measures.${i}.value`,
        message: `A measure by ${HOW_WORDS[m.how]} can be from ${min} to ${Number(max.toFixed(2))}.`,
      });
  });
  return out;
}

/**
 * Checks a place as it comes from outside, every field and how they fit together.
 * @returns the place, or the first field that does not fit and why
 */
export function checkPlace(value: unknown): { readonly place: Place } | { readonly problem: Problem } {
  const problem = misfit(placeDocument, value) ?? placeProblems(value as Place)[0];
  return problem === undefined ? { place: value as Place } : { problem };
}
