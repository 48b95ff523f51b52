import { paint } from '../app/theme/paint.js';
import type { ThingKind } from '@rough-bight/core/ground';
import type { ReactElement } from 'react';

/**
 * Our own marks for what stands and lies on the ground, seen from above, drawn about (0, 0) with `r` pixels for half their
 * width. All take their colours from the theme.
 */
export function PlanMark({
  kind,
  r,
  bad = false,
}: {
  readonly kind: ThingKind;
  readonly r: number;
  readonly bad?: boolean;
}): ReactElement {
  const solid = bad ? paint.pmBad : paint.pmFill;
  const drawn = bad ? paint.pmLineBad : paint.pmLine;
  switch (kind) {
    case 'tree': {
      // a stem cut across: uneven bark, a heart off its middle, one check
      const bark = Array.from({ length: 24 }, (_, i) => {
        const a = (i * Math.PI) / 12;
        const q = r * (1 + 0.13 * Math.sin(3 * a + 1) + 0.07 * Math.cos(5 * a));
        return `${i === 0 ? 'M' : 'L'}${(Math.cos(a) * q).toFixed(1)} ${(Math.sin(a) * q).toFixed(1)}`;
      }).join('');
      return (
        <g>
          <path {...solid} d={`${bark}Z`} />
          <circle {...paint.pmRing} r={r * 0.55} cx={r * 0.1} cy={r * 0.06} />
          <path {...paint.pmRing} d={`M${r * 0.16} ${r * 0.1}L${-r * 0.75} ${-r * 0.42}`} />
          {bad && <path {...paint.pmSplit} d={`M${-r - 5} ${r + 5}L${r + 5} ${-r - 5}`} />}
        </g>
      );
    }
    case 'sapling':
      return (
        <g>
          <path {...paint.pmLeaf} d="M0 0C-8 -1 -9 -8 -8 -10 -3 -9 0 -5 0 0ZM0 0C8 -1 9 -8 8 -10 3 -9 0 -5 0 0Z" />
          <circle {...solid} r={Math.max(3, r)} />
        </g>
      );
    case 'post':
      return (
        <g>
          <rect {...solid} x={-r} y={-r} width={2 * r} height={2 * r} />
          <path {...paint.pmRing} d={`M${-r} ${-r}L${r} ${r}M${r} ${-r}L${-r} ${r}`} />
        </g>
      );
    case 'boulder':
      return (
        <path
          {...paint.pmStone}
          d={`M${-r} ${r * 0.3}L${-r * 0.6} ${-r * 0.8}L${r * 0.3} ${-r}L${r} ${-r * 0.2}L${r * 0.7} ${r * 0.8}L${-r * 0.4} ${r}Z`}
        />
      );
    case 'log':
      return (
        <g transform="rotate(-18)">
          <rect {...solid} x={-r * 2.6} y={-r * 0.7} width={r * 5.2} height={r * 1.4} rx={r * 0.5} />
          <ellipse {...paint.pmRing} cx={r * 2.1} rx={r * 0.3} ry={r * 0.45} />
        </g>
      );
    case 'root':
      return <path {...drawn} d="M-9 5C-4 5 -3 -2 1 -2S6 -7 10 -7M1 -2C4 0 5 4 9 5" />;
    case 'pole':
      return (
        <g>
          <path {...drawn} d="M0 0L12 8" strokeDasharray="3 2" />
          <circle {...paint.pmOpen} r={Math.max(4, r)} />
        </g>
      );
    case 'mark':
      return <path {...drawn} d="M-5 -5L5 5M-5 5L5 -5" />;
    case 'sleep':
      return (
        <g>
          <rect {...paint.pmBody} x={-r * 0.4} y={-r} width={r * 0.8} height={r * 2} rx={r * 0.3} />
          <circle {...paint.pmHead} cy={-r * 0.66} r={r * 0.24} />
        </g>
      );
    case 'hollow':
      return <circle {...paint.pmRim} r={r} />;
    case 'hazard':
      return (
        <g>
          <path {...paint.pmDanger} d="M-5 9L-3 -5L-7 -10L-1 -7L2 -12L3 -6L7 -8L4 -2L5 9Z" />
        </g>
      );
    case 'keep':
      return <path {...paint.pmHatch} d="M-9 7L7 -9M-3 9L9 -3M-9 1L1 -9" />;
    case 'soil':
      return <path {...paint.pmDots} d="M-7 -4h.1M0 -7h.1M6 -3h.1M-4 3h.1M3 4h.1M-8 7h.1M8 7h.1" />;
    case 'rill':
      return <path {...paint.pmWater} d="M-9 4c3-6 6 2 9-3s5-2 9-5" />;
    case 'shelter':
      return <path {...paint.pmLeaf} d="M-9 5a4 4 0 0 1 4-6 4 4 0 0 1 7-2 4 4 0 0 1 6 4 3 3 0 0 1 1 4z" />;
  }
}

/** A kind's mark as a small picture of its own, for lists and buttons. */
export function KindIcon({ kind }: { readonly kind: ThingKind }): ReactElement {
  return (
    <svg width={26} height={26} style={{ flex: 'none' }} viewBox="-13 -13 26 26" aria-hidden="true">
      <PlanMark kind={kind} r={kind === 'sleep' ? 11 : kind === 'log' ? 4.5 : kind === 'sapling' ? 3.5 : 8} />
    </svg>
  );
}
