import { expect as built, type Locator } from '@playwright/test';

/**
 * As Playwright's, but what is not there yet is waited for without describing the page: its own matcher writes down the
 * whole page in words each time it looks in vain, which took a tenth of all that the browsers did.
 */
export const expect = built.extend({
  async toBeVisible(locator: Locator, options: { timeout?: number } = {}) {
    const { timeout = this.timeout } = options;
    if (this.isNot) await built(locator).not.toBeVisible({ timeout });
    else
      await locator.waitFor({ timeout }).catch(() =>
        // It says best what was wrong.
        built(locator).toBeVisible({ timeout: 1 }),
      );
    return { pass: !this.isNot, message: () => '' };
  },
});
