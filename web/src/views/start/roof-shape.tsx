import { say } from '@rough-bight/core/quantity';
import type { KitRoof } from '@rough-bight/core/roof';
import type { ReactElement } from 'react';
import { paint } from '../../app/theme/paint.js';
import { useUnits } from '../../parts/units.js';

/** Pixels a metre, and between two. */
const SCALE = 11;
const APART = 8;

/** Roofs laid flat beside each other, to scale, with their tie-outs. */
export function RoofShape({ roofs }: { readonly roofs: readonly KitRoof[] }): ReactElement {
  const units = useUnits();
  const tall = Math.max(1, ...roofs.map((r) => r.width)) * SCALE;
  const leftOf = (k: number): number => roofs.slice(0, k).reduce((x, r) => x + r.length * SCALE + APART, 1);
  const placed = roofs.map((roof, k) => ({ roof, left: leftOf(k) }));
  return (
    <svg
      width={leftOf(roofs.length)}
      height={tall + 2}
      role="img"
      aria-label={roofs
        .map((r) => `${r.name}: ${say(r.length, 'length', units)} by ${say(r.width, 'length', units)}`)
        .join('; ')}
      style={{ flex: '0 0 auto', maxWidth: '100%' }}
    >
      {placed.map(({ roof, left }) => (
        <g
          key={roof.id}
          transform={`translate(${left + (roof.length * SCALE) / 2} ${tall - (roof.width * SCALE) / 2 + 1})`}
        >
          <rect
            {...paint.planCloth}
            x={(-roof.length * SCALE) / 2}
            y={(-roof.width * SCALE) / 2}
            width={roof.length * SCALE}
            height={roof.width * SCALE}
          />
          {roof.tieOuts.map((t) => (
            <circle key={t.id} {...paint.pmHead} cx={t.at[0] * SCALE} cy={-t.at[1] * SCALE} r={1.4} />
          ))}
        </g>
      ))}
    </svg>
  );
}
