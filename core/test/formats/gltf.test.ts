import { describe, expect, test } from '@jest/globals';
import validator from 'gltf-validator';
import { rigGltf } from '../../src/formats/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { PitchForm } from '../../src/roof/index.js';
import { judgeRig, reportOf } from '../../src/shelter/index.js';
import { bareRig } from '../shelter/bare.js';
import { contextFor, rigOf, roofFor } from '../pitch/helper.js';

interface Gltf {
  readonly nodes: readonly { name: string; mesh: number; extras?: { row?: string; tension?: number } }[];
  readonly meshes: readonly { primitives: readonly { attributes: { POSITION: number }; mode: number }[] }[];
  readonly accessors: readonly { count: number; min?: number[]; max?: number[]; bufferView: number }[];
  readonly bufferViews: readonly { byteOffset: number; byteLength: number }[];
  readonly buffers: readonly { uri: string }[];
}

function made(form: PitchForm) {
  const roof = roofFor(form);
  const rig = rigOf(form, roof);
  const context = contextFor(roof);
  const { result } = evaluatePitch(rig, context, { full: false });
  const report = reportOf(rig, context, false, { line: null, roof: result, bed: null });
  return { rig, result, text: rigGltf('a rig', report, context.body) };
}

describe('the scene as glTF', () => {
  test.each(['gable', 'wedge', 'prop'] as const)(
    'a %s passes the format’s own validator without a word',
    async (form) => {
      const { text } = made(form);
      const report = await validator.validateBytes(new TextEncoder().encode(text));
      expect(report.issues.messages).toEqual([]);
      expect(report.info.version).toBe('2.0');
    },
  );
  test('holds the cloth’s places, up along y, and every line with its pull', () => {
    const { result, text } = made('gable');
    const gltf = JSON.parse(text) as Gltf;
    const cloth = gltf.nodes.find((n) => n.name === 'cloth')!;
    const accessor = gltf.accessors[gltf.meshes[cloth.mesh]!.primitives[0]!.attributes.POSITION]!;
    expect(accessor.count).toBe(result.topology.clothNodes);
    const bytes = Buffer.from(gltf.buffers[0]!.uri.split(',')[1]!, 'base64');
    const view = gltf.bufferViews[accessor.bufferView]!;
    const { at } = result.shapes[0]!;
    for (let k = 0; k < accessor.count; k++) {
      const read = [0, 1, 2].map((c) => bytes.readFloatLE(view.byteOffset + 4 * (3 * k + c)));
      expect(read[0]).toBeCloseTo(at[3 * k]!, 5);
      expect(read[1]).toBeCloseTo(at[3 * k + 2]!, 5);
      expect(read[2]).toBeCloseTo(-at[3 * k + 1]!, 5);
    }
    for (const l of result.topology.lines) {
      const node = gltf.nodes.find((n) => n.extras?.row === l.row)!;
      expect(node.extras!.tension).toBeCloseTo(result.shapes[0]!.tension[l.line]!, 9);
      expect(gltf.meshes[node.mesh]!.primitives[0]!.mode).toBe(3);
    }
  });
  test('a bare ridgeline is a scene without a cloth', async () => {
    const { rig, context } = bareRig();
    const { report } = judgeRig(rig, context, { full: false });
    const text = rigGltf('a line', report, context.body);
    expect((await validator.validateBytes(new TextEncoder().encode(text))).issues.messages).toEqual([]);
    const { nodes } = JSON.parse(text) as Gltf;
    expect(nodes.filter((n) => n.extras?.row === 'ridge')).toHaveLength(rig.hung.length + 1);
    expect(nodes.some((n) => n.name === 'cloth')).toBe(false);
  });
});
