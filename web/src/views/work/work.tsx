import { Box, Button, Flex, Span, Tabs, Text } from '@chakra-ui/react';
import {
  expectedOf,
  lasts,
  orderBySchool,
  pitchingOf,
  scheduleOf,
  schoolOf,
  SCHOOLS,
  strikingOf,
  timeOf,
} from '@rough-bight/core/order';
import type { Planned, School, Step, Timed } from '@rough-bight/core/order';
import { capital } from '@rough-bight/core/quantity';
import { HANDS, HAULS, USUAL_WORK, WORK_LIMITS, pacedFirst } from '@rough-bight/core/rig';
import type { Hands, Hauls, RidgeRig, Work } from '@rough-bight/core/rig';
import type { RigReport } from '@rough-bight/core/shelter';
import type { Figure } from '@rough-bight/core/working';
import { sayMinutes } from '@rough-bight/core/words';
import { IdCard, Timer, TimerOff } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions } from '../../data/camp.js';
import { useRigContext } from '../../data/context.js';
import type { DocumentStore } from '../../data/document-store.js';
import { useLog } from '../../data/log.js';
import { useMe } from '../../data/me.js';
import type { Camp, Person } from '../../data/types.js';
import { useDocument, useSnapshot } from '../../data/use-document.js';
import { Check, Choice } from '../../parts/choice.js';
import { SaveTrouble } from '../../parts/conflict.js';
import { Buttons, Caution, ControlRow, Page, Problem } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { Loading, Trouble } from '../../parts/states.js';
import { UnitsContext, WorkingContext } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import { useOther } from '../../workers/use-judge.js';
import { StepList } from './step-list.js';

/** A rig as work for hands: in which order it is pitched and taken down, by whom, and how long it takes. */
export default function WorkView(): ReactElement {
  const { rigId } = useParams();
  const { store, error } = useDocument<RidgeRig>('rig', rigId!);
  const camp = useCamp(store?.campId);
  const me = useMe();
  const failed = error ?? (camp.error as Error | undefined) ?? (me.error as Error | undefined);
  if (failed !== undefined && (store === null || camp.data === undefined || me.data === undefined))
    return <Trouble error={failed} />;
  if (store === null || camp.data === undefined || me.data === undefined) return <Loading what="the rig" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <WorkPage key={store.id} store={store} camp={camp.data} me={me.data} />
    </UnitsContext.Provider>
  );
}

/** What those who work together are called. */
const PEOPLE: Readonly<Record<Hands, readonly string[]>> = {
  alone: ['you'],
  two: ['you', 'the other'],
  class: ['first pair', 'second pair', 'third pair', 'fourth pair'],
};

function WorkPage({
  store,
  camp,
  me,
}: {
  readonly store: DocumentStore<RidgeRig>;
  readonly camp: Camp;
  readonly me: Person;
}): ReactElement {
  const snapshot = useSnapshot(store);
  const { addRig } = useCampActions(camp.id);
  const { name, document: rig } = snapshot.draft;
  const context = useRigContext(camp, me, rig);
  const [search, setSearch] = useSearchParams();
  const [figure, setFigure] = useState<Figure | null>(null);
  const log = useLog(camp.id);
  // it goes on while the rig is judged anew
  const [watch, setWatch] = useState<Watch | null>(null);
  useEffect(() => {
    document.title = `Work, ${name}, Rough Bight`;
  }, [name]);
  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name, to: `/rigs/${store.id}` }, { name: 'Work' }],
    save: snapshot.save,
    undo: snapshot.canUndo ? () => store.undo() : null,
    redo: snapshot.canRedo ? () => store.redo() : null,
  });
  const put = (next: RidgeRig): void => store.edit({ ...store.read().draft, document: pacedFirst(next, me) });
  const work = rig.work ?? USUAL_WORK;
  const set = (part: Partial<Work>): void => put({ ...rig, work: { ...work, ...part } });
  // how it is worked changes nothing of what holds
  const judged = useMemo(() => JSON.stringify({ ...rig, work: undefined }), [rig]);
  const question = useMemo(
    () => ({ rig: JSON.parse(judged) as RidgeRig, context, units: me.units }),
    [judged, context, me.units],
  );
  const other = useOther(question);
  const school = rig.pitch === undefined || other === null || other.report === null ? null : schoolOf(rig, context);
  const timed = useMemo(
    () => log.entries.flatMap((e): Timed[] => (e.what.kind === 'timed' && e.by === me.id ? [e.what] : [])),
    [log.entries, me.id],
  );
  return (
    <WorkingContext.Provider value={setFigure}>
      <Page>
        <Flex justify="space-between" align="center" wrap="wrap" gap="8px">
          <h1>{name}: the work</h1>
          <Button asChild>
            <Link to={`/rigs/${store.id}/card`}>
              <IdCard size={17} aria-hidden="true" /> The card
            </Link>
          </Button>
        </Flex>
        <SaveTrouble
          store={store}
          save={snapshot.save}
          copy={async (draft) => `/rigs/${(await addRig(draft)).id}/work`}
          told={false}
        />
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        <ControlRow marginBlock="10px 4px">
          <Choice<Hands>
            label="Hands"
            value={work.hands}
            options={(Object.keys(HANDS) as Hands[]).map((id) => ({ id, name: HANDS[id] }))}
            onChange={(hands) => set({ hands })}
          />
          <Choice<Hauls>
            label="The line is hauled"
            value={work.hauls}
            options={(Object.keys(HAULS) as Hauls[]).map((id) => ({ id, name: HAULS[id] }))}
            onChange={(hauls) => set({ hauls })}
          />
          {rig.pitch !== undefined && (
            <Choice<School | ''>
              label="Guys"
              value={school ?? ''}
              options={[
                ...(school === null ? [{ id: '' as const, name: 'in an order of their own' }] : []),
                ...(Object.keys(SCHOOLS) as School[]).map((id) => ({ id, name: SCHOOLS[id] })),
              ]}
              onChange={(to) => {
                if (to !== '') put({ ...rig, pitch: { ...rig.pitch!, order: orderBySchool(rig, context, to) } });
              }}
            />
          )}
          <NumberField
            label="Nights"
            value={work.nights}
            limit={WORK_LIMITS.nights}
            step={1}
            whole
            onCommit={(nights) => {
              set({ nights });
              return null;
            }}
          />
        </ControlRow>
        <Check checked={work.rain} onChange={(rain) => set({ rain })}>
          It rains
        </Check>
        {other === null ? (
          <Loading what="the work" />
        ) : other.report === null ? (
          <Problem role="alert">{other.problem}</Problem>
        ) : (
          <Steps
            key={store.id}
            rig={rig}
            report={other.report}
            me={me}
            context={context}
            timed={timed}
            {...{ watch, setWatch }}
            striking={search.get('way') === 'down'}
            onWay={(down) => setSearch(down ? { way: 'down' } : {}, { replace: true })}
            onTimed={(step, took) =>
              log.write({
                by: me.id,
                rig: store.id,
                what: { kind: 'timed', code: step.code, took, expected: expectedOf(step) },
              })
            }
          />
        )}
        <Caution marginTop="18px">
          Stand beside a line that is let go, not in it. A weak anchor, a dead branch or a rising storm ends the work:
          leave.
        </Caution>
      </Page>
    </WorkingContext.Provider>
  );
}

