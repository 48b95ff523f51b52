import { Caution, ControlGroup, ControlRow, Controls } from '../../parts/layout.js';
import { Text } from '@chakra-ui/react';
import { BRANCH_LIMITS, diameterOf } from '@rough-bight/core/anchor';
import { WOODS } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import { RIDGE_LIMITS, isStem, measuredSpan, pacerOf } from '@rough-bight/core/rig';
import type { RidgeRig, Trunk } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { usePeople } from '../../data/me.js';
import { Check, Choice, Segments, TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { SignList } from '../../parts/sign-list.js';
import { useUnits } from '../../parts/units.js';
import type { Editing } from './editing.js';
import { StandFields } from './stand-fields.js';

const L = RIDGE_LIMITS;
const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));

/** How far apart the trunks are, and on what slope. */
export function GroundQuick({ rig, body, paces: whose, edit }: Editing): ReactElement {
  const units = useUnits();
  return (
    <>
      {rig.span.how === 'tape' ? (
        <NumberField
          label="Between the trunks"
          value={rig.span.tape}
          limit={L.span}
          step={0.05}
          hint={
            rig.span.sd === undefined
              ? 'tie to tie, level'
              : `from the ground, known within ${say(1.645 * rig.span.sd, 'length', units)}; typing one here says it was taped`
          }
          onCommit={(tape) => edit({ ...rig, span: { ...rig.span, tape, sd: undefined } })}
        />
      ) : (
        <NumberField
          label="Paces"
          value={rig.span.paces}
          limit={L.paces}
          step={0.5}
          suffix="paces"
          hint={`${whose === undefined ? '' : `${whose}, `}${say(measuredSpan(rig, body), 'length', units)}, within ${say(body.paceSpread * measuredSpan(rig, body) * 1.645, 'length', units)}`}
          onCommit={(paces) => edit({ ...rig, span: { ...rig.span, paces, by: undefined } })}
        />
      )}
      <NumberField
        label="Ground rises"
        value={rig.groundRise}
        limit={L.groundRise}
        step={0.05}
        hint="at the second trunk"
        onCommit={(groundRise) => edit({ ...rig, groundRise })}
      />
    </>
  );
}

const withTrunk = (rig: RidgeRig, i: 0 | 1, trunk: Trunk): RidgeRig => ({
  ...rig,
  trunks: i === 0 ? [trunk, rig.trunks[1]] : [rig.trunks[0], trunk],
});

/** One trunk: its name, wood and girth, and what a look-up finds. */
export function TrunkFields({ i, ...editing }: Editing & { readonly i: 0 | 1 }): ReactElement {
  const { rig, edit } = editing;
  const units = useUnits();
  const t = rig.trunks[i];
  const { branch, ...stem } = t;
  const set = (part: Partial<Trunk>): string | null => edit(withTrunk(rig, i, { ...t, ...part }));
  return (
    <>
      <ControlRow>
        <TextField wide label="Name" value={t.name} max={60} onCommit={(name) => set({ name })} />
        <Choice label="Wood" value={t.wood} options={WOOD_OPTIONS} onChange={(wood) => set({ wood })} />
        <NumberField
          label="Girth"
          value={t.girth}
          limit={L.girth}
          step={0.01}
          hint={`${say(diameterOf(t.girth), 'length', units)} through`}
          onCommit={(girth) => set({ girth })}
        />
      </ControlRow>
      <StandFields {...editing} i={i} put={(trunk) => edit(withTrunk(rig, i, trunk))} />
      {isStem(t) && (
        <Check
          checked={branch !== undefined}
          onChange={(over) => edit(withTrunk(rig, i, over ? { ...t, branch: { thickness: 0.12, out: 0.5 } } : stem))}
        >
          The line goes over a branch of it
        </Check>
      )}
      {branch !== undefined && (
        <ControlRow>
          <NumberField
            label="Branch"
            value={branch.thickness}
            limit={BRANCH_LIMITS.thickness}
            step={0.01}
            hint="how thick at the stem"
            onCommit={(thickness) => set({ branch: { ...branch, thickness } })}
          />
          <NumberField
            label="Out"
            value={branch.out}
            limit={BRANCH_LIMITS.out}
            step={0.1}
            hint="from the stem to the line"
            onCommit={(out) => set({ branch: { ...branch, out } })}
          />
        </ControlRow>
      )}
      <SignList title="Look up" signs={t.signs} onSigns={(signs) => set({ signs })} />
    </>
  );
}

/** The place: how it was measured, and between which trunks. */
export function GroundControls(editing: Editing): ReactElement {
  const { rig, body, edit } = editing;
  return (
    <Controls>
      {rig.site !== undefined && (
        <Text flexBasis="100%" fontSize="14px">
          It stands on a drawn place.{' '}
          <Link to={`/places/${rig.site.place}/choose`}>See the plan and its other spans</Link>
        </Text>
      )}
      <ControlGroup>
        <h3>Span</h3>
        <Segments
          label="Measured by"
          value={rig.span.how}
          options={[
            { id: 'tape', name: 'Taped' },
            { id: 'paces', name: 'Paced' },
          ]}
          onChange={(how) =>
            edit({
              ...rig,
              span: {
                ...rig.span,
                how,
                ...(how === 'tape' && rig.span.how === 'paces'
                  ? // what was paced is known no better for standing in the other field
                    {
                      tape: Math.round(measuredSpan(rig, body) * 100) / 100,
                      sd: Math.round(1000 * measuredSpan(rig, body) * body.paceSpread) / 1000,
                    }
                  : {}),
              },
            })
          }
        />
        {rig.span.how === 'paces' && <PacedBy rig={rig} edit={edit} />}
      </ControlGroup>
      {([0, 1] as const).map((i) => (
        <ControlGroup key={i}>
          <h3>{i === 0 ? 'First trunk' : 'Second trunk'}</h3>
          <TrunkFields {...editing} i={i} />
        </ControlGroup>
      ))}
      <Caution>
        A sound-looking tree can be rotten. These numbers only rule trunks out: look up, knock, push; in doubt take
        another or ask an arborist.
      </Caution>
    </Controls>
  );
}

/** Whose paces were counted, where several measure here. */
function PacedBy({ rig, edit }: Pick<Editing, 'rig' | 'edit'>): ReactElement | null {
  const { people = [] } = usePeople();
  const { by } = rig.span;
  // somebody who is not here any more, or paced it elsewhere, stays who paced it
  const gone = by !== undefined && people.every((p) => p.id !== by.id) ? [by] : [];
  if (people.length + gone.length < 2) return null;
  return (
    <Choice
      label="Whose paces"
      value={by?.id ?? ''}
      options={[...people, ...gone].map(({ id, name }) => ({ id, name }))}
      onChange={(id) => {
        const person = people.find((p) => p.id === id);
        if (person !== undefined) edit({ ...rig, span: { ...rig.span, by: pacerOf(person) } });
      }}
    />
  );
}
