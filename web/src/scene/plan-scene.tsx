import { Box, Button, Flex, IconButton } from '@chakra-ui/react';
import { Stage } from './stage.js';
import { FLAME } from './around-marks.js';
import { paint } from '../app/theme/paint.js';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { METRES_PER, say } from '@rough-bight/core/quantity';
import type { At, FireSpot, JudgedSpan, Place, Thing } from '@rough-bight/core/ground';
import { along, fallingOf, halfWidth, insideReach, isArea, reachToward } from '@rough-bight/core/ground';
import { Maximize, Minus, Plus } from 'lucide-react';
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { MouseEvent, ReactElement } from 'react';
import { PlanMark } from '../parts/plan-marks.js';
import { useUnits } from '../parts/units.js';
import type { GroundJudgement } from '../workers/ground.worker.js';
import { useSame } from '../parts/use-same.js';
import { arrowStep } from './hand.js';
import { PlanFelled } from './plan-felled.js';
import { PlanGround, shapesGround } from './plan-ground.js';
import { movedOnPlan } from './plan-moves.js';
import { PlanHandles, PlanThing } from './plan-things.js';
import type { NameAt, PlanDeeds } from './plan-things.js';
import type { PlanView } from './plan-view.js';
import { SCALES, fitPlan, gridStep, movedView, planAt, planPath, planX, planY } from './plan-view.js';
import { useSize } from './use-size.js';
import { useZoom } from './use-zoom.js';

interface Props {
  readonly place: Place;
  readonly judgement: GroundJudgement | null;
  readonly body: BodyMeasures;
  /** Rigs that stand here: a name and the ids of their anchors. */
  readonly rigs: readonly { readonly name: string; readonly from: string; readonly to: string }[];
  readonly selected: string | null;
  readonly span: JudgedSpan | null;
  readonly fire: FireSpot | null;
  /** Whether the measures and their ellipses are shown. */
  readonly measuring: boolean;
  /** The kind being put down, or null. */
  readonly putting: Thing['kind'] | null;
  readonly onPut: (at: At) => void;
  readonly onSelect: (id: string | null) => void;
  readonly onSpan: (id: string) => void;
  readonly onMove: (place: Place) => void;
  readonly onMoveEnd: () => void;
  readonly onNudge: (place: Place) => void;
}

const NUDGE = 0.1;
/** Spans drawn besides the one that is open. */
const DRAWN = 5;

/** The corners of a span's cloth on the ground. */
function clothCorners(s: JudgedSpan): At[] {
  const [e, n] = along(s.bearing);
  return [
    [-s.half, s.right],
    [s.half, s.right],
    [s.half, -s.left],
    [-s.half, -s.left],
  ].map(([u, w]): At => [s.middle[0] + u! * e + w! * n, s.middle[1] + u! * n - w! * e]);
}

/** Names that find room, the first ones first; each keeps clear of those before it. */
function placeNames(
  v: PlanView,
  things: readonly Thing[],
  first: readonly (string | null)[],
  body: readonly { x: number; y: number; r: number }[],
): Map<string, NameAt> {
  const out = new Map<string, NameAt>();
  const taken: [number, number, number, number][] = body.map((b) => [b.x - b.r, b.y - b.r, b.x + b.r, b.y + b.r]);
  const rank = (t: Thing): number => (first.includes(t.id) ? 0 : t.kind === 'tree' || t.kind === 'post' ? 1 : 2);
  for (const t of [...things].sort((a, b) => rank(a) - rank(b))) {
    const x = planX(v, t.at[0]);
    const y = planY(v, t.at[1]);
    if (x < 0 || y < 0 || x > v.width || y > v.height) continue;
    const wide = t.name.length * 6.7 + 4;
    const r = Math.max(6, halfWidth(t) * v.scale) + 5;
    const tries: [number, number, boolean][] = [
      [x + r, y + 4, false],
      [x - r - wide, y + 4, true],
      [x - wide / 2, y - r - 3, false],
      [x - wide / 2, y + r + 12, false],
    ];
    for (const [left, base, end] of tries) {
      const box: [number, number, number, number] = [left, base - 12, left + wide, base + 3];
      if (box[0] < 2 || box[2] > v.width - 2 || box[1] < 2 || box[3] > v.height - 2) continue;
      if (taken.some((b) => b[0] < box[2] && b[2] > box[0] && b[1] < box[3] && b[3] > box[1])) continue;
      taken.push(box);
      out.set(t.id, { x: end ? left + wide - 2 : left + 1, y: base, end });
      break;
    }
  }
  return out;
}

