import type { At } from '../ground/index.js';

/** WGS 84 (NIMA TR8350.2): half axis, m, and square of the eccentricity. */
const A = 6_378_137;
const E2 = 6.694379990141e-3;

export interface Origin {
  readonly latitude: number;
  readonly longitude: number;
}
const rad = Math.PI / 180;

/** Metres for one degree north and one degree east at a latitude, along the ellipsoid's two radii of curvature. */
function perDegree(latitude: number): readonly [north: number, east: number] {
  const s = Math.sin(latitude * rad);
  const w = 1 - E2 * s * s;
  return [((A * (1 - E2)) / w ** 1.5) * rad, (A / Math.sqrt(w)) * Math.cos(latitude * rad) * rad];
}

/**
 * Metres east and north of an origin on the plane that touches there. Within 500 m it is right to a few centimetres, and
 * `toDegrees` undoes it exactly.
 * @param longitude degrees; a place across the 180th meridian is brought to the near side
 */
export function toMetres(origin: Origin, latitude: number, longitude: number): At {
  const [north, east] = perDegree(origin.latitude);
  const turn = ((((longitude - origin.longitude + 180) % 360) + 360) % 360) - 180;
  return [turn * east, (latitude - origin.latitude) * north];
}

/** Longitude and latitude, in GeoJSON's order, degrees to nine places (a tenth of a millimetre). */
export function toDegrees(origin: Origin, at: At): readonly [longitude: number, latitude: number] {
  const [north, east] = perDegree(origin.latitude);
  const round = (v: number): number => Math.round(v * 1e9) / 1e9;
  return [round(origin.longitude + at[0] / east), round(origin.latitude + at[1] / north)];
}
