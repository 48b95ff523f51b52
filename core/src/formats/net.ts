import type {
  Net,
  NetFoot,
  NetGround,
  NetLine,
  NetNode,
  NetPanel,
  NetPass,
  NetRest,
  NetStrut,
  NetWeave,
} from '../net/index.js';
import type { Vec3 } from '../quantity/index.js';

/** What makes a file unusable: which thing, which field of it, what is wrong and what is allowed. */
export class NetProblem extends Error {
  override readonly name = 'NetProblem';
  /**
   * @param id    the node or element, as `node "a"`; `net` for the file itself
   * @param field its field, as `at[1]`
   */
  constructor(
    readonly id: string,
    readonly field: string,
    readonly problem: string,
  ) {
    super(`${id}: ${field}: ${problem}`);
  }
}

/** A net that may be solved, and what its reader should be told. */
export interface ReadNet {
  readonly net: Net;
  readonly warnings: readonly string[];
}

/** Beyond these a number is a slip of the pen, and its squares would leave the range of the arithmetic. */
const MOST = {
  place: 1e7,
  force: 1e12,
  stiffness: 1e15,
  length: 1e7,
  weight: 1e9,
  pressure: 1e9,
  number: 1e6,
} as const;
const LEAST = { length: 1e-9, stiffness: 1e-9 } as const;
const MOST_PASSES = 50;
const MOST_POINTS = 100;
const MOST_WARNINGS = 20;

/**
 * Reads a net file.
 * @param text JSON; docs/formats/net.md
 * @throws NetProblem naming the first thing and field that cannot be used
 */
export function readNet(text: string): ReadNet {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    // NaN and Infinity are what programs write in place of numbers: name where they stand
    const repaired = text.replace(/"(?:[^"\\]|\\.)*"|-?\b(?:NaN|Infinity)\b/g, (m) =>
      m.startsWith('"') ? m : `"${m}"`,
    );
    try {
      value = JSON.parse(repaired);
    } catch {
      throw new NetProblem('net', 'file', `is not JSON: ${(error as Error).message}`);
    }
  }
  return checkNet(value);
}

/** Checks a parsed net. See `readNet`. */
export function checkNet(value: unknown): ReadNet {
  const warnings: string[] = [];
  const net = thing(value, 'net', 'file');
  known(net, 'net', ['format', 'nodes', 'lines', 'struts', 'panels', 'ground', 'rests'], warnings);
  if (net['format'] !== 'rough-bight/net@1')
    throw new NetProblem('net', 'format', `${show(net['format'])}; must be "rough-bight/net@1"`);
  const nodes = list(net, 'net', 'nodes', true).map((v, i) => readNode(v, i, warnings));
  if (nodes.length === 0) throw new NetProblem('net', 'nodes', 'is empty; a net needs at least one node');
  const byId = unique(nodes, 'node');
  const lines = list(net, 'net', 'lines').map((v, i) => readLine(v, i, byId, warnings));
  unique(lines, 'line');
  const struts = list(net, 'net', 'struts').map((v, i) => readStrut(v, i, byId, warnings));
  unique(struts, 'strut');
  const panels = list(net, 'net', 'panels').map((v, i) => readPanel(v, i, byId, warnings));
  unique(panels, 'panel');
  if (warnings.length > MOST_WARNINGS)
    warnings.splice(MOST_WARNINGS, Infinity, `and ${warnings.length - MOST_WARNINGS} more such`);
  const rests = list(net, 'net', 'rests').map((v, i) => readRest(v, i, byId, warnings));
  const ground = net['ground'] === undefined ? undefined : readGround(net['ground'], warnings);
  if (ground === undefined && nodes.some((n) => n.overGround === true))
    warnings.push('nodes say "overGround", but the net has no "ground": nothing stops them');
  return {
    net: {
      format: 'rough-bight/net@1',
      nodes,
      lines,
      struts,
      panels,
      ...(ground === undefined ? {} : { ground }),
      ...(rests.length === 0 ? {} : { rests }),
    },
    warnings,
  };
}

type Fields = Readonly<Record<string, unknown>>;
type ById = ReadonlyMap<string, NetNode>;

