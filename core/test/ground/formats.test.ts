import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  FileProblem,
  readDistances,
  readGeoJson,
  readGpx,
  toDegrees,
  toMetres,
  writeGeoJson,
} from '../../src/formats/index.js';
import { misfit } from '../../src/document/index.js';
import { KINDS, fieldsOf, checkPlace, freshThing, thingDocument } from '../../src/ground/index.js';
import type { Place, Thing } from '../../src/ground/index.js';
import { tell } from '../../src/quantity/index.js';
import { landing, place, tree, who } from './helper.js';

const where = (work: () => unknown): string => {
  try {
    work();
  } catch (error) {
    expect(error).toBeInstanceOf(FileProblem);
    return (error as Error).message;
  }
  throw new Error('nothing was refused');
};
const origin = { latitude: 51.5, longitude: -1.2 };

describe('metres and degrees', () => {
  const origins = fc.record({
    latitude: fc.double({ min: -80, max: 80, noNaN: true }),
    longitude: fc.double({ min: -180, max: 180, noNaN: true }),
  });
  test('there and back is the same spot, to a tenth of a millimetre of rounding', () => {
    fc.assert(
      fc.property(
        origins,
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: -500, max: 500, noNaN: true }),
        (o, e, n) => {
          const [longitude, latitude] = toDegrees(o, [e, n]);
          const [e2, n2] = toMetres(o, latitude, longitude);
          expect(e2).toBeCloseTo(e, 3);
          expect(n2).toBeCloseTo(n, 3);
        },
      ),
    );
  });
  test('a degree of latitude is 110.574 km at the equator and 111.694 km at the pole (WGS 84)', () => {
    expect(toMetres({ latitude: 0, longitude: 0 }, 0.001, 0)[1]).toBeCloseTo(110.574, 2);
    expect(toMetres({ latitude: 84.999, longitude: 0 }, 85, 0)[1]).toBeCloseTo(111.685, 1);
    expect(toMetres({ latitude: 0, longitude: 0 }, 0, 0.001)[0]).toBeCloseTo(111.32, 2);
  });
  test('across the date line the near side is taken', () => {
    expect(toMetres({ latitude: 10, longitude: 179.9999 }, 10, -179.9999)[0]).toBeCloseTo(21.9, 0);
  });
});

describe('checking what comes from outside', () => {
  test('a fresh thing of every kind fits', () => {
    for (const kind of KINDS) expect(misfit(thingDocument, freshThing(kind, 'x', 'x', [1, 2]))).toBeNull();
  });
  test('every field of every kind is checked: rubbish in it is refused by its name', () => {
    for (const kind of KINDS)
      for (const field of Object.keys(fieldsOf(kind))) {
        const wrong = { ...freshThing(kind, 'x', 'x', [0, 0]), [field]: { rubbish: true } };
        expect(misfit(thingDocument, wrong)).toMatchObject({ field });
      }
  });
  test('no value whatever makes the checks throw', () => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        expect(checkPlace(value)).toBeDefined();
      }),
    );
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(landing)), fc.anything(), (key, value) => {
        expect(checkPlace({ ...landing, [key]: value })).toBeDefined();
      }),
    );
  });
  test('the demo place fits; one with a dangling measure does not, and says which', () => {
    expect(checkPlace(landing)).toEqual({ place: landing });
    expect(checkPlace({ ...landing, things: landing.things.slice(1) })).toMatchObject({
      problem: { field: expect.stringMatching(/^measures\.\d+\./), message: expect.stringMatching(/gone/) },
    });
  });
});

