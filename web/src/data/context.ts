import type { RigContext } from '@rough-bight/core/rig';
import { useMemo } from 'react';
import type { Camp, Person } from './types.js';

/** What the rigs of a camp are judged with: its kit, and the measures and margins of whoever asks. */
export function useRigContext(camp: Camp, { body, required }: Person): RigContext {
  const { kit, roofs, pegs, beds, straps } = camp;
  return useMemo(
    () => ({ kit, roofs, pegs, beds, straps, body, required }),
    [kit, roofs, pegs, beds, straps, body, required],
  );
}