/** A place from above, to scale, north up, with everything that can be moved. */
export function PlanScene(props: Props): ReactElement {
  const { place, judgement, body, selected, span, fire, measuring, putting } = props;
  const units = useUnits();
  const [box, size] = useSize(740, 460);
  const [grid, setGrid] = useState<'unit' | 'paces'>('unit');
  // the picture stays while things move in it; fitted anew only when asked or when the window changes
  const [fitted, setFitted] = useState<{ readonly size: readonly [number, number]; readonly view: PlanView }>(() => ({
    size,
    view: fitPlan(place, size[0], size[1]),
  }));
  if (fitted.size !== size) setFitted({ size, view: fitPlan(place, size[0], size[1]) });
  const { svg, transform, by, whole } = useZoom(
    size,
    SCALES.least / fitted.view.scale,
    SCALES.most / fitted.view.scale,
  );
  const view = useMemo(() => movedView(fitted.view, transform), [fitted, transform]);
  const onGrid = useCallback(() => setGrid((now) => (now === 'paces' ? 'unit' : 'paces')), []);
  const latest = useRef(place);
  useEffect(() => {
    latest.current = place;
  }, [place]);
  const onWhole = useCallback(() => {
    whole();
    setFitted({ size, view: fitPlan(latest.current, size[0], size[1]) });
  }, [whole, size]);
  const X = (e: number): number => planX(view, e);
  const Y = (n: number): number => planY(view, n);

  /** A touch on what is bare. */
  const touch = (e: MouseEvent): void => {
    if ((e.target as Element).closest('[role=button]') !== null) return;
    const frame = e.currentTarget.getBoundingClientRect();
    if (putting !== null) props.onPut(planAt(view, e.clientX - frame.left, e.clientY - frame.top));
    else props.onSelect(null);
  };
  const deeds = useRef<PlanDeeds>(null!);
  useLayoutEffect(() => {
    deeds.current = {
      follow:
        (grip) =>
        ([dx, dy]) =>
          movedOnPlan(place, grip, [dx / view.scale, -dy / view.scale]),
      show: props.onMove,
      end: props.onMoveEnd,
      press: (grip) => props.onSelect(grip.id),
      key: (grip, e) => {
        const step = arrowStep(e, NUDGE, 10);
        if (step !== null) props.onNudge(movedOnPlan(place, grip, step));
        else if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          props.onSelect(grip.id);
        } else if (e.key === 'Escape') props.onSelect(null);
      },
    };
  });

  const falling = useMemo(() => fallingOf(place), [place]);
  const shapes = useSame(place.things.filter(shapesGround));
  const radius = (t: Thing): number =>
    t.kind === 'sleep'
      ? view.scale
      : t.kind === 'hollow'
        ? t.radius * view.scale
        : Math.min(60, Math.max(t.kind === 'tree' ? 6 : 5, halfWidth(t) * view.scale));
  const names = placeNames(
    view,
    place.things.filter((t) => t.kind !== 'soil'),
    [selected, span?.from.id ?? null, span?.to.id ?? null],
    place.things
      .filter((t) => !isArea(t) && t.kind !== 'hollow')
      .map((t) => ({ x: X(t.at[0]), y: Y(t.at[1]), r: t.kind === 'sleep' ? 6 : radius(t) })),
  );
  const unit = grid === 'paces' ? body.pace : METRES_PER[units.length];
  const step = gridStep(view, unit);
  const gridLines = gridOf(view, step);
  const chosenThing = place.things.find((t) => t.id === selected);
  const brought = falling.find((f) => f.thing.id === selected);
  const survey = measuring ? (judgement?.survey ?? null) : null;

  return (
    <Stage box={box} plan={putting === null ? 'pan' : 'put'}>
      <svg
        ref={svg}
        width={size[0]}
        height={size[1]}
        role="application"
        aria-label="Plan of the place, north up. Tab goes from thing to thing, arrows move it, Enter opens it."
        onClick={touch}
      >
        <defs>
          <pattern id="plan-keep" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path {...paint.planKeepLine} d="M0 0V9" />
          </pattern>
          <pattern id="plan-soil" width="11" height="11" patternUnits="userSpaceOnUse">
            <path {...paint.planSoilDot} d="M2 3h.1M8 8h.1" />
          </pattern>
        </defs>
        <path {...paint.planGrid} d={gridLines} />
        <PlanGround shapes={shapes} slope={place.slope} view={view} />
        {falling.map((f) => (
          <path
            key={f.thing.id}
            {...(span !== null && insideReach(f, span.middle) > 0 ? paint.planReachHits : paint.planReach)}
            d={planPath(
              view,
              Array.from({ length: 48 }, (_, i): At => {
                const b = (i * Math.PI) / 24;
                const [e, n] = along(b);
                const r = reachToward(f, b);
                return [f.at[0] + e * r, f.at[1] + n * r];
              }),
              true,
            )}
          />
        ))}
        {brought !== undefined && <PlanFelled falling={brought} place={place} view={view} units={units} />}
        {survey !== null &&
          place.measures.map((m) => {
            const [a, b] = [place.things.find((t) => t.id === m.from), place.things.find((t) => t.id === m.to)];
            if (a === undefined || b === undefined) return null;
            const wrong =
              survey.leftOut.includes(m.id) ||
              survey.findings.some((f) => f.grave && f.measures.includes(m.id) && f.measures[0] === m.id);
            return (
              <path
                key={m.id}
                {...(wrong ? paint.planMeasureWrong : paint.planMeasure)}
                d={planPath(view, [a.at, b.at])}
              />
            );
          })}
        {survey?.points.map((p) => {
          const thing = place.things.find((t) => t.id === p.id);
          return (
            <g key={p.id}>
              {thing !== undefined && <path {...paint.ellipseMove} d={planPath(view, [thing.at, p.at])} />}
              <ellipse
                {...paint.ellipse}
                cx={X(p.at[0])}
                cy={Y(p.at[1])}
                rx={Math.max(1.5, p.minor * view.scale)}
                ry={Math.max(1.5, p.major * view.scale)}
                transform={`rotate(${((p.bearing * 180) / Math.PI).toFixed(1)} ${X(p.at[0])} ${Y(p.at[1])})`}
              />
            </g>
          );
        })}
        {props.rigs.map((r) => {
          const [a, b] = [place.things.find((t) => t.id === r.from), place.things.find((t) => t.id === r.to)];
          return a === undefined || b === undefined ? null : (
            <path key={r.name} {...paint.planRig} d={planPath(view, [a.at, b.at])} />
          );
        })}
        {judgement?.good
          .slice(0, DRAWN)
          .filter((l) => l.span.id !== span?.id)
          .map((l, i) => (
            <SpanLine
              key={l.span.id}
              span={l.span}
              view={view}
              rank={judgement.good.indexOf(l) + 1}
              faint={i > 2}
              title={l.title}
              onSpan={props.onSpan}
            />
          ))}
        {span !== null && (
          <g>
            <path
              {...(span.ruled.length > 0 ? paint.planClothOut : paint.planCloth)}
              d={planPath(view, clothCorners(span), true)}
            />
            <path
              {...(span.ruled.length > 0 ? paint.planRidgeOut : paint.planRidge)}
              d={planPath(view, [span.from.at, span.to.at])}
            />
            {span.newPole && (
              <g transform={`translate(${X(span.to.at[0])} ${Y(span.to.at[1])})`}>
                <PlanMark kind="pole" r={6} />
              </g>
            )}
            <text {...paint.chosenSpan} x={X(span.middle[0])} y={Y(span.middle[1]) - 7} textAnchor="middle">
              {say(span.span, 'length', units)}
            </text>
          </g>
        )}
        {fire !== null && (
          <g transform={`translate(${X(fire.at[0])} ${Y(fire.at[1])})`}>
            <path {...paint.planFire} d={FLAME} />
            <text x="12" y="5">
              fire
            </text>
          </g>
        )}
        {place.things.map((t) => (
          <PlanThing
            key={t.id}
            thing={t}
            r={radius(t)}
            view={view}
            name={names.get(t.id)}
            selected={t.id === selected}
            units={units}
            deeds={deeds}
          />
        ))}
        {chosenThing !== undefined && <PlanHandles thing={chosenThing} view={view} deeds={deeds} />}
      </svg>
      <WindRose place={place} />
      <PlanBar
        wide={step * view.scale}
        long={grid === 'paces' ? `${Math.round(step / body.pace)} of my paces` : say(step, 'length', units)}
        other={grid === 'paces' ? units.length : 'paces'}
        onGrid={onGrid}
        onZoom={by}
        onWhole={onWhole}
      />
    </Stage>
  );
}

