import { ValidationPipe } from '@nestjs/common';
import { fieldsOf } from './body.js';
import { ProblemException } from './problem.js';

/** Checks every field of every body, and names each that does not fit. */
export const validation = new ValidationPipe({
  transform: true,
  whitelist: true,
  forbidNonWhitelisted: true,
  forbidUnknownValues: true,
  stopAtFirstError: true,
  validationError: { target: true, value: true },
  exceptionFactory: (errors) => {
    const fields = errors.flatMap(fieldsOf);
    return new ProblemException({
      code: 'invalid',
      message: fields[0]?.message ?? 'Something in this does not fit.',
      fields,
    });
  },
});
