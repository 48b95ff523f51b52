import { diameterOf } from '@rough-bight/core/anchor';
import { say, sayHeight, saySmall } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { hitched, measuredSpan } from '@rough-bight/core/rig';
import type { KitStraps } from '@rough-bight/core/bed';
import { ratioOf } from '@rough-bight/core/rig';
import type { KitCord, RidgeRig, Shape } from '@rough-bight/core/rig';
import type { BedShape } from '@rough-bight/core/shelter';
import { useMemo, useState } from 'react';
import type { KeyboardEvent, ReactElement } from 'react';
import { FigureValue } from '../parts/figure.js';
import { HitchMark, HungMark, TrunkMark } from '../parts/marks.js';
import { useUnits } from '../parts/units.js';
import type { LineReport } from '../workers/report.js';
import { BedMark } from './bed-mark.js';
import { isBedGrip, loopStep, movedBed } from './bed-moves.js';
import type { BedGrip } from './bed-moves.js';
import { Handle, arrowStep, useHand } from './hand.js';
import type { Grip } from './moves.js';
import { moved } from './moves.js';
import type { View } from './view.js';
import { fitView, toX, toY } from './view.js';
import { useSize } from './use-size.js';

interface Props {
  readonly rig: RidgeRig;
  readonly report: LineReport | null;
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  readonly moving: boolean;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (rig: RidgeRig) => void;
  /** The bed as drawn, and its straps. */
  readonly bed: BedShape | null;
  readonly straps: KitStraps | null;
}

/** A shape's points as an SVG path, from the first tie at height `h`. */
function pathOf(shape: Shape, view: View, h: number): string {
  let d = '';
  for (let i = 0; i < shape.points.length; i += 4) {
    d += `${i === 0 ? 'M' : 'L'}${toX(view, shape.points[i]!).toFixed(1)} ${toY(view, h + shape.points[i + 2]!).toFixed(1)}`;
  }
  return d;
}

/** The line's point nearest to a horizontal place: x, z relative to the first tie, and slope. */
function pointAt(shape: Shape, x: number): { readonly z: number; readonly slope: number } {
  const p = shape.points;
  for (let i = 4; i < p.length; i += 4) {
    if (p[i]! >= x || i + 4 >= p.length) {
      const dx = p[i]! - p[i - 4]!;
      const slope = dx === 0 ? 0 : (p[i + 2]! - p[i - 2]!) / dx;
      return { z: p[i - 2]! + slope * (x - p[i - 4]!), slope };
    }
  }
  return { z: 0, slope: 0 };
}

const STEP = 0.05;
/** Pixels a metre below which names would lie on each other. */
const ROOM_FOR_NAMES = 48;

