import { HttpException, HttpStatus } from '@nestjs/common';
import { ApiProperty } from '@nestjs/swagger';

/** One field that cannot be as it is. */
export class FieldProblem {
  @ApiProperty({ description: 'Path of the field, as in document.hung.1.at' })
  field: string;

  @ApiProperty({ description: 'What is wrong and what is allowed' })
  message: string;
}

/** The one shape of every error. */
export class Problem {
  @ApiProperty({
    enum: ['invalid', 'conflict', 'not-found', 'forbidden', 'too-large', 'unavailable', 'busy', 'failed'],
  })
  code: 'invalid' | 'conflict' | 'not-found' | 'forbidden' | 'too-large' | 'unavailable' | 'busy' | 'failed';

  @ApiProperty({ description: 'A sentence for a person' })
  message: string;

  @ApiProperty({ type: [FieldProblem] })
  fields: FieldProblem[];

  @ApiProperty({ required: false, description: 'With a conflict: what is stored now' })
  current?: unknown;
}

const STATUS: Readonly<Record<Problem['code'], HttpStatus>> = {
  invalid: HttpStatus.UNPROCESSABLE_ENTITY,
  conflict: HttpStatus.CONFLICT,
  'not-found': HttpStatus.NOT_FOUND,
  forbidden: HttpStatus.FORBIDDEN,
  'too-large': HttpStatus.PAYLOAD_TOO_LARGE,
  unavailable: HttpStatus.BAD_GATEWAY,
  busy: HttpStatus.TOO_MANY_REQUESTS,
  failed: HttpStatus.INTERNAL_SERVER_ERROR,
};

/** An error that says what is wrong, with what, and what to do. */
export class ProblemException extends HttpException {
  constructor(problem: Omit<Problem, 'fields'> & { fields?: FieldProblem[] }) {
    super({ ...problem, fields: problem.fields ?? [] }, STATUS[problem.code]);
  }
}

export function notFound(what: string): ProblemException {
  return new ProblemException({
    code: 'not-found',
    message: `There is no ${what}. It may have been deleted; go back to the camp.`,
  });
}
