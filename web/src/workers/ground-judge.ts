import type { Place } from '@rough-bight/core/ground';
import type {
  Explained,
  FileAnswer,
  FileKind,
  GroundJudgement,
  GroundQuestion,
  GroundService,
} from './ground.worker.js';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { Telling } from '../data/source.js';
import { Newest } from './newest.js';
import { Kept, failure } from './thread.js';

const thread = new Kept<GroundService>(
  () => new Worker(new URL('./ground.worker.ts', import.meta.url), { type: 'module' }),
);

/** What is known of a place. */
export interface JudgedGround {
  /** Whether a hand moves something of it. */
  readonly moving: boolean;
  /** The last that could be judged, even while a newer one cannot. */
  readonly judgement: GroundJudgement | null;
  readonly problem: { readonly field: string; readonly message: string } | null;
  /** The span that is open. */
  readonly explained: Explained | null;
}

interface Asked {
  readonly question: GroundQuestion;
  readonly moving: boolean;
  readonly span: string | null;
}

/** Judges the newest place, never queueing, and explains the span that is open. Measures wait until the hand rests. */
export class GroundJudge extends Telling<JudgedGround> {
  private readonly newest = new Newest<Asked>(
    (asked) => this.work(asked),
    (error) => this.show({ problem: failure(error, 'Undo the last change.') }),
  );

  constructor() {
    super({ moving: false, judgement: null, problem: null, explained: null });
  }

  ask(question: GroundQuestion, moving: boolean, span: string | null): void {
    if (moving !== this.read().moving) this.show({ moving });
    this.newest.ask({ question, moving, span });
  }

  private async work({ question, moving, span }: Asked): Promise<void> {
    const { service } = thread;
    const answer = await service.judge(question, moving);
    const explained = answer.ok && span !== null ? await service.explain(span) : null;
    this.show(answer.ok ? { judgement: answer.value, problem: null, explained } : { problem: answer, explained: null });
  }
}

/** Reads a file in the worker, so that a large one does not hold up the page. */
export function takeFile(kind: FileKind, text: string, place: Place, units: UnitChoice): Promise<FileAnswer> {
  return thread.service.take(kind, text, place, units);
}
