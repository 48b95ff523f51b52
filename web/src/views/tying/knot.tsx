import { Box, Button, Flex, Slider, Text, chakra } from '@chakra-ui/react';
import { findTermination } from '@rough-bight/core/catalogue';
import { KNOTS, drawnAt, momentOf, stepsOf, strengthOf } from '@rough-bight/core/knot';
import type { Knot, Look, Tied } from '@rough-bight/core/knot';
import { capital, say } from '@rough-bight/core/quantity';
import { sayLeft } from '@rough-bight/core/words';
import { useDrag } from '@use-gesture/react';
import { ArrowLeft, ArrowRight, RotateCcw } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { Choice, Segments } from '../../parts/choice.js';
import { Caution, Page } from '../../parts/layout.js';
import { RopeSketch } from '../../parts/rope-sketch.js';
import { SlideLine } from '../../parts/slide.js';
import { Loading } from '../../parts/states.js';
import { useUnits } from '../../parts/units.js';
import { arrowStep } from '../../scene/hand.js';
import { useTied } from '../../workers/use-tied.js';
import { useHand } from './hand.js';

const SIZE = [640, 420] as const;
/** As the tier sees it. */
const TIERS: Pick<Look, 'turn' | 'tip'> = { turn: 0, tip: 0 };
/** A drag over the picture's width turns it so far, rad; how far it is tipped at most. */
const TURN = 3.2;
const MOST_TIP = 1.3;
/** ms in which a step goes by where it is not scrubbed. */
const STEP = 1600;

/** How one knot is tied, step by step. */
export default function KnotView(): ReactElement {
  const { knotId } = useParams();
  const knot = KNOTS.find((k) => k.id === knotId);
  useEffect(() => {
    document.title = `${knot === undefined ? 'Tying' : capital(knot.name)}, Rough Bight`;
  }, [knot]);
  useShell({
    crumbs: [{ name: 'Tying', to: '/tying' }, { name: knot === undefined ? 'not found' : capital(knot.name) }],
  });
  if (knot === undefined)
    return (
      <Page>
        <h1>Nothing is tied by that name</h1>
        <Text>Choose one under Tying.</Text>
      </Page>
    );
  return <Shown key={knot.id} knot={knot} />;
}

function Shown({ knot }: { readonly knot: Knot }): ReactElement {
  const tied = useTied(knot.id);
  const [wrong, setWrong] = useState(knot.wrong[0]?.id ?? '');
  const badly = useTied(knot.id, wrong === '' ? null : wrong);
  const [hand, setHand] = useHand();
  const [look, setLook] = useState(TIERS);
  const units = useUnits();
  const go = useNavigate();
  const strength = strengthOf(knot);
  const end = findTermination(knot.id);
  const fault = knot.wrong.find((w) => w.id === wrong);
  const full: Look = { ...look, left: hand === 'left' };
  const next = KNOTS[(KNOTS.indexOf(knot) + 1) % KNOTS.length]!;
  return (
    <Page>
      <h1>{capital(knot.name)}</h1>
      {tied === null ? (
        <Loading what="the rope" />
      ) : (
        <Flex gap="28px" wrap="wrap" align="flex-start">
          <Box flex="2 1 480px" minWidth="min(100%, 300px)">
            <Steps tied={tied} look={full} onLook={setLook} name={capital(knot.name)} />
          </Box>
          <Box flex="1 1 280px">
            <Segments
              label="Tied with"
              showLabel
              value={hand}
              options={[
                { id: 'right', name: 'right hand' },
                { id: 'left', name: 'left hand' },
              ]}
              onChange={setHand}
            />
            <chakra.dl marginTop="10px">
              <Told what="When">{knot.when}</Told>
              <Told what="How it fails">{knot.fails}</Told>
              <Told what="Let go">{knot.release}</Told>
              {end !== undefined && <Told what="Afterwards">{sayLeft(end)}</Told>}
              <Told what={strength.quantity === 'share' ? 'Strength kept' : 'Grip, over the plain loop’s'}>
                {`${say(strength.low, strength.quantity, units)} to ${say(strength.high, strength.quantity, units)}, mostly ${say(strength.typical, strength.quantity, units)}`}
              </Told>
            </chakra.dl>
            {knot.wrong.length > 0 && (
              <Box borderTop="1.5px solid" borderColor="ink" marginTop="12px" paddingTop="8px">
                <Choice
                  label="Beside it, tied wrong"
                  value={wrong}
                  options={[{ id: '', name: 'nothing' }, ...knot.wrong.map((w) => ({ id: w.id, name: w.name }))]}
                  onChange={setWrong}
                />
                {fault !== undefined && badly !== null && (
                  <Box marginTop="6px">
                    <RopeSketch
                      picture={drawnAt(badly, momentOf(badly, stepsOf(badly) - 1), full, [SIZE[0] / 2, SIZE[1] / 2])}
                      label={`Tied wrong: ${fault.name}`}
                    />
                    <Text color="danger" fontWeight={700}>
                      {capital(fault.name)}
                    </Text>
                    <Text>{fault.does}</Text>
                  </Box>
                )}
              </Box>
            )}
            <Button marginTop="14px" onClick={() => void go(`/tying/${next.id}`)}>
              {capital(next.name)} <ArrowRight size={17} aria-hidden="true" />
            </Button>
          </Box>
        </Flex>
      )}
      <Caution marginTop="18px">
        A picture ties no knot: dress it, load it by hand, look at it again before anyone hangs from it.
      </Caution>
    </Page>
  );
}

