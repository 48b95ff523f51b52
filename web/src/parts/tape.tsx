import { Flex, Span, VisuallyHidden, chakra } from '@chakra-ui/react';
import { ListOrdered } from 'lucide-react';
import type { ReactElement } from 'react';
import { NavLink } from 'react-router';
import type { To } from 'react-router';
import { Wave } from './marks.js';

/** One mark of the tape: a step, what it comes to, and whether it holds. */
export interface TapeMark {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** Absent where there is nothing that holds or does not: what is done with it. */
  readonly state?: 'holds' | 'fails' | 'none';
  /** Absent where there is nothing to open yet. */
  readonly to?: To;
}

const Mark = chakra('span', {
  base: {
    flex: 1,
    minWidth: 0,
    minHeight: { base: 0, lg: '72px' },
    display: 'flex',
    flexDirection: 'column',
    alignItems: { base: 'center', lg: 'stretch' },
    gap: '2px',
    padding: { base: '8px 2px 4px', lg: '12px 14px 8px 12px' },
    textDecoration: 'none',
    // each step ends at a long tick of the tape
    background: {
      lg: 'linear-gradient(var(--rb-colors-ink), var(--rb-colors-ink)) right top / 16px 1.5px no-repeat',
    },
    '& svg': { marginTop: '4px' },
    '& [data-state=none]': { opacity: 0.6 },
    '& [data-state=fails]': { stroke: 'danger' },
    '&[aria-current]': { bg: 'ink', color: 'cloth' },
    '&[aria-current] span': { color: 'inherit !important' },
    '&[aria-current] svg': { stroke: 'currentColor' },
  },
});

/** The measuring tape down the left edge, along the foot on a phone: the steps in the order they are done. */
export function Tape({
  label,
  marks,
  words,
}: {
  readonly label: string;
  readonly marks: readonly TapeMark[];
  /** How each state is read aloud. */
  readonly words: Readonly<Record<NonNullable<TapeMark['state']>, string>>;
}): ReactElement {
  return (
    <Flex
      as="nav"
      aria-label={label}
      direction={{ base: 'row', lg: 'column' }}
      position={{ base: 'fixed', lg: 'static' }}
      insetInline={0}
      bottom={0}
      zIndex={{ base: 3, lg: 'auto' }}
      height={{ base: '68px', lg: 'auto' }}
      borderTop={{ base: '1.5px solid', lg: 0 }}
      borderRight={{ base: 0, lg: '1.5px solid' }}
      borderColor={{ base: 'ink', lg: 'ink' }}
      bg="cloth2"
      overflow="hidden"
      // ticks of a measuring tape
      backgroundImage={{
        lg: 'repeating-linear-gradient(to bottom, var(--rb-colors-tar) 0 1.5px, transparent 1.5px 9.8px)',
      }}
      backgroundPosition="right top"
      backgroundSize="8px 100%"
      backgroundRepeat="no-repeat"
    >
      {marks.map((m) => {
        const inside = (
          <>
            <Span
              fontFamily="heading"
              fontWeight={700}
              fontSize={{ base: '14px', lg: '17px' }}
              lineHeight={1.2}
              color={m.to === undefined ? 'ink2' : 'inherit'}
            >
              {m.name}
            </Span>
            <Span textStyle="quiet" lineHeight={1.25} display={{ base: 'none', lg: 'inline' }}>
              {m.text}
            </Span>
            {m.state === undefined ? (
              <ListOrdered size={17} aria-hidden="true" />
            ) : (
              <>
                <Wave state={m.state} />
                <VisuallyHidden>{words[m.state]}</VisuallyHidden>
              </>
            )}
          </>
        );
        return m.to === undefined ? (
          <Mark key={m.id}>{inside}</Mark>
        ) : (
          <Mark key={m.id} asChild>
            <NavLink to={m.to}>{inside}</NavLink>
          </Mark>
        );
      })}
    </Flex>
  );
}
