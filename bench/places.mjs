// Woods of any size to rank: the same trees for the same seed.
import { DEFAULT_WEIGHTS, PLACE_FORMAT, freshThing, randomFrom } from '@rough-bight/core/ground';

/** A wood of `count` trees in a square where an acre has about as many, with hazards, hollows and a rill among them. */
export function wood(count, seed = 7) {
  const random = randomFrom(seed);
  const side = Math.sqrt(count) * 4.2;
  const spot = () => [(random() - 0.5) * side, (random() - 0.5) * side];
  const things = Array.from({ length: count }, (_, i) => ({
    ...freshThing('tree', `t${i}`, `tree ${i}`, spot()),
    wood: 'alder',
    height: 8,
    girth: 0.4 + random() * 0.8,
    signs: random() < 0.015 ? ['hollow'] : [],
  }));
  for (let i = 0; i < count / 70; i++)
    things.push({ ...freshThing('hazard', `h${i}`, `dead stem ${i}`, spot()), height: 5 });
  for (let i = 0; i < count / 25; i++) things.push(freshThing('hollow', `p${i}`, `hollow ${i}`, spot()));
  for (let i = 0; i < count / 50; i++) things.push(freshThing('keep', `k${i}`, `planting ${i}`, spot()));
  things.push(freshThing('rill', 'r', 'rill', [0, 0]), freshThing('sleep', 's', 'pack', [2, 2]));
  return {
    format: PLACE_FORMAT,
    origin: null,
    slope: { fall: 0.04, toward: 1 },
    soil: 'turf',
    wind: { beaufort: 4, from: 4, shelter: 'edge' },
    measuringLine: 10,
    things,
    measures: [],
    wish: {
      form: 'gable',
      roof: { length: 3, width: 3 },
      ridgeHeight: 1.6,
      bed: 'ground',
      hammock: { length: 2.8, strap: 2.5, mass: 80 },
      cord: 'c',
      weights: DEFAULT_WEIGHTS,
    },
  };
}
