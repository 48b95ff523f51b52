import { Button, Flex, Span, Text } from '@chakra-ui/react';
import { groundOf } from '@rough-bight/core/pitch';
import { say } from '@rough-bight/core/quantity';
import { measuredSpan, roofedIn } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import { DRY, MOST_UNDER, placeUnder } from '@rough-bight/core/under';
import type { Lying, UnderResult } from '@rough-bight/core/under';
import type { ReactElement } from 'react';
import { TextField } from '../../parts/choice.js';
import { ControlGroup, ControlRow } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { withLying } from '../../scene/under-moves.js';
import type { RoofReport } from '../../workers/report.js';
import { PlaceFields, TowardField } from './around-controls.js';
import type { Editing } from './editing.js';

const COUNT = { quantity: 'count', min: 0, max: MOST_UNDER / 2 } as const;
const of = (rig: RidgeRig, kind: Lying['kind']): number => (rig.under ?? []).filter((l) => l.kind === kind).length;

/** The rig with so many asleep under its roof, and their packs, each laid where this rain reaches least. */
function laid(rig: RidgeRig, report: RoofReport, people: number, packs: number, body: Editing['body']): RidgeRig {
  if (people + packs === 0) {
    const { under, ...rest } = rig;
    void under;
    return rest;
  }
  const { roof } = report;
  const { lying } = placeUnder(
    people,
    packs,
    roofedIn(rig, {
      corners: roof.topology.corners,
      at: roof.shapes[0]!.at,
      ground: groundOf(rig, measuredSpan(rig, body)),
    }),
  );
  return { ...rig, under: [...lying] };
}

/** How many sleep on the ground under the roof, and how many packs lie there. */
export function UnderQuick({
  editing: { rig, body, edit },
  report,
}: {
  readonly editing: Editing;
  readonly report: RoofReport | null;
}): ReactElement | null {
  if (report === null) return null;
  const [people, packs] = [of(rig, 'sleeper'), of(rig, 'pack')];
  return (
    <>
      <NumberField
        whole
        label="Sleepers on the ground"
        value={people}
        limit={COUNT}
        step={1}
        onCommit={(n) => edit(laid(rig, report, n, Math.min(packs, COUNT.max), body))}
      />
      <NumberField
        whole
        label="Packs"
        value={packs}
        limit={COUNT}
        step={1}
        onCommit={(n) => edit(laid(rig, report, people, n, body))}
      />
    </>
  );
}

/** How each of them lies, and a button that lays all of them anew. */
export function UnderControls({
  editing: { rig, body, edit },
  report,
}: {
  readonly editing: Editing;
  readonly report: RoofReport | null;
}): ReactElement | null {
  const things = report?.roof.under?.things ?? [];
  if (report === null || things.length === 0) return null;
  return (
    <ControlGroup wide>
      <h3>On the ground under it</h3>
      <ul>
        {things.map((t) => (
          <Flex as="li" key={t.lying.id} layerStyle="row" justify="space-between" gap="12px" padding="6px 0">
            <b>{t.lying.name === '' ? t.lying.kind : t.lying.name}</b>
            <HowItLies id={t.lying.id} under={report.roof.under} />
          </Flex>
        ))}
      </ul>
      <Button marginTop="8px" onClick={() => edit(laid(rig, report, of(rig, 'sleeper'), of(rig, 'pack'), body))}>
        Lay them where it is driest
      </Button>
      <Text textStyle="quiet">
        From above each can be dragged, and turned by the head. The pack lies first where the body will.
      </Text>
    </ControlGroup>
  );
}

/** How one thing lies: dry, with room to sit up, on what slope, in how much of the wind. */
function HowItLies({ id, under }: { readonly id: string; readonly under: UnderResult | null }): ReactElement | null {
  const units = useUnits();
  const t = under?.things.find((x) => x.lying.id === id);
  if (t === undefined) return null;
  const wet = t.dry < DRY;
  return (
    <Span fontSize="14px" textAlign="right" {...(wet || !t.sits ? { color: 'danger' } : {})}>
      {wet ? `rain reaches ${say(1 - t.dry, 'share', units)}` : 'dry'}
      {t.lying.kind === 'sleeper' && (
        <>
          {t.sits ? ', sits up' : ', cannot sit up'}
          {t.headroom !== null && ` under ${say(t.headroom, 'length', units)}`}, slope{' '}
          {say(Math.max(Math.abs(t.headDown), t.across), 'angle', units)}, {say(t.open, 'share', units)} of the wind
        </>
      )}
    </Span>
  );
}

/** One of them: its name, where it is and which way its head lies. */
export function LyingFields({
  editing: { rig, edit },
  lying,
  under,
}: {
  readonly editing: Editing;
  readonly lying: Lying;
  readonly under: UnderResult | null;
}): ReactElement {
  const set = (part: Partial<Lying>): string | null => edit(withLying(rig, lying.id, (l) => ({ ...l, ...part })));
  return (
    <>
      <HowItLies id={lying.id} under={under} />
      <ControlRow marginTop="6px">
        <TextField wide label="Name" value={lying.name} max={60} empty onCommit={(name) => set({ name })} />
        <PlaceFields at={lying.at} onCommit={(at) => set({ at })} />
        {lying.kind === 'sleeper' && (
          <TowardField label="Head toward" value={lying.toward} onCommit={(toward) => set({ toward })} />
        )}
      </ControlRow>
    </>
  );
}
