import { Box, Button, Input, Text, chakra } from '@chakra-ui/react';
import { scoreOf } from '@rough-bight/core/drill';
import type { Drill, Guess, Said } from '@rough-bight/core/drill';
import { tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { LearnerView } from '@rough-bight/core/teach';
import { answerNumber, drillQuestion, guessWords, truthWords } from '@rough-bight/core/words';
import { LogIn, Send } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { useSearchParams } from 'react-router';
import { call } from '../../data/api.js';
import { useHeard } from '../../data/live.js';
import { Segments } from '../../parts/choice.js';
import { Field } from '../../parts/field.js';
import { Buttons, Caution, ControlRow, Page, Problem } from '../../parts/layout.js';
import { Loading } from '../../parts/states.js';
import { UnitsContext } from '../../parts/units.js';
import { Looked, Saying, SureOf, saidWords } from '../drills/ask.js';
import type { Sure } from '../drills/ask.js';
import { Shown } from '../drills/by-hand.js';
import { Spread } from './spread.js';

const UNITS: Readonly<Record<string, UnitChoice>> = {
  si: { length: 'm', force: 'N' },
  kgf: { length: 'm', force: 'kgf' },
  ft: { length: 'ft', force: 'lbf' },
};

/** A learner's phone in a class: come in, guess, see. */
export default function JoinView(): ReactElement {
  const [isIn, setIn] = useState<boolean | null>(null);
  const [units, setUnits] = useState('si');
  useEffect(() => {
    document.title = 'Class, Rough Bight';
    // who came in before is in still
    call('GET', '/api/join/state')
      .then(() => setIn(true))
      .catch(() => setIn(false));
  }, []);
  return (
    <UnitsContext.Provider value={UNITS[units]!}>
      <Page>
        {isIn === null ? (
          <Loading what="the class" />
        ) : isIn ? (
          <Inside units={UNITS[units]!} onOut={() => setIn(false)} />
        ) : (
          <ComeIn onIn={() => setIn(true)} />
        )}
        <Box marginTop="18px">
          <Segments
            label="Units"
            value={units}
            options={[
              { id: 'si', name: 'm, N' },
              { id: 'kgf', name: 'm, kgf' },
              { id: 'ft', name: 'ft, lbf' },
            ]}
            onChange={setUnits}
          />
        </Box>
        <Caution marginTop="14px">A good eye is no strength margin. Look up before you stand under anything.</Caution>
      </Page>
    </UnitsContext.Provider>
  );
}

interface Words {
  readonly code: string;
  readonly passphrase: string;
  readonly name: string;
}

function ComeIn({ onIn }: { readonly onIn: () => void }): ReactElement {
  const [search] = useSearchParams();
  const [trouble, setTrouble] = useState<string | null>(null);
  const { register, handleSubmit, formState } = useForm<Words>({
    defaultValues: { code: search.get('code') ?? '', passphrase: '', name: '' },
  });
  const { errors, isSubmitting } = formState;
  const come = async (words: Words): Promise<void> => {
    setTrouble(null);
    try {
      await call('POST', '/api/join', words);
      onIn();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <chakra.form onSubmit={(e) => void handleSubmit(come)(e)} noValidate maxWidth="420px">
      <h1>Come into the class</h1>
      <Text textStyle="quiet">Code and passphrase stand on the instructor’s screen.</Text>
      <Field label="Code" problem={errors.code?.message ?? null}>
        <Input
          inputMode="numeric"
          autoComplete="off"
          {...register('code', { required: 'The code has four figures.' })}
        />
      </Field>
      <Field label="Passphrase" problem={errors.passphrase?.message ?? null}>
        <Input
          autoComplete="off"
          autoCapitalize="none"
          {...register('passphrase', { required: 'Four words, as they are said.' })}
        />
      </Field>
      <Field label="My name" problem={errors.name?.message ?? null}>
        <Input
          autoComplete="nickname"
          maxLength={40}
          {...register('name', { required: 'Say who you are: any name you are known by here.' })}
        />
      </Field>
      {trouble !== null && <Problem role="alert">{trouble}</Problem>}
      <Buttons>
        <Button type="submit" variant="solid" disabled={isSubmitting}>
          <LogIn size={17} aria-hidden="true" /> Come in
        </Button>
      </Buttons>
    </chakra.form>
  );
}

function Inside({ units, onOut }: { readonly units: UnitChoice; readonly onOut: () => void }): ReactElement {
  const { view, open, over } = useHeard<LearnerView>('/api/join/events', true);
  useEffect(() => {
    if (over) onOut();
  }, [over, onOut]);
  if (view === null) return <Loading what="the class" />;
  const { phase, question, truth, rigs } = view;
  const leave = (): void => {
    call('POST', '/api/join/leave')
      .finally(onOut)
      .catch(() => undefined);
  };
  return (
    <>
      <Text textStyle="quiet">
        {view.name}
        {view.camp !== '' && `, ${view.camp}`}
      </Text>
      {!open && <Problem role="status">The class does not answer. It is tried again by itself.</Problem>}
      {question === null || phase === 'waiting' ? (
        <Text textStyle="verdict">You are in. The first question comes by itself.</Text>
      ) : (
        <Round key={question.round} view={view} units={units} />
      )}
      {truth !== null && <Spread asked={truth.drill.asked} all={truth.all} units={units} />}
      {rigs.length > 0 && (
        <Box as="nav" aria-label="Rigs to look at" marginTop="14px">
          <Text textStyle="quiet">Rigs to look at</Text>
          {rigs.map((r) => (
            <Text key={r.id}>
              <chakra.a
                href={`/api/join/rigs/${encodeURIComponent(r.id)}`}
                target="_blank"
                rel="noreferrer"
                textDecoration="underline"
              >
                {r.name}
              </chakra.a>
            </Text>
          ))}
        </Box>
      )}
      <Buttons>
        <Button onClick={leave}>Leave the class</Button>
      </Buttons>
    </>
  );
}

/** One question: guessed, sent, seen. */
function Round({ view, units }: { readonly view: LearnerView; readonly units: UnitChoice }): ReactElement {
  const question = view.question!;
  const [said, setSaid] = useState<Said | null>(view.mine?.said ?? null);
  const [sure, setSure] = useState<Sure>(0.7);
  const [sent, setSent] = useState<Guess | null>(view.mine);
  const [trouble, setTrouble] = useState<string | null>(null);
  const shown = view.truth;
  const send = async (): Promise<void> => {
    if (said === null) {
      setTrouble('Say first what you think: a guess is no shame.');
      return;
    }
    setTrouble(null);
    try {
      await call('POST', '/api/join/guess', { round: question.round, said, sure });
      setSent({ said, sure });
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const drill = shown?.drill;
  const board = { shown: question.shown, asked: drill?.asked ?? question.asked };
  const name = `${question.name}, as it is asked about`;
  return (
    <Box as="section" aria-label="Question">
      <Text textStyle="verdict" marginBottom="8px">
        {tell(drillQuestion(question), units)}
      </Text>
      <Shown
        drill={board}
        picture={drill?.after ?? question.shown.picture}
        label={name}
        units={units}
        said={shown === null ? said : (sent?.said ?? null)}
        onSaid={shown === null ? setSaid : null}
      />
      {question.shown.upright > 1 && (
        <Text textStyle="quiet">Upright is drawn {question.shown.upright} times as large.</Text>
      )}
      <Looked drill={question} units={units} />
      {drill === undefined ? (
        <>
          <ControlRow>
            <Saying drill={board} said={said} onSaid={setSaid} units={units} />
            <SureOf sure={sure} onSure={setSure} />
          </ControlRow>
          {trouble !== null && <Problem role="alert">{trouble}</Problem>}
          <Buttons>
            <Button variant="solid" onClick={() => void send()}>
              <Send size={17} aria-hidden="true" /> {sent === null ? 'That is my guess' : 'Rather this'}
            </Button>
          </Buttons>
          {sent !== null && <Text role="status">It is in. You can change it until the truth is shown.</Text>}
        </>
      ) : (
        <Box role="status">
          <Text fontSize="30px" fontFamily="heading" fontWeight={700} lineHeight={1.1}>
            {drill.asked.form === 'number'
              ? answerNumber(drill.asked, drill.asked.truth, units)
              : drill.asked.form === 'choice'
                ? drill.asked.options.find((o) => o.id === (drill.asked as { readonly truth: string }).truth)?.name
                : 'There'}
          </Text>
          {sent === null ? (
            <Text>You said nothing this time.</Text>
          ) : (
            <>
              <Text textStyle="verdict">{guessWords(drill, sent)}</Text>
              <Text textStyle="quiet">{saidWords(drill, sent, units)}</Text>
              {scoreOf(drill, sent).near && <Text fontWeight={700}>Near.</Text>}
            </>
          )}
          <Text>{tell(truthWords(drill as unknown as Drill), units)}</Text>
        </Box>
      )}
    </Box>
  );
}
