import { Stage } from '../stage.js';
import type { KitStraps } from '@rough-bight/core/bed';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { measuredSpan, ratioOf, trunksUsed } from '@rough-bight/core/rig';
import type { KitCord, Pitch, RidgeRig } from '@rough-bight/core/rig';
import { drawingOf, fittingsOf } from '@rough-bight/core/shelter';
import type { BedShape, Drawing, RigReport } from '@rough-bight/core/shelter';
import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent, ReactElement, RefObject } from 'react';
import { useUnits } from '../../parts/units.js';
import { BedMark } from '../bed-mark.js';
import { loopStep } from '../bed-moves.js';
import { Handle, arrowStep } from '../hand.js';
import { usePalette } from '../palette.js';
import { movedBy } from '../moved.js';
import { TURN_STEP, footNow } from '../pitch-moves.js';
import { useSize } from '../use-size.js';
import { AroundMarks } from '../around-marks.js';
import { UnderMarks } from '../under-marks.js';
import { Backdrop } from './backdrop.js';
import { Cloth } from './cloth.js';
import type { FlatView, Frame, Point } from './frame.js';
import { across, fitFrame, upward } from './frame.js';
import { grabsOf } from './grabs.js';
import type { Grab } from './grabs.js';
import { LineMarks, LineNotes } from './line-marks.js';
import { FittingMarks } from './fitting-marks.js';
import { Beside, Hangers, Lines, Pulls, Touches } from './lines.js';
import { Headroom, NorthMark, WindMark, headroomWritten, northward, ringWritten, upwind } from './marks.js';
import type { Written } from './written.js';
import { Water } from './water.js';

/** Where in the window, px. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** What a flat view shows and can change. */
export interface SceneProps {
  readonly rig: RidgeRig;
  readonly report: RigReport | null;
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  /** Whose paces the span is told in: “Hazel’s”; without, the reader’s own. */
  readonly paces?: string;
  readonly view: FlatView;
  /** Whether the rig has changed into one that cannot be worked out: its picture stays, its numbers do not. */
  readonly stale?: boolean;
  /** Case that is drawn. */
  readonly caseId: string;
  /** Row of the ledger that is marked. */
  readonly chosen: string | null;
  /** The bed as drawn, and its straps. */
  readonly bed: BedShape | null;
  readonly straps: KitStraps | null;
  /** Another rig drawn in dashes behind this one. */
  readonly beside: Drawing | null;
  /** A line was touched, at a place of the window, px; null where nothing was. */
  readonly onLine: (row: string | null, at: Spot) => void;
  /** A handle was touched without being moved. */
  readonly onGrip: (grip: Grab['grip'], on: Element) => void;
  readonly moving: boolean;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (rig: RidgeRig) => void;
}

/** What an arrow key moves by, m, and the share of it for what goes in smaller steps. */
const STEP = 0.05;
const FINER: Readonly<Partial<Record<Grab['grip']['kind'], number>>> = { hitch: 0.1, sag: 0.2 };
/** What goes up and down only. */
const UPRIGHT: readonly Grab['grip']['kind'][] = ['tie', 'sag', 'strap'];
/** Pixels before a touch counts as a drag. */
const SLACK = 3;
const NONE: readonly Written[] = [];

