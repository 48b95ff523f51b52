import { drawnBy } from '../cordage/index.js';
import { elasticOf } from './model.js';
import type { CaseReading } from './reading.js';
import type { TiedRig } from './solve.js';

/** The elastic of one line: drawn out as pitched and at most, m, of how much it draws, m. */
export interface ElasticReport {
  /** Row of the ledger. */
  readonly id: string;
  readonly name: string;
  readonly draw: number;
  readonly pitched: number;
  readonly most: number;
  /** The case that draws it out most. */
  readonly caseId: string;
}

/** How far the elastic of every line is drawn out. @param readings of every case, as pitched first */
export const elasticsOf = ({ model }: TiedRig, readings: readonly CaseReading[]): ElasticReport[] =>
  model.members.flatMap((m): ElasticReport[] => {
    const elastic = elasticOf(model, m);
    if (elastic === null) return [];
    const out = (r: CaseReading): number => drawnBy(elastic, r.tension(m.id).value);
    const worst = readings.reduce((a, b) => (out(b) > out(a) ? b : a));
    return [
      {
        id: m.id,
        name: m.name,
        draw: elastic.draw,
        pitched: out(readings[0]!),
        most: out(worst),
        caseId: worst.state.case.id,
      },
    ];
  });

/** Drawn out to its end, within a hundredth: it eases nothing more. */
export const isOut = ({ draw }: Pick<ElasticReport, 'draw'>, by: number): boolean => by > 0.99 * draw;
