import { Box, Button, Flex, Span, Text } from '@chakra-ui/react';
import { scoreOf } from '@rough-bight/core/drill';
import type { Drill, DrillFacts, Guess, Said, Score } from '@rough-bight/core/drill';
import type { Picture } from '@rough-bight/core/picture';
import { say, tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { answerNumber, drillQuestion, guessWords, lookedWords, truthWords } from '@rough-bight/core/words';
import { ArrowRight, Eye } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { FigureValue } from '../../parts/figure.js';
import { Buttons, ControlRow, Problem } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { Loading } from '../../parts/states.js';
import type { AskedDrill, DrillAsked } from '../../workers/drill.worker.js';
import { useDrill } from '../../workers/use-drill.js';
import { Shown, letterOf } from './by-hand.js';
import type { OnBoard } from './by-hand.js';
import { usePlayed } from './played.js';

/** How sure one can say that one is. */
const SURE = [0.5, 0.7, 0.9, 0.99] as const;
export type Sure = (typeof SURE)[number];
/** How sure one is that a guess is near. */
export const SureOf = ({
  sure,
  onSure,
}: {
  readonly sure: Sure;
  readonly onSure: (sure: Sure) => void;
}): ReactElement => (
  <Choice<string>
    label="I am near, I am so sure"
    value={String(sure)}
    options={SURE.map((s) => ({ id: String(s), name: `${Math.round(100 * s)} %` }))}
    onChange={(s) => onSure(Number(s) as Sure)}
  />
);

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
  const { of, found, problem, see } = useDrill(asked);
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
  return <Question one={found.value} see={see} {...props} />;
}

const NONE: readonly Picture[] = [];

function Question({
  one,
  units,
  see,
  onNext,
  onGuess,
}: Props & {
  readonly one: AskedDrill;
  readonly see: (said: Said | null) => Promise<readonly Picture[]>;
}): ReactElement {
  const { drill, name } = one;
  const { shown } = drill;
  const [said, setSaid] = useState<Said | null>(null);
  const [sure, setSure] = useState<Sure>(0.7);
  const [guess, setGuess] = useState<Guess | null>(null);
  const [frames, setFrames] = useState(NONE);
  const [silent, setSilent] = useState(false);
  const picture = usePlayed(frames) ?? shown.picture;
  const commit = (): void => {
    setSilent(said === null);
    if (said === null || guess !== null) return;
    const made = { said, sure };
    setGuess(made);
    onGuess(one.of, scoreOf(drill, made), sure);
    // where it cannot be drawn, the number is told all the same
    see(said).then(setFrames, () => undefined);
  };
  return (
    <Box as="section" aria-label="Drill" borderTop="1.5px solid" borderColor="ink" paddingTop="12px">
      <Text textStyle="verdict" maxWidth="70ch" marginBottom="10px">
        {tell(drillQuestion(drill), units)}
      </Text>
      <Flex gap="24px" wrap="wrap" align="flex-start">
        <Box flex="2 1 420px" minWidth="min(100%, 300px)">
          <Shown
            drill={drill}
            picture={picture}
            label={`${name}, as it is asked about`}
            units={units}
            said={said}
            onSaid={guess === null ? setSaid : null}
          />
          <Text textStyle="quiet">
            {drill.kind === 'pair' ? 'A place of this camp, north up' : name}, changed for the question.
            {shown.upright > 1 && ` Upright is drawn ${shown.upright} times as large.`}
          </Text>
        </Box>
        <Box flex="1 1 280px">
          <Looked drill={drill} units={units} />
          {guess === null ? (
            <>
              <ControlRow>
                <Saying drill={drill} said={said} onSaid={setSaid} units={units} />
                <SureOf sure={sure} onSure={setSure} />
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
            <Truth drill={drill} guess={guess} units={units} onNext={onNext} />
          )}
        </Box>
      </Flex>
    </Box>
  );
}

