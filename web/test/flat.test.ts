import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freeAt } from '@rough-bight/core/bed';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import { evaluatePitch } from '@rough-bight/core/pitch';
import { bedStem, pitchProblems } from '@rough-bight/core/rig';
import { bedModel, judgeRig, reportOf } from '@rough-bight/core/shelter';
import { loopStep, movedBed } from '../src/scene/bed-moves.js';
import { bedCorners } from '../src/scene/depth/shapes.js';
import { farthestFirst, shadeOf } from '../src/scene/flat/cloth.js';
import { across, fitFrame, place, through, upward } from '../src/scene/flat/frame.js';
import { onRing } from '../src/scene/flat/marks.js';
import { movedPitch } from '../src/scene/pitch-moves.js';
import { casesTogether } from '../src/views/bench/cases-together.js';

const open = (name: string) => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file), body: file.settings.body };
};
const gable = open('gravel-spit-gable');
const pitched = evaluatePitch(gable.rig, gable.context, { full: false }).result;

describe('the flat views of a pitched rig', () => {
  test.each(['side', 'above'] as const)('everything of it is in the picture, from %s', (view) => {
    const frame = fitFrame(view, [740, 500], gable.rig, 7, [pitched], null);
    const { at } = pitched.shapes[0]!;
    for (let n = 0; n < pitched.topology.clothNodes; n++) {
      const [x, y] = place(frame, at, n);
      expect(x).toBeGreaterThan(0);
      expect(x).toBeLessThan(740);
      expect(y).toBeGreaterThan(0);
      expect(y).toBeLessThan(500);
    }
    // one scale both ways, up is up
    expect(across(frame, 2) - across(frame, 1)).toBeCloseTo(frame.scale, 9);
    expect(upward(frame, 1) - upward(frame, 2)).toBeCloseTo(frame.scale, 9);
    expect(through(frame, at, [0, 1])).toMatch(/^M[\d.]+ [\d.]+L[\d.]+ [\d.]+$/);
  });
  test('a rig beside it is in the picture too', () => {
    const far = { ...pitched, guys: [{ ...pitched.guys[0]!, foot: [12, 0, 0] as const }] };
    const alone = fitFrame('side', [740, 500], gable.rig, 7, [pitched], null);
    expect(fitFrame('side', [740, 500], gable.rig, 7, [pitched, far], null).scale).toBeLessThan(alone.scale);
  });
  test('near panels are drawn over far ones, and what faces the light is lighter', () => {
    const at = [0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 2, 0, 1, 2, 0, 0, 2, 1, 0, 0, 3, 1, 0, 3, 0, 1, 3];
    const corners = Int32Array.from([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    // from the side the one at y = 2 is farthest; from above the one at z = 3 is nearest
    expect(farthestFirst(corners, at, 'side')[0]).toBe(1);
    expect(farthestFirst(corners, at, 'above')[2]).toBe(2);
    const [flat, upright] = [shadeOf(at, 6, 7, 8, 'above'), shadeOf(at, 0, 1, 2, 'side')];
    expect(flat).toBeGreaterThan(upright);
    // whichever way its corners run
    expect(shadeOf(at, 6, 8, 7, 'above')).toBeCloseTo(flat, 12);
  });
  test('north is turned to where the hand is: the rig swings, the wind stays', () => {
    const swung = movedPitch(gable.rig, { kind: 'north' }, [0, 0, 0], pitched.guys, gable.body, [0, 1]).pitch!;
    expect(swung.bearing).toBeCloseTo(Math.PI / 2, 2);
    expect(swung.windFrom).toBe(gable.rig.pitch!.windFrom);
    const full = movedPitch(gable.rig, { kind: 'north' }, [0, 0, 0], pitched.guys, gable.body, [1, -1e-4]).pitch!;
    expect(full.bearing).toBeLessThanOrEqual(2 * Math.PI);
  });
  test('a tie-out taken up gets a stick, let down it loses it, hardly moved it stays', () => {
    const grip = { kind: 'stick', key: '01', height: 0.5 } as const;
    const up = movedPitch(gable.rig, grip, [0, 0, 0.4], pitched.guys, gable.body);
    expect(up.pitch!.own['01']!.stick).toBeCloseTo(0.9, 9);
    expect(pitchProblems(up, gable.context)).toEqual([]);
    expect(movedPitch(gable.rig, grip, [0, 0, 0.02], pitched.guys, gable.body)).toBe(gable.rig);
    const down = movedPitch(up, { ...grip, height: 0.9 }, [0, 0, -0.85], pitched.guys, gable.body);
    expect(down.pitch!.own['01']!.stick).toBe(0);
  });
});

describe('taking hold of a bed', () => {
  const fly = open('river-bed-under-the-fly');
  const straps = fly.context.straps[0]!;
  test('a strap goes up and down its trunk, to the centimetre, within its limits', () => {
    const up = movedBed(fly.rig, straps, { kind: 'strap', index: 0 }, 0.3, 0.104);
    expect(up.bed!.ends[0].height).toBeCloseTo(fly.rig.bed!.ends[0].height + 0.1, 9);
    expect(up.bed!.ends[1]).toBe(fly.rig.bed!.ends[1]);
    expect(movedBed(fly.rig, straps, { kind: 'strap', index: 1 }, 0, -9).bed!.ends[1].height).toBe(0.3);
  });
  test('its end goes from loop to loop, outward longer at either end, and no farther than there are', () => {
    const end = fly.rig.bed!.ends[0];
    const out = movedBed(fly.rig, straps, { kind: 'loop', index: 0 }, 0.21, 0).bed!.ends[0];
    expect(out.loop).toBe(end.loop + 2);
    expect(out.wraps).toBe(end.wraps);
    const other = movedBed(fly.rig, straps, { kind: 'loop', index: 1 }, -0.1, 0).bed!.ends[1];
    expect(other.loop).toBe(fly.rig.bed!.ends[1].loop + 1);
    expect(movedBed(fly.rig, straps, { kind: 'loop', index: 0 }, 99, 0).bed!.ends[0].loop).toBe(straps.count);
    const least = movedBed(fly.rig, straps, { kind: 'loop', index: 0 }, -99, 0).bed!.ends[0];
    expect(freeAt(straps, least.wraps, least.loop, bedStem(fly.rig, 0).girth)).toBeGreaterThan(0);
    expect(loopStep(0.05)).toBeGreaterThan(straps.spacing);
    expect(loopStep(-0.05)).toBeLessThan(-straps.spacing);
  });
  test('straps tied by a hitch go anywhere', () => {
    const tight = open('drum-tight-bed');
    const moved = movedBed(tight.rig, tight.context.straps[0]!, { kind: 'loop', index: 0 }, -0.3, 0).bed!.ends[0];
    expect(moved.free).toBeCloseTo(tight.rig.bed!.ends[0].free - 0.3, 1);
  });
  test('in depth it lies along its line, open where someone is in it', () => {
    const model = bedModel(fly.rig, fly.context, { ranges: false });
    const s = model.stateOf(model.cases.find((c) => c.id === 'lying')!);
    const corners = bedCorners({ line: s.line, body: s.line });
    expect(corners).toHaveLength((s.line.length - 1) * 4 * 9);
    const wide = (body: typeof s.line): number => {
      const c = bedCorners({ line: s.line, body });
      let most = 0;
      for (let i = 1; i < c.length; i += 3) most = Math.max(most, Math.abs(c[i]!));
      return most;
    };
    expect(wide([])).toBeLessThan(wide(s.line));
  });
  test('every case that a row can be worst in has a name', () => {
    const { report } = judgeRig(fly.rig, fly.context, { full: true, spreads: false });
    const names = new Map(casesTogether(report).map((c) => [c.id, c.name]));
    for (const row of [...report.roof!.rows, ...report.bed!.rows])
      for (const l of row.links) expect(names.get(l.link.caseId)).toBeTruthy();
    expect([...names.values()].some((n) => /^in a gust from the [a-z-]+, lying still$/.test(n))).toBe(true);
    expect(casesTogether(reportOf(fly.rig, fly.context, true, { line: null, roof: report.roof, bed: null }))).toBe(
      report.roof!.cases,
    );
  });
});

test('nothing to take hold of lies under the buttons of the views', () => {
  const frame = fitFrame('above', [740, 456], gable.rig, 7, [pitched], null);
  for (let k = 0; k < 72; k++) {
    const a = (k * Math.PI) / 36;
    const [x, y] = onRing(gable.rig.pitch!, frame, [Math.cos(a), Math.sin(a)]);
    expect(x > 740 - 320 && y < 70).toBe(false);
  }
});
