import { Button, Flex, Group } from '@chakra-ui/react';
import type { ReactElement, ReactNode } from 'react';
import { DepthScene } from './depth/depth-scene.js';
import { FlatScene } from './flat/flat-scene.js';
import type { SceneProps } from './flat/flat-scene.js';

export const RIG_VIEWS = { side: 'from the side', above: 'from above', depth: 'in depth' } as const;
export type RigView = keyof typeof RIG_VIEWS;

/** Where the scene is, with the choice of its view: it stands still while the scene in it follows the hand. */
export function SceneFrame({
  children,
  ...choice
}: {
  readonly view: RigView;
  readonly onView: (view: RigView) => void;
  readonly children: ReactNode;
}): ReactElement {
  return (
    <Flex position="relative" flex={1} minHeight={0} minWidth={0}>
      {children}
      <ViewChoice {...choice} />
    </Flex>
  );
}

interface Props extends Omit<SceneProps, 'view'> {
  readonly view: RigView;
  readonly onView: (view: RigView) => void;
}

/** One scene seen three ways: from the side, from above, in depth. */
export function RigScene({ view, onView, ...props }: Props): ReactElement {
  const { report } = props;
  return view === 'depth' && report !== null ? (
    <DepthScene {...props} report={report} onFlat={() => onView('side')} />
  ) : (
    <FlatScene {...props} view={view === 'depth' ? 'side' : view} />
  );
}

/** From which side it is seen. */
function ViewChoice({ view, onView }: Pick<Props, 'view' | 'onView'>): ReactElement {
  return (
    <Group
      attached
      position="absolute"
      zIndex={1}
      top="10px"
      right="12px"
      bg="cloth"
      border="1.5px solid"
      borderColor="ink"
      role="group"
      aria-label="View"
    >
      {(Object.keys(RIG_VIEWS) as RigView[]).map((v) => (
        <Button
          key={v}
          variant="ghost"
          paddingInline="14px"
          aria-pressed={v === view}
          _pressed={{ bg: 'ink', color: 'cloth' }}
          onClick={() => onView(v)}
        >
          {RIG_VIEWS[v]}
        </Button>
      ))}
    </Group>
  );
}
