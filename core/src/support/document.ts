import { z } from 'zod';
import { signsDocument } from '../anchor/index.js';
import { PEGS, SOILS } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, idOf, kindsDocument, part, whole, within, words, yesNo } from '../document/index.js';
import type { GuyAnchor } from './kinds.js';
import { SUPPORTS } from './kinds.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { LineId } from './line-id.js';
import type { TreeId } from './tree-id.js';

const treeIdDocument = z
  .string()
  .max(29)
  .regex(/^(trunk[01]|bed-stem[01]|guy-tree .{1,20})$/, {
    error: 'The tree must be trunk0, trunk1, bed-stem0, bed-stem1, or "guy-tree " and the key of the guy that has it.',
  }) as unknown as z.ZodType<TreeId>;

const lineIdDocument = z
  .string()
  .max(24)
  .regex(/^(guy .{1,20}|stays[01])$/, {
    error: 'The line must be "guy " and the key of its tie-out, stays0 or stays1.',
  }) as unknown as z.ZodType<LineId>;

/**
 * What holds the end of a guy or a back-stay: `stem`: a tree of its own; `tree`: one that something else of the rig is tied to as well;
 * `same`: what holds another line on the ground.
 */
export const guyAnchorDocument = kindsDocument<GuyAnchor>(SUPPORTS, {
  tree: () => treeIdDocument,
  line: () => lineIdDocument,
  signs: () => signsDocument,
});

/** Pegs of one shape that a person has. */
export const pegsDocument = part({
  id: id('pegs'),
  name: words('name of the pegs', 1, 60),
  /** Id of a shape of the catalogue. */
  shape: idOf('shape of peg', PEGS),
  /** Measured, m, where they are not of the usual size of their shape. */
  size: part({ length: within(SUPPORT_LIMITS.pegLength), width: within(SUPPORT_LIMITS.pegWidth) }).optional(),
  count: whole(SUPPORT_LIMITS.pegs),
});
export type KitPegs = Described<typeof pegsDocument>;

/** A peg that a person pulled, by heel or spring balance: replaces the model for that peg in that soil. */
export const pegPullDocument = part({
  pegs: id('pegs'),
  soil: idOf('soil', SOILS),
  /** Along the guy, N. */
  force: within(SUPPORT_LIMITS.pull),
  /** Whether it moved at that pull, or held. */
  moved: yesNo('moved'),
  /** Whether the ground was soaked. */
  wet: yesNo('wet'),
});
export type PegPull = Described<typeof pegPullDocument>;
