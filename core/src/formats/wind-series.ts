import Papa from 'papaparse';
import type { WindSeries } from '../weather/index.js';
import { windAt } from '../weather/index.js';
import { readRows } from './csv.js';
import { FileProblem } from './place-file.js';

const COLUMNS = ['time', 'speed'] as const;
/** What a series may be: s, m/s, rows. */
const LIMITS = { shortest: 5, longest: 600, speed: 60, rows: 60_000 } as const;
/** It is kept so many times a second. */
const RATE = 10;

/**
 * Reads wind against time from CSV. Columns, named in its first row: time (s, rising, of any spacing) and speed (m/s at the roof).
 * @param name what to call it
 * @throws FileProblem naming the row as a spreadsheet counts them
 */
export function readWindSeries(text: string, name: string): WindSeries {
  const rows = readRows(text, COLUMNS, COLUMNS);
  const { length } = rows;
  if (length < 2 || length > LIMITS.rows)
    throw new FileProblem('file', `has ${length} rows; from 2 to ${LIMITS.rows} are read`);
  const time = new Float64Array(length);
  const speed = new Float64Array(length);
  rows.forEach((row, i) => {
    const where = `row ${i + 2}`;
    time[i] = numberOf(row['time'], 'time', where);
    speed[i] = numberOf(row['speed'], 'speed', where);
    if (i > 0 && !(time[i]! > time[i - 1]!)) throw new FileProblem(where, 'is not later than the row before');
    if (speed[i]! < 0 || speed[i]! > LIMITS.speed)
      throw new FileProblem(where, `speed ${row['speed']} must be from 0 to ${LIMITS.speed} m/s`);
  });
  const long = time[length - 1]! - time[0]!;
  if (long < LIMITS.shortest || long > LIMITS.longest)
    throw new FileProblem(
      'file',
      `lasts ${Math.round(long)} s; from ${LIMITS.shortest} to ${LIMITS.longest} s are read`,
    );
  const out = new Float64Array(Math.floor(long * RATE) + 1);
  for (let n = 0, i = 0; n < out.length; n++) {
    const at = time[0]! + n / RATE;
    while (i < length - 2 && time[i + 1]! < at) i++;
    const share = (at - time[i]!) / (time[i + 1]! - time[i]!);
    out[n] = speed[i]! + share * (speed[i + 1]! - speed[i]!);
  }
  return { name, every: 1 / RATE, speed: out };
}

/** Writes a series as {@link readWindSeries} reads it. */
export function writeWindSeries(series: WindSeries): string {
  const rows = Array.from(series.speed, (_, n): [number, number] => {
    const time = Number((n * series.every).toFixed(3));
    return [time, Number(windAt(series, time).toFixed(2))];
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: '\n' })}\n`;
}

function numberOf(cell: string | undefined, column: string, where: string): number {
  const text = (cell ?? '').trim();
  const value = text === '' ? Number.NaN : Number(text.replace(',', '.'));
  if (!Number.isFinite(value)) throw new FileProblem(where, `${column} “${text}” is not a number`);
  return value;
}
