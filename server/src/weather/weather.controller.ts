import { Controller, Get, Inject, Query } from '@nestjs/common';
import { ApiProperty, ApiTags } from '@nestjs/swagger';
import type { Forecast, WeatherReading, WeatherStation } from '@rough-bight/core/weather';
import { Type } from 'class-transformer';
import { IsInt, IsOptional, Max, Min } from 'class-validator';
import { ProblemException } from '../errors/problem.js';

/** Injection tokens: a real station or service is put in their place without touching anything else. */
export const STATION = Symbol('station');
export const FORECAST = Symbol('forecast');

const MESSAGE = 'The forecast reaches 1 to 72 whole hours ahead.';
class AheadDto {
  @ApiProperty({ required: false, minimum: 1, maximum: 72 })
  @IsOptional()
  @Type(() => Number)
  @IsInt({ message: MESSAGE })
  @Min(1, { message: MESSAGE })
  @Max(72, { message: MESSAGE })
  hours?: number;
}

@ApiTags('weather')
@Controller('api/weather')
export class WeatherController {
  constructor(
    @Inject(STATION) private readonly station: WeatherStation,
    @Inject(FORECAST) private readonly forecast: Forecast,
  ) {}

  /** The newest reading of the station, and whether it is a stand-in. */
  @Get('now')
  async now(): Promise<{ name: string; simulated: boolean; reading: WeatherReading }> {
    const { name, simulated } = this.station;
    return { name, simulated, reading: await this.heard(name, () => this.station.now()) };
  }

  /** Hour by hour from now, 48 hours unless asked otherwise. */
  @Get('ahead')
  async ahead(
    @Query() query: AheadDto,
  ): Promise<{ name: string; simulated: boolean; readings: readonly WeatherReading[] }> {
    const { name, simulated } = this.forecast;
    return { name, simulated, readings: await this.heard(name, () => this.forecast.ahead(query.hours ?? 48)) };
  }

  private async heard<T>(name: string, ask: () => Promise<T>): Promise<T> {
    try {
      return await ask();
    } catch (error) {
      throw new ProblemException({
        code: 'unavailable',
        message: `${name} does not answer (${(error as Error).message}). Judge the wind by its signs.`,
      });
    }
  }
}
