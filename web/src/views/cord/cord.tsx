import { Box, Button, Flex, Progress, Span, Text, chakra } from '@chakra-ui/react';
import { afterCutting, cuttingsOf } from '@rough-bight/core/budget';
import type { Budget, Fight, Planned, Stock } from '@rough-bight/core/budget';
import { capital, say, tell } from '@rough-bight/core/quantity';
import { pacedBy } from '@rough-bight/core/rig';
import type { Figure } from '@rough-bight/core/working';
import { budgetWords, counted, fightWords, joiningWords, listed, sticksWords } from '@rough-bight/core/words';
import { IdCard, Scissors } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { deedsInBar, useShell } from '../../app/shell-context.js';
import { useCampActions } from '../../data/camp.js';
import { useBag, useCampContext } from '../../data/context.js';
import { useDeeds } from '../../data/deeds.js';
import type { Camp, Person } from '../../data/types.js';
import { Check } from '../../parts/choice.js';
import { Fold } from '../../parts/fold.js';
import { Buttons, Caution, Page, Problem } from '../../parts/layout.js';
import { Wave } from '../../parts/marks.js';
import { Empty } from '../../parts/states.js';
import { OfCamp } from '../of-camp.js';
import { WorkingContext, useUnits } from '../../parts/units.js';
import { WorkingPanel } from '../../parts/working.js';
import { useBudget } from '../../workers/use-camp.js';
import { Bindings } from './bindings.js';
import type { Share } from './hank.js';
import { HankPlan } from './hank.js';

/** The cord of the rigs that stand tonight: what is cut from which hank, and where they want the same. */
export default function CordView(): ReactElement {
  return <OfCamp what="the cord">{(of) => <CordPage {...of} />}</OfCamp>;
}

function CordPage({
  camp,
  me,
  people,
}: {
  readonly camp: Camp;
  readonly me: Person;
  readonly people: readonly Person[];
}): ReactElement {
  const { standTonight, cutHanks, bind } = useCampActions(camp.id);
  const [problem, setProblem] = useState<string | null>(null);
  const [figure, setFigure] = useState<Figure | null>(null);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  useEffect(() => {
    document.title = `Cord, ${camp.name}, Rough Bight`;
  }, [camp.name]);
  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'Cord' }],
    ...deedsInBar(useDeeds(camp.id), attempt),
  });
  const context = useCampContext(camp, me);
  const { rigs, tonight, bindings, kit } = camp;
  const planned = useMemo(
    (): Planned[] =>
      rigs
        .filter((r) => tonight === null || tonight.includes(r.id))
        .map(({ id, name, document: rig }) => ({
          id,
          name,
          rig,
          context: pacedBy(rig, context, { id: me.id, people }),
        })),
    [rigs, tonight, context, me.id, people],
  );
  const bag = useBag(camp);
  const asked = useMemo(() => ({ planned, bag }), [planned, bag]);
  const { of, found: budget, done, problem: failed } = useBudget(asked);
  const current = of === asked;
  const stands = (id: string): boolean => tonight === null || tonight.includes(id);
  const stand = (id: string, on: boolean): void => {
    const ids = rigs.map((r) => r.id).filter((r) => (r === id ? on : stands(r)));
    attempt(standTonight(ids.length === rigs.length ? null : ids));
  };
  return (
    <WorkingContext.Provider value={setFigure}>
      <Page>
        <h1>Cord</h1>
        <Text textStyle="lead" marginBottom="10px">
          One plan for all that stands tonight: what is cut from which hank, and what stays whole.
        </Text>
        {problem !== null && <Problem role="alert">{problem}</Problem>}
        {figure !== null && <WorkingPanel figure={figure} onClose={() => setFigure(null)} />}
        {rigs.length === 0 && <Empty>No rig stands here yet. Begin one, and its cord is counted here.</Empty>}
        {rigs.length > 0 && (
          <Fold
            line={`${capital(counted(planned.length, 'rig'))} of ${rigs.length} ${planned.length === 1 ? 'stands' : 'stand'} tonight`}
          >
            <chakra.ul display="flex" flexWrap="wrap" aria-label="Rigs that stand tonight">
              {rigs.map((r) => (
                <li key={r.id}>
                  <Check checked={stands(r.id)} onChange={(on) => stand(r.id, on)}>
                    {r.name}
                  </Check>
                </li>
              ))}
            </chakra.ul>
          </Fold>
        )}
        <Bindings bindings={bindings} cords={kit} onPut={(next) => attempt(bind(next))} />
        {failed !== null && <Problem role="alert">{failed}</Problem>}
        {!current && rigs.length > 0 && (
          <Progress.Root value={100 * done} marginBlock="8px 14px" maxWidth="420px">
            <Progress.Track aria-label="Planning the cord">
              <Progress.Range />
            </Progress.Track>
          </Progress.Root>
        )}
        {current && budget !== null && (
          <PlanShown
            budget={budget}
            camp={camp}
            me={me}
            onCut={(hanks) => attempt(cutHanks(hanks))}
            rigOf={(id) => (rigs.find((r) => r.id === id) ?? bindings.find((b) => b.id === id))?.name ?? id}
          />
        )}
        {planned.length > 0 && (
          <Buttons>
            <Button asChild>
              <Link to={`/camps/${camp.id}/card`}>
                <IdCard size={17} aria-hidden="true" /> Cards for tonight
              </Link>
            </Button>
          </Buttons>
        )}
        <Caution marginTop="20px">
          Measure before you cut, on the ground, with the rig’s own trees. Cord that is cut too short is lost; cord of
          unknown strength stays off people. <Link to="/cautions">All cautions</Link>
        </Caution>
      </Page>
    </WorkingContext.Provider>
  );
}

