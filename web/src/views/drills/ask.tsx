import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { scoreOf } from '@rough-bight/core/drill';
import type { Drill, Guess, Score } from '@rough-bight/core/drill';
import { say, tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { drillQuestion, guessWords } from '@rough-bight/core/words';
import { ArrowRight, Eye } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { Buttons, ControlRow, Problem } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { RigSketch } from '../../parts/rig-sketch.js';
import { Loading } from '../../parts/states.js';
import type { AskedDrill, DrillAsked } from '../../workers/camp.worker.js';
import { useDrill } from '../../workers/use-camp.js';

/** How sure one can say that one is. */
const SURE = [0.5, 0.7, 0.9, 0.99] as const;

interface Props {
  readonly units: UnitChoice;
  readonly onNext: () => void;
  /** @param of id of the rig that it is asked of */
  readonly onGuess: (of: string, score: Score, sure: number) => void;
}

/** One drill: asked, guessed and seen. */
export function Ask({ asked, ...props }: Props & { readonly asked: DrillAsked | null }): ReactElement {
  if (asked === null)
    return (
      <Buttons>
        <Button variant="solid" onClick={props.onNext}>
          Begin
        </Button>
      </Buttons>
    );
  return <Asked asked={asked} {...props} />;
}

function Asked({ asked, ...props }: Props & { readonly asked: DrillAsked }): ReactElement {
  const { of, found, problem } = useDrill(asked);
  if (problem !== null) return <Problem role="alert">{problem}</Problem>;
  if (of !== asked || found === null) return <Loading what="a question" />;
  if (!found.ok) return <Problem role="alert">{found.message}</Problem>;
  if (found.value === null)
    return (
      <>
        <Text>No rig of this camp has that to ask. Choose another kind.</Text>
        <Buttons>
          <Button onClick={props.onNext}>
            <ArrowRight size={17} aria-hidden="true" /> Ask something else
          </Button>
        </Buttons>
      </>
    );
  return <Question one={found.value} {...props} />;
}

function Question({ one, units, onNext, onGuess }: Props & { readonly one: AskedDrill }): ReactElement {
  const { drill, name, picture } = one;
  const { asked } = drill;
  const [said, setSaid] = useState<number | string | null>(null);
  const [sure, setSure] = useState<(typeof SURE)[number]>(0.7);
  const [guess, setGuess] = useState<Guess | null>(null);
  const [silent, setSilent] = useState(false);
  const commit = (): void => {
    setSilent(said === null);
    if (said === null || guess !== null) return;
    const made = { said, sure };
    setGuess(made);
    onGuess(one.of, scoreOf(drill, made), sure);
  };
  return (
    <Box as="section" aria-label="Drill" borderTop="1.5px solid" borderColor="ink" paddingTop="12px">
      <Flex gap="24px" wrap="wrap" align="flex-start">
        <Box flex="1 1 320px" maxWidth="560px">
          <RigSketch picture={picture} label={`${name} from the side`} />
          <Text textStyle="quiet">{name}, changed for the question</Text>
        </Box>
        <Box flex="1 1 320px">
          <Text textStyle="verdict" maxWidth="44ch" marginBottom="10px">
            {tell(drillQuestion(drill), units)}
          </Text>
          {guess === null ? (
            <>
              <ControlRow>
                {asked.form === 'number' ? (
                  <Said drill={drill} onSaid={setSaid} />
                ) : (
                  <Choice<string>
                    label="My guess"
                    value={typeof said === 'string' ? said : ''}
                    options={[
                      ...(said === null ? [{ id: '', name: 'choose one' }] : []),
                      ...asked.options.map((o) => ({ id: o.id, name: o.name })),
                    ]}
                    onChange={(id) => setSaid(id === '' ? null : id)}
                  />
                )}
                <Choice<string>
                  label="I am near, I am so sure"
                  value={String(sure)}
                  options={SURE.map((s) => ({ id: String(s), name: `${Math.round(100 * s)} %` }))}
                  onChange={(s) => setSure(Number(s) as typeof sure)}
                />
              </ControlRow>
              <Buttons>
                <Button variant="solid" onClick={commit}>
                  <Eye size={17} aria-hidden="true" /> That is my guess
                </Button>
              </Buttons>
              {silent && said === null && (
                <Problem role="alert">Say first what you think: a guess is no shame.</Problem>
              )}
            </>
          ) : (
            <Seen drill={drill} guess={guess} units={units} onNext={onNext} />
          )}
        </Box>
      </Flex>
    </Box>
  );
}

/** A number that nothing is put into beforehand: a number that stands there is a guess already. */
function Said({
  drill,
  onSaid,
}: {
  readonly drill: Drill;
  readonly onSaid: (said: number | null) => void;
}): ReactElement {
  if (drill.asked.form !== 'number') throw new Error('A number is asked for.');
  const { limit, whole } = drill.asked;
  const [value, setValue] = useState<number | null>(null);
  return (
    <NumberField
      label="My guess"
      value={value}
      limit={limit}
      step={whole ? 1 : limit.quantity === 'force' ? 10 : 0.05}
      whole={whole}
      onCommit={(next) => {
        setValue(next);
        onSaid(next);
        return null;
      }}
      onFault={(wrong) => {
        if (wrong) onSaid(null);
      }}
    />
  );
}

/** The truth, with its working one touch away, and how far off the guess was. */
function Seen({
  drill,
  guess,
  units,
  onNext,
}: {
  readonly drill: Drill;
  readonly guess: Guess;
  readonly units: UnitChoice;
  readonly onNext: () => void;
}): ReactElement {
  const { asked, figure } = drill;
  return (
    <Box role="status">
      {figure !== null && asked.form === 'number' && !asked.whole && (
        <Text fontSize="34px" fontFamily="heading" fontWeight={700} lineHeight={1.1}>
          <FigureValue figure={figure} />
        </Text>
      )}
      {asked.form === 'number' && asked.whole && (
        <Text fontSize="34px" fontFamily="heading" fontWeight={700} lineHeight={1.1}>
          {asked.truth}
        </Text>
      )}
      <Text textStyle="verdict">{guessWords(drill, guess)}</Text>
      <Text textStyle="quiet">
        You said{' '}
        {asked.form === 'choice'
          ? asked.options.find((o) => o.id === guess.said)!.name
          : asked.whole
            ? guess.said
            : say(Number(guess.said), asked.limit.quantity, units)}
        , {Math.round(100 * guess.sure)} % sure.
      </Text>
      <Buttons>
        <Button variant="solid" onClick={onNext}>
          <ArrowRight size={17} aria-hidden="true" /> Next
        </Button>
      </Buttons>
    </Box>
  );
}
