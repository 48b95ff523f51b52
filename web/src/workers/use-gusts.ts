import type { GustAsked, GustFrames, GustHead } from '@rough-bight/core/gusting';
import { proxy } from 'comlink';
import type { Answer } from './answer.js';
import type { GustEnd, GustService } from './gust.worker.js';
import type { RigQuestion } from './rig.worker.js';
import { inOwnThread } from './thread.js';

/** Gusts played over a rig, told as they are worked out; returns what cancels it. */
export function startGusts(
  question: RigQuestion,
  asked: GustAsked,
  told: { readonly begun: (head: GustHead) => void; readonly more: (frames: GustFrames) => void },
  done: (answer: Answer<GustEnd>) => void,
): () => void {
  return inOwnThread<GustService, GustEnd>(
    () => new Worker(new URL('./gust.worker.ts', import.meta.url), { type: 'module' }),
    async (service) => (await service.play(question, asked, proxy(told.begun), proxy(told.more))) as Answer<GustEnd>,
    done,
  );
}
