import type { At, Place, Thing } from '../ground/index.js';
import { misfit, under } from '../document/index.js';
import {
  KINDS,
  MOST_THINGS,
  PLACE_LIMITS,
  fieldsOf,
  checkPlace,
  freshThing,
  isArea,
  thingDocument,
} from '../ground/index.js';
import { metres, phrase } from '../quantity/index.js';
import type { Origin } from './geodetic.js';
import { toDegrees, toMetres } from './geodetic.js';
import type { TakenIn } from './place-file.js';
import { FileProblem, checkSize, cleanName, freshId } from './place-file.js';

/** How positions of a written file are to be read; beside GeoJSON's own members. */
const LOCAL = 'metres east and north';

/**
 * A place as GeoJSON (RFC 7946): with an origin in degrees, without one in local metres, which the member `coordinates`
 * says. Everything that is not a feature stands in the member `place`.
 */
export function writeGeoJson(place: Place): string {
  const { origin } = place;
  const position = (at: At): readonly number[] => (origin === null ? at : toDegrees(origin, at));
  const features = place.things.map((t) => {
    const { at, id, ...rest } = t;
    const corners = isArea(t) ? t.outline.map((p) => position([at[0] + p[0], at[1] + p[1]])) : [];
    const properties: Record<string, unknown> = { ...rest };
    delete properties['outline'];
    const geometry = !isArea(t)
      ? { type: 'Point', coordinates: position(at) }
      : t.kind === 'keep' || t.kind === 'soil'
        ? { type: 'Polygon', coordinates: [[...corners, corners[0]]] }
        : { type: 'LineString', coordinates: corners };
    // an area's outline hangs on a spot of its own
    if (isArea(t)) properties['at'] = position(at);
    return { type: 'Feature', id, geometry, properties };
  });
  const rest = Object.fromEntries(Object.entries(place).filter(([key]) => key !== 'things'));
  return `${JSON.stringify({ type: 'FeatureCollection', ...(origin === null ? { coordinates: LOCAL } : {}), place: rest, features }, null, 2)}\n`;
}

/**
 * Takes a GeoJSON file into a place. One written here replaces it; any other adds its points, lines and polygons, each
 * as its property `kind` says, else as a marked spot, a rill or ground to keep off.
 * @throws FileProblem naming the feature; the place given is untouched
 */
export function readGeoJson(text: string, into: Place): TakenIn {
  checkSize(text);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    throw new FileProblem('file', `is not JSON: ${(error as Error).message}`);
  }
  const file = object(value, 'file');
  const features =
    file['type'] === 'FeatureCollection' && Array.isArray(file['features'])
      ? (file['features'] as unknown[])
      : file['type'] === 'Feature'
        ? [file]
        : null;
  if (features === null) throw new FileProblem('file', 'is not a GeoJSON FeatureCollection or Feature');
  const own = file['place'] === undefined ? null : object(file['place'], 'place');
  const local = file['coordinates'] === LOCAL;
  const count = (own === null ? into.things.length : 0) + features.length;
  if (count > MOST_THINGS) throw new FileProblem('file', `would make ${count} things; a place holds ${MOST_THINGS}`);
  const origin = local ? null : originOf(own, into, features);
  const taken = new Set(own === null ? into.things.map((t) => t.id) : []);
  const things = features.map((f, i) => readFeature(f, `feature ${i + 1}`, origin, taken, own !== null));
  if (own === null)
    return {
      place: { ...into, origin: into.origin ?? origin, things: [...into.things, ...things] },
      done: `${things.length} ${things.length === 1 ? 'thing was' : 'things were'} added.`,
    };
  const checked = checkPlace({ ...own, things });
  if ('problem' in checked) throw new FileProblem(under('place', checked.problem.field), checked.problem.message);
  return {
    place: checked.place,
    done: `The file’s ${things.length} things replaced what was drawn. Undo brings it back.`,
  };
}

function object(value: unknown, where: string): Record<string, unknown> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new FileProblem(where, 'must be an object');
  return value as Record<string, unknown>;
}

/** The file's origin, or that of the place, or the file's first position. */
function originOf(own: Record<string, unknown> | null, into: Place, features: readonly unknown[]): Origin | null {
  const given = own?.['origin'] as Origin | null | undefined;
  if (given !== undefined && given !== null) {
    if (typeof given.latitude !== 'number' || typeof given.longitude !== 'number')
      throw new FileProblem('place', 'origin must have a latitude and a longitude in degrees');
    return given;
  }
  if (into.origin !== null) return into.origin;
  for (const [i, f] of features.entries()) {
    const geometry = (f as { geometry?: { coordinates?: unknown } } | null)?.geometry;
    let c: unknown = geometry?.coordinates;
    while (Array.isArray(c) && Array.isArray(c[0])) c = c[0];
    if (Array.isArray(c)) {
      const [longitude, latitude] = degrees(c, `feature ${i + 1}`);
      return { latitude, longitude };
    }
  }
  return null;
}

