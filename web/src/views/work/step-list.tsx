import { Box, Button, Flex, Span, Text, chakra } from '@chakra-ui/react';
import { picturesOf } from '@rough-bight/core/picture';
import type { Planned } from '@rough-bight/core/order';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import type { RigReport } from '@rough-bight/core/shelter';
import type { Figure } from '@rough-bight/core/working';
import { sayMinutes, stepWords } from '@rough-bight/core/words';
import { Check } from 'lucide-react';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import { FigureValue } from '../../parts/figure.js';
import { RigSketch } from '../../parts/rig-sketch.js';

const SIZE = [150, 92] as const;
/** The one number of a step. */
const NUMBER = { fontFamily: 'heading', fontWeight: 700, fontSize: '19px' } as const;
/** Steps that are seen from above: where a foot goes. */
const ABOVE: ReadonlySet<string> = new Set(['guy', 'tighten', 'mark', 'ease-guys', 'hank-guys']);

/** Steps of work, one under the other: what, how, its number, and how the rig stands then. */
export function StepList({
  plan,
  report,
  body,
  units,
  people,
  striking,
  timeOf,
  timing,
}: {
  readonly plan: readonly Planned[];
  readonly report: RigReport;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
  /** What each of the people is called; one alone is not told apart. */
  readonly people: readonly string[];
  /** Whether the rig is taken down: then less of it is there with every step. */
  readonly striking: boolean;
  readonly timeOf: (p: Planned) => Figure;
  /** Which steps are done, and what ticks one off; absent while nothing is timed. */
  readonly timing: { readonly done: ReadonlySet<string>; readonly tick: (p: Planned) => void } | null;
}): ReactElement {
  const draws = useMemo(
    () => ({ side: picturesOf(report, body, 'side', SIZE), above: picturesOf(report, body, 'above', SIZE) }),
    [report, body],
  );
  const there = useMemo(() => standing(plan, report, striking), [plan, report, striking]);
  return (
    <chakra.ol aria-label={striking ? 'Steps of taking it down' : 'Steps of pitching it'}>
      {plan.map((p, i) => {
        const said = stepWords(p.step, { body, units });
        const done = timing?.done.has(p.step.id) === true;
        const draw = draws[ABOVE.has(p.step.code) ? 'above' : 'side'];
        return (
          <Flex
            as="li"
            key={p.step.id}
            gap={{ base: '10px', lg: '18px' }}
            paddingBlock="10px"
            borderBottom="1px solid"
            borderColor="hairline"
            align="flex-start"
            {...(done ? { opacity: 0.55 } : {})}
          >
            <Span
              fontFamily="heading"
              fontWeight={700}
              fontSize="19px"
              width={{ base: '22px', lg: '30px' }}
              flex="none"
              textAlign="right"
            >
              {i + 1}
            </Span>
            <Box flex={1} minWidth={0}>
              <Text fontFamily="heading" fontWeight={700} fontSize="17px" lineHeight={1.2}>
                {said.what}
                {people.length > 1 && (
                  <Span textStyle="quiet" fontFamily="body" paddingStart="8px">
                    {p.by.map((k) => people[k]).join(' and ')}
                  </Span>
                )}
              </Text>
              {said.number !== '' && (
                <Text {...NUMBER} hideFrom="lg">
                  {said.number}
                </Text>
              )}
              <Text marginTop="2px" maxWidth="62ch">
                {said.how}
              </Text>
              {p.to > p.from && (
                <Text textStyle="quiet">
                  <Time figure={timeOf(p)} /> {people.length > 1 ? `from ${clock(p.from)}` : ''}
                </Text>
              )}
            </Box>
            {said.number !== '' && (
              <Span {...NUMBER} flex="0 0 190px" hideBelow="lg">
                {said.number}
              </Span>
            )}
            <Box flex="none" width={{ base: '92px', lg: '150px' }}>
              <RigSketch picture={draw(there[i]!, new Set(p.step.lines))} />
            </Box>
            {timing !== null && (
              <Button
                minWidth="64px"
                minHeight="48px"
                variant={done ? 'ghost' : 'outline'}
                disabled={done || p.to <= p.from}
                onClick={() => timing.tick(p)}
                aria-label={`Done: ${said.what}`}
              >
                <Check size={20} aria-hidden="true" />
              </Button>
            )}
          </Flex>
        );
      })}
    </chakra.ol>
  );
}

const clock = (seconds: number): string => `minute ${Math.round(seconds / 60)}`;

function Time({ figure }: { readonly figure: Figure }): ReactElement {
  return (
    <>
      <FigureValue figure={figure} said={sayMinutes(figure.value)} />{' '}
      <Span>
        ({sayMinutes(figure.range?.[0] ?? 0)} to {sayMinutes(figure.range?.[1] ?? 0)})
      </Span>
    </>
  );
}

/** Rows of the rig that are there before each step. */
function standing(plan: readonly Planned[], report: RigReport, striking: boolean): ReadonlySet<string>[] {
  const rows = new Set([...report.rows.map((r) => r.id), 'cloth']);
  const out: ReadonlySet<string>[] = [];
  const now = new Set(striking ? rows : []);
  for (const { step } of plan) {
    out.push(new Set(now));
    for (const id of step.lines) {
      if (striking) now.delete(id);
      else now.add(id);
    }
    // cloth is there from the first thing that holds it
    if (!striking && step.lines.some((id) => /^(tie|peg|guy) /.test(id))) now.add('cloth');
  }
  return out;
}
