import { paint } from '../../app/theme/paint.js';
import { worstSpoke } from '@rough-bight/core/pitch';
import type { PitchResult, RoseCase } from '@rough-bight/core/pitch';
import { compassPoint } from '@rough-bight/core/weather';
import type { ReactElement } from 'react';

const SIZE = 200;
const MIDDLE = SIZE / 2;
const RIM = 74;
/** What stands at the rim: eight times over of what is asked, and more; just enough stands at a ring. */
const FULL = 8;
const ENOUGH = 0.4;
/** How far out a spoke reaches: straight up to just enough, then by how many times. */
const reach = (left: number): number =>
  RIM *
  (left < 1 ? Math.max(0.1, ENOUGH * left) : ENOUGH + (1 - ENOUGH) * Math.min(1, Math.log(left) / Math.log(FULL)));

/**
 * What a gust leaves from each of its bearings: the longer a spoke, the more is left; rust where something lets go. A touch
 * draws that gust.
 */
export function WindRose({
  result,
  group,
  caseId,
  onCase,
}: {
  readonly result: PitchResult;
  readonly group: 'gust' | 'wet-gust';
  readonly caseId: string;
  readonly onCase: (id: string) => void;
}): ReactElement | null {
  const spokes = result.rose.filter((r) => r.group === group);
  if (spokes.length === 0) return null;
  const worst = worstSpoke(spokes);
  return (
    <svg
      width={SIZE}
      height={SIZE}
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="group"
      aria-label={group === 'gust' ? 'Gusts on the dry rig, by bearing' : 'Gusts on the soaked rig, by bearing'}
    >
      <circle {...paint.roseRim} cx={MIDDLE} cy={MIDDLE} r={RIM} />
      {(['N', 'E', 'S', 'W'] as const).map((name, k) => {
        const [x, y] = at((k * Math.PI) / 2, RIM + 13);
        return (
          <text key={name} {...paint.roseName} x={x} y={y + 4} textAnchor="middle">
            {name}
          </text>
        );
      })}
      {spokes.map((s) => (
        <Spoke key={s.from} spoke={s} worst={s === worst} chosen={s.caseId === caseId} onCase={onCase} />
      ))}
      <circle {...paint.roseAsk} cx={MIDDLE} cy={MIDDLE} r={RIM * ENOUGH} />
      <text {...paint.roseName} x={4} y={SIZE - 6}>
        {group === 'gust' ? 'dry' : 'soaked'}
      </text>
    </svg>
  );
}

const at = (bearing: number, r: number): readonly [number, number] => [
  MIDDLE + r * Math.sin(bearing),
  MIDDLE - r * Math.cos(bearing),
];

function Spoke({
  spoke,
  worst,
  chosen,
  onCase,
}: {
  readonly spoke: RoseCase;
  readonly worst: boolean;
  readonly chosen: boolean;
  readonly onCase: (id: string) => void;
}): ReactElement {
  const { from, left, solved, caseId } = spoke;
  const long = reach(left);
  const half = Math.PI / 16;
  const wedge = (r: number): string =>
    `M${MIDDLE} ${MIDDLE}L${at(from - half, r).join(' ')}A${r} ${r} 0 0 1 ${at(from + half, r).join(' ')}Z`;
  const name = [
    `From the ${compassPoint(from, 16)}: `,
    !solved ? 'the cloth flaps' : left >= 10 ? 'ten times over and more' : `${left.toFixed(1)} times over`,
    worst ? ', the worst' : '',
  ].join('');
  const look = chosen ? paint.roseChosen : !solved || left < 1 ? paint.roseBad : paint.roseLeft;
  const press = (): void => onCase(caseId);
  return (
    <g
      style={{ cursor: 'pointer' }}
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={name}
      onClick={press}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        press();
      }}
    >
      <title>{name}</title>
      <path {...paint.roseHit} d={wedge(RIM + 4)} />
      <path {...look} d={wedge(long)} />
      {worst && <circle {...paint.roseWorst} cx={at(from, RIM)[0]} cy={at(from, RIM)[1]} r={4} />}
    </g>
  );
}
