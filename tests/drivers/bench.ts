import AxeBuilder from '@axe-core/playwright';
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

/** What axe finds on a page that would stand in somebody's way. */
export async function barriersOn(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  return violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`);
}