function degrees(c: readonly unknown[], where: string): readonly [number, number] {
  const [longitude, latitude] = c;
  if (
    typeof longitude !== 'number' ||
    typeof latitude !== 'number' ||
    Math.abs(latitude) > PLACE_LIMITS.latitude.max ||
    Math.abs(longitude) > 180
  )
    throw new FileProblem(
      where,
      `[${String(longitude)}, ${String(latitude)}] is not a longitude and latitude in degrees`,
    );
  return [longitude, latitude];
}

function readPosition(c: unknown, where: string, origin: Origin | null): At {
  if (!Array.isArray(c) || c.length < 2 || !c.slice(0, 2).every((v) => typeof v === 'number' && Number.isFinite(v)))
    throw new FileProblem(where, 'a position must be two numbers');
  const at: At =
    origin === null
      ? [c[0] as number, c[1] as number]
      : toMetres(origin, ...(degrees(c, where).toReversed() as [number, number]));
  const { min, max } = PLACE_LIMITS.at;
  if (at.some((v) => v < min || v > max))
    throw new FileProblem(
      where,
      phrase`lies ${metres(Math.hypot(...at))} from the place's zero; at most ${metres(max)} can be drawn`,
    );
  return [Math.round(at[0] * 1000) / 1000, Math.round(at[1] * 1000) / 1000];
}

function readFeature(value: unknown, where: string, origin: Origin | null, taken: Set<string>, own: boolean): Thing {
  const feature = object(value, where);
  if (feature['type'] !== 'Feature') throw new FileProblem(where, `is a ${String(feature['type'])}; must be a Feature`);
  const properties =
    feature['properties'] === null || feature['properties'] === undefined
      ? {}
      : object(feature['properties'], `${where}, properties`);
  const geometry =
    feature['geometry'] === null || feature['geometry'] === undefined
      ? null
      : object(feature['geometry'], `${where}, geometry`);
  const type = geometry?.['type'];
  const shape = type === 'Point' ? 'point' : type === 'LineString' ? 'line' : type === 'Polygon' ? 'polygon' : null;
  if (geometry === null || shape === null)
    throw new FileProblem(
      where,
      `has ${geometry === null ? 'no geometry' : `a ${String(type)}`}; Point, LineString and Polygon can be read`,
    );
  const asked = properties['kind'];
  if (asked !== undefined && !KINDS.includes(asked as Thing['kind'])) {
    if (own) throw new FileProblem(where, `kind “${String(asked)}” is not one of ${KINDS.join(', ')}`);
  }
  const known = KINDS.includes(asked as Thing['kind']) ? (asked as Thing['kind']) : null;
  const kind = known ?? (shape === 'point' ? 'mark' : shape === 'line' ? 'rill' : 'keep');
  const ask = fieldsOf(kind)['outline']?.ask;
  const area = ask?.as === 'outline';
  const wanted = !area ? 'point' : ask.closed ? 'polygon' : 'line';
  if (wanted !== shape)
    throw new FileProblem(
      where,
      `a ${kind} must be a ${wanted === 'point' ? 'Point' : wanted === 'line' ? 'LineString' : 'Polygon'}, not a ${String(type)}`,
    );
  let at: At;
  let outline: readonly At[] = [];
  if (shape === 'point') at = readPosition(geometry['coordinates'], where, origin);
  else {
    const rings = geometry['coordinates'];
    const list = shape === 'line' ? rings : Array.isArray(rings) ? (rings as unknown[])[0] : null;
    if (!Array.isArray(list) || list.length === 0) throw new FileProblem(where, 'has no positions');
    let corners = list.map((c: unknown) => readPosition(c, where, origin));
    const [first, last] = [corners[0]!, corners.at(-1)!];
    if (shape === 'polygon' && corners.length > 1 && first[0] === last[0] && first[1] === last[1])
      corners = corners.slice(0, -1);
    at = properties['at'] === undefined ? first : readPosition(properties['at'], where, origin);
    const round = (v: number): number => Math.round(v * 1000) / 1000;
    outline = corners.map((c): At => [round(c[0] - at[0]), round(c[1] - at[1])]);
  }
  const title = typeof properties['name'] === 'string' ? properties['name'] : '';
  const name = own ? title : cleanName(title, where);
  const rawId = typeof feature['id'] === 'string' || typeof feature['id'] === 'number' ? String(feature['id']) : name;
  const id = own ? rawId : freshId(rawId, taken);
  const fresh = freshThing(kind, id, name, at);
  const fields = Object.keys(fieldsOf(kind));
  const given = Object.fromEntries(
    Object.entries(properties).filter(([k]) => k === 'foot' || (fields.includes(k) && k !== 'outline')),
  );
  const thing = { ...fresh, ...given, ...(area ? { outline } : {}) };
  const wrong = misfit(thingDocument, thing);
  if (wrong !== null)
    throw new FileProblem(`${where}${title === '' ? '' : ` (“${title}”)`}`, `${wrong.field}: ${wrong.message}`);
  return thing;
}
