import { STRAPS_KIT_LIMITS, loopAt } from '@rough-bight/core/bed';
import type { KitStraps } from '@rough-bight/core/bed';
import { ADJUSTMENTS, WEBBINGS } from '@rough-bight/core/catalogue';
import type { Adjustment, Sun, Wear } from '@rough-bight/core/catalogue';
import { OWN, freshOwn } from '@rough-bight/core/cordage';
import { say } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import { Choice } from '../../../parts/choice.js';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FormChoice, FormNumber, FormText } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';
import { useUnits } from '../../../parts/units.js';
import { limitHint } from './bed-fields.js';
import { SUN_OPTIONS, WEAR_OPTIONS, keyed, named } from './options.js';
import { OwnFields } from './own-fields.js';

const WEBBING_OPTIONS = [...named(WEBBINGS), { id: OWN, name: 'none of these: measured by me' }];
const ADJUST_OPTIONS = keyed(ADJUSTMENTS);
const S = STRAPS_KIT_LIMITS;

/** A pair of straps alike. */
export function StrapsFields({ of }: { readonly of: DocumentForm<KitStraps> }): ReactElement {
  const units = useUnits();
  const s = useWatch({ control: of.form.control }) as KitStraps;
  const { one } = ADJUSTMENTS[s.adjust];
  return (
    <>
      <ControlRow>
        <FormText of={of} name="name" label="Name" max={60} />
        <Choice
          label="Webbing"
          value={s.webbing}
          options={WEBBING_OPTIONS}
          onChange={(id) => of.put({ webbing: id, own: id === OWN ? freshOwn(0.0012, 0.025) : undefined })}
        />
        <FormNumber of={of} name="length" label="Each" limit={S.length} step={0.1} />
        <FormChoice<KitStraps, Adjustment>
          of={of}
          name="adjust"
          label="Adjusted by"
          options={ADJUST_OPTIONS}
          hint={
            s.adjust === 'hitch'
              ? ''
              : `${one}s from ${say(s.first, 'length', units)} to ${say(loopAt(s, s.count), 'length', units)}`
          }
        />
        {s.adjust !== 'hitch' && (
          <>
            <FormNumber
              of={of}
              name="first"
              label={`First ${one}`}
              limit={S.first}
              step={0.05}
              hint="from the trunk’s end"
            />
            <FormNumber of={of} name="spacing" label="Then every" limit={S.spacing} step={0.01} />
            <FormNumber whole of={of} name="count" label="How many" limit={S.count} step={1} />
          </>
        )}
        <FormNumber of={of} name="limit" label="Limit" limit={S.limit} step={5} hint={limitHint(s.limit)} />
        <FormChoice<KitStraps, Sun> of={of} name="sun" label="Sun" options={SUN_OPTIONS} />
        <FormChoice<KitStraps, Wear> of={of} name="wear" label="Wear" options={WEAR_OPTIONS} />
      </ControlRow>
      {s.own !== undefined && <OwnFields of={of as never} flat />}
    </>
  );
}
