import { ApiProperty } from '@nestjs/swagger';
import { IsDefined, IsInt, IsObject, Min } from 'class-validator';
import { Words } from '../errors/within.js';

/** A new place. The document is checked by the core's own reader, field by field and as a whole. */
export class NewPlaceDto {
  @Words('name', 1, 80) name: string;
  @Words('note', 0, 400) note: string;
  @ApiProperty({ type: Object, description: 'rough-bight/place@1, see docs/formats/place.md. SI.' })
  @IsDefined({ message: 'document is missing.' })
  @IsObject({ message: 'document must be an object.' })
  document: object;
}

/** A save. It must name the version it was made from. */
export class SavePlaceDto extends NewPlaceDto {
  @ApiProperty({ description: 'The version this was made from' })
  @IsInt({ message: 'The version must be a whole number.' })
  @Min(1, { message: 'The version must be 1 or more.' })
  version: number;
}
