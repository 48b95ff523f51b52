import type { At, Falling, Place } from '@rough-bight/core/ground';
import { along, felledOf } from '@rough-bight/core/ground';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { paint } from '../app/theme/paint.js';
import type { PlanView } from './plan-view.js';
import { planPath, planX, planY } from './plan-view.js';

/** How far from the foot the two ways back are drawn, over its height. */
const WAY = [0.12, 0.75] as const;
/** Its name stands so far beyond it, and only where the stem's height is drawn so large, px. */
const NAMED = 30;
const ROOMY = 70;
/** Length of an arrow's head, px. */
const HEAD = 8;

/** Where a stem that is brought down goes and may go, how far everybody keeps away, and the two ways back of who does it. */
export function PlanFelled({
  falling: { at, height, whole },
  place,
  view,
  units,
}: {
  readonly falling: Falling;
  readonly place: Pick<Place, 'slope' | 'wind' | 'things'>;
  readonly view: PlanView;
  readonly units: UnitChoice;
}): ReactElement {
  const { goes, strays, clear, ways } = felledOf({ height, whole }, place);
  const out = (bearing: number, far: number): At => {
    const [e, n] = along(bearing);
    return [at[0] + e * far, at[1] + n * far];
  };
  const [x, y] = [planX(view, at[0]), planY(view, at[1])];
  const px = (p: At): Point => [planX(view, p[0]), planY(view, p[1])];
  const marks = place.things.map((t) => px(t.at));
  const free = freeOn(
    view,
    Array.from({ length: 16 }, (_, i) => px(out((i * Math.PI) / 8, clear))),
    marks,
  );
  const around = (from: number, to: number, far: number): At[] =>
    Array.from({ length: 49 }, (_, i) => out(from + ((to - from) * i) / 48, far));
  return (
    <g pointerEvents="none">
      <circle {...paint.planClear} cx={x} cy={y} r={clear * view.scale} />
      {free !== null && (
        <text {...paint.planName} x={free[0]} y={free[1]} textAnchor="middle">
          nobody within {say(clear, 'length', units)}
        </text>
      )}
      {goes !== null && (
        <>
          <path
            {...paint.planFells}
            d={planPath(view, [at, ...around(goes.toward - strays, goes.toward + strays, height)], true)}
          />
          <path {...paint.planFellLine} d={arrow(view, at, out(goes.toward, height))} />
        </>
      )}
      {ways.map((way) => {
        const end = out(way, WAY[1] * height);
        const beyond = out(way, WAY[1] * height + NAMED / view.scale);
        return (
          <g key={way}>
            <path {...paint.planWay} d={arrow(view, out(way, WAY[0] * height), end)} />
            {height * view.scale > ROOMY && roomAt(marks, px(beyond)) > CLEAR && (
              <text {...paint.planName} x={planX(view, beyond[0])} y={planY(view, beyond[1]) + 4} textAnchor="middle">
                way back
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

type Point = readonly [x: number, y: number];
/** Half a label's width and its height, px; and how many of these it keeps off what stands there. */
const LABEL = [75, 18] as const;
const CLEAR = 0.8;
/** On a desk what is chosen is told in a card that lies over the right of the plan, px. */
const CARD = { from: 700, wide: 340 } as const;

/** How far a label at a place is from what stands there: names stand beside their marks, so near counts for more along the line of writing. */
const roomAt = (marks: readonly Point[], [x, y]: Point): number =>
  Math.min(...marks.map(([mx, my]) => Math.max(Math.abs(mx - x) / LABEL[0], Math.abs(my - y) / LABEL[1])));

/** That of some places at which a label is farthest from what stands there; null where none is in view. */
function freeOn(view: PlanView, places: readonly Point[], marks: readonly Point[]): Point | null {
  const right = view.width - (view.width > CARD.from ? CARD.wide : 0);
  const seen = places.filter(
    ([x, y]) => x > LABEL[0] && x < right - LABEL[0] && y > LABEL[1] && y < view.height - 3 * LABEL[1],
  );
  return seen.reduce<Point | null>(
    (best, p) => (best === null || roomAt(marks, p) > roomAt(marks, best) ? p : best),
    null,
  );
}

/** A line from one place to another with a head at its end. */
function arrow(view: PlanView, from: At, to: At): string {
  const [x, y] = [planX(view, to[0]), planY(view, to[1])];
  const a = Math.atan2(y - planY(view, from[1]), x - planX(view, from[0]));
  const side = (turn: number): string =>
    `${(x - HEAD * Math.cos(a + turn)).toFixed(1)} ${(y - HEAD * Math.sin(a + turn)).toFixed(1)}`;
  return `${planPath(view, [from, to])}M${side(-0.5)}L${x.toFixed(1)} ${y.toFixed(1)}L${side(0.5)}`;
}
