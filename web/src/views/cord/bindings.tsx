import { Button, IconButton, Text, chakra } from '@chakra-ui/react';
import {
  BINDINGS,
  BINDING_KNOTS,
  BINDING_LIMITS,
  MOST_BINDINGS,
  cutLength,
  cutOfBinding,
  cordOf,
  freshBinding,
} from '@rough-bight/core/cordage';
import type { Binding, BindingKind, BindingKnot, KitCord } from '@rough-bight/core/cordage';
import { acrossOf } from '@rough-bight/core/catalogue';
import { capital, say } from '@rough-bight/core/quantity';
import { counted } from '@rough-bight/core/words';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { Choice, TextField } from '../../parts/choice.js';
import { Fold } from '../../parts/fold.js';
import { ControlRow } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';

/** What is bound with cord besides rigs: bundles of sticks, the legs of a bench. */
export function Bindings({
  bindings,
  cords,
  onPut,
}: {
  readonly bindings: readonly Binding[];
  readonly cords: readonly KitCord[];
  readonly onPut: (bindings: readonly Binding[]) => void;
}): ReactElement {
  const units = useUnits();
  const set = (id: string, part: Partial<Binding>): null => {
    onPut(bindings.map((b) => (b.id === id ? { ...b, ...part } : b)));
    return null;
  };
  const total = bindings.reduce((sum, b) => sum + b.count, 0);
  return (
    <Fold
      line={
        bindings.length === 0 ? 'Nothing is bound with cord besides' : `${capital(counted(total, 'binding'))} besides`
      }
    >
      <chakra.ul aria-label="What is bound with cord">
        {bindings.map((b) => {
          const cord = cords.find((c) => c.id === b.cord);
          const made = cord === undefined ? undefined : cordOf(cord);
          return (
            <chakra.li key={b.id} paddingBlock="6px" borderBottom="1px solid" borderColor="hairline">
              <ControlRow>
                <TextField label="What" value={b.name} max={60} onCommit={(name) => set(b.id, { name })} />
                <Choice<BindingKind>
                  label="It is"
                  value={b.kind}
                  options={(Object.keys(BINDINGS) as BindingKind[]).map((id) => ({ id, name: BINDINGS[id].name }))}
                  onChange={(kind) => set(b.id, { kind })}
                />
                {b.kind === 'bundle' ? (
                  <NumberField
                    label="Girth"
                    value={b.girth}
                    limit={BINDING_LIMITS.girth}
                    step={0.05}
                    onCommit={(girth) => set(b.id, { girth })}
                  />
                ) : (
                  <>
                    <NumberField
                      label="One pole"
                      value={b.first}
                      limit={BINDING_LIMITS.pole}
                      step={0.005}
                      onCommit={(first) => set(b.id, { first })}
                    />
                    <NumberField
                      label="The other"
                      value={b.second}
                      limit={BINDING_LIMITS.pole}
                      step={0.005}
                      onCommit={(second) => set(b.id, { second })}
                    />
                  </>
                )}
                <NumberField
                  whole
                  label="Turns"
                  value={b.turns}
                  limit={BINDING_LIMITS.turns}
                  step={1}
                  onCommit={(turns) => set(b.id, { turns })}
                />
                {b.kind !== 'bundle' && (
                  <NumberField
                    whole
                    label="Between them"
                    value={b.between}
                    limit={BINDING_LIMITS.between}
                    step={1}
                    onCommit={(between) => set(b.id, { between })}
                  />
                )}
                <Choice<BindingKnot>
                  label="Knot"
                  value={b.knot}
                  options={(Object.keys(BINDING_KNOTS) as BindingKnot[]).map((id) => ({
                    id,
                    name: BINDING_KNOTS[id].name,
                  }))}
                  onChange={(knot) => set(b.id, { knot })}
                />
                <Choice
                  label="Of"
                  value={b.cord}
                  options={[
                    ...(cord === undefined ? [{ id: b.cord, name: 'a hank that is gone: choose' }] : []),
                    ...cords.map((c) => ({ id: c.id, name: c.name })),
                  ]}
                  onChange={(to) => set(b.id, { cord: to })}
                />
                <NumberField
                  whole
                  label="How many"
                  value={b.count}
                  limit={BINDING_LIMITS.count}
                  step={1}
                  onCommit={(count) => set(b.id, { count })}
                />
                <IconButton
                  variant="ghost"
                  aria-label={`Take ${b.name} out`}
                  onClick={() => onPut(bindings.filter((x) => x.id !== b.id))}
                >
                  <Trash2 size={17} />
                </IconButton>
              </ControlRow>
              {made !== undefined && (
                <Text textStyle="quiet">
                  {say(cutLength(cutOfBinding(b, acrossOf(made))), 'length', units)} each, its knot and ends with it
                </Text>
              )}
            </chakra.li>
          );
        })}
      </chakra.ul>
      <Button
        marginTop="8px"
        disabled={cords.length === 0 || bindings.length >= MOST_BINDINGS}
        onClick={() => onPut([...bindings, freshBinding(crypto.randomUUID(), cords[0]!.id)])}
      >
        <Plus size={16} aria-hidden="true" /> Something bound
      </Button>
    </Fold>
  );
}
