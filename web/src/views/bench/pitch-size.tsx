import { Box, Button, chakra, Table, Text } from '@chakra-ui/react';
import { capital, say } from '@rough-bight/core/quantity';
import { rigProblems } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { SIZE_AIMS, takeChanges } from '@rough-bight/core/sizing';
import type { Bill, SizeAim, SizeChange, SizedRig } from '@rough-bight/core/sizing';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { Check, Segments } from '../../parts/choice.js';
import { LongWork } from '../../parts/long-work.js';
import { useUnits } from '../../parts/units.js';
import type { RigQuestion } from '../../workers/rig.worker.js';
import { Brought } from './brought.js';
import { startSizingRig, startStrongestWind } from '../../workers/use-judge.js';

const AIM_NAMES: Readonly<Record<SizeAim, string>> = {
  cut: 'Least cord',
  mass: 'Least weight',
  items: 'Fewest things',
};

/** The whole rig sized from the kit: every change with its reason and its effect, to take or to leave. */
export function PitchSize({
  question,
  onTake,
  onBring,
  onClose,
}: {
  readonly question: RigQuestion;
  /** Each a step that is undone by itself. */
  readonly onTake: (stages: readonly RidgeRig[]) => void;
  /** Something was brought or left at home: the panel stays. */
  readonly onBring: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}): ReactElement {
  // what is asked is the rig as it was when the panel opened, or when another aim was chosen
  const [asked, setAsked] = useState({ aim: 'cut' as SizeAim, question });
  return (
    <>
      <LongWork<SizedRig>
        key={`${asked.aim} ${(asked.question.rig.home ?? []).join()}`}
        label="Size it"
        title="The whole rig, from this kit"
        closes="Close sizing"
        start={(progress, done) => startSizingRig(asked.question, asked.aim, progress, done)}
        onClose={onClose}
      >
        {(sized) => (
          <Sized key={sized.aim} question={asked.question} sized={sized} current={question.rig} onTake={onTake} />
        )}
      </LongWork>
      <Box padding="0 18px 18px">
        <Segments
          label="For"
          value={asked.aim}
          options={SIZE_AIMS.map((id) => ({ id, name: AIM_NAMES[id] }))}
          onChange={(aim) => setAsked({ aim, question })}
        />
        <Brought
          rig={question.rig}
          context={question.context}
          onChange={(rig) => {
            onBring(rig);
            setAsked({ aim: asked.aim, question: { ...question, rig } });
          }}
        />
      </Box>
    </>
  );
}

/** The rig after each change in turn; one that does not stand without the next goes with it. */
function stagesOf(
  from: RidgeRig,
  to: RidgeRig,
  changes: readonly SizeChange['parts'][],
  context: RigQuestion['context'],
): RidgeRig[] {
  return changes.flatMap((_, k) => {
    const stage = takeChanges(from, to, changes.slice(0, k + 1).flat());
    return k === changes.length - 1 || rigProblems(stage, context).length === 0 ? [stage] : [];
  });
}