/** The rig from the side, to scale, with everything that can be moved. */
export function SideScene(props: Props): ReactElement {
  const { rig, report, kit, body, moving, onMove, onMoveEnd, onNudge, bed, straps } = props;
  const units = useUnits();
  const [box, size] = useSize(740, 500);

  const span = measuredSpan(rig, body);
  const [h0, h1] = [rig.trunks[0].tieHeight, rig.groundRise + rig.trunks[1].tieHeight];
  const lowest = Math.min(0, rig.groundRise);
  const highest = Math.max(h0, h1) + 0.75;
  const [held, setHeld] = useState<View | null>(null);
  // a pole's stays reach beyond the span
  const far = Math.max(span, ...(bed?.poles.flatMap((p) => p.stays.map((s) => s.foot[0])) ?? []));
  const fitted = useMemo(() => fitView(size[0], size[1], far, lowest, highest), [size, far, lowest, highest]);
  const base = moving && held !== null ? held : fitted;

  const context = useMemo(() => ({ kit, body }), [kit, body]);
  const sagNow = report?.line.sag.value ?? 0.1;
  /** The span before the first trunk was taken, for it stays under the hand as the rest moves away. */
  const [before, setBefore] = useState<number | null>(null);
  const shift = moving && before !== null ? (before - span) * base.scale : 0;
  const view = shift !== 0 ? { ...base, x0: base.x0 + shift } : base;
  const hand = useHand(onMove);
  const nudge = (grip: Grip | BedGrip, e: KeyboardEvent): void => {
    const step = arrowStep(e, STEP);
    if (step === null) return;
    if (isBedGrip(grip)) {
      onNudge(movedBed(rig, straps!, grip, loopStep(step[0]), step[1]));
      return;
    }
    const scale = grip.kind === 'sag' ? 0.2 : 1;
    const next = moved(rig, grip, step[0] * scale, step[1] * scale, context, sagNow);
    if (next !== rig) onNudge(next);
  };

  /** The rig the shapes were computed for, which may be a moment behind the hand. */
  const solved = report?.rig ?? rig;
  const pitched = report?.line.shapes.find((s) => s.caseId === 'pitched');
  const wet = report?.line.shapes.find((s) => s.caseId === 'wet');
  const handle = (
    grip: Grip | BedGrip,
    x: number,
    y: number,
    label: string,
    value: number,
    text: string,
  ): ReactElement => (
    <Handle
      key={`${grip.kind}${'index' in grip ? grip.index : ''}`}
      kind={grip.kind}
      at={[x, y]}
      label={label}
      value={value}
      text={text}
      upright={grip.kind === 'tie' || grip.kind === 'sag' || grip.kind === 'strap'}
      hand={hand}
      onTake={() => {
        setHeld(fitted);
        setBefore(grip.kind === 'trunk' && grip.index === 0 ? span : null);
      }}
      follow={() =>
        ([dx, dy]) =>
          isBedGrip(grip)
            ? movedBed(rig, straps!, grip, dx / fitted.scale, -dy / fitted.scale)
            : moved(rig, grip, dx / fitted.scale, -dy / fitted.scale, context, sagNow)
        }
      onEnd={onMoveEnd}
      onKeyDown={(e) => nudge(grip, e)}
    />
  );

  const foot0 = toY(view, 0);
  const foot1 = toY(view, rig.groundRise);
  const x0 = toX(view, 0);
  const x1 = toX(view, span);
  const metres = units.length === 'm' ? 1 : 0.3048 * 2;
  const ladder = [];
  for (let z = 0; z <= highest + 0.5 && ladder.length < 12; z += metres * Math.max(1, Math.ceil(highest / metres / 6)))
    ladder.push(z);
  const tie0: readonly [number, number] = [x0, toY(view, h0)];
  const tie1: readonly [number, number] = [x1, toY(view, h1)];

  return (
    <div className="scene" ref={box}>
      <svg
        width={size[0]}
        height={size[1]}
        viewBox={`0 0 ${size[0]} ${size[1]}`}
        role="group"
        aria-label="The ridgeline from the side, to scale"
      >
        {ladder.map((z) => (
          <g key={z} className="scene-level">
            <path d={`M0 ${toY(view, z)}H${size[0]}`} />
            <text x={8} y={toY(view, z) - 5}>
              {units.length === 'm' ? `${z} m` : `${Math.round(z / 0.3048)} ft`}
            </text>
          </g>
        ))}
        <path className="soil" d={`M0 ${foot0}H${x0}L${x1} ${foot1}H${size[0]}V${size[1]}H0Z`} />
        {[0, 1].map((i) => {
          const trunk = rig.trunks[i as 0 | 1];
          return (
            <TrunkMark
              key={i}
              x={i === 0 ? x0 : x1}
              foot={i === 0 ? foot0 : foot1}
              top={trunk.standsOnWord === true ? (i === 0 ? tie0[1] : tie1[1]) - 24 : 0}
              width={Math.max(8, diameterOf(trunk.girth) * view.scale)}
              bad={trunk.signs.length > 0}
            />
          );
        })}
        {bed !== null && (
          <BedMark
            shape={bed}
            project={(p) => [toX(view, p[0]), toY(view, p[2])]}
            scale={view.scale}
            above={false}
            bad={new Set(report?.bed?.rows.filter((row) => ratioOf(row) < 1).map((row) => row.id))}
            chosen={null}
            units={units}
          />
        )}
        <path className="chord" d={`M${tie0.join(' ')}L${tie1.join(' ')}`} />
        {pitched !== undefined && (
          <>
            {solved.hung.map((h, i) => {
              const p = pitched.loads[i];
              return p === undefined || !hitched(h) ? null : (
                <HungCloth
                  key={h.id}
                  x={toX(view, p[0])}
                  y={toY(view, h0 + p[2])}
                  side={Math.sqrt(h.area) * view.scale}
                  floor={Math.min(foot0, foot1) - 10}
                />
              );
            })}
            {wet !== undefined && <path className="line-wet" d={pathOf(wet, view, h0)} />}
            <path className="line" d={pathOf(pitched, view, h0)} />
            {solved.hung.map((h, i) => {
              const p = pitched.loads[i];
              if (p === undefined) return null;
              return (
                <g key={h.id}>
                  {hitched(h) ? (
                    <HitchMark
                      x={toX(view, p[0])}
                      y={toY(view, h0 + p[2])}
                      angle={(-Math.atan(pointAt(pitched, p[0]).slope) * 180) / Math.PI}
                    />
                  ) : (
                    <HungMark x={toX(view, p[0])} y={toY(view, h0 + p[2])} lantern={/lantern|lamp/i.test(h.name)} />
                  )}
                  {view.scale > ROOM_FOR_NAMES && (
                    <text x={toX(view, p[0]) + 12} y={toY(view, h0 + p[2]) + 28}>
                      {h.name}
                    </text>
                  )}
                </g>
              );
            })}
            <Stretches shape={pitched} view={view} h={h0} loads={pitched.loads.map((l) => l[0])} units={units} />
            {pitched.sag > 0 && (
              <SagMark
                shape={pitched}
                view={view}
                h={h0}
                rise={(pitched.ends[1][2] - pitched.ends[0][2]) / (pitched.ends[1][0] - pitched.ends[0][0])}
                text={`sag ${say(pitched.sag, 'length', units)}, ${saySmall(pitched.sag, body)}`}
              />
            )}
          </>
        )}
        {[0, 1].map((i) => {
          const t = rig.trunks[i as 0 | 1];
          const [x, y] = i === 0 ? tie0 : tie1;
          const foot = i === 0 ? foot0 : foot1;
          const side = i === 0 ? 1 : -1;
          const width = Math.max(8, diameterOf(t.girth) * view.scale) / 2;
          return (
            <g key={i} className="scene-height">
              <path d={`M${x + side * (width + 14)} ${y}V${foot}m-5 0h10M${x + side * (width + 9)} ${y}h10`} />
              <text x={x + side * (width + 20)} y={(y + foot) / 2 + 20} textAnchor={i === 0 ? 'start' : 'end'}>
                {say(t.tieHeight, 'length', units)}
              </text>
              <text
                className="quiet"
                x={x + side * (width + 20)}
                y={(y + foot) / 2 + 36}
                textAnchor={i === 0 ? 'start' : 'end'}
              >
                {sayHeight(t.tieHeight, body, units.length)}
              </text>
            </g>
          );
        })}
        <path
          className="span-mark"
          d={`M${x0} ${size[1] - 30}H${x1}M${x0} ${size[1] - 36}v12M${x1} ${size[1] - 36}v12`}
        />
        {handle(
          { kind: 'trunk', index: 0 },
          x0,
          foot0 - 8,
          `Move ${rig.trunks[0].name}`,
          span,
          `span ${say(span, 'length', units)}`,
        )}
        {handle(
          { kind: 'trunk', index: 1 },
          x1,
          foot1 - 8,
          `Move ${rig.trunks[1].name}`,
          span,
          `span ${say(span, 'length', units)}`,
        )}
        {handle(
          { kind: 'tie', index: 0 },
          tie0[0],
          tie0[1],
          `Tie height at ${rig.trunks[0].name}`,
          rig.trunks[0].tieHeight,
          say(rig.trunks[0].tieHeight, 'length', units),
        )}
        {handle(
          { kind: 'tie', index: 1 },
          tie1[0],
          tie1[1],
          `Tie height at ${rig.trunks[1].name}`,
          rig.trunks[1].tieHeight,
          say(rig.trunks[1].tieHeight, 'length', units),
        )}
        {pitched !== undefined &&
          solved.hung.map((h, i) => {
            const p = pitched.loads[i];
            return p === undefined
              ? null
              : handle(
                  { kind: 'hung', index: i },
                  toX(view, p[0]),
                  toY(view, h0 + p[2]) + (hitched(h) ? 0 : 43),
                  `Move ${h.name === '' ? 'what hangs' : h.name}`,
                  h.at,
                  say(h.at, 'length', units),
                );
          })}
        {pitched !== undefined &&
          pitched.sag > 0 &&
          handle(
            { kind: 'sag' },
            toX(view, sagGripAt(pitched, solved)),
            toY(view, h0 + pointAt(pitched, sagGripAt(pitched, solved)).z),
            'Haul or slacken the line',
            pitched.sag,
            say(pitched.sag, 'length', units),
          )}
        {bed !== null &&
          straps !== null &&
          rig.bed !== undefined &&
          ([0, 1] as const).map((i) => {
            const end = rig.bed!.ends[i];
            const name = i === 0 ? 'first' : 'second';
            const [tie, link] = [bed.ties[i], i === 0 ? bed.line[0]! : bed.line.at(-1)!];
            return (
              <g key={`bed${i}`}>
                {handle(
                  { kind: 'strap', index: i },
                  toX(view, tie[0]),
                  toY(view, tie[2]),
                  `Height of the ${name} strap`,
                  end.height,
                  say(end.height, 'length', units),
                )}
                {handle(
                  { kind: 'loop', index: i },
                  toX(view, link[0]),
                  toY(view, link[2]),
                  `Where the bed’s ${name} end is hooked`,
                  straps.adjust === 'hitch' ? end.free : end.loop,
                  straps.adjust === 'hitch' ? `${say(end.free, 'length', units)} free` : `loop ${end.loop}`,
                )}
              </g>
            );
          })}
      </svg>
      {report !== null && (
        <>
          <div className="scene-span" style={{ left: (x0 + x1) / 2, top: size[1] - 24 }}>
            span <FigureValue figure={report.line.span} band />
            {rig.span.how === 'paces' && (
              <span className="quiet">, {Number(rig.span.paces.toFixed(1))} of my paces</span>
            )}
          </div>
          {([0, 1] as const).map((i) => {
            const f = report.line.trunks[i];
            // a trunk that bears the bed as well is told with both
            const under = report.bed?.trunks.find((t) => t.id === `trunk${i}`)?.worst;
            return (
              <div
                key={i}
                className={`scene-forces scene-forces-${i}`}
                style={
                  i === 0
                    ? { left: Math.max(8, x0 - 66), top: foot0 + 10 }
                    : { right: Math.max(8, size[0] - x1 - 66), top: foot1 + 10 }
                }
              >
                {under === undefined ? (
                  <>
                    <FigureValue figure={f.horizontal} /> across, <FigureValue figure={f.vertical} />{' '}
                    {f.lifts ? 'up' : 'down'}
                    <br />
                    <FigureValue figure={f.moment} /> at the foot
                  </>
                ) : (
                  <>
                    <FigureValue figure={under.level} /> across, {say(Math.abs(under.down), 'force', units)}{' '}
                    {under.down < 0 ? 'up' : 'down'}
                    <br />
                    <FigureValue figure={under.moment} /> at the foot: line and bed, at worst
                  </>
                )}
              </div>
            );
          })}
        </>
      )}
      {report !== null && (
        <p className="scene-key">
          <span className="key-line" /> as pitched <span className="key-wet" /> wet night
        </p>
      )}
    </div>
  );
}

