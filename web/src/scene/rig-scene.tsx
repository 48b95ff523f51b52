import type { ReactElement } from 'react';
import { DepthScene } from './depth/depth-scene.js';
import { FlatScene } from './flat/flat-scene.js';
import type { SceneProps } from './flat/flat-scene.js';

export const RIG_VIEWS = { side: 'from the side', above: 'from above', depth: 'in depth' } as const;
export type RigView = keyof typeof RIG_VIEWS;

interface Props extends Omit<SceneProps, 'view'> {
  readonly view: RigView;
  readonly onView: (view: RigView) => void;
}

/** One scene seen three ways: from the side, from above, in depth. */
export function RigScene({ view, onView, ...props }: Props): ReactElement {
  const { report } = props;
  return (
    <div className={props.stale === true ? 'rig-scene scene-stale' : 'rig-scene'}>
      {view === 'depth' && report !== null ? (
        <DepthScene {...props} report={report} onFlat={() => onView('side')} />
      ) : (
        <FlatScene {...props} view={view === 'depth' ? 'side' : view} />
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
