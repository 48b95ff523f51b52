import type { Spot } from '../flat/flat-scene.js';
import { Box } from '@chakra-ui/react';
import { ink } from '../../app/theme/paint.js';
import { groundOf } from '@rough-bight/core/pitch';
import { ratioOf } from '@rough-bight/core/rig';
import type { GuyReport, PitchResult } from '@rough-bight/core/pitch';
import { say } from '@rough-bight/core/quantity';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { Pitch, RidgeRig } from '@rough-bight/core/rig';
import { measuredSpan, trunksUsed, uprightOf } from '@rough-bight/core/rig';
import { hemOf } from '@rough-bight/core/roof';
import { drawingOf, fittingsOf } from '@rough-bight/core/shelter';
import type { BedShape, Drawing, DrawnShape, RigReport } from '@rough-bight/core/shelter';
import { DRY, SIZES } from '@rough-bight/core/under';
import type { LyingResult } from '@rough-bight/core/under';
import { windToward } from '@rough-bight/core/weather';
import { Edges, Html, Line, OrbitControls } from '@react-three/drei';
import { Canvas, useFrame, useThree } from '@react-three/fiber';
import type { ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ComponentRef, KeyboardEvent, ReactElement, RefObject } from 'react';
import type { PerspectiveCamera } from 'three';
import { BufferAttribute, BufferGeometry, DoubleSide, Plane, Vector3 } from 'three';
import { useUnits } from '../../parts/units.js';
import type { PitchGrip } from '../pitch-moves.js';
import { footNow, movedPitch } from '../pitch-moves.js';
import { runsOf } from '../runs.js';
import type { Palette } from '../palette.js';
import { lookUpright } from './upright.js';
import { at, bedCorners, boundsOf, clothCorners, gridSegments, runSegments, shadowCorners } from './shapes.js';
import type { Place } from './shapes.js';

export interface DepthProps {
  readonly rig: RidgeRig;
  readonly report: RigReport;
  readonly caseId: string;
  readonly body: BodyMeasures;
  readonly palette: Palette;
  /** Another rig drawn in dashes. */
  readonly beside: Drawing | null;
  readonly chosen: string | null;
  /** The bed as drawn. */
  readonly bed: BedShape | null;
  readonly onLine: (row: string | null, at: Spot) => void;
  readonly onMove: (rig: RidgeRig) => void;
  readonly onMoveEnd: () => void;
}

type Orbit = ComponentRef<typeof OrbitControls>;
/** Turns by keys, rad, and steps nearer, as a factor. */
const TURN = 0.15;
const NEARER = 0.88;

/** The rig in depth: turned by a drag or the arrow keys, its feet moved where they stand. Up is z, as everywhere else. */
export default function DepthCanvas(props: DepthProps): ReactElement {
  const { report, caseId } = props;
  const drawing = useMemo(() => drawingOf(report), [report]);
  const shape = drawing.shapes.find((s) => s.caseId === caseId) ?? drawing.shapes[0]!;
  const controls = useRef<Orbit>(null);
  const labels = useRef<HTMLDivElement>(null!);
  /** Whether a hand moves a foot: then a drag does not turn the view. */
  const [held, setHeld] = useState(false);
  // it looks at where the rig stood when the view was opened: a hand that moves a foot must not move the world
  const [{ middle, reach }] = useState(() => boundsOf(drawing, shape));
  const turn = (e: KeyboardEvent): void => {
    const c = controls.current;
    if (c === null) return;
    const moves: Readonly<Record<string, () => void>> = {
      ArrowLeft: () => c.setAzimuthalAngle(c.getAzimuthalAngle() - TURN),
      ArrowRight: () => c.setAzimuthalAngle(c.getAzimuthalAngle() + TURN),
      ArrowUp: () => c.setPolarAngle(Math.max(0.05, c.getPolarAngle() - TURN)),
      ArrowDown: () => c.setPolarAngle(Math.min(1.55, c.getPolarAngle() + TURN)),
      '+': () => c.object.position.sub(c.target).multiplyScalar(NEARER).add(c.target),
      '-': () => c.object.position.sub(c.target).divideScalar(NEARER).add(c.target),
    };
    const move = moves[e.key];
    if (move === undefined) return;
    e.preventDefault();
    move();
    c.update();
  };
  return (
    <Box
      position="relative"
      flex={1}
      minHeight={0}
      touchAction="none"
      css={{ '& canvas': { display: 'block' } }}
      role="application"
      tabIndex={0}
      aria-label="The rig in depth. Arrow keys turn it, plus and minus bring it nearer. Its handles are in the views from the side and from above."
      onKeyDown={turn}
    >
      <Box ref={labels} position="absolute" inset={0} overflow="hidden" pointerEvents="none" zIndex={1} />
      <Canvas
        flat
        frameloop="demand"
        dpr={[1, 2]}
        camera={{
          position: [middle[0] - reach * 3, middle[1] - reach * 4.6, middle[2] + reach * 2.3],
          up: [0, 0, 1],
          // a long lens: what is far is drawn hardly smaller
          fov: 26,
          near: 0.1,
          far: 200,
        }}
        gl={{ antialias: true }}
        onPointerMissed={(e) => props.onLine(null, { x: e.clientX, y: e.clientY })}
      >
        <color attach="background" args={[props.palette.cloth]} />
        <hemisphereLight args={[0xffffff, props.palette.soil, 1.9]} position={[0, 0, 1]} />
        <directionalLight position={[-4, -6, 9]} intensity={1.4} />
        <Upright controls={controls} />
        <Rig {...props} drawing={drawing} shape={shape} labels={labels} onHold={setHeld} />
        <OrbitControls
          ref={controls}
          makeDefault
          target={[middle[0], middle[1], middle[2]]}
          maxPolarAngle={1.54}
          minDistance={1}
          maxDistance={60}
          enableDamping={false}
          enabled={!held}
        />
      </Canvas>
    </Box>
  );
}

