import { Box, Button, Flex, Image, Progress, Text } from '@chakra-ui/react';
import { DAY, EMBER, cardHtml, cardSvg } from '@rough-bight/core/card';
import type { Card } from '@rough-bight/core/card';
import type { Timed } from '@rough-bight/core/order';
import { pacedBy } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { counted } from '@rough-bight/core/words';
import { FileImage, Printer, Smartphone } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import useSWR from 'swr';
import { useTheme } from '../../app/theme/use-theme.js';
import { useShell } from '../../app/shell-context.js';
import { documentNow, useCamp } from '../../data/camp.js';
import { useBag, useCampContext } from '../../data/context.js';
import { useLog } from '../../data/log.js';
import { useMe } from '../../data/me.js';
import type { Camp, Person, StoredRig } from '../../data/types.js';
import { Buttons, Caution, Page, Problem } from '../../parts/layout.js';
import { saveBlob, saveText } from '../../parts/save-text.js';
import { Empty, Loading, Trouble } from '../../parts/states.js';
import { useCards } from '../../workers/use-camp.js';

/** One rig's card, or those of all that stand tonight: for the pocket, printed or on a phone. */
export default function CardView(): ReactElement {
  const { rigId, campId } = useParams();
  const rig = useSWR<StoredRig, Error>(rigId === undefined ? null : `/api/rigs/${encodeURIComponent(rigId)}`, () =>
    documentNow<RidgeRig>('rig', rigId!),
  );
  const camp = useCamp(campId ?? rig.data?.campId);
  const me = useMe();
  const failed = rig.error ?? ((camp.error ?? me.error) as Error | undefined);
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what="the card" />;
  return <CardPage camp={camp.data} me={me.data} people={me.people ?? []} one={rig.data?.id ?? null} />;
}

/** As a name of a file. */
const fileName = (title: string): string =>
  title
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '') || 'card';

function CardPage({
  camp,
  me,
  people,
  one,
}: {
  readonly camp: Camp;
  readonly me: Person;
  readonly people: readonly Person[];
  /** Id of the rig; null for all that stand tonight. */
  readonly one: string | null;
}): ReactElement {
  const context = useCampContext(camp, me);
  const log = useLog(camp.id);
  const { id, name, about, rigs, tonight } = camp;
  const bag = useBag(camp);
  const timed = useMemo(
    () => log.entries.flatMap((e): Timed[] => (e.what.kind === 'timed' && e.by === me.id ? [e.what] : [])),
    [log.entries, me.id],
  );
  const asked = useMemo(
    () => ({
      rigs: rigs
        .filter((r) => (one === null ? tonight === null || tonight.includes(r.id) : r.id === one))
        .map((r) => ({
          id: r.id,
          name: r.name,
          note: r.note,
          rig: r.document,
          context: pacedBy(r.document, context, { id: me.id, people }),
          address: `${location.origin}/rigs/${r.id}`,
        })),
      units: me.units,
      timed,
      night: one === null ? { id, name, about, body: me.body, address: `${location.origin}/camps/${id}`, bag } : null,
    }),
    [rigs, tonight, one, context, me.id, me.body, people, me.units, timed, id, name, about, bag],
  );
  const { of, found, done, problem } = useCards(asked);
  const title = one === null ? camp.name : (asked.rigs[0]?.name ?? camp.name);
  useEffect(() => {
    document.title = `Card, ${title}, Rough Bight`;
  }, [title]);
  useShell({
    crumbs: [
      { name: camp.name, to: `/camps/${camp.id}` },
      ...(one === null ? [] : [{ name: title, to: `/rigs/${one}` }]),
      { name: 'Card' },
    ],
  });
  const answers = of === asked ? found : null;
  const titles = [...(one === null ? [camp.name] : []), ...asked.rigs.map((r) => r.name)];
  const cards = answers?.flatMap((a) => (a.ok ? [a.value] : [])) ?? [];
  return (
    <Page>
      <h1>{one === null ? 'Cards for tonight' : `${title}: the card`}</h1>
      <Text textStyle="lead" marginBottom="8px">
        {one === null
          ? `The night and ${counted(asked.rigs.length, 'rig')} on paper, or as one page that opens on any phone without a signal.`
          : 'On paper in the pocket, or as one page that opens on any phone without a signal.'}
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      {asked.rigs.length === 0 && <Empty>No rig stands tonight. Say under Cord which do.</Empty>}
      {answers === null && asked.rigs.length > 0 && (
        <Progress.Root value={100 * done} marginBlock="8px 14px" maxWidth="420px">
          <Progress.Track aria-label="Judging what is printed">
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
      )}
      {answers?.map((a, i) =>
        a.ok ? null : (
          <Problem key={titles[i]} role="alert">
            {titles[i]} has no card: {a.message}
          </Problem>
        ),
      )}
      {cards.length > 0 && <Cards title={title} cards={cards} />}
      <Caution marginTop="18px">
        A card is as true as the night it was made for: another tree, another wind, another cord is another rig.
      </Caution>
    </Page>
  );
}

