import { WALL_NAMES, endsOf } from '@rough-bight/core/around';
import type { KitStraps } from '@rough-bight/core/bed';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { guyOf, hitched, treeOf, trunksOfForm } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import type { BedShape, Drawing, DrawnShape, RigReport } from '@rough-bight/core/shelter';
import { SIZES } from '@rough-bight/core/under';
import { compassPoint } from '@rough-bight/core/weather';
import type { RigGrip } from '../moved.js';
import type { Frame, Point } from './frame.js';
import { across, place, upward } from './frame.js';
import { sagOf } from './line-marks.js';
import { NORTH_INSIDE, northward, onRing, upwind } from './marks.js';

/** Something to take hold of. */
export interface Grab {
  readonly grip: RigGrip;
  readonly at: Point;
  readonly label: string;
  readonly value: number;
  readonly text: string;
}

/** What there is to take hold of, and where. */
export interface Holding {
  readonly rig: RidgeRig;
  readonly report: RigReport | null;
  readonly drawing: Drawing | null;
  readonly shape: DrawnShape | undefined;
  readonly frame: Frame;
  readonly span: number;
  readonly chosen: string | null;
  readonly bed: BedShape | null;
  readonly straps: KitStraps | null;
}

/** Everything that can be moved in a view. */
export const grabsOf = (on: Holding, units: UnitChoice): Grab[] =>
  on.frame.view === 'side'
    ? [...lineGrabs(on, units), ...roofSideGrabs(on, units), ...bedGrabs(on, units)]
    : roofAboveGrabs(on, units);

/** The trunks of a bare line, its ties, what hangs on it, and how tight it is. */
function lineGrabs({ rig, report, drawing, shape, frame, span }: Holding, units: UnitChoice): Grab[] {
  const used = rig.pitch === undefined ? ([0, 1] as const) : trunksOfForm(rig.pitch.form);
  const foot = (i: 0 | 1): Point => [across(frame, i * span), upward(frame, i * rig.groundRise) - 8];
  const trunks =
    rig.pitch !== undefined
      ? []
      : ([0, 1] as const).map((i): Grab => ({
          grip: { kind: 'trunk', index: i },
          at: foot(i),
          label: `Move ${rig.trunks[i].name}`,
          value: span,
          text: `span ${say(span, 'length', units)}`,
        }));
  const ties = used.map((i): Grab => {
    const { name, tieHeight } = rig.trunks[i];
    return {
      grip: { kind: 'tie', index: i },
      at: [across(frame, i * span), upward(frame, i * rig.groundRise + tieHeight)],
      label: `Tie height at ${name}`,
      value: tieHeight,
      text: say(tieHeight, 'length', units),
    };
  });
  if (drawing === null || shape === undefined) return [...trunks, ...ties];
  const hung = drawing.topology.hung.flatMap((h): Grab[] => {
    const index = rig.hung.findIndex((x) => x.id === h.id);
    if (index < 0) return [];
    const { at, name } = rig.hung[index]!;
    const [x, y] = place(frame, shape.at, h.node);
    return [
      {
        grip: { kind: 'hung', index },
        at: [x, y + (hitched(rig.hung[index]!) ? 0 : 43)],
        label: `Move ${name === '' ? 'what hangs' : name}`,
        value: at,
        text: say(at, 'length', units),
      },
    ];
  });
  const line = report?.line ?? null;
  const sag = line === null ? null : sagOf(line, shape);
  return [
    ...trunks,
    ...ties,
    ...hung,
    ...(sag === null
      ? []
      : [
          {
            grip: { kind: 'sag' } as const,
            at: place(frame, shape.at, roomiest(drawing, shape)),
            label: 'Haul or slacken the line',
            value: sag,
            text: say(sag, 'length', units),
          },
        ]),
  ];
}

/** Where to take hold of a line to haul it: the middle of its longest stretch. */
function roomiest({ topology }: Drawing, { at }: DrawnShape): number {
  const long = (nodes: readonly number[]): number => at[3 * nodes.at(-1)!]! - at[3 * nodes[0]!]!;
  const best = topology.lines.reduce((a, b) => (long(b.nodes) > long(a.nodes) ? b : a)).nodes;
  return best[best.length >> 1]!;
}

const roofOf = ({ report, shape }: Holding): { result: PitchResult; shape: PitchShape } | null => {
  const result = report?.roof ?? null;
  return result === null || shape === undefined ? null : { result, shape };
};