/** How a pull is written beside its line. */
const PULL = {
  fontFamily: 'var(--rb-fonts-heading)',
  fontWeight: 700,
  fontSize: 14,
  lineHeight: 1,
  whiteSpace: 'nowrap',
  padding: '2px 4px',
  background: `color-mix(in srgb, ${ink('cloth')} 78%, transparent)`,
  color: ink('ink'),
} as const;
const PULL_SHORT = { ...PULL, color: ink('danger') } as const;

/** Keeps what stands upright upright, however the view is turned. */
function Upright({ controls }: { readonly controls: RefObject<Orbit | null> }): null {
  useFrame(({ camera }) => {
    if (controls.current !== null) lookUpright(camera as PerspectiveCamera, controls.current.target);
  });
  return null;
}

/** Where words over the scene stand: a place of our own, which is there as long as they are. */
type Labels = RefObject<HTMLDivElement>;

interface Drawn extends DepthProps {
  readonly drawing: Drawing;
  readonly shape: DrawnShape;
}

function Rig(props: Drawn & { readonly labels: Labels; readonly onHold: (held: boolean) => void }): ReactElement {
  const { rig, report, drawing, body, palette, shape, chosen, onLine } = props;
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate(), [invalidate, drawing, shape, palette, chosen, props.beside, props.bed]);
  const span = measuredSpan(rig, body);
  const ground = useMemo(() => groundOf(rig, span), [rig, span]);
  const bad = useMemo(() => new Set(report.rows.filter((r) => ratioOf(r) < 1).map((r) => r.id)), [report]);
  return (
    <>
      <Ground rig={rig} span={span} ground={ground} palette={palette} />
      <Trunks rig={rig} span={span} ground={ground} palette={palette} />
      <Around rig={rig} ground={ground} palette={palette} />
      {report.roof !== null && <Cloth result={report.roof} shape={shape} ground={ground} palette={palette} />}
      <Lines
        labels={props.labels}
        drawing={drawing}
        shape={shape}
        palette={palette}
        bad={bad}
        chosen={chosen}
        onLine={onLine}
      />
      {props.bed !== null && <BedInDepth bed={props.bed} palette={palette} />}
      {report.roof?.under?.things.map((thing) => (
        <LyingInDepth key={thing.lying.id} of={thing} ground={ground} palette={palette} />
      ))}
      <Fittings report={report} shape={shape} body={body} palette={palette} />
      <Feet {...props} bad={bad} />
      {props.beside !== null && <Beside drawing={props.beside} palette={palette} />}
      {rig.pitch !== undefined && <Wind pitch={rig.pitch} drawing={drawing} shape={shape} palette={palette} />}
      <Person body={body} ground={ground} place={standAt(drawing, shape)} palette={palette} />
    </>
  );
}

