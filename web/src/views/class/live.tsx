import { Box, Button, Flex, Span, Text, chakra } from '@chakra-ui/react';
import { modulesOf } from '@rough-bight/core/card';
import { DRILL_KINDS } from '@rough-bight/core/drill';
import type { DrillKind } from '@rough-bight/core/drill';
import { modulesPath } from '@rough-bight/core/picture';
import { capital, tell } from '@rough-bight/core/quantity';
import type { RoomView } from '@rough-bight/core/teach';
import { DRILL_NAMES, counted, drillQuestion, truthWords } from '@rough-bight/core/words';
import type { Drill } from '@rough-bight/core/drill';
import { Eye, Users, X } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import useSWR from 'swr';
import { useShell } from '../../app/shell-context.js';
import { ink } from '../../app/theme/paint.js';
import { call, get } from '../../data/api.js';
import { useHeard } from '../../data/live.js';
import type { Live } from '../../data/live.js';
import type { Person } from '../../data/types.js';
import { Check, Choice } from '../../parts/choice.js';
import { Fold } from '../../parts/fold.js';
import { Buttons, Caution, ControlRow, Page, Problem } from '../../parts/layout.js';
import { Loading } from '../../parts/states.js';
import { liveDrill } from '../../workers/use-drill.js';
import { cardPage } from '../../workers/use-camp.js';
import { Looked } from '../drills/ask.js';
import { Shown } from '../drills/by-hand.js';
import { useDrillRigs } from '../drills/rigs.js';
import { Teaching } from '../drills/teaching.js';
import { OfCamp } from '../of-camp.js';
import type { InCamp } from '../of-camp.js';
import { Spread } from './spread.js';

/** A class that answers the same drill together on its own phones. */
export default function LiveView(): ReactElement {
  return <OfCamp what="the class">{(of) => <LivePage {...of} />}</OfCamp>;
}

function LivePage(of: InCamp): ReactElement {
  const { camp } = of;
  const { data, error, mutate } = useSWR<Live, Error>('/api/class', get);
  useEffect(() => {
    document.title = `All at once, ${camp.name}, Rough Bight`;
  }, [camp.name]);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'All at once' }] });
  return (
    <Page>
      <h1>All at once</h1>
      <Teaching campId={camp.id} />
      {error !== undefined ? (
        <Problem role="alert">{error.message}</Problem>
      ) : data === undefined ? (
        <Loading what="the class" />
      ) : data.on ? (
        <Open {...of} onClosed={() => void mutate({ on: false }, { revalidate: false })} />
      ) : (
        <>
          <Text textStyle="lead">
            Phones on your own network join, everybody guesses, and you see the spread before the truth.
          </Text>
          <Text marginTop="10px">
            No class is open. Rough Bight answers on this machine alone until you ask for more: stop it, and start it
            with
          </Text>
          <chakra.pre padding="10px 14px" background="cloth2" marginBlock="8px" overflowX="auto">
            npm start -- --class
          </chakra.pre>
          <Text>It says which address it opens, with a code and a passphrase that are new each time.</Text>
        </>
      )}
    </Page>
  );
}

