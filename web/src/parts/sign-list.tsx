import { Box } from '@chakra-ui/react';
import { SIGNS } from '@rough-bight/core/anchor';
import type { Sign } from '@rough-bight/core/anchor';
import type { ReactElement } from 'react';
import { Check } from './choice.js';
import { Fold } from './fold.js';

/** What a short look-up at a stem can find. */
export function SignList({
  title,
  signs,
  onSigns,
}: {
  readonly title: string;
  readonly signs: readonly Sign[];
  readonly onSigns: (signs: readonly Sign[]) => void;
}): ReactElement {
  return (
    <Fold
      open={signs.length > 0}
      line={`${title}: ${signs.length === 0 ? 'nothing found yet' : signs.map((s) => SIGNS[s]).join(', ')}`}
    >
      <Box display="flex" flexWrap="wrap">
        {(Object.keys(SIGNS) as Sign[]).map((s) => (
          <Check
            key={s}
            checked={signs.includes(s)}
            onChange={(found) => onSigns(found ? [...signs, s] : signs.filter((x) => x !== s))}
          >
            {SIGNS[s]}
          </Check>
        ))}
      </Box>
    </Fold>
  );
}
