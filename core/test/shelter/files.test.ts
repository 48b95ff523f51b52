import { describe, expect, test } from '@jest/globals';
import validator from 'gltf-validator';
import { rigGltf, rigSvg } from '../../src/formats/index.js';
import { bedProblems, freshBed, rehung, strapsFor } from '../../src/rig/index.js';
import { SUPPORT_KINDS, freshSupport, holdsOnGround } from '../../src/support/index.js';
import type { GuyAnchor } from '../../src/support/index.js';
import { judgedWhole } from '../said.js';
import { ONE_TREE, UNDER_FLY, UNITS, bedded, demo, namedWind } from './helper.js';

const fly = demo(UNDER_FLY);
const judged = judgedWhole(fly.rig, fly.context, { full: false });
const { bed } = judged;
const lying = bed!.shapes.find((s) => s.caseId === 'lying')!;

describe('a bed in drawings and scenes', () => {
  test.each(['plan', 'side'] as const)('is on the %s with its straps and their pulls', (view) => {
    const drawing = { name: 'fly', report: judged, body: fly.context.body, units: UNITS };
    const svg = rigSvg(view, { ...drawing, bed: lying });
    expect(svg).toMatch(/<path class="bed" d="M[\d.]+ [\d.]+L/);
    expect(svg.match(/class="line strap"/g)).toHaveLength(2);
    expect(svg).toContain(`>${lying.straps[0].toFixed(0)} N<`);
    // its height over the ground is measured in the side view
    if (view === 'side') expect(svg).toContain('>0.45 m<');
    expect(rigSvg(view, drawing)).not.toContain('class="bed"');
  });
  test('is in the scene, which the format’s own validator passes', async () => {
    const text = rigGltf('fly', judged, fly.context.body, 'pitched', lying);
    const report = await validator.validateBytes(new TextEncoder().encode(text));
    expect(report.issues.messages).toEqual([]);
    const { nodes } = JSON.parse(text) as { nodes: { name: string; extras?: { tension?: number } }[] };
    expect(nodes.find((n) => n.name === 'first strap')!.extras!.tension).toBe(lying.straps[0]);
  });
});

describe('a bed on other trunks', () => {
  test('is hung anew so that it reaches, on whatever is there', () => {
    for (const tape of [3.9, 4.6, 5.4, 6.3]) {
      const moved = rehung({ ...fly.rig, span: { ...fly.rig.span, tape } }, fly.context);
      expect(bedProblems(moved, fly.context)).toEqual([]);
      const angle = judgedWhole(
        { ...moved, pitch: { ...moved.pitch!, form: 'gable', middle: tape / 2 } },
        fly.context,
        {
          full: false,
        },
      ).bed!.lying.angles[0].value;
      expect(angle).toBeGreaterThan(0.3);
      expect(angle).toBeLessThan(0.9);
    }
    const { bed: gone, ...bare } = fly.rig;
    expect(gone).toBeDefined();
    expect(rehung(bare, fly.context)).toBe(bare);
  });
  test('a fresh one begins with straps that reach', () => {
    const kit = { bed: fly.context.beds[0]!, straps: fly.context.straps[0]! };
    const fresh = strapsFor(fly.rig, freshBed(kit, fly.context.body), kit, fly.context.body);
    expect(bedProblems(bedded(fly.rig, fresh), fly.context)).toEqual([]);
  });
});

describe('a side stay', () => {
  const sideStay = {
    cord: 'guy',
    side: 'left' as const,
    out: 1.2,
    haul: 25,
    anchor: { kind: 'peg' as const, pegs: 'cut', inLine: 1 as const, lean: 0.35 },
  };
  test('pulls the bed to its side with about what it was hauled with, and stands in the ledger', () => {
    const open = judgedWhole(bedded(fly.rig, { sideStay }), fly.context, {
      full: true,
      spreads: false,
      ...namedWind(fly.rig),
    }).bed!;
    const row = open.rows.find((r) => r.id === 'side-stay')!;
    expect(row.pitched).toBeGreaterThan(18);
    expect(row.pitched).toBeLessThan(40);
    expect(row.links.map((l) => l.link.id).sort()).toEqual(['side-stay:anchor', 'side-stay:end']);
    const middle = open.shapes.find((s) => s.caseId === 'lying')!.line[12]!;
    expect(middle[1]).toBeGreaterThan(0.005);
    const other = judgedWhole(bedded(fly.rig, { sideStay: { ...sideStay, side: 'right' } }), fly.context, {
      full: false,
    }).bed!;
    expect(other.shapes.find((s) => s.caseId === 'lying')!.line[12]![1]).toBeCloseTo(-middle[1], 3);
  });
  test('is held by whatever holds a guy: a root, a log, a bag; not by a tree of the rig', () => {
    const heldBy = (anchor: GuyAnchor) => bedded(fly.rig, { sideStay: { ...sideStay, anchor } });
    const held = (anchor: GuyAnchor): string =>
      judgedWhole(heldBy(anchor), fly.context, { full: false })
        .bed!.rows.find((r) => r.id === 'side-stay')!
        .links.find((l) => l.link.id === 'side-stay:anchor')?.link.name ?? 'a root, of which nothing is known';
    const kinds = SUPPORT_KINDS.filter(holdsOnGround);
    expect(new Set(kinds.map((k) => held(freshSupport(k, fly.context.pegs)))).size).toBe(kinds.length);
    for (const tree of ['tree', 'stem', 'same'] as const)
      expect(
        bedProblems(heldBy(freshSupport(tree, fly.context.pegs, { tree: 'trunk0', line: 'stays0' })), fly.context).map(
          (p) => p.field,
        ),
      ).toEqual(['bed.sideStay.anchor.kind']);
    expect(
      bedProblems(heldBy({ kind: 'peg', pegs: 'gone', inLine: 1, lean: 0.35 }), fly.context).map((p) => p.field),
    ).toEqual(['bed.sideStay.anchor.pegs']);
  });
});

test('the numbers of the roof over it carry their workings', () => {
  const { figures, slant, overhang, dryInRain } = bed!.over!;
  expect(figures.slant.value).toBeCloseTo(slant, 9);
  expect(figures.slant.inputs!.map((f) => f.symbol)).toEqual(['V', 'v_r']);
  expect(figures.slant.range![1]).toBeGreaterThan(slant);
  expect(figures.overhang.map((f) => f.value)).toEqual(overhang);
  expect(figures.dryInRain.value).toBe(dryInRain);
  expect(figures.gap!.notes![0]).toMatch(/roof in its case “lain”/);
  const one = demo(ONE_TREE);
  expect(judgedWhole(one.rig, one.context, { full: false }).bed!.over).toBeNull();
});
