import type { Vec3 } from '../quantity/index.js';

/**
 * A structure of nodes and tension elements, the project's lowest open format (docs/formats/net.md). SI units,
 * z up; gravity acts only through the weights and loads given.
 */
export interface Net {
  readonly format: 'rough-bight/net@1';
  readonly nodes: readonly NetNode[];
  readonly lines?: readonly NetLine[];
  readonly struts?: readonly NetStrut[];
  readonly panels?: readonly NetPanel[];
  /** What stops the nodes that say so. */
  readonly ground?: NetGround;
  /** Nodes that lie on others, as cloth on a line. */
  readonly rests?: readonly NetRest[];
  /** Trees and posts that bend under all that is tied to them. Not read from files. */
  readonly stems?: readonly NetStem[];
}

/** Nodes on one stem: each moves level by what is pulled at all of them. They are held upright. */
export interface NetStem {
  readonly id: string;
  readonly nodes: readonly string[];
  /** Way of the node of the row for a newton at that of the column, m/N; symmetric and positive definite. */
  readonly flexibility: readonly (readonly number[])[];
}

/** A node that lies on another: held up by it, held sideways by friction, free to lift off. */
export interface NetRest {
  readonly node: string;
  readonly on: string;
  /** Coulomb coefficient, >= 0. */
  readonly friction: number;
  /** Push for each metre that the node stands lower than the other, N/m; 1e5 by default. */
  readonly stiffness?: number;
}

/** A plane that nodes may lie on and not pass: it only pushes, and holds sideways by friction. */
export interface NetGround {
  /** A point of it, m. */
  readonly at: Vec3;
  /** Out of the ground; [0, 0, 1] by default. Need not be of length one. */
  readonly normal?: Vec3;
  /** Coulomb coefficient, >= 0. */
  readonly friction: number;
  /** Push of the ground on a node for each metre it stands in it, N/m; 1e5 by default. */
  readonly stiffness?: number;
}

export interface NetNode {
  readonly id: string;
  /** Where it is before anything moves, m. */
  readonly at: Vec3;
  /** Held in all or in some components; free by default. */
  readonly fixed?: boolean | readonly [boolean, boolean, boolean];
  /** Stiffness of a spring to the ground at `at`, N/m. */
  readonly spring?: Vec3;
  /** Load, N. */
  readonly load?: Vec3;
  /** Stands on the ground at `at`: sticks, slides or lifts. */
  readonly foot?: NetFoot;
  /** Whether the net's ground stops it. */
  readonly overGround?: boolean;
}

/** A foot on a plane: it cannot sink, may lift, and holds sideways up to friction times its pressure. */
export interface NetFoot {
  /** Coulomb coefficient, >= 0. */
  readonly friction: number;
  /** Out of the ground; [0, 0, 1] by default. Need not be of length one. */
  readonly normal?: Vec3;
}

export interface NetLine {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** Unstressed length, m, > 0. */
  readonly restLength: number;
  /** EA, N: T = EA (length - rest) / rest, 0 when slack. This or `curve`. */
  readonly axialStiffness?: number;
  /** [strain, N], rising, first [0, 0]; beyond the last point its slope goes on. */
  readonly curve?: readonly (readonly [number, number])[];
  /** N per unstressed metre, >= 0; hangs as an exact elastic catenary. */
  readonly weightPerMetre?: number;
  /** Rings the line runs through and hitches tied on it, in order from `from` to `to`. */
  readonly through?: readonly NetPass[];
}

/** A node that sits on a line: a ring (`friction`) or a friction hitch (`grip` or `gripRatio`). Exactly one of the three. */
export interface NetPass {
  readonly node: string;
  /** Unstressed distance from the line's start, m; by default rest length shared as the nodes lie. */
  readonly at?: number;
  /** Capstan coefficient: tensions differ by at most exp(friction x turn); 0 runs free; "locked" never slides. */
  readonly friction?: number | 'locked';
  /** Largest difference of tension the hitch holds, N. */
  readonly grip?: number;
  /** The same as a share of the whole pull of the hitch on its host line. */
  readonly gripRatio?: number;
}

