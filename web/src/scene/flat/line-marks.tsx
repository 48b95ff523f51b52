import { KeyLine } from '../../parts/key-line.js';
import { paint } from '../../app/theme/paint.js';
import { Span, Text } from '@chakra-ui/react';
import { diameterOf } from '@rough-bight/core/anchor';
import { say, sayHeight, saySmall } from '@rough-bight/core/quantity';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import type { RidgeResult, RidgeRig, Shape } from '@rough-bight/core/rig';
import type { Drawing, DrawnShape, RigReport } from '@rough-bight/core/shelter';
import { memo } from 'react';
import type { CSSProperties, ReactElement, ReactNode } from 'react';
import { FigureValue } from '../../parts/figure.js';
import { InTurn } from '../../parts/in-turn.js';
import { useUnits } from '../../parts/units.js';
import type { Frame, Point } from './frame.js';
import { across, place, svg, through, upward } from './frame.js';

/** The line of a case as it was solved. */
const solvedAs = ({ shapes }: RidgeResult, { caseId }: DrawnShape): Shape | undefined =>
  shapes.find((s) => s.caseId === caseId);

/** How far the line hangs under its chord in the case that is drawn, m; null where it does not. */
export function sagOf(line: RidgeResult, shape: DrawnShape): number | null {
  const sag = solvedAs(line, shape)?.sag ?? 0;
  return sag > 0 ? sag : null;
}

/** What is measured on a bare line from the side: its chord, a wet night, its sag, the heights of its ties and the span. */
export function LineMarks({
  drawing,
  shape,
  frame,
  line,
  rig,
  span,
  body,
  units,
  heights,
}: {
  readonly drawing: Drawing;
  readonly shape: DrawnShape;
  readonly frame: Frame;
  readonly line: RidgeResult;
  readonly rig: RidgeRig;
  readonly span: number;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
  /** Whether there is room for how high its ties are. */
  readonly heights: boolean;
}): ReactElement {
  const all = [0, ...drawing.topology.lines.flatMap((l) => l.nodes.slice(1))];
  const ends = [place(frame, shape.at, 0), place(frame, shape.at, all.at(-1)!)] as const;
  const wet = drawing.shapes.find((s) => s.caseId === 'wet');
  const solved = solvedAs(line, shape);
  const foot = (i: 0 | 1): number => upward(frame, i * rig.groundRise);
  const floor = frame.height - 30;
  return (
    <>
      <path {...paint.chord} d={`M${ends.map(svg).join('L')}`} />
      {wet !== undefined && wet !== shape && <path {...paint.lineWet} d={through(frame, wet.at, all)} />}
      {solved !== undefined && solved.sag > 0 && (
        <SagMark
          at={all.map((n) => place(frame, shape.at, n))}
          ends={ends}
          x={ends[0][0] + solved.sagAt * frame.scale}
          width={frame.width}
          text={`sag ${say(solved.sag, 'length', units)}, ${saySmall(solved.sag, body)}`}
        />
      )}
      {(heights ? ([0, 1] as const) : []).map((i) => {
        const { tieHeight, girth } = rig.trunks[i];
        const x = across(frame, i * span);
        const y = upward(frame, i * rig.groundRise + tieHeight);
        const on = i === 0 ? 1 : -1;
        const wide = Math.max(8, diameterOf(girth) * frame.scale) / 2;
        const anchor = i === 0 ? 'start' : 'end';
        return (
          <g key={i}>
            <path
              {...paint.sceneHeight}
              d={`M${x + on * (wide + 14)} ${y}V${foot(i)}m-5 0h10M${x + on * (wide + 9)} ${y}h10`}
            />
            <text {...paint.rim} x={x + on * (wide + 20)} y={(y + foot(i)) / 2 + 20} textAnchor={anchor}>
              {say(tieHeight, 'length', units)}
            </text>
            <text
              {...paint.rim}
              {...paint.quiet}
              x={x + on * (wide + 20)}
              y={(y + foot(i)) / 2 + 36}
              textAnchor={anchor}
            >
              {sayHeight(tieHeight, body, units.length)}
            </text>
          </g>
        );
      })}
      <path
        {...paint.spanMark}
        d={`M${across(frame, 0)} ${floor}H${across(frame, span)}M${across(frame, 0)} ${floor - 6}v12M${across(frame, span)} ${floor - 6}v12`}
      />
    </>
  );
}

