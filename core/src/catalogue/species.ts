import { WOODS } from './woods.js';

/** What anyone can see on a tree without a book, by where one looks. */
export const FEATURES = {
  cones: 'small woody cones that stay on',
  'scale-cones': 'cones with scales',
  catkins: 'catkins',
  'winged-seeds': 'seeds with wings, in bunches',
  nuts: 'nuts, acorns or mast',
  fluff: 'fluffy seeds in spring',
  needles: 'needles',
  'needles-drop': 'soft needles in tufts, bare in winter',
  'round-leaf': 'round or heart-shaped leaves',
  'long-leaf': 'long narrow leaves',
  'notched-leaf': 'leaves blunt or notched at the tip',
  'lobed-leaf': 'lobed leaves',
  'paired-leaflets': 'leaflets in pairs on one stalk',
  'oval-leaf': 'plain oval leaves',
  trembling: 'leaves that shake in no wind',
  'white-bark': 'white peeling bark',
  'smooth-grey': 'smooth grey bark',
  'deep-furrows': 'deep furrows in the bark',
  'plate-bark': 'bark in plates, reddish above',
  'resin-blisters': 'blisters of resin in young bark',
  'by-water': 'its feet at the water',
  'black-buds': 'black buds in pairs',
  'pointed-buds': 'long pointed buds',
} as const;
export type Feature = keyof typeof FEATURES;

/** What each wood's trees commonly show. Common knowledge of field botany; a screen, not a key. */
const SHOWS: Readonly<Record<string, readonly Feature[]>> = {
  alder: ['cones', 'catkins', 'notched-leaf', 'round-leaf', 'by-water'],
  willow: ['catkins', 'long-leaf', 'fluff', 'deep-furrows', 'by-water'],
  poplar: ['catkins', 'round-leaf', 'fluff', 'deep-furrows', 'by-water'],
  aspen: ['catkins', 'round-leaf', 'trembling', 'fluff', 'smooth-grey'],
  birch: ['catkins', 'white-bark', 'oval-leaf', 'winged-seeds'],
  beech: ['nuts', 'oval-leaf', 'smooth-grey', 'pointed-buds'],
  ash: ['winged-seeds', 'paired-leaflets', 'black-buds', 'deep-furrows'],
  oak: ['nuts', 'lobed-leaf', 'deep-furrows'],
  pine: ['needles', 'scale-cones', 'plate-bark', 'deep-furrows'],
  fir: ['needles', 'scale-cones', 'resin-blisters', 'deep-furrows'],
  larch: ['needles-drop', 'scale-cones', 'plate-bark'],
};

export interface LikelyWood {
  readonly id: string;
  readonly name: string;
  /** Features seen that it commonly shows, and those it does not. */
  readonly fits: readonly Feature[];
  readonly against: readonly Feature[];
}

/**
 * Woods that show what was seen, likeliest first; none when nothing was seen. Those that lack more than they show are
 * left out. A wood that fits is a guess: where two remain, take the weaker.
 */
export function likelyWoods(seen: readonly Feature[]): LikelyWood[] {
  if (seen.length === 0) return [];
  return WOODS.filter((w) => SHOWS[w.id] !== undefined)
    .map((w): LikelyWood => {
      const shows = SHOWS[w.id]!;
      return {
        id: w.id,
        name: w.name,
        fits: seen.filter((f) => shows.includes(f)),
        against: seen.filter((f) => !shows.includes(f)),
      };
    })
    .filter((w) => w.fits.length > w.against.length)
    .sort((a, b) => a.against.length - b.against.length || b.fits.length - a.fits.length);
}

/** Of several woods that fit equally well, the one that bends at the least load: not knowing never helps. */
export function weakestOf(ids: readonly string[]): string {
  return ids.reduce((weak, id) => {
    const strength = (x: string): number => WOODS.find((w) => w.id === x)?.strength.low ?? 0;
    return strength(id) < strength(weak) ? id : weak;
  }, ids[0] ?? 'unknown');
}
