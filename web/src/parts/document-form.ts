import { toNestErrors } from '@hookform/resolvers';
import type { Problem } from '@rough-bight/core/document';
import { tellProblem } from '@rough-bight/core/document';
import { useEffect, useEffectEvent, useState } from 'react';
import type { FieldErrors, FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';
import { useForm } from 'react-hook-form';
import { useUnits } from './units.js';

/** A document's fields as one form. */
export interface DocumentForm<T extends FieldValues> {
  readonly form: UseFormReturn<T>;
  /** Puts values in, and keeps the whole where nothing is wrong with it. */
  readonly put: (values: Partial<T>) => void;
  /** Whether something typed cannot be, and so was not put in; and how a field says so of itself. */
  readonly faulty: boolean;
  readonly fault: (path: FieldPath<T>, wrong: boolean) => void;
  /** The same for one field, by its path, and what changes with it. */
  readonly putAt: (path: FieldPath<T>, value: unknown, also?: Partial<T>) => void;
}

/**
 * A form of one document: what is put in is checked by the document's own description, and the whole is kept as soon as nothing is
 * wrong; till then it stays as it was put in, with the reason at its field.
 * @param problems everything wrong with a whole, by field
 */
export function useDocumentForm<T extends FieldValues>(
  value: T,
  problems: (value: T) => readonly Problem[],
  onKeep: (value: T) => void,
): DocumentForm<T> {
  const units = useUnits();
  const form = useForm<T>({
    defaultValues: value as never,
    resolver: (values, _, options) => {
      const found = problems(values);
      if (found.length === 0) return { values, errors: {} };
      const errors = Object.fromEntries(
        found.toReversed().map((p) => [p.field, { type: 'misfit', message: tellProblem(p, units) }]),
      );
      return { values: {}, errors: toNestErrors(errors as FieldErrors, options) as FieldErrors<T> };
    },
  });
  const [faults, setFaults] = useState<readonly string[]>([]);
  // changed from outside: it is what it is there; only what could not be kept yet stays as it was put in
  const { errors } = form.formState;
  const changed = useEffectEvent((now: T) =>
    form.reset(now, Object.keys(errors).length > 0 ? { keepDirtyValues: true, keepErrors: true } : {}),
  );
  useEffect(() => changed(value), [value]);
  const keep = (): void => void form.handleSubmit((whole) => onKeep(whole as unknown as T))();
  const put = (values: object): void => {
    for (const [path, next] of Object.entries(values))
      form.setValue(path as FieldPath<T>, next as never, { shouldDirty: true });
    keep();
  };
  return {
    form,
    put,
    faulty: faults.length > 0,
    fault: (path, wrong) => setFaults((before) => [...before.filter((p) => p !== path), ...(wrong ? [path] : [])]),
    putAt: (path, next, also) => put({ ...also, [path]: next }),
  };
}
