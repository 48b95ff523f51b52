import { BED_KIT_LIMITS, bedMass } from '@rough-bight/core/bed';
import type { KitBed } from '@rough-bight/core/bed';
import { BED_CLOTHS, CONNECTORS, CORDS } from '@rough-bight/core/catalogue';
import type { Connector, Sun, Wear } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FormChoice, FormNumber, FormText } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';
import { NumberField } from '../../../parts/number-field.js';
import { useUnits } from '../../../parts/units.js';
import { SUN_OPTIONS, WEAR_OPTIONS, keyed, named } from './options.js';

const CLOTH_OPTIONS = named(BED_CLOTHS);
const CORD_OPTIONS = named(CORDS.filter((c) => c.bears));
const CONNECTOR_OPTIONS = keyed(CONNECTORS);
const B = BED_KIT_LIMITS;

/** A maker's limit, or that it is not known. */
export const limitHint = (limit: number): string =>
  limit > 0 ? 'the maker’s, from the label' : 'not known: find the label';

/** A hammock as it is measured from gather to gather. */
export function BedFields({ of }: { readonly of: DocumentForm<KitBed> }): ReactElement {
  const units = useUnits();
  const bed = useWatch({ control: of.form.control }) as KitBed;
  return (
    <ControlRow>
      <FormText of={of} name="name" label="Name" max={60} />
      <FormChoice<KitBed, KitBed['cloth']> of={of} name="cloth" label="Cloth" options={CLOTH_OPTIONS} />
      <NumberField
        label="Length"
        value={bed.length}
        limit={B.length}
        step={0.05}
        hint="gather to gather"
        onCommit={(length) => {
          // a ridge-cord keeps its share of the cloth
          of.put({ length, ridgeLength: Math.round((bed.ridgeLength / bed.length) * length * 100) / 100 });
          return null;
        }}
      />
      <FormNumber of={of} name="width" label="Width" limit={B.width} step={0.05} />
      <FormNumber
        of={of}
        name="ridgeLength"
        label="Ridge-cord"
        limit={B.ridgeLength}
        step={0.05}
        hint={bed.ridgeLength > 0 ? 'end to end' : 'none'}
      />
      {bed.ridgeLength > 0 && (
        <FormChoice<KitBed, KitBed['ridgeCord']> of={of} name="ridgeCord" label="Of" options={CORD_OPTIONS} />
      )}
      <FormChoice<KitBed, Connector> of={of} name="connector" label="Joined by" options={CONNECTOR_OPTIONS} />
      <FormNumber
        of={of}
        name="mass"
        label="Weighs"
        limit={B.mass}
        step={0.05}
        hint={bed.mass > 0 ? 'weighed' : `about ${say(bedMass(bed), 'mass', units)} by its cloth`}
      />
      <FormNumber of={of} name="limit" label="Limit" limit={B.limit} step={5} hint={limitHint(bed.limit)} />
      <FormNumber
        whole
        of={of}
        name="people"
        label="Made for"
        limit={B.people}
        step={1}
        suffix={bed.people === 1 ? 'person' : 'people'}
      />
      <FormChoice<KitBed, Sun> of={of} name="sun" label="Sun" options={SUN_OPTIONS} />
      <FormChoice<KitBed, Wear> of={of} name="wear" label="Wear" options={WEAR_OPTIONS} />
    </ControlRow>
  );
}
