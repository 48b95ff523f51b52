import { createParamDecorator } from '@nestjs/common';
import type { ExecutionContext } from '@nestjs/common';
import { isUUID } from 'class-validator';
import type { Request } from 'express';
import { ProblemException } from '../errors/problem.js';

/**
 * The id that whoever asks for something new has given it, in the header `Idempotency-Key`: asked for again under the same, it is
 * made once. Undefined where none is given. @throws ProblemException where it is no UUID
 */
export const MadeAs = createParamDecorator((_: unknown, context: ExecutionContext): string | undefined => {
  const key = context.switchToHttp().getRequest<Request>().header('idempotency-key');
  if (key === undefined || isUUID(key)) return key;
  throw new ProblemException({ code: 'invalid', message: 'The header Idempotency-Key takes a UUID.' });
});
