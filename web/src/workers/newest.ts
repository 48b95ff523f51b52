/** One question being worked on. */
export interface Run {
  /** Whether a newer one waits: what is found from here on is of no use. */
  readonly stale: () => boolean;
  /** What a promise gives; null as soon as a newer question waits. */
  readonly unlessNewer: <T>(work: Promise<T>) => Promise<T | null>;
}

const nothing = (): void => undefined;

/**
 * Works on the newest question and never queues: while one is worked on, only the newest of those that follow waits.
 * One for every worker that follows what a person does.
 */
export class Newest<Q> {
  private waiting: { readonly question: Q } | null = null;
  private busy = false;
  private newer = nothing;

  /** @param failed told of work that threw; the next question is worked on all the same */
  constructor(
    private readonly work: (question: Q, run: Run) => Promise<void>,
    private readonly failed: (error: unknown) => void,
  ) {}

  ask(question: Q): void {
    this.waiting = { question };
    this.newer();
    if (!this.busy) void this.run();
  }

  private async run(): Promise<void> {
    this.busy = true;
    const run: Run = {
      stale: () => this.waiting !== null,
      unlessNewer: async <T>(work: Promise<T>): Promise<T | null> => {
        try {
          return await Promise.race([work, new Promise<null>((stopped) => (this.newer = () => stopped(null)))]);
        } finally {
          this.newer = nothing;
        }
      },
    };
    while (this.waiting !== null) {
      const { question } = this.waiting;
      this.waiting = null;
      try {
        await this.work(question, run);
      } catch (error) {
        this.failed(error);
      }
    }
    this.busy = false;
  }
}

/** Questions answered one after another in the order they were asked; one that is taken back is skipped. */
export class InTurn<Q, A> {
  private readonly asked: { readonly question: Q; readonly done: (answer: A) => void }[] = [];

  /** @param stop what ends the question being worked on, when it is taken back */
  constructor(
    private readonly work: (question: Q) => Promise<A>,
    private readonly stop: () => void,
  ) {}

  /** Asks; returns what takes the question back. */
  ask(question: Q, done: (answer: A) => void): () => void {
    const own = { question, done };
    this.asked.push(own);
    if (this.asked[0] === own) this.next();
    return () => {
      const at = this.asked.indexOf(own);
      if (at < 0) return;
      this.asked.splice(at, 1);
      if (at > 0) return;
      this.stop();
      this.next();
    };
  }

  private next(): void {
    const own = this.asked[0];
    if (own === undefined) return;
    void this.work(own.question).then((answer) => {
      if (this.asked[0] !== own) return;
      own.done(answer);
      this.asked.shift();
      this.next();
    });
  }
}