function Sized({
  question,
  sized,
  current,
  onTake,
}: {
  /** What was sized. */
  readonly question: RigQuestion;
  readonly sized: SizedRig;
  /** The rig as it is by now. */
  readonly current: RidgeRig;
  /** Each a step that is undone by itself. */
  readonly onTake: (stages: readonly RidgeRig[]) => void;
}): ReactElement {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const { changes, unmet } = sized;
  const taken = changes.filter((c) => !left.has(c.id));
  return (
    <Box>
      <Text textStyle="name" margin="10px 0 8px" {...(sized.met ? {} : { color: 'danger' })}>
        {sized.met
          ? changes.length === 0
            ? 'Every margin holds as it is, and nothing in the kit does it with less.'
            : 'With these changes every margin holds.'
          : changes.length === 0
            ? 'This kit cannot meet everything, and nothing in it would help.'
            : 'This kit cannot meet everything. These changes come nearest.'}
      </Text>
      <Bills before={sized.before} after={sized.after} />
      {current !== question.rig && (
        <Text textStyle="quiet">The rig was changed since. Taking these changes keeps what else you did.</Text>
      )}
      {changes.length > 0 && (
        <>
          <chakra.ol>
            {changes.map((c) => (
              <chakra.li
                key={c.id}
                layerStyle="row"
                padding="10px 0 8px 12px"
                borderLeft="3px solid"
                borderLeftColor={c.mends ? 'act' : 'transparent'}
                fontSize="14px"
              >
                <Check
                  checked={!left.has(c.id)}
                  onChange={(take) => {
                    const next = new Set(left);
                    if (take) next.delete(c.id);
                    else next.add(c.id);
                    setLeft(next);
                  }}
                >
                  <b>{c.what}</b>
                </Check>
                <Text textStyle="quiet">Was {c.was}.</Text>
                <p>{c.reason}</p>
                <Text fontWeight={600}>{c.effect}</Text>
              </chakra.li>
            ))}
          </chakra.ol>
          <Button
            variant="solid"
            disabled={taken.length === 0}
            onClick={() =>
              onTake(
                stagesOf(
                  current,
                  sized.rig,
                  taken.map((c) => c.parts),
                  question.context,
                ),
              )
            }
          >
            {taken.length === changes.length
              ? `Take ${changes.length === 1 ? 'the change' : `all ${changes.length} changes`}`
              : `Take ${taken.length} of ${changes.length}`}
          </Button>
        </>
      )}
      {unmet.length > 0 && (
        <section aria-label="What cannot be met">
          <h2>What cannot be met</h2>
          <chakra.ul>
            {unmet.map((u) => (
              <li key={u.id}>
                <p>
                  <b>{u.sentence}</b>
                </p>
                <p>{u.remedy}</p>
                {u.rig !== null && (
                  <Button onClick={() => onTake([u.rig!])}>
                    {changes.length === 0 ? 'Do that' : 'Do that, with all changes'}
                  </Button>
                )}
              </li>
            ))}
          </chakra.ul>
          <Wind question={question} rig={sized.rig} />
        </section>
      )}
      {!sized.proven && <Text textStyle="quiet">The search was cut short: there may be a cheaper choice.</Text>}
    </Box>
  );
}

/** What the rig takes, now and sized. */
function Bills({ before, after }: { readonly before: Bill; readonly after: Bill }): ReactElement {
  const units = useUnits();
  const rows: readonly (readonly [string, string, string])[] = [
    ['Cord', say(before.cut, 'length', units), say(after.cut, 'length', units)],
    ['Weight', say(before.mass, 'mass', units), say(after.mass, 'mass', units)],
    ['Pegs', String(before.pegs), String(after.pegs)],
    ['Kinds of cord', String(before.kinds), String(after.kinds)],
  ];
  return (
    <Table.Root variant="outline">
      <Table.Header>
        <Table.Row>
          <Table.ColumnHeader scope="col">It takes</Table.ColumnHeader>
          <Table.ColumnHeader scope="col">now</Table.ColumnHeader>
          <Table.ColumnHeader scope="col">sized</Table.ColumnHeader>
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {rows.map(([name, was, is]) => (
          <Table.Row key={name}>
            <Table.ColumnHeader scope="row">{name}</Table.ColumnHeader>
            <Table.Cell>{was}</Table.Cell>
            <Table.Cell textStyle={was === is ? 'quiet' : 'title'}>{is}</Table.Cell>
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}

/** The strongest wind the rig bears once its changes are taken: worked out after the rest. */
function Wind({ question, rig }: { readonly question: RigQuestion; readonly rig: RidgeRig }): ReactElement {
  const [found, setFound] = useState<string>('Working out what wind it bears…');
  useEffect(
    () =>
      startStrongestWind({ ...question, rig }, (answer) =>
        setFound(
          !answer.ok
            ? capital(answer.message)
            : answer.value === null
              ? 'With all changes taken it is short even in still air.'
              : `With all changes taken every margin holds up to Beaufort ${answer.value}; you asked for ${rig.wind.beaufort}.`,
        ),
      ),
    [question, rig],
  );
  return <p aria-live="polite">{found}</p>;
}
