import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { NetProblem, checkNet, readNet } from '../../src/formats/index.js';
import { prepare, resultOf, solve } from '../../src/net/index.js';
import { roofNet } from '../../../bench/nets.mjs';
import { anyNet, seeds } from './nets.js';

const root = join(import.meta.dirname, '../../..');
const schema = JSON.parse(readFileSync(join(root, 'docs/formats/net.schema.json'), 'utf8')) as object;
const valid = new Ajv2020.default({ strict: false }).compile(schema);

const base = (): Record<string, unknown> => ({
  format: 'rough-bight/net@1',
  nodes: [
    { id: 'a', at: [0, 0, 0], fixed: true },
    { id: 'b', at: [1, 0, 0], load: [0, 0, -1] },
    { id: 'c', at: [0, 1, 0], spring: [1, 2, 3] },
    { id: 'd', at: [1, 1, 0], foot: { friction: 0.5 } },
  ],
  lines: [
    { id: 'l', from: 'a', to: 'b', restLength: 1, axialStiffness: 100, weightPerMetre: 0.1 },
    {
      id: 'm',
      from: 'a',
      to: 'c',
      restLength: 1,
      curve: [
        [0, 0],
        [0.1, 50],
      ],
      through: [{ node: 'd', at: 0.4, grip: 3 }],
    },
  ],
  struts: [{ id: 's', from: 'a', to: 'c', restLength: 1, axialStiffness: 1000 }],
  panels: [{ id: 'p', corners: ['a', 'b', 'c'], stiffness: 1000, poisson: 0.3, pressure: 5, weightPerArea: 0.5 }],
});

/** Sets the value at a path of the base file and returns the one line it is refused with. */
function refusal(path: string, value: unknown): string {
  const file = base();
  const keys = path.split('.');
  let at = file as Record<string, unknown>;
  for (const k of keys.slice(0, -1)) at = at[k] as Record<string, unknown>;
  if (value === undefined) delete at[keys.at(-1)!];
  else at[keys.at(-1)!] = value;
  try {
    checkNet(file);
  } catch (error) {
    expect(error).toBeInstanceOf(NetProblem);
    expect((error as NetProblem).message).not.toContain('\n');
    return (error as NetProblem).message;
  }
  throw new Error(`${path}: ${JSON.stringify(value)} was let through`);
}

