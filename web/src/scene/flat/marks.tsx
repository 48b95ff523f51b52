import { paint } from '../../app/theme/paint.js';
import type { PitchResult } from '@rough-bight/core/pitch';
import { say, sayHeight } from '@rough-bight/core/quantity';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import type { Pitch } from '@rough-bight/core/rig';
import { compassPoint, windToward } from '@rough-bight/core/weather';
import { memo } from 'react';
import type { ReactElement } from 'react';
import type { Frame, Point } from './frame.js';
import { across, svg, upward } from './frame.js';
import { writtenAt } from './written.js';
import type { Written } from './written.js';

/** Heights behind the view from the side. */
export const Levels = memo(function Levels({
  frame,
  feet,
}: {
  readonly frame: Frame;
  readonly feet: boolean;
}): ReactElement {
  const unit = feet ? 0.3048 * 2 : 1;
  return (
    <>
      {[0, 1, 2, 3, 4].map((k) => (
        <g key={k}>
          <path {...paint.level} d={`M0 ${upward(frame, k * unit)}H${frame.width}`} />
          <text {...paint.quiet} x={8} y={upward(frame, k * unit) - 5}>
            {feet ? `${k * 2} ft` : `${k} m`}
          </text>
        </g>
      ))}
    </>
  );
});

/** A metre's grid under the view from above. */
export const Meadow = memo(function Meadow({ frame }: { readonly frame: Frame }): ReactElement {
  const { width, height } = frame;
  let d = '';
  for (let m = -20; m <= 30; m++) {
    const [x, y] = [across(frame, m), upward(frame, m)];
    if (x > 0 && x < width) d += `M${x.toFixed(1)} 0V${height}`;
    if (y > 0 && y < height) d += `M0 ${y.toFixed(1)}H${width}`;
  }
  return <path {...paint.pitchGrid} d={d} />;
});

/** Where the headroom is written: beside the middle of the roof. */
function headroomAt(result: PitchResult, frame: Frame): Point {
  const keys = result.topology.keys.map((k) => result.shapes[0]!.at[3 * k.node]!);
  const x = across(frame, (Math.min(...keys) + Math.max(...keys)) / 2 + 0.35);
  return [x, (upward(frame, 0) + upward(frame, result.cover.headroom)) / 2];
}

/** Room that the headroom's words take. */
export function headroomWritten(
  result: PitchResult,
  frame: Frame,
  body: BodyMeasures,
  units: UnitChoice,
): readonly Written[] {
  const { headroom } = result.cover;
  const [x, middle] = headroomAt(result, frame);
  return [
    writtenAt(x + 8, middle + 4, say(headroom, 'length', units), 'start'),
    writtenAt(x + 8, middle + 20, sayHeight(headroom, body, units.length), 'start'),
  ];
}

/** How high one can stand under it, in measures and in one's own. */
export const Headroom = memo(function Headroom({
  result,
  frame,
  body,
  units,
}: {
  readonly result: PitchResult;
  readonly frame: Frame;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
}): ReactElement {
  const { headroom } = result.cover;
  const [x, middle] = headroomAt(result, frame);
  const top = upward(frame, headroom);
  return (
    <g>
      <path {...paint.sceneHeight} d={`M${x} ${top}V${upward(frame, 0)}m-5 0h10M${x - 5} ${top}h10`} />
      <text {...paint.rim} x={x + 8} y={middle + 4}>
        {say(headroom, 'length', units)}
      </text>
      <text {...paint.rim} {...paint.quiet} x={x + 8} y={middle + 20}>
        {sayHeight(headroom, body, units.length)}
      </text>
    </g>
  );
});

/** The buttons of the views, over the picture's right upper corner, px: nothing to take hold of may lie under them. */
const SWITCH = { width: 330, height: 80 } as const;

/** What of a pitch the marks on the ring stand for. */
type Bearings = Pick<Pitch, 'bearing' | 'windFrom' | 'middle'>;

