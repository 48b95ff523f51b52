import type { Cord, Constant } from '../catalogue/index.js';
import { CLAMP_THIN, FIBRE_FRICTION } from '../catalogue/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import { gripRatio, offAxis } from '../hitch/index.js';
import type { Vec3 } from '../quantity/index.js';
import { norm, sub } from '../quantity/index.js';
import type { Hung } from './rig-document.js';

/** A handle, a hook or a coat’s loop laid over a line. */
export const HOOKED: Constant = {
  symbol: 'μ_h',
  title: 'friction of a hook or a loop laid over a line',
  quantity: 'ratio',
  low: 0.1,
  typical: 0.2,
  high: 0.35,
  kind: 'judgement',
  citation: 'Judgement: metal and wet cloth on cord; less on slick braid.',
};
/** Cloth hangs by hitches of so many wraps where nothing is said of them. */
const USUAL_WRAPS = 3;

/** Wraps of the loop hitch that a thing hangs by; 0 where it is hooked over the line. */
export const wrapsOf = ({ wraps, area }: Hung): number => wraps ?? (area > 0 ? USUAL_WRAPS : 0);

/**
 * What a thing asks along its line for each newton that it pulls the line aside, by the line's tension on either side of it.
 * @param before, after tension vectors along the line, N
 */
export function alongFor(before: Vec3, after: Vec3): number {
  const pull = norm(sub(after, before));
  return pull > 1e-9 ? Math.abs(norm(after) - norm(before)) / pull : 0;
}

/** As much as it holds: a hook by friction, a hitch of cord half as thick as the line by its wraps, pulled nearly square to it. */
export function holdsAlong(h: Hung, line: Pick<Cord, 'fibre'>, wet: boolean): number {
  const wraps = wrapsOf(h);
  if (wraps === 0) return HOOKED.typical;
  const { typical: mu } = FIBRE_FRICTION[line.fibre][wet ? 'wet' : 'dry'];
  return gripRatio(wraps, mu, CLAMP_THIN.typical) * offAxis(Math.PI / 2);
}

/** Things that slide along their line, by the tension on either side of each. @param sides of each thing hung, in their order */
export const slidingFindings = (
  hung: readonly Hung[],
  sides: readonly (readonly [before: Vec3, after: Vec3])[],
  cordAt: (at: number) => Pick<Cord, 'fibre'>,
  wet: boolean,
): Finding[] =>
  hung.flatMap((h, k) => {
    const along = alongFor(...sides[k]!);
    return along <= holdsAlong(h, cordAt(h.at), wet)
      ? []
      : [finding('hung-slides', { name: h.name, wraps: wrapsOf(h) }, h.id)];
  });
