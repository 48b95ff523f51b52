import { Box, Flex, Grid, chakra } from '@chakra-ui/react';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { memo, useCallback, useEffect, useRef, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { useShell } from '../app/shell-context.js';
import type { DocumentStore, Draft, Snapshot } from '../data/document-store.js';
import type { Camp } from '../data/types.js';
import { SaveTrouble } from '../parts/conflict.js';
import { InTurn, MovingContext } from '../parts/in-turn.js';
import { Tape } from '../parts/tape.js';
import type { TapeMark } from '../parts/tape.js';
import { UnitsContext, WorkingContext } from '../parts/units.js';
import { WorkingPanel } from '../parts/working.js';

/** The steps down the left edge. */
interface Steps {
  readonly label: string;
  readonly marks: readonly TapeMark[];
  readonly words: Readonly<Record<NonNullable<TapeMark['state']>, string>>;
}

interface Props<D> {
  readonly store: DocumentStore<D>;
  readonly snapshot: Snapshot<D>;
  readonly camp: Camp;
  readonly units: UnitChoice;
  readonly steps: Steps;
  /** What stands in the middle and at the side, as read aloud. */
  readonly names: readonly [middle: string, side: string];
  readonly scene: ReactNode;
  /** The row of the step's own numbers, and whatever else of it is opened. */
  readonly under: ReactNode;
  /** What is opened beside the thing that is chosen. */
  readonly beside?: ReactNode;
  readonly side: ReactNode;
  /** Whether the side says what is wrong with what is worked on. */
  readonly wrong?: boolean;
  /** Keeps a draft that clashes as a document of its own; its address. */
  readonly copy: (draft: Draft<D>) => Promise<string>;
}

const Steps = memo(Tape);

/** Height of the scene on a phone: the upper half stays while the rest is read. */
const UPPER = '44dvh';

/** What a view comes to, said first: at the top of the side, and on a phone always in sight under the scene. */
export const VerdictBox = chakra('section', {
  base: {
    order: { base: 2, lg: 0 },
    position: { base: 'sticky', lg: 'static' },
    top: UPPER,
    zIndex: { base: 2, lg: 'auto' },
    bg: 'cloth',
    padding: { base: '8px 14px', lg: '14px 16px 12px' },
    borderBlock: '1.5px solid',
    borderTop: { lg: 0 },
    borderColor: 'ink',
    '& h1': { textStyle: 'verdict', textWrap: 'balance' },
    '& > p': {
      marginTop: { base: '2px', lg: '6px' },
      fontSize: { base: '14px', lg: 'inherit' },
      // on a phone the first of it, so that the scene and one's own numbers keep their room
      lineClamp: { base: 2, lg: 'none' },
    },
    '& > p:not(:first-of-type)': { display: { base: 'none', lg: 'block' } },
    '&[data-whole] > p': { display: 'block', lineClamp: 'none' },
  },
});

/**
 * Where a document is worked on. At a lg: its steps, the scene with a row of numbers under it, and what it comes to at the
 * side. On a phone the scene keeps the upper half, the verdict stays under it, and the rest is scrolled beneath them.
 */
export function Workbench<D>(props: Props<D>): ReactElement {
  const { store, snapshot, camp, units, names } = props;
  const [figure, setFigure] = useState<Figure | null>(null);
  /** What opened the working, by its name: what shows it is drawn anew when it closes. */
  const opener = useRef<string | null>(null);
  const open = useCallback((next: Figure) => {
    opener.current = document.activeElement?.getAttribute('aria-label') ?? null;
    setFigure(next);
  }, []);
  const close = (): void => {
    setFigure(null);
    const name = opener.current;
    if (name === null) return;
    // the keyboard goes on from the number whose working was read
    requestAnimationFrame(() =>
      document.querySelector<HTMLElement>(`button[aria-label="${CSS.escape(name)}"]`)?.focus({ preventScroll: true }),
    );
  };
  const { name } = snapshot.draft;
  useShell({
    crumbs: [{ name: camp.name, to: `/camps/${camp.id}` }, { name }],
    save: snapshot.save,
    undo: snapshot.canUndo ? () => store.undo() : null,
    redo: snapshot.canRedo ? () => store.redo() : null,
  });
  useEffect(() => {
    document.title = `${name}, Rough Bight`;
  }, [name]);
  return (
    <MovingContext.Provider value={snapshot.moving}>
      <UnitsContext.Provider value={units}>
        <WorkingContext.Provider value={open}>
          <Grid
            flex={1}
            minHeight={0}
            display={{ base: 'flex', lg: 'grid' }}
            flexDirection="column"
            gridTemplateColumns={{ lg: '104px minmax(0, 1fr) 284px', '2xl': '124px minmax(0, 1fr) 348px' }}
            gridTemplateRows={{ lg: 'minmax(0, 1fr)' }}
            overflowY={{ base: 'auto', lg: 'hidden' }}
            paddingBottom={{ base: '76px', lg: 0 }}
            // what is gone to by key or link does not come to lie under what stays
            scrollPaddingTop={{ base: `calc(${UPPER} + 110px)`, lg: 0 }}
            scrollPaddingBottom={{ base: '80px', lg: 0 }}
          >
            <InTurn>
              <Steps {...props.steps} />
            </InTurn>
            <Flex
              as="main"
              aria-label={names[0]}
              direction="column"
              position="relative"
              minWidth={0}
              minHeight={0}
              display={{ base: 'contents', lg: 'flex' }}
            >
              <Flex
                order={{ base: 1, lg: 0 }}
                flex={{ base: 'none', lg: 1 }}
                height={{ base: UPPER, lg: 'auto' }}
                minHeight={0}
                position={{ base: 'sticky', lg: 'static' }}
                top={0}
                zIndex={{ base: 2, lg: 'auto' }}
                bg="cloth"
              >
                {props.scene}
              </Flex>
              <Box order={3} display={{ lg: 'contents' }}>
                <InTurn>{props.under}</InTurn>
              </Box>
              {props.beside !== undefined && props.beside !== false && (
                <Box
                  order={3}
                  position={{ lg: 'absolute' }}
                  top="10px"
                  right="10px"
                  width={{ lg: '330px' }}
                  maxHeight={{ lg: 'calc(100% - 90px)' }}
                  overflowY="auto"
                  zIndex={2}
                  bg="cloth"
                  border="1.5px solid"
                  borderColor="ink"
                  borderInline={{ base: 0, lg: '1.5px solid' }}
                  padding="8px 14px 12px"
                >
                  <InTurn>{props.beside}</InTurn>
                </Box>
              )}
            </Flex>
            <Flex
              as="aside"
              aria-label={names[1]}
              direction="column"
              minHeight={0}
              display={{ base: 'contents', lg: 'flex' }}
              overflowY="auto"
              borderLeft="1.5px solid"
              borderColor="ink"
              // on a phone all but the verdict comes after one's own numbers
              css={{ '& > :not([aria-label=Verdict])': { order: { base: 4, lg: 0 } } }}
            >
              <SaveTrouble store={store} save={snapshot.save} copy={props.copy} told={props.wrong ?? false} />
              {figure !== null ? <WorkingPanel figure={figure} onClose={close} /> : <InTurn>{props.side}</InTurn>}
            </Flex>
          </Grid>
        </WorkingContext.Provider>
      </UnitsContext.Provider>
    </MovingContext.Provider>
  );
}
