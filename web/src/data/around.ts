import type { PitchSurroundings } from '@rough-bight/core/rig';
import { useMemo } from 'react';
import type { Camp, Person } from './types.js';

/** What the rigs of a camp are judged with: its kit, and the measures and margins of whoever asks. */
export function useAround(camp: Camp, { body, required }: Person): PitchSurroundings {
  const { kit, roofs, pegs, beds, straps } = camp;
  return useMemo(
    () => ({ kit, roofs, pegs, beds, straps, body, required }),
    [kit, roofs, pegs, beds, straps, body, required],
  );
}
