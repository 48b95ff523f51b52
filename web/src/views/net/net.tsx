import { Page } from '../../parts/layout.js';
import { Box, Button, chakra, Table, Text } from '@chakra-ui/react';
import { say } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Net, NetNumbers } from '@rough-bight/core/net';
import { FolderOpen } from 'lucide-react';
import { useEffect } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';
import { useMe } from '../../data/me.js';
import { useNet } from '../../workers/use-net.js';
import { NetPicture } from './picture.js';
import { FileChoice } from '../../parts/file-choice.js';

const EXAMPLES = {
  'Gable roof': () => import('../../../../examples/nets/gable-roof.json?raw'),
  'One ring between two trunks': () => import('../../../../examples/nets/two-trunks-one-ring.json?raw'),
  'Pole and back-stay': () => import('../../../../examples/nets/pole-and-back-stay.json?raw'),
} as const;
/** Rows shown of the tensions. */
const MOST = 14;

/** Opens a net file, and says whether and how it balances. */
export default function NetView(): ReactElement {
  useShell({ crumbs: [{ name: 'Net file' }] });
  useEffect(() => {
    document.title = 'Net file, Rough Bight';
  }, []);
  const { state, open, stop } = useNet();
  const { data: me } = useMe();
  const units: UnitChoice = me?.units ?? { length: 'm', force: 'N' };
  const take = async (file: File | undefined): Promise<void> => {
    if (file !== undefined) open(file.name, await file.text());
  };
  return (
    <Page tabIndex={0}>
      <h1>Net file</h1>
      <Text textStyle="lead">
        A structure of nodes, lines, struts and panels as a file: where it comes to rest, and what pulls in every line.
        It judges no cord, hitch or anchor.
      </Text>
      <Box display="flex" flexWrap="wrap" gap="10px" marginBottom="20px">
        <FileChoice act accept="application/json,.json" onFile={(file) => void take(file)}>
          <FolderOpen size={17} aria-hidden="true" /> Open a file
        </FileChoice>
        {Object.entries(EXAMPLES).map(([name, load]) => (
          <Button key={name} onClick={() => void load().then((m) => open(name, m.default))}>
            {name}
          </Button>
        ))}
      </Box>
      {state.kind === 'none' && (
        <Text textStyle="quiet">Open a file in the net format, or one of the examples beside the button.</Text>
      )}
      {state.kind === 'refused' && (
        <chakra.section borderTop="1.5px solid" borderColor="ink" paddingTop="16px" role="alert">
          <h2>{state.name} cannot be read</h2>
          <p>{state.message}</p>
          <Text textStyle="quiet">Nothing was changed. Put that right in the file and open it again.</Text>
        </chakra.section>
      )}
      {state.kind === 'solving' && (
        <chakra.section borderTop="1.5px solid" borderColor="ink" paddingTop="16px" aria-busy="true">
          <h2>{state.name}</h2>
          <p role="status">Step {state.iterations}</p>
          <Button onClick={stop}>Stop</Button>
        </chakra.section>
      )}
      {state.kind === 'stopped' && (
        <chakra.section borderTop="1.5px solid" borderColor="ink" paddingTop="16px" role="status">
          <h2>{state.name}</h2>
          <p>Stopped before it came to rest.</p>
        </chakra.section>
      )}
      {state.kind === 'solved' && (
        <Answer name={state.name} net={state.net} numbers={state.numbers} warnings={state.warnings} units={units} />
      )}
    </Page>
  );
}

function Answer({
  name,
  net,
  numbers,
  warnings,
  units,
}: {
  readonly name: string;
  readonly net: Net;
  readonly numbers: NetNumbers;
  readonly warnings: readonly string[];
  readonly units: UnitChoice;
}): ReactElement {
  const force = (v: number): string => say(v, 'force', units);
  const pulls = [
    ...(net.lines ?? []).map((l, i) => ({ id: l.id, kind: 'line', force: numbers.tension[i]! })),
    ...(net.struts ?? []).map((s, i) => ({ id: s.id, kind: 'strut', force: numbers.strutForce[i]! })),
  ].sort((a, b) => Math.abs(b.force) - Math.abs(a.force));
  const cloth = [0, 1, 2].map((k) => numbers.panelState.reduce((n, s) => n + (s === k ? 1 : 0), 0)) as [
    number,
    number,
    number,
  ];
  return (
    <chakra.section
      borderTop="1.5px solid"
      borderColor="ink"
      paddingTop="16px"
      display="grid"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 400px) minmax(0, 1fr)' }}
      gap="16px 36px"
      alignItems="start"
      aria-label="Answer"
    >
      <Box gridColumn="1 / -1">
        <Text textStyle="quiet">{name}</Text>
        <h2>{numbers.converged ? 'At rest' : 'No rest found'}</h2>
        <p>
          {numbers.converged
            ? `after ${numbers.iterations} steps, in balance to ${balance(numbers.residual, pulls)}`
            : numbers.reason}
        </p>
        {(net.panels?.length ?? 0) > 0 && (
          <p>
            Cloth: {cloth[2]} panels taut (dark), {cloth[1]} wrinkled (pale), {cloth[0]} slack (empty)
          </p>
        )}
        {warnings.map((w) => (
          <Text key={w} textStyle="quiet">
            {w}
          </Text>
        ))}
      </Box>
      {pulls.length > 0 && (
        <Table.Root>
          <Table.Header>
            <Table.Row>
              <Table.ColumnHeader scope="col">
                {(net.struts?.length ?? 0) > 0 ? 'Line or strut' : 'Line'}
              </Table.ColumnHeader>
              <Table.ColumnHeader scope="col">Tension</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {pulls.slice(0, MOST).map((p) => (
              <Table.Row key={`${p.kind} ${p.id}`}>
                <Table.ColumnHeader scope="row">{p.id}</Table.ColumnHeader>
                <Table.Cell>
                  {p.force === 0 ? 'slack' : p.force < 0 ? `${force(-p.force)} pressed` : force(p.force)}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
          {pulls.length > MOST && (
            <Table.Footer>
              <Table.Row>
                <Table.Cell colSpan={2} textStyle="quiet">
                  and {pulls.length - MOST} more that pull less
                </Table.Cell>
              </Table.Row>
            </Table.Footer>
          )}
        </Table.Root>
      )}
      <NetPicture net={net} numbers={numbers} />
    </chakra.section>
  );
}

/** What is left unbalanced, beside the largest pull. */
function balance(residual: number, pulls: readonly { readonly force: number }[]): string {
  const share = residual / Math.max(...pulls.map((p) => Math.abs(p.force)), 1);
  return share < 1e-6 ? 'less than a millionth of the largest pull' : `${share.toPrecision(1)} of the largest pull`;
}
