import { measuredSpan, ratioOf, trunksUsed } from '@rough-bight/core/rig';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { drawingOf } from '@rough-bight/core/shelter';
import type { RigReport } from '@rough-bight/core/shelter';
import { useMemo } from 'react';
import type { ReactElement } from 'react';
import { useUnits } from '../../parts/units.js';
import { BedMark } from '../bed-mark.js';
import { usePalette } from '../palette.js';
import { Stage } from '../stage.js';
import { AroundMarks } from '../around-marks.js';
import { UnderMarks } from '../under-marks.js';
import { useSize } from '../use-size.js';
import { Cloth } from './cloth.js';
import { across, fitFrame, upward } from './frame.js';
import { Backdrop } from './backdrop.js';
import { Lines } from './lines.js';

const NONE: ReadonlySet<string> = new Set();

/** A rig from the side, true and to scale, with nothing to take hold of: a small picture among others. */
export function RigPicture({
  report,
  body,
  label,
  judged,
}: {
  readonly report: RigReport;
  readonly body: BodyMeasures;
  readonly label: string;
  /** Whether it is known what of it is short. */
  readonly judged: boolean;
}): ReactElement {
  const units = useUnits();
  const palette = usePalette();
  const [box, size] = useSize(300, 190);
  const { rig } = report;
  const span = measuredSpan(rig, body);
  const drawing = useMemo(() => drawingOf(report), [report]);
  const bed = report.bed?.shapes.find((s) => s.caseId === 'lying') ?? null;
  const frame = useMemo(
    () => fitFrame('side', size, rig, span, [drawing], bed, SMALL),
    [size, rig, span, drawing, bed],
  );
  const shape = drawing.shapes[0]!;
  const short = useMemo(
    () => new Set(judged ? report.rows.filter((r) => ratioOf(r) < 1).map((r) => r.id) : []),
    [report, judged],
  );
  const used = trunksUsed(rig);
  const svg = { width: size[0], height: size[1], viewBox: `0 0 ${size[0]} ${size[1]}` };
  return (
    <Stage box={box} label={label}>
      <svg {...svg} aria-hidden="true">
        <Backdrop
          trunks={rig.trunks}
          groundRise={rig.groundRise}
          first={used.includes(0)}
          second={used.includes(1)}
          frame={frame}
          span={span}
          feet={units.length === 'ft'}
          levels={false}
        />
        <AroundMarks rig={rig} frame={frame} span={span} />
        <Lines drawing={drawing} shape={shape} frame={frame} bad={short} chosen={null} far />
      </svg>
      {report.roof !== null && <Cloth result={report.roof} shape={shape} frame={frame} palette={palette} />}
      <svg {...svg} aria-hidden="true">
        {report.roof !== null && report.roof.under !== null && (
          <UnderMarks things={report.roof.under.things} rig={rig} frame={frame} span={span} />
        )}
        {bed !== null && (
          <BedMark
            shape={bed}
            project={(p) => [across(frame, p[0]), upward(frame, p[2])]}
            scale={frame.scale}
            above={false}
            bad={NONE}
            chosen={null}
            units={null}
          />
        )}
        <Lines drawing={drawing} shape={shape} frame={frame} bad={short} chosen={null} far={false} />
      </svg>
    </Stage>
  );
}

/** Room at the edges of a small picture: left, top, right, bottom, px. */
const SMALL = [14, 10, 14, 22] as const;
