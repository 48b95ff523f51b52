import { flank } from './footprint.js';
import type { Form } from './form.js';
import { onHitch, overRidge } from './over-ridge.js';

export const leanto: Form = {
  name: 'lean-to',
  words: 'One slope to the ground behind, open in front, with an awning or without.',
  laid: 'Counted from the front corners, the tie-outs of the short edges where the awning ends on the line; the back edge pegged, to windward.',
  reads: ['edges', 'awning'],
  hangs: 'ridge',
  usual: { edges: [1.4, 0], awning: 0.25 },
  open: 'left',
  wind: 'across',
  windWords: 'its back to it',
  footprint: {
    ridge: (r) => r.length,
    covers: (r, h) => [0.2, flank(r.width, h)],
    guys: [
      [-1, 1],
      [0, 1],
      [1, 1],
    ],
  },
  // the open front is to the left
  plan: (g) => overRidge(g, g.width / 2 - Math.min(0.5, g.shape.awning) * g.width, onHitch),
};
