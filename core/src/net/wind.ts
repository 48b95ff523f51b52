import type { Vec3 } from '../quantity/index.js';

/** How a sheet answers wind by how squarely it faces it: an odd law without a jump, so that a solve can follow it. */
export interface PressureLaw {
  /** Net normal-force coefficient. @param facing the sheet's unit normal times the wind's unit direction, -1 to 1 */
  readonly coefficient: (facing: number) => number;
  /** Its derivative by `facing`. */
  readonly slope: (facing: number) => number;
}

/** Wind on every panel of a net, as part of its balance: pressure = q x coefficient(facing), along the right-hand normal. */
export interface SheetWind {
  /** Unit vector it blows toward. */
  readonly toward: Vec3;
  /** Velocity pressure, Pa. */
  readonly q: number;
  readonly law: PressureLaw;
}
