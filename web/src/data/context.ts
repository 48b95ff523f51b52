import type { Bag } from '@rough-bight/core/budget';
import type { RidgeRig, RigContext } from '@rough-bight/core/rig';
import { pacedBy } from '@rough-bight/core/rig';
import { useMemo } from 'react';
import { usePeople } from './me.js';
import type { Camp, Person } from './types.js';

/** What the rigs of a camp are judged with: its kit, and the measures and margins of whoever asks. */
export function useCampContext(camp: Camp, { body, required }: Person): RigContext {
  const { kit, roofs, pegs, beds, straps } = camp;
  return useMemo(
    () => ({ kit, roofs, pegs, beds, straps, body, required }),
    [kit, roofs, pegs, beds, straps, body, required],
  );
}

/** What the rigs of a camp draw on together. */
export function useBag({ kit, roofs, pegs, beds, straps, bindings }: Camp): Bag {
  return useMemo(
    () => ({ cords: kit, roofs, pegs, beds, straps, bindings }),
    [kit, roofs, pegs, beds, straps, bindings],
  );
}

/** The same for one rig: its span in the paces of whoever paced it. */
export function useRigContext(camp: Camp, me: Person, { span }: Pick<RidgeRig, 'span'>): RigContext {
  const context = useCampContext(camp, me);
  const { people } = usePeople();
  const { by } = span;
  return useMemo(
    () => pacedBy({ span: { by } }, context, { id: me.id, people: people ?? [] }),
    [by, context, me.id, people],
  );
}
