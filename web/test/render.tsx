import { ChakraProvider } from '@chakra-ui/react';
import { render as bare } from '@testing-library/react';
import type { RenderResult } from '@testing-library/react';
import type { ReactElement } from 'react';
import { system } from '../src/app/theme/index.js';

/** Renders a part in our look. */
export const render = (what: ReactElement): RenderResult =>
  bare(what, { wrapper: ({ children }) => <ChakraProvider value={system}>{children}</ChakraProvider> });
