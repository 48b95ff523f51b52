import { Box, Button, Dialog, Flex, Grid, Link as ChakraLink, Portal, Text, chakra } from '@chakra-ui/react';
import { FileDown, FileInput, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { useCamps, useCampsActions } from '../../data/camp.js';
import type { CampSummary } from '../../data/types.js';
import { unusedName } from '../../data/unused-name.js';
import { TextField } from '../../parts/choice.js';
import { FileChoice } from '../../parts/file-choice.js';
import { Buttons, Page, Problem } from '../../parts/layout.js';
import { Empty, Loading, Trouble } from '../../parts/states.js';

/** All camps: one's own and the demo, those in use and those put away. */
export default function CampsView(): ReactElement {
  const { data, error } = useCamps();
  useShell({ crumbs: [{ name: 'Camps' }] });
  useEffect(() => {
    document.title = 'Camps, Rough Bight';
  }, []);
  if (error !== undefined) return <Trouble error={error as Error} />;
  if (data === undefined) return <Loading what="the camps" />;
  return <Camps camps={data} />;
}

function Camps({ camps }: { readonly camps: readonly CampSummary[] }): ReactElement {
  const navigate = useNavigate();
  const { make, change, copy, remove, takeIn, fileOf } = useCampsActions();
  const [problem, setProblem] = useState<string | null>(null);
  const [doomed, setDoomed] = useState<CampSummary | null>(null);
  const attempt = (work: Promise<unknown>): void => {
    setProblem(null);
    work.catch((error: unknown) => setProblem((error as Error).message));
  };
  const inUse = camps.filter((c) => !c.away);
  const away = camps.filter((c) => c.away);
  return (
    <Page>
      <h1>Camps</h1>
      <Text textStyle="lead" marginBottom="14px">
        A camp has its own kit, ground and rigs. All of it goes out and comes in as one file.
      </Text>
      {problem !== null && <Problem role="alert">{problem}</Problem>}
      {inUse.length === 0 && (
        <Empty>No camp is in use. Make one, take one in from a file, or bring one back from below.</Empty>
      )}
      <chakra.ul layerStyle="region" aria-label="Camps in use">
        {inUse.map((camp) => (
          <CampLine key={camp.id} camp={camp} onChange={(next) => attempt(change(next))}>
            <Button onClick={() => attempt(copy(camp.id))}>Copy</Button>
            <Button asChild>
              <a href={fileOf(camp.id)} download={`${fileName(camp.name)}.camp.zip`}>
                <FileDown size={16} aria-hidden="true" /> As a file
              </a>
            </Button>
            <Button onClick={() => attempt(change({ ...camp, away: true }))}>Put away</Button>
          </CampLine>
        ))}
      </chakra.ul>
      <Buttons>
        <Button
          variant="solid"
          onClick={() => attempt(make(unusedName('New camp', camps), '').then((made) => navigate(`/camps/${made.id}`)))}
        >
          <Plus size={16} aria-hidden="true" /> New camp
        </Button>
        <FileChoice accept=".zip,application/zip" onFile={(file) => attempt(takeIn(file))}>
          <FileInput size={16} aria-hidden="true" /> Take in a camp’s file
        </FileChoice>
      </Buttons>
      {away.length > 0 && (
        <Box marginTop="30px">
          <h2>Put away</h2>
          <chakra.ul layerStyle="region" aria-label="Camps put away">
            {away.map((camp) => (
              <CampLine key={camp.id} camp={camp} onChange={(next) => attempt(change(next))}>
                <Button onClick={() => attempt(change({ ...camp, away: false }))}>Bring back</Button>
                <Button onClick={() => setDoomed(camp)}>Delete</Button>
              </CampLine>
            ))}
          </chakra.ul>
        </Box>
      )}
      <Dialog.Root role="alertdialog" open={doomed !== null} onOpenChange={(e) => !e.open && setDoomed(null)}>
        <Portal>
          <Dialog.Backdrop />
          <Dialog.Positioner>
            <Dialog.Content>
              <Dialog.Title>Delete {doomed?.name}?</Dialog.Title>
              <p>Its kit, ground and rigs go with it, and cannot be brought back. Its file, saved first, can.</p>
              <Buttons>
                <Button onClick={() => setDoomed(null)}>Keep it</Button>
                {doomed !== null && (
                  <Button asChild>
                    <a href={fileOf(doomed.id)} download={`${fileName(doomed.name)}.camp.zip`}>
                      Save its file
                    </a>
                  </Button>
                )}
                <Button
                  color="danger"
                  borderColor="danger"
                  onClick={() => {
                    attempt(remove(doomed!.id));
                    setDoomed(null);
                  }}
                >
                  Delete it
                </Button>
              </Buttons>
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
    </Page>
  );
}

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');

/** One camp: opened by its name, named anew in place. */
function CampLine({
  camp,
  onChange,
  children,
}: {
  readonly camp: CampSummary;
  readonly onChange: (camp: CampSummary) => void;
  readonly children: ReactElement[];
}): ReactElement {
  const [naming, setNaming] = useState(false);
  return (
    <Grid
      as="li"
      gridTemplateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) auto' }}
      gap="4px 20px"
      alignItems="center"
      padding="10px 0"
      borderBottom="1px solid"
      borderColor="hairline"
    >
      {naming ? (
        <div>
          <TextField
            label="Name"
            value={camp.name}
            max={80}
            onCommit={(name) => {
              onChange({ ...camp, name });
              setNaming(false);
            }}
          />
          <TextField
            label="About"
            value={camp.about}
            max={400}
            empty
            onCommit={(about) => onChange({ ...camp, about })}
          />
        </div>
      ) : (
        <div>
          <ChakraLink asChild textStyle="name" display="inline-block" padding="8px 0 4px">
            <Link to={`/camps/${camp.id}`}>{camp.name}</Link>
          </ChakraLink>
          <Text color="ink2">{camp.about}</Text>
        </div>
      )}
      <Flex wrap="wrap" gap="8px" role="group" aria-label={camp.name}>
        <Button aria-pressed={naming} onClick={() => setNaming(!naming)}>
          Rename
        </Button>
        {children}
      </Flex>
    </Grid>
  );
}