/** The scale, what the grid counts, and how close one looks. */
const PlanBar = memo(function PlanBar({
  wide,
  long,
  other,
  onGrid,
  onZoom,
  onWhole,
}: {
  /** A step of the grid, px, and as it is told. */
  readonly wide: number;
  readonly long: string;
  /** What the grid can count instead. */
  readonly other: string;
  readonly onGrid: () => void;
  readonly onZoom: (by: number) => void;
  readonly onWhole: () => void;
}): ReactElement {
  return (
    <Flex position="absolute" right="8px" bottom="6px" align="center" bg="cloth">
      <Flex align="center" gap="6px" paddingInline="8px" aria-label="Scale" role="img">
        <Box height="7px" border="1.5px solid" borderColor="ink" borderTop={0} style={{ width: wide }} />
        {long}
      </Flex>
      <Button variant="plain" minHeight="44px" paddingInline="8px" onClick={onGrid}>
        Grid in {other}
      </Button>
      <IconButton variant="ghost" aria-label="Closer" onClick={() => onZoom(1.3)}>
        <Plus size={18} />
      </IconButton>
      <IconButton variant="ghost" aria-label="Farther" onClick={() => onZoom(1 / 1.3)}>
        <Minus size={18} />
      </IconButton>
      <IconButton variant="ghost" aria-label="Show everything" onClick={onWhole}>
        <Maximize size={17} />
      </IconButton>
    </Flex>
  );
});

