import { paint, pitchLine, stick } from '../../app/theme/paint.js';
import type { GuyReport } from '@rough-bight/core/pitch';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { hitched } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { hemOf } from '@rough-bight/core/roof';
import type { Drawing, DrawnShape } from '@rough-bight/core/shelter';
import type { Mark } from '@rough-bight/core/support';
import { SUPPORTS } from '@rough-bight/core/support';
import { memo, useMemo } from 'react';
import type { ReactElement } from 'react';
import { HitchMark, HungMark } from '../../parts/marks.js';
import type { Frame, Point } from './frame.js';
import { across, place, svg, through, upward } from './frame.js';
import { DOT, apart, writtenAt } from './written.js';
import type { Written } from './written.js';

interface Drawn {
  readonly drawing: Drawing;
  readonly shape: DrawnShape;
  readonly frame: Frame;
}

/** Beyond the ridge from who looks from the side: drawn behind the cloth. */
const BEYOND = 0.02;

/** Another rig as pitched: its hem, folds along the ridge and lines, dashed. */
export const Beside = memo(function Beside({
  drawing,
  frame,
}: {
  readonly drawing: Drawing;
  readonly frame: Frame;
}): ReactElement {
  const { at } = drawing.shapes[0]!;
  const hem = useMemo(() => hemOf(drawing.topology.corners), [drawing]);
  const runs = [...hem, ...drawing.topology.lines.map((l) => l.nodes)];
  return (
    <path data-thing="beside" {...paint.pitchBeside} d={runs.map((nodes) => through(frame, at, nodes)).join('')} />
  );
});

/** Lines and sticks: thicker where they carry more, rust where they are short. */
export const Lines = memo(function Lines({
  drawing,
  shape,
  frame,
  bad,
  chosen,
  far,
}: Drawn & {
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  /** Those behind the cloth, or those before it. */
  readonly far: boolean;
}): ReactElement {
  const { topology, guys } = drawing;
  const { at } = shape;
  const side = frame.view === 'side';
  const isFar = (nodes: readonly number[]): boolean =>
    side && nodes.reduce((s, n) => s + at[3 * n + 1]!, 0) / nodes.length > BEYOND;
  const trips = new Set(guys.filter((g) => g.trips).map((g) => g.id));
  return (
    <g data-part="lines">
      {topology.sticks
        .filter((s) => isFar([s.from, s.to]) === far)
        .map((s) => (
          <path key={s.id} {...stick(bad.has(s.id))} d={through(frame, at, [s.from, s.to])} />
        ))}
      {topology.lines
        .filter((l) => isFar(l.nodes) === far)
        .map((l) => {
          const pull = shape.tension[l.line]!;
          const flag = trips.has(l.id) ? flagAt(place(frame, at, l.nodes[0]!), place(frame, at, l.nodes.at(-1)!)) : '';
          return (
            <g key={l.id}>
              <path
                {...pitchLine(bad.has(l.row), chosen === l.row, pull < 1)}
                d={through(frame, at, l.nodes)}
                strokeWidth={Math.min(5, 1.4 + Math.sqrt(pull) / 9).toFixed(1)}
              />
              {flag !== '' && <path {...paint.pitchFlag} d={flag} />}
            </g>
          );
        })}
      {guys
        .filter((g) => g.kind !== 'tie' && (side && g.foot[1] > BEYOND) === far)
        .map((g) => (
          <FootMark key={g.id} guy={g} frame={frame} bad={bad.has(g.id)} />
        ))}
    </g>
  );
});

/** Pixels for a millimetre of a support's mark, and what paints it. */
const MARK = 3.2;
const INK = {
  outline: [paint.peg, paint.pegBad],
  dashed: [paint.buried, paint.buriedBad],
  filled: [paint.stem, paint.stemBad],
} as const satisfies Readonly<Record<Mark['ink'], unknown>>;

