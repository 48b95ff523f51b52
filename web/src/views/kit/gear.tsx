import { Text } from '@chakra-ui/react';
import { CLOTHS, HOLDS, PEGS, findPeg } from '@rough-bight/core/catalogue';
import type { Hold } from '@rough-bight/core/catalogue';
import { say } from '@rough-bight/core/quantity';
import { LAYOUTS, ROOF_LIMITS, freshRoof, roofMass, roofProblems, tieOutsOf } from '@rough-bight/core/roof';
import type { KitRoof, Layout } from '@rough-bight/core/roof';
import type { KitPegs } from '@rough-bight/core/support';
import { SUPPORT_LIMITS } from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import { Choice, TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';
import { useUnits } from '../../parts/units.js';
import { KitList, useFitting } from './kit-list.js';
import type { KitListProps } from './kit-list.js';
import { RoofMore } from './roof-more.js';

const CLOTH_OPTIONS = CLOTHS.map((c) => ({ id: c.id, name: c.name }));
const PEG_OPTIONS = PEGS.map((p) => ({ id: p.id, name: p.name }));
const HOLD_OPTIONS = [
  ...(Object.keys(HOLDS) as Hold[])
    .filter((id) => id !== 'gathered')
    .map((id) => ({ id: id as Hold | 'none', name: `${HOLDS[id].name}s` })),
  { id: 'none' as Hold | 'none', name: 'none, a plain sheet' },
];
const LAYOUT_OPTIONS = [
  ...(Object.keys(LAYOUTS) as Layout[]).map((id) => ({ id: id as Layout | 'own', name: LAYOUTS[id] })),
  { id: 'own' as Layout | 'own', name: 'as they are' },
];

/** Which of the usual layouts a roof's tie-outs are; `own` where they are none. */
function layoutOf(roof: KitRoof): Layout | 'own' {
  const places = (list: KitRoof['tieOuts']): string =>
    list
      .map((t) => t.at.map((x) => x.toFixed(2)).join())
      .sort()
      .join(' ');
  const is = places(roof.tieOuts);
  return (
    (Object.keys(LAYOUTS) as Layout[]).find((l) => places(tieOutsOf(l, roof.length, roof.width, 'loop')) === is) ??
    'own'
  );
}

/** A roof with other measures keeps the layout of its tie-outs. */
function resized(roof: KitRoof, part: Partial<Pick<KitRoof, 'length' | 'width'>>): KitRoof {
  const next = { ...roof, ...part };
  const layout = layoutOf(roof);
  const hold = roof.tieOuts[0]?.hold;
  if (hold === undefined) return next;
  return layout === 'own'
    ? {
        ...next,
        tieOuts: roof.tieOuts.map((t) => ({
          ...t,
          at: [(t.at[0] * next.length) / roof.length, (t.at[1] * next.width) / roof.width] as const,
        })),
      }
    : { ...next, tieOuts: tieOutsOf(layout, next.length, next.width, hold) };
}

/** Roofs at hand: cloth, size and where a cord takes hold of them. */
export function Roofs({
  roofs,
  onAdd,
  onChange,
  onRemove,
}: { readonly roofs: readonly KitRoof[] } & KitListProps<KitRoof>): ReactElement {
  const units = useUnits();
  const change = useFitting(roofProblems, onChange);
  return (
    <KitList
      title="Roofs"
      empty="No roof in the kit. Add one and measure its edges."
      things={roofs}
      columns="1.4fr 1.2fr 0.6fr 0.6fr 1fr 1.4fr 0.9fr"
      add="Add a roof"
      fresh={freshRoof('new roof', 3, 3)}
      onAdd={onAdd}
      onRemove={onRemove}
    >
      {(roof) => {
        const hold = roof.tieOuts[0]?.hold ?? 'none';
        return (
          <>
            <TextField label="Name" value={roof.name} max={60} onCommit={(name) => change({ ...roof, name })} />
            <Choice
              label="Cloth"
              value={roof.cloth}
              options={CLOTH_OPTIONS}
              onChange={(cloth) => change({ ...roof, cloth })}
            />
            <NumberField
              label="Length"
              value={roof.length}
              limit={ROOF_LIMITS.length}
              step={0.1}
              onCommit={(length) => change(resized(roof, { length }))}
            />
            <NumberField
              label="Width"
              value={roof.width}
              limit={ROOF_LIMITS.width}
              step={0.1}
              onCommit={(width) => change(resized(roof, { width }))}
            />
            <Choice<Hold | 'none'>
              label="Held by"
              value={hold}
              options={HOLD_OPTIONS}
              onChange={(to) => {
                const layout = layoutOf(roof);
                change({
                  ...roof,
                  tieOuts:
                    to === 'none'
                      ? []
                      : roof.tieOuts.length === 0 || layout !== 'own'
                        ? tieOutsOf(layout === 'own' ? 'middles' : layout, roof.length, roof.width, to)
                        : roof.tieOuts.map((t) => ({ ...t, hold: to })),
                });
              }}
            />
            {hold !== 'none' && (
              <Choice<Layout | 'own'>
                label="Tie-outs at"
                value={layoutOf(roof)}
                options={LAYOUT_OPTIONS}
                hint={`${roof.tieOuts.length} tie-outs`}
                onChange={(layout) => {
                  if (layout !== 'own') change({ ...roof, tieOuts: tieOutsOf(layout, roof.length, roof.width, hold) });
                }}
              />
            )}
            <NumberField
              label="Weighs"
              value={roof.mass}
              limit={ROOF_LIMITS.mass}
              step={0.05}
              hint={roof.mass > 0 ? 'weighed' : `about ${say(roofMass(roof), 'mass', units)} by its cloth`}
              onCommit={(mass) => change({ ...roof, mass })}
            />
            <RoofMore roof={roof} onChange={change} />
          </>
        );
      }}
    </KitList>
  );
}

/** Pegs at hand, by shape and how many. */
export function Pegs({
  pegs,
  onAdd,
  onChange,
  onRemove,
}: { readonly pegs: readonly KitPegs[] } & KitListProps<KitPegs>): ReactElement {
  const units = useUnits();
  return (
    <KitList
      title="Pegs"
      empty="No pegs in the kit. Cut some, or count those in the bag."
      things={pegs}
      columns="1.3fr 1.5fr 0.7fr 1fr 1.2fr 1fr"
      add="Add pegs"
      fresh={{ name: 'new pegs', shape: 'cut-wood', count: 8 }}
      onAdd={onAdd}
      onRemove={onRemove}
    >
      {(p) => {
        const shape = findPeg(p.shape);
        return (
          <>
            <TextField label="Name" value={p.name} max={60} onCommit={(name) => onChange({ ...p, name })} />
            <Choice
              label="Shape"
              value={p.shape}
              options={PEG_OPTIONS}
              onChange={(id) => onChange({ ...p, shape: id })}
            />
            <NumberField
              whole
              label="How many"
              value={p.count}
              limit={SUPPORT_LIMITS.pegs}
              step={1}
              onCommit={(count) => {
                onChange({ ...p, count });
                return null;
              }}
            />
            <Text paddingTop="19px" display="flex" flexDirection="column" lineHeight={1.2} textStyle="quiet">
              {shape === undefined
                ? ''
                : `${say(shape.length, 'length', units)} long, ${say(shape.width, 'diameter', units)} across the pull`}
            </Text>
          </>
        );
      }}
    </KitList>
  );
}
