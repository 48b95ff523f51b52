import { CORNERS, twoFlanks } from './footprint.js';
import type { Form } from './form.js';
import { overRidge } from './over-ridge.js';

export const low: Form = {
  name: 'low, end-tied',
  words: 'Ends tied straight to the trunks, the middle raised on two sticks in an A.',
  laid: 'The middles of both short edges tied to the trunks; corners down, two sticks under the middle.',
  reads: ['edges', 'lift'],
  hangs: 'ends',
  usual: { edges: [0, 0], lift: 0.1 },
  open: null,
  wind: 'across',
  windWords: 'a low flank to it',
  footprint: twoFlanks(CORNERS),
  plan: (g) => ({ ...overRidge(g, 0, (end) => ({ to: 'trunk', end }), Math.max(0, g.shape.lift)), ridge: null }),
};
