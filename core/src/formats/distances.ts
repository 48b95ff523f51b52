import type { Measure, MeasureHow, Place } from '../ground/index.js';
import { MEASURE_HOWS, MOST_MEASURES, PLACE_LIMITS, byBody } from '../ground/index.js';
import { FOOT } from '../quantity/index.js';
import type { TakenIn } from './place-file.js';
import { readRows } from './csv.js';
import { FileProblem, freshId } from './place-file.js';

const COLUMNS = ['from', 'to', 'how', 'value', 'unit', 'by'] as const;

/**
 * Adds the distances and bearings of a CSV file to a place. Columns, named in its first row: from, to (names or ids of
 * things), how (tape, paces, feet, spans, line, rangefinder, compass; tape when left out), value (metres, how many, or
 * degrees), and, if wished, unit (m or ft) for metres and by (name or id of one of the place's measurers, for what is
 * counted in paces, feet or spans; whoever reads where it is left out).
 * @throws FileProblem naming the row as a spreadsheet counts them; the place given is untouched
 */
export function readDistances(text: string, into: Place): TakenIn {
  const rows = readRows(text, COLUMNS, ['from', 'to', 'value']);
  if (into.measures.length + rows.length > MOST_MEASURES)
    throw new FileProblem(
      'file',
      `would make ${into.measures.length + rows.length} measures; a place holds ${MOST_MEASURES}`,
    );
  const taken = new Set(into.measures.map((m) => m.id));
  const measures = rows.map((row, i): Measure => {
    const where = `row ${i + 2}`;
    const from = thingOf(row['from'], 'from', where, into);
    const to = thingOf(row['to'], 'to', where, into);
    if (from === to) throw new FileProblem(where, 'begins and ends at the same thing');
    const how = (row['how'] ?? '').trim().toLowerCase() || 'tape';
    if (!MEASURE_HOWS.includes(how as MeasureHow))
      throw new FileProblem(where, `how “${how}” must be one of ${MEASURE_HOWS.join(', ')}`);
    return {
      id: freshId(`m-${from}-${to}`, taken),
      from,
      to,
      how: how as MeasureHow,
      value: valueOf(row, how as MeasureHow, where),
      ...measurerIn(row, how as MeasureHow, where, into),
    };
  });
  return {
    place: { ...into, measures: [...into.measures, ...measures] },
    done: `${measures.length} ${measures.length === 1 ? 'measure was' : 'measures were'} added.`,
  };
}

function thingOf(cell: string | undefined, column: string, where: string, into: Place): string {
  const wanted = (cell ?? '').trim();
  if (wanted === '') throw new FileProblem(where, `${column} is empty`);
  const byId = into.things.find((t) => t.id === wanted);
  if (byId !== undefined) return byId.id;
  const named = into.things.filter((t) => t.name.toLowerCase() === wanted.toLowerCase());
  if (named.length > 1)
    throw new FileProblem(
      where,
      `${column} “${wanted}” could be any of ${named.length} things of that name; rename them, or use the id`,
    );
  if (named[0] === undefined)
    throw new FileProblem(
      where,
      `${column} “${wanted}” is not a thing of this place; draw it first, or put its name right`,
    );
  return named[0].id;
}

function measurerIn(
  row: Record<string, string>,
  how: MeasureHow,
  where: string,
  into: Place,
): { readonly by?: string } {
  const wanted = (row['by'] ?? '').trim();
  if (wanted === '' || !byBody(how)) return {};
  const people = into.measurers ?? [];
  const found =
    people.find((p) => p.id === wanted) ?? people.find((p) => p.name.toLowerCase() === wanted.toLowerCase());
  if (found === undefined)
    throw new FileProblem(
      where,
      `by “${wanted}” is none of those who measured here${people.length === 0 ? '' : ` (${people.map((p) => p.name).join(', ')})`}; let them measure one distance first, or leave it empty for your own`,
    );
  return { by: found.id };
}

function valueOf(row: Record<string, string>, how: MeasureHow, where: string): number {
  const raw = (row['value'] ?? '').trim();
  const number = raw === '' ? Number.NaN : Number(raw.replace(',', '.'));
  const unit = (row['unit'] ?? '').trim().toLowerCase();
  if (!['', 'm', 'ft'].includes(unit)) throw new FileProblem(where, `unit “${unit}” must be m or ft`);
  const metres = how === 'tape' || how === 'rangefinder';
  if (unit === 'ft' && !metres) throw new FileProblem(where, `unit ft goes with tape or rangefinder, not ${how}`);
  const value = how === 'compass' ? (number * Math.PI) / 180 : metres && unit === 'ft' ? number * FOOT : number;
  const { min, max } = how === 'compass' ? PLACE_LIMITS.bearing : metres ? PLACE_LIMITS.metres : PLACE_LIMITS.count;
  if (!(value >= min && value <= max))
    throw new FileProblem(
      where,
      `value “${raw}” must be a number ${how === 'compass' ? 'from 0 to 360 degrees' : `from ${min} to ${max}`}`,
    );
  return value;
}
