import { ValidationPipe } from '@nestjs/common';
import type { ValidationError } from 'class-validator';
import type { FieldProblem } from './problem.js';
import { ProblemException } from './problem.js';

function flatten(errors: readonly ValidationError[], path: string): FieldProblem[] {
  return errors.flatMap((e) => {
    const field = path === '' ? e.property : `${path}.${e.property}`;
    const own = Object.entries(e.constraints ?? {}).map(([rule, message]) => ({
      field,
      message: rule === 'whitelistValidation' ? `${e.property} is not a field of this. Leave it out.` : message,
    }));
    return [...own.slice(0, 1), ...flatten(e.children ?? [], field)];
  });
}

/** Checks every field of every body, and names each that does not fit. */
export const validation = new ValidationPipe({
  transform: true,
  whitelist: true,
  forbidNonWhitelisted: true,
  forbidUnknownValues: true,
  stopAtFirstError: true,
  exceptionFactory: (errors) => {
    const fields = flatten(errors, '');
    return new ProblemException({
      code: 'invalid',
      message: fields[0]?.message ?? 'Something in this does not fit.',
      fields,
    });
  },
});
