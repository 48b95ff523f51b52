import { Box, Button, Text } from '@chakra-ui/react';
import { misfits } from '@rough-bight/core/document';
import { BODY_LIMITS, personDocument } from '@rough-bight/core/ground';
import type { BodyUnit, PersonDocument } from '@rough-bight/core/ground';
import { capital } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { REQUIRED_LIMITS, RULES, RULE_NAMES, RULE_WORDS, USES, USE_NAMES } from '@rough-bight/core/strength';
import { UserMinus, UserPlus } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { deedsInBar, useShell } from '../../app/shell-context.js';
import { useDeeds } from '../../data/deeds.js';
import { PEOPLE, mine, useMe, usePeopleActions } from '../../data/me.js';
import type { Person } from '../../data/types.js';
import { unusedName } from '../../data/unused-name.js';
import { Choice } from '../../parts/choice.js';
import type { DocumentForm } from '../../parts/document-form.js';
import { useDocumentForm } from '../../parts/document-form.js';
import { FormNumber, FormText } from '../../parts/form-fields.js';
import { Buttons, Caution, ControlRow, Page, PageSection, Problem } from '../../parts/layout.js';
import { Loading, Trouble } from '../../parts/states.js';
import { UnitsContext } from '../../parts/units.js';
import { CalibrationSection } from './calibration.js';

const HEIGHTS = [
  'waist',
  'elbow',
  'chest',
  'shoulder',
  'brow',
  'reach',
] as const satisfies readonly (keyof BodyMeasures)[];
/** How far a pace that was never walked against a tape may be off, one standard deviation as a share. Judgement, 0.06 to 0.15. */
const UNKNOWN_PACE = 0.1;

/** A person's own measures and the margins they ask for. */
export default function MeView(): ReactElement {
  const me = useMe();
  useEffect(() => {
    document.title = 'Me, Rough Bight';
  }, []);
  if (me.error !== undefined) return <Trouble error={me.error} />;
  if (me.data === undefined) return <Loading what="your measures" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <MePage key={me.data.id} me={me.data} people={me.people ?? []} change={me.change} />
    </UnitsContext.Provider>
  );
}

function MePage({
  me,
  people,
  change,
}: {
  readonly me: Person;
  readonly people: readonly Person[];
  readonly change: (next: Person) => Promise<void>;
}): ReactElement {
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  const own = useDeeds(mine(me.id));
  const all = useDeeds(PEOPLE);
  useShell({ crumbs: [{ name: 'Me' }], ...deedsInBar(all.gone === null ? own : all, attempt) });
  const value = useMemo(
    (): PersonDocument => ({
      name: me.name,
      body: me.body,
      units: me.units,
      required: me.required,
      calibrations: me.calibrations,
    }),
    [me],
  );
  const of = useDocumentForm<PersonDocument>(
    value,
    (whole) => misfits(personDocument, whole),
    (whole) => attempt(change({ ...me, ...whole })),
  );
  const length = (key: keyof BodyMeasures, own_?: string): ReactElement => {
    const unit: BodyUnit = key === 'paceSpread' ? 'pace' : key;
    const repeats = me.calibrations[unit]?.length ?? 0;
    const hint =
      repeats > 0 ? `from ${repeats} ${repeats === 1 ? 'repeat' : 'repeats'} below; typing one drops them` : own_;
    return (
      <FormNumber
        key={key}
        of={of}
        name={`body.${key}`}
        label={capital(BODY_LIMITS[key].name)}
        limit={BODY_LIMITS[key]}
        step={key === 'paceSpread' ? 0.005 : 0.01}
        {...(hint === undefined ? {} : { hint })}
        also={{ calibrations: { ...me.calibrations, [unit]: [] } }}
      />
    );
  };
  return (
    <Page>
      <h1>Me</h1>
      <Text textStyle="lead" marginBottom="14px">
        Your own lengths, so that paces and heights mean something, and the margins you ask for.
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      <People of={of} me={me} people={people} attempt={attempt} />
      <PageSection>
        <h2>Lengths</h2>
        {me.body.paceSpread >= UNKNOWN_PACE && (
          <Caution>These are not measured yet. Walk a taped line, below, before your paces count.</Caution>
        )}
        <ControlRow>
          {length('pace', 'walk a taped line, count, divide')}
          {length('paceSpread', 'how far repeats differ, one standard deviation')}
          {length('foot')}
          {length('handSpan')}
          {length('armSpan')}
        </ControlRow>
      </PageSection>
      <PageSection>
        <h2>Heights from the ground</h2>
        <ControlRow>{HEIGHTS.map((h) => length(h))}</ControlRow>
      </PageSection>
      <CalibrationSection key={me.id} me={me} put={(next) => (attempt(change(next)), null)} />
      <PageSection>
        <h2>What must be left</h2>
        {RULES.map((rule) => (
          <Box key={rule} marginTop="12px" role="group" aria-label={RULE_NAMES[rule]}>
            <h3>{capital(RULE_NAMES[rule])}</h3>
            <Text textStyle="quiet">{RULE_WORDS[rule]}</Text>
            <ControlRow>
              {USES.map((use) => (
                <FormNumber
                  key={use}
                  of={of}
                  name={`required.${rule}.${use}`}
                  label={capital(USE_NAMES[use])}
                  limit={REQUIRED_LIMITS[rule]}
                  step={rule === 'factor' ? 0.1 : rule === 'share' ? 0.01 : 0.001}
                />
              ))}
            </ControlRow>
          </Box>
        ))}
        <Caution>
          Lower margins hurt people. These are common practice, not a standard: 5 for people, 3 for hung things, 2 for
          roofs.
        </Caution>
      </PageSection>
    </Page>
  );
}

/** Who holds this device, and who else measures here. */
function People({
  of,
  me,
  people,
  attempt,
}: {
  readonly of: DocumentForm<PersonDocument>;
  readonly me: Person;
  readonly people: readonly Person[];
  readonly attempt: (work: Promise<unknown>) => void;
}): ReactElement {
  const { holdAs, add, remove } = usePeopleActions();
  const { body, units, required } = me;
  const added: PersonDocument = {
    name: unusedName('Assistant', people),
    body: { ...body, paceSpread: UNKNOWN_PACE },
    units,
    required,
    calibrations: {},
  };
  return (
    <PageSection>
      <h2>Who measures here</h2>
      <Text textStyle="quiet">
        Everyone has their own paces, heights, units and margins. What one of you paced stays in their paces, whoever
        looks at it.
      </Text>
      <ControlRow>
        {people.length > 1 && (
          <Choice
            label="This device is held by"
            value={me.id}
            options={people.map(({ id, name }) => ({ id, name }))}
            onChange={holdAs}
          />
        )}
        <FormText<PersonDocument> of={of} name="name" label="Name" max={60} />
      </ControlRow>
      <Buttons>
        <Button onClick={() => attempt(add(added))}>
          <UserPlus size={16} aria-hidden="true" /> Add somebody
        </Button>
        {people.length > 1 && (
          <Button onClick={() => attempt(remove(me))}>
            <UserMinus size={16} aria-hidden="true" /> Delete {me.name}
          </Button>
        )}
      </Buttons>
    </PageSection>
  );
}
