import type { Vec3 } from '../quantity/index.js';
import type { TensionCurve } from './curve.js';
import { linearCurve, tensionCurve } from './curve.js';
import { GROUND_STIFFNESS } from './contact.js';
import type { Net, NetLine, NetPass } from './document.js';
import { stemArrays } from './stems.js';
import type { SheetWind } from './wind.js';

/** How a line is held at a node it runs through. */
export const RING = 0; // value: capstan coefficient
export const GRIP = 1; // value: N
export const GRIP_RATIO = 2; // value: share of the whole pull
export const LOCKED = 3;

/**
 * A net as flat arrays: the topology, which never changes, and the numbers, which may change from one load case to
 * the next (`at` of held nodes, `load`, `spring`, `rest`, `weight`, `pressure`, `panelWeight`, friction and grip).
 * Vectors are 3 numbers a node, relative to `origin`.
 */
export interface Structure {
  readonly nodes: number;
  readonly nodeId: readonly string[];
  readonly nodeIndex: ReadonlyMap<string, number>;
  /** Added to every place: the middle of the net, so that rounding is the net's own and not the map's. */
  readonly origin: Vec3;
  readonly at: Float64Array;
  /** 1 where a component is held. */
  readonly fixed: Uint8Array;
  readonly load: Float64Array;
  readonly spring: Float64Array;

  readonly footNode: Int32Array;
  /** Unit normals, 3 a foot. */
  readonly footNormal: Float64Array;
  readonly footFriction: Float64Array;

  /** Nodes that something stops, and the node each lies on; -1 is the ground. */
  readonly contactNode: Int32Array;
  readonly contactHost: Int32Array;
  /** Unit vectors in which it pushes, 3 a contact; friction, and stiffness under one node, N/m. */
  readonly contactNormal: Float64Array;
  readonly contactFriction: Float64Array;
  readonly contactStiffness: Float64Array;
  /** Where the ground's plane lies along its normal, m from the origin. */
  groundLevel: number;

  /** Stem i has the nodes stemStart[i] .. stemStart[i + 1] of stemNode, and a stiffness of as many rows, N/m. */
  readonly stemStart: Int32Array;
  readonly stemNode: Int32Array;
  readonly stemStiffness: readonly Float64Array[];

  /** Line i has the stretches i + passStart[i] .. i + passStart[i + 1], one more than the nodes it runs through. */
  readonly lineId: readonly string[];
  readonly rest: Float64Array;
  readonly weight: Float64Array;
  /** Each line's; may change as the numbers may. */
  readonly curve: TensionCurve[];
  /** First and second node of each stretch. */
  readonly stretchFrom: Int32Array;
  readonly stretchTo: Int32Array;
  readonly passStart: Int32Array;
  readonly passNode: Int32Array;
  readonly passKind: Uint8Array;
  readonly passValue: Float64Array;
  /** Unstressed distance from the line's start at which each node sits to begin with, m. */
  readonly passAt: Float64Array;

  readonly strutId: readonly string[];
  readonly strutFrom: Int32Array;
  readonly strutTo: Int32Array;
  readonly strutRest: Float64Array;
  /** EA, N. */
  readonly strutStiffness: Float64Array;

  readonly panelId: readonly string[];
  /** 3 nodes a panel. */
  readonly corner: Int32Array;
  /** 3 a panel: gradient of the second corner's shape function along a-b and across, and of the third's across, 1/m. */
  readonly gradient: Float64Array;
  /** Unstressed area, m2. */
  readonly area: Float64Array;
  /** Elasticity, 6 a panel, in axes along and across side a-b: compliances 11, 22, 12, 66, 16, 26, m/N. */
  readonly compliance: Float64Array;
  /** Isotropic panels: stiffness, N/m, and Poisson's ratio, 2 a panel; stiffness 0 marks woven cloth. */
  readonly isotropic: Float64Array;
  /** Given pressure on each panel, Pa; the wind's comes to it. */
  readonly pressure: Float64Array;
  /** Wind whose pressure goes with each panel's own facing; null for none. */
  wind: SheetWind | null;
  /** N per unstressed m2. */
  readonly panelWeight: Float64Array;
}

const UP: Vec3 = [0, 0, 1];

/**
 * Turns a net into arrays. Reads nothing that `readNet` has not checked; throws RangeError on an unknown node.
 * @param about the arrays' origin, m; the middle of the net when left out
 */