/** Beyond the rig's second end, where a person shows its size and hides nothing. */
function standAt(drawing: Drawing, shape: DrawnShape): readonly [number, number] {
  const { middle, reach } = boundsOf(drawing, shape);
  return [middle[0] + reach * 1.15, middle[1] - reach * 0.35];
}

/** A geometry of places that are set anew when they change. */
function useGeometry(places: Float32Array): BufferGeometry {
  const geometry = useMemo(() => new BufferGeometry(), []);
  useEffect(() => () => geometry.dispose(), [geometry]);
  useMemo(() => {
    const old = geometry.getAttribute('position') as BufferAttribute | undefined;
    if (old !== undefined && old.array.length === places.length) {
      (old.array as Float32Array).set(places);
      old.needsUpdate = true;
    } else geometry.setAttribute('position', new BufferAttribute(places.slice(), 3));
    geometry.computeVertexNormals();
    geometry.computeBoundingSphere();
  }, [geometry, places]);
  return geometry;
}

/** The cloth, duller where it is wrinkled or slack, with what it covers and the ways of the rain. */
function Cloth({
  result,
  shape,
  ground,
  palette,
}: {
  readonly result: PitchResult;
  readonly shape: DrawnShape;
  readonly ground: (x: number, y: number) => number;
  readonly palette: Palette;
}): ReactElement {
  const places = useMemo(() => clothCorners(result, shape), [result, shape]);
  const shadow = useMemo(() => shadowCorners(places, ground), [places, ground]);
  const { topology } = result;
  const runs = useMemo(() => runSegments(runsOf(topology, shape)), [topology, shape]);
  const ponds = useMemo(() => result.runOff.ponds.flatMap((p) => p.wet), [result]);
  const bySlack = useMemo(() => {
    // taut panels first, then wrinkled and slack: three draws of one geometry
    const kinds: [Float32Array, Float32Array, Float32Array] = [split(0), split(1), split(2)];
    return kinds;
    function split(kind: number): Float32Array {
      const out: number[] = [];
      for (let t = 0; t < shape.state.length; t++)
        if (shape.state[t] === kind || (kind === 2 && shape.state[t]! > 2))
          for (let k = 0; k < 9; k++) out.push(places[9 * t + k]!);
      return new Float32Array(out);
    }
  }, [places, shape]);
  return (
    <>
      <Panels places={bySlack[2]} color={palette.roof} />
      <Panels places={bySlack[1]} color={palette.roof} />
      <Panels places={bySlack[0]} color={palette.roof2} slack />
      <mesh geometry={useGeometry(shadow)}>
        <meshBasicMaterial color={palette.tar} transparent opacity={0.22} side={DoubleSide} depthWrite={false} />
      </mesh>
      <lineSegments geometry={useGeometry(runs)}>
        <lineBasicMaterial color={palette.water} transparent opacity={0.75} />
      </lineSegments>
      {ponds.map((w) => (
        <mesh key={w.node} position={at(shape, w.node)}>
          <sphereGeometry args={[0.03 + 0.4 * w.depth, 12, 8]} />
          <meshBasicMaterial color={palette.water} transparent opacity={0.6} />
        </mesh>
      ))}
    </>
  );
}

function Panels({
  places,
  color,
  slack = false,
}: {
  readonly places: Float32Array;
  readonly color: string;
  readonly slack?: boolean;
}): ReactElement | null {
  const geometry = useGeometry(places);
  if (places.length === 0) return null;
  return (
    <>
      <mesh geometry={geometry}>
        <meshLambertMaterial
          color={color}
          side={DoubleSide}
          flatShading
          polygonOffset
          polygonOffsetFactor={1}
          polygonOffsetUnits={1}
        />
      </mesh>
      {/* slack cloth shows its folds */}
      {slack && (
        <mesh geometry={geometry}>
          <meshBasicMaterial color="#3a2a18" wireframe transparent opacity={0.28} />
        </mesh>
      )}
    </>
  );
}

