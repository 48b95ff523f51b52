import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { findCord } from '../../src/catalogue/index.js';
import type { Calibrations, Reader, Place, Prepared, Thing, ThingKind, Wish } from '../../src/ground/index.js';
import { DEFAULT_WEIGHTS, PLACE_FORMAT, freshThing, prepareGround } from '../../src/ground/index.js';
import type { BodyMeasures } from '../../src/quantity/index.js';

fc.configureGlobal({ seed: Number(process.env['SEED'] ?? 1123) });

interface CampFile {
  readonly person: { readonly body: BodyMeasures; readonly calibrations: Calibrations };
  readonly places: readonly { readonly place: Place }[];
}
const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as CampFile;
export const landing = camp.places[0]!.place;
export const who: Reader = { body: camp.person.body, calibrations: camp.person.calibrations };
export const units = { length: 'm', force: 'N' } as const;
export const cord = { cord: findCord('nylon-550-4')!, length: 15 };

/** A thing with ordinary fields and some of one's own. */
export function thing(kind: ThingKind, id: string, at: readonly [number, number], part: object = {}): Thing {
  return { ...freshThing(kind, id, id, at), ...part } as Thing;
}
/** A sound tree that bears what is asked here. */
export const tree = (id: string, at: readonly [number, number], part: object = {}): Thing =>
  thing('tree', id, at, { wood: 'oak', girth: 0.8, ...part });

const wish: Wish = {
  form: 'gable',
  roof: { length: 3, width: 3 },
  ridgeHeight: 1.6,
  bed: 'ground',
  hammock: { length: 2.8, strap: 2.2, mass: 80 },
  cord: 'c',
  weights: DEFAULT_WEIGHTS,
};

/** Level turf in a light south wind, with what stands on it. */
export function place(
  things: readonly Thing[],
  part: Partial<Omit<Place, 'wish'>> & { readonly wish?: Partial<Wish> } = {},
): Place {
  return {
    format: PLACE_FORMAT,
    origin: null,
    slope: { fall: 0, toward: 0 },
    soil: 'turf',
    wind: { beaufort: 2, from: Math.PI, shelter: 'edge' },
    measuringLine: 10,
    measures: [],
    ...part,
    things,
    wish: { ...wish, ...part.wish },
  };
}

export const prepared = (p: Place): Prepared => prepareGround(p, who, cord);
