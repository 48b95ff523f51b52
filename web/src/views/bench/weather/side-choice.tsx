import { compassPoint } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';
import { Choice } from '../../../parts/choice.js';

const FULL_TURN = 2 * Math.PI;
/** Sides that wind may come from, sixteen round the compass, rad. */
const SIDES = Array.from({ length: 16 }, (_, k) => (k * FULL_TURN) / 16);
/** The side that is nearest. */
const sideOf = (from: number): number => Math.round((from * 16) / FULL_TURN) % 16;

/** The side that wind comes from, with the worst one marked where it is known. */
export function SideChoice({
  from,
  worst,
  onFrom,
}: {
  /** rad, clockwise from north. */
  readonly from: number;
  readonly worst: number | null;
  readonly onFrom: (from: number) => void;
}): ReactElement {
  return (
    <Choice
      label="From the"
      value={String(sideOf(from))}
      options={SIDES.map((side, k) => ({
        id: String(k),
        name: `${compassPoint(side, 16)}${worst !== null && sideOf(worst) === k ? ', the worst' : ''}`,
      }))}
      onChange={(k) => onFrom(SIDES[Number(k)]!)}
    />
  );
}
