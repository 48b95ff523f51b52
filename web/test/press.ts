import { act, fireEvent } from '@testing-library/react';

/** A tap on something whose part takes a moment to answer. */
export const press = (element: Element): Promise<void> =>
  act(async () => {
    fireEvent.click(element);
    await Promise.resolve();
  });
