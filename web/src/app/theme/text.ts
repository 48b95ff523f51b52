import { defineTextStyles } from '@chakra-ui/react';

const head = { fontFamily: 'heading', fontWeight: 700 } as const;

/** How words and numbers are set. */
export const textStyles = defineTextStyles({
  /** What is read second: notes, hints, sources. */
  quiet: { value: { fontSize: '13px', fontWeight: 400, color: 'ink2' } },
  /** Why something cannot be. */
  problem: { value: { fontSize: '13px', lineHeight: 1.3, color: 'danger', fontWeight: 700 } },
  lead: { value: { fontSize: '17px', color: 'ink2' } },
  /** A number that is looked for. */
  figure: { value: { ...head, fontSize: '19px', lineHeight: 1.1 } },
  /** The name of a thing in a list of things. */
  name: { value: { ...head, fontSize: '19px', lineHeight: 1.3 } },
  title: { value: { ...head, fontSize: '17px', lineHeight: 1.2 } },
  /** What a view comes to, said first. */
  verdict: { value: { ...head, fontSize: { base: '18px', lg: '21px' }, lineHeight: 1.18 } },
});
