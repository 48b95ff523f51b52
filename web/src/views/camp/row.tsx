import { Flex, Grid, IconButton, Link as ChakraLink, Text } from '@chakra-ui/react';
import { Copy, Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { CSSProperties, ReactElement, ReactNode, Ref } from 'react';
import { Link } from 'react-router';
import { TextField } from '../../parts/choice.js';

/** One of a camp's lists: its sign, its name and note, what it comes to, and what can be done with it. */
export function CampRow({
  sign,
  name,
  note,
  to,
  removes,
  rowRef,
  style,
  grip,
  onRename,
  onCopy,
  onRemove,
  children,
}: {
  readonly sign: ReactNode;
  readonly name: string;
  readonly note: string;
  readonly to: string;
  /** What taking it out is called. */
  readonly removes: string;
  /** Where its place in the list is set by hand. */
  readonly rowRef?: (element: HTMLElement | null) => void;
  readonly style?: CSSProperties;
  readonly grip?: ReactNode;
  readonly onRename: (name: string, note: string) => void;
  readonly onCopy: () => void;
  readonly onRemove: () => void;
  readonly children: ReactNode;
}): ReactElement {
  const [naming, setNaming] = useState(false);
  return (
    <Grid
      as="li"
      ref={rowRef as Ref<HTMLDivElement>}
      style={style}
      gridTemplateColumns={{ base: '30px minmax(0, 1fr)', lg: '34px minmax(0, 1fr) minmax(0, 1.25fr) 168px' }}
      gap={{ base: '4px 14px', lg: '14px' }}
      alignItems="center"
      padding="10px 0"
      borderBottom="1px solid"
      borderColor="hairline"
    >
      {sign}
      <div>
        {naming ? (
          <>
            <TextField
              label="Name"
              value={name}
              max={80}
              onCommit={(next) => {
                onRename(next, note);
                setNaming(false);
              }}
            />
            <TextField label="Note" value={note} max={400} empty onCommit={(next) => onRename(name, next)} />
          </>
        ) : (
          <>
            <ChakraLink asChild textStyle="name" display="inline-block" padding="8px 0 4px">
              <Link to={to}>{name}</Link>
            </ChakraLink>
            <Text color="ink2">{note}</Text>
          </>
        )}
      </div>
      <Text as="div" gridColumn={{ base: '2', lg: 'auto' }}>
        {children}
      </Text>
      <Flex gridColumn={{ base: '2', lg: 'auto' }} justify={{ lg: 'flex-end' }}>
        {grip}
        <IconButton
          variant="ghost"
          aria-label={`Rename ${name}`}
          aria-pressed={naming}
          onClick={() => setNaming(!naming)}
        >
          <Pencil size={18} />
        </IconButton>
        <IconButton variant="ghost" aria-label={`Copy ${name}`} onClick={onCopy}>
          <Copy size={18} />
        </IconButton>
        <IconButton variant="ghost" aria-label={`${removes} ${name}`} onClick={onRemove}>
          <Trash2 size={18} />
        </IconButton>
      </Flex>
    </Grid>
  );
}
