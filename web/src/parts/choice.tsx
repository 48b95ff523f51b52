import { Checkbox, Input, NativeSelect, SegmentGroup, Text } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { Field, Refused } from './field.js';

/** What takes a choice: returns why it cannot be, or null. */
type Takes<T> = (value: T) => string | null | void;

/** Why the last choice was refused, until something else is chosen, changed from outside, or the field is left. */
function useRefused<T>(value: T, onChange: Takes<T>) {
  const [refused, setRefused] = useState<{ readonly of: T; readonly problem: string } | null>(null);
  const take = (next: T): void => {
    const problem = onChange(next) ?? null;
    setRefused(problem === null ? null : { of: value, problem });
  };
  return {
    problem: refused !== null && refused.of === value ? refused.problem : null,
    take,
    leave: () => setRefused(null),
  };
}

/** One of a list, as a drop-down. What does not fit is not taken, with the reason beneath. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  hint,
  wide = false,
  problem: known = null,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly name: string }[];
  readonly onChange: Takes<T>;
  readonly hint?: string;
  readonly wide?: boolean;
  /** Why it cannot be as it is, where the form around it knows. */
  readonly problem?: string | null;
}): ReactElement {
  const { problem, take, leave } = useRefused(value, onChange);
  return (
    <Field label={label} problem={problem ?? known} hint={hint} wide={wide}>
      <NativeSelect.Root>
        <NativeSelect.Field value={value} onChange={(e) => take(e.currentTarget.value as T)} onBlur={leave}>
          {options.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </NativeSelect.Field>
      </NativeSelect.Root>
    </Field>
  );
}

/** One of a few, side by side. One that does not fit is refused with the reason beneath. */
export function Segments<T extends string>({
  label,
  value,
  options,
  onChange,
  showLabel = false,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly name: string }[];
  readonly onChange: Takes<T>;
  readonly showLabel?: boolean;
}): ReactElement {
  const { problem, take, leave } = useRefused(value, onChange);
  const root = useRef<HTMLDivElement>(null);
  // one that was refused is not the one that is read out
  useEffect(() => {
    root.current?.querySelectorAll('input').forEach((input) => (input.checked = input.value === value));
  }, [value, problem]);
  return (
    <>
      <SegmentGroup.Root
        ref={root}
        value={value}
        onValueChange={(e) => e.value !== null && take(e.value as T)}
        onBlur={leave}
        aria-label={label}
      >
        {showLabel && (
          <Text as="span" alignSelf="center" paddingEnd="8px" aria-hidden>
            {label}
          </Text>
        )}
        {options.map((o) => (
          <SegmentGroup.Item key={o.id} value={o.id}>
            <SegmentGroup.ItemText>{o.name}</SegmentGroup.ItemText>
            <SegmentGroup.ItemHiddenInput />
          </SegmentGroup.Item>
        ))}
      </SegmentGroup.Root>
      <Refused>{problem}</Refused>
    </>
  );
}

/** Whether something is so. What does not fit is not taken, with the reason beneath. */
export function Check({
  checked,
  disabled = false,
  onChange,
  children,
}: {
  readonly checked: boolean;
  readonly disabled?: boolean;
  readonly onChange: Takes<boolean>;
  readonly children: ReactNode;
}): ReactElement {
  const { problem, take, leave } = useRefused(checked, onChange);
  return (
    <>
      <Checkbox.Root
        checked={checked}
        disabled={disabled}
        onCheckedChange={(e) => take(e.checked === true)}
        onBlur={leave}
      >
        <Checkbox.HiddenInput />
        <Checkbox.Control />
        <Checkbox.Label>{children}</Checkbox.Label>
      </Checkbox.Root>
      <Refused>{problem}</Refused>
    </>
  );
}

/** A name. An empty one stays as typed, with the reason beneath. */
export function TextField({
  label,
  value,
  max,
  onCommit,
  empty = false,
  wide = false,
}: {
  readonly label: string;
  readonly value: string;
  readonly max: number;
  readonly onCommit: (value: string) => void;
  readonly empty?: boolean;
  readonly wide?: boolean;
}): ReactElement {
  const [text, setText] = useState(value);
  const [problem, setProblem] = useState<string | null>(null);
  const [seen, setSeen] = useState(value);
  if (seen !== value) {
    // changed from outside: what was typed here gives way
    setSeen(value);
    setText(value);
    setProblem(null);
  }
  const commit = (): void => {
    const clean = text.trim();
    if (clean === '' && !empty) setProblem(`${label} cannot be empty.`);
    else {
      setProblem(null);
      if (clean !== value) onCommit(clean);
    }
  };
  return (
    <Field label={label} problem={problem} wide={wide}>
      <Input
        value={text}
        maxLength={max}
        onChange={(e) => setText(e.target.value)}
        onBlur={commit}
        onKeyDown={(e) => e.key === 'Enter' && commit()}
      />
    </Field>
  );
}
