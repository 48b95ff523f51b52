import { FIBRES, FIBRE_TRAITS } from '@rough-bight/core/catalogue';
import type { Fibre } from '@rough-bight/core/catalogue';
import type { OwnCord, Rating } from '@rough-bight/core/cordage';
import { OWN_LIMITS, RATINGS } from '@rough-bight/core/cordage';
import { capital } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import { Check } from '../../../parts/choice.js';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FormChoice, FormNumber } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';

const O = OWN_LIMITS;
const FIBRE_OPTIONS = FIBRES.map((id) => ({ id, name: FIBRE_TRAITS[id].name }));
const RATING_OPTIONS = (Object.keys(RATINGS) as Rating[]).map((id) => ({ id, name: RATINGS[id].name }));
/** Hung as people do it: ten kilograms on two metres. */
const USUAL_TEST = { mass: 10, over: 2, drawn: 0.02 };

/** What has a cord of one's own. */
interface Owned {
  readonly own: OwnCord;
}

/** A cord or webbing that is none of the catalogue's, as it is measured and as its label says. */
export function OwnFields({ of, flat }: { readonly of: DocumentForm<Owned>; readonly flat: boolean }): ReactElement {
  const own = useWatch({ control: of.form.control, name: 'own' });
  return (
    <ControlRow>
      <FormChoice<Owned, Fibre> of={of} name="own.fibre" label="Material" options={FIBRE_OPTIONS} />
      <FormNumber
        of={of}
        name="own.thickness"
        label="Thick"
        limit={O.thickness}
        step={0.0005}
        hint="by a calliper, not the label"
      />
      <FormNumber
        of={of}
        name="own.width"
        label="Wide"
        limit={O.width}
        step={0.001}
        hint={flat ? 'across the strap' : '0 where it is round'}
      />
      <FormChoice<Owned, Rating>
        of={of}
        name="own.rating"
        label="Its label gives"
        options={RATING_OPTIONS}
        hint={own.rating === 'none' ? 'guessed low, and kept off people' : ''}
      />
      {own.rating !== 'none' && (
        <FormNumber
          of={of}
          name="own.rated"
          label={capital(RATINGS[own.rating].name)}
          limit={O.rated}
          step={50}
          hint="as printed"
        />
      )}
      <FormNumber
        of={of}
        name="own.perMetre"
        label="A metre weighs"
        limit={O.perMetre}
        step={0.001}
        hint={own.perMetre > 0 ? 'weighed' : '0: by its thickness'}
      />
      <Check checked={own.hung !== null} onChange={(hung) => of.putAt('own.hung', hung ? USUAL_TEST : null)}>
        Its stretch was tried
      </Check>
      {own.hung !== null && (
        <>
          <FormNumber of={of} name={'own.hung.mass' as never} label="Hung with" limit={O.hung} step={1} />
          <FormNumber
            of={of}
            name={'own.hung.over' as never}
            label="Marks apart"
            limit={O.over}
            step={0.1}
            hint="before it hung"
          />
          <FormNumber
            of={of}
            name={'own.hung.drawn' as never}
            label="Drawn out by"
            limit={O.drawn}
            step={0.005}
            decimals={3}
          />
        </>
      )}
    </ControlRow>
  );
}