function readNode(value: unknown, index: number, warnings: string[]): NetNode {
  const [n, id] = named(value, 'node', index);
  const who = `node "${id}"`;
  known(n, who, ['id', 'at', 'fixed', 'spring', 'load', 'foot', 'overGround'], warnings);
  if (n['at'] === undefined) throw new NetProblem(who, 'at', 'is missing; give [x, y, z], m');
  return {
    id,
    at: vector(n['at'], who, 'at', MOST.place),
    ...(n['fixed'] === undefined ? {} : { fixed: fixity(n['fixed'], who) }),
    ...(n['spring'] === undefined ? {} : { spring: spring(n['spring'], who) }),
    ...(n['load'] === undefined ? {} : { load: vector(n['load'], who, 'load', MOST.force) }),
    ...(n['foot'] === undefined ? {} : { foot: readFoot(n['foot'], who, n, warnings) }),
    ...(n['overGround'] === undefined ? {} : { overGround: readOverGround(n['overGround'], who) }),
  };
}

function readOverGround(value: unknown, who: string): boolean {
  if (typeof value === 'boolean') return value;
  throw new NetProblem(who, 'overGround', `${show(value)}; must be true or false`);
}

function readGround(value: unknown, warnings: string[]): NetGround {
  const who = 'ground';
  const g = thing(value, who, 'ground');
  known(g, who, ['at', 'normal', 'friction', 'stiffness'], warnings);
  if (g['at'] === undefined) throw new NetProblem(who, 'at', 'is missing; give a point of the plane, [x, y, z], m');
  const stiffness =
    g['stiffness'] === undefined ? undefined : number(g['stiffness'], who, 'stiffness', 1, MOST.stiffness, 'N/m');
  return {
    at: vector(g['at'], who, 'at', MOST.place),
    ...(g['normal'] === undefined ? {} : { normal: direction(g['normal'], who, 'normal') }),
    friction: number(g['friction'], who, 'friction', 0, 100, 'a coefficient'),
    ...(stiffness === undefined ? {} : { stiffness }),
  };
}

function readRest(value: unknown, index: number, nodes: ById, warnings: string[]): NetRest {
  const who = `rests[${index}]`;
  const r = thing(value, who, 'rests');
  known(r, who, ['node', 'on', 'friction', 'stiffness'], warnings);
  const [node, on] = [nodeOf(r, who, 'node', nodes), nodeOf(r, who, 'on', nodes)];
  if (node === on) throw new NetProblem(who, 'on', `"${on}" is the node itself; name the one it lies on`);
  return {
    node,
    on,
    friction: number(r['friction'], who, 'friction', 0, 100, 'a coefficient'),
    ...(r['stiffness'] === undefined
      ? {}
      : { stiffness: number(r['stiffness'], who, 'stiffness', 1, MOST.stiffness, 'N/m') }),
  };
}

/** A direction out of the ground. */
function direction(value: unknown, who: string, field: string): Vec3 {
  const out = vector(value, who, field, MOST.number);
  if (!(Math.hypot(...out) > 1e-6))
    throw new NetProblem(who, field, 'has no length; give a direction out of the ground');
  return out;
}

function fixity(value: unknown, who: string): NonNullable<NetNode['fixed']> {
  if (typeof value === 'boolean') return value;
  if (Array.isArray(value) && value.length === 3 && value.every((v) => typeof v === 'boolean'))
    return value as unknown as readonly [boolean, boolean, boolean];
  throw new NetProblem(who, 'fixed', `${show(value)}; must be true, false or three of them, as [false, false, true]`);
}

function spring(value: unknown, who: string): Vec3 {
  const k = vector(value, who, 'spring', MOST.stiffness);
  k.forEach((v, i) => {
    if (v < 0) throw new NetProblem(who, `spring[${i}]`, `${v}; must be 0 N/m or more`);
  });
  return k;
}

function readFoot(value: unknown, who: string, node: Fields, warnings: string[]): NetFoot {
  const foot = thing(value, who, 'foot');
  known(foot, `${who}: foot`, ['friction', 'normal'], warnings);
  if (node['fixed'] !== undefined && node['fixed'] !== false)
    throw new NetProblem(
      who,
      'foot',
      'a held node cannot stand on a foot as well; leave out one of "foot" and "fixed"',
    );
  const friction = number(foot['friction'], who, 'foot.friction', 0, 100, 'a coefficient');
  if (foot['normal'] === undefined) return { friction };
  return { friction, normal: direction(foot['normal'], who, 'foot.normal') };
}

