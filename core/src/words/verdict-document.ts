import { z } from 'zod';
import { part, words, yesNo } from '../document/index.js';

/** A sentence: words and amounts, told in the reader's units when it is shown. */
const phrase = z.array(z.union([z.string().max(2000), z.record(z.string(), z.unknown())])).max(200);

/** What a rig comes to, and of what: a mark of rig, kit, measures and program together. */
export const verdictDocument = part({
  of: words('mark of what was judged', 1, 80),
  verdict: part({ holds: yesNo('holds'), sentence: phrase, detail: phrase }),
});
