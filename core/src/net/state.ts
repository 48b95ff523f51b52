import { STRETCH } from './stretch.js';
import type { Structure } from './structure.js';

/** Where a structure is, with everything an evaluation writes. Allocated once, reused by every solve. */
export interface State {
  readonly structure: Structure;
  /** Places, 3 a node, m from the structure's origin. */
  readonly x: Float64Array;
  /** Out-of-balance force of everything but rigid supports on each node, N. */
  readonly force: Float64Array;
  /** N m; a potential only where `conservative`. */
  energy: number;
  /** Largest tension, strut force, panel corner force and load, N: the scale of the residual. */
  scale: number;
  /** Unstressed distance from the line's start of each node a line runs through, m. */
  readonly slip: Float64Array;
  /** Multipliers of the feet, 3 a foot, N: the force of the ground, refined until nothing stuck has moved. */
  readonly push: Float64Array;
  /** What friction of the ground may hold at each contact, N: friction times the last push found. */
  readonly contactBound: Float64Array;
  /** True where that goes with the push as it is: wherever the forces have no potential anyhow, and while the net moves. */
  liveFriction: boolean;
  /** True while the net moves. */
  moving: boolean;
  /** How far each contact has slid since it was laid, 3 a contact, m: where friction holds it to while the net moves; 0 for a net at rest. */
  readonly contactSlid: Float64Array;
  /** What the cloth's law said of each panel at the last evaluation, 10 numbers each. */
  readonly law: Float64Array;
  /** Pressure on each panel at the last evaluation, Pa: given and wind's. */
  readonly panelPressure: Float64Array;
  /** Stiffness with which the multipliers are refined, N/m. */
  footStiffness: number;
  /** Last catenary of each stretch, 2 numbers each: where its next one starts. */
  readonly hang: Float64Array;
  /** What each stretch said last, STRETCH numbers each. */
  readonly stretch: Float64Array;
  /** By how much the feet's stiffness is raised in tangents, so that a stuck foot answers as if held; 1 while solving. */
  firmness: number;
  /** Catenaries and straight stretches evaluated since the engine last took account of them, in block operations. */
  effort: number;
  /** At most this much of it in one evaluation: beyond, slips are left unsettled. */
  effortLimit: number;
  /** True while every foot, hitch and rough ring is held where it was: what a rig starts from before anything slides. */
  held: boolean;
  /** Stiffness, N/m, of the tethers that hold every node to `tether` while a loose net is settled; 0 otherwise. */
  tetherStiffness: number;
  readonly tether: Float64Array;
  /** True while tangents take their geometric stiffness from the tensions foreseen by the last step. */
  foreseeing: boolean;
  /** Foreseen tension of each weightless stretch, N, and stress 11, 22, 12 of each panel, N/m. */
  readonly foreseenTension: Float64Array;
  readonly foreseenStress: Float64Array;
}

export function newState(structure: Structure): State {
  return {
    structure,
    x: structure.at.slice(),
    force: new Float64Array(3 * structure.nodes),
    energy: 0,
    scale: 0,
    slip: structure.passAt.slice(),
    push: new Float64Array(3 * structure.footNode.length),
    contactBound: new Float64Array(structure.contactNode.length),
    liveFriction: false,
    moving: false,
    contactSlid: new Float64Array(3 * structure.contactNode.length),
    law: new Float64Array(10 * structure.area.length),
    panelPressure: new Float64Array(structure.area.length),
    footStiffness: 0,
    hang: new Float64Array(2 * structure.stretchFrom.length),
    stretch: new Float64Array(STRETCH * structure.stretchFrom.length),
    firmness: 1,
    effort: 0,
    effortLimit: Number.POSITIVE_INFINITY,
    held: false,
    tetherStiffness: 0,
    tether: new Float64Array(3 * structure.nodes),
    foreseeing: false,
    foreseenTension: new Float64Array(structure.stretchFrom.length),
    foreseenStress: new Float64Array(3 * structure.area.length),
  };
}

/** Takes the stiffness matrix of elements, one at a time. */
export interface Sink {
  /**
   * @param element index: lines, then struts, panels, feet, contacts, stems
   * @param k       -dforce/dplace of the element's nodes, row by row, `stride` numbers a row; may be changed
   */
  add(element: number, k: Float64Array, stride: number): void;
  /** Adds a spring to the ground at a node. */
  ground(node: number, kx: number, ky: number, kz: number): void;
}

/** The nodes of every element: lines, struts, panels, feet, contacts, stems, in this order. */
export interface Members {
  readonly start: Int32Array;
  readonly node: Int32Array;
  readonly firstStrut: number;
  readonly firstPanel: number;
  readonly firstFoot: number;
  readonly firstContact: number;
  readonly firstStem: number;
}

export function membersOf(s: Structure): Members {
  const start: number[] = [0];
  const node: number[] = [];
  for (let i = 0; i < s.rest.length; i++) {
    const first = i + s.passStart[i]!;
    const last = i + s.passStart[i + 1]!;
    node.push(s.stretchFrom[first]!);
    for (let k = first; k <= last; k++) node.push(s.stretchTo[k]!);
    start.push(node.length);
  }
  for (let i = 0; i < s.strutFrom.length; i++) {
    node.push(s.strutFrom[i]!, s.strutTo[i]!);
    start.push(node.length);
  }
  for (let i = 0; i < s.area.length; i++) {
    node.push(s.corner[3 * i]!, s.corner[3 * i + 1]!, s.corner[3 * i + 2]!);
    start.push(node.length);
  }
  for (const n of s.footNode) {
    node.push(n);
    start.push(node.length);
  }
  s.contactNode.forEach((n, c) => {
    node.push(n);
    if (s.contactHost[c]! >= 0) node.push(s.contactHost[c]!);
    start.push(node.length);
  });
  for (let i = 0; i + 1 < s.stemStart.length; i++) {
    node.push(...s.stemNode.subarray(s.stemStart[i]!, s.stemStart[i + 1]!));
    start.push(node.length);
  }
  const firstStrut = s.rest.length;
  const firstPanel = firstStrut + s.strutFrom.length;
  return {
    start: Int32Array.from(start),
    node: Int32Array.from(node),
    firstStrut,
    firstPanel,
    firstFoot: firstPanel + s.area.length,
    firstContact: firstPanel + s.area.length + s.footNode.length,
    firstStem: firstPanel + s.area.length + s.footNode.length + s.contactNode.length,
  };
}
