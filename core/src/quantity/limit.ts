import type { Quantity } from './units.js';

/** Allowed range of a number, SI, with what it is called in a message. */
export interface Limit {
  readonly name: string;
  readonly quantity: Quantity;
  readonly min: number;
  readonly max: number;
}

/** A limit, in a row of a table. */
export const limit = (name: string, quantity: Quantity, min: number, max: number): Limit => ({
  name,
  quantity,
  min,
  max,
});

/** What files and the API write a quantity in; nothing for what has no unit. */
const SI: Partial<Record<Quantity, string>> = {
  length: ' m',
  diameter: ' m',
  force: ' N',
  mass: ' kg',
  area: ' m²',
  angle: ' rad',
  stress: ' Pa',
  share: ' (as a share)',
};
/** The unit of a quantity as it stands in a file, with a space before it. */
export const unitInFiles = (quantity: Quantity): string => SI[quantity] ?? '';

/** What a number must be, in the units of files: "The span must be a number from 0.5 to 60 m." */
export function limitWords({ name, quantity, min, max }: Limit, whole = false): string {
  const figure = (x: number): number => Number(x.toPrecision(4));
  return `The ${name} must be a ${whole ? 'whole ' : ''}number from ${figure(min)} to ${figure(max)}${unitInFiles(quantity)}.`;
}
