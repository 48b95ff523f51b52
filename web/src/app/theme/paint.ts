import type { COLOURS } from './colours.js';

/** A colour of the theme that is on, for what is drawn. */
type Colour = keyof typeof COLOURS;
export const ink = (colour: Colour): string => `var(--rb-colors-${colour})`;

interface Stroke {
  readonly fill: 'none';
  readonly stroke: string;
  readonly strokeWidth: number;
  readonly strokeDasharray?: string;
  readonly strokeLinecap?: 'round';
  readonly strokeLinejoin?: 'round';
  readonly opacity?: number;
}
const line = (
  colour: Colour,
  strokeWidth: number,
  more: Partial<Omit<Stroke, 'fill' | 'stroke' | 'strokeWidth'>> = {},
): Stroke => ({ fill: 'none', stroke: ink(colour), strokeWidth, ...more });
const dashed = (colour: Colour, width: number, strokeDasharray: string): Stroke =>
  line(colour, width, { strokeDasharray });
const round = { strokeLinecap: 'round', strokeLinejoin: 'round' } as const;
const fill = (colour: Colour, fillOpacity = 1): { readonly fill: string; readonly fillOpacity: number } => ({
  fill: ink(colour),
  fillOpacity,
});
/** Words over a picture keep a rim of cloth. */
const rim = { paintOrder: 'stroke', stroke: ink('cloth'), strokeWidth: 4, strokeLinejoin: 'round' } as const;
const head = { fontFamily: 'var(--rb-fonts-heading)', fontWeight: 700 } as const;
/** Wide and unseen, for fingers. */
const touch = { fill: 'none', stroke: 'transparent', strokeWidth: 18, cursor: 'pointer' } as const;

/** What everything in the pictures is drawn with: one line a thing, all from the theme's colours. */
export const paint = {
  // words
  words: { fill: ink('ink') },
  quiet: { fill: ink('ink2') },
  rim,
  pull: { ...rim, ...head, fontSize: 14 },
  pullShort: { ...rim, ...head, fontSize: 14, fill: ink('danger') },
  water: { ...rim, fill: ink('water') },
  planName: { ...rim, strokeWidth: 3.5, pointerEvents: 'none' },
  rank: { ...head, fontSize: 12, pointerEvents: 'none' },
  chosenSpan: { ...rim, ...head, fontSize: 15 },
  // ground and heights
  level: line('hairline', 1),
  soil: fill('soil'),
  pitchGrid: line('hairline', 0.6, { opacity: 0.6 }),
  sceneHeight: line('ink', 1.2),
  sagMark: line('ink', 1.2),
  spanMark: line('ink', 1.2),
  trunk: { ...fill('tar'), opacity: 0.86 },
  trunkBad: { ...fill('danger'), opacity: 0.86 },
  bark: line('cloth', 1.2, { opacity: 0.5 }),
  pitchTrunk: fill('tar'),
  // lines
  chord: dashed('ink2', 1, '4 4'),
  lineWet: dashed('water', 1.8, '7 4'),
  pitchBeside: dashed('water', 1.5, '6 4'),
  pitchTouch: touch,
  pitchFlag: { ...fill('act'), stroke: ink('ink'), strokeWidth: 0.8 },
  hitch: line('act', 2.2),
  elastic: line('act', 2, round),
  bend: line('ink', 2, round),
  dripLine: line('water', 1.8, round),
  branch: { ...fill('tar'), stroke: ink('tar') },
  hung: { ...fill('tar'), stroke: ink('tar'), strokeWidth: 1.4 },
  string: line('tar', 1.4),
  clothHung: fill('roof'),
  // what holds a guy's foot
  peg: { ...line('tar', 3.5, round), vectorEffect: 'non-scaling-stroke' },
  pegBad: { ...line('danger', 3.5, round), vectorEffect: 'non-scaling-stroke' },
  buried: { ...line('tar', 2, { ...round, strokeDasharray: '4 3' }), vectorEffect: 'non-scaling-stroke' },
  buriedBad: { ...line('danger', 2, { ...round, strokeDasharray: '4 3' }), vectorEffect: 'non-scaling-stroke' },
  stem: fill('tar'),
  stemBad: fill('danger'),
  // water and wind
  run: line('water', 1, { opacity: 0.55 }),
  pond: { ...fill('water'), opacity: 0.4 },
  drop: fill('water'),
  wind: line('water', 1.8),
  north: fill('ink'),
  // a bed
  bedSideStay: dashed('ink', 1, '5 3'),
  bedRidge: line('ink', 1),
  person: { fill: 'none', stroke: ink('ink2'), ...round },
  personHead: fill('ink2'),
  // a plan
  planGrid: line('hairline', 1, { opacity: 0.55 }),
  planKeepLine: line('danger', 1.3, { opacity: 0.55 }),
  planSoilDot: line('tar', 2, { ...round, opacity: 0.5 }),
  planFall: line('ink2', 1, { opacity: 0.55 }),
  planRun: line('water', 2, { ...round, strokeDasharray: '9 4 2 4' }),
  planPond: fill('water', 0.28),
  planReach: { ...fill('danger', 0.05), stroke: ink('danger'), strokeWidth: 1.2, strokeDasharray: '7 5' },
  planReachHits: { ...fill('danger', 0.14), stroke: ink('danger'), strokeWidth: 2, strokeDasharray: '7 5' },
  planFells: { ...fill('danger', 0.16), stroke: ink('danger'), strokeWidth: 1.2 },
  planFellLine: line('danger', 2.6, round),
  planClear: dashed('danger', 1.2, '2 5'),
  planWay: line('act', 2.6, round),
  planMeasure: line('ink2', 1),
  planMeasureWrong: dashed('danger', 2.4, '4 3'),
  ellipse: { ...fill('act', 0.2), stroke: ink('tar'), strokeWidth: 1.2 },
  ellipseMove: line('tar', 1.6),
  planRig: line('ink', 2.6, { ...round, strokeDasharray: '1 4' }),
  planSpan: line('ink', 1.4),
  planSpanReach: touch,
  planRank: { ...fill('cloth'), stroke: ink('ink'), pointerEvents: 'none' },
  planCloth: { ...fill('roof', 0.62), stroke: ink('tar'), strokeWidth: 1.2 },
  planClothOut: dashed('danger', 1.2, '5 4'),
  planRidge: line('ink', 3),
  planRidgeOut: dashed('danger', 3, '8 5'),
  planFire: line('danger', 1.8, round),
  planRoseRing: { ...fill('cloth', 0.85), stroke: ink('hairline') },
  planRoseNorth: fill('ink'),
  planRoseWind: line('water', 1.8, round),
  // what stands and lies on a plan
  pmFill: fill('tar'),
  pmBad: fill('danger'),
  pmStone: fill('ink2'),
  pmRing: line('cloth', 1.1),
  pmLine: line('tar', 2, round),
  pmLineBad: line('danger', 2, round),
  pmOpen: line('tar', 2, round),
  pmSplit: line('danger', 3),
  pmLeaf: fill('moss'),
  pmBody: { ...fill('cloth2'), stroke: ink('ink'), strokeWidth: 1.4 },
  pmHead: fill('ink'),
  pmRim: dashed('water', 1.3, '3 3'),
  pmDanger: line('danger', 2, round),
  pmHatch: line('danger', 1.8),
  pmDots: line('tar', 3, round),
  pmWater: line('water', 2.4),
  // a rose of gusts
  roseRim: line('hairline', 1),
  roseAsk: { ...dashed('act', 1.5, '3 3'), pointerEvents: 'none' },
  roseName: { ...fill('ink2'), fontSize: 13 },
  roseHit: { fill: 'transparent' },
  roseLeft: { ...fill('tar'), stroke: ink('cloth') },
  roseBad: { ...fill('danger'), stroke: ink('cloth') },
  roseChosen: { ...fill('act'), stroke: ink('cloth') },
  roseWorst: line('ink', 2),
  // a forecast
  forecastWind: fill('ink2'),
  forecastWorst: fill('danger'),
  forecastGust: fill('hairline'),
  forecastRain: line('water', 2),
  forecastFoot: line('ink', 1),
  forecastDay: line('ink', 1),
  forecastName: { ...fill('ink2'), fontSize: 12 },
  // strands and scores
  strand: fill('tar'),
  strandFrayed: line('ink2', 1.1),
  notch: dashed('ink', 1.6, '3 2.4'),
  scoreOn: line('tar', 4),
  scoreOff: line('hairline', 1.5),
  bightRope: line('tar', 7),
  bightLay: line('cloth', 1.6),
  // a net
  netTaut: { ...fill('hairline'), stroke: ink('hairline'), strokeWidth: 0.7 },
  netWrinkled: { ...fill('cloth2'), stroke: ink('hairline'), strokeWidth: 0.7 },
  netSlack: line('hairline', 0.7),
  netLine: { fill: 'none', stroke: ink('ink'), ...round },
  netLoose: { fill: 'none', stroke: ink('ink'), ...round, strokeDasharray: '5 5' },
  netStrut: { fill: 'none', stroke: ink('tar'), ...round },
  netHeld: fill('tar'),
} as const;