function Open({ camp, me, people, onClosed }: InCamp & { readonly onClosed: () => void }): ReactElement {
  const { view, open, over } = useHeard<RoomView>('/api/class/events', true);
  const rigs = useDrillRigs(camp, me, people);
  const [kind, setKind] = useState<DrillKind>('pull');
  const [making, setMaking] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const campId = camp.id;
  const doing = (work: () => Promise<unknown>): void => {
    setTrouble(null);
    work().catch((error: unknown) => setTrouble((error as Error).message));
  };
  useEffect(() => {
    call('POST', `/api/class/of/${encodeURIComponent(campId)}`).catch((error: unknown) =>
      setTrouble((error as Error).message),
    );
  }, [campId]);
  useEffect(() => {
    if (over) onClosed();
  }, [over, onClosed]);
  const ask = async (): Promise<void> => {
    setMaking(true);
    try {
      const seed = Math.floor(Math.random() * 2_147_483_647);
      const made = await liveDrill({ rigs, units: me.units, kind, seed, hard: 0.3 });
      if (made === null) throw new Error('No rig of this camp has that to ask. Choose another kind.');
      await call('POST', '/api/class/ask', { drill: { ...made, camp: campId } });
    } finally {
      setMaking(false);
    }
  };
  if (view === null) return <Loading what="the class" />;
  const here = view.learners.filter((l) => l.here);
  return (
    <>
      {!open && <Problem role="status">The server does not answer. It is tried again by itself.</Problem>}
      {trouble !== null && <Problem role="alert">{trouble}</Problem>}
      <Way view={view} />
      <Text marginTop="10px">
        <Users size={17} aria-hidden="true" style={{ display: 'inline', verticalAlign: '-3px' }} />{' '}
        {here.length === 0 ? 'Nobody is here yet.' : `${capital(counted(here.length, 'learner'))} here: `}
        {here.map((l, i) => (
          <Span key={l.id} fontWeight={l.said ? 700 : 400}>
            {i > 0 && ', '}
            {l.name}
            {l.said && view.phase === 'asked' && ' ✓'}
          </Span>
        ))}
      </Text>
      <Box borderTop="1.5px solid" borderColor="ink" marginTop="12px" paddingTop="8px">
        <chakra.div maxWidth="420px">
          <ControlRow>
            <Choice<DrillKind>
              label="Ask everybody"
              value={kind}
              options={DRILL_KINDS.map((id) => ({ id, name: DRILL_NAMES[id].toLowerCase() }))}
              onChange={setKind}
            />
          </ControlRow>
        </chakra.div>
        <Buttons>
          <Button variant={view.phase === 'asked' ? 'outline' : 'solid'} disabled={making} onClick={() => doing(ask)}>
            {making ? 'It is being made' : view.phase === 'waiting' ? 'Ask' : 'Ask another'}
          </Button>
          {view.phase === 'asked' && (
            <Button variant="solid" onClick={() => doing(() => call('POST', '/api/class/show'))}>
              <Eye size={17} aria-hidden="true" /> Show what is true
            </Button>
          )}
        </Buttons>
        {view.drill !== null && <Asked view={view} me={me} />}
      </Box>
      <Share camp={camp} me={me} people={people} view={view} doing={doing} />
      <Caution marginTop="14px">
        Whoever is on your network and knows the words can join. It closes with Rough Bight, or here.
      </Caution>
      <Buttons>
        <Button onClick={() => doing(() => call('POST', '/api/class/close').then(onClosed))}>
          <X size={17} aria-hidden="true" /> Close the class
        </Button>
      </Buttons>
    </>
  );
}

/** How phones get in: large, since it is read across a clearing. */
function Way({ view }: { readonly view: RoomView }): ReactElement {
  const { addresses, code, passphrase } = view;
  const link = `${addresses[0] ?? ''}/class?code=${code}`;
  const modules = useMemo(() => modulesOf(link), [link]);
  const side = modules.length;
  return (
    <Flex as="section" aria-label="How phones get in" gap="24px" wrap="wrap" align="center" marginTop="6px">
      <chakra.svg
        viewBox={`-2 -2 ${side + 4} ${side + 4}`}
        width="132px"
        height="132px"
        role="img"
        aria-label={`Code for a camera: ${link}`}
        css={{ background: '#fff' }}
      >
        <path d={modulesPath(modules)} fill="#000" />
      </chakra.svg>
      <Box>
        <Text textStyle="quiet">Phones open</Text>
        {addresses.map((a) => (
          <Text key={a} fontSize="22px" fontWeight={700}>
            {a}/class
          </Text>
        ))}
        <Text>
          Code <Span fontWeight={700}>{code}</Span>, passphrase <Span fontWeight={700}>{passphrase}</Span>
        </Text>
      </Box>
    </Flex>
  );
}

