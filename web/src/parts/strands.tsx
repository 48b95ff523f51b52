import { paint } from '../app/theme/paint.js';
import type { Judgement, Link } from '@rough-bight/core/strength';
import { strands } from '@rough-bight/core/strength';
import type { ReactElement } from 'react';

const TURNS = 10;
const STEP = 11;

/** Ten turns of a laid rope: full ones are spare, frayed ones spent; a dashed notch where the rule's share ends. */
export function Strands({ link, judgement }: { readonly link: Link; readonly judgement: Judgement }): ReactElement {
  const { spent, notch } = strands(link, judgement);
  const full = TURNS - Math.ceil(spent - 0.05);
  const at = (TURNS - notch) * STEP + 2;
  return (
    <svg
      style={{ display: 'block', width: 134, maxWidth: '100%', height: 24 }}
      viewBox={`0 0 ${TURNS * STEP + 6} 20`}
      role="img"
      aria-label={`${Math.max(0, full)} of ten strands spare, ${judgement.word}`}
    >
      {Array.from({ length: TURNS }, (_, i) =>
        i < full ? (
          <path key={i} {...paint.strand} d={`M${i * STEP + 1} 16c1-7 4-12 10-13c1 2 1 4-1 7c-2 4-5 6-9 6z`} />
        ) : (
          <path
            key={i}
            {...paint.strandFrayed}
            d={`M${i * STEP + 3} 17c0-4 0-8-2-12M${i * STEP + 3} 17c1-4 2-8 6-11M${i * STEP + 3} 17c0-5 1-9 2-13`}
          />
        ),
      )}
      {notch > 0 && notch < TURNS && <path {...paint.notch} d={`M${at} 0V20`} />}
    </svg>
  );
}
