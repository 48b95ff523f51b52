import { Box, Button, Flex, Grid, Progress, Span, Text, chakra } from '@chakra-ui/react';
import { misfits } from '@rough-bight/core/document';
import type { Place } from '@rough-bight/core/ground';
import { METRES_PER, capital, say, tell } from '@rough-bight/core/quantity';
import type { LengthUnit } from '@rough-bight/core/quantity';
import { freshRig, lieAt, pacerOf, rigAt } from '@rough-bight/core/rig';
import { PITCH_FORMS, PITCH_TRAITS, freshRoof } from '@rough-bight/core/roof';
import type { KitRoof } from '@rough-bight/core/roof';
import { isReady, readyWords } from '@rough-bight/core/start';
import type { Looked, Ready, Wanted, Who } from '@rough-bight/core/start';
import { verdictOf } from '@rough-bight/core/words';
import { BEAUFORT, compassPoint } from '@rough-bight/core/weather';
import { ArrowRight, Tent } from 'lucide-react';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCamp, useCampActions } from '../../data/camp.js';
import { useCampContext } from '../../data/context.js';
import { useMe, useReader } from '../../data/me.js';
import type { Camp, Person } from '../../data/types.js';
import { unusedName } from '../../data/unused-name.js';
import { Choice, Segments } from '../../parts/choice.js';
import { useFollowed } from '../../data/use-calm.js';
import { Caution, ControlRow, Page, Problem } from '../../parts/layout.js';
import { useDocumentForm } from '../../parts/document-form.js';
import { FormChoice, FormNumber } from '../../parts/form-fields.js';
import { Loading, Trouble } from '../../parts/states.js';
import { UnitsContext } from '../../parts/units.js';
import { RigPicture } from '../../scene/flat/picture.js';
import { GroundJudge } from '../../workers/ground-judge.js';
import { useStart } from '../../workers/use-start.js';
import { RoofShape } from '../../parts/roof-shape.js';
import type { Said } from './said.js';
import { ANY, OWN, PACES, SAID_LIMITS, freshSaid, saidDocument } from './said.js';

/** A whole rig in the order one thinks of it: what roof, for whom, where, in what weather. */
export default function StartView(): ReactElement {
  const { campId } = useParams();
  const camp = useCamp(campId);
  const me = useMe();
  const failed = (camp.error ?? me.error) as Error | undefined;
  if (failed !== undefined) return <Trouble error={failed} />;
  if (camp.data === undefined || me.data === undefined) return <Loading what="the kit" />;
  return (
    <UnitsContext.Provider value={me.data.units}>
      <Start camp={camp.data} me={me.data} />
    </UnitsContext.Provider>
  );
}

/** Spans of a place that are offered. */
const SPANS = 6;

