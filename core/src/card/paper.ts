import type { Colours } from '../picture/index.js';

/** What a card is written on and with. */
export type Paper = Colours & Readonly<Record<'cloth' | 'ink2' | 'danger' | 'line', string>>;

/** Cloth and ink by day; dim and reddish at night. */
export const DAY: Paper = {
  cloth: '#F4EEE1',
  ink: '#16241E',
  ink2: '#4A544E',
  tar: '#5A4330',
  act: '#D9861A',
  danger: '#98301A',
  roof: '#C9B88F',
  moss: '#566539',
  line: '#CFC3AC',
};
export const EMBER: Paper = {
  cloth: '#150E0B',
  ink: '#F0C3A2',
  ink2: '#B58A6E',
  tar: '#C08A66',
  act: '#FF9448',
  danger: '#FF5A3C',
  roof: '#3A271E',
  moss: '#C08A66',
  line: '#3A271E',
};