export function structureOf(net: Net, about?: Vec3): Structure {
  const { nodes, lines = [], struts = [], panels = [], ground, rests = [], stems = [] } = net;
  const count = nodes.length;
  const nodeIndex = new Map(nodes.map((n, i) => [n.id, i]));
  const find = (id: string, who: string): number => {
    const i = nodeIndex.get(id);
    if (i === undefined) throw new RangeError(`${who}: there is no node "${id}"`);
    return i;
  };
  const origin: [number, number, number] = [0, 0, 0];
  for (let c = 0; c < 3; c++)
    if (about === undefined) for (const n of nodes) origin[c]! += n.at[c]! / count;
    else origin[c] = about[c]!;
  const at = new Float64Array(3 * count);
  const fixed = new Uint8Array(3 * count);
  const load = new Float64Array(3 * count);
  const spring = new Float64Array(3 * count);
  nodes.forEach((n, i) => {
    for (let c = 0; c < 3; c++) {
      at[3 * i + c] = n.at[c]! - origin[c]!;
      fixed[3 * i + c] = (typeof n.fixed === 'object' ? n.fixed[c]! : (n.fixed ?? false)) ? 1 : 0;
      load[3 * i + c] = n.load?.[c] ?? 0;
      spring[3 * i + c] = n.spring?.[c] ?? 0;
    }
  });
  const feet = nodes.map((n, i) => ({ i, foot: n.foot })).filter((f) => f.foot !== undefined);
  const footNormal = new Float64Array(3 * feet.length);
  feet.forEach(({ foot }, k) => {
    const normal = foot!.normal ?? [0, 0, 1];
    const size = Math.hypot(...normal);
    for (let c = 0; c < 3; c++) footNormal[3 * k + c] = normal[c]! / size;
  });

  const out = ground?.normal ?? [0, 0, 1];
  const steep = Math.hypot(...out);
  const groundNormal: Vec3 = [out[0] / steep, out[1] / steep, out[2] / steep];
  const contacts = [
    ...(ground === undefined
      ? []
      : nodes.flatMap((n, i) =>
          n.overGround === true
            ? [
                {
                  node: i,
                  host: -1,
                  normal: groundNormal,
                  friction: ground.friction,
                  stiffness: ground.stiffness ?? GROUND_STIFFNESS,
                },
              ]
            : [],
        )),
    ...rests.map((r) => ({
      node: find(r.node, 'rests'),
      host: find(r.on, 'rests'),
      normal: UP,
      friction: r.friction,
      stiffness: r.stiffness ?? GROUND_STIFFNESS,
    })),
  ];

  const passStart = new Int32Array(lines.length + 1);
  lines.forEach((l, i) => (passStart[i + 1] = passStart[i]! + (l.through?.length ?? 0)));
  const passes = passStart[lines.length]!;
  const stretchFrom = new Int32Array(lines.length + passes);
  const stretchTo = new Int32Array(lines.length + passes);
  const passNode = new Int32Array(passes);
  const passKind = new Uint8Array(passes);
  const passValue = new Float64Array(passes);
  const passAt = new Float64Array(passes);
  lines.forEach((l, i) => {
    const who = `line "${l.id}"`;
    const chain = [l.from, ...(l.through ?? []).map((p) => p.node), l.to].map((id) => find(id, who));
    for (let k = 0; k + 1 < chain.length; k++) {
      stretchFrom[i + passStart[i]! + k] = chain[k]!;
      stretchTo[i + passStart[i]! + k] = chain[k + 1]!;
    }
    const places = passPlaces(l, chain, at);
    (l.through ?? []).forEach((p, k) => {
      const j = passStart[i]! + k;
      passNode[j] = chain[k + 1]!;
      [passKind[j], passValue[j]] = lawOf(p);
      passAt[j] = places[k]!;
    });
  });

  const triangles = panels.length;
  const corner = new Int32Array(3 * triangles);
  const gradient = new Float64Array(3 * triangles);
  const area = new Float64Array(triangles);
  const compliance = new Float64Array(6 * triangles);
  const isotropic = new Float64Array(2 * triangles);
  panels.forEach((p, i) => {
    const [a, b, c] = p.corners.map((id) => find(id, `panel "${p.id}"`)) as [number, number, number];
    corner.set([a, b, c], 3 * i);
    const [ab, bc, ca] = p.rest ?? [distance(at, a, b), distance(at, b, c), distance(at, c, a)];
    const along = (ab * ab + ca * ca - bc * bc) / (2 * ab);
    const s = (ab + bc + ca) / 2;
    area[i] = Math.sqrt(Math.max(s * (s - ab) * (s - bc) * (s - ca), 0));
    const height = (2 * area[i]!) / ab;
    gradient.set([1 / ab, -along / (ab * height), 1 / height], 3 * i);
    const poisson = p.poisson ?? 0;
    if (p.weave === undefined) isotropic.set([p.stiffness, poisson], 2 * i);
    compliance.set(complianceOf(p.stiffness, poisson, p.weave), 6 * i);
  });

  return {
    nodes: count,
    nodeId: nodes.map((n) => n.id),
    nodeIndex,
    origin,
    at,
    fixed,
    load,
    spring,
    footNode: Int32Array.from(feet, (f) => f.i),
    footNormal,
    footFriction: Float64Array.from(feet, (f) => f.foot!.friction),
    contactNode: Int32Array.from(contacts, (c) => c.node),
    contactHost: Int32Array.from(contacts, (c) => c.host),
    contactNormal: Float64Array.from(contacts.flatMap((c) => [...c.normal])),
    contactFriction: Float64Array.from(contacts, (c) => c.friction),
    contactStiffness: Float64Array.from(contacts, (c) => c.stiffness),
    groundLevel: [0, 1, 2].reduce((sum, c) => sum + groundNormal[c]! * ((ground?.at[c] ?? 0) - origin[c]!), 0),
    ...stemArrays(stems, find),
    lineId: lines.map((l) => l.id),
    rest: Float64Array.from(lines, (l) => l.restLength),
    weight: Float64Array.from(lines, (l) => l.weightPerMetre ?? 0),
    curve: lines.map((l) => (l.curve === undefined ? linearCurve(l.axialStiffness!) : tensionCurve(l.curve))),
    stretchFrom,
    stretchTo,
    passStart,
    passNode,
    passKind,
    passValue,
    passAt,
    strutId: struts.map((s) => s.id),
    strutFrom: Int32Array.from(struts, (s) => find(s.from, `strut "${s.id}"`)),
    strutTo: Int32Array.from(struts, (s) => find(s.to, `strut "${s.id}"`)),
    strutRest: Float64Array.from(struts, (s) => s.restLength),
    strutStiffness: Float64Array.from(struts, (s) => s.axialStiffness),
    panelId: panels.map((p) => p.id),
    corner,
    gradient,
    area,
    compliance,
    isotropic,
    pressure: Float64Array.from(panels, (p) => p.pressure ?? 0),
    wind: null,
    panelWeight: Float64Array.from(panels, (p) => p.weightPerArea ?? 0),
  };
}

