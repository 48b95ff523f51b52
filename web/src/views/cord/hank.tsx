import { Box, Flex, Span, Text, chakra } from '@chakra-ui/react';
import { SCRAP } from '@rough-bight/core/budget';
import type { Stock, Taken } from '@rough-bight/core/budget';
import { cutFigure } from '@rough-bight/core/cordage';
import { capital, say, sayByArms } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { FigureValue } from '../../parts/figure.js';
import { useUnits } from '../../parts/units.js';

/** One line that comes from a length on hand. */
export interface Share {
  readonly taken: Taken;
  readonly part: Taken['parts'][number];
  /** Name of its rig. */
  readonly rig: string;
}

const Bar = chakra('div', {
  base: {
    display: 'flex',
    height: '26px',
    border: '1.5px solid',
    borderColor: 'ink',
    bg: 'cloth2',
    overflow: 'hidden',
    minWidth: '40px',
  },
});

/** A stretch of the cord: marked off with what it is cut by, or running on where it stays uncut. */
const Stretch = chakra('div', {
  base: {
    display: 'grid',
    placeItems: 'center',
    minWidth: 0,
    overflow: 'hidden',
    fontFamily: 'heading',
    fontWeight: 700,
    fontSize: '13px',
    color: 'ink',
    // a rope laid: turns across the length
    backgroundImage:
      'repeating-linear-gradient(115deg, transparent 0 7px, color-mix(in srgb, var(--rb-colors-tar) 55%, transparent) 7px 8.5px)',
    bg: 'roof',
  },
  variants: {
    end: {
      cut: { borderRight: '3px solid', borderColor: 'danger' },
      whole: { borderRight: '1px dashed', borderColor: 'ink2' },
    },
    over: { true: { opacity: 0.45 } },
  },
});

/** A length on hand, drawn to scale beside the others, and what it is cut into. */
export function HankPlan({
  name,
  stock,
  shares,
  left,
  longest,
  body,
}: {
  readonly name: string;
  readonly stock: Stock;
  readonly shares: readonly Share[];
  /** m, for other things. */
  readonly left: number;
  /** Of all lengths on hand, m: as wide as there is room. */
  readonly longest: number;
  readonly body: BodyMeasures;
}): ReactElement {
  const units = useUnits();
  return (
    <chakra.li paddingBlock="12px 10px" borderBottom="1px solid" borderColor="hairline">
      <Flex gap="12px" align="baseline" wrap="wrap">
        <b>{capital(name)}</b>
        <Span textStyle="quiet">
          {say(stock.length, 'length', units)}
          {stock.piece !== null && ' in one, cut before'}
        </Span>
        <Span textStyle="quiet" marginStart="auto">
          {left > 0
            ? `${say(left, 'length', units)} ${left < SCRAP ? 'over, too short to keep' : 'left in one'}`
            : shares.some((s) => s.part.over >= SCRAP)
              ? 'the rest stays on it'
              : 'nothing left over'}
        </Span>
      </Flex>
      <Bar style={{ width: `${(100 * stock.length) / longest}%` }} aria-hidden="true">
        {shares.map(({ taken, part }, i) => [
          <Stretch
            key={taken.need.id}
            style={{ flex: `${part.length} 0 0` }}
            {...(part.uncut ? (part.over > 0 ? { end: 'whole' as const } : {}) : { end: 'cut' as const })}
          >
            <Span bg="roof" paddingInline="3px">
              {i + 1}
            </Span>
          </Stretch>,
          part.over > 0 && <Stretch key={`${taken.need.id} over`} over style={{ flex: `${part.over} 0 0` }} />,
        ])}
        {left > 0 && <Box style={{ flex: `${left} 0 0` }} />}
      </Bar>
      <chakra.ol marginTop="6px" display="grid" gridTemplateColumns={{ lg: '1fr 1fr' }} columnGap="28px">
        {shares.map(({ taken, part, rig }, i) => (
          <Flex as="li" key={taken.need.id} gap="10px" align="baseline" minHeight="34px">
            <Span fontFamily="heading" fontWeight={700} width="16px" flex="none">
              {i + 1}
            </Span>
            <Box minWidth={0} flex={1}>
              {capital(taken.need.name)} {taken.need.role !== 'binding' && <Span textStyle="quiet">of {rig}</Span>}
              <Text textStyle="quiet">
                {howWords(taken, part, units)}
                {part.uncut ? '' : `; ${sayByArms(part.length, body)}`}
              </Text>
            </Box>
            {taken.parts.length === 1 ? (
              <FigureValue figure={{ ...cutFigure(taken.need.cut, taken.need.name), value: taken.need.length }} />
            ) : (
              <b>{say(part.length, 'length', units)}</b>
            )}
          </Flex>
        ))}
      </chakra.ol>
    </chakra.li>
  );
}

function howWords({ parts }: Taken, part: Taken['parts'][number], units: Parameters<typeof say>[2]): string {
  if (parts.length > 1) return part.uncut ? 'all of it, joined on' : 'cut off and joined on';
  if (!part.uncut) return 'cut off';
  return part.over > 0.3 ? `not cut: ${say(part.over, 'length', units)} hang over` : 'not cut';
}
