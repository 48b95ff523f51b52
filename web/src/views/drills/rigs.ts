import { pacedBy } from '@rough-bight/core/rig';
import { useMemo } from 'react';
import { useCampContext } from '../../data/context.js';
import type { Camp, Person } from '../../data/types.js';
import type { DrillRig } from '../../workers/drill.worker.js';

/** The rigs of a camp as drills are made from them, each with a place of it. */
export function useDrillRigs(camp: Camp, me: Person, people: readonly Person[]): readonly DrillRig[] {
  const context = useCampContext(camp, me);
  const { rigs, places } = camp;
  return useMemo(
    () =>
      rigs.map(({ id, name, document: rig }, k) => ({
        id,
        name,
        rig,
        context: pacedBy(rig, context, { id: me.id, people }),
        ground: places.length === 0 ? null : { place: places[k % places.length]!.document, who: { ...me, people } },
      })),
    [rigs, places, context, me, people],
  );
}
