import { Flex, chakra } from '@chakra-ui/react';
import { NavLink } from 'react-router';
import type { ReactElement } from 'react';

const Tab = chakra(NavLink, {
  base: {
    paddingBlock: '10px',
    paddingInline: '12px',
    minHeight: '44px',
    color: 'ink2',
    textDecoration: 'none',
    borderBottom: '3px solid transparent',
    '&[aria-current=page]': { color: 'ink', fontWeight: 700, borderBottomColor: 'act' },
    _hover: { background: 'cloth2' },
    _focusVisible: { outline: '3px solid', outlineColor: 'act' },
  },
});

/** What there is to teach with in a camp. */
export const Teaching = ({ campId }: { readonly campId: string }): ReactElement => (
  <Flex as="nav" aria-label="Teaching" wrap="wrap" marginBottom="12px" borderBottom="1px solid" borderColor="hairline">
    <Tab to={`/camps/${campId}/drills`}>Drills</Tab>
    <Tab to={`/camps/${campId}/pitch`}>Against the watch</Tab>
    <Tab to={`/camps/${campId}/class`}>Class</Tab>
    <Tab to={`/camps/${campId}/live`}>All at once</Tab>
    <Tab to="/tying">Tying</Tab>
  </Flex>
);
