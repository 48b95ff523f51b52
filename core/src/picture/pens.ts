import type { Pen, Picture } from './picture.js';

/** Colours of a card, as CSS tells them. */
export type Colours = Readonly<Record<'ink' | 'tar' | 'act' | 'roof' | 'moss', string>>;

/** Each pen as an SVG presentation. */
const pensIn = ({ ink, tar, act, roof, moss }: Colours): Readonly<Record<Pen, string>> => ({
  ground: `fill="none" stroke="${tar}" stroke-width="1.4"`,
  trunk: `fill="${tar}" opacity=".8"`,
  cloth: `fill="${roof}" opacity=".85"`,
  hem: `fill="none" stroke="${tar}" stroke-width=".7"`,
  line: `fill="none" stroke="${ink}" stroke-width="1.2"`,
  now: `fill="none" stroke="${act}" stroke-width="3"`,
  stick: `fill="none" stroke="${tar}" stroke-width="2"`,
  bed: `fill="none" stroke="${moss}" stroke-width="2.4"`,
  foot: `fill="${tar}"`,
  guide: `fill="none" stroke="${tar}" stroke-width=".9" stroke-dasharray="4 4"`,
  body: `fill="${ink}"`,
});

const round = (v: number): string => String(Math.round(v * 10) / 10);

/** Where a stroke goes, as the data of a path. */
export const pathOf = ({ rings, closed }: Picture['strokes'][number]): string =>
  rings.map((r) => `M${r.map(([x, y]) => `${round(x)} ${round(y)}`).join('L')}${closed ? 'Z' : ''}`).join('');

/** A picture's strokes as SVG paths. */
export function pathsOf({ strokes }: Picture, colours: Colours): string {
  const pens = pensIn(colours);
  return strokes.map((s) => `<path ${pens[s.pen]} d="${pathOf(s)}"/>`).join('');
}

/** Dark modules as one path, a unit each. */
export const modulesPath = (modules: readonly (readonly boolean[])[]): string =>
  modules.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
