import { ApiProperty } from '@nestjs/swagger';
import { BODY_UNITS, MOST_REPEATS, UNITS_OF_BODY } from '@rough-bight/core/ground';
import type { BodyUnit, Calibrations } from '@rough-bight/core/ground';
import type { ForceUnit, LengthUnit } from '@rough-bight/core/quantity';
import { REQUIRED_LIMITS, RULES, USES } from '@rough-bight/core/strength';
import type { Required, Rule, Use } from '@rough-bight/core/strength';
import { Type } from 'class-transformer';
import { IsDefined, IsIn, IsInt, IsObject, Min, Validate, ValidateNested, ValidatorConstraint } from 'class-validator';
import type { ValidationArguments, ValidatorConstraintInterface } from 'class-validator';
import { Within, Words } from '../errors/within.js';

const length = (name: string, min: number, max: number) => Within({ name, quantity: 'length', min, max });

export class BodyDto {
  @length('pace', 0.3, 1.5) pace: number;
  @Within({ name: 'spread of the pace', quantity: 'share', min: 0.002, max: 0.3 }) paceSpread: number;
  @length('foot', 0.15, 0.45) foot: number;
  @length('hand span', 0.1, 0.35) handSpan: number;
  @length('arm span', 0.8, 2.6) armSpan: number;
  @length('waist', 0.4, 1.6) waist: number;
  @length('elbow', 0.4, 1.7) elbow: number;
  @length('chest', 0.5, 1.9) chest: number;
  @length('shoulder', 0.6, 2) shoulder: number;
  @length('brow', 0.7, 2.3) brow: number;
  @length('full reach', 0.9, 3) reach: number;
}

class UnitsDto {
  @ApiProperty({ enum: ['m', 'ft'] })
  @IsIn(['m', 'ft'], { message: 'The unit of length must be m or ft.' })
  length: LengthUnit;
  @ApiProperty({ enum: ['N', 'kgf', 'lbf'] })
  @IsIn(['N', 'kgf', 'lbf'], { message: 'The unit of force must be N, kgf or lbf.' })
  force: ForceUnit;
}

/** Every school has a finite number within its bounds for every use, and nothing else. */
@ValidatorConstraint({ name: 'required' })
class RequiredTable implements ValidatorConstraintInterface {
  private wrong(value: unknown): string | null {
    if (typeof value !== 'object' || value === null) return 'the required margins must be a table';
    const table = value as Partial<Record<Rule, Partial<Record<Use, unknown>>>>;
    if (Object.keys(table).some((k) => !RULES.includes(k as Rule))) return `only ${RULES.join(', ')} can be set`;
    for (const rule of RULES) {
      const row = table[rule];
      if (typeof row !== 'object' || row === null || Object.keys(row).some((k) => !USES.includes(k as Use)))
        return `${rule} must give ${USES.join(', ')}`;
      const [min, max] = REQUIRED_LIMITS[rule];
      for (const use of USES) {
        const x = row[use];
        if (typeof x !== 'number' || !Number.isFinite(x) || x < min || x > max)
          return `${rule} for ${use} must be a number from ${min} to ${max}`;
      }
    }
    return null;
  }
  validate(value: unknown): boolean {
    return this.wrong(value) === null;
  }
  defaultMessage(args?: ValidationArguments): string {
    const wrong = this.wrong(args?.value) ?? '';
    return `${wrong.charAt(0).toUpperCase()}${wrong.slice(1)}.`;
  }
}

/** Lists of repeats by body unit, each of a taped length and a count that could be a person's. */
@ValidatorConstraint({ name: 'calibrations' })
class CalibrationTable implements ValidatorConstraintInterface {
  private wrong(value: unknown): string | null {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'The calibrations must be a table.';
    for (const [unit, repeats] of Object.entries(value as Record<string, unknown>)) {
      if (!BODY_UNITS.includes(unit as BodyUnit))
        return `“${unit}” is not a body unit; those are ${BODY_UNITS.join(', ')}.`;
      const { name, min, max } = UNITS_OF_BODY[unit as BodyUnit];
      if (!Array.isArray(repeats) || repeats.length > MOST_REPEATS)
        return `The repeats of ${name} must be a list of at most ${MOST_REPEATS}.`;
      for (const [i, r] of repeats.entries()) {
        const { taped, count } = (typeof r === 'object' && r !== null ? r : {}) as { taped?: unknown; count?: unknown };
        if (typeof taped !== 'number' || typeof count !== 'number' || !(taped > 0 && count > 0 && taped <= 500))
          return `Repeat ${i + 1} of ${name} must have a taped length and a count above zero.`;
        if (!(taped / count >= min && taped / count <= max))
          return `Repeat ${i + 1} makes one ${name} ${(taped / count).toFixed(2)} m; it can be from ${min} to ${max} m. Check the count.`;
      }
    }
    return null;
  }
  validate(value: unknown): boolean {
    return this.wrong(value) === null;
  }
  defaultMessage(args?: ValidationArguments): string {
    return this.wrong(args?.value) ?? '';
  }
}

export class PersonDto {
  @Words('name', 1, 60) name: string;
  @ApiProperty({ type: BodyDto }) @IsDefined() @IsObject() @ValidateNested() @Type(() => BodyDto) body: BodyDto;
  @ApiProperty({ type: UnitsDto }) @IsDefined() @IsObject() @ValidateNested() @Type(() => UnitsDto) units: UnitsDto;
  @ApiProperty({ type: Object }) @IsObject() @Validate(RequiredTable) required: Required;
  @ApiProperty({ type: Object }) @IsObject() @Validate(CalibrationTable) calibrations: Calibrations;
  @ApiProperty() @IsInt() @Min(1) version: number;
}
