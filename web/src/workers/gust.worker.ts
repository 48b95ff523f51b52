import { framesBuffers, playGusts } from '@rough-bight/core/gusting';
import type { GustAsked, GustAudit, GustFrames, GustHead } from '@rough-bight/core/gusting';
import { expose, transfer } from 'comlink';
import type { Answer } from './answer.js';
import { answer } from './answer.js';
import type { RigQuestion } from './rig.worker.js';

/** Frames that are handed over together: half a second of them. */
const TOGETHER = 30;

/** What a play came to when it ended. */
export interface GustEnd {
  readonly audit: GustAudit;
  readonly lost: boolean;
}

const service = {
  /** Plays gusts over a rig, some frames after the other as soon as they are worked out. */
  async play(
    { rig, context, units }: RigQuestion,
    asked: GustAsked,
    begun: (head: GustHead) => unknown,
    more: (frames: GustFrames) => unknown,
  ): Promise<Answer<GustEnd>> {
    const ready = answer(units, () => playGusts(rig, context, asked));
    if (!ready.ok) return ready;
    const { head, next, audit, lost } = ready.value;
    await begun(head);
    for (;;) {
      const frames = next(TOGETHER);
      if (frames === null) return { ok: true, value: { audit: audit(), lost: lost() } };
      await more(transfer(frames, framesBuffers(frames)));
    }
  },
};

export type GustService = typeof service;
expose(service);
