import { Box, Button, Flex, IconButton } from '@chakra-ui/react';
import { HOLDS } from '@rough-bight/core/catalogue';
import type { Hold } from '@rough-bight/core/catalogue';
import { MOST_TIE_OUTS, ROOF_LIMITS } from '@rough-bight/core/roof';
import type { KitRoof, TieOut } from '@rough-bight/core/roof';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { paint } from '../../../app/theme/paint.js';
import { arrowStep, useGrasp } from '../../../scene/hand.js';
import type { Offset } from '../../../scene/hand.js';
import { Choice } from '../../../parts/choice.js';
import { ControlRow } from '../../../parts/layout.js';
import { NumberField } from '../../../parts/number-field.js';
import { RoofFlat, onCloth } from '../../../parts/roof-shape.js';
import { keyed } from './options.js';

const HOLD_OPTIONS = keyed(HOLDS);
/** What the plan may take, px, and how close a hand sets a tie-out, m. */
const WIDE = 280;
const CLOSE = 0.05;
/** Pixels before a touch counts as a drag. */
const SLACK = 3;

/** Every tie-out where it is on the cloth: touched, dragged, told in numbers, put on and taken off. */
export function TieOuts({
  roof,
  onPut,
}: {
  readonly roof: KitRoof;
  readonly onPut: (all: readonly TieOut[]) => void;
}): ReactElement {
  const [chosen, setChosen] = useState<string | null>(null);
  /** Where the hand has one, till it lets go. */
  const [held, setHeld] = useState<Pick<TieOut, 'id' | 'at'> | null>(null);
  const scale = Math.min(WIDE / roof.length, WIDE / roof.width);
  const t = roof.tieOuts.find((x) => x.id === chosen) ?? roof.tieOuts[0];
  const half = [roof.length / 2, roof.width / 2] as const;
  const put = (id: string, part: Partial<TieOut>): TieOut[] =>
    roof.tieOuts.map((x) => (x.id === id ? { ...x, ...part } : x));
  const set = (id: string, part: Partial<TieOut>): null => {
    onPut(put(id, part));
    return null;
  };
  /** Where a hand may set one: whole steps, no farther than the edge. */
  const settled = ([x, y]: readonly [number, number]): readonly [number, number] => {
    const within = (v: number, c: 0 | 1): number =>
      Number(Math.min(half[c], Math.max(-half[c], Math.round(v / CLOSE) * CLOSE)).toFixed(3));
    return [within(x, 0), within(y, 1)];
  };
  return (
    <Flex wrap="wrap" gap="6px 28px" align="flex-start">
      <svg
        width={roof.length * scale + 28}
        height={roof.width * scale + 28}
        viewBox={`${-half[0] * scale - 14} ${-half[1] * scale - 14} ${roof.length * scale + 28} ${roof.width * scale + 28}`}
        role="group"
        aria-label={`Tie-outs of ${roof.name}`}
        style={{ maxWidth: '100%' }}
      >
        <RoofFlat roof={{ ...roof, tieOuts: [] }} scale={scale} />
        {roof.tieOuts.map((x, i) => (
          <TieOutHandle
            key={x.id}
            name={`Tie-out ${i + 1} of ${roof.tieOuts.length}`}
            spot={onCloth(roof, held?.id === x.id ? held.at : x.at)}
            at={x.at}
            scale={scale}
            chosen={x.id === t?.id}
            onChoose={() => setChosen(x.id)}
            onShow={(at) => setHeld({ id: x.id, at: settled(at) })}
            onMove={(at) => {
              setHeld(null);
              set(x.id, { at: settled(at) });
            }}
          />
        ))}
      </svg>
      <Box flex="1 1 200px" minWidth={0}>
        {t !== undefined && (
          <ControlRow>
            <NumberField
              label="Along"
              value={t.at[0]}
              limit={{ ...ROOF_LIMITS.at, min: -half[0], max: half[0] }}
              step={CLOSE}
              hint="from the middle of the cloth"
              onCommit={(along) => set(t.id, { at: [along, t.at[1]] })}
            />
            <NumberField
              label="Across"
              value={t.at[1]}
              limit={{ ...ROOF_LIMITS.at, min: -half[1], max: half[1] }}
              step={CLOSE}
              onCommit={(across) => set(t.id, { at: [t.at[0], across] })}
            />
            <Choice<Hold>
              label="This one is a"
              value={t.hold}
              options={HOLD_OPTIONS}
              onChange={(hold) => set(t.id, { hold })}
            />
            <IconButton
              variant="ghost"
              aria-label={`Take the tie-out at ${t.at.join(', ')} off`}
              onClick={() => onPut(roof.tieOuts.filter((x) => x.id !== t.id))}
            >
              <Trash2 size={18} />
            </IconButton>
          </ControlRow>
        )}
        {roof.tieOuts.length < MOST_TIE_OUTS && (
          <Button
            onClick={() => {
              const id = crypto.randomUUID().slice(0, 8);
              onPut([...roof.tieOuts, { id, at: [0, 0], hold: roof.tieOuts[0]?.hold ?? 'loop' }]);
              setChosen(id);
            }}
          >
            <Plus size={16} aria-hidden="true" /> Add a tie-out
          </Button>
        )}
      </Box>
    </Flex>
  );
}

/** One of them: dragged, or moved by the arrow keys. */
function TieOutHandle({
  name,
  at,
  spot,
  scale,
  chosen,
  onChoose,
  onShow,
  onMove,
}: {
  readonly name: string;
  readonly at: Offset;
  /** Where it is drawn, m. */
  readonly spot: Offset;
  readonly scale: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  /** While a hand has it. */
  readonly onShow: (at: Offset) => void;
  readonly onMove: (at: Offset) => void;
}): ReactElement {
  const hold = useGrasp<undefined, Offset>(
    {
      take: onChoose,
      follow:
        () =>
        ([dx, dy]) => [at[0] + dx / scale, at[1] - dy / scale],
      show: onShow,
      end: (_, shown) => shown !== null && onMove(shown),
      press: onChoose,
    },
    SLACK,
  );
  return (
    <g
      {...hold(undefined)}
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={chosen}
      transform={`translate(${spot[0] * scale} ${-spot[1] * scale})`}
      style={{ touchAction: 'none', cursor: 'grab' }}
      onFocus={onChoose}
      onKeyDown={(e) => {
        const step = arrowStep(e, CLOSE);
        if (step !== null) onMove([at[0] + step[0], at[1] + step[1]]);
      }}
    >
      <circle r={14} fill="transparent" />
      <circle r={chosen ? 7 : 4.5} {...(chosen ? paint.pitchFlag : paint.pmHead)} />
    </g>
  );
}
