import type { Area, At, Hollow, Place, Thing } from '@rough-bight/core/ground';
import { fallLine, isArea, pondOf, runOffLines } from '@rough-bight/core/ground';
import { memo, useMemo } from 'react';
import type { ReactElement } from 'react';
import { paint, planArea } from '../app/theme/paint.js';
import type { PlanView } from './plan-view.js';
import { planAt, planX, planY, planPath as path } from './plan-view.js';

/** What the ground itself is made of: wet, soil, rills, dips. */
export const shapesGround = (t: Thing): t is Area | Hollow => isArea(t) || t.kind === 'hollow';

/** How far water is followed, m. */
const FOLLOWED = 30;

/** Areas, slope, water: drawn again only where the ground is changed, not where a thing on it is moved. */
export const PlanGround = memo(function PlanGround({
  shapes,
  slope,
  view,
}: {
  readonly shapes: readonly (Area | Hollow)[];
  readonly slope: Place['slope'];
  readonly view: PlanView;
}): ReactElement {
  const ground = useMemo(() => ({ slope, things: shapes }), [slope, shapes]);
  const runs = useMemo(() => runOffLines(ground, FOLLOWED), [ground]);
  const falls = useMemo(() => fallArrows(ground, view), [ground, view]);
  return (
    <>
      {shapes.filter(isArea).map((t) => (
        <AreaShape key={t.id} area={t} view={view} />
      ))}
      <path {...paint.planFall} d={falls} />
      {runs.map((r) => (
        <path key={r.name} {...paint.planRun} d={path(view, r.points)} />
      ))}
      {shapes.map((t) => {
        if (t.kind !== 'hollow') return null;
        const { at, radius } = pondOf(t, slope.fall, slope.toward);
        return (
          <circle
            key={t.id}
            {...paint.planPond}
            cx={planX(view, at[0])}
            cy={planY(view, at[1])}
            r={radius * view.scale}
          />
        );
      })}
    </>
  );
});

/** Short arrows down the slope, on a wide grid; nothing on level ground. */
function fallArrows(ground: Pick<Place, 'slope' | 'things'>, v: PlanView): string {
  if (ground.slope.fall < 0.01) return '';
  let d = '';
  const long = 30 / v.scale;
  for (let x = 60; x < v.width; x += 130)
    for (let y = 60; y < v.height; y += 120) {
      const line = fallLine(ground, planAt(v, x, y), long);
      const [last, before] = [line.at(-1)!, line.at(-2)];
      if (before === undefined) continue;
      d += path(v, line);
      const a = Math.atan2(planY(v, last[1]) - planY(v, before[1]), planX(v, last[0]) - planX(v, before[0]));
      const [tx, ty] = [planX(v, last[0]), planY(v, last[1])];
      d += `M${(tx - 6 * Math.cos(a - 0.5)).toFixed(1)} ${(ty - 6 * Math.sin(a - 0.5)).toFixed(1)}L${tx.toFixed(1)} ${ty.toFixed(1)}L${(tx - 6 * Math.cos(a + 0.5)).toFixed(1)} ${(ty - 6 * Math.sin(a + 0.5)).toFixed(1)}`;
    }
  return d;
}

function AreaShape({ area, view }: { readonly area: Area; readonly view: PlanView }): ReactElement | null {
  const points = area.outline.map((p): At => [area.at[0] + p[0], area.at[1] + p[1]]);
  if (area.kind === 'rill') return null;
  return <path {...planArea[area.kind]} d={path(view, points, area.kind !== 'shelter')} />;
}