function readLine(value: unknown, index: number, nodes: ById, warnings: string[]): NetLine {
  const [l, id] = named(value, 'line', index);
  const who = `line "${id}"`;
  known(l, who, ['id', 'from', 'to', 'restLength', 'axialStiffness', 'curve', 'weightPerMetre', 'through'], warnings);
  const from = nodeOf(l, who, 'from', nodes);
  const to = nodeOf(l, who, 'to', nodes);
  const restLength = number(l['restLength'], who, 'restLength', LEAST.length, MOST.length, 'm');
  const stiff = l['axialStiffness'] !== undefined;
  const curved = l['curve'] !== undefined;
  if (stiff && curved) throw new NetProblem(who, 'curve', 'is given beside axialStiffness; leave out one of them');
  if (!stiff && !curved) throw new NetProblem(who, 'axialStiffness', 'is missing; give EA in N, or a curve');
  const through = l['through'] === undefined ? undefined : passes(l['through'], who, restLength, nodes, warnings);
  const chain = [from, ...(through ?? []).map((p) => p.node), to];
  for (let k = 0; k + 1 < chain.length; k++)
    if (chain[k] === chain[k + 1])
      throw new NetProblem(
        who,
        k + 2 === chain.length ? 'to' : `through[${k}].node`,
        `is node "${chain[k]!}" twice running; a stretch needs two nodes`,
      );
  return {
    id,
    from,
    to,
    restLength,
    ...(stiff
      ? { axialStiffness: number(l['axialStiffness'], who, 'axialStiffness', LEAST.stiffness, MOST.stiffness, 'N') }
      : { curve: readCurve(l['curve'], who) }),
    ...(l['weightPerMetre'] === undefined
      ? {}
      : { weightPerMetre: number(l['weightPerMetre'], who, 'weightPerMetre', 0, MOST.weight, 'N/m') }),
    ...(through === undefined ? {} : { through }),
  };
}

function readCurve(value: unknown, who: string): [number, number][] {
  if (!Array.isArray(value) || value.length < 2 || value.length > MOST_POINTS)
    throw new NetProblem(who, 'curve', `must be a list of 2 to ${MOST_POINTS} pairs [strain, N]`);
  const points = value.map((v: unknown, i): [number, number] => {
    if (!Array.isArray(v) || v.length !== 2)
      throw new NetProblem(who, `curve[${i}]`, `${show(v)}; must be [strain, N]`);
    return [
      number(v[0], who, `curve[${i}][0]`, 0, 1e3, 'strain'),
      number(v[1], who, `curve[${i}][1]`, 0, MOST.stiffness, 'N'),
    ];
  });
  points.forEach(([e, t], i) => {
    if (i === 0) {
      if (e !== 0 || t !== 0) throw new NetProblem(who, 'curve[0]', `[${e}, ${t}]; must be [0, 0]`);
      return;
    }
    const [e0, t0] = points[i - 1]!;
    if (!(e > e0 && t > t0) || !Number.isFinite((t - t0) / (e - e0)))
      throw new NetProblem(who, `curve[${i}]`, `[${e}, ${t}]; both must rise above the point before`);
  });
  return points;
}

function passes(value: unknown, who: string, rest: number, nodes: ById, warnings: string[]): NetPass[] {
  if (!Array.isArray(value) || value.length > MOST_PASSES)
    throw new NetProblem(who, 'through', `must be a list of at most ${MOST_PASSES} rings and hitches`);
  const read = value.map((v: unknown, i): NetPass => {
    const where = `through[${i}]`;
    const p = thing(v, who, where);
    known(p, `${who}: ${where}`, ['node', 'at', 'friction', 'grip', 'gripRatio'], warnings);
    const node = nodeOf(p, who, 'node', nodes, `${where}.node`);
    const laws = ['friction', 'grip', 'gripRatio'].filter((f) => p[f] !== undefined);
    if (laws.length !== 1)
      throw new NetProblem(
        who,
        `${where}.${laws[1] ?? 'friction'}`,
        laws.length === 0
          ? 'is missing; give friction (a ring), grip or gripRatio (a hitch)'
          : `is given beside ${laws[0]!}; give exactly one of friction, grip, gripRatio`,
      );
    const at = p['at'] === undefined ? {} : { at: number(p['at'], who, `${where}.at`, 0, rest, 'm') };
    if (p['friction'] === 'locked') return { node, ...at, friction: 'locked' };
    if (p['friction'] !== undefined)
      return {
        node,
        ...at,
        friction: number(p['friction'], who, `${where}.friction`, 0, 100, 'a coefficient, or "locked"'),
      };
    if (p['grip'] !== undefined)
      return { node, ...at, grip: number(p['grip'], who, `${where}.grip`, 0, MOST.force, 'N') };
    return { node, ...at, gripRatio: number(p['gripRatio'], who, `${where}.gripRatio`, 0, 1e6, 'a ratio') };
  });
  const placed = read.filter((p) => p.at !== undefined).length;
  if (placed > 0 && placed < read.length)
    throw new NetProblem(
      who,
      `through[${read.findIndex((p) => p.at === undefined)}].at`,
      'is missing; give it for every node the line runs through, or for none',
    );
  if (placed > 0)
    [...read.map((p) => p.at!), rest].forEach((at, i, all) => {
      const before = i === 0 ? 0 : all[i - 1]!;
      if (!(at > before * (1 + 1e-9) && at > 1e-9 * rest))
        throw new NetProblem(
          who,
          i === read.length ? `through[${i - 1}].at` : `through[${i}].at`,
          `${i === read.length ? before : at}; must rise from node to node and stay between 0 and the rest length, ${rest} m`,
        );
    });
  return read;
}