/** The rig, to scale, from the side or from above, with everything that can be moved. */
export function FlatScene(props: SceneProps): ReactElement {
  const { rig, report, body, view, caseId, chosen, beside, bed, onLine, moving } = props;
  const units = useUnits();
  const palette = usePalette();
  const [box, size] = useSize(740, 500);
  const span = measuredSpan(rig, body);
  const roof = report?.roof ?? null;
  const line = report?.line ?? null;
  const drawing = useMemo(() => (report === null ? null : drawingOf(report)), [report]);
  const shape = drawing?.shapes.find((s) => s.caseId === caseId) ?? drawing?.shapes[0];
  // while something moves the picture stays: what is in the hand must not slide away under it
  const [held, setHeld] = useState<Held | null>(null);
  const frame = useMemo((): Frame => {
    if (!moving || held === null) return fitFrame(view, size, rig, span, [drawing, beside], bed);
    // the first trunk stays under the hand, and the rest moves away from it
    const shift = held.first ? (held.span - span) * held.frame.scale : 0;
    return { ...held.frame, x0: held.frame.x0 + shift };
  }, [moving, held, view, size, rig, span, drawing, beside, bed]);
  const bad = useMemo(() => new Set(report?.rows.filter((row) => ratioOf(row) < 1).map((row) => row.id)), [report]);
  const drawn = drawing === null || shape === undefined ? null : { drawing, shape, frame };
  const covered = roof === null || shape === undefined ? null : { result: roof, shape, frame };
  const { pitch } = rig;
  const written = useMemo((): readonly Written[] => {
    if (view === 'side') return roof === null ? NONE : headroomWritten(roof, frame, body, units);
    return pitch === undefined ? NONE : ringWritten(bearingsOf(pitch), frame);
  }, [roof, frame, view, pitch, body, units]);
  const side = view === 'side';
  const fittings = useMemo(
    () => (report === null || shape === undefined ? [] : fittingsOf(report, shape, body)),
    [report, shape, body],
  );
  const bedMark = bed !== null && (
    <BedMark
      shape={bed}
      project={(p) => [across(frame, p[0]), upward(frame, side ? p[2] : p[1])]}
      scale={frame.scale}
      above={!side}
      bad={bad}
      chosen={chosen}
      units={units}
    />
  );
  const used = trunksUsed(rig);
  const svg = { width: size[0], height: size[1], viewBox: `0 0 ${size[0]} ${size[1]}` };
  return (
    <Stage box={box} stale={props.stale === true}>
      <svg {...svg} aria-hidden="true">
        <Backdrop
          trunks={rig.trunks}
          groundRise={rig.groundRise}
          first={used.includes(0)}
          second={used.includes(1)}
          frame={frame}
          span={span}
          feet={units.length === 'ft'}
        />
        <AroundMarks rig={rig} frame={frame} span={span} />
        {beside !== null && <Beside drawing={beside} frame={frame} />}
        {drawn !== null && <Lines {...drawn} bad={bad} chosen={chosen} far />}
      </svg>
      {covered !== null && <Cloth {...covered} palette={palette} />}
      <svg {...svg} role="group" aria-label={side ? 'The rig from the side, to scale' : 'The rig from above, to scale'}>
        {covered !== null && !side && <Water {...covered} units={units} />}
        {roof !== null && roof.under !== null && (
          <UnderMarks things={roof.under.things} rig={rig} frame={frame} span={span} />
        )}
        {bed !== null && (!side || roof === null) && bedMark}
        {drawn !== null && (
          <>
            <Lines {...drawn} bad={bad} chosen={chosen} far={false} />
            {bed !== null && side && roof !== null && bedMark}
            <Hangers {...drawn} hung={report!.rig.hung} />
            <FittingMarks fittings={fittings} frame={frame} />
            {line !== null && side && (
              <LineMarks
                {...drawn}
                line={line}
                rig={rig}
                span={span}
                body={body}
                units={units}
                heights={bed === null}
              />
            )}
            <Pulls {...drawn} bad={bad} chosen={chosen} units={units} keepOff={written} />
            {covered !== null && side && bed === null && (
              <Headroom result={covered.result} frame={frame} body={body} units={units} />
            )}
            <Touches {...drawn} onLine={onLine} />
          </>
        )}
        {rig.pitch !== undefined && !side && (
          <>
            <WindMark {...bearingsOf(rig.pitch)} frame={frame} />
            <NorthMark {...bearingsOf(rig.pitch)} frame={frame} />
          </>
        )}
        <Handles {...props} drawing={drawing} shape={shape} frame={frame} span={span} onHold={setHeld} />
      </svg>
      {line !== null && side && (
        <LineNotes report={report!} line={line} frame={frame} rig={rig} span={span} whose={props.paces ?? 'my'} />
      )}
    </Stage>
  );
}

const bearingsOf = ({ bearing, windFrom, middle }: Pitch): Pick<Pitch, 'bearing' | 'windFrom' | 'middle'> => ({
  bearing,
  windFrom,
  middle,
});

/** The picture as it was when a hand took hold, how long the span was, and whether it took the first trunk. */
interface Held {
  readonly frame: Frame;
  readonly span: number;
  readonly first: boolean;
}

interface Handled extends SceneProps {
  readonly drawing: Drawing | null;
  readonly shape: Drawing['shapes'][number] | undefined;
  readonly frame: Frame;
  readonly span: number;
  readonly onHold: (held: Held) => void;
}

