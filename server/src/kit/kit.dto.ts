import { ApiProperty } from '@nestjs/swagger';
import { CORDS, SUN, WEAR } from '@rough-bight/core/catalogue';
import type { Sun, Wear } from '@rough-bight/core/catalogue';
import { IsIn } from 'class-validator';
import { Within, Words } from '../errors/within.js';

const CORD_IDS = CORDS.map((c) => c.id);
const SUN_IDS = Object.keys(SUN) as Sun[];
const WEAR_IDS = Object.keys(WEAR) as Wear[];

/** A hank of cord as a person knows it. */
export class KitCordDto {
  @Words('name', 1, 60) name: string;
  @ApiProperty({ enum: CORD_IDS })
  @IsIn(CORD_IDS, { message: `The cord must be one of ${CORD_IDS.join(', ')}.` })
  cord: string;
  @Within({ name: 'length on hand', quantity: 'length', min: 0.1, max: 1000 }) length: number;
  @ApiProperty({ enum: SUN_IDS }) @IsIn(SUN_IDS, { message: `The sun must be one of ${SUN_IDS.join(', ')}.` }) sun: Sun;
  @ApiProperty({ enum: WEAR_IDS })
  @IsIn(WEAR_IDS, { message: `The wear must be one of ${WEAR_IDS.join(', ')}.` })
  wear: Wear;
}
