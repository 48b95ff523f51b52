import { diameterOf } from '@rough-bight/core/anchor';
import type { KitStraps } from '@rough-bight/core/bed';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { ratioOf } from '@rough-bight/core/rig';
import { say } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { guyOf, measuredSpan, treeOf, trunksOfForm, trunksUsed } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import type { BedShape } from '@rough-bight/core/shelter';
import { compassPoint } from '@rough-bight/core/weather';
import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent, ReactElement, RefObject } from 'react';
import { TrunkMark } from '../../parts/marks.js';
import { useUnits } from '../../parts/units.js';
import type { RoofReport } from '../../workers/report.js';
import { BedMark } from '../bed-mark.js';
import { isBedGrip, loopStep, movedBed } from '../bed-moves.js';
import type { BedGrip } from '../bed-moves.js';
import { Handle, arrowStep, useHand } from '../hand.js';
import type { Hand } from '../hand.js';
import { usePalette } from '../palette.js';
import type { PitchGrip } from '../pitch-moves.js';
import { TURN_STEP, footNow, movedPitch } from '../pitch-moves.js';
import { useSize } from '../use-size.js';
import { Cloth } from './cloth.js';
import type { FlatView, Frame, Point } from './frame.js';
import { across, fitFrame, place, upward } from './frame.js';
import { Beside, Hangers, Lines, Pulls, Touches } from './lines.js';
import {
  Headroom,
  Levels,
  Meadow,
  NORTH_INSIDE,
  NorthMark,
  WindMark,
  headroomAt,
  northward,
  onRing,
  upwind,
} from './marks.js';
import { Water } from './water.js';

/** What a flat view shows and can change. */
export interface SceneProps {
  readonly rig: RidgeRig;
  readonly report: RoofReport | null;
  readonly body: BodyMeasures;
  readonly view: FlatView;
  /** Whether the rig has changed into one that cannot be worked out: its picture stays, its numbers do not. */
  readonly stale?: boolean;
  /** Case that is drawn. */
  readonly caseId: string;
  /** Row of the ledger that is marked. */
  readonly chosen: string | null;
  /** The bed as drawn, and its straps. */
  readonly bed: BedShape | null;
  readonly straps: KitStraps | null;
  /** Another rig drawn in dashes behind this one. */
  readonly beside: PitchResult | null;
  readonly onChoose: (row: string | null) => void;
  readonly moving: boolean;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (rig: RidgeRig) => void;
}

const STEP = 0.05;
const NONE: readonly Point[] = [];

/** The rig, to scale, from the side or from above, with everything that can be moved. */
export function FlatScene(props: SceneProps): ReactElement {
  const { rig, report, body, view, caseId, chosen, beside, onChoose, moving } = props;
  const units = useUnits();
  const palette = usePalette();
  const [box, size] = useSize(740, 500);
  const span = measuredSpan(rig, body);
  const result = report?.roof ?? null;
  const shape = result?.shapes.find((s) => s.caseId === caseId) ?? result?.shapes[0];
  // while something moves the picture stays: what is in the hand must not slide away under it
  const [held, setHeld] = useState<Frame | null>(null);
  const frame = useMemo(
    () => (moving && held !== null ? held : fitFrame(view, size, rig, span, [result, beside])),
    [moving, held, view, size, rig, span, result, beside],
  );
  const bad = useMemo(() => new Set(result?.rows.filter((row) => ratioOf(row) < 1).map((row) => row.id)), [result]);
  const badBed = useMemo(
    () => new Set(report?.bed?.rows.filter((row) => ratioOf(row) < 1).map((row) => row.id)),
    [report],
  );
  const drawn = result === null || shape === undefined ? null : { result, shape, frame };
  const written = useMemo(() => {
    if (result === null || frame.view === 'above') return NONE;
    const [x, y] = headroomAt(result, frame);
    return [
      [x + 26, y + 4],
      [x + 60, y + 20],
    ] as const;
  }, [result, frame]);
  const { bearing, windFrom, middle } = rig.pitch!;
  const bearings = { bearing, windFrom, middle };
  const bedMark = props.bed !== null && (
    <BedMark
      shape={props.bed}
      project={(p) => [across(frame, p[0]), upward(frame, view === 'side' ? p[2] : p[1])]}
      scale={frame.scale}
      above={view === 'above'}
      bad={badBed}
      chosen={chosen}
      units={units}
    />
  );
  const used = trunksUsed(rig);
  const svg = { width: size[0], height: size[1], viewBox: `0 0 ${size[0]} ${size[1]}` };
  return (
    <div className="scene pitch-scene" ref={box}>
      <svg {...svg} aria-hidden="true">
        <Backdrop
          trunks={rig.trunks}
          groundRise={rig.groundRise}
          first={used.includes(0)}
          second={used.includes(1)}
          frame={frame}
          span={span}
          feet={units.length === 'ft'}
        />
        {beside !== null && <Beside result={beside} frame={frame} />}
        {drawn !== null && <Lines {...drawn} bad={bad} chosen={chosen} far />}
      </svg>
      {drawn !== null && <Cloth {...drawn} palette={palette} />}
      <svg
        {...svg}
        role="group"
        aria-label={view === 'side' ? 'The rig from the side, to scale' : 'The rig from above, to scale'}
      >
        {drawn !== null && (
          <>
            {view === 'above' && <Water {...drawn} units={units} />}
            {props.bed !== null && view === 'above' && bedMark}
            <Lines {...drawn} bad={bad} chosen={chosen} far={false} />
            {props.bed !== null && view === 'side' && bedMark}
            <Hangers {...drawn} />
            <Pulls {...drawn} bad={bad} chosen={chosen} units={units} keepOff={written} />
            {view === 'side' && props.bed === null && (
              <Headroom result={drawn.result} frame={frame} body={body} units={units} />
            )}
            <Touches {...drawn} chosen={chosen} onChoose={onChoose} />
          </>
        )}
        {view === 'above' && (
          <>
            <WindMark {...bearings} frame={frame} />
            <NorthMark {...bearings} frame={frame} />
          </>
        )}
        <Handles {...props} result={result} shape={shape} frame={frame} span={span} onHold={setHeld} />
      </svg>
    </div>
  );
}