describe('GeoJSON', () => {
  test('a place written and read again is the same, in metres', () => {
    const { place: again, done } = readGeoJson(writeGeoJson(landing), place([]));
    expect(again).toEqual(landing);
    expect(done).toMatch(/replaced/);
  });
  test('and in degrees to the millimetre', () => {
    const there: Place = { ...landing, origin };
    const text = writeGeoJson(there);
    const file = JSON.parse(text) as {
      features: { geometry: { type: string; coordinates: [number, number] } }[];
      coordinates?: string;
    };
    expect(file.coordinates).toBeUndefined();
    expect(file.features[0]!.geometry.coordinates[0]).toBeCloseTo(-1.2, 2);
    const { place: again } = readGeoJson(text, place([]));
    expect(again.origin).toEqual(origin);
    again.things.forEach((t, i) => {
      expect(t.at[0]).toBeCloseTo(landing.things[i]!.at[0], 2);
      expect(t.at[1]).toBeCloseTo(landing.things[i]!.at[1], 2);
    });
  });
  test('polygons are closed rings and hold their soil', () => {
    const file = JSON.parse(writeGeoJson(landing)) as {
      features: {
        properties: Record<string, unknown>;
        geometry: { type: string; coordinates: [number, number][][] };
      }[];
    };
    const spit = file.features.find((f) => f.properties['kind'] === 'soil')!;
    expect(spit.geometry.type).toBe('Polygon');
    expect(spit.geometry.coordinates[0]![0]).toEqual(spit.geometry.coordinates[0]!.at(-1));
    expect(spit.properties).toMatchObject({ soil: 'gravel' });
    expect(spit.properties).not.toHaveProperty('outline');
  });
  test('a stranger’s file adds its points, lines and polygons; the first position becomes the origin', () => {
    const text = JSON.stringify({
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          properties: { name: 'Big oak', kind: 'tree', wood: 'oak', girth: 2.1 },
          geometry: { type: 'Point', coordinates: [-1.2, 51.5] },
        },
        {
          type: 'Feature',
          properties: null,
          geometry: {
            type: 'LineString',
            coordinates: [
              [-1.2, 51.5],
              [-1.1999, 51.5001],
            ],
          },
        },
        {
          type: 'Feature',
          properties: { kind: 'something' },
          geometry: {
            type: 'Polygon',
            coordinates: [
              [
                [-1.2, 51.5],
                [-1.1999, 51.5],
                [-1.1999, 51.5001],
                [-1.2, 51.5],
              ],
            ],
          },
        },
      ],
    });
    const before = place([tree('big-oak', [3, 3])]);
    const { place: after, done } = readGeoJson(text, before);
    expect(done).toBe('3 things were added.');
    expect(before.things).toHaveLength(1);
    expect(after.things.map((t) => [t.id, t.kind])).toEqual([
      ['big-oak', 'tree'],
      ['big-oak-2', 'tree'],
      ['feature-2', 'rill'],
      ['feature-3', 'keep'],
    ]);
    expect(after.things[1]).toMatchObject({ name: 'Big oak', wood: 'oak', girth: 2.1, at: [0, 0] });
    expect(after.origin).toEqual({ latitude: 51.5, longitude: -1.2 });
    expect(checkPlace(after)).toHaveProperty('place');
  });
  const feature = (part: object): string =>
    JSON.stringify({
      type: 'FeatureCollection',
      features: [
        { type: 'Feature', properties: { name: 'ok' }, geometry: { type: 'Point', coordinates: [1, 2] } },
        { type: 'Feature', properties: {}, geometry: { type: 'Point', coordinates: [1, 2] }, ...part },
      ],
    });
  test.each<[string, string, RegExp]>([
    ['no JSON', '{', /^file: is not JSON/],
    ['no collection', '{"type":"Topology"}', /^file: is not a GeoJSON/],
    [
      'a geometry that cannot be drawn',
      feature({ geometry: { type: 'MultiPoint', coordinates: [] } }),
      /^feature 2: has a MultiPoint/,
    ],
    ['no geometry', feature({ geometry: null }), /^feature 2: has no geometry/],
    [
      'positions off the globe',
      feature({ geometry: { type: 'Point', coordinates: [400, 2] } }),
      /^feature 2: \[400, 2\] is not a longitude/,
    ],
    [
      'positions that are words',
      feature({ geometry: { type: 'Point', coordinates: ['x', 2] } }),
      /^feature 2: a position must be two numbers/,
    ],
    [
      'a place too far away',
      feature({ geometry: { type: 'Point', coordinates: [1, 3] } }),
      /^feature 2: lies \d+ m from the place's zero/,
    ],
    [
      'a tree drawn as a line',
      feature({
        properties: { kind: 'tree' },
        geometry: {
          type: 'LineString',
          coordinates: [
            [1, 2],
            [1, 2.0001],
          ],
        },
      }),
      /^feature 2: a tree must be a Point/,
    ],
    [
      'a girth that cannot be',
      feature({ properties: { kind: 'tree', name: 'Thin', girth: -1 } }),
      /^feature 2 \(“Thin”\): girth: The girth must be a number/,
    ],
    [
      'two corners only',
      feature({
        geometry: {
          type: 'Polygon',
          coordinates: [
            [
              [1, 2],
              [1.0001, 2],
              [1, 2],
            ],
          ],
        },
      }),
      /^feature 2: outline: This needs at least 3 corners/,
    ],
  ])('%s is refused by name, and the place is as it was', (_, text, message) => {
    const before = place([]);
    const copy = structuredClone(before);
    expect(where(() => readGeoJson(text, before))).toMatch(message);
    expect(before).toEqual(copy);
  });
  test('our own file with a broken field names it', () => {
    const file = JSON.parse(writeGeoJson(landing)) as { place: { soil: string } };
    file.place.soil = 'lava';
    expect(where(() => readGeoJson(JSON.stringify(file), landing))).toMatch(/^place\.soil: The soil must be one of/);
  });
  test('no JSON whatever makes it fail otherwise', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 4 }), fc.jsonValue({ maxDepth: 2 }), (features, properties) => {
        for (const text of [
          JSON.stringify(features),
          feature({ properties }),
          feature({ geometry: features }),
          JSON.stringify({ type: 'FeatureCollection', features, place: properties }),
        ])
          try {
            readGeoJson(text, landing);
          } catch (error) {
            expect(error).toBeInstanceOf(FileProblem);
          }
      }),
    );
  });
});

