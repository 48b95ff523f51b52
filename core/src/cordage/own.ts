import type { Constant, Cord, Fibre } from '../catalogue/index.js';
import { FIBRES, FIBRE_TRAITS } from '../catalogue/index.js';
import type { Described, Problem } from '../document/index.js';
import { keyOf, oneOf, part, problem, within } from '../document/index.js';
import { GRAVITY, amount, phrase } from '../quantity/index.js';
import { OWN_LIMITS } from './limits.js';

const O = OWN_LIMITS;

/** What a number that is printed on a label or told by whoever sold it means, over the least that a good piece breaks at. */
export const RATINGS = {
  minimum: {
    name: 'minimum breaking strength',
    strength: [0.85, 1, 1.15],
    citation: 'The maker’s minimum. Judgement: copies and old stock fall short of it, good new cord lies above.',
  },
  average: {
    name: 'average breaking strength',
    strength: [0.7, 0.85, 1],
    citation: 'The maker’s average. Judgement: half of all pieces are weaker; a minimum lies about 15 % below.',
  },
  working: {
    name: 'working load limit',
    strength: [2, 3, 6],
    citation:
      'The maker’s working load. Judgement: it breaks at 3 to 12 times that, by a factor the label seldom names; 3 is counted on.',
  },
  held: {
    name: 'what it once held',
    strength: [0.9, 1, 2],
    citation: 'Hung from it without breaking. Judgement: it holds that much; how much more was not tried.',
  },
  none: { name: 'none known', strength: [1, 1, 1], citation: '' },
} as const satisfies Record<string, { name: string; strength: readonly [number, number, number]; citation: string }>;
export type Rating = keyof typeof RATINGS;

/** A cord that is none of the catalogue's, as it can be measured and read off its label. */
export const ownDocument = part({
  fibre: oneOf('material', FIBRES),
  /** Measured, m: across the cord, or how thick the webbing is. */
  thickness: within(O.thickness),
  /** Of webbing, m; 0 for round cord. */
  width: within(O.width),
  rating: keyOf('kind of rating', RATINGS),
  /** As printed, N; 0 where none is. */
  rated: within(O.rated),
  /** Weighed, kg/m; 0 where it never was. */
  perMetre: within(O.perMetre),
  /** Hung with a mass: kg, the length that hung, m, and what it was drawn out by, m. */
  hung: part({ mass: within(O.hung), over: within(O.over), drawn: within(O.drawn) }).nullable(),
});
export type OwnCord = Described<typeof ownDocument>;

/** One to begin with: round, and nothing known of it. */
export const freshOwn = (thickness = 0.004, width = 0): OwnCord => ({
  fibre: 'unknown',
  thickness,
  width,
  rating: 'none',
  rated: 0,
  perMetre: 0,
  hung: null,
});

type Three = readonly [low: number, typical: number, high: number];

/** Strength over the area that thickness spans, of the weaker cords sold, Pa; stretch at break; density of the fibre, kg/m³. All judgement. */
const GUESSED: Readonly<
  Record<Fibre, { readonly strength: Three; readonly stretch: Three; readonly density: number }>
> = {
  nylon: { strength: [90e6, 140e6, 250e6], stretch: [0.15, 0.24, 0.36], density: 1140 },
  polyester: { strength: [90e6, 150e6, 260e6], stretch: [0.08, 0.12, 0.18], density: 1380 },
  polypropylene: { strength: [60e6, 100e6, 180e6], stretch: [0.1, 0.17, 0.26], density: 910 },
  uhmwpe: { strength: [300e6, 500e6, 900e6], stretch: [0.03, 0.038, 0.05], density: 970 },
  manila: { strength: [50e6, 75e6, 105e6], stretch: [0.09, 0.12, 0.16], density: 1450 },
  sisal: { strength: [35e6, 50e6, 70e6], stretch: [0.08, 0.11, 0.15], density: 1450 },
  elastic: { strength: [1e6, 2e6, 3e6], stretch: [0.5, 0.6, 0.9], density: 1000 },
  // as the weakest that it could be
  unknown: { strength: [25e6, 40e6, 250e6], stretch: [0.04, 0.15, 0.36], density: 1200 },
};
/** Share of that area which is fibre. Judgement: 0.6 to 0.9. */
const FILLED: Three = [0.6, 0.75, 0.9];

const areaOf = ({ thickness, width }: OwnCord): number =>
  width > 0 ? width * thickness : (Math.PI / 4) * thickness ** 2;
