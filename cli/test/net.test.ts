import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import type { NetResult } from '@rough-bight/core/net';
import { main } from '../src/main.js';

const folder = mkdtempSync(join(tmpdir(), 'rough-bight-net-'));
afterAll(() => rmSync(folder, { recursive: true }));

function net(content: unknown): { code: number; out: string; err: string[]; result: () => NetResult } {
  const file = join(folder, 'net.json');
  writeFileSync(file, typeof content === 'string' ? content : JSON.stringify(content));
  const out: string[] = [];
  const err: string[] = [];
  const code = main(['net', file], { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err, result: () => JSON.parse(out.join('\n')) as NetResult };
}
const held = { id: 'a', at: [0, 0, 0], fixed: true };
const format = 'rough-bight/net@1';

describe('rb net', () => {
  test('prints the result of the format and exits 0', () => {
    const { code, err, result } = net({
      format,
      nodes: [held, { id: 'b', at: [0, 0, -1], load: [0, 0, -50] }],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 1, axialStiffness: 1000 }],
    });
    expect(code).toBe(0);
    expect(err).toEqual([]);
    const r = result();
    expect(r.converged).toBe(true);
    expect(r.reason).toBeNull();
    expect(r.nodes['b']!.at[2]).toBeCloseTo(-1.05, 9);
    expect(r.lines['l']).toMatchObject({ horizontal: 0, sag: 0 });
    expect(r.lines['l']!.tension).toBeCloseTo(50, 8);
    expect(r.nodes['a']!.reaction[2]).toBeCloseTo(50, 8);
  });

  test('exits 3 when nothing holds, and the JSON says which node', () => {
    const { code, result } = net({ format, nodes: [held, { id: 'b', at: [1, 0, 0], load: [0, 0, -1] }] });
    expect(code).toBe(3);
    expect(result()).toMatchObject({ converged: false });
    expect(result().reason).toContain('node "b"');
  });

  test.each([
    [{ format, nodes: [held, held] }, 'node "a": id: is used twice, again at nodes[1]; ids must differ'],
    [{ format, nodes: [] }, 'net: nodes: is empty; a net needs at least one node'],
    ['{"format":', 'net: file: is not JSON'],
    [
      `{"format":"${format}","nodes":[{"id":"a","at":[0,0,Infinity]}]}`,
      'node "a": at[2]: "Infinity"; must be a finite number',
    ],
  ])('exits 2 with one line: %#', (content, line) => {
    const { code, out, err } = net(content);
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toHaveLength(1);
    expect(err[0]).toContain(line);
    expect(err[0]).not.toContain('\n');
  });

  test('a file that is not there, and no file at all', () => {
    const err: string[] = [];
    const io = { out: () => undefined, err: (t: string) => err.push(t) };
    expect(main(['net', join(folder, 'nowhere.json')], io)).toBe(2);
    expect(main(['net'], io)).toBe(2);
    expect(err[0]).toContain('nowhere.json cannot be read');
    expect(err[1]).toBe('file: (nothing); give one net file');
  });

  test('names are only names, even those a language keeps for itself', () => {
    const { code, out } = net({
      format,
      nodes: [
        { ...held, id: '__proto__' },
        { id: 'constructor', at: [0, 0, -1], load: [0, 0, -5] },
      ],
      lines: [{ id: 'toString', from: '__proto__', to: 'constructor', restLength: 1, axialStiffness: 100 }],
    });
    expect(code).toBe(0);
    expect(out).toContain('"__proto__": {');
  });

  test('a hundred thousand loose nodes get their answer', () => {
    const { code, result } = net({
      format,
      nodes: Array.from({ length: 100_000 }, (_, i) => ({ id: `${i}`, at: [i % 300, Math.floor(i / 300), 0] })),
    });
    expect(code).toBe(0);
    expect(Object.keys(result().nodes)).toHaveLength(100_000);
    expect(result().mechanisms.length).toBeGreaterThan(0);
  });

  test('a tangle too dense to factorise ends bounded, without an answer, saying so', () => {
    let s = 7;
    const random = (): number => (s = (s * 16807) % 2147483647) / 2147483647;
    const count = 6000;
    const { code, result } = net({
      format,
      nodes: Array.from({ length: count }, (_, i) => ({
        id: `${i}`,
        at: [random() * 10, random() * 10, random() * 10],
        load: [0, 0, -1],
        fixed: i % 40 === 0,
      })),
      lines: Array.from({ length: 5 * count }, (_, i) => ({
        id: `${i}`,
        from: `${i % count}`,
        to: `${((i % count) + 1 + Math.floor(random() * (count - 2))) % count}`,
        restLength: 3,
        axialStiffness: 1000,
      })),
    });
    expect([0, 3]).toContain(code);
    if (code === 3) expect(result().reason).toMatch(/out of balance by .* after \d+ steps/);
  }, 60_000);
});
