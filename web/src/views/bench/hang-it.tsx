import { ADJUSTMENTS } from '@rough-bight/core/catalogue';
import { say, sayHeight } from '@rough-bight/core/quantity';
import { BED_LIMITS, BENEATH, bedStem } from '@rough-bight/core/rig';
import type { Bed, PitchSurroundings, RidgeRig } from '@rough-bight/core/rig';
import type { BedResult, HangAnswer, HangOffer } from '@rough-bight/core/shelter';
import { Wand2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { ReactElement } from 'react';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { startHanging } from '../../workers/use-judge.js';

const B = BED_LIMITS;

/** What is wished of the bed, and how to set both straps so that it hangs like that. */
export function HangIt({
  rig,
  around,
  bed,
  edit,
  onTake,
}: {
  readonly rig: RidgeRig;
  readonly around: PitchSurroundings;
  readonly bed: BedResult | null;
  readonly edit: (rig: RidgeRig) => string | null;
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const units = useUnits();
  const { wish } = rig.bed!;
  const [answer, setAnswer] = useState<{ readonly rig: RidgeRig; readonly found: HangAnswer | string } | null>(null);
  const [working, setWorking] = useState(false);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  const set = (part: Partial<Bed['wish']>): string | null =>
    edit({ ...rig, bed: { ...rig.bed!, wish: { ...wish, ...part } } });
  const find = (): void => {
    stop.current();
    setWorking(true);
    stop.current = startHanging({ rig, around, units }, (a) => {
      setWorking(false);
      setAnswer({ rig, found: a.ok ? a.value : a.message });
    });
  };
  // an answer to another wish is none
  const found = answer !== null && sameWish(answer.rig, rig) ? answer.found : null;
  return (
    <div className="control-group hang-it">
      <h3>How it should hang</h3>
      <div className="control-row">
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
      </div>
      {bed !== null && (
        <p className="caution">
          Whoever falls out falls {say(bed.lying.height.value, 'length', units)}, sitting up more, onto{' '}
          {BENEATH[rig.bed!.beneath]}. No higher than you are willing to fall; nothing hard or sharp beneath.
        </p>
      )}
      <p>
        <button type="button" className="button button-act" onClick={find} disabled={working}>
          <Wand2 size={16} aria-hidden="true" /> {working ? 'Trying every loop…' : 'Hang it for me'}
        </button>
      </p>
      <div aria-live="polite">
        {typeof found === 'string' && <p className="field-problem">{found}</p>}
        {found !== null && typeof found !== 'string' && (
          <>
            {found.problem !== null && <p className="field-problem">{found.problem}</p>}
            <ol className="offers">
              {found.offers.map((o, k) => (
                <li key={k}>
                  <Offer rig={rig} around={around} offer={o} />
                  <button type="button" className="button" onClick={() => onTake(o.rig)}>
                    {k === 0 ? 'Hang it so' : 'Or so'}
                  </button>
                </li>
              ))}
            </ol>
            {found.offers.length > 0 && (
              <p className="quiet">
                {found.tried} ways of setting both straps were tried; heights are to the centimetre.
              </p>
            )}
          </>
        )}
      </div>
    </div>
  );
}

function Offer({
  rig,
  around,
  offer,
}: {
  readonly rig: RidgeRig;
  readonly around: PitchSurroundings;
  readonly offer: HangOffer;
}): ReactElement {
  const units = useUnits();
  const straps = around.straps.find((s) => s.id === rig.bed!.straps)!;
  const { one } = ADJUSTMENTS[straps.adjust];
  const mean = (offer.angles[0] + offer.angles[1]) / 2;
  const off = mean - rig.bed!.wish.angle;
  return (
    <div>
      {([0, 1] as const).map((i) => {
        const e = offer.ends[i];
        return (
          <p key={i}>
            <b>{bedStem(rig, i).name}</b>: strap at {say(e.height, 'length', units)},{' '}
            {sayHeight(e.height, around.body, units.length)}; {e.wraps} {e.wraps === 1 ? 'wrap' : 'wraps'},{' '}
            {e.loop > 0 ? `${one} ${e.loop}` : `${say(e.free, 'length', units)} free`}
          </p>
        );
      })}
      <p className="quiet">
        Straps {say(mean, 'angle', units)} below level
        {Math.abs(off) > 0.009
          ? `, ${say(Math.abs(off), 'angle', units)} ${off > 0 ? 'steeper' : 'flatter'} than wished`
          : ', as wished'}
        , pulling {say(offer.pull, 'force', units)}.
        {offer.step.lower > 0.002 &&
          ` One ${straps.adjust === 'hitch' ? 'step' : one} more lowers it by ${say(offer.step.lower, 'length', units)}: no finer than that without moving a strap.`}
      </p>
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
