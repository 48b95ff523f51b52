import type { Place } from '@rough-bight/core/ground';
import { DEFAULT_WEIGHTS, PLACE_FORMAT } from '@rough-bight/core/ground';

/** An empty place to begin from. */
export function freshPlace(cord: string): Place {
  return {
    format: PLACE_FORMAT,
    origin: null,
    slope: { fall: 0, toward: 0 },
    soil: 'firm-clay',
    wind: { beaufort: 3, from: 4, shelter: 'edge' },
    measuringLine: 10,
    things: [],
    measures: [],
    wish: {
      form: 'gable',
      roof: { length: 3, width: 3 },
      ridgeHeight: 1.6,
      bed: 'ground',
      hammock: { length: 2.8, strap: 2.2, mass: 80 },
      cord,
      weights: DEFAULT_WEIGHTS,
    },
  };
}
