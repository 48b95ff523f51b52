import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put } from '@nestjs/common';
import { ApiConflictResponse, ApiNoContentResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import { Problem } from '../errors/problem.js';
import { NewPersonDto, PersonDto } from './person.dto.js';
import { PersonService } from './person.service.js';
import type { PersonRow } from './person.service.js';

/** Those who measure and tie here, each with their own body, units and margins. */
@ApiTags('people')
@ApiUnprocessableEntityResponse({ type: Problem })
@Controller('api/people')
export class PersonController {
  constructor(@Inject(PersonService) private readonly people: PersonService) {}

  @Get()
  all(): Promise<PersonRow[]> {
    return this.people.all();
  }

  @Post()
  add(@Body() body: NewPersonDto): Promise<PersonRow> {
    return this.people.add(body);
  }

  @Get(':id')
  one(@Param('id') id: string): Promise<PersonRow> {
    return this.people.one(id);
  }

  @Put(':id')
  @ApiConflictResponse({ type: Problem, description: 'Changed since: `current` holds what is stored' })
  change(@Param('id') id: string, @Body() body: PersonDto): Promise<PersonRow> {
    return this.people.change(id, body);
  }

  /** What they measured keeps the pace they had. */
  @Delete(':id')
  @HttpCode(204)
  @ApiNoContentResponse()
  @ApiConflictResponse({ type: Problem, description: 'The last one' })
  remove(@Param('id') id: string): Promise<void> {
    return this.people.remove(id);
  }

  @Post(':id/back')
  putBack(@Param('id') id: string): Promise<PersonRow> {
    return this.people.putBack(id);
  }
}