describe('GPX', () => {
  const gpx = (inside: string): string =>
    `<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1">${inside}</gpx>`;
  test('waypoints become marked spots, or what their type says', () => {
    const { place: after, done } = readGpx(
      gpx(
        '<wpt lat="51.5" lon="-1.2"><name>Ford &amp; stone</name></wpt><wpt lat="51.50009" lon="-1.2"><name>Oak</name><type>Tree</type></wpt>',
      ),
      place([]),
    );
    expect(done).toBe('2 waypoints were added.');
    expect(after.things[0]).toMatchObject({ kind: 'mark', name: 'Ford & stone', at: [0, 0] });
    expect(after.things[1]).toMatchObject({ kind: 'tree' });
    expect(after.things[1]!.at[1]).toBeCloseTo(10.01, 1);
    expect(after.origin).toEqual(origin);
  });
  test('they fall in with an origin that is there', () => {
    const { place: after } = readGpx(gpx('<wpt lat="51.5001" lon="-1.2"/>'), place([], { origin }));
    expect(after.things[0]!.at[1]).toBeCloseTo(11.13, 1);
    expect(after.things[0]!.name).toBe('waypoint 1');
  });
  test.each<[string, string, RegExp]>([
    ['no XML', 'hello', /is not XML|not GPX/],
    ['a tag left open', '<gpx><wpt lat="1" lon="2"></gpx>', /^line 1: is not XML/],
    ['another document', '<html></html>', /must be gpx/],
    ['no waypoints', gpx('<trk></trk>'), /no waypoints/],
    [
      'no latitude',
      gpx('<wpt lat="51.5" lon="-1.2"/><wpt lon="2"><name>Nowhere</name></wpt>'),
      /^waypoint 2 \(“Nowhere”\): lat “” must be degrees/,
    ],
    ['a latitude that is a word', gpx('<wpt lat="north" lon="2"/>'), /^waypoint 1: lat “north”/],
    [
      'one in another country',
      gpx('<wpt lat="51.5" lon="-1.2"/><wpt lat="52.5" lon="-1.2"/>'),
      /^waypoint 2: lies 111\d+ m/,
    ],
    [
      'entities of its own',
      `<!DOCTYPE gpx [<!ENTITY a "aaaa">]>${gpx('<wpt lat="1" lon="1"><name>&a;</name></wpt>')}`,
      /entities/,
    ],
  ])('%s is refused by name', (_, text, message) => {
    expect(where(() => readGpx(text, place([])))).toMatch(message);
  });
  test('no text whatever makes it fail otherwise', () => {
    fc.assert(
      fc.property(
        fc.string({
          unit: fc.constantFrom('<', '>', '/', 'gpx', 'wpt', ' lat="1"', ' lon="2"', '&', 'x', '"', '<!--'),
          maxLength: 40,
        }),
        (text) => {
          try {
            readGpx(text, place([]));
          } catch (error) {
            expect(error).toBeInstanceOf(FileProblem);
          }
        },
      ),
    );
  });
});

