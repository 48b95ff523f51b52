import { cordDocument } from '@rough-bight/core/cordage';
import { bodyOf } from '../errors/body.js';

/** A hank of cord as a person knows it. */
export class KitCordDto extends bodyOf(cordDocument.omit({ id: true })) {}
