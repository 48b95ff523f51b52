import { AIR_DENSITY, WOOD_DENSITY } from '../catalogue/index.js';
import { massOf } from '../net/index.js';
import type { PitchModel, TiedRig } from '../pitch/index.js';
import { GRAVITY } from '../quantity/index.js';

/**
 * Share of the air that goes with a stiff plate moved square to itself, pi/4 rho b a square metre for a chord b (potential flow: Newman,
 * Marine Hydrodynamics, 1977, table 4.3), that goes with cloth. Judgement, 0.25 to 1: cloth moves in waves shorter than itself. It goes
 * with the cloth along itself as well, which makes snatches harder rather than softer.
 */
export const AIR_SHARE = 0.5;

/** Share of a stem's mass below the tie that moves with the tie: 33/140 of a cantilever (Rayleigh). */
const CANTILEVER = 33 / 140;

/** What moves at every node of a rig, kg: cord, cloth and water in it, what hangs, the air that goes with the cloth, sticks and stems. */
export function bodiesOf(rig: TiedRig): Float64Array {
  const { model, engine } = rig;
  const { structure: s } = engine;
  const out = massOf(s, GRAVITY);
  const { length, width } = model.layout.roof;
  const air = AIR_SHARE * (Math.PI / 4) * AIR_DENSITY.typical * Math.min(length, width);
  for (let i = 0; i < s.area.length; i++)
    for (let c = 0; c < 3; c++) out[s.corner[3 * i + c]!]! += (air * s.area[i]!) / 3;
  const stick = (Math.PI * model.rig.pitch!.stick ** 2) / 4;
  for (let i = 0; i < s.strutFrom.length; i++)
    for (const n of [s.strutFrom[i]!, s.strutTo[i]!]) out[n]! += 0.5 * WOOD_DENSITY.typical * stick * s.strutRest[i]!;
  for (const tie of model.ties) {
    const n = s.nodeIndex.get(tie.node)!;
    out[n]! += CANTILEVER * WOOD_DENSITY.typical * stemSection(model, tie.node) * tie.height;
  }
  return out;
}

/** Section of the stem a node is tied to, m2. */
function stemSection({ ties }: PitchModel, node: string): number {
  const girth = ties.find((t) => t.node === node)!.tree.girth;
  return girth ** 2 / (4 * Math.PI);
}
