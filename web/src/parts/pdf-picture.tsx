import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import { Font, Path, Svg } from '@react-pdf/renderer';
import { pathOf } from '@rough-bight/core/picture';
import type { Pen, Picture } from '@rough-bight/core/picture';
import type { ReactElement } from 'react';
import { COLOURS } from '../app/theme/colours.js';

/** What is printed is set in. */
export const FACE = 'Atkinson Hyperlegible Next';
Font.register({
  family: FACE,
  fonts: [{ src: regular }, { src: bold, fontWeight: 700 }],
});
// words are not parted: there is no dictionary on board
Font.registerHyphenationCallback((word) => [word]);

/** A colour of the day: paper is white in every theme. */
export const day = (name: keyof typeof COLOURS): string => COLOURS[name][0];

const PENS: Readonly<Record<Pen, Readonly<Record<string, string | number>>>> = {
  ground: { fill: 'none', stroke: day('tar'), strokeWidth: 1.4 },
  trunk: { fill: day('tar') },
  cloth: { fill: day('roof') },
  hem: { fill: 'none', stroke: day('tar'), strokeWidth: 0.7 },
  line: { fill: 'none', stroke: day('ink'), strokeWidth: 1.2 },
  now: { fill: 'none', stroke: day('act'), strokeWidth: 3 },
  stick: { fill: 'none', stroke: day('tar'), strokeWidth: 2 },
  bed: { fill: 'none', stroke: day('moss'), strokeWidth: 2.4 },
  foot: { fill: day('tar') },
  guide: { fill: 'none', stroke: day('tar'), strokeWidth: 0.9, strokeDasharray: '4 4' },
  body: { fill: day('ink') },
};

/** A small true picture on paper, pt wide and high. */
export const PdfPicture = ({
  picture,
  width,
  height,
}: {
  readonly picture: Picture;
  readonly width: number;
  readonly height: number;
}): ReactElement => (
  <Svg viewBox={`0 0 ${picture.width} ${picture.height}`} style={{ width, height, alignSelf: 'center' }}>
    {picture.strokes.map((s, i) => (
      <Path key={i} d={pathOf(s)} {...PENS[s.pen]} />
    ))}
  </Svg>
);