describe('reading a net', () => {
  test('the base file is good, and says what it left unread', () => {
    expect(checkNet(base()).warnings).toEqual([]);
    const odd = base();
    (odd['nodes'] as Record<string, unknown>[])[0]!['colour'] = 'red';
    expect(checkNet(odd).warnings).toEqual(['node "a": "colour" is not a field of this format and was not read']);
  });

  test.each([
    ['format', 'rough-bight/net@2', 'net: format: "rough-bight/net@2"; must be "rough-bight/net@1"'],
    ['nodes', undefined, 'net: nodes: is missing'],
    ['nodes', [], 'net: nodes: is empty; a net needs at least one node'],
    ['nodes.1.id', 'a', 'node "a": id: is used twice, again at nodes[1]; ids must differ'],
    ['nodes.1.id', undefined, 'net: nodes[1].id: is missing; must be a text of 1 to 200 characters'],
    ['nodes.1.id', 7, 'net: nodes[1].id: 7; must be a text of 1 to 200 characters'],
    ['nodes.1.at', undefined, 'node "b": at: is missing; give [x, y, z], m'],
    ['nodes.1.at', [0, 1], 'node "b": at: [0,1]; must be three numbers'],
    ['nodes.1.at', [0, '1', 2], 'node "b": at[1]: "1"; must be a finite number, SI units'],
    ['nodes.1.at', [0, 1e300, 2], 'node "b": at[1]: 1e+300; must be from -10000000 to 10000000, SI units'],
    [
      'nodes.0.fixed',
      [true, 1, true],
      'node "a": fixed: [true,1,true]; must be true, false or three of them, as [false, false, true]',
    ],
    ['nodes.2.spring', [1, -2, 3], 'node "c": spring[1]: -2; must be 0 N/m or more'],
    ['nodes.1.load', [0, 0], 'node "b": load: [0,0]; must be three numbers'],
    ['nodes.3.foot.friction', -1, 'node "d": foot.friction: -1; must be from 0 to 100, a coefficient'],
    [
      'nodes.3.fixed',
      true,
      'node "d": foot: a held node cannot stand on a foot as well; leave out one of "foot" and "fixed"',
    ],
    ['lines.0.id', 'm', 'line "m": id: is used twice, again at lines[1]; ids must differ'],
    ['lines.0.from', 'z', 'line "l": from: "z"; there is no such node'],
    ['lines.0.to', 'a', 'line "l": to: is node "a" twice running; a stretch needs two nodes'],
    ['lines.0.restLength', 0, 'line "l": restLength: 0; must be from 1e-9 to 10000000, m'],
    ['lines.0.restLength', -1, 'line "l": restLength: -1; must be from 1e-9 to 10000000, m'],
    ['lines.0.axialStiffness', 0, 'line "l": axialStiffness: 0; must be from 1e-9 to 1000000000000000, N'],
    ['lines.0.axialStiffness', undefined, 'line "l": axialStiffness: is missing; give EA in N, or a curve'],
    [
      'lines.0.curve',
      [
        [0, 0],
        [1, 1],
      ],
      'line "l": curve: is given beside axialStiffness; leave out one of them',
    ],
    [
      'lines.1.curve',
      [
        [0, 0],
        [0.1, 50],
        [0.1, 60],
      ],
      'line "m": curve[2]: [0.1, 60]; both must rise above the point before',
    ],
    [
      'lines.1.curve',
      [
        [0, 1],
        [0.1, 50],
      ],
      'line "m": curve[0]: [0, 1]; must be [0, 0]',
    ],
    ['lines.1.through.0.node', 'q', 'line "m": through[0].node: "q"; there is no such node'],
    ['lines.1.through.0.node', 'a', 'line "m": through[0].node: is node "a" twice running; a stretch needs two nodes'],
    ['lines.1.through.0.at', 1.2, 'line "m": through[0].at: 1.2; must be from 0 to 1, m'],
    [
      'lines.1.through.0.at',
      0,
      'line "m": through[0].at: 0; must rise from node to node and stay between 0 and the rest length, 1 m',
    ],
    [
      'lines.1.through.0.friction',
      0.2,
      'line "m": through[0].grip: is given beside friction; give exactly one of friction, grip, gripRatio',
    ],
    [
      'lines.1.through.0.grip',
      undefined,
      'line "m": through[0].friction: is missing; give friction (a ring), grip or gripRatio (a hitch)',
    ],
    ['struts.0.axialStiffness', -5, 'strut "s": axialStiffness: -5; must be from 1e-9 to 1000000000000000, N'],
    ['struts.0.to', 'a', 'strut "s": to: is node "a", the same as from; a strut needs two nodes'],
    ['panels.0.corners', ['a', 'b'], 'panel "p": corners: ["a","b"]; must be three node ids'],
    ['panels.0.corners', ['a', 'b', 'b'], 'panel "p": corners[2]: is node "b" again; three different nodes are needed'],
    ['panels.0.rest', [1, 1, 2], 'panel "p": rest: sides 1, 1, 2 m enclose no area; a panel needs a triangle'],
    ['panels.0.rest', [1, 0, 1], 'panel "p": rest[1]: 0; must be above 0 m'],
    ['panels.0.stiffness', null, 'panel "p": stiffness: null; must be a finite number, N/m'],
    ['panels.0.poisson', 1, 'panel "p": poisson: 1; must be from -0.999 to 0.999, Poisson\'s ratio'],
    [
      'panels.0.weave',
      { angle: 0, weft: 1e6, shear: 10 },
      'panel "p": poisson: 0.3; with this weft and stiffness its square must stay below 0.001',
    ],
  ])('%s = %j is refused by name', (path, value, line) => {
    expect(refusal(path, value)).toBe(line);
  });

  test('corners in one line enclose no area', () => {
    const file = base();
    (file['nodes'] as Record<string, unknown>[])[2]!['at'] = [2, 0, 0];
    expect(() => checkNet(file)).toThrow(
      'panel "p": corners: sides 1, 1, 2 m enclose no area; a panel needs a triangle',
    );
  });

  test('text that is not JSON, and numbers that are not numbers', () => {
    expect(() => readNet('{"format": ')).toThrow(/^net: file: is not JSON: /);
    const text = JSON.stringify(base()).replace('[1,0,0]', '[1,NaN,0]').replace('"id":"l"', '"id":"NaN Infinity"');
    expect(() => readNet(text)).toThrow('node "b": at[1]: "NaN"; must be a finite number, SI units');
    expect(() => readNet('[]')).toThrow('net: file: []; must be an object');
    expect(() => readNet('{"format":"rough-bight/net@1","nodes":[{"id":"a","at":[0,1e999,0]}]}')).toThrow(
      'node "a": at[1]: null; must be a finite number',
    );
  });

  test('whatever is thrown at it: an answer or a NetProblem, and what is answered is finite', () => {
    const strange = fc.oneof(
      fc.constant(undefined),
      fc.constant(null),
      fc.double({ noNaN: true }),
      fc.constantFrom(0, -1, 1e-12, 1e12, 1e300, 'a', 'l', '__proto__', '', true, [], {}, [0, 0, 0], [1e6, -1e6, 1e-9]),
    );
    const paths = [
      'nodes.1.at',
      'nodes.1.load',
      'nodes.2.spring',
      'nodes.0.fixed',
      'nodes.1.id',
      'lines.0.restLength',
      'lines.0.axialStiffness',
      'lines.0.weightPerMetre',
      'lines.0.to',
      'lines.1.curve',
      'lines.1.through',
      'lines.1.through.0.grip',
      'struts.0.restLength',
      'panels.0.rest',
      'panels.0.stiffness',
      'panels.0.pressure',
      'panels.0.weightPerArea',
      'panels',
      'lines',
      'nodes.3.foot',
    ];
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(...paths), strange), { minLength: 1, maxLength: 3 }), (changes) => {
        const file = base();
        for (const [path, value] of changes) {
          const keys = path.split('.');
          let at: Record<string, unknown> | undefined = file;
          for (const k of keys.slice(0, -1)) at = (at?.[k] ?? undefined) as Record<string, unknown> | undefined;
          if (typeof at === 'object' && at !== null) at[keys.at(-1)!] = value;
        }
        const asText = JSON.stringify(file);
        let read;
        try {
          read = readNet(asText);
        } catch (error) {
          expect(error).toBeInstanceOf(NetProblem);
          return;
        }
        expect({ errors: valid(JSON.parse(asText)) ? null : valid.errors }).toEqual({ errors: null });
        const engine = prepare(read.net);
        const outcome = solve(engine, { allowance: 2e6 });
        const text = JSON.stringify(resultOf(engine, outcome));
        expect(text).not.toMatch(/null(?!,"nodes")|NaN/);
      }),
      { numRuns: 300 },
    );
  });
});

describe('the published schema', () => {
  test('takes what the reader takes', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const net: unknown = JSON.parse(JSON.stringify(anyNet(seed)));
        checkNet(net);
        expect({ errors: valid(net) ? null : valid.errors }).toEqual({ errors: null });
      }),
      { numRuns: 20 },
    );
    expect(valid(JSON.parse(JSON.stringify(roofNet(4, 4, 10))))).toBe(true);
  });

  test('and the examples: read without a warning, solved', () => {
    const folder = join(root, 'examples/nets');
    const files = readdirSync(folder);
    expect(files.length).toBeGreaterThan(2);
    for (const name of files) {
      const text = readFileSync(join(folder, name), 'utf8');
      const { net, warnings } = readNet(text);
      expect(warnings).toEqual([]);
      expect(valid(JSON.parse(text))).toBe(true);
      const engine = prepare(net);
      expect(resultOf(engine, solve(engine)).reason).toBeNull();
    }
  });
});
