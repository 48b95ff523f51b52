import { diameterOf } from '@rough-bight/core/anchor';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { ratioOf } from '@rough-bight/core/pitch';
import { say, sayHeight } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { measuredSpan } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { PITCH_TRAITS, hemOf, pathFrom } from '@rough-bight/core/roof';
import { compassPoint, windToward } from '@rough-bight/core/weather';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent, PointerEvent, ReactElement } from 'react';
import { HitchMark, TrunkMark } from '../parts/marks.js';
import { useUnits } from '../parts/units.js';
import type { PitchJudgement } from '../workers/rig.worker.js';
import type { PitchGrip } from './pitch-moves.js';
import { movedPitch } from './pitch-moves.js';
import { useSize } from './use-size.js';

/** The flat views. */
export type Side = 'side' | 'above';

/** What a flat view shows and can change. */
export interface SceneProps {
  readonly rig: RidgeRig;
  readonly judgement: PitchJudgement | null;
  readonly body: BodyMeasures;
  readonly view: Side;
  /** Case that is drawn. */
  readonly caseId: string;
  /** Row of the ledger that is marked. */
  readonly chosen: string | null;
  /** Another rig drawn in dashes behind this one. */
  readonly beside: PitchResult | null;
  readonly onChoose: (row: string | null) => void;
  readonly moving: boolean;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (rig: RidgeRig) => void;
}

/** Metres to pixels of one view: across the picture and up it. */
interface Frame {
  readonly side: Side;
  readonly scale: number;
  readonly x0: number;
  readonly y0: number;
}
type Point = readonly [number, number];

/** Room at the edges, px. */
const ROOM = { side: [64, 40, 64, 96], above: [56, 46, 56, 60] } as const;

/** Fits everything the rig has into a picture. */
function fit(
  side: Side,
  width: number,
  height: number,
  rig: RidgeRig,
  span: number,
  r: PitchResult | null,
  beside: PitchResult | null,
): Frame {
  let [x0, x1, y0, y1] = [0, span, 0, 0];
  const take = (x: number, y: number): void => {
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
  };
  if (side === 'side') take(0, Math.max(rig.trunks[0].tieHeight, rig.groundRise + rig.trunks[1].tieHeight) + 0.5);
  if (r === null) take(span, side === 'side' ? 2 : 1.5);
  for (const one of [r, beside]) {
    if (one === null) continue;
    const { at } = one.shapes[0]!;
    for (let n = 0; n < one.topology.clothNodes; n++) take(at[3 * n]!, at[3 * n + (side === 'side' ? 2 : 1)]!);
    for (const g of one.guys) take(g.foot[0], side === 'side' ? g.foot[2] : g.foot[1]);
  }
  const [left, top, right, bottom] = ROOM[side];
  const scale = Math.max(8, Math.min((width - left - right) / (x1 - x0), (height - top - bottom) / (y1 - y0)));
  return {
    side,
    scale,
    x0: left + (width - left - right - (x1 - x0) * scale) / 2 - x0 * scale,
    y0:
      side === 'side'
        ? height - bottom + y0 * scale
        : top + (height - top - bottom - (y1 - y0) * scale) / 2 + y1 * scale,
  };
}

