import type { At, Place, ThingKind } from '@rough-bight/core/ground';
import { memo, useCallback, useEffect, useMemo } from 'react';
import type { ReactElement } from 'react';
import type { DocumentStore } from '../../data/document-store.js';
import { useReader } from '../../data/me.js';
import type { Camp, Person } from '../../data/types.js';
import { useFollowed } from '../../data/use-calm.js';
import { PlanScene } from '../../scene/plan-scene.js';
import type { GroundJudge } from '../../workers/ground-judge.js';

/** The place as it is at this moment: the plan follows the hand at every frame, and asks what each change comes to. */
export const GroundPlan = memo(function GroundPlan({
  store,
  judge,
  camp,
  me,
  open,
  show,
  ...shown
}: {
  readonly store: DocumentStore<Place>;
  readonly judge: GroundJudge;
  readonly camp: Camp;
  readonly me: Person;
  readonly rigs: readonly { readonly name: string; readonly from: string; readonly to: string }[];
  readonly selected: string | null;
  /** Span that is open. */
  readonly open: string | null;
  readonly measuring: boolean;
  readonly putting: ThingKind | null;
  readonly show: (key: 'thing' | 'span', id: string | null) => void;
  readonly onPut: (at: At) => void;
  readonly onNudge: (place: Place) => void;
}): ReactElement {
  const {
    draft: { document: place },
    moving,
  } = useFollowed(store);
  const who = useReader(me);
  const question = useMemo(() => ({ place, who, kit: camp.kit, units: me.units }), [place, who, camp.kit, me.units]);
  useEffect(() => judge.ask(question, moving, open), [judge, question, moving, open]);
  const { judgement, explained } = useFollowed(judge);
  const span = explained !== null && explained.span.id === open ? explained : null;
  const onMove = useCallback((next: Place) => store.move({ ...store.read().draft, document: next }), [store]);
  const onMoveEnd = useCallback(() => store.endMove(), [store]);
  const onSelect = useCallback((id: string | null) => show('thing', id), [show]);
  const onSpan = useCallback((id: string) => show('span', id), [show]);
  return (
    <PlanScene
      place={place}
      judgement={judgement}
      body={me.body}
      span={span?.span ?? null}
      fire={span !== null && span.fire.at !== null && span.span.ruled.length === 0 ? span.fire : null}
      {...shown}
      {...{ onMove, onMoveEnd, onSelect, onSpan }}
    />
  );
});
