import { Box, Span } from '@chakra-ui/react';
import { CORDS, EVIDENCE_WORDS, findCord, looked } from '@rough-bight/core/catalogue';
import type { Sun, Wear } from '@rough-bight/core/catalogue';
import { CORD_LIMITS, OWN, cordOf, freshOwn } from '@rough-bight/core/cordage';
import type { KitCord } from '@rough-bight/core/cordage';
import type { ReactElement } from 'react';
import { useWatch } from 'react-hook-form';
import { Choice } from '../../../parts/choice.js';
import type { DocumentForm } from '../../../parts/document-form.js';
import { FigureValue } from '../../../parts/figure.js';
import { FormChoice, FormNumber, FormText } from '../../../parts/form-fields.js';
import { ControlRow } from '../../../parts/layout.js';
import { SUN_OPTIONS, WEAR_OPTIONS, named } from './options.js';
import { OwnFields } from './own-fields.js';
import { Pieces } from './pieces.js';

const CORD_OPTIONS = [...named(CORDS), { id: OWN, name: 'none of these: measured by me' }];

/** A hank: what it is, how much there is, what it has been through. */
export function CordFields({ of, hank }: { readonly of: DocumentForm<KitCord>; readonly hank: KitCord }): ReactElement {
  const chosen = useWatch({ control: of.form.control, name: 'cord' });
  const cord = cordOf(hank);
  return (
    <>
      <ControlRow>
        <FormText of={of} name="name" label="Name" max={60} />
        <Choice
          label="Cord"
          value={chosen}
          options={CORD_OPTIONS}
          onChange={(id) =>
            of.put({ cord: id, own: id === OWN ? freshOwn(findCord(chosen)?.diameter ?? 0.004) : undefined })
          }
        />
        <FormNumber of={of} name="length" label="On hand" limit={CORD_LIMITS.length} step={0.5} />
        <FormChoice<KitCord, Sun> of={of} name="sun" label="Sun" options={SUN_OPTIONS} />
        <FormChoice<KitCord, Wear> of={of} name="wear" label="Wear" options={WEAR_OPTIONS} />
      </ControlRow>
      <Pieces hank={hank} onPut={(pieces) => of.put({ pieces: pieces.length === 0 ? undefined : pieces })} />
      {chosen === OWN && <OwnFields of={of as never} flat={false} />}
      {cord !== undefined && (
        <Box paddingBlock="6px">
          <FigureValue figure={looked(cord.strength)} />{' '}
          <Span textStyle="quiet">
            {cord.bears ? `new and dry, from ${EVIDENCE_WORDS[cord.strength.kind]}` : 'never counted as strength'}
          </Span>
        </Box>
      )}
    </>
  );
}