const times = (three: Three, by: number): Three => [three[0] * by, three[1] * by, three[2] * by];
const constant = (
  symbol: string,
  title: string,
  quantity: Constant['quantity'],
  [low, typical, high]: Three,
  kind: Constant['kind'],
  citation: string,
): Constant => ({ symbol, title, quantity, low, typical, high, kind, citation });

/** Strain at which this share of the strength is reached, over that at break: x of share = s x + (1 - s) x². */
function strainShare(fibre: Fibre, share: number): number {
  const s = FIBRE_TRAITS[fibre].softness;
  return s === 1 ? share : (Math.sqrt(s * s + 4 * (1 - s) * share) - s) / (2 * (1 - s));
}

/** What it is called: "5 mm polypropylene cord". */
export function ownName({ fibre, thickness, width }: OwnCord): string {
  const mm = (x: number): string => `${Math.round(x * 1e4) / 10} mm`;
  const what = `${width > 0 ? 'webbing' : 'cord'}${fibre === 'unknown' ? ' of unknown fibre' : ''}`;
  return `${mm(width > 0 ? width : thickness)} ${fibre === 'unknown' ? '' : `${FIBRE_TRAITS[fibre].name} `}${what}`;
}

/** Its numbers, with what each rests on: the maker's word, a measure, or a guess from fibre and thickness. */
export function ownCord(own: OwnCord): Cord & { readonly width?: number } {
  const { fibre, rated, perMetre, hung } = own;
  const name = ownName(own);
  const area = areaOf(own);
  const guess = GUESSED[fibre];
  const rating = rated > 0 ? own.rating : 'none';
  const strength =
    rating === 'none'
      ? constant(
          'MBS',
          `strength of ${name}, guessed`,
          'force',
          times(guess.strength, area),
          'judgement',
          'Judgement: as the weaker cords of this fibre and thickness. Find its label, or hang a mass on it.',
        )
      : constant(
          'MBS',
          `minimum breaking strength of ${name}`,
          'force',
          times(RATINGS[rating].strength, rated),
          rating === 'held' ? 'measured' : 'printed',
          RATINGS[rating].citation,
        );
  const pulled = hung === null ? 0 : (hung.mass * GRAVITY) / strength.typical;
  const breakStrain =
    hung === null || pulled >= 1
      ? constant(
          'e_b',
          `stretch of ${name} at break`,
          'strain',
          guess.stretch,
          'judgement',
          'Judgement from its fibre. A mass hung on a measured length replaces it.',
        )
      : constant(
          'e_b',
          `stretch of ${name} at break`,
          'strain',
          times([0.75, 1, 1.3], hung.drawn / hung.over / strainShare(fibre, pulled)),
          'measured',
          'Hung with a known mass, carried on to its strength by the shape of its fibre’s curve. Judgement: a quarter either way.',
        );
  const packed = times(FILLED, area * guess.density);
  return {
    id: OWN,
    name,
    fibre,
    diameter: own.thickness,
    ...(own.width > 0 ? { width: own.width } : {}),
    massPerMetre:
      perMetre > 0
        ? constant('m', `mass per metre of ${name}`, 'mass', times([0.97, 1, 1.03], perMetre), 'measured', 'Weighed.')
        : constant(
            'm',
            `mass per metre of ${name}`,
            'mass',
            packed,
            'judgement',
            'Judgement from thickness and fibre; weigh a known length to replace it.',
          ),
    strength,
    breakStrain,
    bears: fibre !== 'elastic',
    known: rating !== 'none' && fibre !== 'unknown',
  };
}

/** Stands for a cord of the catalogue where it is the person's own. */
export const OWN = 'own';

/** What its fields allow but the whole does not. */
export function ownProblems(own: OwnCord): Problem[] {
  const out: Problem[] = [];
  if (own.rating !== 'none' && own.rated <= 0)
    out.push({ field: 'own.rated', message: `Its ${RATINGS[own.rating].name} must be more than 0, or none is known.` });
  if (own.width > 0 && own.width < own.thickness)
    out.push({ field: 'own.width', message: 'Webbing is wider than it is thick; 0 is round cord.' });
  if (own.hung !== null) {
    const { strength } = ownCord(own);
    const pull = own.hung.mass * GRAVITY;
    if (pull >= 0.9 * strength.typical)
      out.push(
        problem(
          'own.hung.mass',
          phrase`Hung with ${amount(pull, 'force')} it would be near its strength, ${amount(strength.typical, 'force')}. Say that it held that, or hang less.`,
        ),
      );
    if (own.hung.drawn >= own.hung.over)
      out.push({ field: 'own.hung.drawn', message: 'It cannot be drawn out by more than its length.' });
  }
  return out;
}
