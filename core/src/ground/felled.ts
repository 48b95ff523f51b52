import { looked } from '../catalogue/index.js';
import type { Constant } from '../catalogue/index.js';
import type { Phrase } from '../quantity/index.js';
import { metres, phrase } from '../quantity/index.js';
import { compassPoint } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Falling } from './fall.js';
import type { Place } from './place-document.js';

/** What brings a dead stem down to one side: the slope it stands on, or the wind. Flatter and calmer than this nobody knows. Judgement. */
const STEEP = 0.1;
const BLOWN = 4;
/** How far to either side of where it should go it may go after all, rad: half a right angle; more where it is rotten. Judgement. */
const STRAYS = Math.PI / 4;
/** Nobody stands within so many of its heights while it is brought down. */
export const KEPT_CLEAR: Constant = {
  symbol: 'n',
  title: 'heights that nobody stands within while a stem is brought down',
  quantity: 'ratio',
  low: 2,
  typical: 2,
  high: 3,
  kind: 'handbook',
  citation: 'Felling practice: two lengths of the tree in every direction, whichever way it is meant to go.',
};

/** What is to be known before a stem is brought down by those who may. */
export interface Felled {
  /** Where it goes by itself, a bearing, rad, and what takes it there; null where nobody can tell. */
  readonly goes: { readonly toward: number; readonly by: 'slope' | 'wind' } | null;
  /** How far it may stray to either side of that, rad; all round where it is not known. */
  readonly strays: number;
  /** Nobody but who brings it down stands nearer, m. */
  readonly clear: number;
  /** Bearings, from its foot, of the two ways back for who does: away and to the side; none where it may go anywhere. */
  readonly ways: readonly number[];
}

const turned = (bearing: number): number => (bearing + 2 * Math.PI) % (2 * Math.PI);

/** Which way a stem goes when it is brought down, and where nobody stands. */
export function felledOf(
  { height, whole }: Pick<Falling, 'height' | 'whole'>,
  { slope, wind }: Pick<Place, 'slope' | 'wind'>,
): Felled {
  const goes: Felled['goes'] = !whole
    ? null
    : slope.fall >= STEEP
      ? { toward: turned(slope.toward), by: 'slope' }
      : wind.beaufort >= BLOWN
        ? { toward: turned(wind.from + Math.PI), by: 'wind' }
        : null;
  return {
    goes,
    strays: goes === null ? Math.PI : STRAYS,
    clear: KEPT_CLEAR.typical * height,
    ways: goes === null ? [] : [turned(goes.toward + 0.75 * Math.PI), turned(goes.toward - 0.75 * Math.PI)],
  };
}

/** How far everybody keeps away, with its working. */
export const clearFigure = ({ name, height }: Pick<Falling, 'name' | 'height'>): Figure =>
  derive(
    {
      symbol: 'R',
      title: `nobody stands nearer to ${name} while it is brought down`,
      quantity: 'length',
      formula: 'R = n h',
    },
    [
      looked(KEPT_CLEAR),
      given(
        { symbol: 'h', title: `height of ${name}`, quantity: 'length' },
        height,
        { kind: 'measured', text: 'by eye, or a stick held at arm’s length' },
        [height * 0.85, height * 1.15],
      ),
    ],
    (n, h) => n! * h!,
  );

/** The same in words, for who asks before anything is done. */
export function felledWords({ goes, clear, ways }: Felled): Phrase {
  const where =
    goes === null
      ? phrase`Nothing tells which way it goes: it may go any way.`
      : phrase`By itself it goes ${goes.by === 'slope' ? 'downhill' : 'with the wind'}, toward the ${compassPoint(goes.toward, 8)}, and may stray half a right angle to either side.`;
  const back =
    ways.length === 0
      ? phrase``
      : phrase` Who does it goes back toward the ${compassPoint(ways[0]!, 8)} or the ${compassPoint(ways[1]!, 8)}, ways cleared before.`;
  return phrase`${where} Nobody else stands within ${metres(clear)}.${back} A rotten stem that is pushed breaks where it is rotten, and its top comes back on who pushes: it is left to those who may and know how.`;
}
