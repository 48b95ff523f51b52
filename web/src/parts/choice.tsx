import { useId, useState } from 'react';
import type { ReactElement } from 'react';
import { NativeSelect } from '@chakra-ui/react';

/** One of a list, as a drop-down. */
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
  readonly onChange: (value: T) => void;
  readonly hint?: string;
  readonly wide?: boolean;
}): ReactElement {
  const id = useId();
  return (
    <div className={wide ? 'field field-wide' : 'field'}>
      <label htmlFor={id}>{label}</label>
      <NativeSelect.Root unstyled className="select">
        <NativeSelect.Field
          unstyled
          id={id}
          className="select-field"
          value={value}
          onChange={(e) => onChange(e.currentTarget.value as T)}
        >
          {options.map((o) => (
            <option key={o.id} value={o.id}>
              {o.name}
            </option>
          ))}
        </NativeSelect.Field>
      </NativeSelect.Root>
      <span className="field-hint">{hint ?? ''}</span>
    </div>
  );
}

/** One of a few, side by side. */
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
  readonly onChange: (value: T) => void;
  readonly showLabel?: boolean;
}): ReactElement {
  const id = useId();
  return (
    <div className="segments" role="radiogroup" aria-labelledby={id}>
      <span id={id} className={showLabel ? 'segments-label' : 'hidden'}>
        {label}
      </span>
      {options.map((o) => (
        <label key={o.id} className={o.id === value ? 'segment segment-on' : 'segment'}>
          <input type="radio" className="hidden" name={id} checked={o.id === value} onChange={() => onChange(o.id)} />
          {o.name}
        </label>
      ))}
    </div>
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
      <span
        id={`${id}-more`}
        className={problem === null ? 'field-hint' : 'field-problem'}
        role={problem === null ? undefined : 'alert'}
      >
        {problem ?? ''}
      </span>
    </div>
  );
}