/** Width of a letter in the picture, about, px. */
const LETTER = 6.6;

/** The drop of the line under its chord, where it is most. */
function SagMark({
  at,
  ends: [a, b],
  x,
  width,
  text,
}: {
  /** The line, px. */
  readonly at: readonly Point[];
  readonly ends: readonly [Point, Point];
  readonly x: number;
  /** Of the picture, px. */
  readonly width: number;
  readonly text: string;
}): ReactElement {
  const top = a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0]);
  const k = Math.max(
    1,
    at.findIndex((p) => p[0] >= x),
  );
  const [p, q] = [at[k - 1]!, at[k]!];
  const bottom = p[1] + ((q[1] - p[1]) * (x - p[0])) / (q[0] - p[0] || 1);
  // beside the mark, on the other side where it would run over the second tie, and never out of the picture
  const long = LETTER * text.length;
  const beside = x + 8 + long > b[0] ? x - 8 - long : x + 8;
  return (
    <g>
      <path {...paint.sagMark} d={`M${x} ${top - 42}V${top}M${x} ${bottom}V${bottom + 6}`} />
      <text {...paint.rim} x={Math.max(6, Math.min(beside, width - long - 6))} y={top - 34}>
        {text}
      </text>
    </g>
  );
}

/** A picture narrower than this has no room for every force, px. */
const NARROW = 520;

/** What is said beside a bare line, each with its working: its span, and what its trunks bear. */
export function LineNotes({
  report,
  line,
  frame,
  rig,
  span,
  whose,
}: {
  readonly report: RigReport;
  readonly line: RidgeResult;
  readonly frame: Frame;
  readonly rig: RidgeRig;
  readonly span: number;
  readonly whose: string;
}): ReactElement {
  const units = useUnits();
  const [x0, x1] = [across(frame, 0), across(frame, span)];
  const narrow = frame.width < NARROW;
  return (
    <>
      <Note at={{ left: (x0 + x1) / 2, top: frame.height - 24, transform: 'translateX(-50%)', fontSize: '14px' }}>
        span <FigureValue figure={line.span} band />
        {rig.span.how === 'paces' && (
          <Span textStyle="quiet">
            , {Number(rig.span.paces.toFixed(1))} of {whose} paces
          </Span>
        )}
      </Note>
      {([0, 1] as const).map((i) => {
        const f = line.trunks[i];
        // a trunk that bears the bed as well is told with both
        const under = report.bed?.bears.find((t) => t.id === `trunk${i}`)?.worst;
        const top = upward(frame, i * rig.groundRise) + 10;
        return (
          <Note
            key={i}
            at={
              i === 0
                ? { left: Math.max(8, x0 - 66), top }
                : { right: narrow ? 8 : Math.max(8, frame.width - x1 - 66), top, textAlign: 'right' }
            }
          >
            {under === undefined ? (
              <>
                <FigureValue figure={f.horizontal} /> across
                {!narrow && (
                  <>
                    , <FigureValue figure={f.vertical} /> {f.lifts ? 'up' : 'down'}
                  </>
                )}
                <br />
                <FigureValue figure={f.moment} /> at the foot
              </>
            ) : (
              <>
                <FigureValue figure={under.pull} /> across
                {!narrow && `, ${say(Math.abs(under.down), 'force', units)} ${under.down < 0 ? 'up' : 'down'}`}
                <br />
                <FigureValue figure={under.asked} /> at the foot{!narrow && ': line and bed, at worst'}
              </>
            )}
          </Note>
        );
      })}
      <Key />
    </>
  );
}

/** A note in its place. It goes with the scene at once; what it says is said anew in its turn. */
function Note({ at, children }: { readonly at: CSSProperties; readonly children: ReactNode }): ReactElement {
  return (
    <div style={{ position: 'absolute', whiteSpace: 'nowrap', lineHeight: 1.35, ...at }}>
      <InTurn>{children}</InTurn>
    </div>
  );
}

/** What the lines of the picture are. */
const Key = memo(function Key(): ReactElement {
  return (
    <Text position="absolute" left="84px" top={{ base: '58px', lg: '6px' }} color="ink2" bg="cloth" paddingInline="4px">
      <KeyLine /> as pitched <KeyLine of="wet" /> wet night
    </Text>
  );
});