/** Lines thicker where they carry more, rust where they are short; touched, they open in the ledger. */
function Lines({
  labels,
  drawing,
  shape,
  palette,
  bad,
  chosen,
  onLine,
}: {
  readonly labels: Labels;
  readonly drawing: Drawing;
  readonly shape: DrawnShape;
  readonly palette: Palette;
  readonly bad: ReadonlySet<string>;
  readonly chosen: string | null;
  readonly onLine: (row: string | null, at: Spot) => void;
}): ReactElement {
  const units = useUnits();
  const trips = new Set(drawing.guys.filter((g) => g.trips).map((g) => g.id));
  return (
    <>
      {drawing.topology.lines.map((l) => {
        const pull = shape.tension[l.line]!;
        const points = l.nodes.map((n) => at(shape, n));
        const short = bad.has(l.row);
        const half = points.length >> 1;
        const [a, b] =
          l.role === 'stretch'
            ? [points[half]!, points[half]!]
            : [points[0]!, points[l.role === 'ridge' ? 1 : points.length - 1]!];
        const beside: Place = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2 + 0.06];
        return (
          <group key={l.id}>
            <Line
              points={points as unknown as [number, number, number][]}
              color={short ? palette.danger : chosen === l.row ? palette.act : palette.ink}
              lineWidth={Math.min(7, 1.6 + Math.sqrt(pull) / 6) + (chosen === l.row ? 2 : 0)}
              onClick={(e: ThreeEvent<MouseEvent>) => {
                e.stopPropagation();
                onLine(l.row, { x: e.nativeEvent.clientX, y: e.nativeEvent.clientY });
              }}
            />
            {l.role !== 'loop' && (short || chosen === l.row || l.role === 'ridge' || l.role === 'stretch') && (
              <Html portal={labels} position={beside as [number, number, number]} center zIndexRange={[5, 0]}>
                {/* drawn apart from the page, where no style of a part reaches */}
                <span style={short ? PULL_SHORT : PULL}>{say(pull, 'force', units)}</span>
              </Html>
            )}
            {trips.has(l.id) && (
              <mesh position={between(points[0]!, points.at(-1)!, 0.4)}>
                <boxGeometry args={[0.05, 0.05, 0.16]} />
                <meshBasicMaterial color={palette.act} />
              </mesh>
            )}
            {l.role === 'loop' && (
              <mesh position={at(shape, l.nodes[0]!) as [number, number, number]} rotation={[0, Math.PI / 2, 0]}>
                <torusGeometry args={[0.028, 0.011, 8, 18]} />
                <meshBasicMaterial color={palette.act} />
              </mesh>
            )}
          </group>
        );
      })}
      {drawing.topology.hung.map((h) => {
        const [x, y, z] = at(shape, h.node);
        return (
          <mesh key={h.id} position={[x, y, z - 0.22]}>
            <boxGeometry args={[0.16, 0.12, 0.26]} />
            <meshLambertMaterial color={palette.tar} />
          </mesh>
        );
      })}
      {drawing.topology.sticks.map((s) => (
        <Pole
          key={s.id}
          from={at(shape, s.from)}
          to={at(shape, s.to)}
          thick={0.03}
          color={bad.has(s.id) ? palette.danger : palette.tar}
        />
      ))}
    </>
  );
}

/** A bed, its straps and poles, and who is in it. */
function BedInDepth({ bed, palette }: { readonly bed: BedShape; readonly palette: Palette }): ReactElement {
  const cloth = useGeometry(useMemo(() => bedCorners(bed), [bed]));
  const line = (points: readonly Place[], color: string, width: number, key: string): ReactElement => (
    <Line key={key} points={points as unknown as [number, number, number][]} color={color} lineWidth={width} />
  );
  const sits = bed.body.length === 2;
  const body = sits ? bed.body : bed.body.map(([x, y, z]): Place => [x, y, z - 0.1]);
  const head = sits ? bed.body[1] : bed.body[0];
  return (
    <>
      <mesh geometry={cloth}>
        <meshLambertMaterial color={palette.moss} side={DoubleSide} flatShading />
      </mesh>
      {line([bed.ties[0], bed.line[0]!], palette.tar, 4, 'strap0')}
      {line([bed.ties[1], bed.line.at(-1)!], palette.tar, 4, 'strap1')}
      {bed.ridge && line([bed.line[0]!, bed.line.at(-1)!], palette.ink, 1.5, 'ridge')}
      {bed.sideStay !== null && line([bed.line[bed.line.length >> 1]!, bed.sideStay], palette.ink, 1.5, 'sideStay')}
      {bed.poles.map((p) => (
        <group key={p.end}>
          <Pole from={p.foot} to={p.head} thick={0.09} color={palette.tar} />
          {p.stays.map((s, k) => line([p.head, s.foot], palette.ink, 2.5, `stay${k}`))}
        </group>
      ))}
      {body.length > 1 &&
        body.slice(1).map((p, k) => <Pole key={k} from={body[k]!} to={p} thick={0.2} color={palette.ink2} />)}
      {head !== undefined && (
        <mesh position={[head[0], head[1], head[2] - (sits ? 0.05 : 0.08)]}>
          <sphereGeometry args={[HEAD, 18, 14]} />
          <meshLambertMaterial color={palette.ink2} />
        </mesh>
      )}
    </>
  );
}

