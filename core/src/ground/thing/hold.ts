import type { Figure } from '../../working/index.js';
import { given } from '../../working/index.js';
import type { MayHold } from './kind.js';

/** What weights and the soil round a post must have left, over the pull. Judgement, 1.5 to 3. */
export const SOIL_FACTOR = 2;

/** A pull that a thing may be asked to hold, whose working is a sentence. @param how how it is reckoned */
export const mayOf = <T>(pull: MayHold<T>['pull'], how: string): MayHold<T> => ({
  pull,
  figure: (t, soil, asked, name): Figure => {
    const value = pull(t, soil, asked.value);
    return given(name, value, {
      kind: 'derived',
      text: Number.isFinite(value) ? how : 'taken as immovable on your word',
    });
  },
});
