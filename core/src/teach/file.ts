import Papa from 'papaparse';
import type { LogEntry } from '../log/index.js';
import type { Learner } from './learner.js';

export const PROGRESS_FORMAT = 'rough-bight/progress@1';

/** What learners guessed and pitched, as a file: SI, times in ISO 8601. */
export interface ProgressFile {
  readonly format: typeof PROGRESS_FORMAT;
  readonly camp: string;
  readonly learners: readonly Learner[];
  readonly guesses: readonly {
    readonly at: string;
    readonly learner: string;
    readonly drill: string;
    readonly seed: number;
    /** Natural logarithm of the guess over the truth; null of what is no number. */
    readonly error: number | null;
    readonly near: boolean;
    readonly sure: number;
  }[];
  readonly pitches: readonly {
    readonly at: string;
    readonly learner: string;
    readonly of: string;
    /** s. */
    readonly total: number;
    readonly splits: readonly { readonly of: string; readonly took: number }[];
    readonly faults: readonly string[];
  }[];
}

/** Everything of a log that somebody learnt by. @param people who they are, learners and those who teach */
export function progressFile(camp: string, people: readonly Learner[], log: readonly LogEntry[]): ProgressFile {
  const sorted = [...log].sort((a, b) => (a.at < b.at ? -1 : 1));
  return {
    format: PROGRESS_FORMAT,
    camp,
    learners: people.map(({ id, name }) => ({ id, name })),
    guesses: sorted.flatMap(({ at, by, what }) =>
      what.kind === 'guess'
        ? [{ at, learner: by, drill: what.drill, seed: what.seed, error: what.error, near: what.near, sure: what.sure }]
        : [],
    ),
    pitches: sorted.flatMap(({ at, by, what }) =>
      what.kind === 'pitch'
        ? [{ at, learner: by, of: what.of, total: what.total, splits: what.splits, faults: what.faults }]
        : [],
    ),
  };
}

/** The same as two tables of comma-separated values. What a sheet would take for a formula is told as text. */
export function progressCsv({ learners, guesses, pitches }: ProgressFile): {
  readonly guesses: string;
  readonly pitches: string;
} {
  const name = (id: string): string => learners.find((l) => l.id === id)?.name ?? id;
  const csv = (rows: readonly Readonly<Record<string, unknown>>[], columns: readonly string[]): string =>
    `${Papa.unparse({ fields: [...columns], data: rows.map((r) => columns.map((c) => r[c])) }, { newline: '\n', escapeFormulae: true })}\n`;
  return {
    guesses: csv(
      guesses.map((g) => ({ ...g, learner: name(g.learner), error: g.error ?? '', near: g.near ? 'yes' : 'no' })),
      ['at', 'learner', 'drill', 'seed', 'error', 'near', 'sure'],
    ),
    pitches: csv(
      pitches.map((p) => ({
        ...p,
        learner: name(p.learner),
        splits: p.splits.map((s) => `${s.of} ${s.took}`).join('; '),
        faults: p.faults.join('; '),
      })),
      ['at', 'learner', 'of', 'total', 'splits', 'faults'],
    ),
  };
}
