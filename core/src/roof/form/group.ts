import { SIX, flat } from './footprint.js';
import type { Form } from './form.js';
import { onHitch, overRidge } from './over-ridge.js';

export const group: Form = {
  name: 'large group roof',
  words: 'A big gable on a high line, its edges at head height.',
  laid: 'The middles of both short edges on the line, corners and edge middles out, high.',
  reads: ['edges'],
  hangs: 'ridge',
  usual: { edges: [1.2, 1.2] },
  open: null,
  wind: 'any',
  windWords: 'high cloth takes wind from any side: mind the guys',
  footprint: flat(SIX),
  plan: (g) => overRidge(g, 0, onHitch),
};
