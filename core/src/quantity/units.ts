/** Units of measure. Everything inside is SI; these are for showing and for reading what people type. */

/** What a number is a number of; decides the unit it is shown in. */
export type Quantity =
  | 'length'
  | 'diameter'
  | 'force'
  | 'mass'
  | 'rain'
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
/** International inch, m (1959 agreement). */
export const INCH = FOOT / 12;
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

/** A force; what no hand feels is under the least that one does. */
function shownForce(value: number, unit: ForceUnit): Shown {
  const v = value / NEWTONS_PER[unit];
  if (value !== 0 && Math.abs(v) < (unit === 'N' ? 0.5 : 0.05))
    return { text: unit === 'N' ? 'under 1' : 'under 0.1', unit };
  if (unit === 'N' && Math.abs(v) >= 9999.5) return { text: figures(v / 1000), unit: 'kN' };
  return { text: Math.abs(v) >= 99.5 ? v.toFixed(0) : figures(v, 2), unit };
}

/** A length; what is less than a foot in inches, as a rule's marks give it; what is less than a mark is under one. */
function shownLength(value: number, unit: LengthUnit): Shown {
  const v = value / METRES_PER[unit];
  const inches = value / INCH;
  // nothing a rule shows, and still not nothing
  if (value !== 0 && Math.abs(unit === 'ft' ? inches : 10 * v) < 0.05)
    return unit === 'ft' ? { text: 'under 0.1', unit: 'in' } : { text: 'under 0.01', unit };
  if (unit === 'ft' && Math.abs(inches) >= 0.05 && Math.abs(inches) < 11.95)
    return { text: inches.toFixed(1), unit: 'in' };
  return { text: v.toFixed(Math.abs(v) < 10 ? 2 : Math.abs(v) < 99.95 ? 1 : 0), unit };
}

/** Statute mile, m (1959 agreement). */
const MILE = 5280 * FOOT;
/** United States gallon, m³ (231 cubic inches). */
const GALLON = 231 * INCH ** 3;
const LBF = NEWTONS_PER.lbf;

/**
 * A number as text with its unit. Who reads lengths in feet reads all that is made of lengths in them; who reads forces in pounds,
 * masses, stresses and the rest too.
 * @param value    in SI
 * @param quantity what it is
 * @param units    the reader's choice
 */
export function show(value: number, quantity: Quantity, units: UnitChoice): Shown {
  if (!Number.isFinite(value)) return { text: figures(value), unit: '' };
  const feet = units.length === 'ft';
  const pounds = units.force === 'lbf';
  const as = (per: number, unit: string, significant = 3): Shown => ({ text: figures(value / per, significant), unit });
  switch (quantity) {
    case 'length':
      return shownLength(value, units.length);
    case 'diameter':
      return feet ? as(INCH, 'in', 2) : as(1e-3, 'mm', 2);
    case 'rain':
      // as a gauge is read
      return feet ? { text: (value / INCH).toFixed(1), unit: 'in' } : { text: (1000 * value).toFixed(0), unit: 'mm' };
    case 'force':
      return shownForce(value, units.force);
    case 'mass':
      return pounds ? as(POUND, 'lb', 2) : Math.abs(value) < 0.1 && value !== 0 ? as(1e-3, 'g', 2) : as(1, 'kg', 2);
    case 'strain':
    case 'share':
      return as(0.01, '%', 2);
    case 'ratio':
      return { text: value >= 9.95 ? value.toFixed(0) : value.toFixed(value < 0.995 ? 2 : 1), unit: '' };
    case 'angle':
      return { text: ((value * 180) / Math.PI).toFixed(0), unit: '°' };
    case 'stress':
      return pounds ? as(LBF / INCH ** 2, 'psi', 2) : as(1e6, 'MPa', 2);
    case 'moment':
      return pounds
        ? { text: String(Number((value / (LBF * FOOT)).toPrecision(2))), unit: 'lbf ft' }
        : Math.abs(value) >= 999.5
          ? as(1000, 'kN m', 2)
          : { text: String(Number(value.toPrecision(2))), unit: 'N m' };
    case 'compliance':
      return pounds ? as(INCH / (1000 * LBF), 'in/1000 lbf') : as(1e-6, 'mm/kN');
    case 'stiffness':
      return pounds ? as(LBF, 'lbf') : as(1000, 'kN');
    case 'lineWeight':
      return pounds ? as(LBF / FOOT, 'lbf/ft') : as(1, 'N/m');
    case 'time':
      return value < 5400 ? as(60, 'min', 2) : as(3600, 'h', 2);
    case 'chance':
      return value <= 0
        ? { text: '0', unit: '' }
        : value < 1e-6
          ? { text: 'below 1 in a million', unit: '' }
          : value > 0.1
            ? { text: (value * 100).toFixed(0), unit: '%' }
            : { text: `1 in ${Number((1 / value).toPrecision(2)).toLocaleString('en')}`, unit: '' };
    case 'speed':
      return feet ? as(MILE / 3600, 'mph', 2) : as(1, 'm/s', 2);
    case 'area':
      return feet ? as(FOOT ** 2, 'ft²', 2) : as(1, 'm²', 2);
    case 'density':
      return pounds ? as(POUND / FOOT ** 3, 'lb/ft³') : as(1, 'kg/m³');
    case 'unitWeight':
      return pounds ? as(LBF / FOOT ** 3, 'lbf/ft³', 2) : as(1000, 'kN/m³', 2);
    case 'volume':
      return feet ? as(GALLON, 'gal', 2) : as(1e-3, 'l', 2);
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

/** A number that a hand put in: with no digits behind those it was given with. */
export const sayGiven = (value: number, quantity: Quantity, units: UnitChoice): string =>
  say(value, quantity, units).replace(/(\.\d*?)0+(?=\D|$)/, (_, kept: string) => (kept === '.' ? '' : kept));

/** A length that a hand lets out or takes in: whole centimetres, or halves of an inch. */
export function sayHaul(metres: number, units: UnitChoice): string {
  return units.length === 'ft' ? `${Math.round((2 * metres) / INCH) / 2} in` : `${(metres * 100).toFixed(0)} cm`;
}
/** Less than this is not worth a hand's while, m. */
export const LEAST_HAUL = 0.005;

/**
 * What runs off to one place, by the depth of rain its reader reckons in: "1.2 l" for each "mm", or "0.8 gal" for each "0.1 in".
 * @param drained plan area that drains there, m²
 */
export function shownCatch(drained: number, units: UnitChoice): { readonly water: string; readonly each: string } {
  const [depth, each] = units.length === 'ft' ? [INCH / 10, '0.1 in'] : [1e-3, 'mm'];
  return { water: say(drained * depth, 'volume', units), each };
}
