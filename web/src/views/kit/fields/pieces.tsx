import { Box, Button, IconButton, Span, chakra } from '@chakra-ui/react';
import { CORD_LIMITS, MOST_PIECES } from '@rough-bight/core/cordage';
import type { CordPiece, KitCord } from '@rough-bight/core/cordage';
import { capital, say } from '@rough-bight/core/quantity';
import { counted } from '@rough-bight/core/words';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { useCurrentCamp } from '../../../data/camp.js';
import { Age } from '../../../parts/age.js';
import { Choice } from '../../../parts/choice.js';
import { Fold } from '../../../parts/fold.js';
import { ControlRow } from '../../../parts/layout.js';
import { NumberField } from '../../../parts/number-field.js';
import { useUnits } from '../../../parts/units.js';

/** A guy as most have it. */
const USUAL = 3;

/** Lengths that were cut from a hank and are still there, what each lives on, and when what was cut. */
export function Pieces({
  hank,
  onPut,
}: {
  readonly hank: KitCord;
  readonly onPut: (pieces: readonly CordPiece[]) => void;
}): ReactElement {
  const units = useUnits();
  const { data: camp } = useCurrentCamp();
  const pieces = hank.pieces ?? [];
  const cuts = hank.cuts ?? [];
  const set = (id: string, part: Partial<CordPiece>): null => {
    onPut(pieces.map((p) => (p.id === id ? { ...p, ...part } : p)));
    return null;
  };
  const liveOn = (id: string, roof: string): void => {
    onPut(
      pieces.map(({ on, ...piece }) =>
        piece.id === id
          ? { ...piece, ...(roof === '' ? {} : { on: roof }) }
          : { ...piece, ...(on === undefined ? {} : { on }) },
      ),
    );
  };
  return (
    <Box paddingBlock="4px">
      <Fold
        line={
          pieces.length === 0
            ? 'No pieces cut from it'
            : `${capital(counted(pieces.length, 'piece'))} cut from it, ${say(
                pieces.reduce((sum, p) => sum + p.length, 0),
                'length',
                units,
              )}`
        }
      >
        {pieces.map((p, i) => (
          <ControlRow key={p.id}>
            <NumberField
              label={`Piece ${i + 1}${p.name === '' ? '' : `, ${p.name}`}`}
              value={p.length}
              limit={CORD_LIMITS.piece}
              step={0.1}
              onCommit={(length) => set(p.id, { length })}
            />
            <Choice
              label="Lives on"
              value={p.on ?? ''}
              options={[
                { id: '', name: 'nothing: free' },
                ...(camp?.roofs ?? []).map((r) => ({ id: r.id, name: r.name })),
              ]}
              onChange={(roof) => liveOn(p.id, roof)}
            />
            <IconButton
              variant="ghost"
              aria-label={`Take piece ${i + 1} out`}
              onClick={() => onPut(pieces.filter((x) => x.id !== p.id))}
            >
              <Trash2 size={17} />
            </IconButton>
          </ControlRow>
        ))}
        <Button
          disabled={pieces.length >= MOST_PIECES}
          onClick={() => onPut([...pieces, { id: crypto.randomUUID(), length: USUAL, name: '' }])}
        >
          <Plus size={16} aria-hidden="true" /> A piece of it
        </Button>
      </Fold>
      {cuts.length > 0 && (
        <Fold line={`Cut ${cuts.length === 1 ? 'once' : `${cuts.length} times`}`}>
          <chakra.ul maxWidth="60ch">
            {cuts.toReversed().map((c, i) => (
              <li key={`${c.at} ${i}`}>
                {say(c.length, 'length', units)} for {c.name}{' '}
                <Span textStyle="quiet">
                  <Age of={c.at} />
                </Span>
              </li>
            ))}
          </chakra.ul>
        </Fold>
      )}
    </Box>
  );
}
