import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Place, Thing, ThingKind } from '../ground/index.js';
import { KINDS, MOST_THINGS, PLACE_LIMITS, fieldsOf, freshThing } from '../ground/index.js';
import { metres, phrase } from '../quantity/index.js';
import { toMetres } from './geodetic.js';
import type { TakenIn } from './place-file.js';
import { FileProblem, checkSize, cleanName, freshId } from './place-file.js';

/**
 * Adds the waypoints of a GPX file (Topografix, GPX 1.1) to a place: each as its `type` says when that is a kind of thing
 * here, else as a marked spot. Tracks and routes are left out. Without an origin, the first waypoint becomes it.
 * @throws FileProblem naming the waypoint; the place given is untouched
 */
export function readGpx(text: string, into: Place): TakenIn {
  checkSize(text);
  if (/<!DOCTYPE|<!ENTITY/i.test(text))
    throw new FileProblem(
      'file',
      'declares its own entities, which a GPX file has no use for; save it again without them',
    );
  const valid = XMLValidator.validate(text);
  if (valid !== true) throw new FileProblem(`line ${valid.err.line}`, `is not XML: ${valid.err.msg}`);
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    removeNSPrefix: true,
    parseTagValue: false,
    parseAttributeValue: false,
    isArray: (name) => name === 'wpt',
  });
  const tree = parser.parse(text) as { gpx?: { wpt?: readonly Record<string, unknown>[] } | '' };
  if (tree.gpx === undefined) throw new FileProblem('file', 'is XML, but not GPX: its outermost element must be gpx');
  const points = tree.gpx === '' ? [] : (tree.gpx.wpt ?? []);
  if (points.length === 0) throw new FileProblem('file', 'has no waypoints (wpt); tracks and routes are not read');
  if (into.things.length + points.length > MOST_THINGS)
    throw new FileProblem(
      'file',
      `would make ${into.things.length + points.length} things; a place holds ${MOST_THINGS}`,
    );
  const taken = new Set(into.things.map((t) => t.id));
  let { origin } = into;
  const things = points.map((p, i): Thing => {
    const title = typeof p['name'] === 'string' ? p['name'] : '';
    const where = `waypoint ${i + 1}${title === '' ? '' : ` (“${title}”)`}`;
    const degree = (key: '@lat' | '@lon', most: number): number => {
      const raw = p[key];
      const v = typeof raw === 'string' && raw.trim() !== '' ? Number(raw) : Number.NaN;
      if (!(Math.abs(v) <= most))
        throw new FileProblem(where, `${key.slice(1)} “${String(raw ?? '')}” must be degrees from -${most} to ${most}`);
      return v;
    };
    const latitude = degree('@lat', PLACE_LIMITS.latitude.max);
    const longitude = degree('@lon', 180);
    origin ??= { latitude, longitude };
    const at = toMetres(origin, latitude, longitude);
    const { max } = PLACE_LIMITS.at;
    if (at.some((v) => Math.abs(v) > max))
      throw new FileProblem(
        where,
        phrase`lies ${metres(Math.hypot(...at))} from the place's zero; at most ${metres(max)} can be drawn`,
      );
    const type = typeof p['type'] === 'string' ? p['type'].trim().toLowerCase() : '';
    const named =
      KINDS.includes(type as ThingKind) && !('outline' in fieldsOf(type as ThingKind)) ? (type as ThingKind) : 'mark';
    const name = cleanName(title, `waypoint ${i + 1}`);
    return freshThing(named, freshId(name, taken), name, [
      Math.round(at[0] * 100) / 100,
      Math.round(at[1] * 100) / 100,
    ]);
  });
  return {
    place: { ...into, origin, things: [...into.things, ...things] },
    done: `${things.length} ${things.length === 1 ? 'waypoint was' : 'waypoints were'} added.`,
  };
}
