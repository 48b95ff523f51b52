import type { Upright } from '@rough-bight/core/rig';
import { paint } from '../app/theme/paint.js';
import type { ReactElement } from 'react';

/** Our own drawn marks. All take the colour of the text around them. */

/** A wave where a step holds, a parted wave where it does not, dashes where nothing is. */
export function Wave({ state }: { readonly state: 'holds' | 'fails' | 'none' }): ReactElement {
  return (
    <svg
      width={26}
      height={14}
      viewBox="0 0 26 14"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth={state === 'none' ? 1.6 : 2.4}
      strokeLinecap="round"
      data-state={state}
      style={{ flex: 'none' }}
    >
      {state === 'holds' && <path d="M2 9c3-8 8-8 11-2s8 6 11-2" />}
      {state === 'fails' && (
        <>
          <path d="M2 10c2-7 6-9 9-4" />
          <path d="M15 5c3 6 6 6 9-2" transform="translate(0 3)" />
        </>
      )}
      {state === 'none' && <path d="M2 8h22" strokeDasharray="3 3" />}
    </svg>
  );
}

/** The bight: a loop of laid rope. */
export function BightMark(): ReactElement {
  return (
    <svg width={32} height={26} viewBox="0 0 32 26" aria-hidden="true">
      <path {...paint.bightRope} d="M6 26V14a10 10 0 0 1 20 0v12" />
      <path {...paint.bightLay} d="M3 24l6-3M3 17l6-2M5 9l5 3M11 3l3 5M20 3l-2 5M27 9l-5 3M29 17l-6-2M29 24l-6-3" />
    </svg>
  );
}

/** A trunk seen from the side, `width` wide at the foot, tapering; drawn from (x, foot) up to `top`. */
export function TrunkMark({
  as,
  x,
  foot,
  top,
  width,
  bad,
}: {
  readonly as: Upright['as'];
  readonly x: number;
  readonly foot: number;
  readonly top: number;
  readonly width: number;
  readonly bad: boolean;
}): ReactElement {
  const half = width / 2;
  if (as === 'pole') return <path {...paint.trunk} d={`M${x - half} ${foot + 6}V${top}H${x + half}V${foot + 6}Z`} />;
  if (as === 'lump')
    return (
      <path
        {...paint.trunk}
        d={`M${x - half} ${foot + 4}L${x - half * 0.9} ${top + half * 0.5}L${x - half * 0.4} ${top}H${x + half * 0.55}L${x + half} ${top + half * 0.7}V${foot + 4}Z`}
      />
    );
  const lean = half * 0.82;
  const ticks = [];
  for (let y = foot - 26, k = 0; y > top + 14; y -= 37, k++)
    ticks.push(`M${x - half * 0.35 + (k % 3) * half * 0.3} ${y}q${half * 0.35} -7 0 -15`);
  return (
    <g>
      <path
        {...(bad ? paint.trunkBad : paint.trunk)}
        d={`M${x - half * 1.25} ${foot + 6}Q${x - half} ${foot - 8} ${x - half} ${foot - 26}L${x - lean} ${top}H${x + lean}L${x + half} ${foot - 26}Q${x + half} ${foot - 8} ${x + half * 1.25} ${foot + 6}Z`}
      />
      <path {...paint.bark} d={ticks.join('')} />
    </g>
  );
}

/** Turns of a loop friction hitch round the line. */
export function HitchMark({
  x,
  y,
  angle,
}: {
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}): ReactElement {
  return (
    <g {...paint.hitch} transform={`translate(${x} ${y}) rotate(${angle})`}>
      {[-7, -3.5, 0, 3.5, 7].map((d) => (
        <path key={d} d={`M${d - 1} -6l2 12`} />
      ))}
    </g>
  );
}

/** A lantern, or anything else hung: a bag on a short string. */
export function HungMark({
  x,
  y,
  lantern,
}: {
  readonly x: number;
  readonly y: number;
  readonly lantern: boolean;
}): ReactElement {
  return (
    <g {...paint.hung} data-thing="hung" transform={`translate(${x} ${y})`}>
      <path {...paint.string} d="M0 0V14" />
      {lantern ? (
        <path d="M-5 18l5 -4 5 4v12h-10zM-7 31h14" />
      ) : (
        <path d="M0 14c-3 3-9 7-8 14 1 6 15 6 16 0 1-7-5-11-8-14z" />
      )}
    </g>
  );
}
