import type { DryBed, DryHour, DryNight } from '@rough-bight/core/dry';
import type { Vec3 } from '@rough-bight/core/quantity';
import { endsOf } from '@rough-bight/core/around';
import type { Wall } from '@rough-bight/core/around';
import type { Lying } from '@rough-bight/core/under';
import { DRY, SIZES } from '@rough-bight/core/under';
import { windToward } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';
import { lyingPaint, paint, wallPaint } from '../app/theme/paint.js';

/** Around what is drawn, m. */
const ROUND = 0.5;
const HAND = 0.16;

/** The dry ground of an hour from above, with who and what lies on it, the bed, the pail, and the wind that slants the rain. */
export function DryPlan({
  hours,
  hour,
  pail,
  under,
  bed,
  walls,
  bearing,
}: {
  readonly hours: readonly DryHour[];
  readonly hour: DryHour;
  readonly pail: DryNight['pail'];
  readonly under: readonly Lying[];
  readonly bed: DryBed | null;
  readonly walls: readonly Wall[];
  /** Of the span, rad clockwise from north. */
  readonly bearing: number;
}): ReactElement {
  // the same frame in every hour
  const places: (readonly number[])[] = [
    ...hours.flatMap((h) => h.footprint.flatMap((p) => p.flat())),
    ...under.map((l) => l.at),
    ...walls.flatMap(endsOf),
    ...(bed?.line ?? []).map((p: Vec3) => [p[0], p[1]]),
  ];
  const xs = places.map((p) => p[0]!);
  const ys = places.map((p) => p[1]!);
  const [x0, x1] = [Math.min(...xs) - ROUND, Math.max(...xs) + ROUND];
  const [y0, y1] = [Math.min(...ys) - ROUND, Math.max(...ys) + ROUND];
  const toward = windToward(hour.from, bearing);
  const wide = x1 - x0;
  const unit = wide / 100;
  const dryOf = (id: string): boolean => (hour.things.find((t) => t.id === id)?.dry ?? 1) >= DRY;
  return (
    <svg
      style={{ display: 'block', width: '100%', maxHeight: '240px' }}
      viewBox={`${x0} ${-y1} ${wide} ${y1 - y0}`}
      role="img"
      aria-label={`Dry ground from above, ${hour.area.toFixed(1)} square metres`}
    >
      {hour.footprint.map((polygon, i) => (
        <path
          key={i}
          {...paint.planCloth}
          strokeWidth={0.4 * unit}
          fillRule="evenodd"
          d={polygon.map((ring) => `M${ring.map(([x, y]) => `${x} ${-y}`).join('L')}Z`).join('')}
        />
      ))}
      {walls.map((w) => (
        <path
          key={w.id}
          {...wallPaint[w.kind]}
          strokeWidth={1.6 * unit}
          d={`M${endsOf(w)
            .map(([x, y]) => `${x} ${-y}`)
            .join('L')}`}
        />
      ))}
      {bed !== null && (
        <path
          d={`M${bed.line.map(([x, y]) => `${x} ${-y}`).join('L')}`}
          fill="none"
          stroke={`var(--rb-colors-${dryOf('bed') ? 'ink2' : 'danger'})`}
          strokeWidth={2.4 * unit}
          strokeLinecap="round"
        />
      )}
      {under.map((l) => {
        const { long, wide: half } = SIZES[l.kind];
        const look = lyingPaint(l.kind, dryOf(l.id));
        return (
          <g key={l.id} transform={`translate(${l.at[0]} ${-l.at[1]}) rotate(${(-180 * l.toward) / Math.PI})`}>
            <rect
              x={-long}
              y={-half}
              width={2 * long}
              height={2 * half}
              rx={half / 2}
              {...look.body}
              strokeWidth={0.4 * unit * look.body.strokeWidth}
            />
            {l.kind === 'sleeper' && <circle {...look.head} cx={long - HAND} cy={0} r={HAND * 0.7} />}
          </g>
        );
      })}
      {pail !== null && (
        <circle
          cx={pail.at[0]}
          cy={-pail.at[1]}
          r={HAND}
          {...paint.pond}
          opacity={1}
          stroke="var(--rb-colors-ink)"
          strokeWidth={0.4 * unit}
        />
      )}
      <g
        transform={`translate(${x1 - 9 * unit} ${-y1 + 9 * unit}) rotate(${(-180 * Math.atan2(toward[1], toward[0])) / Math.PI})`}
      >
        <path
          {...paint.wind}
          strokeWidth={0.9 * unit}
          d={`M${-6 * unit} 0H${6 * unit}m${-3 * unit} ${-2.4 * unit}l${3 * unit} ${2.4 * unit}l${-3 * unit} ${2.4 * unit}`}
        />
      </g>
    </svg>
  );
}