const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** The middle of the ridge, by which the roof is moved along. */
function roofGrab(on: Holding, units: UnitChoice): Grab[] {
  const { rig, frame } = on;
  const roof = roofOf(on);
  if (roof === null || PITCH_TRAITS[rig.pitch!.form].hangs === 'first') return [];
  const { result, shape } = roof;
  const key = result.topology.keys.find((k) => k.id === 'rm' || k.id === 'p');
  if (key === undefined) return [];
  return [
    {
      grip: { kind: 'roof' },
      at: place(frame, shape.at, key.node),
      label: 'Move the roof along',
      value: rig.pitch!.middle,
      text: say(rig.pitch!.middle, 'length', units),
    },
  ];
}

/** Hitches, edges and tie-outs of a roof, from the side. */
function roofSideGrabs(on: Holding, units: UnitChoice): Grab[] {
  const { rig, frame, chosen } = on;
  const roof = rig.pitch === undefined ? null : roofOf(on);
  if (roof === null) return [];
  const { result, shape } = roof;
  const pitch = rig.pitch!;
  const { reads } = PITCH_TRAITS[pitch.form];
  const hitches = result.topology.lines
    .filter((l) => l.role === 'loop')
    .map((l): Grab => {
      const i = l.id === 'loop0' ? 0 : 1;
      const { slid } = pitch.hitches[i];
      return {
        grip: { kind: 'hitch', index: i },
        at: place(frame, shape.at, l.nodes[0]!),
        label: `Slide the ${i === 0 ? 'first' : 'second'} hitch out`,
        value: slid * 1000,
        text: `${say(slid, 'diameter', units)} farther out`,
      };
    });
  // the left edge by its first corner, the right by its second: from the side one would hide the other
  const edgeKey = (k: 0 | 1): (typeof result.topology.keys)[number] | undefined =>
    ['0', '2'].map((end) => result.topology.keys.find((x) => x.id === `${k}${end}`))[k] ??
    result.topology.keys.find((x) => x.id === `${k}`);
  const edges = !reads.includes('edges')
    ? []
    : ([0, 1] as const).flatMap((k): Grab[] => {
        const key = edgeKey(k);
        return key === undefined
          ? []
          : [
              {
                grip: { kind: 'edge', index: k },
                at: place(frame, shape.at, key.node),
                label: `Height of the ${k === 0 ? 'left' : 'right'} edge`,
                value: pitch.shape.edges[k],
                text: say(pitch.shape.edges[k], 'length', units),
              },
            ];
      });
  const grabbed = new Set(edges.map((e) => (e.grip.kind === 'edge' ? edgeKey(e.grip.index)!.id : '')));
  const sticks = result.guys.flatMap((g): Grab[] => {
    const key = result.topology.keys.find((k) => k.id === g.key);
    if (g.kind !== 'guy' || key === undefined || grabbed.has(key.id)) return [];
    // those beyond the ridge lie behind the near ones: only the one that is chosen
    if (shape.at[3 * key.node + 1]! > 0.02 && chosen !== g.id) return [];
    const height = shape.at[3 * key.node + 2]! - g.foot[2];
    return [
      {
        grip: { kind: 'stick', key: g.key, height: g.stick > 0 ? g.stick : height },
        at: place(frame, shape.at, key.node),
        label: `Raise ${key.name} on a stick`,
        value: g.stick,
        text: g.stick > 0 ? `stick of ${say(g.stick, 'length', units)}` : 'no stick',
      },
    ];
  });
  return [...roofGrab(on, units), ...hitches, ...edges, ...sticks];
}

/** The bed's straps on their trunks, and its ends on their straps. */
function bedGrabs({ rig, bed, straps, frame }: Holding, units: UnitChoice): Grab[] {
  if (bed === null || straps === null || rig.bed === undefined) return [];
  const at = (p: readonly [number, number, number]): Point => [across(frame, p[0]), upward(frame, p[2])];
  return ([0, 1] as const).flatMap((i): Grab[] => {
    const end = rig.bed!.ends[i];
    const name = i === 0 ? 'first' : 'second';
    return [
      {
        grip: { kind: 'strap', index: i },
        at: at(bed.ties[i]),
        label: `Height of the ${name} strap`,
        value: end.height,
        text: say(end.height, 'length', units),
      },
      {
        grip: { kind: 'loop', index: i },
        at: at(i === 0 ? bed.line[0]! : bed.line.at(-1)!),
        label: `Where the bed’s ${name} end is hooked`,
        value: straps.adjust === 'hitch' ? end.free : end.loop,
        text: straps.adjust === 'hitch' ? `${say(end.free, 'length', units)} free` : `loop ${end.loop}`,
      },
    ];
  });
}

