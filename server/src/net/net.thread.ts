import { NetProblem, checkNet } from '@rough-bight/core/formats';
import { prepare, resultOf, solve } from '@rough-bight/core/net';
import type { NetResult } from '@rough-bight/core/net';

/** What the thread answers: the result, or what is wrong with the net. */
export type NetAnswer =
  | { readonly ok: true; readonly result: NetResult }
  | { readonly ok: false; readonly id: string; readonly field: string; readonly message: string };

/** Runs in a thread of its own: reads, solves and reports one net. */
export default function solveNet(document: unknown): NetAnswer {
  try {
    const { net, warnings } = checkNet(document);
    const engine = prepare(net);
    return { ok: true, result: resultOf(engine, solve(engine), warnings) };
  } catch (error) {
    if (error instanceof NetProblem) return { ok: false, id: error.id, field: error.field, message: error.message };
    throw error;
  }
}
