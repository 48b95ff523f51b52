import type { PitchResult } from '@rough-bight/core/pitch';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import type { PitchJudgement } from '../workers/rig.worker.js';
import { DepthScene } from './depth/depth-scene.js';
import { PitchScene } from './pitch-scene.js';

export const RIG_VIEWS = { side: 'from the side', above: 'from above', depth: 'in depth' } as const;
export type RigView = keyof typeof RIG_VIEWS;

interface Props {
  readonly rig: RidgeRig;
  readonly judgement: PitchJudgement | null;
  readonly body: BodyMeasures;
  readonly view: RigView;
  readonly onView: (view: RigView) => void;
  /** Case that is drawn. */
  readonly caseId: string;
  /** Row of the ledger that is marked. */
  readonly chosen: string | null;
  /** Another rig drawn in dashes behind this one, its first tie on this one's. */
  readonly beside: PitchResult | null;
  readonly onChoose: (row: string | null) => void;
  readonly moving: boolean;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (rig: RidgeRig) => void;
}

/** One scene seen three ways: from the side, from above, in depth. */
export function RigScene({ view, onView, ...props }: Props): ReactElement {
  const { judgement } = props;
  return (
    <div className="rig-scene">
      {view === 'depth' && judgement !== null ? (
        <DepthScene {...props} result={judgement.pitch} onFlat={() => onView('side')} />
      ) : (
        <PitchScene {...props} view={view === 'depth' ? 'side' : view} />
      )}
      <div className="scene-views" role="group" aria-label="View">
        {(Object.keys(RIG_VIEWS) as RigView[]).map((v) => (
          <button key={v} type="button" aria-pressed={v === view} onClick={() => onView(v)}>
            {RIG_VIEWS[v]}
          </button>
        ))}
      </div>
    </div>
  );
}
