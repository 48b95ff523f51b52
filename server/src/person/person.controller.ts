import { Body, Controller, Get, Inject, Put } from '@nestjs/common';
import { ApiConflictResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import { Problem } from '../errors/problem.js';
import { PersonDto } from './person.dto.js';
import { PersonService } from './person.service.js';
import type { PersonRow } from './person.service.js';

@ApiTags('me')
@Controller('api/me')
export class PersonController {
  constructor(@Inject(PersonService) private readonly people: PersonService) {}

  @Get()
  me(): Promise<PersonRow> {
    return this.people.me();
  }

  @Put()
  @ApiConflictResponse({ type: Problem })
  @ApiUnprocessableEntityResponse({ type: Problem })
  change(@Body() body: PersonDto): Promise<PersonRow> {
    return this.people.change(body);
  }
}
