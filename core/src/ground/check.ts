import { SHELTERS, findSoil } from '../catalogue/index.js';
import { checkThing } from './fields.js';
import type { Place, PlaceLimit } from './place.js';
import {
  BEDS,
  CRITERIA,
  FORMS,
  MEASURE_HOWS,
  MOST_MEASURES,
  MOST_THINGS,
  PLACE_FORMAT,
  PLACE_LIMITS,
  placeProblems,
} from './place.js';

const L = PLACE_LIMITS;

class Misfit extends Error {
  constructor(
    readonly field: string,
    readonly problem: string,
  ) {
    super(problem);
  }
}

type Bag = Record<string, unknown>;
function bag(value: unknown, field: string, keys: readonly string[]): Bag {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw new Misfit(field, 'must be an object');
  const missing = keys.find((k) => (value as Bag)[k] === undefined);
  if (missing !== undefined) throw new Misfit(field === '' ? missing : `${field}.${missing}`, 'is missing');
  const stray = Object.keys(value).find((k) => !keys.includes(k));
  if (stray !== undefined)
    throw new Misfit(field === '' ? stray : `${field}.${stray}`, 'is not a field of a place; leave it out');
  return value as Bag;
}
function number(value: unknown, field: string, limit: PlaceLimit): void {
  if (typeof value !== 'number' || !(value >= limit.min && value <= limit.max))
    throw new Misfit(field, `The ${limit.name} must be a number from ${limit.min} to ${Number(limit.max.toFixed(3))}.`);
}
function oneOf(value: unknown, field: string, list: readonly string[]): void {
  if (typeof value !== 'string' || !list.includes(value)) throw new Misfit(field, `must be one of ${list.join(', ')}`);
}
function text(value: unknown, field: string, most: number): void {
  if (typeof value !== 'string' || value.length > most || /\p{Cc}/u.test(value))
    throw new Misfit(field, `must be text of at most ${most} characters`);
}
function list(value: unknown, field: string, most: number): readonly unknown[] {
  if (!Array.isArray(value)) throw new Misfit(field, 'must be a list');
  if (value.length > most) throw new Misfit(field, `has ${value.length} entries; a place holds ${most}`);
  return value;
}

/**
 * Checks a place as it comes from outside, every field and how they fit together.
 * @returns the place, or the path of the first field that does not fit and why
 */
export function checkPlace(
  value: unknown,
): { readonly place: Place } | { readonly field: string; readonly problem: string } {
  try {
    const place = bag(value, '', [
      'format',
      'origin',
      'slope',
      'soil',
      'wind',
      'measuringLine',
      'things',
      'measures',
      'wish',
    ]);
    if (place['format'] !== PLACE_FORMAT) throw new Misfit('format', `must be ${PLACE_FORMAT}`);
    if (place['origin'] !== null) {
      const origin = bag(place['origin'], 'origin', ['latitude', 'longitude']);
      number(origin['latitude'], 'origin.latitude', L.latitude);
      number(origin['longitude'], 'origin.longitude', L.longitude);
    }
    const slope = bag(place['slope'], 'slope', ['fall', 'toward']);
    number(slope['fall'], 'slope.fall', L.fall);
    number(slope['toward'], 'slope.toward', L.bearing);
    if (typeof place['soil'] !== 'string' || findSoil(place['soil']) === undefined)
      throw new Misfit('soil', 'is not a soil of the catalogue');
    const wind = bag(place['wind'], 'wind', ['beaufort', 'from', 'shelter']);
    number(wind['beaufort'], 'wind.beaufort', L.beaufort);
    if (!Number.isInteger(wind['beaufort']))
      throw new Misfit('wind.beaufort', 'The wind must be a whole Beaufort number.');
    number(wind['from'], 'wind.from', L.bearing);
    oneOf(wind['shelter'], 'wind.shelter', Object.keys(SHELTERS));
    number(place['measuringLine'], 'measuringLine', L.measuringLine);
    list(place['things'], 'things', MOST_THINGS).forEach((t, i) => {
      const checked = checkThing(t);
      if ('problem' in checked)
        throw new Misfit(
          `things.${i}${checked.field === '' ? '' : `.${checked.field}`}`,
          `${checked.field} ${checked.problem}`.trim(),
        );
    });
    list(place['measures'], 'measures', MOST_MEASURES).forEach((m, i) => {
      const measure = bag(m, `measures.${i}`, ['id', 'from', 'to', 'how', 'value']);
      for (const key of ['id', 'from', 'to']) text(measure[key], `measures.${i}.${key}`, 130);
      oneOf(measure['how'], `measures.${i}.how`, MEASURE_HOWS);
      number(measure['value'], `measures.${i}.value`, { name: 'measure', quantity: 'count', min: 0, max: L.count.max });
    });
    checkWish(place['wish']);
    const problem = placeProblems(value as Place)[0];
    if (problem !== undefined) throw new Misfit(problem.field, problem.message);
    return { place: value as Place };
  } catch (error) {
    if (error instanceof Misfit) return { field: error.field, problem: error.problem };
    throw error;
  }
}

function checkWish(value: unknown): void {
  const wish = bag(value, 'wish', ['form', 'roof', 'ridgeHeight', 'bed', 'hammock', 'cord', 'weights']);
  oneOf(wish['form'], 'wish.form', FORMS);
  const roof = bag(wish['roof'], 'wish.roof', ['length', 'width']);
  number(roof['length'], 'wish.roof.length', L.roof);
  number(roof['width'], 'wish.roof.width', L.roof);
  number(wish['ridgeHeight'], 'wish.ridgeHeight', L.ridgeHeight);
  oneOf(wish['bed'], 'wish.bed', BEDS);
  const hammock = bag(wish['hammock'], 'wish.hammock', ['length', 'strap', 'mass']);
  number(hammock['length'], 'wish.hammock.length', L.hammock);
  number(hammock['strap'], 'wish.hammock.strap', L.strap);
  number(hammock['mass'], 'wish.hammock.mass', L.person);
  text(wish['cord'], 'wish.cord', 60);
  const weights = bag(wish['weights'], 'wish.weights', CRITERIA);
  for (const c of CRITERIA) number(weights[c], `wish.weights.${c}`, L.weight);
}
