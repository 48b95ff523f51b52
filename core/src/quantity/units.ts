/** Units of measure. Everything inside is SI; these are for showing and for reading what people type. */

/** What a number is a number of; decides the unit it is shown in. */
export type Quantity =
  | 'length'
  | 'diameter'
  | 'force'
  | 'mass'
  | 'strain'
  | 'share'
  | 'ratio'
  | 'angle'
  | 'stress'
  | 'moment'
  | 'compliance'
  | 'stiffness'
  | 'lineWeight'
  | 'time'
  | 'chance'
  | 'speed'
  | 'area'
  | 'density'
  | 'unitWeight'
  | 'volume'
  | 'count';

export const LENGTH_UNITS = ['m', 'ft'] as const;
export const FORCE_UNITS = ['N', 'kgf', 'lbf'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];
export type ForceUnit = (typeof FORCE_UNITS)[number];
export interface UnitChoice {
  readonly length: LengthUnit;
  readonly force: ForceUnit;
}

/** Standard acceleration of gravity, m/s^2 (3rd CGPM, 1901). */
export const GRAVITY = 9.80665;
/** International foot, m (1959 agreement). */
export const FOOT = 0.3048;
/** International avoirdupois pound, kg (1959 agreement). */
export const POUND = 0.45359237;

export const METRES_PER: Readonly<Record<LengthUnit, number>> = { m: 1, ft: FOOT };
export const NEWTONS_PER: Readonly<Record<ForceUnit, number>> = {
  N: 1,
  kgf: GRAVITY,
  lbf: POUND * GRAVITY,
};

export interface Shown {
  readonly text: string;
  readonly unit: string;
}

/** Rounds to a sensible number of figures for a reader: three significant, no exponent. */
function figures(x: number, significant = 3): string {
  if (!Number.isFinite(x)) return x > 0 ? 'no limit' : '–';
  if (x === 0) return '0';
  const places = Math.max(0, significant - 1 - Math.floor(Math.log10(Math.abs(x))));
  return x.toFixed(Math.min(places, 6));
}

function shownForce(value: number, unit: ForceUnit): Shown {
  const v = value / NEWTONS_PER[unit];
  if (unit === 'N' && Math.abs(v) >= 9999.5) return { text: figures(v / 1000), unit: 'kN' };
  return { text: Math.abs(v) >= 99.5 ? v.toFixed(0) : figures(v, 2), unit };
}

function shownLength(value: number, unit: LengthUnit): Shown {
  const v = value / METRES_PER[unit];
  return { text: v.toFixed(Math.abs(v) < 10 ? 2 : 1), unit };
}

/**
 * A number as text with its unit.
 * @param value    in SI
 * @param quantity what it is
 * @param units    the reader's choice
 */
export function show(value: number, quantity: Quantity, units: UnitChoice): Shown {
  if (!Number.isFinite(value)) return { text: figures(value), unit: '' };
  switch (quantity) {
    case 'length':
      return shownLength(value, units.length);
    case 'diameter':
      return { text: figures(value * 1000, 2), unit: 'mm' };
    case 'force':
      return shownForce(value, units.force);
    case 'mass':
      return units.force === 'lbf'
        ? { text: figures(value / POUND, 2), unit: 'lb' }
        : Math.abs(value) < 0.1 && value !== 0
          ? { text: figures(value * 1000, 2), unit: 'g' }
          : { text: figures(value, 2), unit: 'kg' };
    case 'strain':
    case 'share':
      return { text: figures(value * 100, 2), unit: '%' };
    case 'ratio':
      return { text: value >= 9.95 ? value.toFixed(0) : value.toFixed(value < 0.995 ? 2 : 1), unit: '' };
    case 'angle':
      return { text: ((value * 180) / Math.PI).toFixed(1), unit: '°' };
    case 'stress':
      return { text: figures(value / 1e6), unit: 'MPa' };
    case 'moment':
      return units.force === 'lbf'
        ? { text: String(Number((value / (NEWTONS_PER.lbf * FOOT)).toPrecision(2))), unit: 'lbf ft' }
        : Math.abs(value) >= 999.5
          ? { text: figures(value / 1000, 2), unit: 'kN m' }
          : { text: String(Number(value.toPrecision(2))), unit: 'N m' };
    case 'compliance':
      return { text: figures(value * 1e6), unit: 'mm/kN' };
    case 'stiffness':
      return { text: figures(value / 1000), unit: 'kN' };
    case 'lineWeight':
      return { text: figures(value), unit: 'N/m' };
    case 'time':
      return value < 5400
        ? { text: figures(value / 60, 2), unit: 'min' }
        : { text: figures(value / 3600, 2), unit: 'h' };
    case 'chance':
      return value <= 0
        ? { text: '0', unit: '' }
        : value < 1e-6
          ? { text: 'below 1 in a million', unit: '' }
          : value > 0.1
            ? { text: (value * 100).toFixed(0), unit: '%' }
            : { text: `1 in ${Number((1 / value).toPrecision(2)).toLocaleString('en')}`, unit: '' };
    case 'speed':
      return { text: figures(value, 2), unit: 'm/s' };
    case 'area':
      return { text: figures(value, 2), unit: 'm²' };
    case 'density':
      return { text: figures(value), unit: 'kg/m³' };
    case 'unitWeight':
      return { text: figures(value / 1000, 2), unit: 'kN/m³' };
    case 'volume':
      return { text: figures(value * 1000, 2), unit: 'l' };
    case 'count':
      return { text: String(Math.round(value * 100) / 100), unit: '' };
  }
}

/** The same, in one string. */
export function say(value: number, quantity: Quantity, units: UnitChoice): string {
  const s = show(value, quantity, units);
  return s.unit === ''
    ? s.text
    : s.unit === '°' || s.unit === '%'
      ? `${s.text}${s.unit === '%' ? ' %' : '°'}`
      : `${s.text} ${s.unit}`;
}

/** A length that a hand lets out or takes in: whole centimetres, or halves of an inch. */
export function sayHaul(metres: number, units: UnitChoice): string {
  return units.length === 'ft'
    ? `${(Math.round((metres / FOOT) * 24) / 2).toFixed(1).replace(/\.0$/, '')} in`
    : `${(metres * 100).toFixed(0)} cm`;
}
/** Less than this is not worth a hand's while, m. */
export const LEAST_HAUL = 0.005;
