import { verdictDocument } from '@rough-bight/core/words';
import { bodyOf } from '../errors/body.js';

/** What a rig comes to, worked out where it is shown. */
export class VerdictDto extends bodyOf(verdictDocument) {}