const across = (f: Frame, x: number): number => f.x0 + x * f.scale;
const upward = (f: Frame, y: number): number => f.y0 - y * f.scale;
const place = (f: Frame, at: ArrayLike<number>, n: number): Point => [
  across(f, at[3 * n]!),
  upward(f, at[3 * n + (f.side === 'side' ? 2 : 1)]!),
];
const svg = ([x, y]: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`;

const STEP = 0.05;
/** Light comes from over the left shoulder of who looks. */
const LIGHT = [-0.35, -0.45, 0.82] as const;

/** The rig, to scale, from the side or from above, with everything that can be moved. */
export function PitchScene(props: SceneProps): ReactElement {
  const { rig, judgement, body, view, caseId, chosen, beside, onChoose, moving, onMove, onMoveEnd, onNudge } = props;
  const units = useUnits();
  const [box, size] = useSize(740, 500);
  const span = measuredSpan(rig, body);
  const r = judgement?.pitch ?? null;
  const [held, setHeld] = useState<Frame | null>(null);
  const fitted = useMemo(() => fit(view, size[0], size[1], rig, span, r, beside), [view, size, rig, span, r, beside]);
  const frame = moving && held !== null ? held : fitted;
  const shape = r?.shapes.find((s) => s.caseId === caseId) ?? r?.shapes[0];
  const guys = useMemo(() => r?.guys ?? [], [r]);
  const { reads, hangs } = PITCH_TRAITS[rig.pitch!.form];

  const drag = useRef<{ grip: PitchGrip; x: number; y: number; rig: RidgeRig; frame: number; next: RidgeRig } | null>(
    null,
  );
  const start = useCallback(
    (grip: PitchGrip, e: PointerEvent): void => {
      e.preventDefault();
      (e.currentTarget as Element).setPointerCapture(e.pointerId);
      setHeld(fitted);
      drag.current = { grip, x: e.clientX, y: e.clientY, rig, frame: 0, next: rig };
    },
    [fitted, rig],
  );
  const go = (e: PointerEvent): void => {
    const d = drag.current;
    if (d === null) return;
    const dx = (e.clientX - d.x) / frame.scale;
    const dv = (d.y - e.clientY) / frame.scale;
    const bounds = box.current!.getBoundingClientRect();
    const at: Point = [
      (e.clientX - bounds.left - frame.x0) / frame.scale - d.rig.pitch!.middle,
      (frame.y0 - (e.clientY - bounds.top)) / frame.scale,
    ];
    d.next = movedPitch(d.rig, d.grip, view === 'side' ? [dx, 0, dv] : [dx, dv, 0], feetOf(d.rig, guys), body, at);
    if (d.frame !== 0) return;
    d.frame = requestAnimationFrame(() => {
      d.frame = 0;
      onMove(d.next);
    });
  };
  const end = (): void => {
    const d = drag.current;
    if (d === null) return;
    drag.current = null;
    if (d.frame !== 0) {
      cancelAnimationFrame(d.frame);
      onMove(d.next);
    }
    onMoveEnd();
  };
  const nudge = (grip: PitchGrip, e: KeyboardEvent): void => {
    const by = (e.shiftKey ? STEP * 5 : STEP) * (grip.kind === 'hitch' ? 0.1 : 1);
    const steps: Readonly<Record<string, Point>> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    };
    const step = steps[e.key];
    if (step === undefined) return;
    e.preventDefault();
    const turn = rig.pitch!.bearing - rig.pitch!.windFrom - step[0] * 2 + step[1] * 2;
    onNudge(
      movedPitch(rig, grip, view === 'side' ? [step[0], 0, step[1]] : [step[0], step[1], 0], guys, body, [
        Math.cos(turn),
        Math.sin(turn),
      ]),
    );
  };
  const handle = (grip: PitchGrip, [x, y]: Point, label: string, value: number, text: string): ReactElement => (
    <g
      key={`${grip.kind}${'index' in grip ? grip.index : 'key' in grip ? grip.key : ''}`}
      className={`handle handle-${grip.kind}`}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(2))}
      aria-valuetext={text}
      onPointerDown={(e) => start(grip, e)}
      onPointerMove={go}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={(e) => nudge(grip, e)}
    >
      <title>{label}</title>
      <circle className="handle-reach" cx={x} cy={y} r={22} />
      <circle className="handle-dot" cx={x} cy={y} r={5.5} />
    </g>
  );
  const trunkNeeded = (i: 0 | 1): boolean => hangs === 'ridge' || hangs === 'ends' || (hangs === 'first' && i === 0);
  const foot = (i: 0 | 1): Point =>
    view === 'side'
      ? [across(frame, i * span), upward(frame, i * rig.groundRise)]
      : [across(frame, i * span), upward(frame, 0)];
  const tie = (i: 0 | 1): Point =>
    view === 'side' ? [across(frame, i * span), upward(frame, i * rig.groundRise + rig.trunks[i].tieHeight)] : foot(i);
  const bad = useMemo(() => new Set(r?.rows.filter((row) => ratioOf(row) < 1).map((row) => row.id)), [r]);
  const edgeOf = (k: 0 | 1): Point | null => {
    // the left edge by its first corner, the right by its second: from the side one would hide the other
    const key =
      ['0', '2'].map((end) => r?.topology.keys.find((x) => x.id === `${k}${end}`))[k] ??
      r?.topology.keys.find((x) => x.id === `${k}`);
    return key === undefined || shape === undefined ? null : place(frame, shape.at, key.node);
  };
  const middle = shape === undefined || r === null ? null : ridgeMiddle(r, shape, frame);

  return (
    <div className="scene pitch-scene" ref={box}>
      <svg
        width={size[0]}
        height={size[1]}
        viewBox={`0 0 ${size[0]} ${size[1]}`}
        role="group"
        aria-label={view === 'side' ? 'The rig from the side, to scale' : 'The rig from above, to scale'}
      >
        <defs>
          <pattern id="slack" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(35)">
            <path className="slack-line" d="M0 0V7" />
          </pattern>
        </defs>
        {view === 'side' ? (
          <Levels frame={frame} width={size[0]} feet={units.length === 'ft'} />
        ) : (
          <Meadow frame={frame} width={size[0]} height={size[1]} />
        )}
        {view === 'side' && (
          <path className="soil" d={`M0 ${foot(0)[1]}H${foot(0)[0]}L${foot(1).join(' ')}H${size[0]}V${size[1]}H0Z`} />
        )}
        {([0, 1] as const).map((i) =>
          !trunkNeeded(i) ? null : view === 'side' ? (
            <TrunkMark
              key={i}
              x={foot(i)[0]}
              foot={foot(i)[1]}
              top={0}
              width={Math.max(8, diameterOf(rig.trunks[i].girth) * frame.scale)}
              bad={rig.trunks[i].signs.length > 0}
            />
          ) : (
            <circle
              key={i}
              className="pitch-trunk"
              cx={foot(i)[0]}
              cy={foot(i)[1]}
              r={Math.max(6, (diameterOf(rig.trunks[i].girth) * frame.scale) / 2)}
            />
          ),
        )}
        {beside !== null && <Beside result={beside} frame={frame} />}
        {r !== null && shape !== undefined && (
          <>
            <Lines result={r} shape={shape} frame={frame} bad={bad} chosen={chosen} onChoose={onChoose} far />
            <Cloth result={r} shape={shape} frame={frame} />
            {view === 'above' && <Water result={r} shape={shape} frame={frame} width={size[0]} units={units} />}
            <Lines result={r} shape={shape} frame={frame} bad={bad} chosen={chosen} onChoose={onChoose} far={false} />
            {r.topology.lines
              .filter((l) => l.role === 'loop')
              .map((l) => {
                const [x, y] = place(frame, shape.at, l.nodes[0]!);
                return <HitchMark key={l.id} x={x} y={y} angle={0} />;
              })}
            {r.topology.hung.map((h) => {
              const [x, y] = place(frame, shape.at, h.node);
              return (
                <g key={h.id} className="hung">
                  <title>{h.name}</title>
                  <path d={view === 'side' ? `M${x} ${y}v12m-6 0h12l2 12h-16z` : `M${x - 5} ${y - 5}h10v10h-10z`} />
                </g>
              );
            })}
            <Pulls result={r} shape={shape} frame={frame} bad={bad} chosen={chosen} units={units} />
            {view === 'side' && <Headroom result={r} frame={frame} body={body} units={units} />}
          </>
        )}
        {view === 'above' && <WindMark rig={rig} frame={frame} size={size} />}
        {view === 'side' &&
          ([0, 1] as const).map((i) =>
            trunkNeeded(i)
              ? handle(
                  { kind: 'tie', index: i },
                  tie(i),
                  `Tie height at ${rig.trunks[i].name}`,
                  rig.trunks[i].tieHeight,
                  say(rig.trunks[i].tieHeight, 'length', units),
                )
              : null,
          )}
        {middle !== null &&
          hangs !== 'first' &&
          handle(
            { kind: 'roof' },
            middle,
            'Move the roof along',
            rig.pitch!.middle,
            say(rig.pitch!.middle, 'length', units),
          )}
        {view === 'side' &&
          r !== null &&
          shape !== undefined &&
          r.topology.lines
            .filter((l) => l.role === 'loop')
            .map((l) => {
              const i = l.id === 'loop0' ? 0 : 1;
              const slid = rig.pitch!.hitches[i].slid;
              return handle(
                { kind: 'hitch', index: i },
                place(frame, shape.at, l.nodes[0]!),
                `Slide the ${i === 0 ? 'first' : 'second'} hitch out`,
                slid * 1000,
                `${(slid * 1000).toFixed(0)} mm farther out`,
              );
            })}
        {view === 'side' &&
          reads.includes('edges') &&
          ([0, 1] as const).map((k) => {
            const at = edgeOf(k);
            return at === null
              ? null
              : handle(
                  { kind: 'edge', index: k },
                  at,
                  `Height of the ${k === 0 ? 'left' : 'right'} edge`,
                  rig.pitch!.shape.edges[k],
                  say(rig.pitch!.shape.edges[k], 'length', units),
                );
          })}
        {view === 'above' &&
          guys
            .filter((g) => g.kind !== 'tie')
            .map((g) =>
              handle(
                { kind: 'foot', key: g.key },
                [across(frame, g.foot[0]), upward(frame, g.foot[1])],
                `Foot of the ${g.name}`,
                Math.hypot(g.foot[0], g.foot[1]),
                `${say(g.tension, 'force', units)}, ${((g.rise * 180) / Math.PI).toFixed(0)}° above level`,
              ),
            )}
        {view === 'above' &&
          handle(
            { kind: 'wind' },
            windAt(rig, frame, size, 0),
            'Where the wind comes from',
            (rig.pitch!.windFrom * 180) / Math.PI,
            `from the ${compassPoint(rig.pitch!.windFrom)}`,
          )}
      </svg>
    </div>
  );
}

/** The feet as the rig in hand has them: those already moved are where the hand put them. */
function feetOf(rig: RidgeRig, guys: PitchResult['guys']): PitchResult['guys'] {
  return guys.map((g) => {
    const own = rig.pitch!.own[g.key]?.foot;
    return own === undefined || own === null ? g : { ...g, foot: [own[0], own[1], g.foot[2]] };
  });
}

function ridgeMiddle(r: PitchResult, shape: PitchShape, frame: Frame): Point | null {
  const key = r.topology.keys.find((k) => k.id === 'rm' || k.id === 'p');
  return key === undefined ? null : place(frame, shape.at, key.node);
}

function Levels({
  frame,
  width,
  feet,
}: {
  readonly frame: Frame;
  readonly width: number;
  readonly feet: boolean;
}): ReactElement {
  const unit = feet ? 0.3048 * 2 : 1;
  return (
    <>
      {[0, 1, 2, 3, 4].map((k) => (
        <g key={k} className="scene-level">
          <path d={`M0 ${upward(frame, k * unit)}H${width}`} />
          <text x={8} y={upward(frame, k * unit) - 5}>
            {feet ? `${k * 2} ft` : `${k} m`}
          </text>
        </g>
      ))}
    </>
  );
}

function Meadow({
  frame,
  width,
  height,
}: {
  readonly frame: Frame;
  readonly width: number;
  readonly height: number;
}): ReactElement {
  const lines: ReactElement[] = [];
  for (let m = -20; m <= 30; m++) {
    const [x, y] = [across(frame, m), upward(frame, m)];
    if (x > 0 && x < width) lines.push(<path key={`x${m}`} d={`M${x} 0V${height}`} />);
    if (y > 0 && y < height) lines.push(<path key={`y${m}`} d={`M0 ${y}H${width}`} />);
  }
  return <g className="pitch-grid">{lines}</g>;
}

/** Another rig as pitched: its hem, folds along the ridge and lines, dashed. */
function Beside({ result, frame }: { readonly result: PitchResult; readonly frame: Frame }): ReactElement {
  const { at } = result.shapes[0]!;
  const hem = useMemo(() => hemOf(result.topology.corners), [result]);
  const lines = result.topology.lines.map((l) => `M${l.nodes.map((n) => svg(place(frame, at, n))).join('L')}`);
  return (
    <path
      className="pitch-beside"
      d={hem.map(([a, b]) => `M${svg(place(frame, at, a))}L${svg(place(frame, at, b))}`).join('') + lines.join('')}
    />
  );
}

/** The cloth's panels, farthest first, shaded by how they face the light; hatched where they are slack. */
function Cloth({
  result,
  shape,
  frame,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
}): ReactElement {
  const { corners } = result.topology;
  const { at, state } = shape;
  const count = corners.length / 3;
  const order = useMemo(() => {
    const c = frame.side === 'side' ? 1 : 2;
    const depth = (t: number): number =>
      at[3 * corners[3 * t]! + c]! + at[3 * corners[3 * t + 1]! + c]! + at[3 * corners[3 * t + 2]! + c]!;
    const sign = frame.side === 'side' ? -1 : 1;
    return Array.from({ length: count }, (_, t) => t).sort((a, b) => sign * (depth(a) - depth(b)));
  }, [corners, at, count, frame.side]);
  const edge = useMemo(() => hemOf(corners), [corners]);
  return (
    <g className="pitch-cloth">
      {order.map((t) => {
        const [a, b, c] = [corners[3 * t]!, corners[3 * t + 1]!, corners[3 * t + 2]!];
        const d = `M${svg(place(frame, at, a))}L${svg(place(frame, at, b))}L${svg(place(frame, at, c))}Z`;
        const tone = Math.round(shadeOf(at, a, b, c, frame.side) * 6);
        return (
          <g key={t}>
            <path className={`panel panel-${tone}`} d={d} />
            {state[t] === 0 && <path className="panel-slack" d={d} fill="url(#slack)" />}
          </g>
        );
      })}
      <path
        className="pitch-edge"
        d={edge.map(([a, b]) => `M${svg(place(frame, at, a))}L${svg(place(frame, at, b))}`).join('')}
      />
    </g>
  );
}

/** 0 in shadow to 1 in the light; the side that faces who looks counts. */
function shadeOf(at: ArrayLike<number>, a: number, b: number, c: number, side: Side): number {
  const u = [0, 1, 2].map((k) => at[3 * b + k]! - at[3 * a + k]!) as [number, number, number];
  const v = [0, 1, 2].map((k) => at[3 * c + k]! - at[3 * a + k]!) as [number, number, number];
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
  const size = Math.hypot(...n) || 1;
  const toward = side === 'side' ? -n[1] : n[2];
  const flip = toward < 0 ? -1 : 1;
  const lit = (flip * (n[0] * LIGHT[0] + n[1] * LIGHT[1] + n[2] * LIGHT[2])) / size;
  return Math.min(1, Math.max(0, 0.5 + 0.5 * lit));
}

/** Lines and sticks: thicker where they carry more, rust where they are short; the far ones behind the cloth. */
function Lines({
  result,
  shape,
  frame,
  bad,
  chosen,
  onChoose,
  far,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly onChoose: (row: string | null) => void;
  readonly far: boolean;
}): ReactElement {
  const { topology, guys } = result;
  const trips = new Set(guys.filter((g) => g.trips).map((g) => g.id));
  const isFar = (nodes: readonly number[]): boolean =>
    frame.side === 'side' && nodes.reduce((s, n) => s + shape.at[3 * n + 1]!, 0) / nodes.length > 0.02;
  return (
    <g className="pitch-lines">
      {topology.sticks
        .filter((s) => isFar([s.from, s.to]) === far)
        .map((s) => (
          <path
            key={s.id}
            className={bad.has(s.id) ? 'pitch-stick pitch-bad' : 'pitch-stick'}
            d={`M${svg(place(frame, shape.at, s.from))}L${svg(place(frame, shape.at, s.to))}`}
          />
        ))}
      {topology.lines
        .filter((l) => isFar(l.nodes) === far)
        .map((l) => {
          const pull = shape.tension[l.line]!;
          const d = `M${l.nodes.map((n) => svg(place(frame, shape.at, n))).join('L')}`;
          const name = [
            'pitch-line',
            bad.has(l.row) ? 'pitch-bad' : '',
            chosen === l.row ? 'pitch-chosen' : '',
            pull < 1 ? 'pitch-loose' : '',
          ].join(' ');
          return (
            <g key={l.id}>
              <path className={name} d={d} strokeWidth={Math.min(5, 1.4 + Math.sqrt(pull) / 9)} />
              {trips.has(l.id) && <Flag at={shape.at} nodes={l.nodes} frame={frame} />}
              <path className="pitch-touch" d={d} onClick={() => onChoose(chosen === l.row ? null : l.row)} />
            </g>
          );
        })}
      {guys
        .filter((g) => g.kind !== 'tie' && (frame.side === 'side' && g.foot[1] > 0.02) === far)
        .map((g) => {
          const [x, y] = [across(frame, g.foot[0]), upward(frame, frame.side === 'side' ? g.foot[2] : g.foot[1])];
          return (
            <path
              key={g.id}
              className={bad.has(g.id) ? 'pitch-peg pitch-bad' : 'pitch-peg'}
              d={
                frame.side === 'side'
                  ? `M${x - 3} ${y - 6}L${x + 3} ${y + 11}`
                  : `M${x - 5} ${y - 5}L${x + 5} ${y + 5}M${x - 5} ${y + 5}L${x + 5} ${y - 5}`
              }
            />
          );
        })}
    </g>
  );
}

/** Something bright on a guy that people walk into. */
function Flag({
  at,
  nodes,
  frame,
}: {
  readonly at: ArrayLike<number>;
  readonly nodes: readonly number[];
  readonly frame: Frame;
}): ReactElement {
  const [a, b] = [place(frame, at, nodes[0]!), place(frame, at, nodes.at(-1)!)];
  return <path className="pitch-flag" d={`M${svg([a[0] * 0.6 + b[0] * 0.4, a[1] * 0.6 + b[1] * 0.4])}l-4 11h8z`} />;
}

/** What pulls, beside each line: those on the near side, and whatever is chosen or short. */
function Pulls({
  result,
  shape,
  frame,
  bad,
  chosen,
  units,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly units: Parameters<typeof say>[2];
}): ReactElement {
  const taken: Point[] = [];
  return (
    <g className="pitch-pulls">
      {result.topology.lines.map((l) => {
        if (l.role === 'loop') return null;
        const nodes = l.role === 'ridge' ? l.nodes.slice(0, 2) : l.nodes;
        const near = frame.side === 'above' || shape.at[3 * l.nodes[0]! + 1]! < 0.02;
        if (!near && chosen !== l.row && !bad.has(l.row)) return null;
        const [a, b] = [place(frame, shape.at, nodes[0]!), place(frame, shape.at, nodes.at(-1)!)];
        // beside a line that runs up the picture, above one that runs across it
        const steep = Math.abs(a[0] - b[0]) < Math.abs(a[1] - b[1]);
        const at: Point = [(a[0] + b[0]) / 2 + (steep ? 26 : 0), (a[1] + b[1]) / 2 + (steep ? 5 : -7)];
        // names on names help nobody: the first there stays
        if (chosen !== l.row && taken.some((t) => Math.abs(t[0] - at[0]) < 46 && Math.abs(t[1] - at[1]) < 16))
          return null;
        taken.push(at);
        return (
          <text
            key={l.id}
            x={at[0]}
            y={at[1]}
            textAnchor="middle"
            className={bad.has(l.row) ? 'pitch-pull pitch-pull-bad' : 'pitch-pull'}
          >
            {say(shape.tension[l.line]!, 'force', units)}
          </text>
        );
      })}
    </g>
  );
}

function Headroom({
  result,
  frame,
  body,
  units,
}: {
  readonly result: PitchResult;
  readonly frame: Frame;
  readonly body: BodyMeasures;
  readonly units: Parameters<typeof say>[2];
}): ReactElement {
  const { headroom } = result.cover;
  const keys = result.topology.keys.map((k) => result.shapes[0]!.at[3 * k.node]!);
  const x = across(frame, (Math.min(...keys) + Math.max(...keys)) / 2 + 0.35);
  const ground = upward(frame, 0);
  const top = upward(frame, headroom);
  return (
    <g className="scene-height">
      <path d={`M${x} ${top}V${ground}m-5 0h10M${x - 5} ${top}h10`} />
      <text x={x + 8} y={(top + ground) / 2 + 4}>
        {say(headroom, 'length', units)}
      </text>
      <text className="quiet" x={x + 8} y={(top + ground) / 2 + 20}>
        {sayHeight(headroom, body, units.length)}
      </text>
    </g>
  );
}

/** Which way rain runs, where it drips most and where it stands. */
function Water({
  result,
  shape,
  frame,
  width,
  units,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
  readonly width: number;
  readonly units: Parameters<typeof say>[2];
}): ReactElement {
  const { runOff, topology } = result;
  const starts = useMemo(() => {
    // from the highest nodes down, one way in three
    const nodes = Array.from({ length: topology.clothNodes }, (_, n) => n);
    return nodes.filter((n) => n % 3 === 1 && runOff.through[n]! < 3 * (runOff.catches / topology.clothNodes));
  }, [topology.clothNodes, runOff]);
  const best = runOff.drips[0];
  const drip: Point = best === undefined ? [0, 0] : place(frame, shape.at, best.node);
  return (
    <g className="pitch-water">
      {starts.map((n) => (
        <path
          key={n}
          className="run"
          d={`M${pathFrom(runOff, n)
            .map((m) => svg(place(frame, shape.at, m)))
            .join('L')}`}
        />
      ))}
      {runOff.ponds.map((p) =>
        p.wet.map((w) => {
          const [x, y] = place(frame, shape.at, w.node);
          return <circle key={w.node} className="pond" cx={x} cy={y} r={4 + 60 * w.depth} />;
        }),
      )}
      {best !== undefined && (
        <g className="drip">
          <path d={`M${svg(drip)}m0 -9c6 8 7 11 0 15c-7 -4 -6 -7 0 -15z`} />
          <text
            x={drip[0] + (drip[0] > width / 2 ? -10 : 10)}
            y={drip[1] + 18}
            textAnchor={drip[0] > width / 2 ? 'end' : 'start'}
          >
            pail here: {say(best.perMillimetre / 1000, 'volume', units)} for each mm of rain
          </text>
        </g>
      )}
    </g>
  );
}

/** Where on the picture the wind is turned by: on a ring round the roof, `out` px farther. */
function windAt(rig: RidgeRig, frame: Frame, size: Point, out: number): Point {
  const [wx, wy] = windToward(rig.pitch!.windFrom, rig.pitch!.bearing);
  const middle: Point = [across(frame, rig.pitch!.middle), upward(frame, 0)];
  const ring = Math.min(size[0], size[1]) / 2 - 34 + out;
  return [middle[0] - wx * ring, middle[1] + wy * ring];
}

function WindMark({
  rig,
  frame,
  size,
}: {
  readonly rig: RidgeRig;
  readonly frame: Frame;
  readonly size: Point;
}): ReactElement {
  const [wx, wy] = windToward(rig.pitch!.windFrom, rig.pitch!.bearing);
  const [x, y] = windAt(rig, frame, size, 0);
  const arrow = [-9, 0, 9].map((off) => {
    const [ox, oy] = [x + off * wy, y + off * wx];
    return `M${ox} ${oy}l${wx * 34} ${-wy * 34}`;
  });
  const tip: Point = [x + wx * 40, y - wy * 40];
  return (
    <g className="pitch-wind">
      <path
        d={`${arrow.join('')}M${svg(tip)}l${-wx * 10 + wy * 6} ${wy * 10 + wx * 6}M${svg(tip)}l${-wx * 10 - wy * 6} ${wy * 10 - wx * 6}`}
      />
      <text x={x + 14} y={y + (y < 60 ? 26 : -12)}>
        wind from the {compassPoint(rig.pitch!.windFrom)}
      </text>
    </g>
  );
}
