import { PEGS, findPeg } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import type { KitPegs } from '@rough-bight/core/support';
import { SUPPORT_LIMITS } from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import { Check } from '../../../parts/choice.js';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FormChoice, FormNumber, FormText } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';
import { useUnits } from '../../../parts/units.js';
import { named } from './options.js';

const PEG_OPTIONS = named(PEGS);

/** Pegs of one sort: how many, and of what size where they are not of the usual one. */
export function PegsFields({ of }: { readonly of: DocumentForm<KitPegs> }): ReactElement {
  const units = useUnits();
  const [shape, size] = useWatch({ control: of.form.control, name: ['shape', 'size'] });
  const usual = findPeg(shape)!;
  return (
    <>
      <ControlRow>
        <FormText of={of} name="name" label="Name" max={60} />
        <FormChoice<KitPegs, KitPegs['shape']>
          of={of}
          name="shape"
          label="Shape"
          options={PEG_OPTIONS}
          hint={`usually ${say(usual.length, 'length', units)} long, ${say(usual.width, 'diameter', units)} across the pull`}
        />
        <FormNumber whole of={of} name="count" label="How many" limit={SUPPORT_LIMITS.pegs} step={1} />
      </ControlRow>
      <Check
        checked={size !== undefined}
        onChange={(measured) => of.put({ size: measured ? { length: usual.length, width: usual.width } : undefined })}
      >
        Of another size
      </Check>
      {size !== undefined && (
        <ControlRow>
          <FormNumber of={of} name={'size.length' as never} label="Long" limit={SUPPORT_LIMITS.pegLength} step={0.01} />
          <FormNumber
            of={of}
            name={'size.width' as never}
            label="Across the pull"
            limit={SUPPORT_LIMITS.pegWidth}
            step={0.001}
          />
        </ControlRow>
      )}
    </>
  );
}
