import { bedCloth, paint, stick, strap } from '../app/theme/paint.js';
import type { BedShape } from '@rough-bight/core/shelter';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice, Vec3 } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';

/** From metres in the rig to a place on the picture, px. */
export type Project = (p: Vec3) => readonly [number, number];

/** How deep the sides of a bed hang beside who lies in it, and how wide it lies, m. */
const SIDES = 0.2;
const HALF = 0.36;
/** Thickness of a person and radius of a head, m. */
const THICK = 0.2;
const HEAD = 0.11;

const path = (points: readonly (readonly [number, number])[]): string =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}`;

/** A bed in one case, with who is in it, from the side or from above, to scale. */
export function BedMark({
  shape,
  project,
  scale,
  above,
  bad,
  chosen,
  units,
}: {
  readonly shape: BedShape;
  readonly project: Project;
  /** px a metre. */
  readonly scale: number;
  readonly above: boolean;
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  /** Of the pulls of its straps; null where none is written. */
  readonly units: UnitChoice | null;
}): ReactElement {
  const parts = shape.line.length - 1;
  const [a, b] = [shape.line[0]!, shape.line[parts]!];
  const level = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const across: readonly [number, number] = [-(b[1] - a[1]) / level, (b[0] - a[0]) / level];
  const full = (k: number): number => Math.sin((Math.PI * k) / parts);
  const lain = shape.body.length > 0;
  const wide = HALF * (lain ? 1 : 0.35);
  const edge = (side: 1 | -1): (readonly [number, number])[] =>
    shape.line.map((p, k) =>
      project([
        p[0] + side * wide * full(k) * across[0],
        p[1] + side * wide * full(k) * across[1],
        p[2] + (lain ? SIDES : 0.04) * full(k),
      ]),
    );
  const outline = above
    ? `${path(edge(1))}L${path(edge(-1).reverse()).slice(1)}Z`
    : `${path(shape.line.map(project))}L${path(edge(1).reverse()).slice(1)}Z`;
  return (
    <g data-thing="bed">
      {shape.poles.map((p) => (
        <g key={p.end}>
          {p.stays.map((s, k) => (
            <path key={k} {...strap(bad.has(`stay${p.end}${k}`))} d={path([project(p.head), project(s.foot)])} />
          ))}
          <path {...stick(bad.has(`pole${p.end}`))} d={path([project(p.foot), project(p.head)])} />
        </g>
      ))}
      {shape.sideStay !== null && (
        <path {...paint.bedSideStay} d={path([project(shape.line[parts / 2]!), project(shape.sideStay)])} />
      )}
      {lain && !above && <Person body={shape.body} project={project} scale={scale} />}
      <path data-thing="bed-cloth" {...bedCloth(bad.has('bed'))} d={outline} />
      {lain && above && <Person body={shape.body} project={project} scale={scale} />}
      {shape.ridge && <path {...paint.bedRidge} d={path([project(a), project(b)])} />}
      {([0, 1] as const).map((i) => {
        const from = project(shape.ties[i]);
        const to = project(i === 0 ? a : b);
        return (
          <g key={i}>
            <path {...strap(bad.has(`strap${i}`), chosen === `strap${i}`)} d={path([from, to])} />
            {units !== null && (
              <text
                {...(bad.has(`strap${i}`) ? paint.pullShort : paint.pull)}
                x={(from[0] + to[0]) / 2}
                y={(from[1] + to[1]) / 2 + (above ? 20 : 18)}
                textAnchor="middle"
              >
                {say(shape.straps[i], 'force', units)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** Who is in it: a body along its top line, a head at the first place lying and at the last sitting. */
function Person({
  body,
  project,
  scale,
}: {
  readonly body: readonly Vec3[];
  readonly project: Project;
  readonly scale: number;
}): ReactElement {
  const sits = body.length === 2;
  const down = (p: Vec3, by: number): Vec3 => [p[0], p[1], p[2] - by];
  const line = sits ? [body[0]!, down(body[1]!, 0.3)] : body.slice(1).map((p) => down(p, THICK / 2));
  const [x, y] = project(down(sits ? body[1]! : body[0]!, HEAD));
  return (
    <g>
      <path {...paint.person} d={path(line.map(project))} strokeWidth={(THICK * scale).toFixed(1)} />
      <circle {...paint.personHead} cx={x} cy={y} r={(HEAD * scale).toFixed(1)} />
    </g>
  );
}
