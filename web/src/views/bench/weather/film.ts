import { FRAMES, peaksOf, shapeAt } from '@rough-bight/core/gusting';
import type { GustAsked, GustAudit, GustFrames, GustHead, GustPeak } from '@rough-bight/core/gusting';
import type { PitchShape } from '@rough-bight/core/pitch';
import { Telling } from '../../../data/source.js';
import type { RigQuestion } from '../../../workers/rig.worker.js';
import { startGusts } from '../../../workers/use-gusts.js';

export interface Filmed {
  /** Null until it has begun. */
  readonly head: GustHead | null;
  /** Frames there are so far. */
  readonly got: number;
  /** The account of energy, once it has ended. */
  readonly audit: GustAudit | null;
  readonly lost: boolean;
  /** Why there is none, or no more of it. */
  readonly problem: string | null;
}

const NOTHING: Filmed = { head: null, got: 0, audit: null, lost: false, problem: null };

/** A minute of gusts over a rig, frame by frame as they come, kept as long as it is looked at. */
export class Film extends Telling<Filmed> {
  private static made = 0;
  /** Tells it from every other. */
  readonly id = Film.made++;
  private chunks: GustFrames[] = [];

  constructor(
    private readonly question: RigQuestion,
    private readonly asked: GustAsked,
    private readonly starts: typeof startGusts = startGusts,
  ) {
    super(NOTHING);
  }

  /** Begins it; returns what stops it. */
  readonly start = (): (() => void) => {
    this.chunks = [];
    this.show(NOTHING);
    return this.starts(
      this.question,
      this.asked,
      {
        begun: (head) => this.show({ head }),
        more: (frames) => {
          this.chunks.push(frames);
          this.show({ got: frames.first + frames.count });
        },
      },
      (answer) => this.show(answer.ok ? answer.value : { problem: answer.message }),
    );
  };

  /** The frame nearest to a time that there is; null before the first. @param time s */
  shapeAt(time: number): { readonly shape: PitchShape; readonly speed: number; readonly frame: number } | null {
    const { head, got } = this.read();
    if (head === null || got === 0) return null;
    const frame = Math.min(got - 1, Math.max(0, Math.floor(time * FRAMES)));
    const chunk = this.chunks.findLast((c) => c.first <= frame)!;
    const k = Math.min(chunk.count - 1, frame - chunk.first);
    return { shape: shapeAt(head, chunk, k), speed: chunk.speed[k]!, frame };
  }

  /** Largest pull of every line so far. */
  peaks(): readonly GustPeak[] {
    const { head } = this.read();
    return head === null ? [] : peaksOf(head, this.chunks);
  }

  /** Wind and a line's pull against time, the largest of every tenth of a second. @param line of the net; null for the wind */
  trace(line: number | null): [time: number, value: number][] {
    const { head } = this.read();
    const out: [number, number][] = [];
    if (head === null) return out;
    let most = 0;
    for (const c of this.chunks)
      for (let k = 0; k < c.count; k++) {
        most = Math.max(most, line === null ? c.speed[k]! : c.tension[k * head.netLines + line]!);
        const frame = c.first + k;
        if (frame % TENTH !== TENTH - 1) continue;
        out.push([frame / FRAMES, most]);
        most = 0;
      }
    return out;
  }
}
const TENTH = FRAMES / 10;
