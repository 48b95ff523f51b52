import { Box, Button, chakra, Span, Text } from '@chakra-ui/react';
import { say } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { SIZE_ORDERS, rankCords } from '@rough-bight/core/sizing';
import type { SizeOrder, SizedCord } from '@rough-bight/core/sizing';
import { useMemo, useState } from 'react';
import type { ReactElement } from 'react';
import { Segments } from '../../parts/choice.js';
import { LongWork } from '../../parts/long-work.js';
import { useUnits } from '../../parts/units.js';
import { Brought } from './brought.js';
import { startSizing } from '../../workers/use-judge.js';
import type { Question } from '../../workers/rig.worker.js';

const ORDER_NAMES: Readonly<Record<SizeOrder, string>> = { margin: 'Most left', sag: 'Least sag', mass: 'Lightest' };

/** The kit's cords ranked for this ridgeline, each with what it would be like and why it fails. */
export function SizePanel({
  question,
  current,
  onTake,
  onBring,
  onClose,
}: {
  readonly question: Question;
  readonly current: string;
  readonly onTake: (rig: RidgeRig) => void;
  /** Something was brought or left at home: the panel stays. */
  readonly onBring: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}): ReactElement {
  return (
    <>
      <LongWork<readonly SizedCord[]>
        key={(question.rig.home ?? []).join()}
        label="Size it"
        title="Every cord of the kit, here"
        closes="Close sizing"
        start={(progress, done) => startSizing(question, progress, done)}
        onClose={onClose}
      >
        {(cords) => <Ranked cords={cords} current={current} bed={question.rig.bed !== undefined} onTake={onTake} />}
      </LongWork>
      <Box padding="0 18px 18px">
        <Brought rig={question.rig} context={{ kit: question.context.kit, pegs: [], straps: [] }} onChange={onBring} />
      </Box>
    </>
  );
}

function Ranked({
  cords,
  current,
  bed,
  onTake,
}: {
  readonly cords: readonly SizedCord[];
  readonly current: string;
  /** Whether a bed hangs there as well. */
  readonly bed: boolean;
  readonly onTake: (rig: RidgeRig) => void;
}): ReactElement {
  const units = useUnits();
  const [order, setOrder] = useState<SizeOrder>('margin');
  const ranked = useMemo(() => rankCords(cords, order), [cords, order]);
  return (
    <>
      <Text textStyle="quiet">
        Each hauled just tight enough to stay so a while. Taking one sets the cord and that haul; undo brings yours
        back.
        {bed && ' The bed is left out here: what its trunks bear of both stands in the ledger.'}
      </Text>
      <Segments
        label="Ranked by"
        value={order}
        options={SIZE_ORDERS.map((id) => ({ id, name: ORDER_NAMES[id] }))}
        onChange={setOrder}
      />
      <chakra.ol>
        {ranked.map((c) => (
          <chakra.li key={c.kitCord.id} layerStyle="row" padding="10px 0" fontSize="14px">
            <Box display="flex" gap="8px" alignItems="baseline" fontSize="16px">
              <b>{c.kitCord.name}</b>
              {c.kitCord.id === current && <Span textStyle="quiet"> on the bench</Span>}
              <Span marginStart="auto" textStyle="figure" {...(c.holds ? {} : { color: 'danger' })}>
                {c.holds ? `${say(c.margin, 'ratio', units)} ×` : 'fails'}
              </Span>
            </Box>
            <p>{c.reason}</p>
            <Text textStyle="quiet" margin="2px 0 6px">
              haul {say(c.haul, 'force', units)} · sag {say(c.sag, 'length', units)} · stretch{' '}
              {say(c.stretch, 'strain', units)} · {say(c.mass, 'mass', units)} of it
            </Text>
            {c.holds && <Button onClick={() => onTake(c.rig)}>Take {c.kitCord.name}</Button>}
          </chakra.li>
        ))}
      </chakra.ol>
    </>
  );
}
