import type { PitchResult } from './evaluate.js';

/** What pulls at a line from its slackest case to its hardest, N. */
export interface PullSpan {
  readonly row: string;
  readonly name: string;
  readonly pitched: number;
  readonly least: number;
  readonly most: number;
  /** The case that asks most of it. */
  readonly caseId: string;
}

/** Every line over all cases that came to rest, the one that is pulled hardest first. Shapes of a cycle are not among them. */
export function pullSpans({ rows, topology, shapes, cases }: PitchResult): PullSpan[] {
  const rests = new Set(cases.filter((c) => c.converged && !c.luffing).map((c) => c.id));
  const told = shapes.filter((s) => rests.has(s.caseId));
  const pitched = told.find((s) => s.caseId === 'pitched');
  if (pitched === undefined) return [];
  return rows
    .flatMap(({ id, name }): PullSpan[] => {
      const own = topology.lines.filter((l) => l.row === id);
      if (own.length === 0) return [];
      const pull = (s: (typeof told)[number]): number => Math.max(...own.map((l) => s.tension[l.line]!));
      const hardest = told.reduce((a, b) => (pull(b) > pull(a) ? b : a));
      return [
        {
          row: id,
          name,
          pitched: pull(pitched),
          least: Math.min(...told.map(pull)),
          most: pull(hardest),
          caseId: hardest.caseId,
        },
      ];
    })
    .sort((a, b) => b.most - a.most);
}
