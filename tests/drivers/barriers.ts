import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';

/** WCAG 2.2 at levels A and AA, as far as axe can find. */
const LEVELS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What axe finds on a page: by all criteria, or by some of its rules alone. */
export async function barriers(page: Page, rules?: string[]): Promise<string[]> {
  const asked = new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? asked.withRules(rules) : asked.withTags(LEVELS)).analyze();
  return violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 200)}`);
}
