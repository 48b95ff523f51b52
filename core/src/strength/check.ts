import type { Figure } from '../working/index.js';
import type { LinkKind } from './link.js';

/** A way in which a member can fail: what a solved case asks of it, and what it holds then. */
export interface Check<Case> {
  readonly id: string;
  readonly kind: LinkKind;
  readonly name: string;
  readonly demand: (c: Case) => Figure;
  /** null where nothing is known against it. */
  readonly available: (c: Case) => Figure | null;
}
