import { Box, Button, chakra, Span, Text } from '@chakra-ui/react';
import { capital, say } from '@rough-bight/core/quantity';
import { SidePanel } from './side-panel.js';
import type { Figure } from '@rough-bight/core/working';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { rangeText } from './figure.js';
import { Symbols } from './symbols.js';
import { useUnits } from './units.js';

const FROM: Readonly<Record<NonNullable<Figure['source']>['kind'], string>> = {
  measured: 'measured',
  chosen: 'chosen',
  printed: 'the maker’s',
  standard: 'public standard',
  'published test': 'published tests',
  handbook: 'handbook',
  derived: 'worked out',
  judgement: 'judgement',
};

function Source({ figure }: { readonly figure: Figure }): ReactElement | null {
  if (figure.source === undefined) return null;
  return (
    <Span display="block" fontSize="14px">
      <b>{FROM[figure.source.kind]}</b> {figure.source.text.replace(/^catalogue, .*/, 'catalogue')}
      {figure.source.citation !== undefined && (
        <Span display="block" textStyle="quiet">
          {figure.source.citation}
        </Span>
      )}
    </Span>
  );
}

function Input({ figure, depth }: { readonly figure: Figure; readonly depth: number }): ReactElement {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const range = rangeText(figure, units);
  const opens = figure.inputs !== undefined || figure.source !== undefined;
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <chakra.li borderBottom="1px solid" borderColor="hairline">
      <Button
        unstyled
        display="grid"
        gridTemplateColumns="minmax(30px, auto) 1fr auto 16px"
        gap="6px"
        width="100%"
        minHeight="44px"
        alignItems="center"
        fontSize="14px"
        lineHeight={1.25}
        _disabled={{ opacity: 1 }}
        aria-expanded={open}
        disabled={!opens}
        onClick={() => setOpen(!open)}
      >
        <Span fontFamily="heading" fontWeight={400} color="ink2">
          <Symbols text={figure.symbol} />
        </Span>
        <Span>{figure.title}</Span>
        <Span textAlign="right" fontWeight={700}>
          {say(figure.value, figure.quantity, units)}
          {range !== null && (
            <Span display="block" textStyle="quiet">
              {range}
            </Span>
          )}
        </Span>
        {opens && <Chevron size={16} aria-hidden="true" />}
      </Button>
      {open && (
        <Box padding="2px 0 10px 14px">
          <Source figure={figure} />
          {figure.formula !== undefined && <Body figure={figure} depth={depth + 1} />}
        </Box>
      )}
    </chakra.li>
  );
}

function Body({ figure, depth }: { readonly figure: Figure; readonly depth: number }): ReactElement {
  return (
    <>
      {figure.formula !== undefined && (
        <Text
          fontFamily="heading"
          fontWeight={500}
          fontSize="16px"
          padding="9px 0 9px 12px"
          borderLeft="4px solid"
          borderColor="tar"
          marginBlock="8px"
        >
          <Symbols text={figure.formula} />
        </Text>
      )}
      {figure.inputs !== undefined && figure.inputs.length > 0 && (
        <chakra.ul borderTop="1px solid" borderColor="hairline">
          {figure.inputs.map((f, i) => (
            <Input key={`${f.symbol}${i}`} figure={f} depth={depth} />
          ))}
        </chakra.ul>
      )}
      {figure.notes?.map((note) => (
        <Text key={note} textStyle="quiet" marginTop="8px">
          {note}
        </Text>
      ))}
    </>
  );
}

/** How a number came about: formula, numbers put in, where each came from, the result and its range. */
export function WorkingPanel({
  figure,
  onClose,
}: {
  readonly figure: Figure;
  readonly onClose: () => void;
}): ReactElement {
  const units = useUnits();
  const range = rangeText(figure, units);
  return (
    <SidePanel name="Working" title={capital(figure.title)} closes="Close the working" about={figure} onClose={onClose}>
      <Text fontFamily="heading" fontWeight={700} fontSize="30px" lineHeight={1.2} margin="6px 0 2px">
        <Span fontFamily="heading" fontWeight={400} color="ink2">
          <Symbols text={figure.symbol} /> =
        </Span>{' '}
        {say(figure.value, figure.quantity, units)}
      </Text>
      {range !== null && (
        <Text color="ink2" fontSize="14px" marginBottom="8px">
          {range} in nine cases of ten, from the ranges of what was put in
        </Text>
      )}
      <Source figure={figure} />
      <Body figure={figure} depth={0} />
    </SidePanel>
  );
}