function readStrut(value: unknown, index: number, nodes: ById, warnings: string[]): NetStrut {
  const [s, id] = named(value, 'strut', index);
  const who = `strut "${id}"`;
  known(s, who, ['id', 'from', 'to', 'restLength', 'axialStiffness'], warnings);
  const from = nodeOf(s, who, 'from', nodes);
  const to = nodeOf(s, who, 'to', nodes);
  if (from === to) throw new NetProblem(who, 'to', `is node "${to}", the same as from; a strut needs two nodes`);
  return {
    id,
    from,
    to,
    restLength: number(s['restLength'], who, 'restLength', LEAST.length, MOST.length, 'm'),
    axialStiffness: number(s['axialStiffness'], who, 'axialStiffness', LEAST.stiffness, MOST.stiffness, 'N'),
  };
}

function readPanel(value: unknown, index: number, nodes: ById, warnings: string[]): NetPanel {
  const [p, id] = named(value, 'panel', index);
  const who = `panel "${id}"`;
  known(p, who, ['id', 'corners', 'rest', 'stiffness', 'poisson', 'pressure', 'weightPerArea', 'weave'], warnings);
  const given = p['corners'];
  if (!Array.isArray(given) || given.length !== 3)
    throw new NetProblem(who, 'corners', `${show(given)}; must be three node ids`);
  const corners = given.map((_, i) =>
    nodeOf(given as unknown as Fields, who, String(i), nodes, `corners[${i}]`),
  ) as unknown as [string, string, string];
  corners.forEach((c, i) => {
    if (corners.indexOf(c) !== i)
      throw new NetProblem(who, `corners[${i}]`, `is node "${c}" again; three different nodes are needed`);
  });
  const rest = p['rest'] === undefined ? undefined : vector(p['rest'], who, 'rest', MOST.length);
  const [a, b, c] = corners.map((n) => nodes.get(n)!.at) as [Vec3, Vec3, Vec3];
  const sides = rest ?? [between(a, b), between(b, c), between(c, a)];
  checkTriangle(sides, who, rest === undefined ? 'corners' : 'rest');
  const stiffness = number(p['stiffness'], who, 'stiffness', LEAST.stiffness, MOST.stiffness, 'N/m');
  const poisson =
    p['poisson'] === undefined ? undefined : number(p['poisson'], who, 'poisson', -0.999, 0.999, "Poisson's ratio");
  return {
    id,
    corners,
    ...(rest === undefined ? {} : { rest }),
    stiffness,
    ...(poisson === undefined ? {} : { poisson }),
    ...(p['pressure'] === undefined
      ? {}
      : { pressure: number(p['pressure'], who, 'pressure', -MOST.pressure, MOST.pressure, 'Pa') }),
    ...(p['weightPerArea'] === undefined
      ? {}
      : { weightPerArea: number(p['weightPerArea'], who, 'weightPerArea', 0, MOST.weight, 'N/m2') }),
    ...(p['weave'] === undefined ? {} : { weave: readWeave(p['weave'], who, stiffness, poisson ?? 0, warnings) }),
  };
}