/** Ground, levels or grid, and the trunks. */
const Backdrop = memo(function Backdrop({
  trunks,
  groundRise,
  first,
  second,
  frame,
  span,
  feet,
}: {
  readonly trunks: RidgeRig['trunks'];
  readonly groundRise: number;
  /** Whether anything is tied to them. */
  readonly first: boolean;
  readonly second: boolean;
  readonly frame: Frame;
  readonly span: number;
  readonly feet: boolean;
}): ReactElement {
  const side = frame.view === 'side';
  const foot = (i: 0 | 1): Point => [across(frame, i * span), upward(frame, side ? i * groundRise : 0)];
  return (
    <>
      {side ? <Levels frame={frame} feet={feet} /> : <Meadow frame={frame} />}
      {side && (
        <path
          className="soil"
          d={`M0 ${foot(0)[1]}H${foot(0)[0]}L${foot(1).join(' ')}H${frame.width}V${frame.height}H0Z`}
        />
      )}
      {([0, 1] as const).map((i) => {
        if (i === 0 ? !first : !second) return null;
        const [x, y] = foot(i);
        const wide = diameterOf(trunks[i].girth) * frame.scale;
        return side ? (
          <TrunkMark key={i} x={x} foot={y} top={0} width={Math.max(8, wide)} bad={trunks[i].signs.length > 0} />
        ) : (
          <circle key={i} className="pitch-trunk" cx={x} cy={y} r={Math.max(6, wide / 2)} />
        );
      })}
    </>
  );
});

interface Grabs extends SceneProps {
  readonly result: PitchResult | null;
  readonly shape: PitchShape | undefined;
  readonly frame: Frame;
  readonly span: number;
  /** The picture as it is when a hand takes hold. */
  readonly onHold: (frame: Frame) => void;
}
/** Something to take hold of. */
interface Grab {
  readonly grip: PitchGrip | BedGrip;
  readonly at: Point;
  readonly label: string;
  readonly value: number;
  readonly text: string;
}

/** Everything that can be moved in this view. */
function Handles(props: Grabs): ReactElement {
  const { rig, body, view, frame, result, onHold, onMove, onMoveEnd, onNudge } = props;
  const units = useUnits();
  const hand = useHand(onMove);
  const guys = useMemo(() => result?.guys ?? [], [result]);
  const grabs = view === 'side' ? sideGrabs(props, units) : aboveGrabs(props, units);
  const flat = (across: number, up: number): [number, number, number] =>
    view === 'side' ? [across, 0, up] : [across, up, 0];
  const deeds = useRef<Deeds>(null!);
  useLayoutEffect(() => {
    deeds.current = {
      take: () => onHold(frame),
      follow: (grip) => {
        const feet = guys.map((g) => ({ ...g, foot: footNow(rig, body, g) }));
        return ([dx, dy], [x, y]) =>
          isBedGrip(grip)
            ? movedBed(rig, props.straps!, grip, dx / frame.scale, -dy / frame.scale)
            : movedPitch(rig, grip, flat(dx / frame.scale, -dy / frame.scale), feet, body, [
                (x - frame.x0) / frame.scale - rig.pitch!.middle,
                (frame.y0 - y) / frame.scale,
              ]);
      },
      end: onMoveEnd,
      key: (grip, e) => {
        const step = arrowStep(e, grip.kind === 'hitch' ? STEP / 10 : STEP);
        if (step === null) return;
        if (isBedGrip(grip)) {
          onNudge(movedBed(rig, props.straps!, grip, loopStep(step[0]), step[1]));
          return;
        }
        // what is turned goes by an angle a key: right and up clockwise
        const on = grip.kind === 'wind' ? upwind(rig.pitch!) : northward(rig.pitch!);
        const turn = Math.atan2(on[1], on[0]) - ((step[0] + step[1]) / STEP) * TURN_STEP;
        onNudge(
          movedPitch(rig, grip, flat(...(step as [number, number])), guys, body, [Math.cos(turn), Math.sin(turn)]),
        );
      },
    };
  });
  return (
    <>
      {grabs.map((grab) => (
        <GrabHandle key={keyOf(grab.grip)} grab={grab} hand={hand} deeds={deeds} />
      ))}
    </>
  );
}

