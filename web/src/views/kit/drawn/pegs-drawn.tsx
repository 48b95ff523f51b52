import { ink } from '../../../app/theme/paint.js';
import type { PegShape } from '@rough-bight/core/catalogue';
import type { ReactElement } from 'react';

/** Pixels a metre. */
export const PEG_SCALE = 200;
/** What a row of them may take, px. */
const ROOM = 146;

/** Every one of a sort, side by side, to scale; they overlap where there are many. */
export function PegsDrawn({ shape, count }: { readonly shape: PegShape; readonly count: number }): ReactElement {
  const wide = Math.max(1.6, shape.width * PEG_SCALE);
  const tall = shape.length * PEG_SCALE;
  const shown = Math.min(count, 60);
  const pitch = shown < 2 ? 0 : Math.min(wide + 5, (ROOM - wide - 4) / (shown - 1));
  return (
    <svg
      width={(shown - 1) * pitch + wide + 8}
      height={tall + 8}
      viewBox={`-4 -6 ${Math.max(1, shown - 1) * pitch + wide + 8} ${tall + 8}`}
      aria-hidden="true"
    >
      {Array.from({ length: shown }, (_, k) => (
        <g key={k} transform={`translate(${k * pitch} 0)`}>
          <Peg shape={shape} wide={wide} tall={tall} />
        </g>
      ))}
    </svg>
  );
}

/** One, its point below: cut wood with a notch, wire with a bent head, a channel of sheet. */
function Peg({
  shape,
  wide,
  tall,
}: {
  readonly shape: PegShape;
  readonly wide: number;
  readonly tall: number;
}): ReactElement {
  const rim = { stroke: ink('tar'), strokeWidth: 1 };
  if (shape.surface === 'wood')
    return (
      <>
        <path
          d={`M0 0H${wide}V${tall - wide * 1.6}L${wide / 2} ${tall}L0 ${tall - wide * 1.6}Z`}
          fill={ink('roof2')}
          {...rim}
        />
        <path
          d={`M0 ${wide * 0.9}l${wide * 0.35} ${wide * 0.35}l${-wide * 0.35} ${wide * 0.4}`}
          fill={ink('cloth')}
          {...rim}
        />
      </>
    );
  if (shape.section === 'thin')
    return (
      <>
        <path
          d={`M0 0H${wide}L${wide * 0.7} ${tall * 0.82}L${wide / 2} ${tall}L${wide * 0.3} ${tall * 0.82}Z`}
          fill={ink('hairline')}
          {...rim}
        />
        <path d={`M${wide / 2} 3V${tall * 0.9}`} fill="none" {...rim} />
      </>
    );
  return (
    <path
      d={`M${wide / 2 + 5} 2a5 5 0 0 0 -5 -5V${tall}`}
      fill="none"
      stroke={ink('ink2')}
      strokeWidth={wide}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  );
}