/** A sleeper on the ground, or a pack, as large as it is; edged in rust where it gets wet or cannot sit up. */
function LyingInDepth({
  of: { lying, dry, sits },
  ground,
  palette,
}: {
  readonly of: LyingResult;
  readonly ground: (x: number, y: number) => number;
  readonly palette: Palette;
}): ReactElement {
  const { long, wide, high } = SIZES[lying.kind];
  const [c, s] = [Math.cos(lying.toward), Math.sin(lying.toward)];
  /** A place on it, from its middle toward its head, so high over the ground there. */
  const place = (along: number, up: number): Place => {
    const [x, y] = [lying.at[0] + along * c, lying.at[1] + along * s];
    return [x, y, ground(x, y) + up];
  };
  const [x, y, z] = place(0, high / 2);
  const edge = dry >= DRY && sits ? palette.ink : palette.danger;
  if (lying.kind === 'pack')
    return (
      <mesh position={[x, y, z]} rotation={[0, 0, lying.toward]}>
        <boxGeometry args={[2 * long, 2 * wide, high]} />
        <meshLambertMaterial color={palette.tar} />
        <Edges color={edge} lineWidth={2} />
      </mesh>
    );
  const [from, to] = [place(-long, high / 2), place(long - 2 * HEAD, high / 2)];
  return (
    <>
      <Pole from={from} to={to} thick={high} color={palette.moss} edge={edge} />
      <mesh position={place(long - HEAD, HEAD) as [number, number, number]}>
        <sphereGeometry args={[HEAD, 18, 14]} />
        <meshLambertMaterial color={palette.ink2} />
      </mesh>
    </>
  );
}
/** Half a head, m. */
const HEAD = 0.11;

/** Another rig as pitched: its hem and its lines, dashed. */
function Beside({ drawing, palette }: { readonly drawing: Drawing; readonly palette: Palette }): ReactElement {
  const points = useMemo(() => {
    const shape = drawing.shapes[0]!;
    const lines = drawing.topology.lines.flatMap((l) => l.nodes.slice(1).flatMap((n, k) => [l.nodes[k]!, n]));
    return [...hemOf(drawing.topology.corners).flat(), ...lines].map((n) => at(shape, n));
  }, [drawing]);
  return (
    <Line
      segments
      points={points as unknown as [number, number, number][]}
      color={palette.water}
      lineWidth={1.6}
      dashed
      dashSize={0.12}
      gapSize={0.08}
    />
  );
}

const between = (a: Place, b: Place, share: number): [number, number, number] => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
];

/** A round pole between two places. */
function Pole({
  from,
  to,
  thick,
  color,
  edge,
}: {
  readonly from: Place;
  readonly to: Place;
  readonly thick: number;
  readonly color: string;
  /** Its ends are drawn round in this colour. */
  readonly edge?: string;
}): ReactElement {
  const [a, b] = [new Vector3(...from), new Vector3(...to)];
  const along = b.clone().sub(a);
  return (
    <group
      position={a.clone().add(b).multiplyScalar(0.5)}
      ref={(g) => g?.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), along.clone().normalize())}
    >
      <mesh>
        <cylinderGeometry args={[thick / 2, thick / 2, along.length(), 14]} />
        <meshLambertMaterial color={color} />
        {edge !== undefined && <Edges color={edge} lineWidth={2} threshold={40} />}
      </mesh>
    </group>
  );
}

