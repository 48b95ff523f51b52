import { Button, chakra, Grid, IconButton } from '@chakra-ui/react';
import type { Problem } from '@rough-bight/core/document';
import { tellProblem } from '@rough-bight/core/document';
import { Plus, Trash2 } from 'lucide-react';
import type { ReactElement, ReactNode } from 'react';
import { useUnits } from '../../parts/units.js';

/** What a list of the kit can do with its things. */
export interface KitListProps<T extends { readonly id: string }> {
  readonly onAdd: (thing: Omit<T, 'id'>) => void;
  readonly onChange: (thing: T) => void;
  readonly onRemove: (id: string) => void;
}

/** Takes a thing whose fields fit together; says why, in the reader's units, where they do not. */
export function useFitting<T>(problems: (thing: T) => readonly Problem[], onChange: (thing: T) => void) {
  const units = useUnits();
  return (next: T): string | null => {
    const problem = problems(next)[0];
    if (problem !== undefined) return tellProblem(problem, units);
    onChange(next);
    return null;
  };
}

/** One list of the kit: its things as rows of fields, each to be taken out, and a button for one more. */
export function KitList<T extends { readonly id: string; readonly name: string }>({
  title,
  empty,
  things,
  columns,
  add,
  fresh,
  onAdd,
  onRemove,
  children,
}: {
  readonly title: string;
  /** What to do where there is none. */
  readonly empty: string;
  readonly things: readonly T[];
  /** Widths of a row's fields at a desk. */
  readonly columns: string;
  /** What one more is called on its button, and what it begins as. */
  readonly add: string;
  readonly fresh: Omit<T, 'id'>;
  readonly children: (thing: T) => ReactNode;
} & Pick<KitListProps<T>, 'onAdd' | 'onRemove'>): ReactElement {
  return (
    <>
      <chakra.h2 marginBottom="6px" marginTop="26px">
        {title}
      </chakra.h2>
      {things.length === 0 && <p>{empty}</p>}
      <chakra.ul aria-label={title} borderTop="1.5px solid" borderColor="ink" marginBottom="16px">
        {things.map((thing) => (
          <Grid
            as="li"
            key={thing.id}
            position="relative"
            gridTemplateColumns={{ base: '1fr 1fr', lg: columns }}
            gap="0 16px"
            padding="8px 60px 8px 0"
            borderBottom="1px solid"
            borderColor="hairline"
            alignItems="start"
          >
            {children(thing)}
            <IconButton
              variant="ghost"
              position="absolute"
              right={0}
              top="24px"
              aria-label={`Take ${thing.name} out of the kit`}
              onClick={() => onRemove(thing.id)}
            >
              <Trash2 size={18} />
            </IconButton>
          </Grid>
        ))}
      </chakra.ul>
      <Button onClick={() => onAdd(fresh)}>
        <Plus size={16} aria-hidden="true" /> {add}
      </Button>
    </>
  );
}
