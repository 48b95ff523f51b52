import { GUY_ENDS, acrossOf } from '../catalogue/index.js';
import type { Cut, EndLength } from '../cordage/index.js';
import { GUY_TRAVEL, PEG_TAILS, ROUND_ANCHOR, cutBetween, cutLength } from '../cordage/index.js';
import { loopCut } from '../hitch/index.js';
import { haulTravel, ridgeCut, tiedTo, treeOf, trunkEnd } from '../rig/index.js';
import { supportOf } from '../support/index.js';
import type { Member, PitchModel } from './model.js';

/** A guy's length where it lives on the cloth, m; 0 where it is cut to what it wants. Cords to a branch and stays of poles are no such guys. */
export const keptLength = ({ role, reach }: Member): number =>
  role === 'guy' && reach?.key.role.to === 'guy' ? (reach.guy.kept ?? 0) : 0;

/** Cord for a member of this unstressed length: both knots, a tail and what is hauled with it; a hitch's loop by its own wraps. */
export function cutOf(model: PitchModel, m: Member, length: number): Cut {
  const d = acrossOf(m.cord);
  const hank = m.kitCord.id;
  if (m.role === 'loop') {
    const h = model.hitches.find((x) => x.end === m.end)!;
    return loopCut(hank, h.set.loop, h.wraps, d, h.host.diameter, h.set.tail);
  }
  const at = (i: 0 | 1): EndLength => trunkEnd(model.rig, model.ridge.terminations, i);
  if (m.role === 'ridge') return ridgeCut({ ...model.ridge, unstressed: { ...model.ridge.unstressed, value: length } });
  const tieOut: EndLength = { wraps: 0, girth: 0, knotDiameters: GUY_ENDS.cloth.cordInDiameters, tail: 0 };
  if (m.role === 'tie')
    return cutBetween(hank, length, [at(m.end), tieOut], d, m.end === 1 ? haulTravel(model.rig) : 0);
  // a loop of cord to a peg is doubled and joined
  if (m.role === 'peg') return cutBetween(hank, 2 * length, [{ ...tieOut, tail: PEG_TAILS }], d, 0);
  const { guy, key } = m.reach!;
  const made = GUY_ENDS[guy.hitch === 'elastic' ? 'adjustable' : guy.hitch];
  const tied = tiedTo(guy.anchor, key.id);
  const girth = (tied === null ? null : treeOf(model.rig, tied.tree))?.girth ?? ROUND_ANCHOR;
  const runsOn = supportOf(guy.anchor).runsOn(guy.anchor);
  const foot: EndLength = { wraps: 1, girth, knotDiameters: made.cordInDiameters, runsOn };
  const wants = cutBetween(hank, length, [foot, tieOut], d, made.hauls ? GUY_TRAVEL : 0);
  return { ...wants, over: Math.max(0, keptLength(m) - cutLength(wants)) };
}