/** Where to take hold of the line to haul it: the middle of the stretch with most room. */
function sagGripAt(shape: Shape, rig: RidgeRig): number {
  const stops = [
    shape.ends[0][0],
    ...shape.loads
      .slice(0, rig.hung.length)
      .map((l) => l[0])
      .sort((a, b) => a - b),
    shape.ends[1][0],
  ];
  let best = 0;
  let at = (stops[0]! + stops.at(-1)!) / 2;
  for (let i = 1; i < stops.length; i++) {
    if (stops[i]! - stops[i - 1]! > best) {
      best = stops[i]! - stops[i - 1]!;
      at = (stops[i]! + stops[i - 1]!) / 2;
    }
  }
  return at;
}

/** Cloth that hangs from one hitch: a corner up, to scale by its area. */
function HungCloth({
  x,
  y,
  side,
  floor,
}: {
  readonly x: number;
  readonly y: number;
  readonly side: number;
  readonly floor: number;
}): ReactElement {
  const drop = Math.max(0, Math.min(1.2 * side, floor - y));
  return (
    <path
      className="cloth-hung"
      d={`M${x} ${y}L${x + 0.45 * side} ${y + 0.7 * drop}Q${x + 0.1 * side} ${y + drop} ${x} ${y + drop}Q${x - 0.1 * side} ${y + drop} ${x - 0.45 * side} ${y + 0.7 * drop}Z`}
    />
  );
}