function Start({ camp, me }: { readonly camp: Camp; readonly me: Person }): ReactElement {
  const navigate = useNavigate();
  const { addRig, addThing } = useCampActions(camp.id);
  const context = useCampContext(camp, me);
  const { units, body } = me;
  const [said, setSaid] = useState(() => freshSaid(camp.beds[0]?.id ?? ''));
  const of = useDocumentForm<Said>(said, (next) => misfits(saidDocument, next), setSaid);
  const own = useMemo(() => ownRoof(said.own, units.length), [said.own, units.length]);
  const with_ = useMemo(
    () => (said.roof === OWN ? { ...context, roofs: [...context.roofs, own] } : context),
    [context, said.roof, own],
  );
  const start = useStart(with_, units);
  const place = camp.places.find((p) => p.id === said.place);
  const [problem, setProblem] = useState<string | null>(null);
  const answers = useRef<HTMLHeadingElement>(null);
  useShell({ crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name: 'New rig' }] });
  useEffect(() => {
    document.title = 'New rig, Rough Bight';
  }, []);

  const spans = useSpans(place?.document ?? null, camp, me);
  const wantedNow = (): Wanted | string => {
    const cord = camp.kit[0]?.id;
    if (cord === undefined) return 'A rig needs cord: put a hank into the kit first.';
    const fresh = freshRig(cord);
    const who: Who =
      said.who === 'ground'
        ? { kind: 'ground', people: said.people, packs: said.packs }
        : said.who === 'class'
          ? { kind: 'class', people: said.pupils }
          : { kind: 'hammock', bed: said.bed, mass: said.mass };
    if (who.kind === 'hammock' && (who.bed === '' || camp.straps.length === 0))
      return 'A hammock and straps are wanted: put them into the kit first.';
    const roof = said.roof === ANY ? null : said.roof === OWN ? own.id : said.roof;
    const form = said.form === ANY ? {} : { form: said.form };
    if (place !== undefined) {
      const found = spans.find((l) => l.span.id === said.span) ?? spans[0];
      if (found === undefined) return 'Nothing at this place can be tied to yet. Draw it, or say how many paces.';
      const { from, to } = found.span;
      return {
        roof,
        ...form,
        who,
        base: {
          ...rigAt(place.document, place.id, found.span, fresh, camp.pegs),
          wind: { beaufort: place.document.wind.beaufort, shelter: place.document.wind.shelter },
        },
        lie: lieAt(place.document, from.at, to.at),
      };
    }
    const girth = (i: 0 | 1): number => Math.round(said.girths[i] * body.handSpan * 100) / 100;
    return {
      roof,
      ...form,
      who,
      base: {
        ...fresh,
        span: { ...fresh.span, how: 'paces', paces: said.paces, by: pacerOf(me) },
        trunks: [
          { ...fresh.trunks[0], girth: girth(0) },
          { ...fresh.trunks[1], girth: girth(1) },
        ],
        wind: { beaufort: said.beaufort, shelter: said.shelter },
      },
      lie: { bearing: Math.PI / 2, windFrom: said.wind === 'across' ? 0 : Math.PI / 2, soil: 'turf', crossRise: 0 },
    };
  };
  const { rehearse } = start;
  const [likely] = useState(wantedNow);
  useEffect(() => {
    if (typeof likely !== 'string') void rehearse(likely);
  }, [rehearse, likely]);
  const show = (): void => {
    const wanted = of.faulty ? 'Mend the number first: it is told beside it what it can be.' : wantedNow();
    if (typeof wanted === 'string') {
      setProblem(wanted);
      return;
    }
    setProblem(null);
    start.ask(wanted);
    // its button is not there while it works: the keyboard goes on from where the answers come
    requestAnimationFrame(() => answers.current?.focus());
  };
  const open = async ({ rig, serves }: Looked): Promise<void> => {
    setProblem(null);
    try {
      const roof =
        rig.pitch!.roof === own.id
          ? (await addThing('roofs', freshRoof(own.name, own.length, own.width))).id
          : rig.pitch!.roof;
      const made = await addRig({
        name: unusedName(nameOf(serves.form, said), camp.rigs),
        note: '',
        document: { ...rig, pitch: { ...rig.pitch!, roof } },
      });
      await navigate(`/rigs/${made.id}/${rig.bed === undefined ? 'guy' : 'bed'}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const working = start.wanted !== null && start.done < 1;
  return (
    <Page>
      <h1>New rig</h1>
      <Text textStyle="lead" marginBottom="12px">
        Say four things; two or three whole rigs come back, solved, sized from the kit and judged.
      </Text>
      <Question title="What roof?">
        <FormChoice<Said, Said['roof']>
          of={of}
          name="roof"
          label="Roof"
          options={[
            { id: ANY, name: 'whichever of the kit suits' },
            ...camp.roofs.map((r) => ({ id: r.id, name: r.name })),
            { id: OWN, name: 'another, by its size' },
          ]}
        />
        <FormChoice<Said, Said['form']>
          of={of}
          name="form"
          label="Form"
          options={[
            { id: ANY, name: 'whichever suits' },
            ...PITCH_FORMS.map((form) => ({ id: form, name: PITCH_TRAITS[form].name })),
          ]}
        />
        {said.roof === OWN && (
          <>
            <FormNumber
              of={of}
              name="own.length"
              label="Long side"
              limit={SAID_LIMITS.length}
              step={0.1}
              hint={`${(said.own.length / body.foot).toFixed(1)} of my feet`}
            />
            <FormNumber
              of={of}
              name="own.width"
              label="Short side"
              limit={SAID_LIMITS.width}
              step={0.1}
              hint={`${(said.own.width / body.foot).toFixed(1)} of my feet`}
            />
          </>
        )}
        <RoofShape
          roofs={
            said.roof === ANY ? camp.roofs : said.roof === OWN ? [own] : camp.roofs.filter((r) => r.id === said.roof)
          }
        />
      </Question>
      <Question title="For whom?">
        <Segments
          label="For whom"
          value={said.who}
          options={[
            { id: 'ground', name: 'Sleepers on the ground' },
            { id: 'hammock', name: 'A hammock' },
            { id: 'class', name: 'A class at its meal' },
          ]}
          onChange={(who) => of.put({ who, paces: PACES[who] })}
        />
        {said.who === 'ground' && (
          <>
            <FormNumber whole of={of} name="people" label="Sleepers" limit={SAID_LIMITS.people} step={1} />
            <FormNumber whole of={of} name="packs" label="Packs" limit={SAID_LIMITS.packs} step={1} />
          </>
        )}
        {said.who === 'class' && (
          <FormNumber whole of={of} name="pupils" label="People" limit={SAID_LIMITS.pupils} step={1} />
        )}
        {said.who === 'hammock' && (
          <>
            <FormChoice<Said, Said['bed']>
              of={of}
              name="bed"
              label="Hammock"
              options={camp.beds.map((b) => ({ id: b.id, name: b.name }))}
            />
            <FormNumber
              of={of}
              name="mass"
              label="Weighs"
              limit={SAID_LIMITS.mass}
              step={1}
              hint="all in it, with bedding"
            />
          </>
        )}
      </Question>
      <Question title="Where?">
        <Choice
          label="Trees"
          value={said.place}
          options={[
            { id: '', name: 'two trees I paced between' },
            ...camp.places.map((p) => ({ id: p.id, name: `at ${p.name}` })),
          ]}
          onChange={(id) => of.put({ place: id, span: '' })}
        />
        {place === undefined ? (
          <>
            <FormNumber
              of={of}
              name="paces"
              label="Between them"
              limit={SAID_LIMITS.paces}
              step={0.5}
              suffix="paces"
              hint={say(said.paces * body.pace, 'length', units)}
            />
            {([0, 1] as const).map((i) => (
              <FormNumber
                key={i}
                of={of}
                name={`girths.${i}`}
                label={i === 0 ? 'One is round' : 'The other is round'}
                limit={SAID_LIMITS.girth}
                step={0.5}
                suffix="hand spans"
                hint={say((said.girths[i] * body.handSpan) / Math.PI, 'length', units) + ' through'}
              />
            ))}
          </>
        ) : (
          <Choice
            label="Span, best first"
            value={said.span === '' ? (spans[0]?.span.id ?? '') : said.span}
            options={
              spans.length === 0
                ? [{ id: '', name: 'being ranked…' }]
                : spans.map((l) => ({ id: l.span.id, name: `${l.title}, ${say(l.span.span, 'length', units)}` }))
            }
            onChange={(span) => of.put({ span })}
          />
        )}
      </Question>
      <Question title="What weather?">
        {place === undefined ? (
          <>
            <Choice
              label="Wind by its signs"
              value={String(said.beaufort)}
              options={BEAUFORT.map((b, i) => ({ id: String(i), name: `${i} ${b.name}` }))}
              hint={BEAUFORT[said.beaufort]!.sign}
              onChange={(b) => of.put({ beaufort: Number(b) })}
            />
            <FormChoice<Said, Said['shelter']>
              of={of}
              name="shelter"
              label="The trees stand"
              options={[
                { id: 'wood', name: 'in the wood' },
                { id: 'edge', name: 'at its edge' },
                { id: 'open', name: 'in the open' },
              ]}
            />
            <FormChoice<Said, Said['wind']>
              of={of}
              name="wind"
              label="It blows"
              options={[
                { id: 'across', name: 'across, from tree to tree' },
                { id: 'along', name: 'along, from one tree to the other' },
              ]}
            />
          </>
        ) : (
          <p>
            {capital(BEAUFORT[place.document.wind.beaufort]!.name)} from the {compassPoint(place.document.wind.from)},
            as the place says.
          </p>
        )}
      </Question>
      {problem !== null && (
        <Problem role="alert" marginTop="10px">
          {problem}
        </Problem>
      )}
      <Flex align="center" gap="14px" marginTop="14px" wrap="wrap">
        <Button variant="solid" disabled={working} onClick={show}>
          <Tent size={17} aria-hidden="true" /> {working ? 'Working it out…' : 'Show me rigs'}
        </Button>
        {working && (
          <>
            <Progress.Root value={100 * start.done} width="220px">
              <Progress.Track aria-label="Working out whole rigs">
                <Progress.Range />
              </Progress.Track>
            </Progress.Root>
            <Button onClick={start.halt}>Stop</Button>
          </>
        )}
      </Flex>
      <Box aria-live="polite">
        <chakra.h2
          ref={answers}
          tabIndex={-1}
          marginTop="22px"
          _focus={{ outline: 'none' }}
          hidden={start.wanted === null}
        >
          {start.rigs.length === 0 ? '' : start.done < 1 ? 'Being worked out' : 'Best first'}
        </chakra.h2>
        {start.problem !== null && <Problem role="alert">{start.problem}</Problem>}
        <Grid as="ol" gridTemplateColumns={{ base: '1fr', lg: 'repeat(3, 1fr)' }} gap="18px" marginTop="8px">
          {start.rigs.map((r, k) => (
            <Answer key={r.serves.form} rig={r} first={k === 0} me={me} onOpen={() => void open(r)} />
          ))}
        </Grid>
        {start.rigs.length > 0 && (
          <Caution marginTop="16px">
            Look up first, knock on both trunks, push them: nothing here passes a tree. Local rules come first.
          </Caution>
        )}
      </Box>
    </Page>
  );
}

/** One of the four. */
function Question({ title, children }: { readonly title: string; readonly children: ReactNode }): ReactElement {
  const id = useId();
  return (
    <Grid
      as="section"
      aria-labelledby={id}
      gridTemplateColumns={{ base: '1fr', lg: '150px minmax(0, 1fr)' }}
      gap="2px 20px"
      layerStyle="region"
      padding="10px 0 8px"
    >
      <chakra.h2 id={id} textStyle="name">
        {title}
      </chakra.h2>
      <ControlRow
        css={{ '& > :has(select)': { flexBasis: '220px' }, '& > [data-scope=segment-group]': { flexBasis: '100%' } }}
      >
        {children}
      </ControlRow>
    </Grid>
  );
}

/** One rig that came back: its picture, what it does, whether it holds; one touch opens it. Seen first, judged a little later. */
function Answer({
  rig,
  first,
  me,
  onOpen,
}: {
  readonly rig: Looked;
  readonly first: boolean;
  readonly me: Person;
  readonly onOpen: () => void;
}): ReactElement {
  const { report } = rig;
  const known = isReady(rig);
  const { name, serves } = readyWords(rig);
  return (
    <Flex as="li" direction="column" border="1.5px solid" borderColor={known ? 'ink' : 'hairline'} aria-busy={!known}>
      <Flex height="190px" borderBottom="1px solid" borderColor="hairline">
        <RigPicture report={report} body={me.body} label={`${name} from the side, to scale`} judged={known} />
      </Flex>
      <Flex direction="column" gap="6px" padding="12px 14px 14px" flex={1}>
        <chakra.h3 textStyle="name">{capital(name)}</chakra.h3>
        <p>{tell(serves, me.units)}</p>
        {known ? (
          <>
            <Judged rig={rig} me={me} />
            <Button variant={first ? 'solid' : 'outline'} marginTop="auto" alignSelf="flex-start" onClick={onOpen}>
              Open it on the bench <ArrowRight size={16} aria-hidden="true" />
            </Button>
          </>
        ) : (
          <Text textStyle="quiet">Drawn as pitched. Being sized from the kit and judged in every wind…</Text>
        )}
      </Flex>
    </Flex>
  );
}

/** Whether it holds, and why. */
function Judged({ rig: { report, holds }, me }: { readonly rig: Ready; readonly me: Person }): ReactElement {
  const verdict = verdictOf(report, me.body);
  return (
    <>
      <Text {...(holds ? {} : { color: 'danger' })} fontWeight={700}>
        {tell(verdict.sentence, me.units)}
      </Text>
      <Span textStyle="quiet">{tell(verdict.detail, me.units)}</Span>
    </>
  );
}

/** The spans of a place, best first; none while it is ranked, or where no place is chosen. */
function useSpans(place: Place | null, camp: Camp, me: Person) {
  const who = useReader(me);
  const question = useMemo(
    () => (place === null ? null : { place, who, kit: camp.kit, units: me.units }),
    [place, who, camp.kit, me.units],
  );
  const [judge] = useState(() => new GroundJudge());
  useEffect(() => {
    if (question !== null) judge.ask(question, false, null);
  }, [judge, question]);
  const { judgement } = useFollowed(judge);
  return place === null || judgement === null || judgement.place !== place ? NO_SPANS : judgement.good.slice(0, SPANS);
}
const NO_SPANS: readonly never[] = [];

/** A roof that is not in the kit yet, by its size. */
function ownRoof({ length, width }: Said['own'], unit: LengthUnit): KitRoof {
  const side = (x: number): number => Number((x / METRES_PER[unit]).toFixed(1));
  return { id: 'own-roof', ...freshRoof(`roof, ${side(length)} by ${side(width)} ${unit}`, length, width) };
}

/** What a rig is called that was begun like this. */
function nameOf(form: string, said: Said): string {
  const { name } = readyWords({ serves: { form } } as Ready);
  const whom =
    said.who === 'ground'
      ? `for ${said.people}`
      : said.who === 'class'
        ? `for a class of ${said.pupils}`
        : 'over a hammock';
  return `${capital(name)} ${whom}`;
}
