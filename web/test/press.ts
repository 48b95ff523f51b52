import { act, fireEvent, screen } from '@testing-library/react';

/** A tap on something whose part takes a moment to answer. */
export const press = (element: Element): Promise<void> =>
  act(async () => {
    fireEvent.click(element);
    await Promise.resolve();
  });

/** Escape, in what is drawn out or elsewhere, once it listens: that takes it a frame. */
export const escape = (drawn: string, where: Element = screen.getByRole('dialog', { name: drawn })): Promise<void> =>
  act(async () => {
    await new Promise<void>((done) => setTimeout(done, 50));
    fireEvent.keyDown(where, { key: 'Escape' });
  });
