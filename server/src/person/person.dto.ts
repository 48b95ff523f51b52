import { saved } from '@rough-bight/core/document';
import { personDocument } from '@rough-bight/core/ground';
import { bodyOf } from '../errors/body.js';

export class NewPersonDto extends bodyOf(personDocument) {}
export class PersonDto extends bodyOf(saved(personDocument)) {}
