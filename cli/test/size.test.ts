import { describe, expect, test } from '@jest/globals';
import { example, rb } from './run.js';

describe('rb size', () => {
  test('says what holds, what it takes and what to change, and exits 0 where every margin is met', () => {
    const { code, out, err } = rb('size', example('hammock-fly'), '--for', 'items');
    expect(err).toBe('');
    expect(code).toBe(0);
    expect(out).toMatch(/sized for fewest pegs and kinds of cord: every margin holds/);
    expect(out).toMatch(/^now\s+\d+\.\d\d m of cord, \d+ g with pegs, 0 pegs, 3 kinds of cord$/m);
    expect(out).toMatch(/^sized\s+.*1 kinds of cord$/m);
    expect(out).toMatch(/why: .*fewest things to bring/);
  });
  test('says what cannot be met, what would do and what wind it bears, and exits 3', () => {
    const { code, out } = rb('size', example('wedge-on-one-willow'), '--json');
    expect(code).toBe(3);
    const said = JSON.parse(out) as {
      met: boolean;
      unmet: { sentence: string; remedy: string }[];
      holdsUpToBeaufort: number | null;
    };
    expect(said.met).toBe(false);
    expect(said.unmet[0]!.sentence).toMatch(/is short/);
    expect(said.holdsUpToBeaufort === null || said.holdsUpToBeaufort >= 0).toBe(true);
  });
  test('names what is wrong with what was typed', () => {
    const beauty = rb('size', example('hammock-fly'), '--for', 'beauty');
    expect(beauty.code).toBe(2);
    expect(beauty.err).toMatch(/for: beauty.*cut, mass, items/);
    expect(rb('size').code).toBe(2);
    expect(rb('size', '--help').out).toMatch(/rb size FILE/);
  });
});
