import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import type { Answer } from './answer.js';

/** A worker and what it can be asked. */
export interface Thread<S> {
  readonly service: Remote<S>;
  readonly stop: () => void;
}

/** How a worker of some sort is started. */
export type Starts = () => Worker;

export function startThread<S>(starts: Starts): Thread<S> {
  const worker = starts();
  return { service: wrap<S>(worker), stop: () => worker.terminate() };
}

/** A worker that is started when it is first asked and kept; stopped, it is started anew when it is asked again. */
export class Kept<S> {
  private thread: Thread<S> | undefined;
  constructor(private readonly starts: Starts) {}

  get service(): Remote<S> {
    this.thread ??= startThread<S>(this.starts);
    return this.thread.service;
  }

  stop(): void {
    this.thread?.stop();
    this.thread = undefined;
  }
}

/** What is said where a computation itself fails. */
export const failure = (error: unknown, after: string): { ok: false; field: string; message: string } => ({
  ok: false,
  field: '',
  message: `The computation failed: ${String(error)}. ${after}`,
});

/** Long work in a worker of its own; returns what cancels it. */
export function inOwnThread<S, T>(
  starts: Starts,
  work: (service: Remote<S>) => Promise<Answer<T>>,
  done: (answer: Answer<T>) => void,
): () => void {
  const thread = startThread<S>(starts);
  let open = true;
  const stop = (): void => {
    open = false;
    thread.stop();
  };
  void work(thread.service)
    .catch((error: unknown): Answer<T> => failure(error, 'Nothing was changed.'))
    .then((answer) => {
      if (open) done(answer);
      stop();
    });
  return stop;
}
