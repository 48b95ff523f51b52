import { chakra } from '@chakra-ui/react';
import type { Asked, ByHand, Drill, Said } from '@rough-bight/core/drill';
import type { AskedOpen } from '@rough-bight/core/teach';
import { pathOf } from '@rough-bight/core/picture';
import type { Picture, Point } from '@rough-bight/core/picture';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { KeyboardEvent, ReactElement } from 'react';
import { useRef } from 'react';
import { ink, paint } from '../../app/theme/paint.js';
import { RigSketch } from '../../parts/rig-sketch.js';
import { Handle, arrowStep } from '../../scene/hand.js';
import type { Grasp, Offset } from '../../scene/hand.js';
import { HANDLES } from '../../scene/stage.js';

/** A picture with handles on it. */
const Board = chakra('div', { base: { position: 'relative', fill: 'ink', ...HANDLES } });

/** px before a touch counts as a drag. */
const SLACK = 4;
/** What a hand sets: two figures of a pull, a centimetre, five on the plan. */
const twoFigures = (x: number): number => Number(x.toPrecision(2));
const to = (step: number, x: number): number => Math.round(x / step) * step;

/** What is asked, with what is true or without. */
export type OnBoard = Pick<Drill, 'shown'> & { readonly asked: Asked | AskedOpen };

interface Props {
  readonly drill: OnBoard;
  readonly picture: Picture;
  readonly label: string;
  readonly units: UnitChoice;
  readonly said: Said | null;
  /** null once it was said. */
  readonly onSaid: ((said: Said) => void) | null;
}

/** What is asked about, with the guess set on it by hand where that is natural; once said, with what is true beside it. */
export function Shown({ drill, picture, label, units, said, onSaid }: Props): ReactElement {
  const board = useRef<HTMLDivElement>(null);
  const { hand } = drill.shown;
  /** Units of the picture a px of the screen. */
  const scale = (): number => picture.width / (board.current?.getBoundingClientRect().width ?? picture.width);
  return (
    <Board ref={board}>
      <RigSketch picture={picture} label={label}>
        {hand !== null && <OnIt {...{ drill, hand, units, said, onSaid, scale }} />}
      </RigSketch>
    </Board>
  );
}

type On = Pick<Props, 'drill' | 'units' | 'said' | 'onSaid'> & {
  readonly hand: ByHand;
  readonly scale: () => number;
};

function OnIt(props: On): ReactElement | null {
  const { hand } = props;
  switch (hand.form) {
    case 'arrow':
      return <Arrow {...props} hand={hand} />;
    case 'drop':
      return <Drop {...props} hand={hand} />;
    case 'set':
      return <SetFoot {...props} hand={hand} />;
    case 'touch':
      return <Touch {...props} hand={hand} />;
  }
}

/** Follows a hand from where it took hold, in the picture's units. */
const following = (at: Point, scale: () => number, take: ((to: Point) => void) | null): Grasp<undefined, Point> => ({
  follow: () => {
    const s = scale();
    return ([dx, dy]: Offset): Point => [at[0] + s * dx, at[1] + s * dy];
  },
  show: (next) => take?.(next),
  end: () => undefined,
  press: () => undefined,
});

/** What a guess is set by; by the arrow keys too. */
const Guess = ({
  at,
  how,
  value,
  text,
  upright,
  scale,
  take,
  onKey,
}: {
  readonly at: Point;
  readonly how: string;
  readonly value: number;
  /** What was said; null while nothing was. */
  readonly text: string | null;
  readonly upright?: true;
  readonly scale: () => number;
  readonly take: (to: Point) => void;
  readonly onKey: (e: KeyboardEvent) => void;
}): ReactElement => (
  <Handle
    kind="guess"
    at={at}
    label={`My guess: ${how}`}
    value={value}
    text={text ?? 'nothing said yet'}
    {...(upright === true ? { upright } : {})}
    slack={SLACK}
    grasp={following(at, scale, take)}
    onKeyDown={onKey}
  />
);

const Label = ({ at, children }: { readonly at: Point; readonly children: string }): ReactElement => (
  <text x={at[0]} y={at[1]} fontSize={20} {...paint.rim} {...paint.words} fontWeight={700}>
    {children}
  </text>
);
const GUESS = { fill: 'none', stroke: ink('act'), strokeWidth: 4 } as const;
const TRUTH = { fill: 'none', stroke: ink('ink'), strokeWidth: 3 } as const;

