import { defineLayerStyles } from '@chakra-ui/react';

/** What stands on what: rules between regions, hairlines between rows. */
export const layerStyles = defineLayerStyles({
  /** Found, and to be looked at. */
  finding: {
    value: {
      padding: '3px 0 3px 10px',
      borderLeft: '4px solid',
      borderColor: 'hairline',
      marginBottom: '6px',
      maxWidth: '80ch',
    },
  },
  /** A region of its own under another. */
  region: { value: { borderTop: '1.5px solid', borderColor: 'ink' } },
  /** One of a list. */
  row: { value: { borderTop: '1px solid', borderColor: 'hairline' } },
});
