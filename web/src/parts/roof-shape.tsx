import { say } from '@rough-bight/core/quantity';
import type { KitRoof } from '@rough-bight/core/roof';
import type { ReactElement } from 'react';
import { paint } from '../app/theme/paint.js';
import { useUnits } from './units.js';

/** Pixels between two. */
const APART = 8;

/** Roofs laid flat beside each other, to scale, with their tie-outs. @param scale pixels a metre */
export function RoofShape({
  roofs,
  scale = 11,
}: {
  readonly roofs: readonly KitRoof[];
  readonly scale?: number;
}): ReactElement {
  const units = useUnits();
  const tall = Math.max(1, ...roofs.map((r) => r.width)) * scale;
  const leftOf = (k: number): number => roofs.slice(0, k).reduce((x, r) => x + r.length * scale + APART, 1);
  return (
    <svg
      width={leftOf(roofs.length)}
      height={tall + 2}
      role="img"
      aria-label={roofs
        .map((r) => `${r.name}: ${say(r.length, 'length', units)} by ${say(r.width, 'length', units)}`)
        .join('; ')}
      style={{ flex: '0 0 auto', maxWidth: '100%', overflow: 'visible' }}
    >
      {roofs.map((roof, k) => (
        <g
          key={roof.id}
          transform={`translate(${leftOf(k) + (roof.length * scale) / 2} ${tall - (roof.width * scale) / 2 + 1})`}
        >
          <RoofFlat roof={roof} scale={scale} />
        </g>
      ))}
    </svg>
  );
}

/** One roof laid flat about its middle, its edges as hollow as they are. */
export function RoofFlat({ roof, scale }: { readonly roof: KitRoof; readonly scale: number }): ReactElement {
  const [x, y, in_] = [(roof.length * scale) / 2, (roof.width * scale) / 2, 2 * roof.hollow * scale];
  return (
    <>
      <path
        {...paint.planCloth}
        d={`M${-x} ${-y}Q0 ${-y + in_} ${x} ${-y}Q${x - in_} 0 ${x} ${y}Q0 ${y - in_} ${-x} ${y}Q${-x + in_} 0 ${-x} ${-y}Z`}
      />
      {roof.tieOuts.map((t) => {
        const [tx, ty] = onCloth(roof, t.at);
        return <circle key={t.id} {...paint.pmHead} cx={tx * scale} cy={-ty * scale} r={scale > 20 ? 2.2 : 1.4} />;
      })}
    </>
  );
}

/** Where a tie-out lies once the edges are cut hollow, m from the middle. */
export function onCloth(
  { length, width, hollow }: Pick<KitRoof, 'length' | 'width' | 'hollow'>,
  [x, y]: readonly [number, number],
): readonly [number, number] {
  const [u, v] = [(2 * x) / length, (2 * y) / width];
  return [x - hollow * u * (1 - v * v), y - hollow * v * (1 - u * u)];
}