type Kind<F extends ByHand['form']> = Omit<On, 'hand'> & { readonly hand: Extract<ByHand, { readonly form: F }> };

/** Where an arrow of a pull ends, and how much one is that ends somewhere. */
const lengthOf = (hand: Kind<'arrow'>['hand'], pull: number): number =>
  Math.max(0, hand.tenfold * Math.log10(pull / hand.least));
const along = ({ from, toward }: Kind<'arrow'>['hand'], far: number): Point => [
  from[0] + far * toward[0],
  from[1] + far * toward[1],
];

function Arrow({ drill, hand, units, said, onSaid, scale }: Kind<'arrow'>): ReactElement | null {
  const { asked } = drill;
  if (asked.form !== 'number') return null;
  const { quantity, max } = asked.limit;
  const pull = typeof said === 'number' ? said : hand.least;
  const far = lengthOf(hand, pull);
  const head = along(hand, far);
  const take = (at: Point): void => {
    const reach = (at[0] - hand.from[0]) * hand.toward[0] + (at[1] - hand.from[1]) * hand.toward[1];
    onSaid?.(Math.min(max, twoFigures(hand.least * 10 ** (Math.max(0, reach) / hand.tenfold))));
  };
  const key = (e: KeyboardEvent): void => {
    const step = arrowStep(e, hand.tenfold / 40);
    if (step !== null) take(along(hand, far + step[0] + step[1]));
  };
  /** Across the arrow. */
  const [ax, ay] = [-hand.toward[1], hand.toward[0]];
  return (
    <g>
      {[1, 10, 100]
        .map((k) => k * hand.least)
        .map((mark) => {
          const [x, y] = along(hand, lengthOf(hand, mark));
          return (
            <g key={mark}>
              <line x1={x - 7 * ax} y1={y - 7 * ay} x2={x + 7 * ax} y2={y + 7 * ay} {...TRUTH} strokeWidth={1.5} />
              <text
                x={x - 18 * ax}
                y={y - 18 * ay + 5}
                textAnchor="middle"
                fontSize={14}
                {...paint.rim}
                {...paint.quiet}
              >
                {say(mark, quantity, units)}
              </text>
            </g>
          );
        })}
      <line x1={hand.from[0]} y1={hand.from[1]} x2={head[0]} y2={head[1]} {...GUESS} />
      {onSaid === null && 'truth' in asked && <Reach hand={hand} far={lengthOf(hand, asked.truth)} />}
      {typeof said === 'number' && onSaid !== null && (
        <Label at={[head[0] + 12, head[1] - 14]}>{say(said, quantity, units)}</Label>
      )}
      {onSaid !== null && (
        <Guess
          at={head}
          how="draw the arrow out"
          value={pull}
          text={typeof said === 'number' ? say(said, quantity, units) : null}
          {...{ scale, take }}
          onKey={key}
        />
      )}
    </g>
  );
}

/** The true arrow beside the one that was drawn. */
function Reach({ hand, far }: { readonly hand: Kind<'arrow'>['hand']; readonly far: number }): ReactElement {
  const [ax, ay] = [6 * -hand.toward[1], 6 * hand.toward[0]];
  const [from, tip] = [along(hand, 0), along(hand, far)];
  const back = along(hand, far - 12);
  return (
    <path
      {...TRUTH}
      d={`M${from[0] - ax} ${from[1] - ay}L${tip[0] - ax} ${tip[1] - ay}M${back[0] - 2 * ax} ${back[1] - 2 * ay}L${tip[0] - ax} ${tip[1] - ay}L${back[0]} ${back[1]}`}
    />
  );
}

