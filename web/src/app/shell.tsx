import { Button, Flex, HStack, Link as ChakraLink, Span, Status, Text, VisuallyHidden, chakra } from '@chakra-ui/react';
import { FORCE_UNITS, LENGTH_UNITS } from '@rough-bight/core/quantity';
import { Menu as MenuSign, Moon, Redo2, Search, Sun, Undo2 } from 'lucide-react';
import { Suspense, lazy, useEffect, useState, useSyncExternalStore } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import type { SaveState } from '../data/document-store.js';
import { useMe } from '../data/me.js';
import { BightMark } from '../parts/marks.js';
import { ShellContext } from './shell-context.js';
import type { ShellContent } from './shell-context.js';
import { currentTheme, setTheme } from './theme/index.js';
import { Refused, Waiting } from './waiting.js';

// what is opened by a touch; fetched when the first view stands, so that it is there when it is asked for
const fetchFind = () => import('./find.js');
const FindDialog = lazy(fetchFind);
const ShellMenu = lazy(() => import('./shell-menu.js'));
const GoneToast = lazy(() => import('./gone-toast.js'));

const SAVE_WORDS: Readonly<Record<SaveState['kind'], string>> = {
  saved: 'saved',
  saving: 'saving…',
  waiting: 'not saved yet',
  refused: 'not saved',
  conflict: 'changed elsewhere',
};
/** What is not on the server is seen at once. */
const UNSAVED: readonly SaveState['kind'][] = ['waiting', 'refused', 'conflict'];

/** A sign or word of the bar. */
const BAR = { variant: 'ghost', color: 'ink', fontSize: '13px', paddingInline: '7px', gap: '6px' } as const;
const BarButton = chakra(Button, {}, { defaultProps: BAR });

const NARROW = matchMedia('(max-width: 900px)');
const watchNarrow = (changed: () => void): (() => void) => {
  NARROW.addEventListener('change', changed);
  return () => NARROW.removeEventListener('change', changed);
};
/** Whether the bar has no room for all that is in it. */
const useNarrow = (): boolean => useSyncExternalStore(watchNarrow, () => NARROW.matches);

