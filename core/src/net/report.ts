import type { Vec3 } from '../quantity/index.js';
import { SLACK, TAUT } from './cloth.js';
import { groundPushes } from './contact.js';
import type { LineResult, NetResult, NodeResult, PanelResult, PassResult } from './document.js';
import type { Engine, Outcome } from './engine.js';
import { stretchRest } from './lines.js';
import { mechanismsOf } from './mechanisms.js';
import { panelStress } from './panels.js';
import { LENGTH, STRETCH, T0, T1, pointOn } from './stretch.js';
import { stemPushes } from './stems.js';
import { strutForce } from './struts.js';
import { footPush } from './supports.js';
import { LOCKED, RING } from './structure.js';

/** Minus zero is nothing a reader wants. */
const plain = (v: number): number => (v === 0 ? 0 : v);
const vector = (a: Float64Array, i: number, plus: Vec3 = [0, 0, 0]): Vec3 => [
  plain(a[i]! + plus[0]),
  plain(a[i + 1]! + plus[1]),
  plain(a[i + 2]! + plus[2]),
];
const size = (a: Float64Array, i: number): number => Math.hypot(a[i]!, a[i + 1]!, a[i + 2]!);

/** Everything the engine found, by name. Call after `solve`, before the next. */
export function resultOf(engine: Engine, outcome: Outcome, warnings: readonly string[] = []): NetResult {
  const { structure: s, state } = engine;
  const reaction = reactionsOf(engine);
  const feet = new Map<number, 'stuck' | 'slid' | 'lifted'>();
  const scratch = new Float64Array(3);
  s.footNode.forEach((n, f) => feet.set(n, footPush(state, f, scratch)));
  const ground = new Float64Array(3 * s.nodes);
  groundPushes(state, ground);
  const lies = new Set(s.contactNode.filter((_, c) => s.contactHost[c]! < 0));
  const nodes = s.nodeId.map((id, n): [string, NodeResult] => {
    const foot = feet.get(n);
    return [
      id,
      {
        at: vector(state.x, 3 * n, s.origin),
        reaction: vector(reaction, 3 * n),
        ...(foot === undefined ? {} : { foot }),
        ...(lies.has(n) ? { ground: vector(ground, 3 * n) } : {}),
      },
    ];
  });
  const lines = s.lineId.map((id, i): [string, LineResult] => [id, lineResult(engine, i)]);
  const panels = s.panelId.map((id, i): [string, PanelResult] => {
    panelStress(state, i, scratch);
    const how = scratch[2] === TAUT ? 'taut' : scratch[2] === SLACK ? 'slack' : 'wrinkled';
    return [id, { stress: [plain(scratch[0]!), plain(scratch[1]!)], state: how }];
  });
  const mechanisms = mechanismsOf(engine);
  return {
    converged: outcome.converged,
    residual: outcome.residual,
    iterations: outcome.iterations,
    reason: outcome.converged ? null : reasonOf(engine, outcome),
    nodes: Object.fromEntries(nodes),
    lines: Object.fromEntries(lines),
    struts: Object.fromEntries(s.strutId.map((id, i) => [id, { force: plain(strutForce(state, i)) }])),
    panels: Object.fromEntries(panels),
    mechanisms,
    slackLines: lines.filter(([, l], i) => l.tension <= 1e-12 * s.curve[i]!.slope[0]!).map(([id]) => id),
    slidHitches: lines.flatMap(([line, l]) =>
      (l.through ?? []).filter((p) => p.state === 'slid').map((p) => ({ line, node: p.node, by: p.slid })),
    ),
    wrinkledPanels: panels.filter(([, p]) => p.state === 'wrinkled').map(([id]) => id),
    slackPanels: panels.filter(([, p]) => p.state === 'slack').map(([id]) => id),
    warnings: [...warnings],
  };
}

/** Force of the supports on each node, 3 numbers a node, N. */
export function reactionsOf(engine: Engine): Float64Array {
  const { structure: s, state } = engine;
  const out = new Float64Array(3 * s.nodes);
  for (let i = 0; i < out.length; i++)
    out[i] = s.fixed[i] ? -state.force[i]! : -s.spring[i]! * (state.x[i]! - s.at[i]!);
  const push = new Float64Array(3);
  s.footNode.forEach((n, f) => {
    push.fill(0);
    footPush(state, f, push);
    for (let c = 0; c < 3; c++) if (!s.fixed[3 * n + c]) out[3 * n + c]! += push[c]!;
  });
  stemPushes(state, out);
  return out;
}

