import type { Figure } from '../working/index.js';
import { given } from '../working/index.js';

/** Beaufort numbers 0 to 9 by what the wind does to smoke, leaves and branches, and to open water; mean speed v = 0.836 B^1.5 m/s (WMO No. 306). */
export const BEAUFORT = [
  { name: 'calm', sign: 'Smoke rises straight; the river is a mirror.', water: 'A mirror.' },
  { name: 'light air', sign: 'Smoke drifts; leaves hang still.', water: 'Scaly ripples.' },
  { name: 'light breeze', sign: 'Leaves rustle; wind felt on the face.', water: 'Small short ripples, none breaking.' },
  { name: 'gentle breeze', sign: 'Leaves and twigs keep moving.', water: 'Crests begin to break here and there.' },
  {
    name: 'moderate breeze',
    sign: 'Small branches move; dust and loose leaves lift.',
    water: 'Small waves, many white tops.',
  },
  {
    name: 'fresh breeze',
    sign: 'Small leafy trees sway; wavelets on the river.',
    water: 'White tops everywhere; some spray.',
  },
  { name: 'strong breeze', sign: 'Large branches move; guys hum.', water: 'Foam in streaks begins; spray is usual.' },
  { name: 'near gale', sign: 'Whole trees move; walking is work.', water: 'Foam blown in lines along the wind.' },
  { name: 'gale', sign: 'Twigs break off. Take the roof down and leave the trees.', water: 'Spray dims the far bank.' },
  { name: 'strong gale', sign: 'Branches break. Leave.', water: 'Dense foam; keep off the water.' },
] as const;

/** Mean wind speed at Beaufort number b, m/s. */
export function beaufortSpeed(b: number): number {
  return 0.836 * b ** 1.5;
}

/** Mean wind told by its signs, with the half a number that signs leave open. @param b Beaufort number */
export function windBySigns(b: number, symbol = 'V', title = 'mean wind'): Figure {
  return given(
    { symbol, title, quantity: 'speed' },
    beaufortSpeed(b),
    { kind: 'measured', text: `Beaufort ${b} by signs` },
    [beaufortSpeed(Math.max(0, b - 0.5)), beaufortSpeed(b + 0.5)],
  );
}

/** The Beaufort number whose mean speed is nearest, 0 to 9. @param speed m/s */
export function beaufortOf(speed: number): number {
  return Math.min(BEAUFORT.length - 1, Math.round((Math.max(0, speed) / 0.836) ** (2 / 3)));
}

const POINTS = [
  'north',
  'north-north-east',
  'north-east',
  'east-north-east',
  'east',
  'east-south-east',
  'south-east',
  'south-south-east',
  'south',
  'south-south-west',
  'south-west',
  'west-south-west',
  'west',
  'west-north-west',
  'north-west',
  'north-north-west',
] as const;

/**
 * A bearing in words: "south-west".
 * @param bearing rad, clockwise from north
 * @param points  of the compass to choose from
 */
export function compassPoint(bearing: number, points: 8 | 16 = 8): string {
  const n = Math.round((bearing * points) / (2 * Math.PI));
  return POINTS[(((n % points) + points) % points) * (16 / points)]!;
}

/** Velocity pressure, Pa: rho V^2 / 2. */
export function windPressure(density: number, speed: number): number {
  return 0.5 * density * speed * speed;
}