/** What is asked, how its guesses spread, and what is true once it is shown. */
function Asked({ view, me }: { readonly view: RoomView; readonly me: Person }): ReactElement {
  const drill = view.drill!;
  const shown = view.phase === 'shown';
  const { truth: _, ...open } = drill.asked;
  void _;
  const board = { shown: drill.shown, asked: shown ? drill.asked : (open as typeof drill.asked) };
  const more = shown ? tell(truthWords(drill as unknown as Drill), me.units) : '';
  return (
    <Box as="section" aria-label="Asked" marginTop="10px">
      <Text textStyle="verdict" maxWidth="70ch" marginBottom="8px">
        {tell(drillQuestion(drill), me.units)}
      </Text>
      <Flex gap="24px" wrap="wrap" align="flex-start">
        <Box flex="1 1 380px" minWidth="min(100%, 300px)">
          <Shown
            drill={board}
            picture={shown && drill.after !== null ? drill.after : drill.shown.picture}
            label={`${drill.name}, as it is asked about`}
            units={me.units}
            said={null}
            onSaid={null}
          />
          <Text textStyle="quiet">{drill.name}, changed for the question.</Text>
          <Looked drill={drill} units={me.units} />
        </Box>
        <Box flex="1 1 380px">
          <Text fontWeight={700}>
            {view.guesses.length} of {Math.max(view.guesses.length, view.learners.filter((l) => l.here).length)} have
            said it
          </Text>
          <Spread asked={board.asked} all={view.guesses.map((g) => g.said)} units={me.units} />
          {more !== '' && <Text marginTop="6px">{more}</Text>}
          {shown && <Who view={view} />}
        </Box>
      </Flex>
    </Box>
  );
}

/** Who said what, once it is shown: for whoever teaches alone. */
function Who({ view }: { readonly view: RoomView }): ReactElement {
  const name = (id: string): string => view.learners.find((l) => l.id === id)?.name ?? 'someone who left';
  return (
    <Fold line="Who said it">
      <chakra.ul>
        {view.guesses.map((g) => (
          <li key={g.learner}>
            {name(g.learner)}, {Math.round(100 * g.sure)} % sure
          </li>
        ))}
      </chakra.ul>
    </Fold>
  );
}

/** Which rigs the class may look at. */
function Share({
  camp,
  me,
  people,
  view,
  doing,
}: InCamp & { readonly view: RoomView; readonly doing: (work: () => Promise<unknown>) => void }): ReactElement {
  const rigs = useDrillRigs(camp, me, people);
  const [making, setMaking] = useState<string | null>(null);
  const share = async (id: string): Promise<void> => {
    const one = rigs.find((r) => r.id === id)!;
    setMaking(one.name);
    try {
      const html = await cardPage({
        rigs: [{ id, name: one.name, note: '', rig: one.rig, context: one.context, address: `${one.name}` }],
        units: me.units,
        timed: [],
        night: null,
      });
      await call('POST', '/api/class/rigs', { id, name: one.name, html });
    } finally {
      setMaking(null);
    }
  };
  return (
    <Fold
      line={
        view.rigs.length === 0
          ? 'Rigs that the class may look at: none'
          : `The class may look at ${counted(view.rigs.length, 'rig')}`
      }
    >
      {making !== null && <Text role="status">The card of {making} is being made.</Text>}
      <Flex wrap="wrap" gap="4px 22px">
        {camp.rigs.map((r) => (
          <Box key={r.id} flex="1 1 220px" minHeight="44px">
            <Check
              checked={view.rigs.some((s) => s.id === r.id)}
              disabled={making !== null}
              onChange={(on) =>
                doing(() => (on ? share(r.id) : call('DELETE', `/api/class/rigs/${encodeURIComponent(r.id)}`)))
              }
            >
              {r.name}
            </Check>
          </Box>
        ))}
      </Flex>
      <Text textStyle="quiet" color={ink('ink2')}>
        They see its card as it is now, and nothing else of the camp.
      </Text>
    </Fold>
  );
}
