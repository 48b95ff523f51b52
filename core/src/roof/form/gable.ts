import { SIX, twoFlanks } from './footprint.js';
import type { Form } from './form.js';
import { onHitch, overRidge } from './over-ridge.js';

export const gable: Form = {
  name: 'gable',
  words: 'Two flanks over a ridge: room, and shelter from both sides.',
  laid: 'The middle tie-outs of both short edges on the line; corners and edge middles out, straight from the ridge.',
  reads: ['edges'],
  hangs: 'ridge',
  usual: { edges: [0.5, 0.5] },
  open: null,
  wind: 'across',
  windWords: 'a closed flank to it',
  footprint: twoFlanks(SIX),
  plan: (g) => overRidge(g, 0, onHitch),
};
