import { Button, chakra, Flex, Text } from '@chakra-ui/react';
import { SidePanel } from '../../parts/side-panel.js';
import type { RidgeRig } from '@rough-bight/core/rig';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { useVersions } from '../../data/versions.js';
import type { Version } from '../../data/versions.js';
import { Age } from '../../parts/age.js';
import { TextField } from '../../parts/choice.js';
import { Problem } from '../../parts/layout.js';
import { Loading } from '../../parts/states.js';

/** Saves shown besides those that are called something. */
const SHOWN = 12;

/** What this rig was: its saves, called by name, laid beside it as it is now, and brought back. */
export function Versions({
  rigId,
  saved,
  onBeside,
  onBack,
  onClose,
}: {
  readonly rigId: string;
  /** The version that is stored; null while something is not saved yet. */
  readonly saved: number | null;
  /** Lays one beside the rig; nothing where rigs like this one cannot be compared. */
  readonly onBeside: ((version: number) => void) | null;
  readonly onBack: (rig: RidgeRig) => void;
  readonly onClose: () => void;
}): ReactElement {
  const { data, error, call, whole } = useVersions(rigId, saved ?? 0);
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((e: unknown) => setProblem((e as Error).message));
  };
  const now = data?.[0];
  const called = data?.filter((v) => v.called !== '') ?? [];
  const rest = data?.filter((v) => v.called === '' && v !== now).slice(0, SHOWN) ?? [];
  const row = (v: Version): ReactElement => (
    <VersionRow
      key={v.version}
      version={v}
      now={v === now}
      onCall={(name) => attempt(call(v.version, name))}
      onBeside={onBeside === null ? null : () => onBeside(v.version)}
      onBack={() => attempt(whole(v.version).then(({ document }) => onBack(document)))}
    />
  );
  return (
    <SidePanel name="Versions" title="As it was" closes="Close the versions" onClose={onClose}>
      <Text textStyle="quiet">
        Every save is kept. One that you name is found again, and never let go of; bringing one back can be undone.
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      {error !== undefined && <Problem role="alert">{error.message}</Problem>}
      {data === undefined && error === undefined && <Loading what="the versions" />}
      {now !== undefined && (
        <NameNow now={now} waiting={saved === null} onCall={(name) => attempt(call(now.version, name))} />
      )}
      {called.length > 0 && (
        <>
          <h2>Named</h2>
          <ul aria-label="Named versions">{called.map(row)}</ul>
        </>
      )}
      {rest.length > 0 && (
        <>
          <h2>Before</h2>
          <ul aria-label="Earlier versions">{rest.map(row)}</ul>
        </>
      )}
    </SidePanel>
  );
}

/** Gives the rig as it stands a name to come back to. */
function NameNow({
  now,
  waiting,
  onCall,
}: {
  readonly now: Version;
  readonly waiting: boolean;
  readonly onCall: (name: string) => void;
}): ReactElement | null {
  if (waiting) return <Text textStyle="quiet">It can be named once it is saved.</Text>;
  return now.called !== '' ? null : (
    <TextField label="Name it as it is now" value="" max={80} empty onCommit={(name) => name !== '' && onCall(name)} />
  );
}

function VersionRow({
  version: { called, savedAt },
  now,
  onCall,
  onBeside,
  onBack,
}: {
  readonly version: Version;
  readonly now: boolean;
  readonly onCall: (name: string) => void;
  readonly onBeside: (() => void) | null;
  readonly onBack: () => void;
}): ReactElement {
  const [naming, setNaming] = useState(false);
  return (
    <chakra.li padding="6px 0" borderBottom="1px solid" borderColor="hairline">
      {naming ? (
        <TextField
          label="Name"
          value={called}
          max={80}
          empty
          onCommit={(name) => {
            onCall(name);
            setNaming(false);
          }}
        />
      ) : (
        <p>
          {called !== '' && <b>{called}, </b>}
          <Age of={savedAt} />
          {now && ', as it is now'}
        </p>
      )}
      <Flex wrap="wrap" gap="2px 14px">
        {!now && onBeside !== null && (
          <Button variant="plain" size="xs" onClick={onBeside}>
            Lay it beside
          </Button>
        )}
        {!now && (
          <Button variant="plain" size="xs" onClick={onBack}>
            Bring it back
          </Button>
        )}
        <Button variant="plain" size="xs" aria-pressed={naming} onClick={() => setNaming(!naming)}>
          {called === '' ? 'Name it' : 'Name it anew'}
        </Button>
      </Flex>
    </chakra.li>
  );
}
