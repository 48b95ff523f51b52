export * from './form.js';

import type { Form, FormPlan, OpenSide, Setting, Shape } from './form.js';
import { canopy } from './canopy.js';
import { closed } from './closed.js';
import { diagonal } from './diagonal.js';
import { diamond } from './diamond.js';
import { flying } from './flying.js';
import { gable } from './gable.js';
import { group } from './group.js';
import { leanto } from './leanto.js';
import { lifted } from './lifted.js';
import { low } from './low.js';
import { prop } from './prop.js';
import { storm } from './storm.js';
import { threesided } from './threesided.js';
import { tube } from './tube.js';
import { wedge } from './wedge.js';
import { window } from './window.js';

/** Every form a roof can be pitched in, and be wished for on the ground: the one list of them. */
export const PITCH_TRAITS = {
  gable,
  closed,
  storm,
  window,
  tube,
  flying,
  group,
  canopy,
  diagonal,
  leanto,
  wedge,
  lifted,
  threesided,
  diamond,
  prop,
  low,
} as const satisfies Record<string, Form>;
export type PitchForm = keyof typeof PITCH_TRAITS;
export const PITCH_FORMS = Object.keys(PITCH_TRAITS) as readonly PitchForm[];

/** Traits of a form by its id. */
export const formOf = (id: PitchForm): Form => PITCH_TRAITS[id];

/** Those pieces of a form that are over something: all but its floor. */
export const overheadOf = ({ facets, floor = [] }: Pick<FormPlan, 'facets' | 'floor'>): FormPlan['facets'] =>
  facets.filter((f) => !floor.includes(f));

/**
 * A form by construction.
 * @throws FormProblem naming the number to change
 */
export const planForm = (id: PitchForm, g: Setting): FormPlan => formOf(id).plan(g);

const ACROSS = { left: 'right', right: 'left' } as const;
/** The side that a form is open on as it is shaped; null where both are alike. */
export function openSide(
  { open, either }: Pick<Form, 'open' | 'either'>,
  { side }: Pick<Shape, 'side'>,
): OpenSide | null {
  return either?.of === 'side' && side === 1 && (open === 'left' || open === 'right') ? ACROSS[open] : open;
}

/**
 * Whether a form on a span opens into the wind, so that it is better pitched the other way round.
 * @param bearing  of the span, first tie to second, rad clockwise from north
 * @param windFrom bearing the wind comes from, rad
 */
export function opensIntoWind({ open }: Pick<Form, 'open'>, bearing: number, windFrom: number): boolean {
  if (open === null) return false;
  const toward = { left: -Math.PI / 2, right: Math.PI / 2, first: Math.PI, second: 0 }[open];
  return Math.cos(windFrom - (bearing + toward)) > ABEAM;
}
/** Wind that comes nearly along a side neither suits it nor not. */
const ABEAM = 0.1;
