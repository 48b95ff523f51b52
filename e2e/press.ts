import type { Locator, Page } from '@playwright/test';

/** Ticks a box, or takes the tick away, as a hand does: on its label. The box itself is drawn, and what it stands for is hidden. */
export const tick = (box: Locator): Promise<void> => box.locator('xpath=ancestor::label[1]').click();

/** Opens everything of a step: its row has its first numbers only. */
export const more = (page: Page, step: string): Promise<void> =>
  page.getByRole('button', { name: `More of ${step}` }).click();

/** A row of the ledger, by what it is about. */
export const ledgerRow = (page: Page, name: string | RegExp): Locator =>
  page.getByRole('region', { name: 'Ledger' }).getByRole('listitem').filter({ hasText: name }).first();
