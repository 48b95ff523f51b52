import { useEffect, useEffectEvent } from 'react';
import type { ReactElement, ReactNode } from 'react';
import type { FieldPath, FieldPathByValue, FieldValues } from 'react-hook-form';
import { useController, useFormState } from 'react-hook-form';
import { Choice, TextField } from './choice.js';
import type { DocumentForm } from './document-form.js';
import { Refused } from './field.js';
import { NumberField } from './number-field.js';

/** Which field of which form. */
interface Of<T extends FieldValues, P> {
  readonly of: DocumentForm<T>;
  readonly name: P;
}

/** What a field has, what is wrong with it, and what takes another. */
function useField<T extends FieldValues>(of: DocumentForm<T>, name: FieldPath<T>, also?: Partial<T>) {
  const { field, fieldState } = useController({ control: of.form.control, name });
  return {
    value: field.value as unknown,
    problem: fieldState.error?.message ?? null,
    take: (value: unknown): null => {
      of.putAt(name, value, also);
      return null;
    },
  };
}

type NumberProps = Parameters<typeof NumberField>[0];
/** A number of a form. */
export function FormNumber<T extends FieldValues>({
  of,
  name,
  also,
  ...props
}: Of<T, FieldPathByValue<T, number>> &
  Omit<NumberProps, 'value' | 'onCommit' | 'problem' | 'onFault'> & {
    /** What changes with it. */
    readonly also?: Partial<T>;
  }): ReactElement {
  const { value, problem, take } = useField(of, name, also);
  // one that is not there any more is no reason to wait for it
  const leave = useEffectEvent(() => of.fault(name, false));
  useEffect(() => () => leave(), []);
  return (
    <NumberField
      {...props}
      value={value as number}
      problem={problem}
      onCommit={take}
      onFault={(wrong) => of.fault(name, wrong)}
    />
  );
}

/** One of a list, of a form. */
export function FormChoice<T extends FieldValues, C extends string>({
  of,
  name,
  label,
  options,
  hint,
}: Of<T, FieldPathByValue<T, C>> & {
  readonly label: string;
  readonly options: readonly { readonly id: C; readonly name: string }[];
  readonly hint?: string;
}): ReactElement {
  const { value, problem, take } = useField(of, name);
  return (
    <Choice<C>
      label={label}
      value={value as C}
      options={options}
      {...(hint === undefined ? {} : { hint })}
      problem={problem}
      onChange={take}
    />
  );
}

/** A name of a form. */
export function FormText<T extends FieldValues>({
  of,
  name,
  label,
  max,
  wide = false,
}: Of<T, FieldPathByValue<T, string>> & {
  readonly label: string;
  readonly max: number;
  readonly wide?: boolean;
}): ReactElement {
  const { value, take } = useField(of, name);
  return <TextField label={label} value={value as string} max={max} wide={wide} onCommit={take} />;
}

/** What is wrong with the whole and stands at none of its fields. */
export function FormRest<T extends FieldValues>({ of }: { readonly of: DocumentForm<T> }): ReactNode {
  const { control } = of.form;
  const { errors } = useFormState({ control });
  return told(errors, '').map(
    ([path, message]) => !control._names.mount.has(path) && <Refused key={path}>{message}</Refused>,
  );
}

/** Messages of nested errors, by the paths of their fields. */
function told(errors: object, under: string): (readonly [path: string, message: string])[] {
  return Object.entries(errors).flatMap(([key, e]: [string, unknown]) => {
    if (typeof e !== 'object' || e === null) return [];
    const path = `${under}${key}`;
    return 'type' in e && 'message' in e && typeof e.message === 'string' ? [[path, e.message]] : told(e, `${path}.`);
  });
}
