import { paint } from '../../app/theme/paint.js';
import type { Net, NetNumbers } from '@rough-bight/core/net';
import type { ReactElement } from 'react';

const WIDTH = 640;
const HEIGHT = 380;
const MARGIN = 26;
/** Seen from a little above and to one side, parallel: cosine and sine of the turn and of the tilt. */
const [TURN_C, TURN_S, TILT_C, TILT_S] = [Math.cos(0.45), Math.sin(0.45), Math.cos(0.4), Math.sin(0.4)];
/** How far away a place is. */
const away = (x: number, y: number, z: number): number => (x * TURN_S + y * TURN_C) * TILT_C - z * TILT_S;
/** How panels are drawn: slack, pulled one way, pulled both ways. */
const PANEL = [paint.netSlack, paint.netWrinkled, paint.netTaut];
/** Beyond this many things a drawing of this size says nothing more. */
const MOST = 8000;

/** The net at rest, to scale: lines as thick as they pull, slack ones dashed, slack cloth empty. */
export function NetPicture({ net, numbers }: { readonly net: Net; readonly numbers: NetNumbers }): ReactElement | null {
  const { lines = [], struts = [], panels = [] } = net;
  if (lines.length + struts.length + panels.length > MOST) return null;
  const flat = net.nodes.map((_, i): [number, number] => {
    const [x, y, z] = [0, 1, 2].map((c) => numbers.at[3 * i + c]!) as [number, number, number];
    return [x * TURN_C - y * TURN_S, -(z * TILT_C + (x * TURN_S + y * TURN_C) * TILT_S)];
  });
  const [left, right] = [Math.min(...flat.map((p) => p[0])), Math.max(...flat.map((p) => p[0]))];
  const [top, bottom] = [Math.min(...flat.map((p) => p[1])), Math.max(...flat.map((p) => p[1]))];
  const scale = Math.min(
    (WIDTH - 2 * MARGIN) / Math.max(right - left, 1e-6),
    (HEIGHT - 2 * MARGIN) / Math.max(bottom - top, 1e-6),
  );
  const index = new Map(net.nodes.map((n, i) => [n.id, i]));
  const place = (id: string): string => {
    const [x, y] = flat[index.get(id)!]!;
    return `${(WIDTH / 2 + (x - (left + right) / 2) * scale).toFixed(1)},${(HEIGHT / 2 + (y - (top + bottom) / 2) * scale).toFixed(1)}`;
  };
  const most = Math.max(...numbers.tension, ...numbers.strutForce.map(Math.abs), 1e-9);
  const width = (force: number): number => 1 + 3.5 * Math.sqrt(Math.abs(force) / most);
  const depth = (ids: readonly string[]): number =>
    ids.reduce((sum, id) => {
      const i = 3 * index.get(id)!;
      return sum + away(numbers.at[i]!, numbers.at[i + 1]!, numbers.at[i + 2]!);
    }, 0) / ids.length;
  // the farthest first, so that what is behind the cloth is behind it here
  const shapes = [
    ...panels.map((p, i) => ({
      depth: depth(p.corners),
      draw: (
        <polygon key={`panel ${p.id}`} {...PANEL[numbers.panelState[i]!]!} points={p.corners.map(place).join(' ')} />
      ),
    })),
    ...struts.map((s, i) => ({
      depth: depth([s.from, s.to]),
      draw: (
        <polyline
          key={`strut ${s.id}`}
          {...paint.netStrut}
          strokeWidth={width(numbers.strutForce[i]!) + 2}
          points={`${place(s.from)} ${place(s.to)}`}
        />
      ),
    })),
    ...lines.map((l, i) => ({
      depth: depth([l.from, l.to]),
      draw: (
        <polyline
          key={`line ${l.id}`}
          {...(numbers.tension[i]! > 0 ? paint.netLine : paint.netLoose)}
          strokeWidth={width(numbers.tension[i]!)}
          points={[l.from, ...(l.through ?? []).map((p) => p.node), l.to].map(place).join(' ')}
        />
      ),
    })),
    ...net.nodes
      .filter((n) => n.fixed === true || n.foot !== undefined)
      .map((n) => {
        const [cx, cy] = place(n.id).split(',');
        return {
          depth: depth([n.id]),
          draw: <circle key={`node ${n.id}`} {...paint.netHeld} cx={cx} cy={cy} r={4} />,
        };
      }),
  ].sort((a, b) => b.depth - a.depth);
  return (
    <svg
      style={{ display: 'block', width: '100%', height: 'auto' }}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={`${lines.length} lines, ${struts.length} struts and ${panels.length} panels at rest, to scale`}
    >
      {shapes.map((s) => s.draw)}
    </svg>
  );
}