function distance(at: Float64Array, a: number, b: number): number {
  return Math.hypot(at[3 * a]! - at[3 * b]!, at[3 * a + 1]! - at[3 * b + 1]!, at[3 * a + 2]! - at[3 * b + 2]!);
}

function lawOf(pass: NetPass): [kind: number, value: number] {
  if (pass.friction === 'locked') return [LOCKED, 0];
  if (pass.friction !== undefined) return [RING, pass.friction];
  if (pass.grip !== undefined) return [GRIP, pass.grip];
  return [GRIP_RATIO, pass.gripRatio ?? 0];
}

/** Where the nodes sit on the line to begin with: as given, or the rest length shared as they lie. */
function passPlaces(line: NetLine, chain: readonly number[], at: Float64Array): number[] {
  const through = line.through ?? [];
  if (through.every((p) => p.at !== undefined)) return through.map((p) => p.at!);
  const gaps = chain.slice(1).map((n, k) => distance(at, chain[k]!, n));
  const whole = gaps.reduce((s, g) => s + g, 0);
  const least = 1e-3 * (whole > 0 ? whole : 1); // no stretch may begin without any line in it
  const shares = gaps.map((g) => Math.max(g, least));
  const sum = shares.reduce((s, g) => s + g, 0);
  let place = 0;
  return through.map((_, k) => (place += (line.restLength * shares[k]!) / sum));
}

/** Compliances 11, 22, 12, 66, 16, 26 in axes along and across side a-b. */
function complianceOf(
  stiffness: number,
  poisson: number,
  weave: { readonly angle: number; readonly weft: number; readonly shear: number } | undefined,
): number[] {
  const s11 = 1 / stiffness;
  const s12 = -poisson / stiffness;
  if (weave === undefined) return [s11, s11, s12, (2 * (1 + poisson)) / stiffness, 0, 0];
  const s22 = 1 / weave.weft;
  const s66 = 1 / weave.shear;
  const c = Math.cos(weave.angle);
  const s = Math.sin(weave.angle);
  const c2 = c * c;
  const s2 = s * s;
  const mixed = 2 * s12 + s66;
  return [
    s11 * c2 * c2 + mixed * s2 * c2 + s22 * s2 * s2,
    s11 * s2 * s2 + mixed * s2 * c2 + s22 * c2 * c2,
    s12 * (s2 * s2 + c2 * c2) + (s11 + s22 - s66) * s2 * c2,
    2 * (2 * s11 + 2 * s22 - 4 * s12 - s66) * s2 * c2 + s66 * (s2 * s2 + c2 * c2),
    (2 * s11 - 2 * s12 - s66) * s * c * c2 - (2 * s22 - 2 * s12 - s66) * s * s2 * c,
    (2 * s11 - 2 * s12 - s66) * s * s2 * c - (2 * s22 - 2 * s12 - s66) * s * c * c2,
  ];
}