/** When the step at hand was begun, and what is done. */
interface Watch {
  readonly since: number;
  readonly done: ReadonlySet<string>;
}

function Steps({
  rig,
  report,
  me,
  context,
  timed,
  watch,
  setWatch,
  striking,
  onWay,
  onTimed,
}: {
  readonly rig: RidgeRig;
  readonly report: RigReport;
  readonly me: Person;
  readonly context: Parameters<typeof pitchingOf>[1];
  readonly timed: readonly Timed[];
  readonly watch: Watch | null;
  readonly setWatch: (watch: Watch | null) => void;
  readonly striking: boolean;
  readonly onWay: (down: boolean) => void;
  readonly onTimed: (step: Step, seconds: number) => void;
}): ReactElement {
  const { hands } = rig.work ?? USUAL_WORK;
  const plans = useMemo(() => {
    const of = (steps: readonly Step[]): Planned[] => scheduleOf(steps, hands, (s) => timeOf(s, timed).value);
    return { up: of(pitchingOf(rig, context, report)), down: of(strikingOf(rig, context, report)) };
  }, [rig, context, report, hands, timed]);
  const plan = striking ? plans.down : plans.up;
  const tick = (p: Planned): void => {
    if (watch === null) return;
    const at = Date.now();
    onTimed(p.step, Math.max(1, Math.round((at - watch.since) / 1000)));
    setWatch({ since: at, done: new Set([...watch.done, p.step.id]) });
  };
  return (
    <Box marginTop="10px">
      <Tabs.Root value={striking ? 'down' : 'up'} onValueChange={(e) => onWay(e.value === 'down')}>
        <Tabs.List>
          <Tabs.Trigger value="up">Pitch it, {sayMinutes(lasts(plans.up))}</Tabs.Trigger>
          <Tabs.Trigger value="down">Take it down, {sayMinutes(lasts(plans.down))}</Tabs.Trigger>
        </Tabs.List>
        <Tabs.Content value={striking ? 'down' : 'up'}>
          <Buttons>
            {watch === null ? (
              <Button onClick={() => setWatch({ since: Date.now(), done: new Set() })}>
                <Timer size={17} aria-hidden="true" /> Time it
              </Button>
            ) : (
              <Button onClick={() => setWatch(null)}>
                <TimerOff size={17} aria-hidden="true" /> Stop timing
              </Button>
            )}
            <Text textStyle="quiet">
              {watch === null
                ? timed.length === 0
                  ? 'Minutes are those of practised hands until yours are known: time it, and tick each step as it is done.'
                  : `Minutes are learnt from ${timed.length} of your own steps.`
                : 'Tick each step as it is done; its time is kept as yours.'}
            </Text>
          </Buttons>
          <StepList
            plan={plan}
            report={report}
            body={context.body}
            units={me.units}
            people={PEOPLE[hands]}
            striking={striking}
            timeOf={(p) => timeOf(p.step, timed)}
            timing={watch === null ? null : { done: watch.done, tick }}
          />
          <Flex gap="8px" marginTop="8px">
            <Span textStyle="quiet">
              {capital(HANDS[hands])}: {sayMinutes(lasts(plan))} in all, without what is found wrong on the way.
            </Span>
          </Flex>
        </Tabs.Content>
      </Tabs.Root>
    </Box>
  );
}
