import {
  Accordion,
  Box,
  Button,
  chakra,
  Flex,
  Grid,
  IconButton,
  Link as ChakraLink,
  Span,
  Text,
  VisuallyHidden,
} from '@chakra-ui/react';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { problemsInKit } from '@rough-bight/core/rig';
import type { Kit, KitList } from '@rough-bight/core/rig';
import { ChevronRight, Plus, Trash2, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { StoredRig } from '../../data/types.js';
import { useDocumentForm } from '../../parts/document-form.js';
import { FormRest } from '../../parts/form-fields.js';
import { useUnits } from '../../parts/units.js';
import { KIT_KINDS, lifeOf } from './kinds.js';
import type { KitKind } from './kinds.js';

/** What can be done with a list of the kit. */
export interface ListActions<L extends KitList> {
  readonly onAdd: (thing: Omit<Kit[L][number], 'id'>) => void;
  readonly onChange: (thing: Kit[L][number]) => void;
  readonly onRemove: (thing: Kit[L][number]) => void;
}

interface Props<L extends KitList> extends ListActions<L> {
  readonly list: L;
  readonly things: Kit[L];
  readonly body: BodyMeasures;
  /** Rigs that use it. */
  readonly usersOf: (id: string) => readonly StoredRig[];
  /** Id of the one that is open. */
  readonly open: string | null;
  readonly onOpen: (id: string | null) => void;
}

/** One list of the kit: its things beside each other to one scale; one that is touched opens in its place. */
export function Things<L extends KitList>({
  list,
  things,
  body,
  usersOf,
  open,
  onOpen,
  onAdd,
  onChange,
  onRemove,
}: Props<L>): ReactElement {
  const units = useUnits();
  const kind = KIT_KINDS[list] as KitKind<L>;
  const sorted = [...(things as readonly Kit[L][number][])].sort(kind.order);
  return (
    <Accordion.Item value={list}>
      <Flex
        align="center"
        wrap="wrap"
        gap="2px 18px"
        borderBottom="1.5px solid"
        borderColor="ink"
        paddingBottom="5px"
        marginBottom="4px"
      >
        <h2>
          <Accordion.ItemTrigger>
            <Accordion.ItemIndicator asChild>
              <ChevronRight size={17} aria-hidden="true" />
            </Accordion.ItemIndicator>
            {kind.title}
          </Accordion.ItemTrigger>
        </h2>
        {things.length > 0 && (
          <>
            <Text as="span" color="ink2">
              {kind.total(things, units)}
            </Text>
            <Flex wrap="wrap" gap="2px 16px">
              {kind.scales}
            </Flex>
          </>
        )}
        <Button marginStart="auto" onClick={() => onAdd(kind.fresh)}>
          <Plus size={16} aria-hidden="true" /> {kind.add}
        </Button>
      </Flex>
      <Accordion.ItemContent>
        {things.length === 0 && <p>{kind.empty}</p>}
        <Grid
          as="ul"
          aria-label={kind.title}
          gridTemplateColumns={{ base: 'repeat(2, minmax(0, 1fr))', lg: 'repeat(auto-fill, minmax(172px, 1fr))' }}
          gridAutoFlow="row dense"
          gap="2px 10px"
          marginBottom="8px"
        >
          {sorted.map((thing) => (
            <Thing
              key={thing.id}
              list={list}
              kind={kind}
              thing={thing}
              users={usersOf(thing.id)}
              open={open === thing.id}
              body={body}
              onOpen={() => onOpen(open === thing.id ? null : thing.id)}
              onChange={onChange}
              onRemove={() => onRemove(thing)}
            />
          ))}
        </Grid>
      </Accordion.ItemContent>
    </Accordion.Item>
  );
}

interface One<L extends KitList> {
  readonly list: L;
  readonly kind: KitKind<L>;
  readonly thing: Kit[L][number];
  /** Rigs that use it. */
  readonly users: readonly StoredRig[];
  readonly body: BodyMeasures;
  readonly onChange: (thing: Kit[L][number]) => void;
  readonly onRemove: () => void;
}

/** A thing as it looks, and what of it is asked for once it is touched. */
function Thing<L extends KitList>({
  list,
  kind,
  thing,
  users,
  open,
  body,
  onOpen,
  onChange,
  onRemove,
}: One<L> & { readonly open: boolean; readonly onOpen: () => void }): ReactElement {
  const units = useUnits();
  const button = useRef<HTMLButtonElement>(null);
  const life = lifeOf(thing);
  const close = (): void => {
    onOpen();
    button.current?.focus();
  };
  return (
    <>
      <li>
        <Button
          ref={button}
          unstyled
          display="flex"
          flexDirection="column"
          alignItems="flex-start"
          width="100%"
          height="100%"
          textAlign="left"
          padding="8px 6px 10px"
          cursor="pointer"
          bg={open ? 'cloth2' : undefined}
          _hover={{ bg: 'cloth2' }}
          aria-expanded={open}
          onClick={onOpen}
        >
          <Flex
            align="flex-end"
            wrap="wrap"
            gap="4px 14px"
            minHeight="96px"
            flex="1"
            paddingBottom="8px"
            overflow="hidden"
          >
            {kind.drawn(thing)}
          </Flex>
          <Span fontFamily="heading" fontWeight={700} lineHeight={1.2}>
            {thing.name}
          </Span>
          <Span fontSize="14px" lineHeight={1.3}>
            {kind.told(thing, units)}
          </Span>
          <Span textStyle="quiet">
            {[
              ...(life === null ? [] : [life]),
              users.length === 0 ? 'spare' : `on ${users.length} ${users.length === 1 ? 'rig' : 'rigs'}`,
            ].join(' · ')}
          </Span>
        </Button>
      </li>
      {open && (
        <Opened
          list={list}
          kind={kind}
          thing={thing}
          users={users}
          body={body}
          onClose={close}
          onChange={onChange}
          onRemove={onRemove}
        />
      )}
    </>
  );
}

/** The few fields of one thing, what uses it, and what takes it out. */
function Opened<L extends KitList>({
  list,
  kind,
  thing,
  users,
  body,
  onClose,
  onChange,
  onRemove,
}: One<L> & { readonly onClose: () => void }): ReactElement {
  const of = useDocumentForm(thing, (whole) => problemsInKit(list, whole), onChange);
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => {
    panel.current?.focus();
    panel.current?.scrollIntoView?.({ block: 'nearest' });
  }, []);
  return (
    <chakra.li gridColumn="1 / -1" marginBottom="8px">
      <Box
        ref={panel}
        tabIndex={-1}
        role="group"
        aria-label={thing.name}
        bg="cloth2"
        borderTop="3px solid"
        borderColor="act"
        padding={{ base: '8px 10px 12px', lg: '10px 16px 14px' }}
        _focus={{ outline: 'none' }}
        // names of things in full
        css={{ '& :has(> * > select), & :has(> input[maxlength])': { flexBasis: '228px' } }}
        onKeyDown={(e) => e.key === 'Escape' && !e.defaultPrevented && onClose()}
      >
        {kind.fields(of, thing, body)}
        <FormRest of={of} />
        <Flex wrap="wrap" align="center" gap="4px 16px" marginTop="6px">
          <Box flex="1 1 260px">
            {users.length === 0
              ? 'No rig uses it.'
              : users.map((rig, i) => (
                  <Span key={rig.id}>
                    {i === 0 ? 'On ' : ', '}
                    <ChakraLink asChild>
                      <Link to={`/rigs/${rig.id}`}>{rig.name}</Link>
                    </ChakraLink>
                  </Span>
                ))}
          </Box>
          <Button onClick={onRemove}>
            <Trash2 size={16} aria-hidden="true" />
            <span>
              Take<VisuallyHidden> {thing.name}</VisuallyHidden> out<VisuallyHidden> of the kit</VisuallyHidden>
            </span>
          </Button>
          <IconButton variant="ghost" aria-label={`Close ${thing.name}`} onClick={onClose}>
            <X size={18} />
          </IconButton>
        </Flex>
      </Box>
    </chakra.li>
  );
}
