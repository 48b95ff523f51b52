import {
  BED_KIT_LIMITS,
  STRAPS_KIT_LIMITS,
  bedKitProblems,
  bedMass,
  loopAt,
  strapsProblems,
} from '@rough-bight/core/bed';
import type { KitBed, KitStraps } from '@rough-bight/core/bed';
import { ADJUSTMENTS, BED_CLOTHS, CONNECTORS, CORDS, WEBBINGS } from '@rough-bight/core/catalogue';
import type { Adjustment, Connector } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { Choice, TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { KitList, useFitting } from './kit-list.js';
import type { KitListProps } from './kit-list.js';
import { SUN_OPTIONS, WEAR_OPTIONS } from './roof-more.js';

const named = <T extends { readonly id: string; readonly name: string }>(list: readonly T[]) =>
  list.map(({ id, name }) => ({ id, name }));
const CLOTH_OPTIONS = named(BED_CLOTHS);
const WEBBING_OPTIONS = named(WEBBINGS);
const CORD_OPTIONS = named(CORDS.filter((c) => c.bears));
const CONNECTOR_OPTIONS = (Object.keys(CONNECTORS) as Connector[]).map((id) => ({ id, name: CONNECTORS[id].name }));
const ADJUST_OPTIONS = (Object.keys(ADJUSTMENTS) as Adjustment[]).map((id) => ({ id, name: ADJUSTMENTS[id].name }));
const B = BED_KIT_LIMITS;
const S = STRAPS_KIT_LIMITS;

/** A maker's limit, or that it is not known. */
const limitHint = (limit: number): string => (limit > 0 ? 'the maker’s, from the label' : 'not known: find the label');

/** Hammocks at hand. */
export function Beds({
  beds,
  onAdd,
  onChange,
  onRemove,
}: { readonly beds: readonly KitBed[] } & KitListProps<KitBed>): ReactElement {
  const units = useUnits();
  const take = useFitting(bedKitProblems, onChange);
  return (
    <KitList
      title="Beds"
      empty="No hammock in the kit. Add one and measure it from gather to gather."
      things={beds}
      columns="1.3fr 1.3fr 1fr 1fr 1.3fr 1.3fr"
      add="Add a bed"
      fresh={{
        name: 'new bed',
        cloth: 'nylon',
        length: 3,
        width: 1.5,
        mass: 0,
        ridgeLength: 0,
        ridgeCord: 'accessory-4',
        connector: 'hook',
        limit: 0,
        people: 1,
        sun: 'new',
        wear: 'sound',
      }}
      onAdd={onAdd}
      onRemove={onRemove}
    >
      {(bed) => {
        const change = (part: Partial<KitBed>): string | null => take({ ...bed, ...part });
        return (
          <>
            <TextField label="Name" value={bed.name} max={60} onCommit={(name) => change({ name })} />
            <Choice label="Cloth" value={bed.cloth} options={CLOTH_OPTIONS} onChange={(cloth) => change({ cloth })} />
            <NumberField
              label="Length"
              value={bed.length}
              limit={B.length}
              step={0.05}
              hint="gather to gather"
              onCommit={(length) =>
                // a ridge-cord keeps its share of the cloth
                change({ length, ridgeLength: Math.round((bed.ridgeLength / bed.length) * length * 100) / 100 })
              }
            />
            <NumberField
              label="Width"
              value={bed.width}
              limit={B.width}
              step={0.05}
              onCommit={(width) => change({ width })}
            />
            <NumberField
              label="Ridge-cord"
              value={bed.ridgeLength}
              limit={B.ridgeLength}
              step={0.05}
              hint={bed.ridgeLength > 0 ? 'end to end' : 'none'}
              onCommit={(ridgeLength) => change({ ridgeLength })}
            />
            {bed.ridgeLength > 0 && (
              <Choice
                label="Of"
                value={bed.ridgeCord}
                options={CORD_OPTIONS}
                onChange={(ridgeCord) => change({ ridgeCord })}
              />
            )}
            <Choice
              label="Joined by"
              value={bed.connector}
              options={CONNECTOR_OPTIONS}
              onChange={(connector) => change({ connector })}
            />
            <NumberField
              label="Weighs"
              value={bed.mass}
              limit={B.mass}
              step={0.05}
              hint={bed.mass > 0 ? 'weighed' : `about ${say(bedMass(bed), 'mass', units)} by its cloth`}
              onCommit={(mass) => change({ mass })}
            />
            <NumberField
              label="Limit"
              value={bed.limit}
              limit={B.limit}
              step={5}
              hint={limitHint(bed.limit)}
              onCommit={(limit) => change({ limit })}
            />
            <NumberField
              whole
              label="Made for"
              value={bed.people}
              limit={B.people}
              step={1}
              suffix={bed.people === 1 ? 'person' : 'people'}
              onCommit={(people) => change({ people })}
            />
            <Choice label="Sun" value={bed.sun} options={SUN_OPTIONS} onChange={(sun) => change({ sun })} />
            <Choice label="Wear" value={bed.wear} options={WEAR_OPTIONS} onChange={(wear) => change({ wear })} />
          </>
        );
      }}
    </KitList>
  );
}

/** Straps at hand, pair by pair. */
export function StrapPairs({
  straps,
  onAdd,
  onChange,
  onRemove,
}: { readonly straps: readonly KitStraps[] } & KitListProps<KitStraps>): ReactElement {
  const units = useUnits();
  const take = useFitting(strapsProblems, onChange);
  return (
    <KitList
      title="Straps"
      empty="No straps in the kit. Cord round a trunk bruises it: add a pair of wide ones."
      things={straps}
      columns="1.3fr 1.3fr 1fr 1fr 1.3fr 1.3fr"
      add="Add straps"
      fresh={{
        name: 'new straps',
        webbing: 'polyester-25',
        length: 3,
        adjust: 'loops',
        first: 1,
        spacing: 0.1,
        count: 20,
        limit: 0,
        sun: 'new',
        wear: 'sound',
      }}
      onAdd={onAdd}
      onRemove={onRemove}
    >
      {(s) => {
        const change = (part: Partial<KitStraps>): string | null => take({ ...s, ...part });
        const { one } = ADJUSTMENTS[s.adjust];
        return (
          <>
            <TextField label="Name" value={s.name} max={60} onCommit={(name) => change({ name })} />
            <Choice
              label="Webbing"
              value={s.webbing}
              options={WEBBING_OPTIONS}
              onChange={(webbing) => change({ webbing })}
            />
            <NumberField
              label="Each"
              value={s.length}
              limit={S.length}
              step={0.1}
              onCommit={(length) => change({ length })}
            />
            <Choice
              label="Adjusted by"
              value={s.adjust}
              options={ADJUST_OPTIONS}
              hint={
                s.adjust === 'hitch'
                  ? ''
                  : `${one}s from ${say(s.first, 'length', units)} to ${say(loopAt(s, s.count), 'length', units)}`
              }
              onChange={(adjust) => change({ adjust })}
            />
            {s.adjust !== 'hitch' && (
              <>
                <NumberField
                  label={`First ${one}`}
                  value={s.first}
                  limit={S.first}
                  step={0.05}
                  hint="from the trunk’s end"
                  onCommit={(first) => change({ first })}
                />
                <NumberField
                  label="Then every"
                  value={s.spacing}
                  limit={S.spacing}
                  step={0.01}
                  onCommit={(spacing) => change({ spacing })}
                />
                <NumberField
                  whole
                  label="How many"
                  value={s.count}
                  limit={S.count}
                  step={1}
                  onCommit={(count) => change({ count })}
                />
              </>
            )}
            <NumberField
              label="Limit"
              value={s.limit}
              limit={S.limit}
              step={5}
              hint={limitHint(s.limit)}
              onCommit={(limit) => change({ limit })}
            />
            <Choice label="Sun" value={s.sun} options={SUN_OPTIONS} onChange={(sun) => change({ sun })} />
            <Choice label="Wear" value={s.wear} options={WEAR_OPTIONS} onChange={(wear) => change({ wear })} />
          </>
        );
      }}
    </KitList>
  );
}
