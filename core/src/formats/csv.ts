import Papa from 'papaparse';
import { FileProblem, checkSize } from './place-file.js';

/**
 * The rows of a CSV file whose first row names its columns, whatever their case and order.
 * @param columns all that are known; @param needed those that must be there
 * @throws FileProblem naming the row as a spreadsheet counts them
 */
export function readRows<C extends string>(
  text: string,
  columns: readonly C[],
  needed: readonly C[],
): readonly Partial<Record<C, string>>[] {
  checkSize(text);
  const parsed = Papa.parse<Partial<Record<C, string>>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const fault = parsed.errors.find((e) => e.code !== 'UndetectableDelimiter');
  if (fault !== undefined)
    throw new FileProblem(fault.row === undefined ? 'file' : `row ${fault.row + 2}`, fault.message);
  const missing = needed.find((c) => !(parsed.meta.fields ?? []).includes(c));
  if (missing !== undefined)
    throw new FileProblem('row 1', `has no column “${missing}”; the columns are ${columns.join(', ')}`);
  if (parsed.data.length === 0) throw new FileProblem('file', 'has no rows beneath its headings');
  return parsed.data;
}
