import type { Locator, Page } from '@playwright/test';

/** Opens a list of which what is chosen is done at once, and chooses a line. */
export async function chooseFrom(within: Page | Locator, words: string, line: string): Promise<void> {
  await within.getByRole('button', { name: words }).click();
  await within.locator('.act-menu .show').getByRole('button', { name: line, exact: true }).click();
}
