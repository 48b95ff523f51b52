import { Caution, ControlGroup, ControlRow, Problem } from '../../parts/layout.js';
import { Box, Button, chakra, Slider, Span, Text } from '@chakra-ui/react';
import type { Bed, Criterion, Fit, Form, Wish } from '@rough-bight/core/ground';
import {
  CRITERIA,
  CRITERION_NAMES,
  DEFAULT_WEIGHTS,
  FORMS,
  PLACE_LIMITS,
  inPaces,
  wished,
} from '@rough-bight/core/ground';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { capital, sayHeight } from '@rough-bight/core/quantity';
import type { KitCord } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { NumberField } from '../../parts/number-field.js';
import { SlideLine } from '../../parts/slide.js';
import { useUnits } from '../../parts/units.js';
import type { GroundEditing } from './steps.js';

const L = PLACE_LIMITS;
const FORM_OPTIONS = FORMS.map((id: Form) => ({ id, name: capital(wished(id).name) }));
const BED_OPTIONS: readonly { readonly id: Bed; readonly name: string }[] = [
  { id: 'ground', name: 'On the ground' },
  { id: 'hammock', name: 'A hammock' },
  { id: 'none', name: 'None' },
];

/** What is wanted here. */
export function ChooseQuick({ place, edit, kit }: GroundEditing & { readonly kit: readonly KitCord[] }): ReactElement {
  const { wish } = place;
  const set = (part: Partial<Wish>): null => edit({ ...place, wish: { ...wish, ...part } });
  const cords = kit.map((k) => ({ id: k.id, name: k.name }));
  return (
    <>
      <Choice label="Form" value={wish.form} options={FORM_OPTIONS} onChange={(form) => set({ form })} />
      <Choice label="Bed" value={wish.bed} options={BED_OPTIONS} onChange={(bed) => set({ bed })} />
      <Choice
        label="Ridgeline"
        value={wish.cord}
        options={
          cords.some((c) => c.id === wish.cord) ? cords : [{ id: wish.cord, name: 'no longer in the kit' }, ...cords]
        }
        onChange={(cord) => set({ cord })}
      />
    </>
  );
}

/** How large what is wanted is, what it fits, and what counts how much. */
export function ChooseControls({
  place,
  edit,
  fit,
  body,
}: GroundEditing & {
  readonly fit: Fit | null;
  readonly body: BodyMeasures;
}): ReactElement {
  const units = useUnits();
  const { wish } = place;
  const set = (part: Partial<Wish>): null => edit({ ...place, wish: { ...wish, ...part } });
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.5fr) minmax(0, 1fr)' }}
      gap="6px 28px"
      alignItems="start"
    >
      <ControlGroup wide>
        <h3>What is wanted</h3>
        <ControlRow>
          {wish.form !== 'none' && (
            <>
              <NumberField
                label="Cloth, long side"
                value={wish.roof.length}
                limit={L.roof}
                step={0.1}
                onCommit={(length) => set({ roof: { ...wish.roof, length } })}
              />
              <NumberField
                label="Cloth, short side"
                value={wish.roof.width}
                limit={L.roof}
                step={0.1}
                onCommit={(width) => set({ roof: { ...wish.roof, width } })}
              />
              <NumberField
                label="Ridge height"
                value={wish.ridgeHeight}
                limit={L.ridgeHeight}
                step={0.05}
                hint={sayHeight(wish.ridgeHeight, body, units.length)}
                onCommit={(ridgeHeight) => set({ ridgeHeight })}
              />
            </>
          )}
          {wish.bed === 'hammock' && (
            <>
              <NumberField
                label="Hammock, end to end"
                value={wish.hammock.length}
                limit={L.hammock}
                step={0.1}
                onCommit={(length) => set({ hammock: { ...wish.hammock, length } })}
              />
              <NumberField
                label="Each strap"
                value={wish.hammock.strap}
                limit={L.strap}
                step={0.1}
                onCommit={(strap) => set({ hammock: { ...wish.hammock, strap } })}
              />
              <NumberField
                label="Who lies in it"
                value={wish.hammock.mass}
                limit={L.person}
                step={1}
                onCommit={(mass) => set({ hammock: { ...wish.hammock, mass } })}
              />
            </>
          )}
        </ControlRow>
        {wish.bed === 'hammock' && (
          <Caution>
            Hang it no higher than you are willing to fall, nothing hard beneath, never one above another, never over
            water.
          </Caution>
        )}
        <chakra.h3 marginTop="8px">Will it fit?</chakra.h3>
        {fit === null ? (
          <Text textStyle="quiet">Reckoning…</Text>
        ) : (
          <chakra.ul>
            {[
              ...fit.shortest.map((b) => ['Shortest', b] as const),
              ...fit.longest.map((b) => ['Longest', b] as const),
            ].map(([word, b]) => (
              <li key={word + b.what}>
                <span>
                  {word} for the {b.what === 'cord' ? 'ridgeline' : b.what === 'reach' ? 'reach of my arms' : b.what}
                </span>
                <FigureValue figure={b.figure} big /> <Span textStyle="quiet">{inPaces(b.figure.value, body)}</Span>
              </li>
            ))}
            {fit.least > fit.most && (
              <Problem as="li" role="alert">
                No span can fit: the shortest is longer than the longest. Take a longer cord, longer straps or less
                cloth.
              </Problem>
            )}
          </chakra.ul>
        )}
      </ControlGroup>
      <ControlGroup as="fieldset">
        <legend>What counts</legend>
        {CRITERIA.map((c: Criterion) => (
          <Slider.Root
            key={c}
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) 96px 26px"
            gap="8px"
            alignItems="center"
            minHeight="32px"
            fontSize="14px"
            thumbAlignment="center"
            aria-label={[CRITERION_NAMES[c]]}
            min={0}
            max={5}
            step={0.5}
            value={[Math.min(5, wish.weights[c])]}
            onValueChange={(e) => set({ weights: { ...wish.weights, [c]: e.value[0]! } })}
          >
            <span>{CRITERION_NAMES[c]}</span>
            <SlideLine />
            <Text as="output" textAlign="right" fontWeight={700}>
              {wish.weights[c]}
            </Text>
          </Slider.Root>
        ))}
        <Button size="sm" onClick={() => set({ weights: DEFAULT_WEIGHTS })}>
          As at first
        </Button>
        <Text textStyle="quiet">What is dangerous is ruled out, whatever its weight.</Text>
      </ControlGroup>
    </Box>
  );
}
