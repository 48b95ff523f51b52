import { Caution, ControlRow, Page, PageSection, Problem } from '../../parts/layout.js';
import { Box, Text } from '@chakra-ui/react';
import { BODY_LIMITS } from '@rough-bight/core/ground';
import type { BodyUnit } from '@rough-bight/core/ground';
import { capital } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { REQUIRED_LIMITS, RULES, RULE_NAMES, RULE_WORDS, USES, USE_NAMES } from '@rough-bight/core/strength';
import type { Rule, Use } from '@rough-bight/core/strength';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useMe } from '../../data/me.js';
import type { Person } from '../../data/types.js';
import { NumberField } from '../../parts/number-field.js';
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
/** A person's own measures and the margins they ask for. */
export default function MeView(): ReactElement {
  const me = useMe();
  useShell({ crumbs: [{ name: 'Me' }] });
  useEffect(() => {
    document.title = 'Me, Rough Bight';
  }, []);
  if (me.error !== undefined) return <Trouble error={me.error as Error} />;
  if (me.data === undefined) return <Loading what="your measures" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <MePage me={me.data} change={me.change} />
    </UnitsContext.Provider>
  );
}

function MePage({
  me,
  change,
}: {
  readonly me: Person;
  readonly change: (next: Person) => Promise<void>;
}): ReactElement {
  const [problem, setProblem] = useState<string | null>(null);
  const put = (next: Person): null => {
    setProblem(null);
    change(next).catch((error: unknown) => setProblem((error as Error).message));
    return null;
  };
  const body = (key: keyof BodyMeasures, own?: string): ReactElement => {
    const unit: BodyUnit = key === 'paceSpread' ? 'pace' : key;
    const repeats = me.calibrations[unit]?.length ?? 0;
    const hint =
      repeats > 0 ? `from ${repeats} ${repeats === 1 ? 'repeat' : 'repeats'} below; typing one drops them` : own;
    return (
      <NumberField
        key={key}
        label={capital(BODY_LIMITS[key].name)}
        value={me.body[key]}
        limit={BODY_LIMITS[key]}
        step={key === 'paceSpread' ? 0.005 : 0.01}
        {...(hint === undefined ? {} : { hint })}
        onCommit={(value) =>
          put({ ...me, body: { ...me.body, [key]: value }, calibrations: { ...me.calibrations, [unit]: [] } })
        }
      />
    );
  };
  const required = (rule: Rule, use: Use): ReactElement => (
    <NumberField
      label={capital(USE_NAMES[use])}
      value={me.required[rule][use]}
      limit={REQUIRED_LIMITS[rule]}
      step={rule === 'factor' ? 0.1 : rule === 'share' ? 0.01 : 0.001}
      onCommit={(value) => put({ ...me, required: { ...me.required, [rule]: { ...me.required[rule], [use]: value } } })}
    />
  );
  return (
    <Page>
      <h1>Me</h1>
      <Text textStyle="lead">
        Your own lengths, so that paces and heights mean something, and the margins you ask for.
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      <PageSection>
        <h2>Lengths</h2>
        <ControlRow>
          {body('pace', 'walk a taped line, count, divide')}
          {body('paceSpread', 'how far repeats differ, one standard deviation')}
          {body('foot')}
          {body('handSpan')}
          {body('armSpan')}
        </ControlRow>
      </PageSection>
      <PageSection>
        <h2>Heights from the ground</h2>
        <ControlRow>{HEIGHTS.map((h) => body(h))}</ControlRow>
      </PageSection>
      <CalibrationSection me={me} put={put} />
      <PageSection>
        <h2>What must be left</h2>
        {RULES.map((rule) => (
          <Box key={rule} marginTop="12px" role="group" aria-label={RULE_NAMES[rule]}>
            <h3>{capital(RULE_NAMES[rule])}</h3>
            <Text textStyle="quiet">{RULE_WORDS[rule]}</Text>
            <ControlRow>
              {USES.map((use) => (
                <div key={use}>{required(rule, use)}</div>
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
