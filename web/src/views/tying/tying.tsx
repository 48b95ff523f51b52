import { Box, Grid, Text, chakra } from '@chakra-ui/react';
import { KNOT_GROUPS, drawnAt, momentOf, stepsOf } from '@rough-bight/core/knot';
import type { Knot } from '@rough-bight/core/knot';
import { capital } from '@rough-bight/core/quantity';
import { useEffect, useMemo } from 'react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useShell } from '../../app/shell-context.js';
import { Page } from '../../parts/layout.js';
import { RopeSketch } from '../../parts/rope-sketch.js';
import { useTied } from '../../workers/use-tied.js';
import { useHand } from './hand.js';

const SIZE = [300, 210] as const;

/** How everything is tied: each knot drawn up, a touch away from its steps. */
export default function TyingView(): ReactElement {
  useEffect(() => {
    document.title = 'Tying, Rough Bight';
  }, []);
  useShell({ crumbs: [{ name: 'Tying' }] });
  return (
    <Page>
      <h1>Tying</h1>
      <Text textStyle="lead" marginBottom="8px">
        The same hand, the same way round, every time.
      </Text>
      {KNOT_GROUPS.map(({ name, knots }) => (
        <Box
          as="section"
          key={name}
          aria-label={name}
          borderTop="1.5px solid"
          borderColor="ink"
          paddingTop="8px"
          marginTop="14px"
        >
          <h2>{name}</h2>
          <Grid as="ul" templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="10px" marginTop="6px">
            {knots.map((knot) => (
              <chakra.li key={knot.id}>
                <Small knot={knot} />
              </chakra.li>
            ))}
          </Grid>
        </Box>
      ))}
    </Page>
  );
}

const Tile = chakra(Link, {
  base: {
    display: 'block',
    color: 'ink',
    textDecoration: 'none',
    padding: '6px',
    minHeight: '44px',
    borderBottom: '1px solid',
    borderColor: 'hairline',
    _hover: { background: 'cloth2' },
    _focusVisible: { outline: '3px solid', outlineColor: 'act' },
  },
});

function Small({ knot }: { readonly knot: Knot }): ReactElement {
  const tied = useTied(knot.id);
  const [hand] = useHand();
  const picture = useMemo(
    () =>
      tied === null
        ? null
        : drawnAt(tied, momentOf(tied, stepsOf(tied)), { turn: 0.2, tip: 0.12, left: hand === 'left' }, SIZE),
    [tied, hand],
  );
  return (
    <Tile to={`/tying/${knot.id}`}>
      <Box aspectRatio={SIZE[0] / SIZE[1]}>{picture !== null && <RopeSketch picture={picture} />}</Box>
      <Text fontWeight={700}>{capital(knot.name)}</Text>
    </Tile>
  );
}