/** On a ring round the roof, toward a direction in the rig's plan: where the wind and the rig are turned by. */
export function onRing(pitch: Bearings, frame: Frame, [wx, wy]: Point, inside = 0): Point {
  const ring = Math.min(frame.width, frame.height) / 2 - 34 - inside;
  const [x, y] = [across(frame, pitch.middle) + wx * ring, upward(frame, 0) - wy * ring];
  return [x, x > frame.width - SWITCH.width ? Math.max(y, SWITCH.height) : y];
}
/** Toward where the wind comes from, in the rig's plan. */
export const upwind = ({ windFrom, bearing }: Bearings): Point => {
  const [wx, wy] = windToward(windFrom, bearing);
  return [-wx, -wy];
};
/** Toward north, in the rig's plan. */
export const northward = ({ bearing }: Bearings): Point => [Math.cos(bearing), Math.sin(bearing)];

/** Where the wind is told: away from the roof, and at the top clear of the buttons of the views. */
function windSaid(pitch: Bearings, frame: Frame) {
  const [x, y] = onRing(pitch, frame, upwind(pitch));
  const high = y < 70;
  const left = high || x < across(frame, pitch.middle) - 20;
  return {
    x: x + (left ? -16 : 14),
    y: y + (high ? 12 : -12),
    anchor: left ? ('end' as const) : ('start' as const),
    text: `wind from the ${compassPoint(pitch.windFrom)}`,
  };
}

/** Room that the words of wind and north take round the roof. */
export function ringWritten(pitch: Bearings, frame: Frame): readonly Written[] {
  const { x, y, anchor, text } = windSaid(pitch, frame);
  const [nx, ny] = northward(pitch);
  const [north, up] = onRing(pitch, frame, [nx, ny], NORTH_INSIDE);
  return [writtenAt(x, y, text, anchor), { x: north - nx * 4, y: up + ny * 4, half: 22, tall: 22 }];
}

/** Three strokes with the wind. */
export const WindMark = memo(function WindMark({
  frame,
  bearing,
  windFrom,
  middle,
}: Bearings & { readonly frame: Frame }): ReactElement {
  const pitch = { bearing, windFrom, middle };
  const [ux, uy] = upwind(pitch);
  const [wx, wy] = [-ux, -uy];
  const [x, y] = onRing(pitch, frame, [ux, uy]);
  const strokes = [-9, 0, 9].map((off) => `M${svg([x + off * wy, y + off * wx])}l${svg([wx * 34, -wy * 34])}`);
  const said = windSaid(pitch, frame);
  const tip = svg([x + wx * 40, y - wy * 40]);
  const barb = (side: 1 | -1): string => `M${tip}l${svg([-wx * 10 + side * wy * 6, wy * 10 + side * wx * 6])}`;
  return (
    <g>
      <path {...paint.wind} d={strokes.join('') + barb(1) + barb(-1)} />
      <text {...paint.water} x={said.x} y={said.y} textAnchor={said.anchor}>
        {said.text}
      </text>
    </g>
  );
});

/** How far inside the wind's ring north stands, px. */
export const NORTH_INSIDE = 26;

/** A needle toward north, by which the ground is turned under the rig. */
export const NorthMark = memo(function NorthMark({
  frame,
  bearing,
  windFrom,
  middle,
}: Bearings & { readonly frame: Frame }): ReactElement {
  const pitch = { bearing, windFrom, middle };
  const [nx, ny] = northward(pitch);
  const [x, y] = onRing(pitch, frame, [nx, ny], NORTH_INSIDE);
  return (
    <g transform={`translate(${svg([x, y])})`}>
      <path {...paint.north} d={`M${svg([nx * 17, -ny * 17])}L${svg([-ny * 7, -nx * 7])}L${svg([ny * 7, nx * 7])}Z`} />
      <text {...paint.pull} x={(-nx * 20).toFixed(1)} y={(ny * 20 + 5).toFixed(1)} textAnchor="middle">
        N
      </text>
    </g>
  );
});
