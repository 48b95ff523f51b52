import type { Wish } from './place-document.js';
import type { Form } from './place.js';

/** How a shelter form lies on the ground. u runs along the ridge from its middle, v across it; m. */
export interface FormTrait {
  readonly name: string;
  /** What it does to the wind: ridge across it, into it, or no matter. */
  readonly wind: 'across' | 'along' | 'any';
  /** Why. */
  readonly windWords: string;
  /** Length of cloth along the ridge. */
  readonly ridge: (roof: Wish['roof']) => number;
  /** How far it covers on the lee and on the windward side of the ridge. */
  readonly covers: (roof: Wish['roof'], ridgeHeight: number) => readonly [lee: number, windward: number];
  /** Feet of its guys, in half ridge lengths along and half widths across, each moved outward by `guy`. */
  readonly guys: readonly (readonly [u: number, v: number])[];
}

/** Plan width of a flank whose lower edge comes near the ground. */
function flank(cloth: number, ridgeHeight: number): number {
  const drop = Math.max(0, ridgeHeight - 0.25);
  return Math.sqrt(Math.max((0.35 * cloth) ** 2, cloth * cloth - drop * drop));
}
const CORNERS = [
  [-1, -1],
  [-1, 1],
  [1, -1],
  [1, 1],
] as const;
const SIX = [...CORNERS, [0, -1], [0, 1]] as const;

export const FORM_TRAITS: Readonly<Record<Form, FormTrait>> = {
  gable: {
    name: 'gable over a ridge',
    wind: 'across',
    windWords: 'a closed flank to it',
    ridge: (r) => r.length,
    covers: (r, h) => [flank(r.width / 2, h), flank(r.width / 2, h)],
    guys: SIX,
  },
  flying: {
    name: 'flying roof',
    wind: 'any',
    windWords: 'flat cloth takes wind from any side',
    ridge: (r) => r.length,
    covers: (r) => [r.width / 2, r.width / 2],
    guys: CORNERS,
  },
  diagonal: {
    name: 'diagonal fly',
    wind: 'across',
    windWords: 'a low corner to it',
    ridge: (r) => Math.hypot(r.length, r.width),
    covers: (r, h) => [
      flank(Math.hypot(r.length, r.width) / 2, h) * 0.7,
      flank(Math.hypot(r.length, r.width) / 2, h) * 0.7,
    ],
    guys: [
      [0, -1],
      [0, 1],
    ],
  },
  leanto: {
    name: 'lean-to',
    wind: 'across',
    windWords: 'its back to it',
    ridge: (r) => r.length,
    covers: (r, h) => [0.2, flank(r.width, h)],
    guys: [
      [-1, 1],
      [0, 1],
      [1, 1],
    ],
  },
  wedge: {
    name: 'wedge from one high point',
    wind: 'along',
    windWords: 'its low point into it',
    ridge: (r) => Math.hypot(r.length, r.width),
    covers: (r, h) => [
      flank(Math.hypot(r.length, r.width) / 2, h) * 0.6,
      flank(Math.hypot(r.length, r.width) / 2, h) * 0.6,
    ],
    guys: [
      [0, -1],
      [0, 1],
    ],
  },
  low: {
    name: 'low end-tied roof',
    wind: 'across',
    windWords: 'a low flank to it',
    ridge: (r) => r.length,
    covers: (r, h) => [flank(r.width / 2, h), flank(r.width / 2, h)],
    guys: CORNERS,
  },
  group: {
    name: 'large group roof on a high line',
    wind: 'any',
    windWords: 'high cloth takes wind from any side: mind the guys',
    ridge: (r) => r.length,
    covers: (r) => [r.width / 2, r.width / 2],
    guys: SIX,
  },
  none: {
    name: 'no roof',
    wind: 'along',
    windWords: 'in line with it, where a bed swings least',
    ridge: () => 0,
    covers: () => [0.6, 0.6],
    guys: [],
  },
};
