import { Button, Span } from '@chakra-ui/react';
import { say, show } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import type { ReactElement } from 'react';
import { useOpenWorking, useUnits } from './units.js';

/** In a line of words; and one that is looked for. */
const SMALL = {
  minHeight: '24px',
  textDecoration: 'underline dotted var(--rb-colors-ink2) 1px',
  textUnderlineOffset: '3px',
};
const BIG = { minHeight: '30px', minWidth: '44px', fontSize: '19px', lineHeight: 1.15 };

/** The figure and its unit, each in its face. */
const FACES = {
  _hover: { textDecoration: 'underline solid var(--rb-colors-act) 2px' },
  '& > span': { fontFamily: 'heading' },
  '& > small': { fontWeight: 400, fontSize: '0.86em' },
};

/** A number that opens its working when touched. */
export function FigureValue({
  figure,
  big = false,
  band = false,
  said,
}: {
  readonly figure: Figure;
  readonly big?: boolean;
  readonly band?: boolean;
  /** In words of its own: "4 min". */
  readonly said?: string;
}): ReactElement {
  const units = useUnits();
  const open = useOpenWorking();
  const shown = show(figure.value, figure.quantity, units);
  const range = band && figure.range !== undefined ? rangeText(figure, units) : null;
  return (
    <>
      <Button
        unstyled
        display="inline-flex"
        alignItems="baseline"
        gap="3px"
        whiteSpace="nowrap"
        fontWeight={700}
        css={FACES}
        {...(big ? BIG : SMALL)}
        onClick={() => open(figure)}
        aria-label={`${figure.title}: ${said ?? say(figure.value, figure.quantity, units)}. Open the working`}
      >
        {said === undefined ? (
          <>
            <span>{shown.text}</span> {shown.unit !== '' && <small>{shown.unit}</small>}
          </>
        ) : (
          <span>{said}</span>
        )}
      </Button>
      {range !== null && (
        <Span textStyle="quiet" paddingStart="5px" display="inline-block">
          {range}
        </Span>
      )}
    </>
  );
}

/** "220 to 503". */
export function rangeText(figure: Figure, units: Parameters<typeof show>[2]): string | null {
  if (figure.range === undefined || !(figure.range[1] > figure.range[0])) return null;
  const low = show(figure.range[0], figure.quantity, units);
  const high = show(figure.range[1], figure.quantity, units);
  if (low.text === high.text && low.unit === high.unit) return null;
  // the unit is told once, behind the value itself
  return low.unit === high.unit && low.unit === show(figure.value, figure.quantity, units).unit
    ? `${low.text} to ${high.text}`
    : `${low.text} ${low.unit} to ${high.text} ${high.unit}`;
}
