/** A side view to one scale: metres from the first trunk's foot to pixels. */
export interface View {
  readonly width: number;
  readonly height: number;
  /** Pixels a metre. */
  readonly scale: number;
  /** Pixel column of the first trunk and row of its foot. */
  readonly x0: number;
  readonly y0: number;
}

/** Room at the foot for the forces and the span's measure, at the sides for trunks, above for the sky; pixels. */
const BELOW = 112;
const SIDE = 74;
const ABOVE = 34;

/** Fits a span and a height into a picture. */
export function fitView(width: number, height: number, span: number, lowest: number, highest: number): View {
  const scale = Math.max(
    4,
    Math.min((width - 2 * SIDE) / span, (height - BELOW - ABOVE) / (highest - Math.min(0, lowest))),
  );
  return { width, height, scale, x0: (width - span * scale) / 2, y0: height - BELOW + Math.min(0, lowest) * scale };
}

export const toX = (v: View, x: number): number => v.x0 + x * v.scale;
export const toY = (v: View, z: number): number => v.y0 - z * v.scale;
