import { groundOf } from '../pitch/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { measuredSpan, trunksUsed, uprightOf } from '../rig/index.js';
import { drawingOf } from '../shelter/index.js';
import type { BedShape, RigReport } from '../shelter/index.js';

/** Numbers of the glTF 2.0 specification (Khronos, ISO/IEC 12113:2022). */
const FLOAT = 5126;
const UINT = 5125;
const ARRAY_BUFFER = 34962;
const ELEMENT_ARRAY_BUFFER = 34963;
const LINE_STRIP = 3;
const TRIANGLES = 4;

/** Sides of a round stem. */
const SIDES = 16;
type Place = readonly [number, number, number];

/** Packs places and indices into one buffer and keeps what points into it. */
class Packer {
  private readonly parts: Uint8Array[] = [];
  private size = 0;
  readonly views: object[] = [];
  readonly accessors: object[] = [];

  private view(bytes: Uint8Array, target: number): number {
    this.views.push({ buffer: 0, byteOffset: this.size, byteLength: bytes.length, target });
    this.parts.push(bytes);
    this.size += bytes.length;
    return this.views.length - 1;
  }
  /** Index of an accessor of places. */
  places(all: readonly Place[]): number {
    // glTF stands y up: what is x, y, z here is x, z, -y there
    const numbers = Float32Array.from(all.flatMap(([x, y, z]) => [x, z, -y]));
    const bound = (pick: (...v: number[]) => number): number[] =>
      [0, 1, 2].map((c) => pick(...Array.from({ length: all.length }, (_, i) => numbers[3 * i + c]!)));
    this.accessors.push({
      bufferView: this.view(new Uint8Array(numbers.buffer), ARRAY_BUFFER),
      componentType: FLOAT,
      count: all.length,
      type: 'VEC3',
      min: bound(Math.min),
      max: bound(Math.max),
    });
    return this.accessors.length - 1;
  }
  indices(all: ArrayLike<number>): number {
    const numbers = Uint32Array.from(all);
    this.accessors.push({
      bufferView: this.view(new Uint8Array(numbers.buffer), ELEMENT_ARRAY_BUFFER),
      componentType: UINT,
      count: numbers.length,
      type: 'SCALAR',
    });
    return this.accessors.length - 1;
  }
  bytes(): Uint8Array {
    const out = new Uint8Array(this.size);
    let at = 0;
    for (const p of this.parts) {
      out.set(p, at);
      at += p.length;
    }
    return out;
  }
}

const base64 = (bytes: Uint8Array): string => {
  let text = '';
  for (const b of bytes) text += String.fromCharCode(b);
  return btoa(text);
};

/** A round stem from its foot up. */
function stem([x, y, z]: Place, height: number, diameter: number): { places: Place[]; corners: number[] } {
  const places: Place[] = [];
  const corners: number[] = [];
  for (let k = 0; k < SIDES; k++) {
    const a = (2 * Math.PI * k) / SIDES;
    const [dx, dy] = [(Math.cos(a) * diameter) / 2, (Math.sin(a) * diameter) / 2];
    places.push([x + dx, y + dy, z], [x + dx, y + dy, z + height]);
    const [p, q] = [2 * k, 2 * ((k + 1) % SIDES)];
    corners.push(p, q, q + 1, p, q + 1, p + 1);
  }
  return { places, corners };
}

/** Linear colours. */
const MATERIALS = {
  cloth: [0.584, 0.479, 0.275, 1],
  cord: [0.008, 0.018, 0.013, 1],
  wood: [0.102, 0.056, 0.03, 1],
  ground: [0.716, 0.631, 0.479, 1],
} as const;
type Material = keyof typeof MATERIALS;

/**
 * The scene of a rig as glTF 2.0 with its buffer inside: cloth, every line by the name of its row with its pull, N, in
 * `extras`, sticks, trunks, what holds the guys, and the ground. Metres; y up, as glTF asks.
 * @param caseId which case is drawn; as pitched when left out
 * @param bed    hung under it, as drawn
 * @returns the JSON text of a .gltf file
 */
