import { ControlGroup, Problem } from '../../parts/layout.js';
import { Button, Text, chakra } from '@chakra-ui/react';
import { ADJUSTMENTS } from '@rough-bight/core/catalogue';
import { capital, say, sayHeight } from '@rough-bight/core/quantity';
import { BED_LIMITS, bedStem } from '@rough-bight/core/rig';
import type { Bed, RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { Forbids, HangAnswer, HangOffer, HangProposal, HangTogether } from '@rough-bight/core/shelter';
import { verdictOf } from '@rough-bight/core/words';
import { PITCH_TRAITS } from '@rough-bight/core/roof';
import { useEffect, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { NumberField } from '../../parts/number-field.js';
import { Told } from '../../parts/told.js';
import { useUnits } from '../../parts/units.js';
import { startHanging } from '../../workers/use-judge.js';

const B = BED_LIMITS;

/** A search for how to set both straps: begun by a hand, for the rig as it was then. */
export interface Hanging {
  readonly working: boolean;
  /** The straps alone, known at once; then all of it together. */
  readonly found: HangAnswer | string | null;
  readonly together: HangTogether | string | null;
  readonly find: () => void;
  readonly halt: () => void;
}

export function useHanging(rig: RidgeRig, context: RigContext): Hanging {
  const units = useUnits();
  const [answer, setAnswer] = useState<{
    readonly rig: RidgeRig;
    readonly straps: HangAnswer | string;
    readonly all: HangTogether | string | null;
  } | null>(null);
  const [working, setWorking] = useState(false);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  // an answer to another wish is none
  const known = answer !== null && sameWish(answer.rig, rig) ? answer : null;
  return {
    working,
    found: known?.straps ?? null,
    together: known?.all ?? null,
    find: () => {
      stop.current();
      setWorking(true);
      setAnswer(null);
      stop.current = startHanging(
        { rig, context, units },
        (a) => setAnswer({ rig, straps: a.ok ? a.value : a.message, all: null }),
        (a) => {
          setWorking(false);
          const all = a.ok ? a.value : a.message;
          setAnswer({ rig, straps: all, all });
        },
      );
    },
    halt: () => {
      stop.current();
      setWorking(false);
    },
  };
}

/** What is wished of the bed. */
export function WishFields({
  rig,
  edit,
}: {
  readonly rig: RidgeRig;
  readonly edit: (rig: RidgeRig) => string | null;
}): ReactElement {
  const { wish } = rig.bed!;
  const set = (part: Partial<Bed['wish']>): string | null =>
    edit({ ...rig, bed: { ...rig.bed!, wish: { ...wish, ...part } } });
  return (
    <>
      <NumberField
        label="Lowest place"
        value={wish.height}
        limit={B.wishHeight}
        step={0.05}
        hint="over the ground, lain in"
        onCommit={(height) => set({ height })}
      />
      <NumberField
        label="Straps fall"
        value={wish.angle}
        limit={B.wishAngle}
        step={0.0175}
        hint="below level"
        onCommit={(angle) => set({ angle })}
      />
      <NumberField
        label="Head’s end up by"
        value={wish.headUp}
        limit={B.headUp}
        step={0.02}
        hint="over the feet’s"
        onCommit={(headUp) => set({ headUp })}
      />
    </>
  );
}

/** How to set both straps so that it hangs as wished, and what then holds. */
export function HangAnswers({
  rig,
  context,
  hanging: { working, found, together, halt },
  onTake,
}: {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly hanging: Hanging;
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const whole = together === null || typeof together === 'string' ? null : together.whole;
  return (
    // it has a row of its own, which is none while there is nothing to say
    <ControlGroup css={{ flexBasis: '100%' }}>
      <div aria-live="polite">
        {working && <Button onClick={halt}>Stop</Button>}
        {typeof found === 'string' && <Problem>{found}</Problem>}
        {found !== null && typeof found !== 'string' && (
          <>
            {found.problem !== null && <Problem>{found.problem}</Problem>}
            {working && together === null && found.offers.length > 0 && (
              <Text textStyle="quiet">Working out straps, ridge and cloth together, in every wind…</Text>
            )}
            <ol aria-label="Ways to hang it">
              {whole !== null && (
                <OfferRow>
                  <Together rig={rig} context={context} whole={whole} />
                  <Button onClick={() => onTake(whole.rig)}>Hang it so</Button>
                </OfferRow>
              )}
              {found.offers
                .filter((o) => whole === null || !sameSetting(o, whole.offer))
                .map((o, k) => (
                  <OfferRow key={k}>
                    <Offer rig={o.rig} context={context} offer={o} wished={rig.bed!.wish} />
                    <Button onClick={() => onTake(o.rig)}>
                      {k === 0 && whole === null ? 'Hang the bed so' : 'Or so'}
                    </Button>
                  </OfferRow>
                ))}
            </ol>
            {found.offers.length > 0 && (
              <Text textStyle="quiet">
                {found.tried} ways of setting both straps were tried; heights are to the centimetre.
              </Text>
            )}
          </>
        )}
      </div>
    </ControlGroup>
  );
}

/** A way to do it, and the button that does. */
export const OfferRow = chakra('li', {
  base: {
    display: 'flex',
    gap: '12px',
    alignItems: 'center',
    justifyContent: 'space-between',
    padding: '8px 0',
    layerStyle: 'row',
    '& > button': { flex: 'none' },
  },
});

const sameSetting = (a: HangOffer, b: HangOffer): boolean =>
  [0, 1].every((i) => {
    const [p, q] = [a.ends[i]!, b.ends[i]!];
    return p.wraps === q.wraps && p.loop === q.loop && Math.abs(p.height - q.height) < 0.01;
  });

/** What still keeps one from sleeping in it. */
const FORBIDS: Readonly<Record<Forbids, string>> = {
  ground: 'It comes down on the ground, however it is hung here.',
  bears: 'Something is too weak, however it is hung here.',
  touches: 'The cloth touches it, as high as the ridge can go.',
  wet: 'Rain reaches it under this cloth.',
  roof: 'The bed hangs right; the roof over it does not hold yet: see Guy.',
};

/** Bed, straps and ridge in one proposal, and what it comes to. */
function Together({
  rig,
  context,
  whole,
}: {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly whole: HangProposal;
}): ReactElement {
  const units = useUnits();
  const m = (x: number): string => say(x, 'length', units);
  const { ridgeBy, turned, nearest, dry } = whole;
  const verdict = verdictOf(whole.report, context.body);
  const also = [
    whole.straps === null ? null : `Take the ${context.straps.find((s) => s.id === whole.straps)!.name} instead.`,
    whole.tails.length === 0
      ? null
      : `Tie a drip tail on the ${whole.tails.join(' and the ')}, just inside the roof’s edge.`,
    whole.higher > 0 ? `Hung ${m(whole.higher)} higher than wished, so that it stays off the ground.` : null,
    whole.steeper > 0.009
      ? `Straps wished ${say(whole.steeper, 'angle', units)} steeper: flatter, something is too weak.`
      : null,
    turned === null ? null : `Pitch the same roof as ${PITCH_TRAITS[turned].name}.`,
    ridgeBy === 0 ? null : `${ridgeBy > 0 ? 'Raise' : 'Lower'} the ridge by ${m(Math.abs(ridgeBy))}.`,
  ].filter((x): x is string => x !== null);
  const comes = [
    nearest === null
      ? null
      : nearest.distance < 0.01
        ? `the cloth comes down on ${nearest.what === 'person' ? 'who lies in it' : nearest.what === 'strap' ? 'a strap' : 'the bed'} in some wind`
        : `the cloth comes no nearer than ${m(nearest.distance)} in any wind`,
    dry === null ? null : `${say(dry, 'share', units)} of the bed stays dry in this rain`,
  ].filter((x): x is string => x !== null);
  return (
    <div>
      <Offer rig={whole.rig} context={context} offer={whole.offer} wished={rig.bed!.wish} />
      {also.map((text) => (
        <p key={text}>{text}</p>
      ))}
      {comes.length > 0 && <Text textStyle="quiet">{capital(comes.join('; '))}.</Text>}
      {whole.forbids.length === 0 ? (
        <p>
          <b>
            <Told said={verdict.sentence} />
          </b>
        </p>
      ) : (
        whole.forbids.map((f) => (
          <Problem key={f}>
            {FORBIDS[f]} {f === whole.forbids[0] && <Told said={verdict.sentence} />}
          </Problem>
        ))
      )}
    </div>
  );
}

function Offer({
  rig,
  context,
  offer,
  wished = rig.bed!.wish,
}: {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly offer: HangOffer;
  readonly wished?: Bed['wish'];
}): ReactElement {
  const units = useUnits();
  const straps = context.straps.find((s) => s.id === rig.bed!.straps)!;
  const { one } = ADJUSTMENTS[straps.adjust];
  const mean = (offer.angles[0] + offer.angles[1]) / 2;
  const off = mean - wished.angle;
  return (
    <div>
      {([0, 1] as const).map((i) => {
        const e = offer.ends[i];
        return (
          <p key={i}>
            <b>{bedStem(rig, i).name}</b>: strap at {say(e.height, 'length', units)},{' '}
            {sayHeight(e.height, context.body, units.length)}; {e.wraps} {e.wraps === 1 ? 'wrap' : 'wraps'},{' '}
            {e.loop > 0 ? `${one} ${e.loop}` : `${say(e.free, 'length', units)} free`}
          </p>
        );
      })}
      <Text textStyle="quiet">
        Straps {say(mean, 'angle', units)} below level
        {Math.abs(off) > 0.009
          ? `, ${say(Math.abs(off), 'angle', units)} ${off > 0 ? 'steeper' : 'flatter'} than wished`
          : ', as wished'}
        , pulling {say(offer.pull, 'force', units)}.
        {offer.step.lower > 0.002 &&
          ` One ${straps.adjust === 'hitch' ? 'step' : one} more lowers it by ${say(offer.step.lower, 'length', units)}: no finer than that without moving a strap.`}
      </Text>
    </div>
  );
}

/** Whether two rigs ask the same of the same bed on the same anchors, however its straps are set. */
function sameWish(a: RidgeRig, b: RidgeRig): boolean {
  const asks = ({ bed, trunks, span, groundRise, pitch }: RidgeRig): string =>
    JSON.stringify([
      bed!.wish,
      bed!.bed,
      bed!.straps,
      bed!.mass,
      bed!.stature,
      bed!.head,
      bed!.ridgeCord,
      bed!.ends.map((e) => e.anchor),
      trunks.map((t) => t.girth),
      span,
      groundRise,
      pitch?.middle,
    ]);
  return a.bed !== undefined && b.bed !== undefined && asks(a) === asks(b);
}