/** What holds a guy's foot; a tree of the rig is drawn already. */
function FootMark({
  guy,
  frame,
  bad,
}: {
  readonly guy: GuyReport;
  readonly frame: Frame;
  readonly bad: boolean;
}): ReactElement | null {
  const side = frame.view === 'side';
  const { mark } = SUPPORTS[guy.held];
  const drawn = mark[side ? 'side' : 'above']((guy.thick * frame.scale) / MARK, frame.scale / MARK);
  if (drawn === '') return null;
  const [x, y] = [across(frame, guy.foot[0]), upward(frame, side ? guy.foot[2] : guy.foot[1])];
  return (
    <path
      {...INK[mark.ink][bad ? 1 : 0]}
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) scale(${MARK})`}
      d={drawn}
    />
  );
}

/** Something bright on a guy that people walk into, and the room it takes. */
const flagOn = (a: Point, b: Point): Point => [a[0] * 0.6 + b[0] * 0.4, a[1] * 0.6 + b[1] * 0.4];
const flagAt = (a: Point, b: Point): string => `M${svg(flagOn(a, b))}l-4 11h8z`;
const flagRoom = (a: Point, b: Point): Written => {
  const [x, y] = flagOn(a, b);
  return { x, y: y + 5.5, half: 4, tall: 5.5 };
};

/** Pixels a metre under which names of what hangs would lie on each other. */
const ROOM_FOR_NAMES = 48;

/** Turns of the roof's hitches, and what hangs on the line: gear below it, cloth from a hitch that grips it. */
export const Hangers = memo(function Hangers({
  drawing,
  shape,
  frame,
  hung,
}: Drawn & {
  /** What hangs there, of the rig that is drawn. */
  readonly hung: RidgeRig['hung'];
}): ReactElement {
  const { lines } = drawing.topology;
  const side = frame.view === 'side';
  const names = side && drawing.topology.clothNodes === 0 && frame.scale > ROOM_FOR_NAMES;
  return (
    <>
      {lines
        .filter((l) => l.role === 'loop')
        .map((l) => {
          const [x, y] = place(frame, shape.at, l.nodes[0]!);
          return <HitchMark key={l.id} x={x} y={y} angle={0} />;
        })}
      {drawing.topology.hung.map((h) => {
        const [x, y] = place(frame, shape.at, h.node);
        const thing = hung.find((t) => t.id === h.id);
        const grips = thing !== undefined && hitched(thing);
        return (
          <g key={h.id}>
            <title>{h.name}</title>
            {!side ? (
              <g data-thing="hung">
                <path {...paint.hung} d={`M${svg([x - 5, y - 5])}h10v10h-10z`} />
              </g>
            ) : grips ? (
              <>
                <HungCloth x={x} y={y} side={Math.sqrt(thing.area) * frame.scale} floor={upward(frame, 0) - 10} />
                <HitchMark x={x} y={y} angle={0} />
              </>
            ) : (
              <HungMark x={x} y={y} lantern={/lantern|lamp/i.test(h.name)} />
            )}
            {names && (
              <text x={x + 12} y={y + 28}>
                {h.name}
              </text>
            )}
          </g>
        );
      })}
    </>
  );
});

/** Cloth that hangs from one hitch: a corner up, to scale by its area. */
function HungCloth({
  x,
  y,
  side,
  floor,
}: {
  readonly x: number;
  readonly y: number;
  readonly side: number;
  readonly floor: number;
}): ReactElement {
  const drop = Math.max(0, Math.min(1.2 * side, floor - y));
  return (
    <path
      {...paint.clothHung}
      d={`M${x} ${y}L${x + 0.45 * side} ${y + 0.7 * drop}Q${x + 0.1 * side} ${y + drop} ${x} ${y + drop}Q${x - 0.1 * side} ${y + drop} ${x - 0.45 * side} ${y + 0.7 * drop}Z`}
    />
  );
}

/** Where a touch opens a line's numbers: wide, unseen, far ones under the near ones. */
export const Touches = memo(function Touches({
  drawing,
  shape,
  frame,
  onLine,
}: Drawn & { readonly onLine: (row: string, at: { readonly x: number; readonly y: number }) => void }): ReactElement {
  const depth = (nodes: readonly number[]): number => shape.at[3 * nodes[0]! + 1]!;
  return (
    <g>
      {[...drawing.topology.lines]
        .sort((a, b) => depth(b.nodes) - depth(a.nodes))
        .map((l) => (
          <path
            key={l.id}
            {...paint.pitchTouch}
            d={through(frame, shape.at, l.nodes)}
            onClick={(e) => onLine(l.row, { x: e.clientX, y: e.clientY })}
          />
        ))}
    </g>
  );
});

/** Where along a line its pull is written, in the order in which that is tried. */
const ALONG = [0.5, 0.62, 0.38, 0.74, 0.26] as const;

/** What pulls, beside each line: those on the near side, and whatever is chosen or short. Nothing is written on anything else. */
export const Pulls = memo(function Pulls({
  drawing,
  shape,
  frame,
  bad,
  chosen,
  units,
  keepOff,
}: Drawn & {
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly units: UnitChoice;
  readonly keepOff: readonly Written[];
}): ReactElement {
  const told = drawing.topology.lines.flatMap((l) => {
    if (l.role === 'loop') return [];
    const near = frame.view === 'above' || shape.at[3 * l.nodes[0]! + 1]! < BEYOND;
    if (!near && chosen !== l.row && !bad.has(l.row)) return [];
    const nodes = l.role === 'ridge' ? l.nodes.slice(0, 2) : l.nodes;
    return [{ l, nodes, a: place(frame, shape.at, nodes[0]!), b: place(frame, shape.at, nodes.at(-1)!) }];
  });
  const trips = new Set(drawing.guys.filter((g) => g.trips).map((g) => g.id));
  const dots = told.flatMap(({ l, a, b }): Written[] => [
    ...[a, b].map(([x, y]): Written => ({ x, y, half: DOT, tall: DOT })),
    ...(trips.has(l.id) ? [flagRoom(a, b)] : []),
  ]);
  const taken: Written[] = [...keepOff];
  return (
    <g>
      {told.map(({ l, nodes, a, b }) => {
        const text = say(shape.tension[l.line]!, 'force', units);
        // beside a line that runs up the picture, above one that runs across it
        const steep = Math.abs(a[0] - b[0]) < Math.abs(a[1] - b[1]);
        const [dx, dy] = [steep ? 26 : 0, steep ? 5 : l.role === 'stretch' ? -14 : -7];
        // a line that hangs is told where it is, not on its chord
        const places =
          l.role === 'stretch'
            ? [place(frame, shape.at, nodes[nodes.length >> 1]!)]
            : ALONG.map((t): Point => [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])]);
        const tries = places.map(([x, y]) => writtenAt(x + dx, y + dy, text, 'middle'));
        const legible = tries.filter((w) => taken.every((t) => apart(t, w)));
        // the first there stays; one that is chosen is told in any case
        const at = legible.find((w) => dots.every((d) => apart(d, w))) ?? legible[0] ?? (chosen === l.row && tries[0]);
        if (at === undefined || at === false) return null;
        taken.push(at);
        return (
          <text
            key={l.id}
            x={at.x.toFixed(1)}
            y={(at.y + 5).toFixed(1)}
            textAnchor="middle"
            {...(bad.has(l.row) ? paint.pullShort : paint.pull)}
          >
            {text}
          </text>
        );
      })}
    </g>
  );
});
