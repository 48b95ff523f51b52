import { applyDecorators } from '@nestjs/common';
import { ApiProperty } from '@nestjs/swagger';
import type { Limit } from '@rough-bight/core/rig';
import { IsInt, IsNumber, IsString, Matches, Max, MaxLength, Min, MinLength } from 'class-validator';

const UNIT: Partial<Record<Limit['quantity'], string>> = {
  length: ' m',
  force: ' N',
  mass: ' kg',
  area: ' m²',
  share: ' (as a share)',
  stress: ' Pa',
};

/** A finite number within a limit of the core, in SI. */
export function Within(limit: Limit): PropertyDecorator {
  const message = `The ${limit.name} must be a number from ${limit.min} to ${limit.max}${UNIT[limit.quantity] ?? ''}.`;
  return applyDecorators(
    ApiProperty({ minimum: limit.min, maximum: limit.max, description: `${limit.name}${UNIT[limit.quantity] ?? ''}` }),
    IsNumber({ allowNaN: false, allowInfinity: false }, { message }),
    Min(limit.min, { message }),
    Max(limit.max, { message }),
  );
}

/** The same, whole. */
export function WholeWithin(limit: Limit): PropertyDecorator {
  return applyDecorators(
    Within(limit),
    IsInt({ message: `The ${limit.name} must be a whole number from ${limit.min} to ${limit.max}.` }),
  );
}

/** A name or note that a person reads: no control characters. */
export function Words(what: string, least: number, most: number): PropertyDecorator {
  return applyDecorators(
    ApiProperty({ minLength: least, maxLength: most }),
    IsString({ message: `The ${what} must be text.` }),
    MinLength(least, { message: `The ${what} cannot be empty.` }),
    MaxLength(most, { message: `The ${what} can be ${most} characters at most.` }),
    Matches(/^[^\p{Cc}]*$/u, { message: `The ${what} cannot hold control characters.` }),
  );
}
