import { yesNo, part } from '@rough-bight/core/document';
import { campDocument } from '@rough-bight/core/formats';
import { bodyOf } from '../errors/body.js';

/** A camp's own name and what it is about. */
export class CampDto extends bodyOf(campDocument) {}

/** The same, and whether it is put away. */
export class ChangeCampDto extends bodyOf(part({ ...campDocument.shape, away: yesNo('away') })) {}
