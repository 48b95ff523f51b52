import { Button, Dialog, IconButton, Portal } from '@chakra-ui/react';
import { Table2, X } from 'lucide-react';
import { Suspense, lazy } from 'react';
import type { ReactElement } from 'react';
import type { Column } from './data-table.js';
import { PanelHead } from './layout.js';
import { Loading } from './states.js';

const DataTable = lazy(async () => ({ default: (await import('./data-table.js')).DataTable })) as unknown as (
  props: Parameters<typeof import('./data-table.js').DataTable>[0],
) => ReactElement;

/** A list as a table of its own, as wide as the window lets it be. */
export function TableDialog<T>(props: {
  readonly name: string;
  readonly rows: readonly T[];
  readonly columns: readonly Column<T>[];
  readonly rowId: (row: T) => string;
}): ReactElement {
  return (
    <Dialog.Root size="lg" lazyMount unmountOnExit>
      <Dialog.Trigger asChild>
        <Button size="sm">
          <Table2 size={16} aria-hidden="true" /> As a table
        </Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <PanelHead>
              <Dialog.Title>{props.name}</Dialog.Title>
              <Dialog.CloseTrigger asChild>
                <IconButton variant="ghost" aria-label="Close the table">
                  <X size={20} />
                </IconButton>
              </Dialog.CloseTrigger>
            </PanelHead>
            <Suspense fallback={<Loading what="the table" />}>
              <DataTable {...(props as Parameters<typeof DataTable>[0])} />
            </Suspense>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
