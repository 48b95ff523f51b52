import { Box, Button, Flex, Menu, Portal, Table } from '@chakra-ui/react';
import {
  columnVisibilityFeature,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import type { ColumnDef } from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Check, Columns3, Copy } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { ReactElement, ReactNode } from 'react';

const features = tableFeatures({
  rowSortingFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic },
});

/** One column: what a row has in it as a plain value, which it is sorted by and goes out as, and how that is shown. */
export interface Column<T> {
  readonly id: string;
  readonly name: string;
  /** Of the value as it goes out: "N". */
  readonly unit?: string;
  readonly value: (row: T) => string | number | null;
  readonly cell?: (row: T) => ReactNode;
  /** Names the row. */
  readonly head?: true;
  /** Said in another column's cells: it has none of its own, and goes out all the same. */
  readonly folded?: true;
}

/** More columns than this want a width each, scroll where there is none, and can be hidden. */
const FEW = 2;

/** Rows that are sorted by a touch on a heading, whose columns can be hidden, and which go out as CSV. */
export function DataTable<T>({
  name,
  rows,
  columns,
  rowId,
}: {
  readonly name: string;
  readonly rows: readonly T[];
  readonly columns: readonly Column<T>[];
  readonly rowId: (row: T) => string;
}): ReactElement {
  const own = useMemo(() => columns.filter((c) => c.folded !== true), [columns]);
  const defs = useMemo<ColumnDef<typeof features, T & object>[]>(
    () =>
      own.map((c) => ({
        id: c.id,
        accessorFn: (row) => c.value(row),
        sortFn: 'basic',
        sortUndefined: 'last',
        enableHiding: c.head !== true,
      })),
    [own],
  );
  const table = useTable({
    features,
    data: rows as (T & object)[],
    columns: defs,
    getRowId: (row) => rowId(row),
    sortDescFirst: false,
  });
  const of = (id: string): Column<T> => columns.find((c) => c.id === id)!;
  const hidden = table.getAllLeafColumns().filter((c) => !c.getIsVisible()).length;
  return (
    <Box>
      <Flex justify="flex-end" gap="4px" marginBottom="2px">
        {own.length > FEW && (
          <Menu.Root closeOnSelect={false}>
            <Menu.Trigger asChild>
              <Button
                variant="ghost"
                size="sm"
                aria-label={`Columns${hidden > 0 ? `, ${hidden} hidden` : ''}: ${name}`}
              >
                <Columns3 size={16} aria-hidden="true" /> Columns{hidden > 0 && `, ${hidden} hidden`}
              </Button>
            </Menu.Trigger>
            <Portal>
              <Menu.Positioner>
                <Menu.Content>
                  {table
                    .getAllLeafColumns()
                    .filter((c) => c.getCanHide())
                    .map((c) => (
                      <Menu.CheckboxItem
                        key={c.id}
                        value={c.id}
                        checked={c.getIsVisible()}
                        onCheckedChange={(shown) => c.toggleVisibility(shown)}
                      >
                        {of(c.id).name}
                        <Menu.ItemIndicator>
                          <Check size={16} />
                        </Menu.ItemIndicator>
                      </Menu.CheckboxItem>
                    ))}
                </Menu.Content>
              </Menu.Positioner>
            </Portal>
          </Menu.Root>
        )}
        <CopyCsv
          name={name}
          csv={() => {
            const visible = new Set(table.getVisibleLeafColumns().map((c) => c.id));
            const shown = columns.filter((c) => c.folded === true || visible.has(c.id));
            return [
              shown.map((c) => (c.unit === undefined ? c.name : `${c.name}, ${c.unit}`)),
              ...table.getRowModel().rows.map((r) => shown.map((c) => c.value(r.original))),
            ];
          }}
        />
      </Flex>
      <Box overflowX="auto">
        <Table.Root
          aria-label={name}
          css={
            own.length > FEW
              ? {
                  '& [scope=row]': { minWidth: '150px' },
                  '& td:last-child': { whiteSpace: 'normal', minWidth: '180px' },
                }
              : { '& td': { whiteSpace: 'normal' } }
          }
        >
          <Table.Header>
            {table.getHeaderGroups().map((group) => (
              <Table.Row key={group.id}>
                {group.headers.map((h) => {
                  const sorted = h.column.getIsSorted();
                  return (
                    <Table.ColumnHeader
                      key={h.id}
                      scope="col"
                      aria-sort={sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'}
                    >
                      <Button
                        unstyled
                        display="inline-flex"
                        alignItems="center"
                        gap="4px"
                        minHeight="32px"
                        cursor="pointer"
                        fontWeight={sorted === false ? undefined : 700}
                        _hover={{ textDecoration: 'underline' }}
                        onClick={h.column.getToggleSortingHandler()}
                      >
                        {of(h.column.id).name}
                        {sorted === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
                        {sorted === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
                      </Button>
                    </Table.ColumnHeader>
                  );
                })}
              </Table.Row>
            ))}
          </Table.Header>
          <Table.Body>
            {table.getRowModel().rows.map((row) => (
              <Table.Row key={row.id}>
                {row.getVisibleCells().map((cell) => {
                  const column = of(cell.column.id);
                  const shown = column.cell?.(row.original) ?? column.value(row.original) ?? '–';
                  return column.head === true ? (
                    <Table.ColumnHeader key={cell.id} scope="row">
                      {shown}
                    </Table.ColumnHeader>
                  ) : (
                    <Table.Cell key={cell.id}>{shown}</Table.Cell>
                  );
                })}
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Box>
    </Box>
  );
}

/** Puts rows on the clipboard as CSV, and says so. */
function CopyCsv({
  name,
  csv,
}: {
  readonly name: string;
  readonly csv: () => readonly (readonly unknown[])[];
}): ReactElement {
  const [said, setSaid] = useState<'' | 'Copied' | 'Not copied'>('');
  const copy = async (): Promise<void> => {
    const { unparse } = (await import('papaparse')).default;
    try {
      await navigator.clipboard.writeText(unparse(csv() as unknown[][]));
      setSaid('Copied');
    } catch {
      setSaid('Not copied');
    }
    setTimeout(() => setSaid(''), 2500);
  };
  return (
    <Button
      variant="ghost"
      size="sm"
      aria-label={`${said === '' ? 'Copy as CSV' : said}: ${name}`}
      onClick={() => void copy()}
    >
      <Copy size={16} aria-hidden="true" /> <span role="status">{said === '' ? 'Copy as CSV' : said}</span>
    </Button>
  );
}