const Told = ({ what, children }: { readonly what: string; readonly children: string }): ReactElement => (
  <Box borderBottom="1px solid" borderColor="hairline" paddingBlock="5px">
    <Text as="dt" textStyle="quiet">
      {what}
    </Text>
    <Text as="dd">{children}</Text>
  </Box>
);

/** Rope that is scrubbed through its steps and turned in depth. */
function Steps({
  tied,
  look,
  onLook,
  name,
}: {
  readonly tied: Tied;
  readonly look: Look;
  readonly onLook: (look: Pick<Look, 'turn' | 'tip'>) => void;
  readonly name: string;
}): ReactElement {
  const steps = stepsOf(tied);
  const [at, setAt] = useState(steps);
  const going = useRef(0);
  const stop = useCallback((): void => cancelAnimationFrame(going.current), []);
  useEffect(() => stop, [stop]);
  /** Goes on to a step, or there at once where motion is not wanted. */
  const goTo = (from: number, to: number): void => {
    stop();
    if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
      setAt(to);
      return;
    }
    const began = performance.now();
    const frame = (now: number): void => {
      const share = Math.min(1, (now - began) / STEP);
      setAt(from + share * (to - from));
      if (share < 1) going.current = requestAnimationFrame(frame);
    };
    going.current = requestAnimationFrame(frame);
  };
  const moment = useMemo(() => momentOf(tied, at), [tied, at]);
  const picture = useMemo(() => drawnAt(tied, moment, look, SIZE), [tied, moment, look]);
  const turned = (dx: number, dy: number): void =>
    onLook({
      turn: look.turn + dx,
      tip: Math.min(MOST_TIP, Math.max(-MOST_TIP, look.tip + dy)),
    });
  const box = useRef<HTMLDivElement>(null);
  const bind = useDrag(
    ({ delta: [dx, dy] }) => {
      const wide = box.current?.getBoundingClientRect().width ?? SIZE[0];
      turned((TURN * dx) / wide, (TURN * dy) / wide);
    },
    { pointer: { keys: false } },
  );
  // the step that is being done, or the one that was done last
  const now = Math.min(steps - 1, Math.max(0, Math.ceil(at) - 1));
  const says = at >= steps - 1 + 1e-9 || now === steps - 1 ? 'Dressed and drawn up.' : tied.steps[now]!.says;
  return (
    <>
      <Text textStyle="verdict" minHeight="2.6em" aria-live="polite">
        {at === 0 ? 'The line as it comes.' : says}
      </Text>
      <Box
        ref={box}
        {...bind()}
        role="application"
        tabIndex={0}
        aria-label={`${name}, turned by a drag or the arrow keys`}
        touchAction="none"
        cursor="grab"
        background="cloth2"
        _focusVisible={{ outline: '3px solid', outlineColor: 'act' }}
        onKeyDown={(e) => {
          const step = arrowStep(e, 0.15);
          if (step !== null) turned(step[0], -step[1]);
        }}
      >
        <RopeSketch picture={picture} label={`${name}, step ${Math.min(steps, now + 1)} of ${steps}`} />
      </Box>
      <Slider.Root
        value={[at]}
        min={0}
        max={steps}
        step={0.02}
        onValueChange={({ value }) => {
          stop();
          setAt(value[0]!);
        }}
        aria-label={['Through the steps']}
        marginTop="10px"
      >
        <SlideLine />
      </Slider.Root>
      <Flex gap="8px" marginTop="8px" wrap="wrap">
        <Button disabled={at <= 0} onClick={() => setAt(Math.max(0, Math.ceil(at) - 1))} flex="1 1 90px">
          <ArrowLeft size={20} aria-hidden="true" /> Back
        </Button>
        <Button
          variant="solid"
          flex="2 1 150px"
          onClick={() => (at >= steps ? goTo(0, 1) : goTo(at, Math.floor(at + 1e-6) + 1))}
        >
          {at >= steps ? 'From the beginning' : 'Next step'} <ArrowRight size={20} aria-hidden="true" />
        </Button>
        <Button flex="1 1 120px" onClick={() => onLook(TIERS)}>
          <RotateCcw size={18} aria-hidden="true" /> My side
        </Button>
      </Flex>
    </>
  );
}
