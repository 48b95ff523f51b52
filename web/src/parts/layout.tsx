import { Alert, chakra } from '@chakra-ui/react';
import type { ReactElement } from 'react';

/** Groups of fields, beside each other where there is room. */
export const Controls = chakra('div', {
  base: {
    display: 'flex',
    flexWrap: 'wrap',
    gap: '6px 28px',
    alignItems: 'flex-start',
    '& > [data-scope=segment-group]': { flexBasis: '100%' },
  },
});

/** Fields of one thing under its name. */
export const ControlGroup = chakra('div', {
  base: { flex: '1 1 200px', minWidth: 0, '& h3': { fontSize: '15px', marginBottom: '5px' } },
  variants: { wide: { true: { flex: '2 1 320px' } } },
});

/** Fields beside each other. */
export const ControlRow = chakra('div', {
  base: {
    display: 'flex',
    flexWrap: 'wrap',
    gap: '2px 12px',
    alignItems: 'flex-start',
    '& > *': { flex: '1 1 92px', minWidth: 0 },
    // names of things in full
    '& > :has(> * > select)': { flexBasis: '140px' },
    '& > button': { flex: '0 0 auto', marginTop: '18px' },
  },
  variants: {
    /** All in one line at a desk, the first the widest. */
    one: {
      true: {
        flexWrap: { lg: 'nowrap' },
        '& > *': { flexBasis: { base: '40%', lg: '0' } },
        '& > :first-child': { flexBasis: { base: '100%', lg: '0' }, flexGrow: 1.7 },
      },
    },
  },
});

/** What can be done, beside each other. */
export const Buttons = chakra('div', {
  base: { display: 'flex', flexWrap: 'wrap', gap: '8px', marginTop: '10px', alignItems: 'center' },
});

/** Said where someone can be hurt. */
export const Caution = (props: Alert.RootProps): ReactElement => <Alert.Root status="warning" {...props} />;

/** Why something cannot be. */
export const Problem = (props: Alert.RootProps): ReactElement => <Alert.Root status="error" {...props} />;

/** What to beware of, at the foot of a side. */
export const Notes = chakra('section', {
  base: {
    order: { base: 5, lg: 'initial' },
    textStyle: 'quiet',
    borderTop: '1.5px solid',
    borderColor: 'ink',
    padding: '12px 16px 18px',
    marginTop: 'auto',
    '& p + p': { marginTop: '7px' },
  },
});

/** Name of what is opened, and what closes it. */
export const PanelHead = chakra('header', {
  base: {
    display: 'flex',
    justifyContent: 'space-between',
    alignItems: 'flex-start',
    gap: '10px',
    '& h1': { fontSize: '20px', paddingTop: '9px', _focus: { outline: 'none' } },
  },
});

/** A view that is read from top to bottom. */
export const Page = chakra('main', {
  base: {
    flex: 1,
    minHeight: 0,
    width: '100%',
    overflowY: 'auto',
    paddingBlock: { base: '18px 40px', lg: '28px 48px' },
    paddingInline: { base: '16px', lg: 'max(32px, calc((100% - 1180px) / 2))' },
    '& h1': { fontSize: '30px' },
  },
});

export const PageSection = chakra('section', {
  base: {
    layerStyle: 'region',
    padding: '14px 0 18px',
    maxWidth: '90ch',
    '& > h2': { marginBottom: '8px' },
  },
});

/** Names and what is known of each. */
export const Facts = chakra('dl', {
  base: {
    display: 'grid',
    gridTemplateColumns: 'auto 1fr',
    gap: '0 12px',
    margin: '0 0 6px',
    fontSize: '14px',
    '& dt': { color: 'ink2' },
    '& dd': { margin: 0, whiteSpace: 'nowrap' },
  },
});

/** Above a view: something is not stored as it is shown, and a person decides. */
export const Undecided = chakra(
  'div',
  {
    base: {
      padding: '14px 18px',
      bg: 'cloth2',
      borderBottom: '1.5px solid',
      borderColor: 'ink',
      borderLeft: '5px solid var(--rb-colors-danger)',
    },
  },
  { defaultProps: { role: 'alert' } },
);