export function rigGltf(
  name: string,
  report: RigReport,
  body: BodyMeasures,
  caseId = 'pitched',
  bed?: BedShape,
): string {
  const { rig, roof } = report;
  const { topology, shapes, guys } = drawingOf(report);
  const shape = shapes.find((s) => s.caseId === caseId) ?? shapes[0]!;
  const span = measuredSpan(rig, body);
  const ground = groundOf(rig, span);
  const packer = new Packer();
  const meshes: object[] = [];
  const nodes: object[] = [];
  const used: Material[] = [];
  const materialOf = (material: Material): number => {
    if (!used.includes(material)) used.push(material);
    return used.indexOf(material);
  };
  const add = (
    title: string,
    material: Material,
    places: readonly Place[],
    corners: ArrayLike<number> | null,
    extras?: Readonly<Record<string, unknown>>,
  ): void => {
    meshes.push({
      name: title,
      primitives: [
        {
          attributes: { POSITION: packer.places(places) },
          ...(corners === null ? {} : { indices: packer.indices(corners) }),
          material: materialOf(material),
          mode: corners === null ? LINE_STRIP : TRIANGLES,
        },
      ],
    });
    nodes.push({ name: title, mesh: meshes.length - 1, ...(extras === undefined ? {} : { extras }) });
  };
  const at = (k: number): Place => [shape.at[3 * k]!, shape.at[3 * k + 1]!, shape.at[3 * k + 2]!];

  if (topology.clothNodes > 0)
    add(
      'cloth',
      'cloth',
      Array.from({ length: topology.clothNodes }, (_, k) => at(k)),
      topology.corners,
    );
  const rowName = new Map(report.rows.map((r) => [r.id, r.name]));
  for (const l of topology.lines)
    add(rowName.get(l.row) ?? l.id, 'cord', l.nodes.map(at), null, { row: l.row, tension: shape.tension[l.line]! });
  for (const s of topology.sticks) add(rowName.get(s.id) ?? s.id, 'wood', [at(s.from), at(s.to)], null, { row: s.id });
  if (bed !== undefined) {
    add('bed', 'cord', bed.line, null, { row: 'bed' });
    for (const i of [0, 1] as const)
      add(
        `${i === 0 ? 'first' : 'second'} strap`,
        'cord',
        [bed.ties[i], i === 0 ? bed.line[0]! : bed.line.at(-1)!],
        null,
        {
          row: `strap${i}`,
          tension: bed.straps[i],
        },
      );
    for (const p of bed.poles) {
      add('pole', 'wood', [p.foot, p.head], null, { row: `pole${p.end}` });
      p.stays.forEach((s, k) =>
        add('back-stay', 'cord', [p.head, s.foot], null, { row: `stay${p.end}${k}`, tension: s.pull }),
      );
    }
  }
  for (const i of trunksUsed(rig)) {
    const trunk = rig.trunks[i];
    const x = i * span;
    const { rises, wide, aside } = uprightOf(trunk, 1);
    const { places, corners } = stem([x, aside, ground(x, aside)], rises, wide);
    add(trunk.name, 'wood', places, corners);
  }
  for (const g of guys) {
    if (g.solid === null) continue;
    const [x, y, z] = g.foot;
    const { below, above, thick } = g.solid;
    const { places, corners } = stem([x, y, z - below], below + above, thick);
    add(`what holds the ${g.name}`, 'wood', places, corners, { row: g.id, kind: g.held });
  }
  const far = Math.max(6, span / 2 + 3);
  const corner = (x: number, y: number): Place => [x, y, ground(x, y)];
  const c = span / 2;
  add(
    'ground',
    'ground',
    [corner(c - far, -far), corner(c + far, -far), corner(c + far, far), corner(c - far, far)],
    [0, 1, 2, 0, 2, 3],
  );
  const bytes = packer.bytes();
  return JSON.stringify({
    asset: { version: '2.0', generator: 'Rough Bight' },
    scene: 0,
    scenes: [
      { name, nodes: nodes.map((_, k) => k), extras: { case: shape.caseId, form: roof?.formName ?? 'ridgeline' } },
    ],
    nodes,
    meshes,
    materials: used.map((material) => ({
      name: material,
      doubleSided: true,
      pbrMetallicRoughness: { baseColorFactor: MATERIALS[material], metallicFactor: 0, roughnessFactor: 0.9 },
    })),
    accessors: packer.accessors,
    bufferViews: packer.views,
    buffers: [{ byteLength: bytes.length, uri: `data:application/octet-stream;base64,${base64(bytes)}` }],
  });
}
