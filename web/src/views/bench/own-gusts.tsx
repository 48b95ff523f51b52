import { Box, Button, Text } from '@chakra-ui/react';
import { MOST_OWN_GUSTS, PITCH_LIMITS } from '@rough-bight/core/rig';
import type { OwnGust } from '@rough-bight/core/rig';
import { BEAUFORT, beaufortOf } from '@rough-bight/core/weather';
import { Plus } from 'lucide-react';
import type { ReactElement } from 'react';
import { Check, TextField } from '../../parts/choice.js';
import { ControlGroup, ControlRow } from '../../parts/layout.js';
import { NumberField } from '../../parts/number-field.js';
import { BearingField } from './bearing-field.js';
import type { Editing } from './editing.js';

/** A gust to begin with is harder than the judged one by this, and at least so much, m/s. */
const HARDER = 1.5;
const LEAST = 10;

/** Gusts that the rig must bear beside those of its wind: a squall, the gap between two woods, what came last year. */
export function OwnGusts({
  editing: { rig, edit },
  gust,
}: {
  readonly editing: Editing;
  /** The gust that is judged, m/s. */
  readonly gust: number;
}): ReactElement {
  const pitch = rig.pitch!;
  const { gusts = [], ...rest } = pitch;
  const put = (next: readonly OwnGust[]): string | null =>
    edit({ ...rig, pitch: next.length === 0 ? rest : { ...pitch, gusts: [...next] } });
  const set = (id: string, part: Partial<OwnGust>): string | null =>
    put(gusts.map((g) => (g.id === id ? { ...g, ...part } : g)));
  const add = (): void =>
    void put([
      ...gusts,
      {
        id: crypto.randomUUID().slice(0, 8),
        name: gusts.length === 0 ? 'squall' : `squall ${gusts.length + 1}`,
        speed: Math.min(PITCH_LIMITS.gust.max, Math.round(Math.max(LEAST, HARDER * gust))),
        from: pitch.windFrom,
        wet: true,
      },
    ]);
  return (
    <ControlGroup>
      <h3>Gusts of your own</h3>
      {gusts.map((g) => (
        <Box key={g.id} layerStyle="row" paddingBlock="6px" role="group" aria-label={g.name}>
          <ControlRow>
            <TextField wide label="Called" value={g.name} max={40} onCommit={(name) => set(g.id, { name })} />
            <NumberField
              label="At the roof"
              value={g.speed}
              limit={PITCH_LIMITS.gust}
              step={1}
              hint={BEAUFORT[beaufortOf(g.speed)]!.name}
              onCommit={(speed) => set(g.id, { speed })}
            />
            <BearingField label="From" value={g.from} onCommit={(from) => set(g.id, { from })} />
          </ControlRow>
          <Check checked={g.wet} onChange={(wet) => set(g.id, { wet })}>
            On the soaked rig
          </Check>
          <Button size="sm" onClick={() => put(gusts.filter((x) => x.id !== g.id))}>
            Leave it out
          </Button>
        </Box>
      ))}
      <Button disabled={gusts.length >= MOST_OWN_GUSTS} onClick={add}>
        <Plus size={18} aria-hidden="true" /> Add a gust
      </Button>
      <Text textStyle="quiet">Each counts like any other: where one is too much, the rig does not hold.</Text>
    </ControlGroup>
  );
}