/** What holds each guy, and a ball to move it by. */
function Feet({
  rig,
  drawing,
  body,
  palette,
  bad,
  onHold,
  onMove,
  onMoveEnd,
}: Drawn & { readonly bad: ReadonlySet<string>; readonly onHold: (held: boolean) => void }): ReactElement {
  const drag = useRef<{ grip: PitchGrip; rig: RidgeRig; guy: GuyReport; plane: Plane; from: Vector3 } | null>(null);
  const raycaster = useThree((s) => s.raycaster);
  const hand = (plane: Plane): Vector3 | null => raycaster.ray.intersectPlane(plane, new Vector3());
  const hold = (e: ThreeEvent<PointerEvent>, guy: GuyReport): void => {
    e.stopPropagation();
    (e.target as unknown as Element).setPointerCapture(e.pointerId);
    const plane = new Plane(new Vector3(0, 0, 1), -guy.foot[2]);
    const from = hand(plane);
    if (from === null) return;
    onHold(true);
    drag.current = { grip: { kind: 'foot', key: guy.key }, rig, guy, plane, from };
  };
  const go = (e: ThreeEvent<PointerEvent>): void => {
    const d = drag.current;
    if (d === null) return;
    e.stopPropagation();
    const to = hand(d.plane);
    if (to !== null) onMove(movedPitch(d.rig, d.grip, [to.x - d.from.x, to.y - d.from.y, 0], [d.guy], body));
  };
  const end = (): void => {
    if (drag.current === null) return;
    drag.current = null;
    onHold(false);
    onMoveEnd();
  };
  return (
    <>
      {drawing.guys
        .filter((g) => g.kind !== 'tie')
        .map((g) => {
          const [x, y, z] = footNow(rig, body, g);
          return (
            <group key={g.id}>
              {g.solid !== null && (
                <Pole
                  from={[x, y, z + g.solid.above]}
                  to={[x, y, z - g.solid.below]}
                  thick={g.solid.thick}
                  color={bad.has(g.id) ? palette.danger : palette.tar}
                />
              )}
              <mesh
                position={[x, y, z + 0.02]}
                onPointerDown={(e) => hold(e, g)}
                onPointerMove={go}
                onPointerUp={end}
                onPointerCancel={end}
              >
                <sphereGeometry args={[0.075, 18, 12]} />
                <meshBasicMaterial color={palette.act} />
              </mesh>
            </group>
          );
        })}
    </>
  );
}

/** Where the rig stands. */
interface OnGround {
  readonly rig: RidgeRig;
  readonly span: number;
  readonly ground: (x: number, y: number) => number;
  readonly palette: Palette;
}

function Ground({ rig, span, ground, palette }: OnGround): ReactElement {
  const middle = rig.pitch?.middle ?? span / 2;
  const far = Math.max(10, span);
  const grid = useMemo(() => gridSegments(middle, far, ground), [middle, far, ground]);
  const field = useMemo(() => {
    const c = Math.round(middle);
    const corner = (x: number, y: number): number[] => [x, y, ground(x, y)];
    const [a, b, p, q] = [corner(c - far, -far), corner(c + far, -far), corner(c + far, far), corner(c - far, far)];
    return new Float32Array([...a, ...b, ...p, ...a, ...p, ...q]);
  }, [middle, far, ground]);
  return (
    <>
      <mesh geometry={useGeometry(field)}>
        <meshBasicMaterial color={palette.soil} polygonOffset polygonOffsetFactor={4} polygonOffsetUnits={4} />
      </mesh>
      <lineSegments geometry={useGeometry(grid)}>
        <lineBasicMaterial color={palette.hairline} />
      </lineSegments>
    </>
  );
}

function Trunks({ rig, span, ground, palette }: OnGround): ReactElement {
  return (
    <>
      {trunksUsed(rig).map((i) => {
        const x = i * span;
        const t = rig.trunks[i];
        const { as, rises, wide, aside } = uprightOf(t, 1.4);
        const foot = ground(x, aside);
        return as === 'lump' ? (
          <mesh key={i} position={[x, 0, foot + rises / 2]} rotation={[0, 0, 0.4]}>
            <boxGeometry args={[wide, wide, rises]} />
            <meshLambertMaterial color={palette.tar} />
          </mesh>
        ) : (
          <Pole
            key={i}
            from={[x, aside, foot]}
            to={[x, aside, foot + rises]}
            thick={wide}
            color={t.signs.length > 0 ? palette.danger : palette.tar}
          />
        );
      })}
    </>
  );
}