/** The largest tension of each stretch between loads, written above it. */
function Stretches({
  shape,
  view,
  h,
  loads,
  units,
}: {
  readonly shape: Shape;
  readonly view: View;
  readonly h: number;
  readonly loads: readonly number[];
  readonly units: Parameters<typeof say>[2];
}): ReactElement {
  const stops = [shape.ends[0][0], ...[...loads].sort((a, b) => a - b), shape.ends[1][0]];
  return (
    <g className="stretches">
      {stops.slice(1).map((b, i) => {
        const a = stops[i]!;
        const x = (a + b) / 2;
        if ((b - a) * view.scale < 58) return null;
        let most = 0;
        for (let k = 0; k < shape.points.length; k += 4)
          if (shape.points[k]! >= a - 1e-9 && shape.points[k]! <= b + 1e-9) most = Math.max(most, shape.points[k + 3]!);
        return (
          <text key={i} x={toX(view, x)} y={toY(view, h + pointAt(shape, x).z) - 14} textAnchor="middle">
            {say(most, 'force', units)}
          </text>
        );
      })}
    </g>
  );
}

function SagMark({
  shape,
  view,
  h,
  rise,
  text,
}: {
  readonly shape: Shape;
  readonly view: View;
  readonly h: number;
  readonly rise: number;
  readonly text: string;
}): ReactElement {
  const x = shape.ends[0][0] + shape.sagAt;
  const top = toY(view, h + shape.ends[0][2] + rise * shape.sagAt);
  const bottom = toY(view, h + pointAt(shape, x).z);
  const left = toX(view, x) > view.width / 2 - 10 && toX(view, x) + 190 > toX(view, shape.ends[1][0]);
  return (
    <g className="sag-mark">
      <path d={`M${toX(view, x)} ${top - 42}V${top}M${toX(view, x)} ${bottom}V${bottom + 6}`} />
      <text x={toX(view, x) + (left ? -8 : 8)} y={top - 34} textAnchor={left ? 'end' : 'start'}>
        {text}
      </text>
    </g>
  );
}
