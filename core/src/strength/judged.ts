import type { Required } from './document.js';
import type { Judgement, Link } from './link.js';
import { judge } from './link.js';
import type { Rule, Use } from './rules.js';
import { RULES } from './rules.js';

/** A link under its worst case, judged. */
export interface Judged {
  readonly link: Link;
  /** By the rig's own rule. */
  readonly judgement: Judgement;
  /** All three schools, in their order. */
  readonly schools: readonly Judgement[];
}

/** Judges a link by all three schools, and by the rig's own. @param quick whether its demand is the most of a computed fall or swing */
export function judgedBy(
  rig: { readonly designRule: Rule; readonly use: Use },
  required: Required,
  quick = false,
): (link: Link) => Judged {
  return (link) => {
    const schools = RULES.map((r) => judge(link, r, required, rig.use, quick));
    return { link, judgement: schools.find((x) => x.rule === rig.designRule)!, schools };
  };
}
