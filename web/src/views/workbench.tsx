import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { memo, useEffect, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { useShell } from '../app/shell-context.js';
import type { DocumentStore, Draft, Snapshot } from '../data/document-store.js';
import type { Camp } from '../data/types.js';
import { SaveTrouble } from '../parts/conflict.js';
import { Tape } from '../parts/tape.js';
import type { TapeMark } from '../parts/tape.js';
import { UnitsContext, WorkingContext } from '../parts/units.js';
import { WorkingPanel } from '../parts/working.js';

/** The steps down the left edge. */
interface Steps {
  readonly label: string;
  readonly marks: readonly TapeMark[];
  readonly words: Readonly<Record<TapeMark['state'], string>>;
}

interface Props<D> {
  readonly store: DocumentStore<D>;
  readonly snapshot: Snapshot<D>;
  readonly camp: Camp;
  readonly units: UnitChoice;
  readonly steps: Steps;
  /** The step that is open. */
  readonly step: string;
  /** What stands in the middle and at the side, as read aloud. */
  readonly names: readonly [middle: string, side: string];
  readonly look?: string;
  readonly scene: ReactNode;
  readonly under: ReactNode;
  readonly side: ReactNode;
  /** Keeps a draft that clashes as a document of its own; its address. */
  readonly copy: (draft: Draft<D>) => Promise<string>;
}

const Steps = memo(Tape);

/** Where a document is worked on: its steps, the scene with the controls under it, and what it comes to at the side. */
export function Workbench<D>(props: Props<D>): ReactElement {
  const { store, snapshot, camp, units, names } = props;
  const [figure, setFigure] = useState<Figure | null>(null);
  const { name } = snapshot.draft;
  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name }],
    save: snapshot.save,
    undo: snapshot.canUndo ? () => store.undo() : null,
    redo: snapshot.canRedo ? () => store.redo() : null,
  });
  useEffect(() => {
    document.title = `${name}, Rough Bight`;
  }, [name]);
  return (
    <UnitsContext.Provider value={units}>
      <WorkingContext.Provider value={setFigure}>
        <div className={props.look === undefined ? 'bench' : `bench ${props.look}`}>
          <Steps {...props.steps} />
          <main className="middle" aria-label={names[0]}>
            {props.scene}
            <div className="under" data-step={props.step}>
              {props.under}
            </div>
          </main>
          <aside className="side" aria-label={names[1]}>
            <SaveTrouble store={store} save={snapshot.save} copy={props.copy} />
            {figure !== null ? <WorkingPanel figure={figure} onClose={() => setFigure(null)} /> : props.side}
          </aside>
        </div>
      </WorkingContext.Provider>
    </UnitsContext.Provider>
  );
}