/** What handles do, as the rig now is: the handles themselves need not be drawn again for it. */
interface Deeds {
  readonly take: () => void;
  readonly follow: (grip: Grab['grip']) => (by: Point, at: Point) => RidgeRig;
  readonly end: () => void;
  readonly key: (grip: Grab['grip'], e: KeyboardEvent) => void;
}

const keyOf = (grip: Grab['grip']): string =>
  `${grip.kind}${'index' in grip ? grip.index : 'key' in grip ? grip.key : ''}`;

/** One handle, drawn again only where it has moved or says something else. */
const GrabHandle = memo(
  function GrabHandle({
    grab: { grip, at, label, value, text },
    hand,
    deeds,
  }: {
    readonly grab: Grab;
    readonly hand: Hand<RidgeRig>;
    readonly deeds: RefObject<Deeds>;
  }): ReactElement {
    return (
      <Handle
        kind={grip.kind}
        at={at}
        label={label}
        value={value}
        text={text}
        hand={hand}
        onTake={() => deeds.current.take()}
        follow={() => deeds.current.follow(grip)}
        onEnd={() => deeds.current.end()}
        onKeyDown={(e) => deeds.current.key(grip, e)}
      />
    );
  },
  ({ grab: a, hand }, { grab: b, hand: other }) =>
    hand === other &&
    a.at[0] === b.at[0] &&
    a.at[1] === b.at[1] &&
    a.label === b.label &&
    a.value === b.value &&
    a.text === b.text &&
    (a.grip.kind !== 'stick' || b.grip.kind !== 'stick' || a.grip.height === b.grip.height),
);

type Units = ReturnType<typeof useUnits>;
const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** The middle of the ridge, by which the roof is moved along. */
function roofGrab({ rig, result, shape, frame }: Grabs, units: Units): Grab[] {
  if (PITCH_TRAITS[rig.pitch!.form].hangs === 'first' || shape === undefined) return [];
  const key = result?.topology.keys.find((k) => k.id === 'rm' || k.id === 'p');
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

function sideGrabs(props: Grabs, units: Units): Grab[] {
  const { rig, result, shape, frame, span, chosen } = props;
  const pitch = rig.pitch!;
  const { reads } = PITCH_TRAITS[pitch.form];
  const ties = ([0, 1] as const).flatMap((i): Grab[] => {
    const { name, tieHeight } = rig.trunks[i];
    return trunksOfForm(pitch.form).includes(i)
      ? [
          {
            grip: { kind: 'tie', index: i },
            at: [across(frame, i * span), upward(frame, i * rig.groundRise + tieHeight)],
            label: `Tie height at ${name}`,
            value: tieHeight,
            text: say(tieHeight, 'length', units),
          },
        ]
      : [];
  });
  if (result === null || shape === undefined) return ties;
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
  return [...ties, ...roofGrab(props, units), ...hitches, ...edges, ...sticks, ...bedGrabs(props, units)];
}

/** The bed's straps on their trunks, and its ends on their straps. */
function bedGrabs({ rig, bed, straps, frame }: Grabs, units: Units): Grab[] {
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

/** Which tree of the rig a guy is tied to, as the start of what its foot says. */
function onTree(rig: RidgeRig, key: string): string {
  const { anchor } = guyOf(rig.pitch!, key);
  return anchor.kind === 'tree' ? `on ${treeOf(rig, anchor.tree)?.name ?? 'a tree'}, ` : '';
}

function aboveGrabs(props: Grabs, units: Units): Grab[] {
  const { rig, result, frame } = props;
  const pitch = rig.pitch!;
  const feet = (result?.guys ?? [])
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
  return [...roofGrab(props, units), ...feet, ...swing, wind];
}
