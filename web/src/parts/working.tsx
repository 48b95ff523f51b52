import { Button, IconButton } from '@chakra-ui/react';
import { capital, say } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { ChevronDown, ChevronRight, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { rangeText } from './figure.js';
import { Symbols } from './symbols.js';
import { useUnits } from './units.js';

const FROM: Readonly<Record<NonNullable<Figure['source']>['kind'], string>> = {
  measured: 'measured',
  chosen: 'chosen',
  standard: 'public standard',
  'published test': 'published tests',
  handbook: 'handbook',
  derived: 'worked out',
  judgement: 'judgement',
};

function Source({ figure }: { readonly figure: Figure }): ReactElement | null {
  if (figure.source === undefined) return null;
  return (
    <span className="working-source">
      <b>{FROM[figure.source.kind]}</b> {figure.source.text.replace(/^catalogue, .*/, 'catalogue')}
      {figure.source.citation !== undefined && <span className="working-citation">{figure.source.citation}</span>}
    </span>
  );
}

function Input({ figure, depth }: { readonly figure: Figure; readonly depth: number }): ReactElement {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const range = rangeText(figure, units);
  const opens = figure.inputs !== undefined || figure.source !== undefined;
  const Chevron = open ? ChevronDown : ChevronRight;
  return (
    <li className="working-input">
      <Button unstyled className="working-row" aria-expanded={open} disabled={!opens} onClick={() => setOpen(!open)}>
        <span className="working-symbol">
          <Symbols text={figure.symbol} />
        </span>
        <span className="working-title">{figure.title}</span>
        <span className="working-value">
          {say(figure.value, figure.quantity, units)}
          {range !== null && <span className="working-range">{range}</span>}
        </span>
        {opens && <Chevron size={16} aria-hidden="true" />}
      </Button>
      {open && (
        <div className="working-inside">
          <Source figure={figure} />
          {figure.formula !== undefined && <Body figure={figure} depth={depth + 1} />}
        </div>
      )}
    </li>
  );
}

function Body({ figure, depth }: { readonly figure: Figure; readonly depth: number }): ReactElement {
  return (
    <>
      {figure.formula !== undefined && (
        <p className="working-formula">
          <Symbols text={figure.formula} />
        </p>
      )}
      {figure.inputs !== undefined && figure.inputs.length > 0 && (
        <ul className="working-inputs">
          {figure.inputs.map((f, i) => (
            <Input key={`${f.symbol}${i}`} figure={f} depth={depth} />
          ))}
        </ul>
      )}
      {figure.notes?.map((note) => (
        <p key={note} className="working-note">
          {note}
        </p>
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
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    heading.current?.focus();
  }, [figure]);
  const range = rangeText(figure, units);
  return (
    <section className="working" aria-label="Working" onKeyDown={(e) => e.key === 'Escape' && onClose()}>
      <header className="panel-head">
        <h1 ref={heading} tabIndex={-1}>
          {capital(figure.title)}
        </h1>
        <IconButton variant="ghost" aria-label="Close the working" onClick={onClose}>
          <X size={20} />
        </IconButton>
      </header>
      <p className="working-result">
        <span className="working-symbol">
          <Symbols text={figure.symbol} /> =
        </span>{' '}
        {say(figure.value, figure.quantity, units)}
      </p>
      {range !== null && (
        <p className="working-spread">{range} in nine cases of ten, from the ranges of what was put in</p>
      )}
      <Source figure={figure} />
      <Body figure={figure} depth={0} />
    </section>
  );
}
