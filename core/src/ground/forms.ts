import type { Form as PitchedForm } from '../roof/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import type { Form } from './place.js';

/** What a place must know of a form that is wished for. */
export type Wished = Pick<PitchedForm, 'name' | 'wind' | 'windWords' | 'open' | 'footprint'>;

/** A bed alone. */
const NO_ROOF: Wished = {
  name: 'no roof',
  wind: 'along',
  windWords: 'in line with it, where a bed swings least',
  open: null,
  footprint: { ridge: () => 0, covers: () => [0.6, 0.6], guys: [] },
};

export const wished = (form: Form): Wished => (form === 'none' ? NO_ROOF : PITCH_TRAITS[form]);
