import type { Locator, Page } from '@playwright/test';
import { goTo } from './browser';

export const sheetOf = (page: Page): Locator => page.getByRole('textbox', { name: 'The sheet' });

/** Begins a question from the bank, by its key. */
export async function beginQuestion(page: Page): Promise<void> {
  await goTo(page, '/bank');
  await page.keyboard.press('n');
  await page.waitForURL(/\/bank\/(?!new)/);
  await sheetOf(page).click();
}
