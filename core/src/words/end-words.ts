import type { Keeper, Leaves, Release, Termination } from '../catalogue/index.js';
import { capital } from '../quantity/index.js';

const RELEASES: Readonly<Record<Release, string>> = {
  loaded: 'lets go under load',
  eased: 'is eased off under load, turn by turn',
  slack: 'comes off only slack',
};
const LEFT: Readonly<Record<Leaves, string>> = {
  nothing: 'leaves nothing in the cord',
  loop: 'its loop stays in the cord',
  knot: 'leaves a knot to be picked out',
};
const KEPT: Readonly<Record<Keeper, string>> = {
  none: '',
  bight: 'for a stay of days a stick through its bight',
  stick: 'for a stay of days its stick is tied in',
  mouth: 'for a stay of days its mouth is tied shut',
  tail: 'for a stay of days its tail is tied off',
};

/** How an end lets go. */
export const sayRelease = ({ release }: Pick<Termination, 'release'>): string => `It ${RELEASES[release]}.`;

/** What an end leaves in the cord, and what keeps it. */
export const sayLeft = ({ leaves, keeper }: Pick<Termination, 'leaves' | 'keeper'>): string =>
  `${capital([LEFT[leaves], KEPT[keeper]].filter((s) => s !== '').join('; '))}.`;

/** How an end lets go, what it leaves, and what keeps it. */
export const sayEnd = ({ release, leaves, keeper }: Pick<Termination, 'release' | 'leaves' | 'keeper'>): string =>
  `It ${[RELEASES[release], LEFT[leaves], KEPT[keeper]].filter((s) => s !== '').join('; ')}.`;

/** What is done to keep an end, of an end by its name. */
export const sayKeeping = (name: string, keeper: Exclude<Keeper, 'none'>): string =>
  ({
    bight: `a stick through the bight of the ${name}`,
    stick: `the stick of the ${name} tied in`,
    mouth: `the mouth of the ${name} tied shut`,
    tail: `the tail of the ${name} tied off`,
  })[keeper];

/** What is undone of it before the end is let go; nothing of one that was not kept. */
export const sayUnkeeping = (keeper: Keeper): string =>
  ({
    none: '',
    bight: 'draw the pin, ',
    stick: 'untie its stick, ',
    mouth: 'open its mouth, ',
    tail: 'undo its tail, ',
  })[keeper];

/** How an end is let go with the load on. */
export const sayLettingGo = (release: Release): string =>
  ({
    loaded: 'slip it: it lets go under load',
    eased: 'untie it: its turns bear meanwhile, ease it off round the trunk',
    slack: 'take it off: it does not let go under load, slack it first',
  })[release];
