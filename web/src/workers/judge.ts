import type { RigReport } from '@rough-bight/core/shelter';
import type { Advice } from '@rough-bight/core/sizing';
import { Telling } from '../data/source.js';
import type { Answer } from './answer.js';
import { Newest } from './newest.js';
import type { Run } from './newest.js';
import type { RigQuestion, RigService } from './rig.worker.js';
import { Kept, failure } from './thread.js';

export const newRigWorker = (): Worker => new Worker(new URL('./rig.worker.ts', import.meta.url), { type: 'module' });
/** The worker that answers while the hand moves. */
const quick = new Kept<RigService>(newRigWorker);
/** The worker that judges in full when the hand rests: stopped where the rig has changed meanwhile, so that no hand waits for it. */
const thorough = new Kept<RigService>(newRigWorker);

/** A rig as it is at this moment, and what is known of it. */
export interface JudgedRig {
  readonly question: RigQuestion;
  /** Whether a hand moves it. */
  readonly moving: boolean;
  /** The last rig that could be judged, even while a newer one cannot. */
  readonly report: RigReport | null;
  /** Why the newest cannot be: nothing of the older report is true of it then. */
  readonly problem: { readonly field: string; readonly message: string } | null;
  /** What would help a line that has no roof. */
  readonly advice: readonly Advice[];
}

/**
 * A rig judged as it changes: quickly while the hand moves, in full and with advice when it rests. Whoever follows it reads it
 * at a pace of their own.
 */
export class Judge extends Telling<JudgedRig> {
  private readonly newest = new Newest<RigQuestion>(
    (question, run) => this.work(question, run),
    (error) => this.show({ problem: failure(error, 'Undo the last change.') }),
  );

  constructor(question: RigQuestion) {
    super({ question, moving: false, report: null, problem: null, advice: [] });
  }

  ask(question: RigQuestion, moving: boolean): void {
    const before = this.read();
    if (question !== before.question || moving !== before.moving) this.show({ question, moving });
    this.newest.ask(question);
  }

  private async work(question: RigQuestion, run: Run): Promise<void> {
    const { moving } = this.read();
    const fast = (await quick.service.judge(question, false, moving)) as Answer<RigReport>;
    this.show(found(fast));
    if (moving || run.stale() || !fast.ok) return;
    const full = await run.unlessNewer(thorough.service.judge(question, true) as Promise<Answer<RigReport>>);
    if (full === null) thorough.stop();
    if (full === null || run.stale()) return;
    this.show(found(full));
    const advice = question.rig.pitch === undefined ? await quick.service.advise(question) : null;
    if (!run.stale()) this.show({ advice: advice?.ok === true ? advice.value : [] });
  }
}

const found = (answer: Answer<RigReport>): Partial<JudgedRig> =>
  answer.ok ? { report: answer.value, problem: null } : { problem: answer, advice: [] };
