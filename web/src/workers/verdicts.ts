import { phrase } from '@rough-bight/core/quantity';
import type { Verdict } from '@rough-bight/core/words';
import { useEffect, useMemo, useState } from 'react';
import type { KeptVerdict } from '../data/types.js';
import type { Answer } from './answer.js';
import { InTurn } from './newest.js';
import type { RigQuestion, RigService } from './rig.worker.js';
import { Kept } from './thread.js';

/** The mark of all the computation's source, put in when the application is built: another program judges anew. */
declare const __PROGRAM__: string | undefined;
const PROGRAM = typeof __PROGRAM__ === 'undefined' ? 'unbuilt' : __PROGRAM__;

/** Workers that judge lists of rigs: never the one that follows a hand. */
const POOL = 2;

/** Questions shared out among a few workers, each answering its own in turn. */
class Pool {
  private readonly lanes = Array.from({ length: POOL }, () => {
    const thread = new Kept<RigService>(
      () => new Worker(new URL('./rig.worker.ts', import.meta.url), { type: 'module' }),
    );
    return {
      asked: 0,
      turn: new InTurn<RigQuestion, Verdict>(
        async (question) => {
          const answer = (await thread.service.verdict(question)) as Answer<Verdict>;
          return answer.ok ? answer.value : { holds: false, sentence: phrase`${answer.message}`, detail: phrase`` };
        },
        () => thread.stop(),
      ),
    };
  });

  /** Asks the lane that has least to do; returns what takes the question back. */
  ask(question: RigQuestion, done: (verdict: Verdict) => void): () => void {
    const lane = this.lanes.reduce((a, b) => (b.asked < a.asked ? b : a));
    lane.asked++;
    let open = true;
    const close = (): void => {
      if (open) lane.asked--;
      open = false;
    };
    const back = lane.turn.ask(question, (verdict) => {
      close();
      done(verdict);
    });
    return () => {
      close();
      back();
    };
  }
}
const pool = new Pool();

/** A mark of all that a verdict depends on: the rig, what it is judged with, and the program. */
export function markOf({ rig, context }: RigQuestion): string {
  // two sums of 32 bits over the text, as hash tables use them: that two rigs of a camp meet by chance is past hoping
  const text = JSON.stringify([PROGRAM, rig, context]);
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 2654435761);
    b = Math.imul(b ^ c, 1597334677);
  }
  return `${(a >>> 0).toString(16)}${(b >>> 0).toString(16)}-${text.length.toString(36)}`;
}

/** What a rig comes to, and when that was worked out. */
export interface Told {
  readonly verdict: Verdict;
  readonly madeAt: string;
  /** Of the rig as it was before something changed: the new one is on its way. */
  readonly old: boolean;
}

/**
 * What a rig comes to: as it is kept with it, or worked out in the background where it was judged otherwise, and kept.
 * @param kept what is stored with it; undefined where nothing is
 * @param keep stores what was worked out
 */
export function useVerdict(
  question: RigQuestion,
  kept: KeptVerdict | undefined,
  keep: (of: string, verdict: Verdict) => void,
): Told | null {
  const of = useMemo(() => markOf(question), [question]);
  const [made, setMade] = useState<{ readonly of: string; readonly verdict: Verdict; readonly madeAt: string } | null>(
    null,
  );
  const known = kept?.of === of || made?.of === of;
  useEffect(() => {
    if (known) return undefined;
    return pool.ask(question, (verdict) => {
      setMade({ of, verdict, madeAt: new Date().toISOString() });
      keep(of, verdict);
    });
    // what is asked is told by its mark
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [known, of]);
  if (made?.of === of) return { ...made, old: false };
  return kept === undefined ? null : { verdict: kept.verdict, madeAt: kept.madeAt, old: kept.of !== of };
}
