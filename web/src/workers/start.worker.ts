import type { UnitChoice } from '@rough-bight/core/quantity';
import type { RigContext } from '@rough-bight/core/rig';
import { ready, shortlist } from '@rough-bight/core/start';
import type { Candidate, Ready, Wanted } from '@rough-bight/core/start';
import { expose } from 'comlink';
import type { Answer } from './answer.js';
import { answer } from './answer.js';

const service = {
  /** Rigs that could stand there, best first, none of them solved yet. */
  shortlist: (wanted: Wanted, context: RigContext, units: UnitChoice): Answer<readonly Candidate[]> =>
    answer(units, () => shortlist(wanted, context)),
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
