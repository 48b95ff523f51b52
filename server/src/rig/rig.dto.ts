import { ApiProperty } from '@nestjs/swagger';
import { atMost, draftDocument, id, part, savedDocument, words } from '@rough-bight/core/document';
import { rigDocument } from '@rough-bight/core/rig';
import { bodyOf } from '../errors/body.js';

/** A new rig. */
export class NewRigDto extends bodyOf(draftDocument(rigDocument)) {}

/** A save. It must name the version it was made from. */
export class SaveRigDto extends bodyOf(savedDocument(rigDocument)) {}

/** Every rig of a camp, in the order they are to be listed in. */
export class OrderDto extends bodyOf(part({ ids: atMost(id('rig'), 2000, 'A list holds at most 2000 rigs.') })) {}

/** What a version is called; empty is nothing. */
export class CalledDto extends bodyOf(part({ called: words('name of the version', 0, 80) })) {}

/** One save of a rig, as it is listed. */
export class RevisionDto {
  @ApiProperty() version: number;
  @ApiProperty() name: string;
  @ApiProperty() called: string;
  @ApiProperty() savedAt: string;
}

/** A rig as stored. */
export class RigDto extends SaveRigDto {
  @ApiProperty() id: string;
  @ApiProperty() campId: string;
  @ApiProperty() updatedAt: string;
}
