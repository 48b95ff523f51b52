import type { Field, Fields } from '@rough-bight/core/document';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { tell } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { Check, Choice, TextField } from './choice.js';
import { GirthField } from './girth-field.js';
import { NumberField } from './number-field.js';
import { useUnits } from './units.js';

/** What the choices of a field are that no catalogue lists, and whose hands measure. */
export interface FieldLists {
  readonly pegs: readonly Listed[];
  readonly trees: readonly Listed[];
  readonly lines: readonly Listed[];
  readonly body: BodyMeasures;
}
interface Listed {
  readonly id: string;
  readonly name: string;
}
/** Takes one field's value; returns why it cannot be, or null. */
type Put = (key: string, value: unknown) => string | null;

/** The fields of a described thing, as its description says they are asked for. */
export function DescribedFields({
  fields,
  of,
  lists,
  unasked = [],
  onPut,
}: {
  readonly fields: Fields;
  /** What has them. */
  readonly of: object;
  readonly lists: FieldLists;
  readonly unasked?: readonly string[];
  readonly onPut: Put;
}): ReactElement {
  const values = of as Readonly<Record<string, unknown>>;
  return (
    <>
      {Object.entries(fields).map(
        ([key, field]) =>
          !unasked.includes(key) && (
            <DescribedField
              key={key}
              field={field}
              value={values[key]}
              lists={lists}
              onPut={(value) => onPut(key, value)}
            />
          ),
      )}
    </>
  );
}

/** One field; corners are set on the plan, and what a look-up finds has a list of its own. */
function DescribedField({
  field: { label, hint, ask },
  value,
  lists,
  onPut,
}: {
  readonly field: Field;
  readonly value: unknown;
  readonly lists: FieldLists;
  readonly onPut: (value: unknown) => string | null;
}): ReactElement | null {
  const units = useUnits();
  const hinted = hint === undefined ? {} : { hint: tell(hint, units) };
  switch (ask.as) {
    case 'number':
      return (
        <NumberField
          label={label}
          value={value as number}
          limit={ask.limit}
          step={ask.step}
          whole={ask.whole === true}
          {...hinted}
          onCommit={onPut}
        />
      );
    case 'girth':
      return <GirthField girth={value as number} limit={ask.limit} body={lists.body} onCommit={onPut} />;
    case 'yes-no':
      return (
        <Check checked={value as boolean} onChange={onPut}>
          {label}
        </Check>
      );
    case 'words':
      return <TextField label={label} value={value as string} max={ask.most} onCommit={onPut} />;
    case 'choice':
    case 'kit':
    case 'tree':
    case 'line': {
      const options =
        ask.as === 'choice'
          ? ask.options
          : ask.as === 'kit'
            ? lists[ask.list]
            : ask.as === 'tree'
              ? lists.trees
              : lists.lines;
      const told = ask.as === 'choice' ? ask.options.find((o) => o.id === value)?.hint : undefined;
      return (
        <Choice
          label={label}
          value={value as string}
          options={options}
          {...(told === undefined ? hinted : { hint: told })}
          onChange={onPut}
        />
      );
    }
    case 'signs':
    case 'outline':
      return null;
  }
}
