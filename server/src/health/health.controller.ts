import { Controller, Get, Inject } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { HealthCheck, HealthCheckService } from '@nestjs/terminus';
import type { HealthCheckResult } from '@nestjs/terminus';
import { sql } from 'drizzle-orm';
import type { Store } from '../db/database.js';
import { STORE } from '../db/database.js';

@ApiTags('health')
@Controller('api/health')
export class HealthController {
  constructor(
    @Inject(HealthCheckService) private readonly health: HealthCheckService,
    @Inject(STORE) private readonly store: Store,
  ) {}

  @Get()
  @HealthCheck()
  check(): Promise<HealthCheckResult> {
    return this.health.check([
      async () => {
        await this.store.db.execute(sql`select 1`);
        return { database: { status: 'up', kind: this.store.kind } };
      },
    ]);
  }
}
