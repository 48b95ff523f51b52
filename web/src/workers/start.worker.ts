import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RigContext } from '@rough-bight/core/rig';
import { firstLook, ready, rehearse, shortlist } from '@rough-bight/core/start';
import type { Candidate, Looked, Ready, Wanted } from '@rough-bight/core/start';
import { expose } from 'comlink';
import type { Answer } from './answer.js';
import { answer } from './answer.js';

let rehearsed: readonly Candidate[] | null = null;

const service = {
  /** Part of the work before it is asked for, with nothing to show for it but speed. */
  rehearse: (wanted: Wanted, context: RigContext, units: UnitChoice, k: number): Answer<null> =>
    answer(units, () => {
      rehearsed ??= shortlist(wanted, context);
      if (rehearsed.length > 0) rehearse(rehearsed[k % rehearsed.length]!, context, units);
      return null;
    }),
  /** Rigs that could stand there, best first, none of them solved yet. */
  shortlist: (wanted: Wanted, context: RigContext, units: UnitChoice): Answer<readonly Candidate[]> =>
    answer(units, () => shortlist(wanted, context)),
  /** One of them as it would stand, before it is sized. */
  look: (candidate: Candidate, wanted: Wanted, context: RigContext, units: UnitChoice): Answer<Looked> =>
    answer(units, () => firstLook(candidate, wanted.who, context)),
  /** One of them solved, sized and judged. */
  ready: (
    candidate: Candidate,
    wanted: Wanted,
    context: RigContext,
    units: UnitChoice,
    progress: (done: number) => void,
  ): Answer<Ready> =>
    answer(units, () =>
      ready(candidate, wanted.who, context, units, (done) => {
        progress(done);
        return true;
      })!,
    ),
};

export type StartService = typeof service;
expose(service);
