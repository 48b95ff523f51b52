import { useEffect, useState } from 'react';
import type { Place } from '@rough-bight/core/ground';
import type {
  Explained,
  FileAnswer,
  FileKind,
  GroundJudgement,
  GroundQuestion,
  GroundService,
} from './ground.worker.js';
import { Newest } from './newest.js';
import { Kept, failure } from './thread.js';

const thread = new Kept<GroundService>(
  () => new Worker(new URL('./ground.worker.ts', import.meta.url), { type: 'module' }),
);

export interface GroundState {
  /** The last that could be judged, even while a newer one cannot. */
  readonly judgement: GroundJudgement | null;
  readonly problem: { readonly field: string; readonly message: string } | null;
  readonly explained: Explained | null;
}

/** Judges the newest place, never queueing, and explains the span that is open. Measures wait until the hand rests. */
export function useGround(question: GroundQuestion | null, moving: boolean, span: string | null): GroundState {
  const [state, setState] = useState<GroundState>({ judgement: null, problem: null, explained: null });
  const [newest] = useState(
    () =>
      new Newest<{ readonly question: GroundQuestion; readonly moving: boolean; readonly span: string | null }>(
        async (asked) => {
          const { service } = thread;
          const answer = await service.judge(asked.question, asked.moving);
          const explained = answer.ok && asked.span !== null ? await service.explain(asked.span) : null;
          setState((before) =>
            answer.ok
              ? { judgement: answer.value, problem: null, explained }
              : { ...before, problem: answer, explained: null },
          );
        },
        (error) => setState((before) => ({ ...before, problem: failure(error, 'Undo the last change.') })),
      ),
  );
  useEffect(() => {
    if (question !== null) newest.ask({ question, moving, span });
  }, [newest, question, moving, span]);
  return state;
}

/** Reads a file in the worker, so that a large one does not hold up the page. */
export function takeFile(kind: FileKind, text: string, place: Place): Promise<FileAnswer> {
  return thread.service.take(kind, text, place);
}