/** What was seen of the rig whose fault is asked for, a line each; nothing of other drills. */
export function Looked({
  drill: { kind, facts },
  units,
}: {
  readonly drill: Pick<Drill, 'kind' | 'facts'>;
  readonly units: UnitChoice;
}): ReactElement | null {
  if (kind !== 'fault') return null;
  const { seen } = facts as DrillFacts['fault'];
  return (
    <Box as="ul" aria-label="What was seen" marginBottom="10px">
      {seen.map((s, i) => {
        const { what, how } = lookedWords(s);
        return (
          <Flex
            as="li"
            key={i}
            gap="12px"
            paddingBlock="3px"
            borderBottom="1px solid"
            borderColor="hairline"
            wrap="wrap"
          >
            <Span flex="1 1 140px">{what}</Span>
            <Span flex="1 1 160px" fontWeight={700}>
              {tell(how, units)}
            </Span>
          </Flex>
        );
      })}
    </Box>
  );
}

/** Where a guess is typed or chosen, beside the picture on which it is set by hand. */
export function Saying({
  drill: { asked, shown },
  said,
  onSaid,
  units,
}: {
  readonly drill: OnBoard;
  readonly said: Said | null;
  readonly onSaid: (said: Said | null) => void;
  readonly units: UnitChoice;
}): ReactElement {
  switch (asked.form) {
    case 'number': {
      const { limit, whole } = asked;
      return (
        <NumberField
          label="My guess"
          value={typeof said === 'number' ? said : null}
          limit={limit}
          step={whole ? 1 : limit.quantity === 'force' ? 10 : limit.quantity === 'length' ? 0.05 : 1}
          whole={whole}
          onCommit={(next) => {
            onSaid(next);
            return null;
          }}
          onFault={(wrong) => {
            if (wrong) onSaid(null);
          }}
        />
      );
    }
    case 'choice':
      return (
        <Choice<string>
          label="My guess"
          value={typeof said === 'string' ? said : ''}
          options={[
            ...(said === null ? [{ id: '', name: 'choose one' }] : []),
            ...asked.options
              .map((o) => ({ id: o.id, name: [letterOf(shown, o.id), o.name].filter(Boolean).join(': ') }))
              .sort((a, b) => (a.name < b.name ? -1 : 1)),
          ]}
          onChange={(id) => onSaid(id === '' ? null : id)}
        />
      );
    case 'place':
      return (
        <Text flex="1 1 160px">
          {typeof said === 'object' && said !== null
            ? `${say(Math.hypot(said[0] - asked.from[0], said[1] - asked.from[1]), 'length', units)} out.`
            : 'Draw the cord out from its tie-out, by hand or by the arrow keys.'}
        </Text>
      );
  }
}

/** A guess as it was said. */
export function saidWords({ asked }: Pick<Drill, 'asked'>, { said, sure }: Guess, units: UnitChoice): string {
  const so = `${Math.round(100 * sure)} % sure.`;
  switch (asked.form) {
    case 'choice':
      return `You said ${asked.options.find((o) => o.id === said)!.name}, ${so}`;
    case 'place':
      return `You set it, ${so}`;
    case 'number':
      return `You said ${answerNumber(asked, Number(said), units)}, ${so}`;
  }
}

/** The truth, with its working one touch away, and how far off the guess was. */
function Truth({
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
  const more = tell(truthWords(drill), units);
  return (
    <Box role="status">
      {asked.form === 'number' && (
        <Text fontSize="34px" fontFamily="heading" fontWeight={700} lineHeight={1.1}>
          {figure !== null && !asked.whole ? (
            <FigureValue
              figure={figure}
              {...(asked.limit.quantity === 'count' ? { said: answerNumber(asked, asked.truth, units) } : {})}
            />
          ) : (
            answerNumber(asked, asked.truth, units)
          )}
        </Text>
      )}
      <Text textStyle="verdict">{guessWords(drill, guess)}</Text>
      {more !== '' && <Text marginTop="4px">{more}</Text>}
      <Text textStyle="quiet">{saidWords(drill, guess, units)}</Text>
      <Buttons>
        <Button variant="solid" onClick={onNext}>
          <ArrowRight size={17} aria-hidden="true" /> Next
        </Button>
      </Buttons>
    </Box>
  );
}