/** A line of the rig: in the colour of what is to be seen first, dashed where it pulls on nothing. */
export const pitchLine = (bad: boolean, chosen: boolean, loose: boolean): Omit<Stroke, 'strokeWidth'> => ({
  fill: 'none',
  stroke: ink(chosen ? 'act' : bad ? 'danger' : 'ink'),
  ...round,
  ...(loose ? { strokeDasharray: '3 4' } : {}),
});
/** A stick or pole. */
export const stick = (bad: boolean): Stroke => line(bad ? 'danger' : 'tar', 4, { strokeLinecap: 'round' });
/** A strap or stay of a bed. */
export const strap = (bad: boolean, chosen = false): Stroke => line(chosen ? 'act' : bad ? 'danger' : 'tar', 3.5);
export const bedCloth = (bad: boolean) =>
  ({ ...fill('moss', 0.82), stroke: ink(bad ? 'danger' : 'ink'), strokeWidth: bad ? 2.4 : 1.2 }) as const;
/** An area of a plan, by its kind; a rill is drawn as its run. */
export const planArea = {
  keep: { fill: 'url(#plan-keep)', stroke: ink('danger'), strokeWidth: 1.2, strokeDasharray: '2 3' },
  soil: { fill: 'url(#plan-soil)', stroke: 'none' },
  shelter: { ...line('moss', 9, round), strokeDasharray: '0.1 9' },
  rill: line('ink2', 1.2),
} as const;
/** A wall round a roof, from above and from the side: brush lets some light through. */
export const wallPaint = {
  brush: { ...fill('moss', 0.55), stroke: ink('moss'), strokeWidth: 1.4, strokeDasharray: '5 3' },
  bank: { ...fill('soil'), stroke: ink('tar'), strokeWidth: 1.4 },
} as const;
/** Who or what lies under a roof: outlined in rust where rain reaches it or it cannot sit up. */
export const lyingPaint = (kind: 'sleeper' | 'pack', well: boolean) =>
  ({
    body: {
      ...fill(kind === 'sleeper' ? 'moss' : 'tar', 0.75),
      stroke: ink(well ? 'ink' : 'danger'),
      strokeWidth: well ? 1.2 : 2.2,
    },
    head: fill('ink'),
  }) as const;
