import { Box, Flex, Span, Text } from '@chakra-ui/react';
import type { Asked, Said } from '@rough-bight/core/drill';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { AskedOpen } from '@rough-bight/core/teach';
import { capital } from '@rough-bight/core/quantity';
import { answerNumber, counted } from '@rough-bight/core/words';
import type { ReactElement } from 'react';
import { ink, paint } from '../../app/theme/paint.js';

const [WIDE, HIGH, EDGE, DOT] = [640, 150, 60, 7];
/** Height of the line that guesses stand on, and the room above it for them, below what is true. */
const BASE = HIGH - 34;
const ROOM = BASE - 2 - 26;

/** In which row over the line each dot stands, so that none lies on another: the lowest with room. @param at where along it, rising */
function stacked(at: readonly number[], r: number): number[] {
  const ends: number[] = [];
  return at.map((x) => {
    const free = ends.findIndex((end) => end + 2 * r <= x);
    const row = free < 0 ? ends.length : free;
    ends[row] = x;
    return row;
  });
}

/** What a class guessed, all of it at once; with what is true once that is shown. */
export function Spread({
  asked,
  all,
  units,
}: {
  readonly asked: Asked | AskedOpen;
  readonly all: readonly Said[];
  readonly units: UnitChoice;
}): ReactElement {
  if (all.length === 0) return <Text textStyle="quiet">Nobody has said anything yet.</Text>;
  switch (asked.form) {
    case 'choice':
      return (
        <Box as="ul" aria-label="What was said">
          {asked.options.map((o) => {
            const count = all.filter((s) => s === o.id).length;
            const right = 'truth' in asked && asked.truth === o.id;
            return (
              <Flex as="li" key={o.id} gap="12px" align="center" paddingBlock="4px">
                <Span flex="0 1 240px" fontWeight={right ? 700 : 400}>
                  {o.name}
                  {right && ': right'}
                </Span>
                <Box flex="1" maxWidth="360px">
                  <Box
                    height="14px"
                    width={`${(100 * count) / all.length}%`}
                    minWidth="2px"
                    background={right ? 'act' : 'tar'}
                  />
                </Box>
                <Span fontWeight={700}>{count}</Span>
              </Flex>
            );
          })}
        </Box>
      );
    case 'number':
      return <Line asked={asked} all={all.filter((s): s is number => typeof s === 'number')} units={units} />;
    case 'place':
      return <Text>{capital(counted(all.length, 'foot', 'feet'))} set.</Text>;
  }
}

/** Guesses of a number, a dot each, on a line on which twice as much is always as far. */
function Line({
  asked,
  all,
  units,
}: {
  readonly asked: Extract<Asked | AskedOpen, { readonly form: 'number' }>;
  readonly all: readonly number[];
  readonly units: UnitChoice;
}): ReactElement {
  const truth = 'truth' in asked ? asked.truth : null;
  const ends = [...all, ...(truth === null ? [] : [truth])];
  const [low, high] = [Math.min(...ends) / 1.25, Math.max(...ends) * 1.25];
  const x = (v: number): number => EDGE + ((WIDE - 2 * EDGE) * Math.log(v / low)) / Math.log(high / low);
  const sorted = [...all].sort((a, b) => a - b);
  const told = (v: number): string => answerNumber(asked, v, units);
  // where many say nearly the same, dots get smaller until all have room
  const tall = Math.max(...stacked(sorted.map(x), DOT)) + 1;
  const r = Math.min(DOT, ROOM / (2 * tall));
  const rows = stacked(sorted.map(x), r);
  const middle = sorted[sorted.length >> 1]!;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      style={{ display: 'block', width: '100%', height: 'auto' }}
      role="img"
      aria-label={`${counted(all.length, 'guess', 'guesses')} from ${told(sorted[0]!)} to ${told(sorted.at(-1)!)}, the middle one ${told(middle)}${
        truth === null ? '' : `; it is ${told(truth)}`
      }`}
    >
      <line x1={EDGE / 2} x2={WIDE - EDGE / 2} y1={BASE} y2={BASE} stroke={ink('ink')} strokeWidth={1.5} />
      {truth !== null && (
        <g>
          <line x1={x(truth)} x2={x(truth)} y1={26} y2={HIGH - 26} stroke={ink('act')} strokeWidth={4} />
          <text x={x(truth)} y={20} textAnchor="middle" fontSize={20} fontWeight={700} {...paint.words}>
            {told(truth)}
          </text>
        </g>
      )}
      {sorted.map((v, i) => (
        <circle key={i} cx={x(v)} cy={BASE - 2 - r - 2 * r * rows[i]!} r={r} fill={ink('tar')} />
      ))}
      {[sorted[0]!, middle, sorted.at(-1)!]
        .filter((v, i, list) => i === 0 || x(v) - x(list[i - 1]!) > 70)
        .map((v, i) => (
          <text key={i} x={x(v)} y={HIGH - 12} textAnchor="middle" fontSize={16} {...paint.words}>
            {told(v)}
          </text>
        ))}
    </svg>
  );
}
