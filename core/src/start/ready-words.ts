import { amount, metres, phrase } from '../quantity/index.js';
import type { Phrase } from '../quantity/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import type { Ready } from './ready.js';

/** Shares of the wind under which a place is out of it, and over which it is in it. */
const [OUT_OF, IN] = [0.15, 0.6];

/** What a rig that came back is called, and what it does for those it is for. */
export function readyWords({ serves }: Pick<Ready, 'serves'>): { readonly name: string; readonly serves: Phrase } {
  const { form, dry, of, upright, open, guys, headroom, covers } = serves;
  const all = (n: number): string => (n === of ? (of === 1 ? 'the one' : `all ${of}`) : `${n} of ${of}`);
  const wind = open <= OUT_OF ? 'out of the wind' : open < IN ? 'half out of the wind' : 'open to the wind';
  return {
    name: PITCH_TRAITS[form].name,
    serves: phrase`Dry in this rain: ${all(dry)}; room to be upright: ${all(upright)}; ${wind}. ${guys} ${guys === 1 ? 'line' : 'lines'} to peg, ${metres(headroom)} high, ${amount(covers, 'area')} covered.`,
  };
}
