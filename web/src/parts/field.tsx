import { Problem } from './layout.js';
import { Field as ChakraField } from '@chakra-ui/react';
import type { ReactElement, ReactNode } from 'react';

/** A label, what is asked for, and beneath it why what was put in cannot be, or else a hint. */
export function Field({
  label,
  problem,
  hint = '',
  bare = false,
  wide = false,
  children,
}: {
  readonly label: string;
  readonly problem: string | null;
  readonly hint?: string | undefined;
  /** In a table, where the heading is the label: it is read out but not shown. */
  readonly bare?: boolean;
  /** Over the whole row. */
  readonly wide?: boolean;
  readonly children: ReactNode;
}): ReactElement {
  return (
    <ChakraField.Root
      invalid={problem !== null}
      {...(bare ? { margin: 0, width: '92px' } : {})}
      {...(wide ? { flexBasis: '100%' } : {})}
    >
      <ChakraField.Label srOnly={bare}>{label}</ChakraField.Label>
      {children}
      {problem !== null ? (
        <ChakraField.ErrorText role="alert">{problem}</ChakraField.ErrorText>
      ) : (
        hint !== '' && <ChakraField.HelperText>{hint}</ChakraField.HelperText>
      )}
    </ChakraField.Root>
  );
}

/** Why something that is no field of its own was refused. */
export function Refused({ children }: { readonly children: string | null }): ReactElement | null {
  return children === null ? null : <Problem role="alert">{children}</Problem>;
}