/** The bar at the top, and the view beneath it. */
export function Shell(): ReactElement {
  const [content, setContent] = useState<ShellContent>({ crumbs: [] });
  const [theme, setShown] = useState(currentTheme());
  const { data: me, people = [], change } = useMe();
  const [finding, setFinding] = useState(false);
  const [asked, setAsked] = useState(false);
  const narrow = useNarrow();
  const find = (): void => {
    setAsked(true);
    setFinding(true);
  };
  useEffect(() => {
    const keys = (e: KeyboardEvent): void => {
      if (!(e.ctrlKey || e.metaKey)) return;
      const typing = e.target instanceof HTMLInputElement && e.target.type !== 'radio' && e.target.type !== 'checkbox';
      const key = e.key.toLowerCase();
      if (key === 'k') {
        e.preventDefault();
        setAsked(true);
        setFinding(true);
      } else if (!typing && key === 'z') {
        e.preventDefault();
        (e.shiftKey ? content.redo : content.undo)?.();
      } else if (!typing && key === 'y') {
        e.preventDefault();
        content.redo?.();
      }
    };
    addEventListener('keydown', keys);
    return () => removeEventListener('keydown', keys);
  }, [content]);
  useEffect(() => {
    const idle = setTimeout(() => void fetchFind(), 4000);
    return () => clearTimeout(idle);
  }, []);
  const turnTheme = (): void => {
    const next = theme === 'day' ? 'ember' : 'day';
    setTheme(next);
    setShown(next);
  };
  return (
    <ShellContext.Provider value={setContent}>
      <ChakraLink
        href="#view"
        position="absolute"
        left="-999px"
        top={0}
        zIndex={9}
        padding="12px"
        bg="ink"
        color="cloth"
        _focus={{ left: 0 }}
      >
        Skip to the view
      </ChakraLink>
      <Flex
        as="header"
        align="center"
        gap={{ base: '6px', lg: '16px' }}
        height="44px"
        flex="none"
        paddingInline={{ base: '8px', lg: '14px' }}
        borderBottom="1.5px solid"
        borderColor="ink"
      >
        <ChakraLink asChild textDecoration="none" display="flex" alignItems="center" gap="10px" minHeight="44px">
          <Link to="/" aria-label="Rough Bight, to the camp">
            <BightMark />
            <Span
              display={{ base: 'none', lg: 'inline' }}
              fontFamily="heading"
              fontWeight={700}
              fontSize="20px"
              lineHeight={1}
              whiteSpace="nowrap"
            >
              Rough Bight
            </Span>
          </Link>
        </ChakraLink>
        <Flex as="nav" aria-label="Where you are" flex={1} minWidth={0} overflow="hidden" whiteSpace="nowrap">
          {content.crumbs.map((c, i) => {
            const last = i === content.crumbs.length - 1;
            return (
              <Text
                as="span"
                key={c.name}
                truncate
                flexShrink={last ? 1 : 0}
                display={{ base: last ? 'block' : 'none', lg: 'block' }}
              >
                {i > 0 && (
                  <Span color="ink2" paddingInline="9px" display={{ base: 'none', lg: 'inline' }}>
                    /
                  </Span>
                )}
                {c.to === undefined ? (
                  <b aria-current="page">{c.name}</b>
                ) : (
                  <ChakraLink asChild textDecoration="none" color="ink2" paddingBlock="12px">
                    <Link to={c.to}>{c.name}</Link>
                  </ChakraLink>
                )}
              </Text>
            );
          })}
        </Flex>
        <HStack gap="2px" fontSize="13px" color="ink2" whiteSpace="nowrap">
          <Waiting />
          {content.save !== undefined && (
            <Status.Root
              role="status"
              paddingInline={{ base: '2px', lg: '8px' }}
              {...(UNSAVED.includes(content.save.kind) ? { color: 'danger', fontWeight: 700 } : {})}
            >
              <Status.Indicator data-well={content.save.kind === 'saved'} hideBelow="lg" />
              {SAVE_WORDS[content.save.kind]}
            </Status.Root>
          )}
          {content.undo !== undefined && (
            <>
              <BarButton disabled={content.undo === null} onClick={() => content.undo?.()} aria-label="Undo, Control Z">
                <Undo2 size={17} aria-hidden="true" /> <Span hideBelow="xl">Undo</Span>
              </BarButton>
              <BarButton disabled={content.redo === null} onClick={() => content.redo?.()} aria-label="Redo, Control Y">
                <Redo2 size={17} aria-hidden="true" /> <Span hideBelow="xl">Redo</Span>
              </BarButton>
            </>
          )}
          <HStack gap={0} hideBelow="lg">
            {me !== undefined && (
              <HStack gap={0}>
                {LENGTH_UNITS.map((u) => (
                  <Unit
                    key={u}
                    unit={u}
                    on={me.units.length === u}
                    onTake={() => void change({ ...me, units: { ...me.units, length: u } })}
                  />
                ))}
                <Span width="8px" />
                {FORCE_UNITS.map((u) => (
                  <Unit
                    key={u}
                    unit={u}
                    on={me.units.force === u}
                    onTake={() => void change({ ...me, units: { ...me.units, force: u } })}
                  />
                ))}
              </HStack>
            )}
            <BarButton onClick={turnTheme} aria-label={theme === 'day' ? 'To ember, for the night' : 'To daylight'}>
              {theme === 'day' ? <Moon size={17} aria-hidden="true" /> : <Sun size={17} aria-hidden="true" />}
              <Span hideBelow="xl">{theme === 'day' ? 'Ember' : 'Daylight'}</Span>
            </BarButton>
            <BarLink to="/kit">Kit</BarLink>
            <BarLink to="/me">
              {people.length > 1 ? (
                <Span truncate maxWidth="110px">
                  <VisuallyHidden>Me, </VisuallyHidden>
                  {me?.name}
                </Span>
              ) : (
                'Me'
              )}
            </BarLink>
          </HStack>
          <BarButton onClick={find} aria-label="Find, Control K">
            <Search size={17} aria-hidden="true" /> <Span hideBelow="xl">Find</Span>
          </BarButton>
          {narrow && (
            <Suspense
              fallback={
                <BarButton aria-label="More" disabled>
                  <MenuSign size={19} />
                </BarButton>
              }
            >
              <ShellMenu theme={theme} onTheme={turnTheme} />
            </Suspense>
          )}
        </HStack>
      </Flex>
      <Refused />
      <Flex id="view" tabIndex={-1} direction="column" flex={1} minHeight={0} _focus={{ outline: 'none' }}>
        <Outlet />
      </Flex>
      {asked && (
        <Suspense fallback={null}>
          <FindDialog open={finding} onClose={() => setFinding(false)} onTheme={turnTheme} />
        </Suspense>
      )}
      {typeof content.gone === 'string' && (
        <Suspense fallback={null}>
          <GoneToast what={content.gone} onBack={() => content.undo?.()} />
        </Suspense>
      )}
    </ShellContext.Provider>
  );
}

function Unit({
  unit,
  on,
  onTake,
}: {
  readonly unit: string;
  readonly on: boolean;
  readonly onTake: () => void;
}): ReactElement {
  return (
    <BarButton
      minWidth="30px"
      paddingInline="5px"
      color="ink2"
      _pressed={{ color: 'ink', fontWeight: 700, boxShadow: 'inset 0 -3px 0 var(--rb-colors-act)' }}
      aria-pressed={on}
      onClick={onTake}
    >
      {unit}
    </BarButton>
  );
}

function BarLink({ to, children }: { readonly to: string; readonly children: ReactNode }): ReactElement {
  return (
    <BarButton asChild textDecoration="none" _currentPage={{ boxShadow: 'inset 0 -3px 0 var(--rb-colors-act)' }}>
      <NavLink to={to}>{children}</NavLink>
    </BarButton>
  );
}
