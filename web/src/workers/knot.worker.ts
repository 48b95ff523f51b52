import { KNOTS, tie } from '@rough-bight/core/knot';
import type { Tied } from '@rough-bight/core/knot';
import { expose } from 'comlink';

const service = {
  /** A knot tied, or one of the ways in which it is tied wrong. */
  tie: (id: string, wrong: string | null): Tied => {
    const knot = KNOTS.find((k) => k.id === id)!;
    return tie(wrong === null ? knot.lay : knot.wrong.find((w) => w.id === wrong)!.lay);
  },
};

export type KnotService = typeof service;
expose(service);
