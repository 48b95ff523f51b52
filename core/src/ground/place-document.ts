import { z } from 'zod';
import { SHELTERS, SOILS } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { atMost, idOf, keyOf, oneOf, part, whole, within, words } from '../document/index.js';
import { limit } from '../quantity/index.js';
import { calibrationsDocument, bodyDocument } from './person-document.js';
import { MOST_MEASURERS, MOST_MEASURES, MOST_THINGS, PLACE_LIMITS } from './limits.js';
import type { Weights } from './place.js';
import { BEDS, CRITERIA, FORMS, MEASURE_HOWS, PLACE_FORMAT } from './place.js';
import type { Thing } from './thing/index.js';
import { thingDocument } from './thing/index.js';

const L = PLACE_LIMITS;
const end = words('end of a measure', 0, 130);

const measure = part({
  id: words('id of a measure', 0, 130),
  from: end,
  to: end,
  how: oneOf('way of measuring', MEASURE_HOWS),
  /** m for tape and rangefinder, how many for paces, feet, spans and lengths of the line, rad for a compass bearing. */
  value: within(limit('measure', 'count', 0, L.count.max)),
  /** Who paced or spanned it: an id of `measurers`. Without one it was whoever reads. */
  by: words('who measured', 0, 60).optional(),
});
export type Measure = Described<typeof measure>;

/** Whoever measured here, as known then: it stands in wherever that person is not known. Lengths in m. */
const measurer = part({
  id: words('id of a person', 1, 60),
  name: words('name', 1, 60),
  body: bodyDocument,
  calibrations: calibrationsDocument,
});

/** What is wanted of the place. */
const wish = part({
  form: oneOf('form', FORMS),
  /** Cloth along the ridge and across it, m. */
  roof: part({ length: within(L.roof), width: within(L.roof) }),
  ridgeHeight: within(L.ridgeHeight),
  bed: oneOf('bed', BEDS),
  /** A hammock's length between its gathered ends, the straps at each end, m; who lies in it, kg. */
  hammock: part({ length: within(L.hammock), strap: within(L.strap), mass: within(L.person) }),
  /** Id of a cord in the kit. */
  cord: words('cord’s id', 0, 60),
  weights: part(Object.fromEntries(CRITERIA.map((c) => [c, within(L.weight)])) as Record<keyof Weights, z.ZodNumber>),
});
export type Wish = Described<typeof wish>;

/** A place as drawn and measured. SI; bearings in rad, clockwise from north. */
export const placeDocument = part({
  format: z.literal(PLACE_FORMAT, { error: `The format must be ${PLACE_FORMAT}.` }),
  /** Degrees of the place's zero on the globe (WGS 84), where known. */
  origin: part({ latitude: within(L.latitude), longitude: within(L.longitude) }).nullable(),
  /** The even slope: fall over distance, and the bearing it falls toward. */
  slope: part({ fall: within(L.fall), toward: within(L.bearing) }),
  /** Soil by feel, where no patch says otherwise. */
  soil: idOf('soil', SOILS),
  wind: part({ beaufort: whole(L.beaufort), from: within(L.bearing), shelter: keyOf('shelter', SHELTERS) }),
  /** Length of the line kept for measuring, m. */
  measuringLine: within(L.measuringLine),
  things: atMost(thingDocument as z.ZodType<Thing>, MOST_THINGS, `A place holds at most ${MOST_THINGS} things.`),
  measures: atMost(measure, MOST_MEASURES, `A place holds at most ${MOST_MEASURES} measures.`),
  measurers: atMost(measurer, MOST_MEASURERS, `At most ${MOST_MEASURERS} people measure one place.`).optional(),
  wish,
});
export type Place = Described<typeof placeDocument>;
