/** Beaufort numbers 0 to 9 by what the wind does; mean speed v = 0.836 B^1.5 m/s (WMO No. 306). */
export const BEAUFORT = [
  { name: 'calm', sign: 'Smoke rises straight; the river is a mirror.' },
  { name: 'light air', sign: 'Smoke drifts; leaves hang still.' },
  { name: 'light breeze', sign: 'Leaves rustle; wind felt on the face.' },
  { name: 'gentle breeze', sign: 'Leaves and twigs keep moving.' },
  { name: 'moderate breeze', sign: 'Small branches move; dust and loose leaves lift.' },
  { name: 'fresh breeze', sign: 'Small leafy trees sway; wavelets on the river.' },
  { name: 'strong breeze', sign: 'Large branches move; guys hum.' },
  { name: 'near gale', sign: 'Whole trees move; walking is work.' },
  { name: 'gale', sign: 'Twigs break off. Take the roof down and leave the trees.' },
  { name: 'strong gale', sign: 'Branches break. Leave.' },
] as const;

/** Mean wind speed at Beaufort number b, m/s. */
export function beaufortSpeed(b: number): number {
  return 0.836 * b ** 1.5;
}

/** Velocity pressure, Pa: rho V^2 / 2. */
export function windPressure(density: number, speed: number): number {
  return 0.5 * density * speed * speed;
}
