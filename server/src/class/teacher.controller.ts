import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Sse } from '@nestjs/common';
import type { MessageEvent } from '@nestjs/common';
import { ApiConflictResponse, ApiNotFoundResponse, ApiTags, ApiUnprocessableEntityResponse } from '@nestjs/swagger';
import type { LiveDrill, RoomView } from '@rough-bight/core/teach';
import type { Observable } from 'rxjs';
import { EMPTY, interval, last, map, merge, startWith, takeUntil } from 'rxjs';
import { Problem, ProblemException } from '../errors/problem.js';
import { LiveDrillDto, SharedRigDto } from './class.dto.js';
import type { Classroom } from './classroom.js';
import { CLASSROOM } from './classroom.js';
import { BEAT } from './room.js';
import type { Room } from './room.js';

/** A class that answers together, for whoever teaches: on this machine alone. */
@ApiTags('class')
@ApiUnprocessableEntityResponse({ type: Problem })
@Controller('api/class')
export class TeacherController {
  constructor(@Inject(CLASSROOM) private readonly classroom: Classroom) {}

  private room(): Room {
    const { room } = this.classroom;
    if (room === null)
      throw new ProblemException({
        code: 'not-found',
        message: 'No class is open. Stop Rough Bight and start it with: npm start -- --class',
      });
    return room;
  }

  /** How it stands; off where none was asked for. */
  @Get()
  state(): RoomView | { readonly on: false } {
    return this.classroom.room?.view() ?? { on: false };
  }

  @Sse('events')
  events(): Observable<MessageEvent> {
    const { room } = this.classroom;
    if (room === null) return EMPTY;
    const told = room.forTeacher.pipe(startWith(undefined));
    return merge(
      told.pipe(map((): MessageEvent => ({ data: room.view() }))),
      interval(BEAT).pipe(
        map((): MessageEvent => ({ type: 'beat', data: '' })),
        takeUntil(room.forTeacher.pipe(last(null, undefined))),
      ),
    );
  }

  /** Says whose class it is. */
  @Post('of/:campId')
  @HttpCode(200)
  @ApiNotFoundResponse({ type: Problem })
  async of(@Param('campId') campId: string): Promise<RoomView> {
    const room = this.room();
    await room.of(campId);
    return room.view();
  }

  /** Asks a drill; what was asked before is over. */
  @Post('ask')
  @HttpCode(200)
  @ApiNotFoundResponse({ type: Problem })
  async ask(@Body() { drill }: LiveDrillDto): Promise<RoomView> {
    const room = this.room();
    await room.ask(drill as unknown as LiveDrill);
    return room.view();
  }

  /** Shows what is true. */
  @Post('show')
  @HttpCode(200)
  @ApiConflictResponse({ type: Problem })
  async show(): Promise<RoomView> {
    const room = this.room();
    await room.show();
    return room.view();
  }

  @Post('rigs')
  @HttpCode(200)
  share(@Body() rig: SharedRigDto): RoomView {
    const room = this.room();
    room.share(rig);
    return room.view();
  }

  @Delete('rigs/:id')
  unshare(@Param('id') id: string): RoomView {
    const room = this.room();
    room.unshare(id);
    return room.view();
  }

  /** Closes it: everybody is out, and its address no longer answers. */
  @Post('close')
  @HttpCode(200)
  async close(): Promise<{ readonly on: false }> {
    this.room();
    await this.classroom.close();
    return { on: false };
  }
}