/** Who and what lies under the roof, and which way each sleeper's head is. */
function lyingGrabs({ rig, report, frame }: Holding, units: UnitChoice): Grab[] {
  return (report?.roof?.under?.things ?? []).flatMap(({ lying, dry }): Grab[] => {
    const now = rig.under?.find((l) => l.id === lying.id);
    if (now === undefined) return [];
    const on = (u: number): Point => [
      across(frame, now.at[0] + u * Math.cos(now.toward)),
      upward(frame, now.at[1] + u * Math.sin(now.toward)),
    ];
    const name = now.name === '' ? now.kind : now.name;
    const said = `${say(dry, 'share', units)} dry`;
    const middle: Grab = {
      grip: { kind: 'lying', key: now.id },
      at: on(0),
      label: `Move ${name}`,
      value: now.at[0],
      text: said,
    };
    return now.kind === 'pack'
      ? [middle]
      : [
          middle,
          {
            grip: { kind: 'head', key: now.id },
            at: on(SIZES.sleeper.long),
            label: `Turn the head of ${name}`,
            value: degrees(now.toward),
            text: said,
          },
        ];
  });
}

/** Walls and the fire round it, and by which end a wall is turned. */
function aroundGrabs({ rig, report, frame }: Holding, units: UnitChoice): Grab[] {
  const on = ([x, y]: readonly [number, number]): Point => [across(frame, x), upward(frame, y)];
  const fire = report?.roof?.fire;
  return [
    ...(rig.walls ?? []).flatMap((w): Grab[] => {
      const name = WALL_NAMES[w.kind];
      const text = `${say(w.length, 'length', units)} long, ${say(w.height, 'length', units)} high`;
      return [
        { grip: { kind: 'wall', key: w.id }, at: on(w.at), label: `Move the ${name}`, value: w.at[0], text },
        {
          grip: { kind: 'wall-end', key: w.id },
          at: on(endsOf(w)[1]),
          label: `Turn the ${name}`,
          value: degrees(w.toward),
          text,
        },
      ];
    }),
    ...(rig.fire === undefined
      ? []
      : [
          {
            grip: { kind: 'fire' } as const,
            at: on(rig.fire.at),
            label: 'Move the fire',
            value: rig.fire.at[0],
            text:
              fire === null || fire === undefined ? 'fire' : `${say(fire.fromCloth, 'length', units)} from the cloth`,
          },
        ]),
  ];
}

/** Which tree of the rig a guy is tied to, as the start of what its foot says. */
function onTree(rig: RidgeRig, key: string): string {
  const { anchor } = guyOf(rig.pitch!, key);
  return anchor.kind === 'tree' ? `on ${treeOf(rig, anchor.tree)?.name ?? 'a tree'}, ` : '';
}

/** Feet of the guys, wind and north, from above. */
function roofAboveGrabs(on: Holding, units: UnitChoice): Grab[] {
  const { rig, drawing, frame } = on;
  const { pitch } = rig;
  if (pitch === undefined) return [];
  const feet = (drawing?.guys ?? [])
    .filter((g) => g.kind !== 'tie')
    .map((g): Grab => ({
      grip: { kind: 'foot', key: g.key },
      at: [across(frame, g.foot[0]), upward(frame, g.foot[1])],
      label: `Foot of the ${g.name}`,
      value: Math.hypot(g.foot[0], g.foot[1]),
      text: `${onTree(rig, g.key)}${say(g.tension, 'force', units)}, ${degrees(g.rise).toFixed(0)}° above level`,
    }));
  const wind: Grab = {
    grip: { kind: 'wind' },
    at: onRing(pitch, frame, upwind(pitch)),
    label: 'Where the wind comes from',
    value: degrees(pitch.windFrom),
    text: `from the ${compassPoint(pitch.windFrom)}`,
  };
  // a rig on measured trees lies as they stand
  const swing: Grab[] =
    rig.site !== undefined
      ? []
      : [
          {
            grip: { kind: 'north' },
            at: onRing(pitch, frame, northward(pitch), NORTH_INSIDE),
            label: 'Swing the rig: turn north round it',
            value: degrees(pitch.bearing),
            text: `the span runs to the ${compassPoint(pitch.bearing)}`,
          },
        ];
  return [...roofGrab(on, units), ...feet, ...lyingGrabs(on, units), ...aroundGrabs(on, units), ...swing, wind];
}