function lineResult(engine: Engine, i: number): LineResult {
  const { structure: s, state } = engine;
  const { stretch } = state;
  const first = i + s.passStart[i]!;
  const last = i + s.passStart[i + 1]!;
  let tension = 0;
  let horizontal = 0;
  let length = 0;
  let sag = 0;
  for (let k = first; k <= last; k++) {
    const o = k * STRETCH;
    tension = Math.max(tension, size(stretch, o + T0), size(stretch, o + T1));
    horizontal = Math.max(horizontal, Math.hypot(stretch[o + T0]!, stretch[o + T0 + 1]!));
    length += stretch[o + LENGTH]!;
    sag = Math.max(sag, stretchSag(engine, i, k));
  }
  const through = Array.from({ length: last - first }, (_, g): PassResult => {
    const j = s.passStart[i]! + g;
    const moved = state.slip[j]! - s.passAt[j]!;
    const free = s.passKind[j] === RING && s.passValue[j] === 0;
    const slid = s.passKind[j] !== LOCKED && (free || moved !== 0);
    return {
      node: s.nodeId[s.passNode[j]!]!,
      before: size(stretch, (first + g) * STRETCH + T1),
      after: size(stretch, (first + g + 1) * STRETCH + T0),
      slid: plain(moved),
      state: slid ? 'slid' : 'stuck',
    };
  });
  return {
    tension,
    tensionFrom: size(stretch, first * STRETCH + T0),
    tensionTo: size(stretch, last * STRETCH + T1),
    horizontal,
    length,
    sag,
    ...(through.length > 0 ? { through } : {}),
  };
}

/** Largest vertical drop of a stretch below its chord, m; below its lower end when the chord is plumb. */
function stretchSag(engine: Engine, i: number, k: number): number {
  const { structure: s, state } = engine;
  const weight = s.weight[i]!;
  if (!(weight > 0)) return 0;
  const { x, stretch } = state;
  const a = 3 * s.stretchFrom[k]!;
  const b = 3 * s.stretchTo[k]!;
  const run = Math.hypot(x[b]! - x[a]!, x[b + 1]! - x[a + 1]!);
  const rise = x[b + 2]! - x[a + 2]!;
  const o = k * STRETCH;
  const H = state.hang[2 * k]!;
  const V = state.hang[2 * k + 1]!;
  const rest = stretchRest(state, i, k);
  // the drop is largest where the line runs parallel to its chord: (V + w s) / H = rise / run
  const plumb = run <= 1e-9 * rest;
  const at = (plumb ? -V : (H * rise) / run - V) / weight;
  if (!(at > 0 && at < rest) || size(stretch, o + T0) === 0) return 0;
  const [along, up] = pointOn(s.curve[i]!, H, V, weight, at);
  return plumb ? Math.max(0, Math.min(0, rise) - up) : Math.max(0, (along * rise) / run - up);
}

/** Why there is no equilibrium, or none was found, naming the node. */
export function reasonOf(engine: Engine, outcome: Outcome): string {
  const { structure: s, state } = engine;
  const force = (n: number): string => `${say(size(state.force, 3 * n))} N`;
  if (outcome.ending === 'astray') {
    let far = 0;
    let node = 0;
    for (let n = 0; n < s.nodes; n++) {
      const d = Math.hypot(...[0, 1, 2].map((c) => state.x[3 * n + c]! - s.at[3 * n + c]!));
      if (d > far) {
        far = d;
        node = n;
      }
    }
    const way = [0, 1, 2].map((c) => tidy((state.x[3 * node + c]! - s.at[3 * node + c]!) / far));
    return `node "${s.nodeId[node]!}" moves away without end along [${way.map(say).join(', ')}]: nothing holds it there`;
  }
  const jam = jammed(engine);
  if (jam !== null) return jam;
  const at =
    outcome.worst < 0 ? '' : `node "${s.nodeId[outcome.worst]!}" is still out of balance by ${force(outcome.worst)}`;
  const why = {
    steps: `after ${outcome.iterations} steps`,
    work: `after ${outcome.iterations} steps, the most work allowed for one net`,
    stuck: `after ${outcome.iterations} steps, no step brings it nearer`,
  }[outcome.ending ?? 'stuck'];
  return at === '' ? `a line does not settle in the rings and hitches it runs through, ${why}` : `${at} ${why}`;
}

/** A ring or hitch that has slid as far as its line goes. */
function jammed({ structure: s, state }: Engine): string | null {
  for (let i = 0; i < s.rest.length; i++) {
    const first = s.passStart[i]!;
    const m = s.passStart[i + 1]! - first;
    for (let k = 0; m > 0 && k <= m; k++)
      if (stretchRest(state, i, i + first + k) < 1e-2 * s.rest[i]!) {
        const [from, to] = [s.stretchFrom[i + first + k]!, s.stretchTo[i + first + k]!];
        const [runner, into] = k < m ? [to, from] : [from, to];
        return `line "${s.lineId[i]!}": node "${s.nodeId[runner]!}" slides along it until it runs into node "${s.nodeId[into]!}"`;
      }
  }
  return null;
}

const tidy = (v: number): number => (Math.abs(v) < 1e-3 ? 0 : v);
const say = (v: number): string => String(Number(v.toPrecision(3)));
