import { z } from 'zod';
import { signsDocument } from '../anchor/index.js';
import { SOILS, WOODS } from '../catalogue/index.js';
import { atMost, idOf, oneOf, pair, part, within, words, yesNo } from '../document/index.js';
import type { Field } from './fields.js';
import { THING_FIELDS } from './fields.js';
import { MOST_CORNERS, PLACE_LIMITS } from './limits.js';
import type { ThingKind } from './place.js';
import { KINDS, leastCorners } from './place.js';

const L = PLACE_LIMITS;

/** What a field of a kind may hold. */
function described(field: Field, kind: ThingKind): z.ZodType {
  switch (field.type) {
    case 'number':
      return within(field.limit);
    case 'bearing':
      return within(L.bearing);
    case 'flag':
      return yesNo(field.key);
    case 'choice':
      return oneOf(field.key, field.options);
    case 'wood':
      return idOf('wood', WOODS);
    case 'soil':
      return idOf('soil', SOILS);
    case 'signs':
      return signsDocument;
    case 'outline': {
      const least = leastCorners(kind as 'keep');
      return atMost(spot, MOST_CORNERS, `An outline has at most ${MOST_CORNERS} corners.`).min(least, {
        error: `This needs at least ${least} corners.`,
      });
    }
  }
}
/** East and north of the place's zero, m. */
const spot = pair(within(L.at));

const thingOf = (kind: ThingKind) =>
  part({
    kind: z.literal(kind),
    id: words('id', 1, 60),
    name: words('name', 1, 60),
    at: spot,
    foot: within(L.foot),
    ...Object.fromEntries(THING_FIELDS[kind].map((f) => [f.key, described(f, kind)])),
  });
const [first, ...others] = KINDS.map(thingOf);

/** A thing of any kind, with exactly its fields. */
export const thingDocument = z.discriminatedUnion('kind', [first!, ...others], {
  error: `The kind must be one of ${KINDS.join(', ')}.`,
});
