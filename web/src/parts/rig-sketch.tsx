import { pathOf } from '@rough-bight/core/picture';
import type { Pen, Picture } from '@rough-bight/core/picture';
import type { ReactElement, ReactNode, SVGProps } from 'react';
import { ink } from '../app/theme/paint.js';
import { Sketch } from './sketch.js';

const PENS: Readonly<Record<Pen, SVGProps<SVGPathElement>>> = {
  ground: { fill: 'none', stroke: ink('tar'), strokeWidth: 1.2 },
  trunk: { fill: ink('tar'), opacity: 0.8 },
  cloth: { fill: ink('roof'), opacity: 0.85 },
  hem: { fill: 'none', stroke: ink('tar'), strokeWidth: 0.7 },
  line: { fill: 'none', stroke: ink('ink'), strokeWidth: 1.1 },
  now: { fill: 'none', stroke: ink('act'), strokeWidth: 3.2, strokeLinecap: 'round', strokeLinejoin: 'round' },
  stick: { fill: 'none', stroke: ink('tar'), strokeWidth: 2, strokeLinecap: 'round' },
  bed: { fill: 'none', stroke: ink('moss'), strokeWidth: 2.4, strokeLinecap: 'round' },
  foot: { fill: ink('tar') },
  guide: { fill: 'none', stroke: ink('tar'), strokeWidth: 0.9, strokeDasharray: '4 4' },
  body: { fill: ink('ink') },
};

/** A small true picture of a rig, drawn by the core, and what lies over it. */
export function RigSketch({
  picture,
  label,
  children,
}: {
  readonly picture: Picture;
  readonly label?: string;
  readonly children?: ReactNode;
}): ReactElement {
  return (
    <Sketch size={picture} label={label} role={children === undefined ? 'img' : 'group'}>
      {picture.strokes.map((s, i) => (
        <path key={i} d={pathOf(s)} {...PENS[s.pen]} />
      ))}
      {children}
    </Sketch>
  );
}
