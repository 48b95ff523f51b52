import { act, fireEvent, screen } from '@testing-library/react';

/** Opens a menu by its button and takes one of what it offers by the keyboard. @param k how far down */
export async function choose(button: string, k = 0): Promise<void> {
  const keys = ['Enter', ...Array.from({ length: k }, () => 'ArrowDown'), 'Enter'];
  for (const [i, key] of keys.entries())
    await act(async () => {
      const on = i === 0 ? screen.getByRole('button', { name: button }) : screen.getByRole('menu');
      on.focus();
      fireEvent.keyDown(on, { key });
      await new Promise((done) => setTimeout(done, 30));
    });
}
