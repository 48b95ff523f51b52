import type { Constant, Cord } from '../catalogue/index.js';
import { AIR_DENSITY, GUST_FACTOR, RIDGE_SHARE, SHEET_DRAG, SHELTERS, dryCurve, looked } from '../catalogue/index.js';
import { strainAt } from '../line/index.js';
import { GRAVITY } from '../quantity/index.js';
import { windBySigns, windPressure } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { wished } from './forms.js';
import type { Place } from './place-document.js';

/** A hand's haul on a ridgeline through a pulley-style hitch. */
export const HAUL: Constant = {
  symbol: 'T_0',
  title: 'tension at tying off',
  quantity: 'force',
  low: 120,
  typical: 220,
  high: 400,
  kind: 'judgement',
  citation: 'Judgement: one hand or two through a pulley-style hitch, less set-back.',
};
/** Angle of a hammock's straps below the level. */
export const BED_ANGLE: Constant = {
  symbol: 'a',
  title: 'angle of the straps below the level',
  quantity: 'angle',
  low: 0.42,
  typical: Math.PI / 6,
  high: 0.63,
  kind: 'judgement',
  citation: 'Judgement: 24 to 36 degrees lies well; flatter multiplies the pull.',
};

/**
 * Tension of a line hauled to T0 once a load F is spread over it: the parabola's pull F L / (8 d), and the line's stretch
 * (8 / 3)(d / L)^2, give  T^3 - T0 T^2 - EA F^2 / 24 = 0,  whatever the span (Irvine, Cable Structures, 1981, ch. 2).
 * @param stiffness EA, N
 */
export function loadedTension(hauled: number, stiffness: number, load: number): number {
  const c = (stiffness * load * load) / 24;
  // from above, where the cubic is convex and rising: Newton cannot overshoot
  let T = hauled + Math.cbrt(c);
  for (let i = 0; i < 60; i++) {
    const f = T * T * (T - hauled) - c;
    const next = T - f / (3 * T * T - 2 * hauled * T || 1);
    if (Math.abs(next - T) <= 1e-12 * T) break;
    T = next;
  }
  return T;
}

/** The level pulls to expect at each end of a span, before the rig is computed in full. */
export interface ExpectedPull {
  /** On the ridgeline, in a gust; null without a roof. */
  readonly roof: Figure | null;
  /** On the bed's straps, level part; null without a hammock. */
  readonly bed: Figure | null;
}

export function expectedPull(place: Place, cord: Cord): ExpectedPull {
  const { wish, wind } = place;
  const trait = wished(wish.form);
  let roof: Figure | null = null;
  if (wish.form !== 'none') {
    const curve = dryCurve(cord);
    const area = trait.footprint.ridge(wish.roof) * Math.min(wish.roof.width / 2, Math.max(0.5, wish.ridgeHeight));
    const load = derive(
      { symbol: 'F', title: 'what a gust puts on the ridgeline', quantity: 'force', formula: 'F = ½ ρ (V S G)² C A r' },
      [
        looked(AIR_DENSITY),
        windBySigns(wind.beaufort),
        looked(SHELTERS[wind.shelter]),
        looked(GUST_FACTOR),
        looked(SHEET_DRAG),
        given(
          { symbol: 'A', title: 'cloth against the wind', quantity: 'area' },
          area,
          { kind: 'derived', text: 'cloth along the ridge times the height it stands' },
          [area * 0.7, area * 1.2],
        ),
        looked(RIDGE_SHARE),
      ],
      (rho, V, S, G, C, A, r) => windPressure(rho!, V! * S! * G!) * C! * A! * r!,
    );
    const typical = (0.1 * cord.strength.typical) / strainAt(curve, 0.1 * cord.strength.typical);
    roof = derive(
      {
        symbol: 'T',
        title: 'pull to expect in the ridgeline',
        quantity: 'force',
        formula: 'T³ - T₀ T² = EA F² / 24',
        notes: ['A first estimate that does not depend on the span. The bench computes the whole line once it stands.'],
      },
      [
        looked(HAUL),
        given(
          { symbol: 'EA', title: `stiffness of ${cord.name} at a tenth of its strength`, quantity: 'stiffness' },
          typical,
          {
            kind: cord.breakStrain.kind,
            text: 'catalogue, from its curve',
            citation: cord.breakStrain.citation,
          },
        ),
        load,
      ],
      (T0, EA, F) => loadedTension(T0!, EA!, F!),
    );
  }
  const bed =
    wish.bed === 'hammock'
      ? derive(
          {
            symbol: 'H',
            title: 'level pull of the bed on each anchor',
            quantity: 'force',
            formula: 'H = m g / (2 tan a)',
          },
          [
            given(
              { symbol: 'm', title: 'who lies in it', quantity: 'mass' },
              wish.hammock.mass,
              { kind: 'chosen', text: 'as given' },
              [wish.hammock.mass * 0.95, wish.hammock.mass * 1.1],
            ),
            looked(BED_ANGLE),
          ],
          (m, a) => (m! * GRAVITY) / (2 * Math.tan(a!)),
        )
      : null;
  return { roof, bed };
}