function PlanShown({
  budget,
  camp,
  me,
  rigOf,
  onCut,
}: {
  readonly budget: Budget;
  readonly camp: Camp;
  readonly me: Person;
  readonly rigOf: (id: string) => string;
  readonly onCut: (hanks: Camp['kit'][number][]) => void;
}): ReactElement {
  const units = useUnits();
  const { plan, fights, joinings, things, sticks, stocks } = budget;
  const said = budgetWords(budget, rigOf);
  const hankOf = (id: string): string => camp.kit.find((c) => c.id === id)?.name ?? id;
  const sharesOf = (stock: Stock): Share[] =>
    plan.taken
      .flatMap((taken) =>
        taken.parts.filter((p) => p.stock.id === stock.id).map((part) => ({ taken, part, rig: rigOf(taken.need.of) })),
      )
      .sort((a, b) => Number(a.part.uncut) - Number(b.part.uncut) || b.part.length - a.part.length);
  const used = stocks.map((stock) => ({ stock, shares: sharesOf(stock) })).filter((s) => s.shares.length > 0);
  const untouched = stocks.filter((s) => s.piece === null && !used.some((u) => u.stock.id === s.id));
  const longest = Math.max(...used.map((u) => u.stock.length));
  const cuttings = cuttingsOf(plan, rigOf);
  const found = sticksWords(sticks);
  const cut = (): void => {
    const at = new Date().toISOString();
    onCut(
      cuttings.map((c) =>
        afterCutting(
          camp.kit.find((k) => k.id === c.hank)!,
          c,
          at,
          () => crypto.randomUUID(),
        ),
      ),
    );
  };
  return (
    <>
      <Flex as="section" aria-label="Verdict" gap="12px" align="center" layerStyle="region" paddingBlock="12px">
        <Wave state={plan.taken.length === 0 && plan.unmet.length === 0 ? 'none' : said.fits ? 'holds' : 'fails'} />
        <Box>
          <Text textStyle="verdict">{tell(said.sentence, units)}</Text>
          <Text textStyle="quiet">{tell(said.detail, units)}</Text>
        </Box>
      </Flex>
      {fights.map((f) => (
        <Fought key={f.hanks.join(' ')} fight={f} hanks={f.hanks.map(hankOf)} rigOf={rigOf} />
      ))}
      {[...joinings].map(([id, joining]) => {
        const need = budget.needs.find((n) => n.id === id)!;
        return (
          <Text key={id} marginTop="8px" maxWidth="80ch">
            <b>
              {capital(need.name)} of {rigOf(need.of)}:
            </b>{' '}
            {tell(joiningWords(joining, need), units)}
          </Text>
        );
      })}
      {used.length > 0 && (
        <>
          <chakra.ul marginTop="8px" aria-label="Lengths on hand and what they are cut into">
            {used.map(({ stock, shares }) => (
              <HankPlan
                key={stock.id}
                name={stock.piece === null ? hankOf(stock.hank) : `a piece of ${hankOf(stock.hank)}`}
                stock={stock}
                shares={shares}
                left={plan.left.find((l) => l.stock.id === stock.id)!.length}
                longest={longest}
                body={me.body}
              />
            ))}
          </chakra.ul>
          {untouched.length > 0 && (
            <Text textStyle="quiet" marginTop="8px">
              Not needed: {listed(untouched.map((s) => `${hankOf(s.hank)} (${say(s.length, 'length', units)})`))}.
            </Text>
          )}
          {cuttings.some((c) => c.cuts.length > 0) && (
            <Buttons>
              <Button variant="solid" onClick={cut}>
                <Scissors size={17} aria-hidden="true" /> These are cut
              </Button>
              <Span textStyle="quiet">
                Writes each cut into its hank’s history; the pieces are used first from then on. It can be undone.
              </Span>
            </Buttons>
          )}
        </>
      )}
      {things.length > 0 && (
        <>
          <chakra.h2 marginTop="24px" marginBottom="4px">
            What else comes along
          </chakra.h2>
          <chakra.ul maxWidth="80ch">
            {things.map((t) => (
              <Flex as="li" key={t.id} gap="12px" paddingBlock="5px" borderBottom="1px solid" borderColor="hairline">
                <Box flex={1}>
                  {capital(t.name)}{' '}
                  <Span textStyle="quiet">
                    {listed(t.by.map((b) => `${rigOf(b.of)}${t.list === 'pegs' ? ` ${b.wants}` : ''}`))}
                  </Span>
                </Box>
                <Span fontWeight={700} {...(t.wanted > t.have ? { color: 'danger' } : {})}>
                  {t.list === 'pegs'
                    ? `${t.wanted} of ${t.have}`
                    : t.wanted > t.have
                      ? `wanted by ${t.wanted} at once`
                      : ''}
                </Span>
              </Flex>
            ))}
            {found.length > 0 && (
              <Flex as="li" gap="12px" paddingBlock="5px" borderBottom="1px solid" borderColor="hairline">
                <Box flex={1}>
                  Sticks to find <Span textStyle="quiet">{found.map((f) => tell(f, units)).join('; ')}</Span>
                </Box>
              </Flex>
            )}
          </chakra.ul>
        </>
      )}
    </>
  );
}

/** Rigs that draw on the same lengths: what each wants, and who goes without. */
function Fought({
  fight,
  hanks,
  rigOf,
}: {
  readonly fight: Fight;
  readonly hanks: readonly string[];
  readonly rigOf: (id: string) => string;
}): ReactElement {
  const units = useUnits();
  const said = fightWords(fight, hanks);
  return (
    <Box as="section" marginTop="14px" maxWidth="90ch" borderLeft="5px solid" borderColor="danger" paddingStart="12px">
      <b>{tell(said.what, units)}</b>
      <chakra.ul>
        {said.rigs.map((r) => (
          <Flex as="li" key={r.of} gap="12px" paddingBlock="2px">
            <Span flex="0 1 220px">{rigOf(r.of)}</Span>
            <Span width="64px" textAlign="right" fontWeight={700}>
              {tell(r.wants, units)}
            </Span>
            <Span flex={1} {...(r.without === null ? { textStyle: 'quiet' } : { color: 'danger' })}>
              {r.without ?? 'has it'}
            </Span>
          </Flex>
        ))}
      </chakra.ul>
    </Box>
  );
}
