import { ink, paint } from '../../../app/theme/paint.js';
import type { KitBed, KitStraps } from '@rough-bight/core/bed';
import { loopAt } from '@rough-bight/core/bed';
import type { ReactElement } from 'react';

/** Pixels a metre. */
export const BED_SCALE = 44;
/** Share of its cloth that a bed without a ridge-cord is hung at. */
const HUNG = 0.83;

/** A bed as it hangs, from the side: its cloth as long as it is between its gathers. */
export function BedDrawn({ bed }: { readonly bed: KitBed }): ReactElement {
  const between = bed.ridgeLength > 0 ? bed.ridgeLength : HUNG * bed.length;
  // a flat parabola of that length
  const sag = Math.sqrt((3 * between * Math.max(0, bed.length - between)) / 8);
  const [w, s, deep] = [between * BED_SCALE, sag * BED_SCALE, (bed.width * BED_SCALE) / 5];
  return (
    <svg width={w + 22} height={s + deep / 2 + 14} viewBox={`-11 -6 ${w + 22} ${s + deep / 2 + 14}`} aria-hidden="true">
      <path
        d={`M0 0Q${w / 2} ${2 * s} ${w} 0Q${w / 2} ${2 * s - deep} 0 0Z`}
        {...paint.planCloth}
        strokeDasharray={bed.cloth === 'string' ? '3 2' : undefined}
      />
      {bed.ridgeLength > 0 && <path d={`M0 0H${w}`} stroke={ink('ink')} strokeWidth={1.4} />}
      <path d={`M0 0L-10 -4M${w} 0L${w + 10} -4`} stroke={ink('ink')} strokeWidth={1.8} />
    </svg>
  );
}

/** A pair of straps laid out, to the same scale, with their loops. */
export function StrapsDrawn({ straps }: { readonly straps: KitStraps }): ReactElement {
  const long = straps.length * BED_SCALE;
  const places = straps.adjust === 'hitch' ? [] : Array.from({ length: straps.count }, (_, k) => loopAt(straps, k + 1));
  return (
    <svg width={long + 4} height={34} viewBox={`-2 0 ${long + 4} 34`} aria-hidden="true">
      {[8, 24].map((y) => (
        <g key={y}>
          <path d={`M0 ${y}H${long}`} stroke={ink('tar')} strokeWidth={3} />
          {places.map((x) =>
            straps.adjust === 'knots' ? (
              <circle key={x} cx={x * BED_SCALE} cy={y} r={2.6} fill={ink('ink')} />
            ) : (
              <path key={x} d={`M${x * BED_SCALE} ${y - 5}V${y + 5}`} stroke={ink('ink')} strokeWidth={1.1} />
            ),
          )}
        </g>
      ))}
    </svg>
  );
}