function Cards({ title, cards }: { readonly title: string; readonly cards: readonly Card[] }): ReactElement {
  const [printing, setPrinting] = useState<'A6' | 'A4' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const name = fileName(title);
  const print = async (paper: 'A6' | 'A4'): Promise<void> => {
    setPrinting(paper);
    setProblem(null);
    try {
      const { cardPdf, foldedPdf } = await import('./pdf.js');
      const made = await (paper === 'A6' ? cardPdf : foldedPdf)(title, cards);
      saveBlob(`${name}-${paper.toLowerCase()}.pdf`, made);
    } catch (error) {
      setProblem(`The PDF could not be made: ${(error as Error).message}. Save it as a page instead.`);
    }
    setPrinting(null);
  };
  return (
    <>
      <Buttons>
        <Button variant="solid" onClick={() => saveText(`${name}.html`, 'text/html', cardHtml(title, cards))}>
          <Smartphone size={17} aria-hidden="true" /> Page for a phone
        </Button>
        <Button disabled={printing !== null} onClick={() => void print('A6')}>
          <Printer size={17} aria-hidden="true" /> {printing === 'A6' ? 'Being made…' : 'PDF, A6'}
        </Button>
        <Button disabled={printing !== null} onClick={() => void print('A4')}>
          <Printer size={17} aria-hidden="true" /> {printing === 'A4' ? 'Being made…' : 'PDF, A4 to fold'}
        </Button>
        {cards.length === 1 && <AsSvg card={cards[0]!} />}
      </Buttons>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      <Text textStyle="quiet" marginTop="4px">
        A4 is printed on one side and folded twice: backward across, then backward down the middle.
      </Text>
      {cards.map((card) => (
        <Box as="section" key={card.code} marginTop="18px" aria-label={`Card of ${card.title}`}>
          {cards.length > 1 && (
            <Flex justify="space-between" align="center" gap="12px">
              <h2>{card.title}</h2>
              <AsSvg card={card} />
            </Flex>
          )}
          <Preview card={card} />
        </Box>
      ))}
    </>
  );
}

const AsSvg = ({ card }: { readonly card: Card }): ReactElement => (
  <Button onClick={() => saveText(`${fileName(card.title)}.svg`, 'image/svg+xml', cardSvg(card))}>
    <FileImage size={17} aria-hidden="true" /> SVG
  </Button>
);

/** A card as it is printed; at night in what eyes bear then. */
function Preview({ card }: { readonly card: Card }): ReactElement {
  const theme = useTheme();
  const svg = useMemo(() => cardSvg(card, theme === 'day' ? DAY : EMBER), [card, theme]);
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    const made = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
    // an address lives as long as its picture is shown
    const shown = requestAnimationFrame(() => setUrl(made));
    return () => {
      cancelAnimationFrame(shown);
      URL.revokeObjectURL(made);
    };
  }, [svg]);
  if (url === null) return <Loading what="the card" />;
  return (
    <Box overflowX="auto" border="1.5px solid" borderColor="ink" tabIndex={0} role="region" aria-label="As printed">
      <Image
        src={url}
        height="560px"
        maxWidth="none"
        alt={`${card.title}. ${card.verdict} ${card.detail} Found again as ${card.code}.`}
      />
    </Box>
  );
}
