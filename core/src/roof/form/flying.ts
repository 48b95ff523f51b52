import { CORNERS, flat } from './footprint.js';
import type { Form } from './form.js';
import { onHitch, overRidge } from './over-ridge.js';

export const flying: Form = {
  name: 'flying roof',
  words: 'High and nearly flat, its edges on sticks: air and shade.',
  laid: 'The middles of both short edges on the line, corners and edge middles out over sticks.',
  reads: ['edges'],
  hangs: 'ridge',
  usual: { edges: [1.5, 1.3] },
  open: null,
  wind: 'any',
  windWords: 'flat cloth takes wind from any side',
  footprint: flat(CORNERS),
  plan: (g) => overRidge(g, 0, onHitch),
};
