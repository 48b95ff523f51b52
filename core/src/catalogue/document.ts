import { keyOf } from '../document/index.js';
import { SUN, WEAR } from './practice.js';

/** What weather and use have done to a thing of the kit. */
export const worn = { sun: keyOf('sun', SUN), wear: keyOf('wear', WEAR) };
