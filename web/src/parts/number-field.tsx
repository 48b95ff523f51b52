import { INCH, METRES_PER, NEWTONS_PER, POUND, readLength, readNumber } from '@rough-bight/core/quantity';
import type { Limit, Quantity, UnitChoice } from '@rough-bight/core/quantity';
import { Input, InputGroup } from '@chakra-ui/react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Field } from './field.js';
import { useUnits } from './units.js';

/** A length that goes no further than this, m, is typed in inches by who reads feet: a knot's loss, a spread, a haul. */
const SHORT = 1;
/** A mass that goes no further than this, kg, is typed in grams or ounces. */
const LIGHT = 1;
const OUNCE = POUND / 16;

/** Miles an hour, m/s (1959 agreement). */
const MPH = 0.44704;

/** How a quantity is typed: its unit, and how many SI units one of it is. */
function typed(
  quantity: Quantity,
  units: UnitChoice,
  max: number,
): { readonly unit: string; readonly si: number; readonly places: number } {
  switch (quantity) {
    case 'length':
      if (units.length === 'ft' && max <= SHORT) return { unit: 'in', si: INCH, places: 1 };
      return { unit: units.length, si: METRES_PER[units.length], places: 2 };
    case 'force':
      return { unit: units.force, si: NEWTONS_PER[units.force], places: units.force === 'N' ? 0 : 1 };
    case 'diameter':
      return { unit: 'mm', si: 0.001, places: 1 };
    case 'mass':
      if (max < LIGHT)
        return units.force === 'lbf' ? { unit: 'oz', si: OUNCE, places: 2 } : { unit: 'g', si: 0.001, places: 1 };
      return units.force === 'lbf' ? { unit: 'lb', si: POUND, places: 2 } : { unit: 'kg', si: 1, places: 2 };
    case 'share':
    case 'chance':
      return { unit: '%', si: 0.01, places: 1 };
    case 'angle':
      return { unit: '°', si: Math.PI / 180, places: 0 };
    case 'speed':
      return units.length === 'ft' ? { unit: 'mph', si: MPH, places: 0 } : { unit: 'm/s', si: 1, places: 1 };
    case 'area':
      return { unit: `${units.length}²`, si: METRES_PER[units.length] ** 2, places: 1 };
    default:
      return { unit: '', si: 1, places: 2 };
  }
}

function trim(x: number, places: number): string {
  return String(Number(x.toFixed(places)));
}

interface Props {
  readonly label: string;
  /** SI; null where nothing stands there yet. */
  readonly value: number | null;
  /** What it is and how far it may go. */
  readonly limit: Pick<Limit, 'quantity' | 'min' | 'max'>;
  /** SI; arrow keys move by it. */
  readonly step: number;
  readonly whole?: boolean;
  readonly hint?: string;
  /** Decimals shown; else as many as the quantity is known to. */
  readonly decimals?: number;
  /** In a table, where the heading is the label: it is read out but not shown. */
  readonly bare?: boolean;
  readonly suffix?: string;
  /** Why it cannot be as it is, where the form around it knows. */
  readonly problem?: string | null;
  /** Takes the number; returns why it cannot be, or null. */
  readonly onCommit: (value: number) => string | null;
  /** Told whether what stands in it cannot be taken: a button that would use the number before it must not. */
  readonly onFault?: (wrong: boolean) => void;
}

/** A number with its unit. What does not fit stays as typed, with the reason beneath. */
export function NumberField({
  label,
  value,
  limit: { quantity, min, max },
  step,
  whole = false,
  bare = false,
  decimals: asked,
  hint,
  suffix,
  problem: known = null,
  onCommit,
  onFault,
}: Props): ReactElement {
  const units = useUnits();
  const { unit, si, places } = typed(quantity, units, max);
  const decimals = asked ?? (whole ? 0 : quantity === 'length' && unit !== 'in' && step < 0.01 ? 3 : places);
  const shown = value === null ? '' : trim(value / si, decimals);
  const [text, setText] = useState(shown);
  const [problem, setProblem] = useState<string | null>(null);
  const [seen, setSeen] = useState(shown);
  if (seen !== shown) {
    // changed from outside: what was typed here gives way
    setSeen(shown);
    setText(shown);
    setProblem(null);
  }

  const fault = (found: string | null): void => {
    setProblem(found);
    onFault?.(found !== null);
  };
  const commit = (raw: string): void => {
    if (raw.trim() === shown) {
      fault(null);
      return;
    }
    const number = quantity === 'length' ? readLength(raw, unit === 'in' ? 'in' : units.length) : readNumber(raw);
    const allowed = `${trim(min / si, decimals)} to ${trim(max / si, decimals)}${unit === '' ? '' : ` ${unit}`}`;
    if (number === null) {
      const feet = quantity === 'length' && units.length === 'ft' ? ', or feet and inches' : '';
      fault(
        `${raw.trim() === '' ? 'There is no number here' : `“${raw.trim()}” is not a number`}. Type one from ${allowed}${feet}.`,
      );
      return;
    }
    if (whole && !Number.isInteger(number)) {
      fault(`${label} is counted in whole ones, from ${allowed}.`);
      return;
    }
    const inside = number * si;
    if (inside < min - 1e-12 || inside > max + 1e-12) {
      fault(`${label} can be from ${allowed}.`);
      return;
    }
    fault(onCommit(Math.min(max, Math.max(min, inside))));
  };
  const nudge = (by: number): void => {
    const next = Math.min(max, Math.max(min, Math.round(((value ?? min) + by) / step) * step));
    fault(onCommit(next));
  };
  const after = suffix ?? unit;
  return (
    <Field label={label} problem={problem ?? known} hint={hint} bare={bare}>
      <InputGroup
        endElement={after === '' ? undefined : after}
        endElementProps={{ position: 'absolute', right: 0, bottom: '9px', fontSize: '13px', color: 'ink2' }}
      >
        <Input
          inputMode="decimal"
          autoComplete="off"
          value={text}
          data-typed={text === shown ? undefined : ''}
          {...(bare ? { size: 'sm' as const } : {})}
          paddingEnd={after === '' ? '2px' : `calc(${after.length}ch + 4px)`}
          onChange={(e) => setText(e.target.value)}
          onBlur={(e) => commit(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') commit(e.currentTarget.value);
            else if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
              e.preventDefault();
              nudge((e.key === 'ArrowUp' ? 1 : -1) * step * (e.shiftKey ? 10 : 1));
            } else if (e.key === 'Escape' && text !== shown) {
              // as it was: what it stands in stays open
              e.preventDefault();
              setText(shown);
              fault(null);
            }
          }}
        />
      </InputGroup>
    </Field>
  );
}
