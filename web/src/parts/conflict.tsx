import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import type { DocumentStore, Draft, SaveState } from '../data/document-store.js';
import type { Stored } from '../data/types.js';
import { Buttons, Problem, Undecided } from './layout.js';

/** Why what is on this screen is not stored, and what can be done; nothing where it is. */
export function SaveTrouble<D>({
  store,
  save,
  copy,
  told,
}: {
  readonly store: DocumentStore<D>;
  readonly save: SaveState<D>;
  /** Whether the view says itself what is wrong with it. */
  readonly told: boolean;
  /** Stores a draft as a new one and says where it is to be seen. */
  readonly copy: (draft: Draft<D>) => Promise<string>;
}): ReactElement | null {
  if (save.kind === 'conflict')
    return <Conflict store={store} message={save.message} theirs={save.theirs} copy={copy} />;
  if (save.kind !== 'waiting' && (save.kind !== 'refused' || told)) return null;
  return (
    <Problem padding="10px 18px" role="alert">
      {save.message}
    </Problem>
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
    <Undecided>
      <p>{message}</p>
      <Buttons>
        <Button variant="solid" onClick={() => void keepCopy()}>
          Keep mine as a copy
        </Button>
        <Button onClick={() => store.adopt(theirs)}>Take the other</Button>
      </Buttons>
      {problem !== null && <Problem>{problem}</Problem>}
    </Undecided>
  );
}
