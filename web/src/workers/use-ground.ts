import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { Place } from '@rough-bight/core/ground';
import type {
  Explained,
  FileAnswer,
  FileKind,
  GroundJudgement,
  GroundQuestion,
  GroundService,
} from './ground.worker.js';

let shared: Remote<GroundService> | undefined;
function groundWorker(): Remote<GroundService> {
  shared ??= wrap<GroundService>(new Worker(new URL('./ground.worker.ts', import.meta.url), { type: 'module' }));
  return shared;
}

export interface GroundState {
  /** The last that could be judged, even while a newer one cannot. */
  readonly judgement: GroundJudgement | null;
  readonly problem: { readonly field: string; readonly message: string } | null;
  readonly explained: Explained | null;
}

/** Judges the newest place, never queueing, and explains the span that is open. Measures wait until the hand rests. */
export function useGround(question: GroundQuestion, moving: boolean, span: string | null): GroundState {
  const [state, setState] = useState<GroundState>({ judgement: null, problem: null, explained: null });
  const busy = useRef(false);
  const waiting = useRef<{ question: GroundQuestion; moving: boolean; span: string | null } | null>(null);
  useEffect(() => {
    waiting.current = { question, moving, span };
    if (busy.current) return;
    busy.current = true;
    void (async () => {
      try {
        for (let next = waiting.current; next !== null; next = waiting.current) {
          waiting.current = null;
          const service = groundWorker();
          const answer = await service.judge(next.question, next.moving);
          const explained = answer.ok && next.span !== null ? await service.explain(next.span) : null;
          setState((before) =>
            answer.ok
              ? { judgement: answer.value, problem: null, explained }
              : { ...before, problem: answer, explained: null },
          );
        }
      } catch (error) {
        setState((before) => ({
          ...before,
          problem: { field: '', message: `The computation failed: ${String(error)}. Undo the last change.` },
        }));
      } finally {
        busy.current = false;
      }
    })();
  }, [question, moving, span]);
  return state;
}

/** Reads a file in the worker, so that a large one does not hold up the page. */
export function takeFile(kind: FileKind, text: string, place: Place): Promise<FileAnswer> {
  return groundWorker().take(kind, text, place);
}
