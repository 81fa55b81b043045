import { expect, type Locator, type Page } from '@playwright/test';
import { sheetOf } from './bench';

/** A hasty hand on the sheet of a question: nothing waits but for what is looked at. */
export function handOnSheet(page: () => Page) {
  const sheet = (): Locator => sheetOf(page());
  return {
    sheet,
    blocks: (): Locator => sheet().locator(':scope > *'),
    letters: (): Locator => sheet().getByRole('button', { name: /^Answer slot/ }),
    type: (text: string): Promise<void> => page().keyboard.type(text),
    async press(...keys: string[]): Promise<void> {
      for (const key of keys) await page().keyboard.press(key);
    },
    add: (preset: string): Promise<void> =>
      page()
        .getByRole('button', { name: `+ ${preset}`, exact: true })
        .click(),
    async newQuestion(): Promise<void> {
      await page().goto('/bank/new');
      await page().waitForURL(/\/bank\/[0-9a-f-]{36}/);
      await expect(sheet()).toBeFocused();
    },
  };
}
