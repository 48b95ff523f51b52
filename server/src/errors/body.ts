import { ApiProperty } from '@nestjs/swagger';
import { misfits, openApiOf } from '@rough-bight/core/document';
import type { Described, Part } from '@rough-bight/core/document';
import type { ValidationError } from 'class-validator';
import { ValidateBy } from 'class-validator';
import type { FieldProblem } from './problem.js';

/** The description of each field of a body's class, by the field's name. */
const described = new WeakMap<object, Part['shape']>();

/**
 * A body's class for class-validator, made from a description of the core: each field is checked by what the description says of it,
 * and the API's page shows the same.
 */
export function bodyOf<P extends Part>(description: P): new () => Described<P> {
  class Body {}
  described.set(Body.prototype, description.shape);
  for (const [name, field] of Object.entries(description.shape)) {
    const check = ValidateBy({
      name: 'described',
      validator: {
        validate: (value) => misfits(field, value).length === 0,
        defaultMessage: (args) => misfits(field, args!.value)[0]!.message,
      },
    });
    check(Body.prototype, name);
    ApiProperty({ ...openApiOf(field), required: !field.isOptional() })(Body.prototype, name);
  }
  return Body as unknown as new () => Described<P>;
}

function shapeOf(target: object): Part['shape'] | undefined {
  for (
    let p: unknown = Object.getPrototypeOf(target);
    typeof p === 'object' && p !== null;
    p = Object.getPrototypeOf(p)
  ) {
    const shape = described.get(p);
    if (shape !== undefined) return shape;
  }
  return undefined;
}

/** What is wrong inside a described field, each with its whole path. */
export function fieldsOf({ target, property, value, constraints = {} }: ValidationError): FieldProblem[] {
  const field = target === undefined ? undefined : shapeOf(target)?.[property];
  if (field === undefined || !('described' in constraints)) {
    const [rule, message] = Object.entries(constraints)[0] ?? ['', ''];
    return [
      {
        field: property,
        message: rule === 'whitelistValidation' ? `${property} is not a field of this. Leave it out.` : message,
      },
    ];
  }
  return misfits(field, value as unknown).map((p) => ({
    field: p.field === '' ? property : `${property}.${p.field}`,
    message: p.message,
  }));
}
