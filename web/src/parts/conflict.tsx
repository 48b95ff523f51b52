import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import type { DocumentStore, Draft, SaveState } from '../data/document-store.js';
import type { Stored } from '../data/types.js';

/** Why what is on this screen is not stored, and what can be done; nothing where it is. */
export function SaveTrouble<D>({
  store,
  save,
  copy,
}: {
  readonly store: DocumentStore<D>;
  readonly save: SaveState<D>;
  /** Stores a draft as a new one and says where it is to be seen. */
  readonly copy: (draft: Draft<D>) => Promise<string>;
}): ReactElement | null {
  if (save.kind === 'conflict')
    return <Conflict store={store} message={save.message} theirs={save.theirs} copy={copy} />;
  if (save.kind !== 'refused' && save.kind !== 'waiting') return null;
  return (
    <p className="field-problem side-note" role="alert">
      {save.message}
    </p>
  );
}

/** Two windows changed the same thing: nothing is lost, a person chooses. */
function Conflict<D>({
  store,
  message,
  theirs,
  copy,
}: {
  readonly store: DocumentStore<D>;
  readonly message: string;
  readonly theirs: Stored<D>;
  readonly copy: (draft: Draft<D>) => Promise<string>;
}): ReactElement {
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const keepCopy = async (): Promise<void> => {
    const { draft } = store.read();
    try {
      const path = await copy({ ...draft, name: `${draft.name.slice(0, 70)}, my copy` });
      store.adopt(theirs);
      await navigate(path);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="conflict" role="alert">
      <p>{message}</p>
      <div className="verdict-buttons">
        <Button variant="solid" onClick={() => void keepCopy()}>
          Keep mine as a copy
        </Button>
        <Button onClick={() => store.adopt(theirs)}>Take the other</Button>
      </div>
      {problem !== null && <p className="field-problem">{problem}</p>}
    </div>
  );
}
