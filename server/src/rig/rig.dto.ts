import { ApiProperty } from '@nestjs/swagger';
import { draftDocument, savedDocument } from '@rough-bight/core/document';
import { rigDocument } from '@rough-bight/core/rig';
import { bodyOf } from '../errors/body.js';

/** A new rig. */
export class NewRigDto extends bodyOf(draftDocument(rigDocument)) {}

/** A save. It must name the version it was made from. */
export class SaveRigDto extends bodyOf(savedDocument(rigDocument)) {}

/** A rig as stored. */
export class RigDto extends SaveRigDto {
  @ApiProperty() id: string;
  @ApiProperty() campId: string;
  @ApiProperty() updatedAt: string;
}
