import { useId, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { NativeSelect } from '@chakra-ui/react';
import { FieldMore } from './field-more.js';

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
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly id: T; readonly name: string }[];
  readonly onChange: Takes<T>;
  readonly hint?: string;
  readonly wide?: boolean;
}): ReactElement {
  const id = useId();
  const { problem, take, leave } = useRefused(value, onChange);
  return (
    <div className={`field${problem === null ? '' : ' field-wrong'}${wide ? ' field-wide' : ''}`}>
      <label htmlFor={id}>{label}</label>
      <NativeSelect.Root unstyled className="select">
        <NativeSelect.Field
          unstyled
          id={id}
          className="select-field"
          value={value}
          aria-invalid={problem !== null}
          aria-describedby={`${id}-more`}
          onChange={(e) => take(e.currentTarget.value as T)}
          onBlur={leave}
        >
          {options.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </NativeSelect.Field>
      </NativeSelect.Root>
      <FieldMore id={id} problem={problem} hint={hint} />
    </div>
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
  const id = useId();
  const { problem, take, leave } = useRefused(value, onChange);
  return (
    <>
      <div className="segments" role="radiogroup" aria-labelledby={id} onBlur={leave}>
        <span id={id} className={showLabel ? 'segments-label' : 'hidden'}>
          {label}
        </span>
        {options.map((o) => (
          <label key={o.id} className={o.id === value ? 'segment segment-on' : 'segment'}>
            <input type="radio" className="hidden" name={id} checked={o.id === value} onChange={() => take(o.id)} />
            {o.name}
          </label>
        ))}
      </div>
      {problem !== null && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </>
  );
}

/** Whether something is so. What does not fit is not taken, with the reason beneath. */
export function Check({
  checked,
  onChange,
  children,
}: {
  readonly checked: boolean;
  readonly onChange: Takes<boolean>;
  readonly children: ReactNode;
}): ReactElement {
  const { problem, take, leave } = useRefused(checked, onChange);
  return (
    <>
      <label className="check">
        <input type="checkbox" checked={checked} onChange={(e) => take(e.currentTarget.checked)} onBlur={leave} />{' '}
        {children}
      </label>
      {problem !== null && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
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
  const id = useId();
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
    <div className={`field${problem === null ? '' : ' field-wrong'}${wide ? ' field-wide' : ''}`}>
      <label htmlFor={id}>{label}</label>
      <span className="field-input">
        <input
          id={id}
          value={text}
          maxLength={max}
          aria-invalid={problem !== null}
          aria-describedby={`${id}-more`}
          onChange={(e) => setText(e.target.value)}
          onBlur={commit}
          onKeyDown={(e) => e.key === 'Enter' && commit()}
        />
      </span>
      <FieldMore id={id} problem={problem} />
    </div>
  );
}
