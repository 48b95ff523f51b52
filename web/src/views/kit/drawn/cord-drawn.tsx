import { ink } from '../../../app/theme/paint.js';
import type { Sun, Wear } from '@rough-bight/core/catalogue';
import { useId } from 'react';
import type { ReactElement } from 'react';

/** Pixels a metre of a hank as it lies, and a metre of the piece that shows how thick the cord is. */
export const HANK_SCALE = 240;
export const PIECE_SCALE = 4000;
/** Cord that one turn round hand and elbow takes, m; how high and wide such a turn lies, m. */
const TURN = 0.95;
const HIGH = 0.4;
const WIDE = 0.11;

/** What sun leaves of a colour. */
const FADED: Readonly<Record<Sun, number>> = { new: 1, season: 0.72, years: 0.42 };

/** A hank wound round hand and elbow, tied about its waist, to scale: as many turns as it is long, as thick as its cord. */
export function HankDrawn({
  length,
  thickness,
  sun,
}: {
  /** m. */
  readonly length: number;
  readonly thickness: number;
  readonly sun: Sun;
}): ReactElement {
  const turns = Math.max(1, Math.round(length / TURN));
  // turns lie in a bundle as wide as deep; so many of them are seen side by side
  const seen = Math.min(60, Math.max(1, Math.round(Math.sqrt(turns * 1.3))));
  const pitch = thickness * HANK_SCALE;
  const tall = HIGH * HANK_SCALE;
  const half = (WIDE * HANK_SCALE) / 2 + seen * pitch;
  const across = 2 * half + 6;
  const waist = tall * 0.42;
  return (
    <svg width={across} height={tall + 8} viewBox={`${-across / 2} -4 ${across} ${tall + 8}`} aria-hidden="true">
      <g fill="none" stroke={ink('tar')} strokeWidth={Math.max(0.7, pitch * 0.82)} opacity={FADED[sun]}>
        {Array.from({ length: seen }, (_, k) => {
          const x = half - (k + 0.5) * pitch;
          const y = (k + 0.5) * pitch * 0.6;
          // two bellies, drawn in at the waist
          return (
            <path
              key={k}
              d={`M0 ${y}C${x * 1.5} ${y} ${x} ${waist * 0.7} ${x * 0.42} ${waist}C${x} ${waist * 1.35} ${x * 1.5} ${tall - y} 0 ${tall - y}C${-x * 1.5} ${tall - y} ${-x} ${waist * 1.35} ${-x * 0.42} ${waist}C${-x} ${waist * 0.7} ${-x * 1.5} ${y} 0 ${y}`}
            />
          );
        })}
      </g>
      <g stroke={ink('tar')} strokeWidth={Math.max(0.9, pitch)} strokeLinecap="round" opacity={FADED[sun]}>
        {Array.from({ length: 5 }, (_, k) => {
          const y = waist + (k - 2) * Math.max(1.6, pitch * 1.1);
          return <path key={k} d={`M${-half * 0.48 - 1} ${y + 1}L${half * 0.48 + 1} ${y - 1}`} />;
        })}
      </g>
    </svg>
  );
}

/** A short piece as thick as the cord, larger: what it has been through is seen on it. */
export function PieceDrawn({
  thickness,
  scale = PIECE_SCALE,
  sun,
  wear,
  flat = false,
}: {
  /** m; the width of webbing. */
  readonly thickness: number;
  readonly scale?: number;
  readonly sun: Sun;
  readonly wear: Wear;
  /** Woven flat, not laid round. */
  readonly flat?: boolean;
}): ReactElement {
  const tall = Math.max(1.5, thickness * scale);
  const long = 44;
  const lay = flat ? 5 : Math.max(3, tall * 0.55);
  const room = 7;
  const cut = useId();
  const fuzz = wear === 'sound' ? 0 : Math.round(long / 3);
  return (
    <svg width={long} height={tall + 2 * room} viewBox={`0 ${-room} ${long} ${tall + 2 * room}`} aria-hidden="true">
      <clipPath id={cut}>
        <rect x={0} y={0} width={long} height={tall} />
      </clipPath>
      <rect width={long} height={tall} fill={ink('roof2')} opacity={FADED[sun]} />
      <g clipPath={`url(#${cut})`} stroke={ink('tar')} strokeWidth={1} opacity={FADED[sun]}>
        {Array.from({ length: Math.ceil((long + tall) / lay) }, (_, k) => (
          <path key={k} d={flat ? `M${k * lay} 0V${tall}` : `M${k * lay - tall * 0.5} ${tall}L${k * lay} 0`} />
        ))}
      </g>
      <path d={`M0 0H${long}M0 ${tall}H${long}`} stroke={ink('tar')} strokeWidth={1.3} />
      {wear === 'cut' && (
        <path
          d={`M${long * 0.55} -1l4 ${Math.max(4, tall * 0.5)}l4 ${-Math.max(4, tall * 0.5)}z`}
          fill={ink('cloth')}
          stroke={ink('danger')}
        />
      )}
      <g stroke={ink('tar')} strokeWidth={0.9}>
        {Array.from({ length: fuzz }, (_, k) => {
          const x = (k + 0.5) * 3;
          const off = ((k * 37) % 7) - 3;
          return (
            <path key={k} d={`M${x} 0l${off} -${3 + ((k * 13) % 4)}M${x + 1} ${tall}l${-off} ${3 + ((k * 17) % 4)}`} />
          );
        })}
      </g>
    </svg>
  );
}
