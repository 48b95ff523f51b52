import { LEAST_FREE } from '../bed/index.js';
import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

/* Allowed range of every number of a rig, SI, with what it is called. */

export const RIDGE_LIMITS = {
  span: limit('span', 'length', 0.5, 60),
  paces: limit('paces', 'count', 1, 100),
  sd: limit('how well the span is known', 'length', 0, 10),
  groundRise: limit('rise of the ground', 'length', -5, 5),
  girth: limit('girth', 'length', 0.05, 8),
  tieHeight: limit('tie height', 'length', 0.05, 8),
  wraps: limit('wraps', 'count', 0, 8),
  tension: limit('tension', 'force', 0, 5000),
  sag: limit('sag', 'length', 0.001, 20),
  testMass: limit('test mass', 'mass', 0.05, 120),
  dip: limit('dip', 'length', 0.001, 20),
  passes: limit('passes', 'count', 0, 20),
  takeUp: limit('take-up of a pass', 'length', 0, 0.3),
  loopOut: limit("loop's distance from the trunk", 'length', 0, 10),
  setBack: limit('set-back', 'length', 0, 0.5),
  mass: limit('mass', 'mass', 0, 300),
  at: limit('place on the line', 'length', 0.01, 60),
  hungWraps: limit('wraps of its hitch', 'count', 0, 6),
  area: limit('area against the wind', 'area', 0, 60),
  beaufort: limit('wind', 'count', 0, 9),
  sway: limit('sway', 'length', 0, 0.5),
  stayOut: limit('way out to the back-stays', 'length', 0.3, 8),
  staySpread: limit('spread of the back-stays', 'length', 0.2, 4),
  lump: limit('mass of what lies there', 'mass', 5, 50_000),
  tightness: limit('most sag', 'share', 0.002, 0.5),
} as const satisfies Record<string, Limit>;

export const PITCH_LIMITS = {
  edge: limit('height of an edge', 'length', 0, 4),
  awning: limit('awning', 'share', 0, 0.5),
  prop: limit('prop', 'length', 0.3, 3),
  lift: limit('lift of the middle', 'length', 0, 0.8),
  flap: limit('strip of floor', 'length', 0, 1.5),
  side: limit('flank that is opened', 'count', 0, 1),
  bearing: limit('bearing', 'angle', 0, 2 * Math.PI),
  crossRise: limit('rise to the left', 'share', -0.6, 0.6),
  middle: limit('middle of the roof', 'length', -30, 60),
  loop: limit('loop', 'length', 0.03, 0.6),
  tail: limit('tails of a hitch', 'length', 0, 1.5),
  slid: limit('slide', 'length', -0.3, 0.3),
  hitchWraps: limit('wraps', 'count', 1, 6),
  spread: limit('spread along the ridge', 'force', 0, 600),
  haul: limit('haul of a guy', 'force', 0, 600),
  kept: limit('length of a guy on the cloth', 'length', 0, 20),
  foot: limit('foot of a guy', 'length', -40, 80),
  guyStick: limit('stick under a tie-out', 'length', -1, 4),
  rake: limit('rake of a prop', 'angle', 0, 0.35),
  stick: limit('thickness of the sticks', 'diameter', 0.01, 0.12),
  snow: limit('depth of snow', 'length', 0, 1),
  gust: limit('gust', 'speed', 1, 50),
} as const satisfies Record<string, Limit>;

export const BED_LIMITS = {
  height: limit('height of a strap', 'length', 0.3, 4),
  wraps: limit('wraps of a strap', 'count', 1, 6),
  loop: limit('loop', 'count', 1, 40),
  free: limit('free strap', 'length', LEAST_FREE, 12),
  drip: limit('place of a drip tail', 'length', 0, 12),
  mass: limit('mass of the person', 'mass', 20, 250),
  stature: limit('height of the person', 'length', 1, 2.2),
  people: limit('people in the bed', 'count', 1, 4),
  sitAt: limit('place one sits at', 'share', 0.25, 0.75),
  drop: limit('fall into the bed', 'length', 0, 1),
  swing: limit('swing', 'angle', 0, 1.2),
  reach: limit('reach out of the bed', 'length', 0, 0.8),
  at: limit('place of an anchor', 'length', -40, 80),
  girth: RIDGE_LIMITS.girth,
  thickness: limit('thickness of the pole', 'length', 0.03, 0.4),
  dug: limit('depth of the pole’s foot', 'length', 0, 1),
  lean: limit('lean of the pole', 'angle', -0.6, 0.6),
  out: limit('way out to the back-stay’s anchor', 'length', 0.3, 8),
  spread: limit('spread of the stays', 'length', 0, 4),
  haul: PITCH_LIMITS.haul,
  offCentre: limit('offset of the lines on the pole’s head', 'length', 0, 0.2),
  sideStayOut: limit('way out to the side stay’s peg', 'length', 0.3, 5),
  wishHeight: limit('wished height', 'length', 0.15, 1.5),
  wishAngle: limit('wished angle of the straps', 'angle', 0.17, 0.96),
  headUp: limit('the head’s end over the feet’s', 'length', -0.4, 0.4),
} as const satisfies Record<string, Limit>;

/** Most things on one line. */
export const MOST_HUNG = 12;

/** At most so many things of the kit can be told left at home. */
export const MOST_HOME = 200;

/** Guys that may differ from the rest, and names in the order of tightening. */
export const MOST_GUYS = 24;

/** Pulled pegs that a rig may keep. */
export const MOST_PULLS = 20;
