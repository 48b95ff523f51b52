import type { At, Place, Thing } from '@rough-bight/core/ground';
import { isArea, kindOf } from '@rough-bight/core/ground';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { memo } from 'react';
import type { KeyboardEvent, ReactElement, RefObject } from 'react';
import { paint } from '../app/theme/paint.js';
import { PlanMark } from '../parts/plan-marks.js';
import { useGrasp } from './hand.js';
import type { Grasp } from './hand.js';
import type { PlanGrip } from './plan-moves.js';
import type { PlanView } from './plan-view.js';
import { planX, planY } from './plan-view.js';

/** What hands and keys do with things, as the place now is: the things need not be drawn again for it. */
export interface PlanDeeds extends Grasp<PlanGrip, Place> {
  readonly key: (grip: PlanGrip, e: KeyboardEvent) => void;
}
type Deeds = RefObject<PlanDeeds>;

/** Half the width of what answers a touch, px. */
const REACH = 22;
/** Pixels before a touch counts as a drag. */
const SLACK = 4;

/** What takes hold of something of the plan. */
function useHold(deeds: Deeds, grip: PlanGrip) {
  const hold = useGrasp<PlanGrip, Place>(
    {
      follow: (g) => deeds.current.follow(g),
      show: (next) => deeds.current.show(next),
      end: (g, shown) => deeds.current.end(g, shown),
      press: (g, on) => deeds.current.press(g, on),
    },
    SLACK,
  );
  return { ...hold(grip), onKeyDown: (e: KeyboardEvent) => deeds.current.key(grip, e) };
}

/** Where a name stands, px, and whether it ends there. */
export interface NameAt {
  readonly x: number;
  readonly y: number;
  readonly end: boolean;
}

/** One thing of the place: taken hold of where it stands, drawn again only where it or its name has moved. */
export const PlanThing = memo(
  function PlanThing({
    thing: t,
    r,
    view,
    name,
    selected,
    units,
    deeds,
  }: {
    readonly thing: Thing;
    /** Half its width, px. */
    readonly r: number;
    readonly view: PlanView;
    /** Where its name is; undefined where it found no room. */
    readonly name: NameAt | undefined;
    readonly selected: boolean;
    readonly units: UnitChoice;
    readonly deeds: Deeds;
  }): ReactElement {
    const ruled = t.kind === 'tree' && t.signs.length > 0;
    const hold = useHold(deeds, { kind: 'thing', id: t.id });
    const turned = t.kind === 'sleep' ? ` rotate(${((t.bearing * 180) / Math.PI).toFixed(1)})` : '';
    return (
      <g
        role="button"
        tabIndex={0}
        aria-current={selected}
        aria-label={`${t.name}, ${kindOf(t).name}, ${say(t.at[0], 'length', units)} east, ${say(t.at[1], 'length', units)} north${ruled ? ', ruled out' : ''}`}
        {...hold}
      >
        <g transform={`translate(${planX(view, t.at[0])} ${planY(view, t.at[1])})${turned}`}>
          <circle data-part="reach" r={Math.max(REACH, isArea(t) || t.kind === 'hollow' ? 0 : r + 4)} />
          <PlanMark kind={t.kind} r={r} bad={ruled} />
        </g>
        {name !== undefined && (
          <text {...paint.planName} x={name.x} y={name.y} textAnchor={name.end ? 'end' : 'start'}>
            {t.name}
          </text>
        )}
      </g>
    );
  },
  (a, b) =>
    a.thing === b.thing &&
    a.view === b.view &&
    a.selected === b.selected &&
    a.units === b.units &&
    a.name?.x === b.name?.x &&
    a.name?.y === b.name?.y,
);

/** Handles of the chosen thing besides its own mark: corners, turn, radius. */
export function PlanHandles({
  thing,
  view,
  deeds,
}: {
  readonly thing: Thing;
  readonly view: PlanView;
  readonly deeds: Deeds;
}): ReactElement | null {
  const dots: Dotted[] = isArea(thing)
    ? thing.outline.map((p, index) => ({
        at: [thing.at[0] + p[0], thing.at[1] + p[1]],
        grip: { kind: 'corner', id: thing.id, index },
        name: `Corner ${index + 1} of ${thing.name}`,
      }))
    : thing.kind === 'sleep'
      ? [
          {
            at: [thing.at[0] + Math.sin(thing.bearing) * 1.3, thing.at[1] + Math.cos(thing.bearing) * 1.3],
            grip: { kind: 'turn', id: thing.id },
            name: `Head of ${thing.name}`,
          },
        ]
      : thing.kind === 'hollow'
        ? [
            {
              at: [thing.at[0] + thing.radius, thing.at[1]],
              grip: { kind: 'radius', id: thing.id },
              name: `Rim of ${thing.name}`,
            },
          ]
        : [];
  return (
    <>
      {dots.map((d) => (
        <Dot key={d.name} {...d} view={view} deeds={deeds} />
      ))}
    </>
  );
}

interface Dotted {
  readonly at: At;
  readonly grip: PlanGrip;
  readonly name: string;
}

function Dot({
  at,
  grip,
  name,
  view,
  deeds,
}: Dotted & { readonly view: PlanView; readonly deeds: Deeds }): ReactElement {
  const hold = useHold(deeds, grip);
  const [cx, cy] = [planX(view, at[0]), planY(view, at[1])];
  return (
    <g role="button" tabIndex={0} aria-label={`${name}. Arrows move it`} {...hold}>
      <circle data-part="reach" cx={cx} cy={cy} r={REACH} />
      <circle data-part="dot" cx={cx} cy={cy} r="6.5" />
    </g>
  );
}
