import { draftDocument, savedDocument } from '@rough-bight/core/document';
import { placeDocument } from '@rough-bight/core/ground';
import { bodyOf } from '../errors/body.js';

/** A new place. */
export class NewPlaceDto extends bodyOf(draftDocument(placeDocument)) {}

/** A save. It must name the version it was made from. */
export class SavePlaceDto extends bodyOf(savedDocument(placeDocument)) {}
