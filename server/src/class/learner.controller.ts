import { Body, Controller, Get, Header, HttpCode, Inject, Param, Post, Req, Res, Sse, UseGuards } from '@nestjs/common';
import type { CanActivate, ExecutionContext, MessageEvent } from '@nestjs/common';
import { Injectable } from '@nestjs/common';
import type { LearnerView } from '@rough-bight/core/teach';
import type { Request, Response } from 'express';
import { Observable, concat, interval, last, map, merge, of, startWith, takeUntil } from 'rxjs';
import { ProblemException, notFound } from '../errors/problem.js';
import { JoinDto, LiveGuessDto } from './class.dto.js';
import { BEAT, Room } from './room.js';
import type { Session } from './sessions.js';

const COOKIE = 'rb_class';
/** s: a long evening. */
const LASTS = 12 * 3600;

const tokenOf = (request: Request): string | undefined =>
  (request.headers.cookie ?? '')
    .split(';')
    .map((c) => c.trim().split('='))
    .find(([name]) => name === COOKIE)?.[1];

type Known = Request & { session?: Session };

/** Lets in whoever came in, and not more often than a hand asks. */
@Injectable()
class LearnersOnly implements CanActivate {
  constructor(@Inject(Room) private readonly room: Room) {}

  canActivate(context: ExecutionContext): boolean {
    const request = context.switchToHttp().getRequest<Known>();
    const session = this.room.sessions.of(tokenOf(request));
    if (session?.role !== 'learner')
      throw new ProblemException({ code: 'forbidden', message: 'Come in first: code, passphrase and your name.' });
    const wait = this.room.rate.wait(session.learner);
    if (wait > 0) throw new ProblemException({ code: 'busy', message: `That is too fast. Wait ${wait} s.` });
    this.room.rate.count(session.learner);
    request.session = session;
    return true;
  }
}

/** What a learner's phone may ask. Nothing else is served where it is served. */
@Controller('api/join')
export class LearnerController {
  constructor(@Inject(Room) private readonly room: Room) {}

  @Post()
  @HttpCode(200)
  async join(
    @Body() given: JoinDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<LearnerView> {
    const token = await this.room.join(given, request.socket.remoteAddress ?? '');
    response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: 1000 * LASTS });
    return this.room.forLearner(this.room.sessions.of(token)!);
  }

  @Get('state')
  @UseGuards(LearnersOnly)
  state(@Req() { session }: Known): LearnerView {
    return this.room.forLearner(session!);
  }

  @Sse('events')
  @UseGuards(LearnersOnly)
  events(@Req() { session }: Known): Observable<MessageEvent> {
    const { room } = this;
    const told = concat(
      room.forLearners.pipe(
        startWith(undefined),
        map((): MessageEvent => ({ data: room.forLearner(session!) })),
      ),
      of<MessageEvent>({ type: 'over', data: 'over' }),
    );
    const beats = interval(BEAT).pipe(
      map((): MessageEvent => ({ type: 'beat', data: '' })),
      takeUntil(room.forLearners.pipe(last(null, undefined))),
    );
    return new Observable((to) => {
      room.listens(session!, 1);
      const heard = merge(told, beats).subscribe(to);
      return () => {
        heard.unsubscribe();
        room.listens(session!, -1);
      };
    });
  }

  @Post('guess')
  @HttpCode(200)
  @UseGuards(LearnersOnly)
  guess(@Req() { session }: Known, @Body() guess: LiveGuessDto): LearnerView {
    this.room.guess(session!, guess);
    return this.room.forLearner(session!);
  }

  @Post('leave')
  @HttpCode(200)
  @UseGuards(LearnersOnly)
  leave(@Req() request: Known, @Res({ passthrough: true }) response: Response): { readonly out: true } {
    this.room.leave(request.session!);
    this.room.sessions.close(tokenOf(request)!);
    response.clearCookie(COOKIE, { httpOnly: true, sameSite: 'strict', path: '/' });
    return { out: true };
  }

  /** A card is a page of its own, without a script. */
  @Get('rigs/:id')
  @UseGuards(LearnersOnly)
  @Header('Content-Type', 'text/html; charset=utf-8')
  @Header(
    'Content-Security-Policy',
    "default-src 'none'; style-src 'unsafe-inline'; img-src data:; frame-ancestors 'none'; sandbox",
  )
  rig(@Param('id') id: string): string {
    const html = this.room.card(id);
    if (html === null) throw notFound('shared rig of that name');
    return html;
  }
}
