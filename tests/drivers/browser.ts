import {
  type Browser,
  type BrowserContext,
  chromium,
  expect,
  type Locator,
  type Page,
  type Request,
} from '@playwright/test';
import { DEMO_PASSWORD } from '../../src/demo/people';

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // A microphone that beeps.
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
];
export const LAPTOP = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

/** Debian's Chromium without a window; another one can be named. */
const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell';

/** A browser; what its microphone hears is a wave file, once, where one is named. */
export function launch(heard?: string): Promise<Browser> {
  const microphone = heard === undefined ? [] : [`--use-file-for-fake-audio-capture=${heard}%noloop`];
  return chromium.launch({
    executablePath: CHROMIUM,
    args: [...ARGS, ...microphone],
  });
}

/** Goes to a screen and waits until it answers keys. */
export const goTo = (page: Page, address: string): Promise<void> => awake(page, () => page.goto(address));

/** Loads a screen anew and waits until it answers keys. */
export const reloaded = (page: Page): Promise<void> => awake(page, () => page.reload());

/** How long a screen may go on asking, in milliseconds. */
const RESTLESS = 20_000;

/**
 * Waits until a screen that comes has asked for all that it needs. What the page before it asks for in the moment in
 * which it goes may be told as begun and never as ended: a screen that does not come to rest is told of with what it
 * waits for, and loaded once more; there is no other page before it then.
 */
async function awake(page: Page, comes: () => Promise<unknown>): Promise<void> {
  const open = new Set<Request>();
  const begun = (request: Request): unknown => open.add(request);
  const ended = (request: Request): unknown => open.delete(request);
  page.on('request', begun).on('requestfinished', ended).on('requestfailed', ended);
  try {
    await comes();
    const rests = await page.waitForLoadState('networkidle', { timeout: RESTLESS }).then(
      () => true,
      () => false,
    );
    if (rests) return;
    const asked = [...open].map((request) => `${request.method()} ${request.url()}`);
    process.stderr.write(`${page.url()} does not come to rest; it waits for ${asked.join(', ') || 'nothing'}\n`);
    await page.reload();
    await page.waitForLoadState('networkidle');
  } finally {
    page.off('request', begun).off('requestfinished', ended).off('requestfailed', ended);
  }
}

/** Whether windows fade in and out for somebody. What moves is drawn again and again. */
export type Motion = 'reduce' | 'no-preference';

/** A browser of somebody's own, with nobody signed in. */
export async function atBrowser(
  browser: Browser,
  base: string,
  viewport = LAPTOP,
  motion: Motion = 'reduce',
): Promise<BrowserContext> {
  const context = await browser.newContext({
    viewport,
    baseURL: base,
    locale: 'en-GB',
    reducedMotion: motion,
    hasTouch: viewport === PHONE,
    permissions: ['clipboard-read', 'clipboard-write'],
  });
  context.setDefaultTimeout(45_000);
  context.setDefaultNavigationTimeout(45_000);
  return context;
}

/** A person at a browser, signed in through the door. */
export async function signIn(
  browser: Browser,
  base: string,
  userName: string,
  viewport = LAPTOP,
): Promise<{ page: Page; context: BrowserContext }> {
  const context = await atBrowser(browser, base, viewport);
  const page = await context.newPage();
  await page.goto('/sign-in');
  await page.getByLabel('User name').fill(userName);
  await page.getByLabel('Password').fill(DEMO_PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL((url) => !url.pathname.startsWith('/sign-in'));
  return { page, context };
}

/** On a student's page, the link that begins a sitting. */
export function linkTo(page: Page, title: string): Locator {
  return page
    .locator('section > div', { has: page.getByText(title, { exact: true }) })
    .getByRole('link', { name: 'Begin…' })
    .first();
}

/** From the link on a student's page: reads what is said before, begins, and is in the room. */
export async function begin(link: Locator): Promise<void> {
  const page = link.page();
  await link.click();
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.waitForURL(/\/room\//);
}

/** Waits until everything on a screen that saves by itself is with the server. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByText(/^Saved( \d|$)/).first()).toBeVisible();
}

/** Sets the cursor at the beginning of words on a sheet. The editor takes the cursor up 20 ms later; no hand is faster. */
export async function clickBefore(words: Locator): Promise<void> {
  await words.click({ position: { x: 4, y: 6 } });
  await words.evaluate(() => new Promise((done) => setTimeout(done, 40)));
}

/** Lets go of what is dragged. The click that ends a drag is caught for 50 ms; no hand is faster. */
export async function letGo(page: Page): Promise<void> {
  await page.mouse.up();
  await page.evaluate(() => new Promise((done) => setTimeout(done, 60)));
}
