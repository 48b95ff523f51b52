import type { LengthUnit } from './units.js';

/** Inches in a foot. */
const INCHES = 12;
const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
/** 20' 6", 20 ft 6 in, 20' 6.5, 6" */
const FEET = /^(-)?(?:(\d+(?:[.,]\d+)?)\s*(?:'|’|′|ft\.?))?\s*(?:(\d+(?:[.,]\d+)?)\s*(?:"|”|″|''|in\.?)?)?$/;

/** A number as a person types it: with a point or a comma. Null where it is none. */
export function readNumber(text: string): number | null {
  const trimmed = text.trim();
  return NUMBER.test(trimmed) ? Number(trimmed.replace(',', '.')) : null;
}

/**
 * A length as a person types it, in the field's unit: a number, or feet and inches where the unit is the foot or the inch.
 * @returns in that unit; null where it is none
 */
export function readLength(text: string, unit: LengthUnit | 'in'): number | null {
  const plain = readNumber(text);
  if (plain !== null || unit === 'm') return plain;
  if (unit === 'in') {
    const feet = readLength(text, 'ft');
    return feet === null ? null : feet * INCHES;
  }
  const found = FEET.exec(text.trim());
  if (found === null || (found[2] === undefined && found[3] === undefined)) return null;
  const part = (x: string | undefined): number => (x === undefined ? 0 : Number(x.replace(',', '.')));
  const inches = part(found[3]);
  if (found[2] !== undefined && inches >= INCHES) return null;
  return (found[1] === undefined ? 1 : -1) * (part(found[2]) + inches / INCHES);
}
