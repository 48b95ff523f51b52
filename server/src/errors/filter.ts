import { Catch, HttpException, Logger } from '@nestjs/common';
import type { ArgumentsHost, ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import type { Problem } from './problem.js';
import { ProblemException } from './problem.js';

/** Turns everything thrown into the one documented shape; nothing of the inside leaks out. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('problem');

  catch(thrown: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    if (response.headersSent) return;
    const [status, problem] = this.describe(thrown);
    response.status(status).json(problem);
  }

  private describe(thrown: unknown): [number, Problem] {
    if (thrown instanceof ProblemException) return [thrown.getStatus(), thrown.getResponse() as Problem];
    const status =
      thrown instanceof HttpException ? thrown.getStatus() : ((thrown as { status?: unknown } | null)?.status ?? 500);
    if (status === 413)
      return [
        413,
        { code: 'too-large', message: 'That is more than can be taken. Send less than 200 kB.', fields: [] },
      ];
    if (status === 404) return [404, { code: 'not-found', message: 'There is nothing at this address.', fields: [] }];
    if (status === 503 && thrown instanceof HttpException)
      return [503, { code: 'failed', message: 'Not ready: the database does not answer.', fields: [] }];
    if (typeof status === 'number' && status >= 400 && status < 500)
      return [
        status,
        { code: 'invalid', message: 'That request could not be read: it is not well-formed JSON.', fields: [] },
      ];
    this.logger.error(thrown);
    return [500, { code: 'failed', message: 'Something failed here. Nothing was changed; try again.', fields: [] }];
  }
}