function gridOf(v: PlanView, step: number): string {
  const [west, north] = planAt(v, 0, 0);
  const [east, south] = planAt(v, v.width, v.height);
  let d = '';
  for (let e = Math.ceil(west / step) * step; e <= east; e += step) d += `M${planX(v, e).toFixed(1)} 0V${v.height}`;
  for (let n = Math.ceil(south / step) * step; n <= north; n += step) d += `M0 ${planY(v, n).toFixed(1)}H${v.width}`;
  return d;
}

function SpanLine({
  span,
  view,
  rank,
  faint,
  title,
  onSpan,
}: {
  readonly span: JudgedSpan;
  readonly view: PlanView;
  readonly rank: number;
  readonly faint: boolean;
  readonly title: string;
  readonly onSpan: (id: string) => void;
}): ReactElement {
  const d = planPath(view, [span.from.at, span.to.at]);
  return (
    <g {...(faint ? { opacity: 0.65 } : {})}>
      <path
        {...paint.planSpanReach}
        d={d}
        onClick={(e) => {
          e.stopPropagation();
          onSpan(span.id);
        }}
      >
        <title>{title}</title>
      </path>
      <path {...paint.planSpan} d={d} />
      <circle {...paint.planRank} cx={planX(view, span.middle[0])} cy={planY(view, span.middle[1])} r="10" />
      <text {...paint.rank} x={planX(view, span.middle[0])} y={planY(view, span.middle[1]) + 4.5} textAnchor="middle">
        {rank}
      </text>
    </g>
  );
}

/** North, and the wind as it blows over the plan. */
const ROSE = { inset: 'auto', left: 10, top: 8, width: 76, height: 76, pointerEvents: 'none' } as const;
function WindRose({ place }: { readonly place: Place }): ReactElement {
  const turn = ((place.wind.from * 180) / Math.PI + 180).toFixed(0);
  return (
    <svg style={ROSE} viewBox="-40 -40 80 80" aria-hidden="true">
      <circle {...paint.planRoseRing} r="30" />
      <path {...paint.planRoseNorth} d="M0 -38L4 -28H-4Z" />
      {place.wind.beaufort > 0 && (
        <g transform={`rotate(${turn})`}>
          {Array.from({ length: Math.min(9, place.wind.beaufort) }, (_, i) => (
            <path key={i} {...paint.planRoseWind} d={`M${-8 + (i % 2)} ${24 - i * 5}q8 -5 16 0`} />
          ))}
          <path {...paint.planRoseWind} d="M0 27V-24M-6 -15L0 -25L6 -15" />
        </g>
      )}
    </svg>
  );
}
