import { SIX, twoFlanks } from './footprint.js';
import type { Form } from './form.js';
import { onHitch, overRidge } from './over-ridge.js';

export const storm: Form = {
  name: 'gable, one side dropped',
  words: 'The left flank pegged to the ground against the wind.',
  laid: 'As a gable: middles of the short edges on the line. The left edge pegged, to windward.',
  reads: ['edges'],
  hangs: 'ridge',
  usual: { edges: [0, 0.6] },
  open: 'right',
  wind: 'across',
  windWords: 'the dropped side to it',
  footprint: twoFlanks(SIX),
  plan: (g) => overRidge(g, 0, onHitch),
};
