import { Flex, Span, Text, chakra } from '@chakra-ui/react';
import { byMonth, calibration, offBy } from '@rough-bight/core/drill';
import type { Guessed, Spaced } from '@rough-bight/core/drill';
import { DRILL_NAMES, sinceWords, calibrationWords, counted, offWords } from '@rough-bight/core/words';
import { capital } from '@rough-bight/core/quantity';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import { BandChart } from '../../parts/band-chart.js';
import type { BandRow } from '../../parts/band-chart.js';

const monthName = (month: string): string =>
  new Intl.DateTimeFormat('en', { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${month}-15T00:00:00Z`),
  );
const dayName = (day: Date): string => new Intl.DateTimeFormat('en', { day: 'numeric', month: 'long' }).format(day);

const NEAR = { name: '% that were near', min: 0, max: 100 } as const;

/** How far off somebody is, month by month and by kind, with what that can be told; and how sure they may be. */
export function Progress({
  guesses,
  spaced,
  name,
}: {
  readonly guesses: readonly Guessed[];
  readonly spaced: readonly Spaced[];
  readonly name: string;
}): ReactElement | null {
  const months = useMemo(
    () =>
      [...byMonth(guesses)].flatMap(([month, of]): BandRow[] => {
        const off = offBy(of);
        return off === null ? [] : [{ name: monthName(month), low: off.range[0], mid: off.times, high: off.range[1] }];
      }),
    [guesses],
  );
  const better = useMemo(() => {
    const told = [...byMonth(guesses)].flatMap(([month, of]) => {
      const off = offBy(of);
      return off === null ? [] : [{ when: monthName(month), off }];
    });
    return told.length < 2 ? null : sinceWords(told[0]!, told.at(-1)!);
  }, [guesses]);
  const sureness = useMemo(() => calibration(guesses).filter((c) => c.count >= 5), [guesses]);
  const nears = useMemo(
    () =>
      sureness.map(({ sure, near, range }): BandRow => ({
        name: `Said to be ${Math.round(100 * sure)} % sure`,
        low: 100 * range[0],
        mid: 100 * near,
        high: 100 * range[1],
        bad: sure > range[1],
      })),
    [sureness],
  );
  const top = useMemo(() => Math.max(2, ...months.map((m) => m.high)) * 1.1, [months]);
  const axis = useMemo(() => ({ name: 'times off', min: 1, max: Math.ceil(top) }), [top]);
  if (guesses.length === 0)
    return (
      <Text textStyle="quiet" marginTop="14px">
        Nothing was guessed yet: after a few guesses it is told here how far off they are, and whether it gets less.
      </Text>
    );
  return (
    <>
      <chakra.h2 marginTop="22px">{name}: what the eye knows</chakra.h2>
      {better !== null && <Text textStyle="verdict">{better}</Text>}
      {months.length > 0 && (
        <>
          <BandChart label="How far off the guesses were, month by month" rows={months} axis={axis} />
          <Text textStyle="quiet">
            Each band: nine in ten that the truth about the eye lies in it. Once is right; twice is double or half.
          </Text>
        </>
      )}
      <chakra.ul maxWidth="80ch" marginTop="8px" aria-label="By kind of drill">
        {spaced
          .filter((s) => s.count > 0)
          .map(({ kind, count, due }) => {
            const of = guesses.filter((g) => g.kind === kind);
            const off = offBy(of);
            const near = of.filter((g) => g.near).length;
            return (
              <Flex
                as="li"
                key={kind}
                gap="12px"
                paddingBlock="5px"
                borderBottom="1px solid"
                borderColor="hairline"
                wrap="wrap"
              >
                <Span flex="1 1 240px">{DRILL_NAMES[kind]}</Span>
                <Span flex="1 1 260px">{off === null ? `${near} of ${count} near` : capital(offWords(off))}</Span>
                <Span textStyle="quiet">{due === null || due <= new Date() ? 'due' : `again ${dayName(due)}`}</Span>
              </Flex>
            );
          })}
      </chakra.ul>
      {nears.length > 1 && (
        <BandChart label="How often they were near, by how sure they said they were" rows={nears} axis={NEAR} />
      )}
      {sureness.map((c) => (
        <Text key={c.sure} marginTop="6px">
          {calibrationWords(c)}
        </Text>
      ))}
      {sureness.length === 0 && (
        <Text textStyle="quiet" marginTop="6px">
          {capital(counted(guesses.length, 'guess', 'guesses'))} so far; from five of one sureness on it is told how
          that fits.
        </Text>
      )}
    </>
  );
}