export interface NetStrut {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly restLength: number;
  readonly axialStiffness: number;
}

export interface NetPanel {
  readonly id: string;
  readonly corners: readonly [string, string, string];
  /** Unstressed sides a-b, b-c, c-a, m; the corners' `at` by default. */
  readonly rest?: Vec3;
  /** N/m, thickness-integrated, > 0. */
  readonly stiffness: number;
  /** -1 < poisson < 1, 0 by default. */
  readonly poisson?: number;
  /** Follower pressure along the right-hand normal a-b-c, Pa. */
  readonly pressure?: number;
  /** N per unstressed square metre, >= 0. */
  readonly weightPerArea?: number;
  /** Woven cloth instead of `stiffness` and `poisson` alike in all directions. */
  readonly weave?: NetWeave;
}

/** Orthotropic cloth: straight warp and weft threads at right angles in the unstressed shape. */
export interface NetWeave {
  /** Angle from side a-b toward corner c to the warp, rad. */
  readonly angle: number;
  /** Stiffness along the weft, N/m; `stiffness` is along the warp. */
  readonly weft: number;
  /** Shear stiffness between warp and weft, N/m: what the cloth has on the bias. */
  readonly shear: number;
}

/** What the engine found: `rb net` prints this. */
export interface NetResult {
  readonly converged: boolean;
  /** Largest unbalanced force on a node, N. */
  readonly residual: number;
  readonly iterations: number;
  /** Why not converged, naming the node or element. */
  readonly reason: string | null;
  readonly nodes: Readonly<Record<string, NodeResult>>;
  readonly lines: Readonly<Record<string, LineResult>>;
  readonly struts: Readonly<Record<string, { readonly force: number }>>;
  readonly panels: Readonly<Record<string, PanelResult>>;
  /** Ways the net can move without resistance. */
  readonly mechanisms: readonly Mechanism[];
  readonly slackLines: readonly string[];
  readonly slidHitches: readonly { readonly line: string; readonly node: string; readonly by: number }[];
  readonly wrinkledPanels: readonly string[];
  readonly slackPanels: readonly string[];
  /** What the reader should know about the file. */
  readonly warnings: readonly string[];
}

export interface NodeResult {
  readonly at: Vec3;
  /** Force of the support on the net, N. */
  readonly reaction: Vec3;
  /** Only where there is a foot. */
  readonly foot?: FootState;
  /** Force of the ground on it, N; only where the ground may stop it. */
  readonly ground?: Vec3;
}
export type FootState = 'stuck' | 'slid' | 'lifted';

export interface LineResult {
  /** Largest along the line, N. */
  readonly tension: number;
  readonly tensionFrom: number;
  readonly tensionTo: number;
  /** Largest horizontal part of the tension, N; constant along a stretch. */
  readonly horizontal: number;
  /** Stretched length, m. */
  readonly length: number;
  /** Largest vertical drop below the chord of a stretch, m. */
  readonly sag: number;
  /** Only where the line runs through something. */
  readonly through?: readonly PassResult[];
}

export interface PassResult {
  readonly node: string;
  /** Tension before and after it, on the way from `from` to `to`, N. */
  readonly before: number;
  readonly after: number;
  /** Line that ran through, unstressed m: positive when the node has moved toward `to` along the line. */
  readonly slid: number;
  readonly state: 'stuck' | 'slid';
}

export interface PanelResult {
  /** Second Piola-Kirchhoff stresses, N/m, largest first. */
  readonly stress: readonly [number, number];
  readonly state: 'taut' | 'wrinkled' | 'slack';
}

export interface Mechanism {
  /** The node that moves most. */
  readonly node: string;
  /** Unit direction in which it is free. */
  readonly direction: Vec3;
}
