/** The version of a rig as it is stored and edited. */
export const RIDGE_FORMAT = 'rough-bight/ridge@4';

/** How a guy is made fast. */
export const GUY_HITCHES = {
  adjustable: 'adjustable hitch',
  wraps: 'plain wraps',
  knot: 'fixed knot',
  elastic: 'adjustable hitch and elastic',
  cleat: 'cleat runner',
} as const;
export type GuyHitch = keyof typeof GUY_HITCHES;

/** Where the ridgeline runs, where there is one. */
export const LINE_PLACES = {
  under: 'line under the cloth',
  over: 'line over the cloth',
  through: 'line through its loops',
  none: 'none: tied by its ends',
} as const;
export type LinePlace = keyof typeof LINE_PLACES;

/** Ways to bring a line to its tension. */
export const TENSIONINGS = ['tension', 'sag', 'dip', 'passes', 'pulley'] as const;
export type Tensioning = (typeof TENSIONINGS)[number];

/** What lies beneath a bed. */
export const BENEATH = {
  soft: 'soft, even ground',
  hard: 'roots, stones or stumps',
  steep: 'a bank or a drop',
  water: 'water',
  road: 'a road or track',
  bed: 'another bed',
} as const;
export type Beneath = keyof typeof BENEATH;

/** Lines along which water could come in under a roof: the ridgeline from either tree, a cord that ties an end of the cloth to one. */
export const LEADS = ['ridge0', 'ridge1', 'tie0', 'tie1'] as const;
export type LeadId = (typeof LEADS)[number];
