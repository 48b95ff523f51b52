import type { Sun, Wear } from '../catalogue/index.js';

/** A length of cord the person owns. */
export interface KitCord {
  readonly id: string;
  readonly name: string;
  /** Catalogue id. */
  readonly cord: string;
  /** m on hand. */
  readonly length: number;
  readonly sun: Sun;
  readonly wear: Wear;
}
