import { MOST_BINDINGS, bindingDocument } from '@rough-bight/core/cordage';
import { atMost, id, part, yesNo } from '@rough-bight/core/document';
import { campDocument } from '@rough-bight/core/formats';
import { MOST_LEARNERS, learnerDocument } from '@rough-bight/core/teach';
import { bodyOf } from '../errors/body.js';

/** A camp's own name and what it is about. */
export class CampDto extends bodyOf(campDocument) {}

/** Rigs of one camp that can be said to stand at once. */
const MOST_TONIGHT = 500;

/** The same, whether it is put away, and which rigs stand tonight: all where null, as before where left out. */
export class ChangeCampDto extends bodyOf(
  part({
    ...campDocument.shape,
    away: yesNo('away'),
    bindings: atMost(bindingDocument, MOST_BINDINGS, `At most ${MOST_BINDINGS} bindings can be kept.`).optional(),
    learners: atMost(learnerDocument, MOST_LEARNERS, `At most ${MOST_LEARNERS} learners can be kept.`)
      .refine((list) => new Set(list.map((l) => l.id)).size === list.length, {
        error: 'Each learner needs an id of their own.',
      })
      .optional(),
    tonight: atMost(id('rig'), MOST_TONIGHT, `At most ${MOST_TONIGHT} rigs can stand tonight.`).nullable().optional(),
  }),
) {}
