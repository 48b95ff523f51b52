import type { Place } from '@rough-bight/core/ground';
import { kindOf } from '@rough-bight/core/ground';
import { BEAUFORT, compassPoint } from '@rough-bight/core/weather';
import type { GroundJudgement } from '../../workers/ground.worker.js';

export const GROUND_STEPS = ['look', 'measure', 'wind', 'choose'] as const;
export type GroundStep = (typeof GROUND_STEPS)[number];

export interface GroundMark {
  readonly step: GroundStep;
  readonly name: string;
  readonly text: string;
  readonly state: 'holds' | 'fails' | 'none';
}

/** The marks of the tape: what is done on arriving, in its order. */
export function groundMarks(place: Place, judgement: GroundJudgement | null): GroundMark[] {
  const anchors = place.things.filter((t) => kindOf(t).ends);
  const out = anchors.filter((t) => t.kind === 'tree' && t.signs.length > 0).length;
  const grave = judgement?.survey?.findings.filter((f) => f.grave).length ?? 0;
  return [
    {
      step: 'look',
      name: 'Look',
      text: anchors.length === 0 ? 'nothing drawn' : `${anchors.length} anchors${out > 0 ? `, ${out} ruled out` : ''}`,
      state: anchors.length < 2 ? 'none' : 'holds',
    },
    {
      step: 'measure',
      name: 'Measure',
      text:
        place.measures.length === 0
          ? 'drawn by eye'
          : `${place.measures.length} measures${grave > 0 ? `, ${grave} doubtful` : ''}`,
      state: place.measures.length === 0 ? 'none' : grave > 0 ? 'fails' : 'holds',
    },
    {
      step: 'wind',
      name: 'Wind',
      text: `${BEAUFORT[place.wind.beaufort]!.name}${place.wind.beaufort > 0 ? `, ${compassPoint(place.wind.from)}` : ''}`,
      state: place.wind.beaufort >= 8 ? 'fails' : 'holds',
    },
    {
      step: 'choose',
      name: 'Choose',
      text: judgement === null ? '' : `${judgement.goodCount} spans`,
      state: judgement === null ? 'none' : judgement.goodCount > 0 ? 'holds' : 'fails',
    },
  ];
}

/** What every panel of the view needs to show and change the place. */
export interface GroundEditing {
  readonly place: Place;
  readonly edit: (next: Place) => null;
}
