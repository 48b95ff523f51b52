import type { Locator } from '@playwright/test';

/** Ticks a box, or takes the tick away, as a hand does: on its label. The box itself is drawn, and what it stands for is hidden. */
export const tick = (box: Locator): Promise<void> => box.locator('xpath=ancestor::label[1]').click();
