import { Box, Button } from '@chakra-ui/react';
import { Component, Suspense, lazy, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { Loading } from '../../parts/states.js';
import type { DepthProps } from './depth-canvas.js';
import { usePalette } from '../palette.js';

const DepthCanvas = lazy(() => import('./depth-canvas.js'));

/** Whether this browser can draw in depth at all. */
export function canDrawDepth(): boolean {
  try {
    const context = document.createElement('canvas').getContext('webgl2');
    context?.getExtension('WEBGL_lose_context')?.loseContext();
    return context !== null;
  } catch {
    return false;
  }
}

/** The rig in depth, or plain words and a way on where it cannot be drawn. */
export function DepthScene({
  onFlat,
  ...props
}: Omit<DepthProps, 'palette'> & { readonly onFlat: () => void }): ReactElement {
  const [can] = useState(canDrawDepth);
  const palette = usePalette();
  if (!can) return <NoDepth onFlat={onFlat} />;
  return (
    <Guard fallback={<NoDepth onFlat={onFlat} />}>
      <Suspense fallback={<Loading what="the view in depth" />}>
        <DepthCanvas {...props} palette={palette} />
      </Suspense>
    </Guard>
  );
}

function NoDepth({ onFlat }: { readonly onFlat: () => void }): ReactElement {
  return (
    <Box margin="auto" maxWidth="440px" padding="24px" role="status">
      <h2>No view in depth here</h2>
      <p>
        This browser does not draw in depth (WebGL is off or missing). Nothing is lost: the same rig is drawn from the
        side and from above, with every handle.
      </p>
      <Button variant="solid" onClick={onFlat}>
        See it from the side
      </Button>
    </Box>
  );
}

class Guard extends Component<
  { readonly fallback: ReactNode; readonly children: ReactNode },
  { readonly failed: boolean }
> {
  override state = { failed: false };
  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }
  override render(): ReactNode {
    return this.state.failed ? this.props.fallback : this.props.children;
  }
}