function checkTriangle(sides: Vec3, who: string, field: string): void {
  sides.forEach((s, i) => {
    if (!(s >= LEAST.length))
      throw new NetProblem(
        who,
        field === 'rest' ? `rest[${i}]` : field,
        field === 'rest' ? `${s}; must be above 0 m` : 'two corners are in one place; the panel has no area',
      );
  });
  const [x, y, z] = [...sides].sort((p, q) => q - p) as [number, number, number];
  // y + z - x over x: how far from flat
  if (!(y + z - x > 1e-9 * x))
    throw new NetProblem(
      who,
      field,
      `sides ${sides.map((s) => Number(s.toPrecision(6))).join(', ')} m enclose no area; a panel needs a triangle`,
    );
}

function readWeave(value: unknown, who: string, warp: number, poisson: number, warnings: string[]): NetWeave {
  const w = thing(value, who, 'weave');
  known(w, `${who}: weave`, ['angle', 'weft', 'shear'], warnings);
  const weft = number(w['weft'], who, 'weave.weft', LEAST.stiffness, MOST.stiffness, 'N/m');
  if (!(poisson * poisson * weft < warp))
    throw new NetProblem(
      who,
      'poisson',
      `${poisson}; with this weft and stiffness its square must stay below ${warp / weft}`,
    );
  return {
    angle: number(w['angle'], who, 'weave.angle', -1e3, 1e3, 'rad'),
    weft,
    shear: number(w['shear'], who, 'weave.shear', LEAST.stiffness, MOST.stiffness, 'N/m'),
  };
}

// what every field is made of

function thing(value: unknown, who: string, field: string): Fields {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new NetProblem(who, field, `${show(value)}; must be an object`);
  return value as Fields;
}

function list(of: Fields, who: string, field: string, needed = false): readonly unknown[] {
  const value = of[field];
  if (value === undefined && !needed) return [];
  if (!Array.isArray(value))
    throw new NetProblem(who, field, value === undefined ? 'is missing' : `${show(value)}; must be a list`);
  return value;
}

function named(value: unknown, kind: string, index: number): [Fields, string] {
  const fields = thing(value, 'net', `${kind}s[${index}]`);
  const id = fields['id'];
  if (typeof id !== 'string' || id === '' || id.length > 200)
    throw new NetProblem(
      'net',
      `${kind}s[${index}].id`,
      `${id === undefined ? 'is missing' : show(id)}; must be a text of 1 to 200 characters`,
    );
  return [fields, id];
}

function unique<T extends { readonly id: string }>(things: readonly T[], kind: string): Map<string, T> {
  const byId = new Map<string, T>();
  things.forEach((t, i) => {
    if (byId.has(t.id))
      throw new NetProblem(`${kind} "${t.id}"`, 'id', `is used twice, again at ${kind}s[${i}]; ids must differ`);
    byId.set(t.id, t);
  });
  return byId;
}

function nodeOf(of: Fields, who: string, field: string, nodes: ById, shown = field): string {
  const id = of[field];
  if (id === undefined) throw new NetProblem(who, shown, 'is missing; give a node id');
  if (typeof id !== 'string' || !nodes.has(id)) throw new NetProblem(who, shown, `${show(id)}; there is no such node`);
  return id;
}

function number(value: unknown, who: string, field: string, least: number, most: number, unit: string): number {
  if (value === undefined) throw new NetProblem(who, field, `is missing; give ${unit}`);
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new NetProblem(who, field, `${show(value)}; must be a finite number, ${unit}`);
  if (value < least || value > most)
    throw new NetProblem(who, field, `${value}; must be from ${least} to ${most}, ${unit}`);
  return value;
}

function vector(value: unknown, who: string, field: string, most: number): Vec3 {
  if (!Array.isArray(value) || value.length !== 3)
    throw new NetProblem(who, field, `${show(value)}; must be three numbers`);
  return value.map((v: unknown, i) => number(v, who, `${field}[${i}]`, -most, most, 'SI units')) as unknown as Vec3;
}

/** A field nobody reads is most often a slip of the pen. */
function known(of: Fields, who: string, fields: readonly string[], warnings: string[]): void {
  for (const key of Object.keys(of))
    if (!fields.includes(key))
      warnings.push(`${who}: "${key.slice(0, 60)}" is not a field of this format and was not read`);
}

function between(a: Vec3, b: Vec3): number {
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
}

function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
}
