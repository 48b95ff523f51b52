import fc from 'fast-check';
import type { Arbitrary } from 'fast-check';
import { roofNet } from '../../../bench/nets.mjs';
import type { Net, NetLine, NetNode, NetPanel, NetStrut } from '../../src/net/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import { netOf, source } from './helper.js';

/** A net of every kind of element, stable, different for every seed. */
export function anyNet(seed: number): Net {
  const random = source(seed);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const nodes: NetNode[] = [];
  const lines: NetLine[] = [];
  const struts: NetStrut[] = [];
  const panels: NetPanel[] = [];
  // four trunks and a ridge with a ring and a hitch, a pole on a foot, a sheet between
  const trunk = (id: string, x: number, y: number): void => {
    nodes.push({ id, at: [x, y, between(1.6, 2.6)], fixed: true });
  };
  trunk('A', 0, between(-0.3, 0.3));
  trunk('B', 6, between(-0.3, 0.3));
  trunk('C', between(2, 4), 4);
  nodes.push({ id: 'springy', at: [between(2, 4), -4, 2], spring: [between(3e3, 3e4), between(3e3, 3e4), 1e5] });
  const n = 2 + Math.floor(between(0, 3));
  const name = (i: number, j: number): string => `s${i}.${j}`;
  for (let i = 0; i <= n; i++)
    for (let j = 0; j <= n; j++)
      nodes.push({
        id: name(i, j),
        at: [2 + (2 * i) / n + between(-0.1, 0.1), -1 + (2 * j) / n + between(-0.1, 0.1), 1.8 + between(-0.2, 0.2)],
        ...(random() < 0.2 ? { load: [between(-5, 5), between(-5, 5), between(-20, 2)] as Vec3 } : {}),
      });
  const law = { stiffness: between(5e3, 4e4), poisson: between(0, 0.4), weightPerArea: between(0.3, 2) };
  // pressing down, or lifting less than the sheet weighs with its loads: lifted harder, a loosely held sheet may flutter
  const wind = random() < 0.5 ? { pressure: between(-40, 4) } : {};
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      panels.push({ id: `p${i}.${j}`, corners: [name(i, j), name(i + 1, j), name(i + 1, j + 1)], ...law, ...wind });
      panels.push({ id: `q${i}.${j}`, corners: [name(i, j), name(i + 1, j + 1), name(i, j + 1)], ...law, ...wind });
    }
  const find = (id: string): Vec3 => nodes.find((x) => x.id === id)!.at;
  const length = (a: string, b: string): number => Math.hypot(...find(a).map((v, c) => v - find(b)[c]!));
  const line = (id: string, from: string, to: string, share: number, more: Partial<NetLine> = {}): void => {
    lines.push({ id, from, to, restLength: share * length(from, to), axialStiffness: between(2e3, 2e4), ...more });
  };
  for (const [corner, to] of [
    [name(0, 0), 'A'],
    [name(n, n), 'B'],
    [name(0, n), 'C'],
    [name(n, 0), 'springy'],
  ] as const)
    line(`${corner}-${to}`, corner, to, between(0.9, 1), random() < 0.5 ? { weightPerMetre: between(0.02, 0.5) } : {});
  nodes.push({ id: 'ring', at: [2, 0, 2.2] }, { id: 'hitch', at: [4, 0, 2.2] });
  lines.push({
    id: 'ridge',
    from: 'A',
    to: 'B',
    restLength: 6.1,
    curve: [
      [0, 0],
      [0.02, 100],
      [0.1, 1500],
    ],
    weightPerMetre: between(0, 0.2),
    through: [
      { node: 'ring', friction: random() < 0.5 ? 0 : between(0.05, 0.4) },
      { node: 'hitch', ...(random() < 0.5 ? { grip: between(5, 60) } : { gripRatio: between(0.2, 1.5) }) },
    ],
  });
  line('hang a', 'ring', name(0, Math.floor(n / 2)), between(0.8, 1));
  line('hang b', 'hitch', name(n, Math.floor(n / 2)), between(0.8, 1));
  nodes.push({ id: 'foot', at: [3, -2.2, 0], foot: { friction: between(0.3, 0.9) }, load: [0, 0, -15] });
  const head = name(Math.floor(n / 2), 0);
  struts.push({
    id: 'prop',
    from: 'foot',
    to: head,
    restLength: length('foot', head) * between(0.98, 1.05),
    axialStiffness: between(1e4, 1e5),
  });
  return netOf({ nodes, lines, struts, panels });
}

export const seeds: Arbitrary<number> = fc.integer({ min: 1, max: 1_000_000 });

/** Named nets that every method must solve alike. */
export const CASES: Readonly<Record<string, () => Net>> = {
  'roof of 30 panels': () => roofNet(5, 3),
  'roof of 130 panels in wind': () => roofNet(13, 5, 40),
  'roof of 130 panels sucked up': () => roofNet(13, 5, -20),
  'stiff chain': () => chain(20, 1e7),
  'heavy chain of catenaries': () => heavyChain(),
  'towel hung by two corners': () => towel(5),
  'mixed rig 1': () => anyNet(11),
  'mixed rig 2': () => anyNet(12),
  'mixed rig 3': () => anyNet(13),
};

export function chain(count: number, stiffness: number): Net {
  return netOf({
    nodes: Array.from({ length: count + 1 }, (_, i) => ({
      id: `n${i}`,
      at: [(5 * i) / count, 0, 0] as const,
      load: [0, 0, -1] as const,
      fixed: i === 0 || i === count,
    })),
    lines: Array.from({ length: count }, (_, i) => ({
      id: `l${i}`,
      from: `n${i}`,
      to: `n${i + 1}`,
      restLength: 6 / count,
      axialStiffness: stiffness,
    })),
  });
}

function heavyChain(): Net {
  const net = chain(6, 2e4);
  return { ...net, lines: net.lines!.map((l) => ({ ...l, weightPerMetre: 4 })) };
}

/** A square cloth, longer than the place it hangs in. */
export function towel(n: number): Net {
  const at = (i: number, j: number): Vec3 => [(0.8 * i) / n, j / n, 0];
  const side = (a: [number, number], b: [number, number]): number => Math.hypot(a[0] - b[0], a[1] - b[1]) / n;
  const panels: NetPanel[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      for (const c of [
        [
          [i, j],
          [i + 1, j],
          [i + 1, j + 1],
        ],
        [
          [i, j],
          [i + 1, j + 1],
          [i, j + 1],
        ],
      ] as [number, number][][]) {
        const [p, q, r] = c as [[number, number], [number, number], [number, number]];
        panels.push({
          id: `p${panels.length}`,
          corners: c.map(([x, y]) => `${x}.${y}`) as unknown as [string, string, string],
          rest: [side(p, q), side(q, r), side(r, p)],
          stiffness: 2e4,
          poisson: 0.3,
          weightPerArea: 5,
        });
      }
  return netOf({
    nodes: Array.from({ length: (n + 1) ** 2 }, (_, k) => {
      const [i, j] = [Math.floor(k / (n + 1)), k % (n + 1)];
      return { id: `${i}.${j}`, at: at(i, j), fixed: j === 0 && (i === 0 || i === n) };
    }),
    panels,
  });
}