/** What is on its lines: elastic, bends, drip lines, branches that they go over. */
function Fittings({
  report,
  shape,
  body,
  palette,
}: Pick<Drawn, 'report' | 'shape' | 'body' | 'palette'>): ReactElement {
  const fittings = useMemo(() => fittingsOf(report, shape, body), [report, shape, body]);
  return (
    <>
      {fittings.map((f) => {
        const key = `${f.kind} ${f.of}`;
        if (f.kind === 'bend')
          return (
            <mesh key={key} position={f.at as [number, number, number]}>
              <sphereGeometry args={[0.035, 12, 8]} />
              <meshLambertMaterial color={palette.act} />
            </mesh>
          );
        if (f.kind !== 'branch')
          return (
            <Pole
              key={key}
              from={f.from}
              to={f.to}
              thick={f.kind === 'elastic' ? 0.03 : 0.012}
              color={f.kind === 'elastic' ? palette.act : palette.water}
            />
          );
        return (
          <group key={key}>
            <Pole from={f.from} to={f.to} thick={f.thick} color={palette.tar} />
            <Pole from={[f.to[0], 0, f.to[2] + f.thick / 2]} to={f.down} thick={0.012} color={palette.ink} />
          </group>
        );
      })}
    </>
  );
}

/** Walls and the fire round it. */
function Around({ rig, ground, palette }: Omit<OnGround, 'span'>): ReactElement {
  const { walls = [], fire } = rig;
  return (
    <>
      {walls.map(({ id, kind, at: [x, y], toward, length, height }) => (
        <mesh key={id} position={[x, y, ground(x, y) + height / 2]} rotation={[0, 0, toward]}>
          <boxGeometry args={[length, 0.4, height]} />
          <meshLambertMaterial
            color={kind === 'brush' ? palette.moss : palette.soil}
            transparent={kind === 'brush'}
            opacity={kind === 'brush' ? 0.7 : 1}
          />
        </mesh>
      ))}
      {fire !== undefined && (
        <mesh position={[fire.at[0], fire.at[1], ground(...fire.at) + 0.25]} rotation={[Math.PI / 2, 0, 0]}>
          <coneGeometry args={[0.25, 0.5, 7]} />
          <meshBasicMaterial color={palette.danger} />
        </mesh>
      )}
    </>
  );
}

function Wind({
  pitch,
  drawing,
  shape,
  palette,
}: {
  readonly pitch: Pitch;
  readonly drawing: Drawing;
  readonly shape: DrawnShape;
  readonly palette: Palette;
}): ReactElement {
  const { middle, reach } = boundsOf(drawing, shape);
  const [wx, wy] = windToward(pitch.windFrom, pitch.bearing);
  const start: Place = [middle[0] - wx * reach * 1.15, middle[1] - wy * reach * 1.15, middle[2] + 0.3];
  const tip: Place = [start[0] + wx * 0.9, start[1] + wy * 0.9, start[2]];
  const barb = (side: 1 | -1): Place => [
    tip[0] - wx * 0.25 - side * wy * 0.14,
    tip[1] - wy * 0.25 + side * wx * 0.14,
    tip[2],
  ];
  return (
    <Line
      points={[start, tip, barb(1), tip, barb(-1)] as unknown as [number, number, number][]}
      color={palette.water}
      lineWidth={3}
    />
  );
}

/** A raised hand reaches so many times as high as the head: 1.22 to 1.28 of people; judgement. */
const REACH = 1.25;
/** A plain figure as tall as the person, to see the size by. */
function Person({
  body,
  ground,
  place: [x, y],
  palette,
}: {
  readonly body: BodyMeasures;
  readonly ground: (x: number, y: number) => number;
  readonly place: readonly [number, number];
  readonly palette: Palette;
}): ReactElement {
  const z = ground(x, y);
  const tall = body.reach / REACH;
  return (
    <group position={[x, y, z]}>
      {[-1, 1].map((side) => (
        <Pole
          key={side}
          from={[0, side * 0.1, 0]}
          to={[0, side * 0.07, tall * 0.48]}
          thick={0.11}
          color={palette.ink2}
        />
      ))}
      <Pole from={[0, 0, tall * 0.46]} to={[0, 0, tall * 0.83]} thick={0.27} color={palette.ink2} />
      <mesh position={[0, 0, tall * 0.93]}>
        <sphereGeometry args={[tall * 0.062, 18, 12]} />
        <meshLambertMaterial color={palette.ink2} />
      </mesh>
    </group>
  );
}