describe('CSV of distances', () => {
  const wood = place([
    tree('oak', [0, 0]),
    tree('ash', [5, 0], { name: 'Old ash' }),
    tree('x1', [1, 1], { name: 'twin' }),
    tree('x2', [2, 2], { name: 'twin' }),
  ]);
  test('by name or id, in every way of measuring, feet converted', () => {
    const text =
      '\uFEFFfrom, to ,how,value,unit\noak,old ASH,paces,"7,5",\noak,x1,tape,10,ft\nash,oak,compass,270,\n\nash,x2,,4.2,m\n';
    const { place: after, done } = readDistances(text, wood);
    expect(done).toBe('4 measures were added.');
    expect(after.measures).toEqual([
      { id: 'm-oak-ash', from: 'oak', to: 'ash', how: 'paces', value: 7.5 },
      { id: 'm-oak-x1', from: 'oak', to: 'x1', how: 'tape', value: 10 * 0.3048 },
      { id: 'm-ash-oak', from: 'ash', to: 'oak', how: 'compass', value: (270 * Math.PI) / 180 },
      { id: 'm-ash-x2', from: 'ash', to: 'x2', how: 'tape', value: 4.2 },
    ]);
    expect(checkPlace(after)).toHaveProperty('place');
  });
  test('by whom it was paced, of those who measured here; a tape is nobody’s', () => {
    const measured: Place = { ...wood, measurers: [{ id: 'p-1', name: 'Hazel', ...who }] };
    const text =
      'from,to,how,value,by\noak,ash,paces,7,hazel\noak,x1,feet,5,p-1\nash,x1,paces,6,\nash,x2,tape,4,hazel\n';
    const { place: after } = readDistances(text, measured);
    expect(after.measures.map((m) => m.by)).toEqual(['p-1', 'p-1', undefined, undefined]);
    expect(checkPlace(after)).toHaveProperty('place');
    expect(where(() => readDistances('from,to,how,value,by\noak,ash,paces,7,rowan', measured))).toMatch(
      /^row 2: by “rowan” is none of those who measured here \(Hazel\)/,
    );
  });
  test.each<[string, string, RegExp]>([
    ['no headings', 'oak,ash,5', /^row 1: has no column “from”/],
    ['nothing beneath', 'from,to,value\n', /^file: has no rows/],
    [
      'a thing that is not there',
      'from,to,value\noak,ash,5\noak,elm,5',
      /^row 3: to “elm” is not a thing of this place/,
    ],
    ['a name that two things share', 'from,to,value\noak,twin,5', /^row 2: to “twin” could be any of 2/],
    ['an unknown way', 'from,to,how,value\noak,ash,sonar,5', /^row 2: how “sonar” must be one of tape/],
    ['no number', 'from,to,value\noak,ash,far', /^row 2: value “far” must be a number from 0\.05/],
    ['a negative one', 'from,to,value\noak,ash,-3', /^row 2: value “-3”/],
    ['degrees beyond a turn', 'from,to,how,value\noak,ash,compass,400', /from 0 to 360 degrees/],
    ['feet of paces', 'from,to,how,value,unit\noak,ash,paces,4,ft', /^row 2: unit ft goes with tape/],
    ['from a thing to itself', 'from,to,value\noak,oak,5', /same thing/],
    ['an empty end', 'from,to,value\n,ash,5', /^row 2: from is empty/],
    ['a quote left open', 'from,to,value\n"oak,ash,5', /^row \d+: /],
  ])('%s is refused by row, and nothing is added', (_, text, message) => {
    expect(where(() => readDistances(text, wood))).toMatch(message);
    expect(wood.measures).toEqual([]);
  });
  test('no text whatever makes it fail otherwise', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => {
        for (const t of [text, `from,to,value\n${text}`])
          try {
            readDistances(t, wood);
          } catch (error) {
            expect(error).toBeInstanceOf(FileProblem);
          }
      }),
    );
  });
});

test('what lies too far off is said in its reader’s units', () => {
  const gpx = (lat: number): string => `<gpx version="1.1"><wpt lat="54" lon="-2"/><wpt lat="${lat}" lon="-2"/></gpx>`;
  let found: unknown;
  try {
    readGpx(gpx(55), place([]));
  } catch (error) {
    found = error;
  }
  expect(found).toBeInstanceOf(FileProblem);
  const { said, message } = found as FileProblem;
  expect(message).toMatch(/lies 111\d{3}(\.\d+)? m from the place's zero; at most \d+(\.\d+)? m can be drawn/);
  expect(tell(said, { length: 'ft', force: 'lbf' })).toMatch(/ft from the place's zero; at most .* ft can be drawn/);
});

test('files larger than any place are refused unread', () => {
  const huge = ' '.repeat(5_000_001);
  for (const read of [readGeoJson, readGpx, readDistances])
    expect(where(() => read(huge, landing as Place & { things: Thing[] }))).toMatch(/million characters/);
});