/** A line that is drawn down from its chord at its middle. */
function Drop({ drill, hand, units, said, onSaid, scale }: Kind<'drop'>): ReactElement | null {
  const { asked } = drill;
  if (asked.form !== 'number') return null;
  const { min, max, quantity } = asked.limit;
  const sag = typeof said === 'number' ? said : 0;
  const [a, b] = hand.ends;
  const at: Point = [hand.middle[0], hand.middle[1] + sag * hand.metre];
  const take = ([, y]: Point): void =>
    onSaid?.(Math.min(max, Math.max(min, to(0.01, (y - hand.middle[1]) / hand.metre))));
  const key = (e: KeyboardEvent): void => {
    const step = arrowStep(e, 0.01, 10);
    if (step !== null) take([at[0], hand.middle[1] + (sag - step[1]) * hand.metre]);
  };
  return (
    <g>
      {typeof said === 'number' && (
        <path {...GUESS} strokeWidth={2.5} d={`M${a[0]} ${a[1]}L${at[0]} ${at[1]}L${b[0]} ${b[1]}`} />
      )}
      {typeof said === 'number' && onSaid !== null && (
        <Label at={[at[0] + 16, at[1] + 22]}>{say(said, quantity, units)}</Label>
      )}
      {onSaid !== null && (
        <Guess
          at={at}
          how="draw the line down"
          value={sag}
          text={typeof said === 'number' ? say(said, quantity, units) : null}
          upright
          {...{ scale, take }}
          onKey={key}
        />
      )}
    </g>
  );
}

/** A foot that is set on the plan, and the cord to it. */
function SetFoot({ drill, hand, units, said, onSaid, scale }: Kind<'set'>): ReactElement | null {
  const { asked } = drill;
  if (asked.form !== 'place') return null;
  const put = ([x, y]: readonly [number, number]): Point => [
    hand.zero[0] + x * hand.metre,
    hand.zero[1] - y * hand.metre,
  ];
  const set = typeof said === 'object' && said !== null;
  const at = set ? put(said) : hand.from;
  const take = ([x, y]: Point): void =>
    onSaid?.([to(0.05, (x - hand.zero[0]) / hand.metre), to(0.05, (hand.zero[1] - y) / hand.metre)]);
  const key = (e: KeyboardEvent): void => {
    const step = arrowStep(e, 0.05 * hand.metre);
    if (step !== null) take([at[0] + step[0], at[1] - step[1]]);
  };
  const far = Math.hypot(at[0] - hand.from[0], at[1] - hand.from[1]) / hand.metre;
  return (
    <g>
      <line x1={hand.from[0]} y1={hand.from[1]} x2={at[0]} y2={at[1]} {...GUESS} strokeWidth={2.5} />
      {onSaid === null ? (
        <circle cx={at[0]} cy={at[1]} r={7} {...GUESS} strokeWidth={2.5} />
      ) : (
        <Guess
          at={at}
          how="set the foot"
          value={far}
          text={set ? `${say(far, 'length', units)} out` : null}
          {...{ scale, take }}
          onKey={key}
        />
      )}
    </g>
  );
}

/** By which things that can be touched are told apart: A, B, C. */
export const letterOf = ({ hand }: Drill['shown'], id: string): string | null => {
  const k = hand?.form === 'touch' ? hand.on.findIndex((o) => o.id === id) : -1;
  return k < 0 ? null : String.fromCharCode(65 + k);
};

/** Some things of which one is touched; each is in the list beside it too, for keys. */
function Touch({ drill, hand, said, onSaid }: Kind<'touch'>): ReactElement | null {
  const { asked, shown } = drill;
  if (asked.form !== 'choice') return null;
  return (
    <g>
      {hand.on.map(({ id, rings }) => {
        const d = pathOf({ pen: 'line', rings, closed: false });
        return (
          <g key={id} onClick={() => onSaid?.(id)}>
            {said === id && <path d={d} {...GUESS} strokeWidth={5} />}
            {onSaid !== null && <path d={d} {...paint.pitchTouch} strokeWidth={26} />}
          </g>
        );
      })}
      {/* over all of them: where two cross, their letters can still be touched */}
      {hand.on.map(({ id, rings }) => {
        const ring = rings.reduce((long, r) => (r.length > long.length ? r : long));
        const [[ax, ay], [bx, by]] = [ring[Math.floor((ring.length - 1) / 2)]!, ring[Math.ceil(ring.length / 2)]!];
        return (
          <g key={id} onClick={() => onSaid?.(id)}>
            <Label at={[(ax + bx) / 2 + 4, (ay + by) / 2 - 4]}>{letterOf(shown, id)!}</Label>
          </g>
        );
      })}
    </g>
  );
}
