import type { CaseKind } from '@rough-bight/core/cases';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { Drawing } from '@rough-bight/core/shelter';
import { memo, useCallback, useEffect, useMemo } from 'react';
import type { ReactElement } from 'react';
import { useRigContext } from '../../data/context.js';
import type { DocumentStore } from '../../data/document-store.js';
import type { Camp, Person } from '../../data/types.js';
import { useFollowed } from '../../data/use-calm.js';
import { RigScene } from '../../scene/rig-scene.js';
import type { RigView } from '../../scene/rig-scene.js';
import type { Judge } from '../../workers/judge.js';
import { POSED } from './weather/posed.js';
import type { Posed } from './weather/posed.js';

/** The rig as it is at this moment: the scene follows the hand at every frame, and asks what each change comes to. */
export const BenchScene = memo(function BenchScene({
  store,
  judge,
  posed,
  camp,
  me,
  wanted,
  bedCase,
  onPut,
  ...shown
}: {
  readonly store: DocumentStore<RidgeRig>;
  readonly judge: Judge;
  readonly posed: Posed;
  readonly camp: Camp;
  readonly me: Person;
  readonly view: RigView;
  readonly onView: (view: RigView) => void;
  /** Case that is drawn, or a kind of case, whose hardest is. */
  readonly wanted: string;
  readonly bedCase: string;
  readonly chosen: string | null;
  readonly beside: Drawing | null;
  readonly onLine: Parameters<typeof RigScene>[0]['onLine'];
  readonly onGrip: Parameters<typeof RigScene>[0]['onGrip'];
  readonly onPut: (rig: RidgeRig) => void;
}): ReactElement {
  const {
    draft: { document: rig },
    moving,
  } = useFollowed(store);
  const context = useRigContext(camp, me, rig);
  const question = useMemo(() => ({ rig, context, units: me.units }), [rig, context, me.units]);
  useEffect(() => judge.ask(question, moving), [judge, question, moving]);
  const { report: judged, problem } = useFollowed(judge);
  const pose = useFollowed(posed);
  const { shape, bed: posedBed } = pose.rig === rig ? pose : UNPOSED;
  const report = useMemo(
    () =>
      shape === null || judged === null || judged.roof === null
        ? judged
        : { ...judged, roof: { ...judged.roof, shapes: [...judged.roof.shapes, shape] } },
    [judged, shape],
  );
  const move = useCallback((next: RidgeRig) => store.move({ ...store.read().draft, document: next }), [store]);
  const rest = useCallback(() => store.endMove(), [store]);
  return (
    <RigScene
      rig={rig}
      report={report}
      kit={camp.kit}
      body={context.body}
      {...(context.paces === undefined ? {} : { paces: context.paces })}
      bed={posedBed ?? report?.bed?.shapes.find((s) => s.caseId === bedCase) ?? report?.bed?.shapes.at(-1) ?? null}
      straps={context.straps.find((s) => s.id === rig.bed?.straps) ?? null}
      stale={problem !== null}
      caseId={report?.full !== true ? 'pitched' : shape !== null ? POSED : caseOf(report.roof, wanted)}
      moving={moving}
      onMove={move}
      onMoveEnd={rest}
      onNudge={onPut}
      {...shown}
    />
  );
});

const UNPOSED = { shape: null, bed: null };

/** The case that is meant: a kind's name stands for the hardest case of it. */
export const caseOf = (
  roof: { readonly worst: Readonly<Partial<Record<CaseKind, string>>> } | null | undefined,
  wanted: string,
): string => roof?.worst[wanted as CaseKind] ?? wanted;
