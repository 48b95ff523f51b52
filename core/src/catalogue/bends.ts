import type { Constant } from './evidence.js';
import { LOOP_JOIN, strengthKept } from './knots.js';

/** A knot that joins two ends of cord. */
export interface Bend {
  readonly id: string;
  readonly name: string;
  /** Share of the cord's strength that is left in it. */
  readonly efficiency: Constant;
  /** Cord that it takes of both ends together, in cord diameters, without its tails. */
  readonly cordInDiameters: number;
  /** Why it is never taken; absent for those that may be. */
  readonly refused?: string;
  readonly words: string;
}

const inBend = (name: string, low: number, typical: number, high: number): Constant =>
  strengthKept('f_bend', name, low, typical, high);

/** Bends, the easiest to undo first. */
export const BENDS: readonly Bend[] = [
  {
    id: 'double-sheet',
    name: 'double sheet bend',
    efficiency: inBend('double sheet bend', 0.45, 0.53, 0.6),
    cordInDiameters: 40,
    words: 'Undone by hand. The tails on the same side; the thicker cord makes the bight.',
  },
  {
    id: 'figure-eight',
    name: 'figure-eight bend',
    efficiency: inBend('figure-eight bend', 0.55, 0.65, 0.75),
    cordInDiameters: 60,
    words: 'One end follows the other back through a figure eight, side by side, uncrossed.',
  },
  {
    id: LOOP_JOIN.id,
    name: 'double fisherman’s bend',
    efficiency: LOOP_JOIN.efficiency,
    cordInDiameters: LOOP_JOIN.cordInDiameters,
    words: 'The strongest here, and hardly undone once it was loaded.',
  },
  {
    id: 'reef',
    name: 'reef knot',
    efficiency: inBend('reef knot used as a bend', 0.35, 0.42, 0.5),
    cordInDiameters: 25,
    refused:
      'A tug on one tail turns a reef knot over, and both cords slide out of it. It ties a parcel; it joins no lines.',
    words: 'For bindings only.',
  },
];

/** Both tails of a bend, m. Judgement: 0.1 to 0.3. */
export const BEND_TAILS = 0.2;

/** Those that may join a line, the easiest to undo first, and the one that people reach for and must not. */
export const safeBends = (): readonly Bend[] => BENDS.filter((b) => b.refused === undefined);
export const WRONG_BEND = BENDS.find((b) => b.id === 'reef')!;
