import { tell } from '@rough-bight/core/quantity';
import type { Phrase } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { useUnits } from './units.js';

/** A sentence in the units of whoever reads it. */
export function Told({ said }: { readonly said: Phrase }): ReactElement {
  return <>{tell(said, useUnits())}</>;
}