/** Everything that can be moved in this view. */
function Handles(props: Handled): ReactElement {
  const { rig, report, kit, body, straps, view, frame, span, drawing, onHold, onMove, onMoveEnd, onNudge } = props;
  const units = useUnits();
  const guys = useMemo(() => drawing?.guys ?? [], [drawing]);
  const around = { kit, body, straps, sag: report?.line?.sag.value ?? 0.1, guys };
  const flat = (across: number, up: number): [number, number, number] =>
    view === 'side' ? [across, 0, up] : [across, up, 0];
  const deeds = useRef<Deeds>(null!);
  useLayoutEffect(() => {
    deeds.current = {
      take: (grip) => onHold({ frame, span, first: grip.kind === 'trunk' && grip.index === 0 }),
      follow: (grip) => {
        const feet = guys.map((g) => ({ ...g, foot: footNow(rig, body, g) }));
        return ([dx, dy], [x, y]) =>
          movedBy(rig, grip, flat(dx / frame.scale, -dy / frame.scale), { ...around, guys: feet }, [
            (x - frame.x0) / frame.scale - (rig.pitch?.middle ?? 0),
            (frame.y0 - y) / frame.scale,
          ]);
      },
      show: onMove,
      end: onMoveEnd,
      press: props.onGrip,
      key: (grip, e) => {
        const step = arrowStep(e, STEP * (FINER[grip.kind] ?? 1));
        if (step === null) return;
        const by = flat(grip.kind === 'loop' ? loopStep(step[0]) : step[0], step[1]);
        if (grip.kind !== 'wind' && grip.kind !== 'north') {
          const next = movedBy(rig, grip, by, around);
          if (next !== rig) onNudge(next);
          return;
        }
        // what is turned goes by an angle a key: right and up clockwise
        const on = grip.kind === 'wind' ? upwind(rig.pitch!) : northward(rig.pitch!);
        const turn = Math.atan2(on[1], on[0]) - ((step[0] + step[1]) / STEP) * TURN_STEP;
        onNudge(movedBy(rig, grip, by, around, [Math.cos(turn), Math.sin(turn)]));
      },
    };
  });
  return (
    <>
      {grabsOf(props, units).map((grab) => (
        <GrabHandle key={keyOf(grab.grip)} grab={grab} deeds={deeds} />
      ))}
    </>
  );
}

/** What handles do, as the rig now is: the handles themselves need not be drawn again for it. */
interface Deeds {
  readonly take: (grip: Grab['grip']) => void;
  readonly follow: (grip: Grab['grip']) => (by: Point, at: Point) => RidgeRig;
  readonly show: (rig: RidgeRig) => void;
  readonly end: () => void;
  readonly press: (grip: Grab['grip'], on: Element) => void;
  readonly key: (grip: Grab['grip'], e: KeyboardEvent) => void;
}

const keyOf = (grip: Grab['grip']): string =>
  `${grip.kind}${'index' in grip ? grip.index : 'key' in grip ? grip.key : ''}`;

/** One handle, drawn again only where it has moved or says something else. */
const GrabHandle = memo(
  function GrabHandle({
    grab: { grip, at, label, value, text },
    deeds,
  }: {
    readonly grab: Grab;
    readonly deeds: RefObject<Deeds>;
  }): ReactElement {
    return (
      <Handle
        kind={grip.kind}
        at={at}
        label={label}
        value={value}
        text={text}
        {...(UPRIGHT.includes(grip.kind) ? { upright: true } : {})}
        slack={SLACK}
        grasp={{
          take: () => deeds.current.take(grip),
          follow: () => deeds.current.follow(grip),
          show: (next) => deeds.current.show(next),
          end: () => deeds.current.end(),
          press: (_, on) => deeds.current.press(grip, on),
        }}
        onKeyDown={(e) => deeds.current.key(grip, e)}
      />
    );
  },
  ({ grab: a }, { grab: b }) =>
    a.at[0] === b.at[0] &&
    a.at[1] === b.at[1] &&
    a.label === b.label &&
    a.value === b.value &&
    a.text === b.text &&
    (a.grip.kind !== 'stick' || b.grip.kind !== 'stick' || a.grip.height === b.grip.height),
);
