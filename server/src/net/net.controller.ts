import { Body, Controller, HttpCode, Inject, Post, Res } from '@nestjs/common';
import { ApiBody, ApiOperation, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { NetResult } from '@rough-bight/core/net';
import type { Response } from 'express';
import { Problem } from '../errors/problem.js';
import { NetService } from './net.service.js';

@ApiTags('nets')
@Controller('api/nets')
export class NetController {
  constructor(@Inject(NetService) private readonly nets: NetService) {}

  @Post('solve')
  @HttpCode(200)
  @ApiOperation({ summary: 'Equilibrium of a net; see docs/formats/net.md. Closing the request stops the work.' })
  @ApiBody({ description: 'A net, rough-bight/net@1, up to 200 kB', schema: { type: 'object' } })
  @ApiUnprocessableEntityResponse({ type: Problem, description: 'Names the id and the field that cannot be used' })
  solve(@Body() net: object, @Res({ passthrough: true }) response: Response): Promise<NetResult> {
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    return this.nets.solve(net, gone.signal);
  }
}
