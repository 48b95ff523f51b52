import type { BodyMeasures } from '../quantity/index.js';
import type { Calibrations } from './calibration.js';
import type { Place } from './place-document.js';
import type { MeasureHow } from './place.js';

/** Whose paces and spans something was measured with: lengths of their body and how they were calibrated. */
export interface Measurer {
  readonly body: BodyMeasures;
  readonly calibrations: Calibrations;
}
/** One of those who measure here. */
export interface Person extends Measurer {
  readonly id: string;
  readonly name: string;
}
/** Whoever reads, and all who are known: what a person measured follows when that person is calibrated anew. */
export interface Reader extends Measurer {
  readonly id?: string;
  readonly people?: readonly Person[];
}

/** Body units that distances are measured with. */
export const UNIT_OF: Readonly<Partial<Record<MeasureHow, 'pace' | 'foot' | 'armSpan'>>> = {
  paces: 'pace',
  feet: 'foot',
  spans: 'armSpan',
};
/** Whether a way of measuring takes a person's own length for its unit. */
export const byBody = (how: MeasureHow): boolean => UNIT_OF[how] !== undefined;

type Copies = Pick<Place, 'measurers'>;

/** Who took a measure: the person as known now, else as kept in the place, else whoever reads. */
export function measurerOf(by: string | undefined, place: Copies, reader: Reader): Measurer {
  if (by === undefined || by === reader.id) return reader;
  return reader.people?.find((p) => p.id === by) ?? place.measurers?.find((p) => p.id === by) ?? reader;
}

/** "Hazel’s" where another than the reader measured; null where it was the reader. */
export function ownedBy(by: string | undefined, place: Copies, reader: Reader): string | null {
  if (by === undefined || by === reader.id) return null;
  const { name } = reader.people?.find((p) => p.id === by) ?? place.measurers?.find((p) => p.id === by) ?? {};
  return name === undefined ? null : `${name}’s`;
}

/** The measurers of a place with one as known now, to be named by a measure. */
export const withMeasurer = (place: Copies, { id, name, body, calibrations }: Person): readonly Person[] => [
  ...(place.measurers ?? []).filter((m) => m.id !== id),
  { id, name, body, calibrations },
];

/** A place whose paced and spanned measures all say by whom: those that did not, by one person. */
export function measuredFirst(place: Place, person: Person): Place {
  if (place.measures.every((m) => m.by !== undefined || !byBody(m.how))) return place;
  return {
    ...place,
    measures: place.measures.map((m) => (m.by === undefined && byBody(m.how) ? { ...m, by: person.id } : m)),
    measurers: withMeasurer(place, person),
  };
}
